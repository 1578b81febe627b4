<script setup lang="ts">
import { computed } from 'vue'
import { JOINT_METHODS, type JointMethod } from '#core/ledger'
import { sumOf } from '#core/measure'
import { sayIssue } from '#contracts/said'
import { jointCost } from '#core/reading'
import DestinationMark from '../../pieces/DestinationMark.vue'
import MassRange from '../../pieces/MassRange.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import PriceTabs from './PriceTabs.vue'

/** What the whole animal cost, shared over its cuts in four ways side by side; none of them is what a cut cost. */
const { read } = useReading()
const words = useWords()
const found = computed(() => jointCost(read.value))
const METHODS: Record<JointMethod, { head: string; says: string }> = {
  weight: {
    head: 'By weight',
    says: 'Every pound or kilogram bears the same. Good for what is all alike, such as mince or whole birds; of unlike cuts it makes bones look dear and loins cheap.',
  },
  'split-off': {
    head: 'By value as it comes',
    says: 'Each bears cost as its meat would sell uncut. Good for asking what cutting it further adds; it needs a price for meat that you may never sell so.',
  },
  realisable: {
    head: 'By what is left of its price',
    says: 'Each bears cost by what it brings less what only it costs. Good for valuing what is still in the freezer; a dear cut always bears most, so it says nothing of what to make.',
  },
  margin: {
    head: 'Same margin for all',
    says: 'Each keeps the same part of what it brings. Good for one fair figure a customer can be told; it hides which work pays.',
  },
}
const trouble = computed(() =>
  JOINT_METHODS.flatMap((m) => {
    const out = found.value.by[m]
    return out.ok ? [] : [{ m, says: sayIssue(out.issues[0]!, words.says.value) }]
  }),
)
const share = (method: JointMethod, id: string) => {
  const out = found.value.by[method]
  return out.ok ? out.value.find((s) => s.id === id)! : null
}
const sum = (method: JointMethod, of: 'cost' | 'margin') => {
  const out = found.value.by[method]
  return out.ok ? sumOf(out.value, (s) => s[of]) : null
}
</script>

<template>
  <PriceTabs />
  <div class="stack">
    <div class="pane-head">
      <h2>What each cut cost, in four ways</h2>
      <span class="muted"
        >{{ words.money(found.joint) }} of {{ words.money(found.total) }} is the whole animal’s; the rest only
        one cut’s: its packs, its grinding, its finishes</span
      >
    </div>
    <p class="caution" role="note">
      <i class="pi pi-exclamation-triangle" aria-hidden="true" />
      <span
        ><b>None of these is what a cut cost.</b> The animal was paid for once, for all of them. Never leave a
        cut out because its share looks bad: the others would bear that share too. Ask the cheap end what else
        could be made of it.</span
      >
    </p>
    <p v-if="found.total === 0" class="muted">
      Nothing costs anything yet. <RouterLink :to="{ name: 'price' }">Enter what was paid</RouterLink> first.
    </p>
    <p v-for="t in trouble" :key="t.m" class="field-issue" role="alert">
      {{ METHODS[t.m].head }}: {{ t.says }}
    </p>
    <div class="scroll" role="region" aria-label="The cost of each cut" tabindex="0">
      <table class="plain joint" data-testid="joint">
        <thead>
          <tr>
            <th>Cut</th>
            <th class="right">Weight</th>
            <th class="right">Brings</th>
            <th class="right">Only its own</th>
            <th class="right">Gives towards the animal</th>
            <th v-for="m in JOINT_METHODS" :key="m" class="right">
              {{ METHODS[m].head }}<br /><small class="muted">cost · left over</small>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in found.products" :key="p.id" :data-cut="p.id">
            <td>
              <span class="cut"
                ><DestinationMark :to="p.cut.destination" /> {{ words.name(p.cut.names) }}</span
              >
            </td>
            <td class="right nowrap">
              <MassRange :kg="p.kg" :range="p.range" />
            </td>
            <td class="right">{{ words.money(p.value) }}</td>
            <td class="right">{{ words.money(p.separable) }}</td>
            <td class="right">
              <b>{{ words.money(p.gives) }}</b>
            </td>
            <td v-for="m in JOINT_METHODS" :key="m" class="right">
              <template v-if="share(m, p.id)"
                >{{ words.money(share(m, p.id)!.cost) }}<br /><small class="muted">{{
                  words.moneyChange(share(m, p.id)!.margin)
                }}</small></template
              >
              <template v-else>–</template>
            </td>
          </tr>
        </tbody>
        <tfoot>
          <tr>
            <th scope="row">All</th>
            <td class="right nowrap">{{ words.mass(found.all.kg) }}</td>
            <td class="right">{{ words.money(found.all.value) }}</td>
            <td class="right">{{ words.money(found.all.separable) }}</td>
            <td class="right">{{ words.money(found.all.gives) }}</td>
            <td v-for="m in JOINT_METHODS" :key="m" class="right">
              <template v-if="sum(m, 'cost') !== null"
                >{{ words.money(sum(m, 'cost')!) }}<br /><small>{{
                  words.moneyChange(sum(m, 'margin')!)
                }}</small></template
              >
            </td>
          </tr>
        </tfoot>
      </table>
    </div>
    <dl class="methods">
      <template v-for="m in JOINT_METHODS" :key="m">
        <dt>{{ METHODS[m].head }}</dt>
        <dd>{{ METHODS[m].says }}</dd>
      </template>
    </dl>
  </div>
</template>

<style scoped>
.cut {
  display: flex;
  gap: 0.45rem;
  align-items: center;
}
.joint td {
  vertical-align: top;
}
tfoot th,
tfoot td {
  font-weight: 700;
  border-top: 2px solid var(--ink);
  text-align: right;
}
tfoot th {
  text-align: left;
}
.methods {
  display: grid;
  grid-template-columns: 12rem minmax(0, 1fr);
  gap: 0.3rem 1rem;
  margin: 0;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
@media (max-width: 900px) {
  .methods {
    grid-template-columns: 1fr;
  }
  .cut {
    min-width: 8rem;
  }
}
</style>
