import { raw, Router } from 'express'
import { issueOf } from '#core/measure'
import { ATTACHMENT_TYPES } from '#core/records'
import { hashOfBytes } from './database/shelf.ts'
import { deviceOf } from './devices/gate.ts'
import { notFound, refused, Refusal } from './problem.ts'
import { hashOf, type Served } from './served.ts'
import './lots/issues.ts'

/** A picture or a page of a slip. */
const MOST_ATTACHED = '16mb'

const MB = 1024 * 1024
/** Of a farm; of one device in a day, so that one that is lost or gone mad leaves room for the others. */
const MOST_OF_FARM = 4096 * MB
const MOST_A_DAY = 512 * MB
const noRoom = (whose: string) =>
  new Refusal({
    type: '/problems/no-room-for-pictures',
    title: `There is no more room for pictures ${whose}.`,
    status: 413,
    detail: 'Everything kept before is there. Take a bundle away, and attach fewer or smaller pictures.',
  })

/** Pictures and slips, by what they hold. */
export function attachmentRoutes({ shelf, now }: Served): Router {
  const api = Router()
  let day = ''
  const sentBy = new Map<string | null, number>()
  function checkRoom(device: string | null, bytes: number) {
    const today = now().toISOString().slice(0, 10)
    if (today !== day) sentBy.clear()
    day = today
    const sent = (sentBy.get(device) ?? 0) + bytes
    if (device !== null && sent > MOST_A_DAY) throw noRoom('from this device today')
    if (shelf.bytes() + bytes > MOST_OF_FARM) throw noRoom('of this farm')
    sentBy.set(device, sent)
  }
  api.put('/attachments/:hash', raw({ type: () => true, limit: MOST_ATTACHED }), (req, res) => {
    const hash = hashOf(req.params.hash, 'attachment')
    const bytes: unknown = req.body
    if (!Buffer.isBuffer(bytes) || bytes.length === 0 || hashOfBytes(bytes) !== hash)
      throw refused([issueOf('attachment-gone', 'hash', { name: hash.slice(0, 8) })])
    if (!shelf.isSound(hash)) checkRoom(deviceOf(req), bytes.length)
    shelf.keep(hash, bytes)
    res.status(204).end()
  })
  api.get('/attachments/:hash', (req, res) => {
    const hash = hashOf(req.params.hash, 'attachment')
    if (!shelf.isSound(hash)) throw notFound('attachment')
    const type = ATTACHMENT_TYPES.find((t) => t === req.query.type) ?? 'application/octet-stream'
    res
      .set('content-security-policy', "default-src 'none'; style-src 'unsafe-inline'; sandbox")
      .type(type)
      .send(shelf.read(hash))
  })
  return api
}
