import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'
import { ref } from 'vue'
import { ATTACHMENT_TYPES, type Attachment } from '#core/records'
import { askBytes, fieldIssue, issuesOf, type FieldIssue } from './api.ts'
import { useLots } from './lots.ts'

const MOST_BYTES = 16_000_000

/** Attaches pictures and pages to a lot: the bytes first, under their hash, then the fact that names them. */
export function useAttachments(lot: () => string) {
  const store = useLots()
  const issues = ref<FieldIssue[]>([])
  const busy = ref(false)

  /** Its hash, once its bytes are kept; null where they could not be. */
  async function attach(file: File): Promise<string | null> {
    issues.value = []
    const type = ATTACHMENT_TYPES.find((t) => t === file.type)
    const refuse = (says: string) => {
      issues.value = [fieldIssue('file', says)]
      return null
    }
    if (!type)
      return refuse(`“${file.name}” is no picture (JPEG, PNG, WebP) and no PDF. Choose another file.`)
    if (file.size === 0 || file.size > MOST_BYTES)
      return refuse(`“${file.name}” has ${(file.size / 1e6).toFixed(1)} MB; up to 16 MB can be kept.`)
    busy.value = true
    const bytes = new Uint8Array(await file.arrayBuffer())
    const hash = bytesToHex(sha256(bytes))
    const answer = await askBytes(`/attachments/${hash}`, bytes, {}, 'PUT')
    busy.value = false
    if (answer.kind !== 'ok') {
      issues.value = issuesOf(answer)
      return null
    }
    const name = file.name.slice(0, 120)
    store.note(lot(), [{ kind: 'attachment', name, type, bytes: file.size, hash }])
    return hash
  }
  const addressOf = (a: Pick<Attachment, 'hash' | 'type'>) =>
    `/api/attachments/${a.hash}?type=${encodeURIComponent(a.type)}`
  return { issues, busy, attach, addressOf }
}
