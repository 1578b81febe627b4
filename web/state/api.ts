import type { Problem } from '#contracts'

/** What a request came to: the body, the problem it met, or no answer at all. */
export type Answer<T> =
  { kind: 'ok'; body: T } | { kind: 'problem'; problem: Problem } | { kind: 'unreachable' }

export async function ask<T>(
  method: 'GET' | 'POST' | 'PUT',
  path: string,
  body?: unknown,
): Promise<Answer<T>> {
  let res: Response
  try {
    res = await fetch(`/api${path}`, {
      method,
      ...(body !== undefined && {
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      }),
    })
  } catch {
    return { kind: 'unreachable' }
  }
  const isJson = res.headers.get('content-type')?.includes('json')
  if (!isJson) return { kind: 'unreachable' }
  const answer: unknown = await res.json()
  return res.ok ? { kind: 'ok', body: answer as T } : { kind: 'problem', problem: answer as Problem }
}

/** An issue at a field, as the server said it or as the page found it. */
export interface FieldIssue {
  field: string
  detail: string
  confirmable: boolean
}

/** The issues of an answer that was not kept; an outage is one, and what was typed stays. */
export function issuesOf(answer: Exclude<Answer<unknown>, { kind: 'ok' }>): FieldIssue[] {
  if (answer.kind === 'unreachable') {
    return [
      {
        field: '',
        detail: 'The server does not answer, so this was not kept. What you typed is still here: try again.',
        confirmable: false,
      },
    ]
  }
  const { errors, title, detail } = answer.problem
  if (!errors?.length)
    return [{ field: '', detail: [title, detail].filter(Boolean).join(' '), confirmable: false }]
  return errors.map((e) => ({ field: e.field, detail: e.detail, confirmable: e.confirmable ?? false }))
}
