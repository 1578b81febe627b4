import { defineStore } from 'pinia'
import { computed, nextTick, reactive, toRaw } from 'vue'
import type { Issue, Outcome, Says, Tongue } from '#core/measure'
import { sayIssue } from '#contracts/said'
import { readForm, type Filled, type FormFields } from '#core/records'
import { fieldIssue, type FieldIssue } from './api.ts'
import { useIssues } from './issues.ts'
import { useWords } from './words.ts'

/** What is typed of a form, and what stood in it when it was last blank or kept. */
interface Draft {
  typed: object
  from: string
}
/** What was typed and not yet kept, by the page it stands on: going to look something up loses none of it. */
const useDrafts = defineStore('drafts', () => ({ drafts: new Map<string, Draft>() }))
const isTouched = ({ typed, from }: Draft) => JSON.stringify(typed) !== from

type Wrong = readonly (Issue | FieldIssue)[]
interface Options<F, B> {
  /** Fields that are not asked now: read as empty. */
  hides?: (typed: B) => readonly (keyof F)[]
  /** What stays as it was once the rest is kept: the day, the unit. */
  stays?: readonly (keyof B)[]
}

/**
 * A form: what is typed in it, read by the fields of its kind; what is wrong stands at its field, the first of them has the
 * focus; once kept it is blank again, and its first field has it.
 */
export function useForm<F extends FormFields, B extends Record<keyof F, string | null>>(
  name: string,
  fields: F,
  blank: () => B,
  { stays = [], hides = () => [] }: Options<F, B> = {},
) {
  const words = useWords()
  const { drafts } = useDrafts()
  const { issues, at } = useIssues()
  const key = `${location.pathname} ${name}`
  const before = drafts.get(key)
  // Nothing was typed: it begins anew, from what is on record by now.
  const typed = (before && isTouched(before) ? before.typed : reactive(blank())) as B
  const draft: Draft = { typed, from: before && isTouched(before) ? before.from : JSON.stringify(typed) }
  drafts.set(key, draft)
  const tongue = computed<Tongue>(() => ({
    massUnit: words.unit.value,
    nameSet: 'american',
    currency: words.currency.value,
  }))
  const said = (wrong: Wrong) =>
    wrong.map((i) => ('code' in i ? fieldIssue(i.field, sayIssue(i, words.says.value)) : i))
  /** What can be read of it now, for what follows while it is typed. */
  const read = computed(() => {
    const hidden = Object.fromEntries(hides(typed).map((k) => [k, '']))
    return readForm(fields, { ...typed, ...hidden }, tongue.value)
  })

  let isKeeping = false
  /** Reads the form and hands it on, once for a press; what that finds wrong stands at its field, and all that was typed stays. */
  const keep =
    (take: (filled: Filled<F>) => Wrong | void | Promise<Wrong | void>) =>
    async (event?: Event): Promise<void> => {
      if (isKeeping) return
      isKeeping = true
      const form = event?.currentTarget instanceof HTMLElement ? event.currentTarget : null
      const out = read.value
      let wrong: FieldIssue[]
      try {
        wrong = said(out.ok ? ((await take(out.value)) ?? []) : out.issues)
      } finally {
        isKeeping = false
      }
      issues.value = wrong
      if (wrong.length === 0) {
        const left = Object.fromEntries(stays.map((k) => [k, toRaw(typed)[k]]))
        Object.assign(typed, { ...blank(), ...left })
        draft.from = JSON.stringify(typed)
      }
      await nextTick()
      form?.querySelector<HTMLElement>(wrong.length > 0 ? '[aria-invalid="true"]' : 'input')?.focus()
    }
  return { typed, issues, at, read, keep }
}

/** What was wrong with what was typed, at the field of each. */
export const wrongIn = (says: Says, ...read: (Outcome<unknown> | null)[]): FieldIssue[] =>
  read.flatMap((r) => (r && !r.ok ? r.issues.map((i) => fieldIssue(i.field, sayIssue(i, says))) : []))
