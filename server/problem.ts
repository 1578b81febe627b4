import type { ErrorRequestHandler, Response } from 'express'
import type { ZodError, ZodType } from 'zod'
import type { Problem } from '#contracts'
import { sayIssue, type Issue } from '#core/measure'
import type { Kept } from './store/operations.ts'

/** A refusal that a route throws and the last handler turns into problem details (RFC 9457). */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.title)
  }
}

const about = (name: string) => `/problems/${name}`

export const notFound = (what: string) =>
  new Refusal({
    type: about('not-found'),
    title: `There is no such ${what}.`,
    status: 404,
    detail: 'It may have been typed wrong, or belong to another folder. Go back to the rail.',
  })

export const refused = (issues: Issue[]) =>
  new Refusal({
    type: about('refused'),
    title: 'Some figures cannot be kept as they are.',
    status: 422,
    errors: issues.map((i) => ({
      field: i.field,
      detail: sayIssue(i),
      code: i.code,
      confirmable: i.confirmable ?? false,
    })),
  })

const malformed = (error: ZodError) =>
  new Refusal({
    type: about('malformed'),
    title: 'What was sent is not in the form Ekko reads.',
    status: 400,
    errors: error.issues.map((i) => ({ field: i.path.join('.'), detail: i.message, code: i.code })),
  })

/** Reads a body or refuses it with its field paths. */
export function parsed<T>(schema: ZodType<T>, body: unknown): T {
  const out = schema.safeParse(body)
  if (!out.success) throw malformed(out.error)
  return out.data
}

/** The lot a write left behind, or the refusal it came to. */
export function lotKept(out: Kept) {
  switch (out.result) {
    case 'kept':
      return out.lot
    case 'missing':
      throw notFound('lot')
    case 'taken':
      throw new Refusal({ type: about('taken'), title: 'Another lot has this id.', status: 409 })
    case 'refused':
      throw refused(out.issues)
    case 'conflict':
      throw new Refusal({
        type: about('conflict'),
        title: 'Someone changed the same thing meanwhile.',
        status: 409,
        detail: 'Both are shown. Keep one.',
        conflicts: out.conflicts,
      })
  }
}

export function sendProblem(res: Response, problem: Problem): void {
  res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem))
}

/** Last in line: refusals as they are, bodies that are not JSON or too large by name, everything else as a bug. */
export const problemHandler =
  (log: (error: unknown) => void): ErrorRequestHandler =>
  (error, _req, res, _next) => {
    if (error instanceof Refusal) return sendProblem(res, error.problem)
    if (error?.type === 'entity.parse.failed')
      return sendProblem(res, { type: about('not-json'), title: 'The body is not JSON.', status: 400 })
    if (error?.type === 'entity.too.large')
      return sendProblem(res, {
        type: about('too-large'),
        title: 'The body is too large: at most 1 MB.',
        status: 413,
      })
    log(error)
    sendProblem(res, {
      type: about('bug'),
      title: 'Ekko failed on this. Nothing was changed.',
      status: 500,
      detail: 'Try again; if it stays, take a bundle from the Farm place and report it.',
    })
  }
