import { z } from 'zod'
import { packNumberSchema } from '../figures.ts'
import { textSchema } from '../text.ts'
import { fact } from './kind.ts'

/** A pack that is no pack: thrown away, given no label, counted twice. Withdrawn, it is one again. */
const voided = fact(z.object({ kind: z.literal('void'), pack: packNumberSchema, why: textSchema(200) }), {
  hangsOn: 'pack',
  subject: (b) => `void ${b.pack}`,
  moves: 'mass',
  right: 'weigh',
})
export { voided as void }
