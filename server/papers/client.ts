import { openThread, type Thread } from '../threads.ts'
import type { PaperMaker } from './maker.ts'

/** Papers made in a thread of their own, so that a long one holds up nobody; a thread that ends is started again. */
export function papersInThread(script: string): PaperMaker & { end(): Promise<void> } {
  let thread: Thread<PaperMaker> | null = null
  const remote = () => {
    thread ??= openThread<PaperMaker>(script, null, {}, () => {
      thread = null
    })
    return thread.remote
  }
  return {
    draw: (asked) => remote().draw(asked),
    pdf: (data) => remote().pdf(data),
    csv: (data) => remote().csv(data),
    end: async () => thread?.end(),
  }
}
