<script setup lang="ts">
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { mm, parseNumber, refuse, type Outcome } from '#core/measure'
import { sayIssue } from '#contracts/said'
import { rearOptions } from '#core/reading'
import { SPLIT_BOUNDS, type Decision, type Half } from '#core/records'
import FigureInput from '../../pieces/FigureInput.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** Another way for what lies behind a place along the part: half a loin as chops, the rest a roast. */
const { body, part, sidesOf, decide, central, priced } = useReading()
const words = useWords()

const HALF = 0.5
/** No other way. */
const ONE = 'one way'
const [low, high] = [SPLIT_BOUNDS.low * 100, SPLIT_BOUNDS.high * 100]
const partData = computed(() => body.value.anatomy.parts.find((p) => p.id === part.value)!)
const halves = computed(() => sidesOf(part.value).filter((s): s is Half => s !== 'animal'))
const ways = computed(() =>
  body.value.anatomy.paths.filter((p) => p.part === part.value && !p.pair && !p.together && !p.leaves),
)
const splits = computed(() => halves.value.map((s) => central.value.plan.choices.splits?.get(part.value, s)))
/** The split in force, where the sides that are looked at have the same. */
const now = computed(() => {
  const [first, ...others] = splits.value
  return first && others.every((o) => o?.path === first.path && o.at === first.at) ? first : null
})
const differ = computed(() => !now.value && splits.value.some((s) => s))
const place = ref(HALF)
const at = computed(() => now.value?.at ?? place.value)
const isOpen = ref(false)
/** What each way would change is worked out when it is asked for. */
const options = computed(() => {
  const valued = isOpen.value ? rearOptions(central.value, part.value, halves.value, at.value) : []
  return [
    { v: ONE, w: 'the same way along all of it', change: '', shut: false },
    ...ways.value.map((p) => {
      const found = valued.find((x) => x.path === p.id)
      const change =
        !found || found.inForce
          ? ''
          : found.refusal
            ? sayIssue(found.refusal, words.says.value)
            : `${words.massChange(found.difference.takeHome)}${priced.value ? `, ${words.moneyChange(found.difference.money)}` : ''}`
      return { v: p.id, w: words.name(p.names), change, shut: !!found?.refusal }
    }),
  ]
})
const length = computed(() => {
  const own = central.value.cutting.slot(part.value, halves.value[0] ?? 'left')?.length
  if (!own) return ''
  const vertebrae = own.vertebrae > 0 ? `, ${(own.vertebrae * at.value).toFixed(1)} vertebrae` : ''
  return `${Math.round(own.mm * at.value)} of ${Math.round(own.mm)} mm${vertebrae}`
})
const can = computed(() => {
  const slot = central.value.cutting.slot(part.value, halves.value[0] ?? 'left')
  return slot?.holds && ways.value.length > 1 && ways.value.includes(slot.path)
})

const take = (path: string, where = at.value) =>
  decide(
    ...halves.value.map((side): Decision => ({
      field: 'split',
      target: part.value,
      side,
      value: path === ONE ? null : { at: where, path },
    })),
  )
function percent(typed: string): Outcome<number> {
  const out = parseNumber(typed, 'at', { low: -Infinity, high: Infinity }, '%')
  return !out.ok || (out.value >= low && out.value <= high)
    ? out
    : refuse('split-beyond', 'at', { part: partData.value.names, typed: mm(out.value), low, high })
}
function move(value: number) {
  place.value = value / 100
  if (now.value) take(now.value.path, value / 100)
}
</script>

<template>
  <section
    v-if="can && halves.length > 0"
    class="split"
    :aria-label="`Two ways along the ${words.name(partData.names)}`"
  >
    <b>Two ways</b>
    <span>behind</span>
    <FigureInput
      class="at"
      :shown="String(Math.round(at * 100))"
      :read="percent"
      label="Where the other way begins, % of the length from the front"
      @take="move($event!)"
    />
    <span>% of its length<small v-if="length" class="muted">{{ length }}</small></span>
    <Select
      :model-value="now?.path ?? ONE"
      :options="options"
      option-label="w"
      option-value="v"
      option-disabled="shut"
      size="small"
      class="ways"
      data-testid="rear-way"
      :aria-label="`How the rest of the ${words.name(partData.names)} is cut`"
      @before-show="isOpen = true"
      @hide="isOpen = false"
      @update:model-value="take($event)"
    >
      <template #option="{ option }"
        ><span class="option"><span>{{ option.w }}</span><small>{{ option.change }}</small></span></template
      >
    </Select>
    <small v-if="differ" class="muted"
      >The sides are cut differently; taking one here makes them the same.</small
    >
  </section>
</template>

<style scoped>
.split {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: center;
  padding: 0.3rem 0;
  border-top: 1px solid var(--rule);
}
b {
  min-width: 7rem;
}
.at {
  width: 3.6rem;
}
.ways {
  flex: 1;
  min-width: 12rem;
}
span > small {
  display: block;
}
.option {
  display: grid;
}
</style>
