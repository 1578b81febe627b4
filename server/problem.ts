import type { ErrorRequestHandler, Response } from 'express'
import type { ZodError, ZodType } from 'zod'
import type { Problem } from '#contracts'
import { PLAIN, saysFor, type Issue, type Tongue } from '#core/measure'
import { sayIssue } from '#contracts/said'
import { Stopped, type StopReason } from './database/engine.ts'
import { NoRoom } from './database/outcome.ts'
import type { Changed, Kept, Taken } from './store/outcomes.ts'

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

/** Issues in the words of the farm they are about: its names, its units, its money. */
export const refused = (issues: readonly Issue[], tongue: Tongue | null = null) => {
  const says = saysFor(tongue ?? PLAIN)
  return new Refusal({
    type: about('refused'),
    title: 'Some figures cannot be kept as they are.',
    status: 422,
    errors: issues.map((i) => ({
      field: i.field,
      detail: sayIssue(i, says),
      code: i.code,
      confirmable: i.confirmable ?? false,
    })),
  })
}

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

export const taken = ({ held, sent }: Omit<Taken, 'result'>) =>
  new Refusal({
    type: about('taken'),
    title: 'Another record has this id already.',
    status: 409,
    detail:
      'Nothing was changed. What is kept and what was sent are both shown; send the new one under an id of its own.',
    held,
    sent,
  })

/** What a write left behind, or the refusal it came to. */
export function changeKept<K extends { result: 'kept' }>(
  out: K | Exclude<Kept, { result: 'kept' }>,
  tongue: Tongue | null = null,
): K {
  switch (out.result) {
    case 'kept':
      return out
    case 'missing':
      throw notFound('lot')
    case 'taken':
      throw taken(out)
    case 'refused':
      throw refused(out.issues, tongue)
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

/** What a change in place left behind, or the refusal it came to. */
export function valueKept<T>(out: Changed<T>, tongue: Tongue | null = null): T {
  switch (out.result) {
    case 'kept':
      return out.value
    case 'refused':
      throw refused(out.issues, tongue)
    case 'changed':
      throw new Refusal({
        type: about('changed'),
        title: 'This was changed in another window meanwhile.',
        status: 409,
        detail: 'Nothing was overwritten. Look at what stands now, and save again if yours shall count.',
        held: out.held,
        sent: out.sent,
      })
  }
}

export const bringingBack = () =>
  new Refusal({
    type: about('bringing-back'),
    title: 'A copy of the records is being brought back.',
    status: 503,
    detail: 'Nothing is taken for some seconds. What is decided meanwhile is held.',
  })
export const otherHistory = () =>
  new Refusal({
    type: about('other-history'),
    title: 'A copy of the records was brought back meanwhile.',
    status: 409,
    detail:
      'This was decided on those that stood before. Look whether it still holds, and send it again if it does.',
  })

const STOP_ADVICE: Record<StopReason, string> = {
  disk: 'Everything acknowledged before is safe. Look at the disk (room, cable, health), then start Ekko again.',
  database: 'Everything acknowledged before is safe. Start Ekko again; it looks at its records first.',
  lock: 'Use the window the other one serves.',
  thread: 'Everything acknowledged before is safe. Start Ekko again.',
  closed: 'Start it again to go on.',
}

/** What a page and the console say when records are no longer taken. */
export const stoppedProblem = ({ reason, what }: Stopped): Problem => ({
  type: about('stopped'),
  title: 'Ekko has stopped: nothing is kept any more.',
  status: 503,
  detail: `${what} ${STOP_ADVICE[reason]}`,
})

export function sendProblem(res: Response, problem: Problem): void {
  res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem))
}

/** What the web framework itself refuses, in plain words; by its status. */
const FORM_WORDS: Record<number, string> = {
  400: 'The request cannot be read: its address or its body is damaged.',
  413: 'The body is too large: at most 1 MB.',
  415: 'The body is in a form or encoding that is not read here: send JSON in UTF-8.',
}

/** Whatever it was that was to be written: a disk that took no more. */
const isFull = (error: unknown) =>
  /^(?:ENOSPC|EDQUOT)$/.test(String((error as { code?: unknown } | null)?.code))

function problemOf(error: unknown): Problem | null {
  if (error instanceof Refusal) return error.problem
  if (error instanceof Stopped) return stoppedProblem(error)
  const full = error instanceof NoRoom ? error : isFull(error) ? new NoRoom() : null
  if (full) return { type: about('no-room'), title: 'The disk is full.', status: 507, detail: full.message }
  const { status, type } = error as { status?: unknown; type?: unknown }
  if (type === 'entity.parse.failed')
    return { type: about('not-json'), title: 'The body is not JSON.', status: 400 }
  if (typeof status === 'number' && status >= 400 && status < 500)
    return {
      type: about(status === 413 ? 'too-large' : 'unreadable'),
      title: FORM_WORDS[status] ?? FORM_WORDS[400]!,
      status,
    }
  return null
}

/** Last in line: refusals as they are, what cannot be read by name, everything else as a bug. */
export const problemHandler =
  (log: (error: unknown) => void, stopped: (why: Stopped) => void): ErrorRequestHandler =>
  (error, _req, res, _next) => {
    if (error instanceof Stopped) stopped(error)
    if (res.headersSent) return void res.destroy()
    const problem = problemOf(error)
    if (problem) return sendProblem(res, problem)
    log(error)
    sendProblem(res, {
      type: about('bug'),
      title: 'Ekko failed on this.',
      status: 500,
      detail:
        'It may not have been kept: reload the page to see what was. If it stays, take a bundle from the Farm place and report it.',
    })
  }
