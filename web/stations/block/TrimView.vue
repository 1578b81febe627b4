<script setup lang="ts">
import { computed } from 'vue'
import { leanOptions, trimLedger } from '#core/reading'
import { formatPercent, kg } from '#core/measure'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import BlockTabs from './BlockTabs.vue'
import CascadeChart from './CascadeChart.vue'
import WorthButton from './WorthButton.vue'

/** Where every kilogram goes, and the trim against what it is to become. */
const { read, part, decide, central } = useReading()
const words = useWords()
const ledger = computed(() => trimLedger(central.value))
const options = computed(() => leanOptions(central.value))
const pulled = computed(() => kg(-ledger.value!.blended))
/** Nothing is put to a trim whose fat is not kept apart. */
const canBlend = computed(() =>
  options.value.some((o) => o.lean !== null && Math.abs(o.reads - ledger.value!.lean) > 0.005),
)
const ask = (value: number | null) => decide({ field: 'lean', target: 'lot', side: 'animal', value })
</script>

<template>
  <div>
    <BlockTabs />
    <p v-if="!read.weights" class="muted">
      There is no weight yet, so nothing goes anywhere.
      <RouterLink :to="{ name: 'hang' }">Enter one at Hang</RouterLink> first.
    </p>
    <div v-else class="stack">
      <section class="stack">
        <div class="pane-head">
          <h2>Where it goes</h2>
          <span class="muted">every block under what it came from, and as wide as it weighs</span>
        </div>
        <CascadeChart />
      </section>
      <section v-if="ledger" class="stack trim">
        <div class="pane-head"><h2>The trim</h2></div>
        <p v-if="ledger.kg < 0.005" class="muted">No part is trimmed under this plan.</p>
        <template v-else>
          <table class="plain">
            <thead>
              <tr>
                <th>From</th>
                <th class="right">Trim</th>
                <th class="right">Lean</th>
                <th class="right">Sorted as</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="s in ledger.sources" :key="s.part">
                <td>
                  <RouterLink :to="{ name: 'block' }" @click="part = s.part">{{
                    words.name(s.names)
                  }}</RouterLink>
                </td>
                <td class="right">{{ words.mass(s.kg) }}</td>
                <td class="right">{{ formatPercent(s.lean) }}</td>
                <td class="right">{{ s.class }}</td>
              </tr>
            </tbody>
            <tfoot>
              <tr>
                <td>Together</td>
                <td class="right" data-testid="trim-total">{{ words.mass(ledger.kg) }}</td>
                <td class="right">{{ formatPercent(ledger.lean) }}</td>
                <td class="right">
                  <span v-for="c in ledger.classes" :key="c.name" class="class"
                    >{{ c.name }} {{ words.mass(c.kg) }}</span
                  >
                </td>
              </tr>
            </tfoot>
          </table>
          <section v-if="canBlend" class="asked" :aria-label="`How lean the ${words.minced} is`">
            <b>Ground at</b>
            <WorthButton
              v-for="o in options"
              :key="o.lean ?? 0"
              :label="o.lean === null ? 'as it falls' : formatPercent(o.lean)"
              :in-force="o.inForce"
              :take-home="o.difference.takeHome"
              :money="o.difference.money"
              :note="
                o.lean !== null && Math.abs(o.reads - o.lean) > 0.005
                  ? `no nearer than ${formatPercent(o.reads)}`
                  : ''
              "
              :data-lean="o.lean ?? 'falls'"
              @click="ask(o.lean)"
            />
          </section>
          <p v-if="Math.abs(ledger.blended) > 0.01" data-testid="blended">
            {{
              ledger.blended > 0
                ? `${words.mass(ledger.blended)} of the fat trimmed off goes in`
                : `${words.mass(pulled)} of fat is pulled off it`
            }}, which makes it {{ formatPercent(ledger.reads) }} lean.
          </p>
          <table class="plain">
            <thead>
              <tr>
                <th>Becomes</th>
                <th class="right">Trim in</th>
                <th class="right">Added</th>
                <th class="right">Comes out</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="u in ledger.uses" :key="u.cut">
                <td>{{ words.name(u.names) }}</td>
                <td class="right">{{ words.mass(u.in) }}</td>
                <td class="right">{{ u.added > 0 ? words.mass(u.added) : '–' }}</td>
                <td class="right">{{ words.mass(u.out) }}</td>
              </tr>
            </tbody>
          </table>
          <p v-if="ledger.sausage" :class="{ caution: ledger.sausage.dry }" data-testid="sausage">
            <span
              >The trim for sausage is {{ formatPercent(ledger.sausage.fat) }} fat; most recipes want 25–30 %.
              <template v-if="ledger.sausage.missing > 0.01"
                ><b>{{ words.mass(ledger.sausage.missing) }} fat</b> would bring it to 28 %: keep back fat for
                it, or buy some in.</template
              >
              <template v-else-if="ledger.sausage.missing < -0.01"
                >That is over 28 %: leaner trim would bring it down.</template
              >
              <template v-if="ledger.sausage.dry"> Under a fifth it eats dry.</template></span
            >
          </p>
          <p class="muted">
            Lean as a laboratory finds it, seam fat and all: pure lean reads 94 %, 80/20 reads 79 %.
          </p>
          <p class="muted">
            Keep trim near freezing until it is ground.
            <RouterLink :to="{ name: 'block' }" @click="part = 'trim'"
              >Decide what the trim becomes</RouterLink
            >
          </p>
        </template>
      </section>
    </div>
  </div>
</template>

<style scoped>
.asked {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
  align-items: center;
}
.trim {
  max-width: 60rem;
}
.class {
  display: block;
  white-space: nowrap;
}
</style>
