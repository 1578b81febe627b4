import type { Problem } from '#contracts'
import { ref } from 'vue'
import { BUILD_HEADER, DEVICE_HEADER, HISTORY_HEADER } from '#contracts/wire'
import { ME } from './device.ts'

/**
 * What a request came to: the body, the problem it met, or no answer: the server is away, or has stopped taking records
 * (`why`, in its own words). What gets no answer is held and sent again.
 */
export type Answer<T> =
  | { kind: 'ok'; body: T }
  | { kind: 'problem'; problem: Problem }
  | { kind: 'unreachable'; why?: string }

/** Stopped, still opening, or no room: the same request may be kept later. */
const LATER = new Set([503, 507])

/** Whether the server now serves another build of the pages than the one it served when this page first asked. */
export const isOutdated = ref(false)
let build: string | null = null
function hearBuild(now: string | null) {
  if (now === null) return
  build ??= now
  // Never taken back: a script that is gone says it too, and the next answer knows nothing of that.
  if (build !== now) isOutdated.value = true
}

/** Which history of the records this page knows; another one since a copy was brought back. */
export const history = ref<string | null>(null)
export function hearHistory(now: string | null) {
  if (now !== null) history.value = now
}

/** Why the server does not let this device in, while it does not. */
export const barred = ref<Problem | null>(null)

async function answerOf<T>(
  path: string,
  init: RequestInit & { headers?: Record<string, string> },
): Promise<Answer<T>> {
  let res: Response
  const of = history.value
  try {
    res = await fetch(
      `/api${path}`,
      of ? { ...init, headers: { ...init.headers, [HISTORY_HEADER]: of } } : init,
    )
  } catch {
    return { kind: 'unreachable' }
  }
  hearBuild(res.headers.get(BUILD_HEADER))
  hearHistory(res.headers.get(HISTORY_HEADER))
  if (res.status === 204) return { kind: 'ok', body: undefined as T }
  const type = res.headers.get('content-type') ?? ''
  if (res.ok && type.includes('octet-stream')) return { kind: 'ok', body: (await res.blob()) as T }
  if (!type.includes('json')) return { kind: 'unreachable' }
  const answer: unknown = await res.json()
  if (res.ok) return { kind: 'ok', body: answer as T }
  const problem = answer as Problem
  if (res.status === 401) barred.value = problem
  if (LATER.has(res.status)) return { kind: 'unreachable', why: sayProblem(problem) }
  return { kind: 'problem', problem }
}

export const sayProblem = ({ title, detail }: Problem) => [title, detail].filter(Boolean).join(' ')

export const ask = <T>(method: 'GET' | 'POST' | 'PUT' | 'DELETE', path: string, body?: unknown) =>
  answerOf<T>(path, {
    method,
    ...(body !== undefined && {
      headers: { 'content-type': 'application/json', [DEVICE_HEADER]: ME.device },
      body: JSON.stringify(body),
    }),
  })

/** Sends bytes as they are, or takes bytes back. */
export const askBytes = <T>(
  path: string,
  body: BodyInit,
  headers: Record<string, string> = {},
  method: 'POST' | 'PUT' = 'POST',
) =>
  answerOf<T>(path, {
    method,
    headers: { 'content-type': 'application/octet-stream', ...headers },
    body,
  })

/** An issue at a field, as the server said it or as the page found it. */
export interface FieldIssue {
  field: string
  detail: string
  confirmable: boolean
}

export const fieldIssue = (field: string, detail: string): FieldIssue => ({
  field,
  detail,
  confirmable: false,
})

/** The issues of an answer that was not kept; an outage is one, and what was typed stays. */
export function issuesOf(answer: Exclude<Answer<unknown>, { kind: 'ok' }>): FieldIssue[] {
  if (answer.kind === 'unreachable') {
    const why = answer.why ?? 'The server does not answer, so this was not kept.'
    return [fieldIssue('', `${why} What you typed is still here: try again.`)]
  }
  const { errors } = answer.problem
  if (!errors?.length) return [fieldIssue('', sayProblem(answer.problem))]
  return errors.map((e) => ({ field: e.field, detail: e.detail, confirmable: e.confirmable ?? false }))
}
