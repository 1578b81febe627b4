<script setup lang="ts">
import Button from 'primevue/button'
import { computed, defineAsyncComponent, ref } from 'vue'
import { currencyDigits, minor, parseMoney, refuse, type Outcome } from '#core/measure'
import { sayIssue } from '#contracts/said'
import type { Decision } from '#core/records'
import { CUT_UP, cutUpFee, mustSell, type WholeWay } from '#core/reading'
import FigureInput from '../../pieces/FigureInput.vue'
import PickField from '../../pieces/PickField.vue'
import { wholeIn, worked } from '../../state/figures.ts'
import { useLots } from '../../state/lots.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import PriceTabs from './PriceTabs.vue'

/** Whole or parts: what one bird or rabbit leaves each way, and how much of its parts must sell to beat the whole one. */
const WholeChart = defineAsyncComponent(() => import('./WholeChart.vue'))
const { lot, central, body, by, flow, state, groups, decide, note, withdraw, factOf, farmFigures } =
  useReading()
const lots = useLots()
const words = useWords()
const kind = computed(() => words.name(body.value.anatomy.names).toLowerCase())
/** Of a flock in groups, the group that is looked at. */
const chosen = ref<string | null>(null)
const apart = computed(() => state.value?.apart ?? null)
const group = computed(() => apart.value?.find((g) => g.id === chosen.value) ?? apart.value?.[0] ?? null)
const groupOptions = computed(() => groups.value.map((g) => ({ v: g.id, w: g.name })))
const { found, state: work } = worked(
  () =>
    central.value.weights && central.value.plan.hangs.as === 'whole'
      ? { hash: by.value!, flow: flow.value!, state: group.value ?? state.value!, farm: farmFigures.value }
      : null,
  wholeIn,
)
/** What is asked for cutting each up: a fee of the lot. */
const feeFacts = computed(() => factOf((f) => f.kind === 'fee' && f.fee === CUT_UP))
const asked = computed(() => central.value.plan.fees[CUT_UP] ?? null)
const fee = computed(() => asked.value?.amount ?? 0)
const plainFee = computed(() =>
  asked.value ? String(asked.value.amount / 10 ** currencyDigits(words.currency.value)) : '',
)
const readFee = (typed: string): Outcome<number> => {
  const out = parseMoney(typed, words.currency.value, 'fee')
  return out.ok && out.value < 0 ? refuse('number-unreadable', 'fee', { typed, low: 0, high: 1000 }) : out
}
function asks(amount: number | null) {
  if (amount === null) return withdraw(...feeFacts.value)
  if (found.value) note(cutUpFee(found.value, minor(amount)))
}
const take = (said: Decision[]) =>
  group.value ? lots.decide(lot.value!.id, said, group.value.id) : decide(...said)
const picked = ref<string | null>(null)
const ways = computed(() => found.value?.ways ?? [])
const shown = computed(() => {
  const can = ways.value.filter((w) => !w.refusal)
  return can.find((w) => w.path === picked.value) ?? can.toSorted((a, b) => b.left - a.left)[0] ?? null
})
/** With its fee, as it is billed, and without. */
const withoutFee = (w: WholeWay) => ({ none: w.none + w.cutting, all: w.all + w.cutting })
const shareOf = (w: WholeWay, billed: boolean) =>
  mustSell(billed ? w : withoutFee(w), found.value!.whole.left)
const sayShare = (share: number | null) =>
  share === null ? 'not even all' : share === 0 ? 'none' : words.percent(share)
</script>

<template>
  <PriceTabs />
  <div class="stack">
    <div class="pane-head">
      <h2>Whole or parts</h2>
      <span class="muted"
        >each {{ kind }}, at the prices in force; what does not sell brings what the plan says</span
      >
    </div>
    <p v-if="!central.weights" class="muted">
      Nothing has a weight yet. <RouterLink :to="{ name: 'hang' }">Enter one at Hang</RouterLink> first.
    </p>
    <p v-else-if="work === 'working'" class="muted" role="status">Trying every way…</p>
    <p v-else-if="work === 'failed'" class="field-issue" role="alert">
      This could not be worked out. Reload the page; nothing was changed.
    </p>
    <p v-else-if="!found" class="muted">Only birds and rabbits of which all hangs are sold whole here.</p>
    <template v-else>
      <div class="row">
        <span>Asked for cutting each up</span>
        <span class="fee"
          ><FigureInput
            :shown="plainFee"
            :read="readFee"
            optional
            label="Asked for cutting each up"
            @take="asks"
        /></span>
        <small class="muted"
          >one of the <RouterLink :to="{ name: 'fees' }">fees</RouterLink> of the lot, on every way but
          whole</small
        >
        <PickField
          v-if="apart"
          id="whole-group"
          :model-value="group!.id"
          label="Group"
          :options="groupOptions"
          @update:model-value="(v) => (chosen = v)"
        />
      </div>
      <div class="scroll" tabindex="0" role="group" aria-label="Whole or parts">
        <table class="plain" data-testid="whole-ways">
          <thead>
            <tr>
              <th>Way</th>
              <th class="right">Taken home</th>
              <th class="right">Packs</th>
              <th class="right">Bench</th>
              <th class="right">Fees</th>
              <th class="right">Hours</th>
              <th class="right">Left as expected</th>
              <th class="right">Must sell to beat whole</th>
              <th v-if="fee > 0" class="right">With the fee</th>
              <th><span class="visually-hidden">Take it</span></th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="w in [found.whole, ...ways]"
              :key="w.path"
              :data-way="w.path"
              :class="{ force: w.inForce, shown: w.path === shown?.path }"
            >
              <th scope="row">
                <button
                  v-if="w.path !== found.whole.path && !w.refusal"
                  type="button"
                  class="link"
                  :aria-pressed="w.path === shown?.path"
                  @click="picked = w.path"
                >
                  {{ words.name(w.names) }}</button
                ><template v-else>{{ words.name(w.names) }}</template>
                <small v-if="w.inForce" class="muted"> as planned</small>
              </th>
              <template v-if="w.refusal"
                ><td :colspan="fee > 0 ? 9 : 8" class="muted">
                  {{ sayIssue(w.refusal, words.says.value) }}
                </td></template
              >
              <template v-else>
                <td class="right nowrap estimate">{{ words.mass(w.takeHome) }}</td>
                <td class="right">{{ w.packs.toFixed(1) }}</td>
                <td class="right nowrap">{{ w.minutes.toFixed(1) }} min</td>
                <td class="right nowrap">{{ words.money(Math.round(w.fees)) }}</td>
                <td class="right nowrap">{{ words.money(Math.round(w.labour)) }}</td>
                <td class="right nowrap">
                  <b class="estimate">{{ words.money(Math.round(w.left)) }}</b
                  ><template v-if="w.range"
                    ><br /><small class="muted"
                      >{{ words.money(Math.round(w.range.low)) }}–{{
                        words.money(Math.round(w.range.high))
                      }}</small
                    ></template
                  >
                </td>
                <template v-if="w.path === found.whole.path"
                  ><td class="right muted">–</td>
                  <td v-if="fee > 0" class="right muted">–</td></template
                >
                <template v-else>
                  <td class="right nowrap">{{ sayShare(shareOf(w, false)) }}</td>
                  <td v-if="fee > 0" class="right nowrap">{{ sayShare(shareOf(w, true)) }}</td>
                </template>
                <td>
                  <Button
                    v-if="!w.inForce"
                    text
                    size="small"
                    label="Take it"
                    :aria-label="`Take it: ${words.name(w.names)}`"
                    @click="take(w.said)"
                  />
                </td>
              </template>
            </tr>
          </tbody>
        </table>
      </div>
      <template v-if="shown">
        <div class="pane-head">
          <h2>{{ words.name(shown.names) }}</h2>
          <span class="muted" data-testid="must-sell">{{
            shareOf(shown, fee > 0) === null
              ? 'leaves less than whole, even with all of it sold'
              : shareOf(shown, fee > 0) === 0
                ? 'leaves more than whole, even with none of it sold at its price'
                : `leaves as much as whole when ${sayShare(shareOf(shown, fee > 0))} of it sells at its price`
          }}</span>
        </div>
        <WholeChart
          :way="{ ...shown, ...withoutFee(shown) }"
          :whole="found.whole"
          :fee="shown.cutting"
          :shares="fee > 0 ? [shareOf(shown, false), shareOf(shown, true)] : [shareOf(shown, false)]"
        />
      </template>
      <p v-if="farmFigures.hour === 0" class="muted">
        An hour at the bench counts nothing here, so the ways that take longest look best. Say at
        <RouterLink :to="{ name: 'farm' }">Farm</RouterLink> what it counts.
      </p>
      <small class="muted"
        >Left is what it brings less the fees, the hours at the bench and the goods it takes; neck, giblets
        and feet count as they sell. Taking a way can be undone.</small
      >
    </template>
  </div>
</template>

<style scoped>
.fee {
  width: 6.5rem;
}
.link {
  font: inherit;
  font-weight: 600;
  color: var(--accent);
  background: none;
  border: 0;
  padding: 0;
  min-height: 32px;
  text-align: left;
  text-decoration: underline;
  cursor: pointer;
}
.shown th {
  box-shadow: inset 4px 0 0 var(--accent);
  padding-left: 0.7rem;
}
</style>
