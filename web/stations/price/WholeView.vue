<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, defineAsyncComponent, ref } from 'vue'
import { minor, parseMoney, sayIssue } from '#core/measure'
import { mustSell, type WholeWay } from '#core/reading'
import { wholeIn } from '../../state/figures.ts'
import { workedOnLot } from '../../state/workedOnLot.ts'
import { fieldIssue } from '../../state/api.ts'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import PriceTabs from './PriceTabs.vue'

/** Whole or parts: what one bird or rabbit leaves each way, and how much of its parts must sell to beat the whole one. */
const WholeChart = defineAsyncComponent(() => import('./WholeChart.vue'))
const { central, body, decide, farmFigures } = useReading()
const words = useWords()
const kind = computed(() => words.name(body.value.anatomy.names).toLowerCase())
const { found, work, isSplit } = workedOnLot(wholeIn, () => central.value.plan.hangs.as === 'whole')
/** What somebody else would ask for cutting each, tried here only. */
const feeText = useLocalStorage('ekko-cutting-fee', '')
const typed = computed(() =>
  feeText.value.trim() === '' ? null : parseMoney(feeText.value, words.currency.value, 'fee'),
)
const fee = computed(() => (typed.value?.ok && typed.value.value > 0 ? typed.value.value : minor(0)))
const feeIssues = computed(() => {
  if (!typed.value) return []
  if (!typed.value.ok) return typed.value.issues.map((i) => fieldIssue('fee', sayIssue(i, words.says.value)))
  return typed.value.value < 0 ? [fieldIssue('fee', 'A fee is no less than nothing.')] : []
})
const picked = ref<string | null>(null)
const ways = computed(() => found.value?.ways ?? [])
const shown = computed(() => {
  const can = ways.value.filter((w) => !w.refusal)
  return can.find((w) => w.path === picked.value) ?? can.toSorted((a, b) => b.left - a.left)[0] ?? null
})
const shareOf = (w: WholeWay, of = minor(0)) => mustSell(w, found.value!.whole.left, of)
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
    <p v-else-if="isSplit" class="muted">
      This lot is cut in groups:
      <RouterLink :to="{ name: 'groups' }">look at each group by itself</RouterLink>.
    </p>
    <p v-else-if="work === 'working'" class="muted" role="status">Trying every way…</p>
    <p v-else-if="work === 'failed'" class="field-issue" role="alert">
      This could not be worked out. Reload the page; nothing was changed.
    </p>
    <p v-else-if="!found" class="muted">Only birds and rabbits of which all hangs are sold whole here.</p>
    <template v-else>
      <div class="field fee">
        <label for="cutting-fee">If somebody else cuts it: fee for each</label>
        <InputText
          id="cutting-fee"
          v-model="feeText"
          inputmode="decimal"
          autocomplete="off"
          placeholder="none"
          :invalid="feeIssues.length > 0"
        />
        <FieldIssues :issues="feeIssues" />
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
                  {{ words.name(w.names) }}</button><template v-else>{{ words.name(w.names) }}</template>
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
                  <b class="estimate">{{ words.money(Math.round(w.left)) }}</b>
                </td>
                <template v-if="w.path === found.whole.path"
                  ><td class="right muted">–</td>
                  <td v-if="fee > 0" class="right muted">–</td></template
                >
                <template v-else>
                  <td class="right nowrap">{{ sayShare(shareOf(w)) }}</td>
                  <td v-if="fee > 0" class="right nowrap">{{ sayShare(shareOf(w, fee)) }}</td>
                </template>
                <td>
                  <Button
                    v-if="!w.inForce"
                    text
                    size="small"
                    label="Take it"
                    :aria-label="`Take it: ${words.name(w.names)}`"
                    @click="decide(...w.said)"
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
            shareOf(shown) === null
              ? 'leaves less than whole, even with all of it sold'
              : shareOf(shown) === 0
                ? 'leaves more than whole, even with none of it sold at its price'
                : `leaves as much as whole when ${sayShare(shareOf(shown))} of it sells at its price`
          }}</span>
        </div>
        <WholeChart
          :way="shown"
          :whole="found.whole"
          :fee="fee"
          :shares="fee > 0 ? [shareOf(shown), shareOf(shown, fee)] : [shareOf(shown)]"
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
  max-width: 18rem;
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
