import { computed } from 'vue'
import { useReading } from './lot.ts'
import { useWords } from './words.ts'

/** When what is said of a lot was typed: a day that was typed keeps beside it when that was. */
export function useTyped() {
  const { lot } = useReading()
  const words = useWords()
  const at = computed(() => new Map(lot.value!.facts.map((f) => [f.id, f.at])))
  const typedOn = (id: string): string => (at.value.get(id) ? words.instant(at.value.get(id)!) : 'just now')
  /** The same where it was typed long after what it says; nothing otherwise. */
  const typedLater = (id: string, of: string): string => {
    const on = at.value.get(id)
    return on && Date.parse(on) - Date.parse(of) > HOUR ? typedOn(id) : ''
  }
  return { typedOn, typedLater }
}
const HOUR = 3_600_000
