<script setup lang="ts">
import { computed, reactive, watch } from 'vue'
import { batchOf, compareTypes, curveOf, keepADay, pricesPaid } from '#core/batch'
import { cameOf } from '#core/ledger'
import {
  gramsOf,
  kg,
  kgOf,
  minor,
  minorOf,
  parseMass,
  parseMoney,
  perKg,
  priceOf,
  pricePer,
  type Kg,
  type Outcome,
  daysBetween,
} from '#core/measure'
import FigureInput from '../../pieces/FigureInput.vue'
import { useReading } from '../../state/lot.ts'
import { useToday } from '../../state/today.ts'
import { useWords } from '../../state/words.ts'

/** Types beside one another on this farm: days, feed, what is dressed of them, breast, and what each leaves at this lot’s prices. */
const { target, many } = defineProps<{ target: Kg; many: string }>()
const { central, state, body, farmFigures } = useReading()
const words = useWords()
const { today } = useToday()
const paid = computed(() =>
  pricesPaid(central.value.plan.costs, cameOf(central.value.plan, central.value.count)),
)
const types = computed(() =>
  body.value.anatomy.types.filter((t) => curveOf(body.value.anatomy.species, t.id)),
)
/** Tried here only: what each is raised to and what a young one costs; what was paid here until another is typed. */
const tried = reactive<Record<string, { kg: Kg; young: number }>>({})
watch(
  [types, paid, () => target],
  () => {
    for (const t of types.value) {
      const curve = curveOf(body.value.anatomy.species, t.id)!
      const isOwn = (central.value.plan.type ?? types.value[0]!.id) === t.id
      tried[t.id] ??= { kg: isOwn ? target : kg(curve.target), young: paid.value.young ?? 0 }
    }
  },
  { immediate: true },
)
const feed = reactive({ kg: null as number | null })
const feedKg = computed(() => feed.kg ?? paid.value.feedKg ?? 0)
const keep = computed(() => {
  const { plan, count } = central.value
  const batch = batchOf(body.value.anatomy.species, plan, count)
  return batch ? keepADay(plan.costs, count, daysBetween(batch.placed, plan.killed ?? today.value)) : 0
})
const rows = computed(() =>
  central.value.groups.length > 0
    ? []
    : compareTypes(
        central.value,
        state.value!,
        farmFigures.value,
        types.value.map((t) => ({ type: t.id, ...tried[t.id]! })),
        feedKg.value,
        keep.value,
      ),
)
const best = computed(() => rows.value.toSorted((a, b) => b.left - a.left)[0])
const readKg = (typed: string): Outcome<number> => {
  const out = parseMass(typed, words.unit.value, 'kg')
  return out.ok ? { ok: true, value: kgOf(gramsOf(out.value)) } : out
}
const readMoney = (typed: string): Outcome<number> => parseMoney(typed, words.currency.value, 'money')
const perUnit = computed(() => minor(Math.round(minorOf(pricePer(feedKg.value, words.unit.value)))))
const plain = (amount: number) => words.money(Math.round(amount)).replace(/[^\d.,-]/g, '')
</script>

<template>
  <section v-if="rows.length > 1" class="stack">
    <div class="pane-head">
      <h2>One type or another</h2>
      <span class="muted" data-testid="types-say"
        >each {{ many }}, on this farm, cut and priced as this lot is:
        {{ words.name(best!.names).toLowerCase() }} leaves most</span
      >
    </div>
    <div class="scroll" tabindex="0" role="group" aria-label="Types beside one another">
      <table class="plain" data-testid="types">
        <thead>
          <tr>
            <th>Type</th>
            <th class="right">Raised to, {{ words.unit.value }}</th>
            <th class="right">A young one costs</th>
            <th class="right">Days</th>
            <th class="right">Feed</th>
            <th class="right">Dressed</th>
            <th class="right">Breast</th>
            <th class="right">Brings</th>
            <th class="right">Left of each</th>
            <th class="right">a week</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.type" :data-type="r.type">
            <th scope="row">{{ words.name(r.names) }}</th>
            <td class="right narrow">
              <FigureInput
                :shown="words.massFigure(tried[r.type]!.kg)"
                :read="readKg"
                :label="`${words.name(r.names)}: raised to`"
                @take="(v) => v !== null && (tried[r.type]!.kg = kg(v))"
              />
            </td>
            <td class="right narrow">
              <FigureInput
                :shown="plain(tried[r.type]!.young)"
                :read="readMoney"
                :label="`${words.name(r.names)}: a young one costs`"
                @take="(v) => v !== null && (tried[r.type]!.young = v)"
              />
            </td>
            <td class="right estimate-cell">{{ r.days === null ? 'never' : Math.round(r.days) }}</td>
            <td class="right nowrap">{{ words.about(r.feed) }}</td>
            <td class="right nowrap">{{ words.about(r.dressed) }}</td>
            <td class="right">{{ r.breast === null ? '–' : words.percent(r.breast) }}</td>
            <td class="right">{{ words.money(Math.round(r.brings)) }}</td>
            <td class="right">
              <b class="estimate">{{ words.money(Math.round(r.left)) }}</b>
            </td>
            <td class="right">
              {{ r.leftPerDay === null ? '–' : words.money(Math.round(7 * r.leftPerDay)) }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="row muted">
      Feed at
      <span class="price"
        ><FigureInput
          :shown="plain(perUnit)"
          :read="readMoney"
          label="What feed costs"
          @take="(v) => v !== null && (feed.kg = perKg(priceOf(v, words.unit.value)))"
      /></span>
      a {{ words.unit.value
      }}{{ paid.feedKg === null && feed.kg === null ? ': no feed was written down with its weight' : '' }};
      straw, light and land {{ words.money(Math.round(keep * 7)) }} a week for each. Work is not in it.
      Nothing here is kept.
    </p>
  </section>
</template>

<style scoped>
.narrow {
  width: 6.5rem;
}
.price {
  width: 6rem;
}
</style>
