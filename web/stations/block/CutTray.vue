<script setup lang="ts">
import { computed, ref } from 'vue'
import { fromKg, massDigits, roundToSum } from '#core/measure'
import DestinationMark from '../../pieces/DestinationMark.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** All that comes off, in figures that add up as shown: rounded by largest remainder to the carcass the stair shows. */
const { read } = useReading()
const words = useWords()
const open = ref(true)
const digits = computed(() => massDigits(words.unit.value))
const rounded = (kg: number) => Number(fromKg(kg, words.unit.value).toFixed(digits.value))
const balance = computed(() => {
  const { carcass, added, difference } = read.value.balance
  return { carcass: rounded(carcass), added: rounded(added), difference: rounded(difference) }
})
const groups = computed(() => {
  const kinds = [
    ['product', 'Products'],
    ['by-product', 'By-products'],
    ['loss', 'Losses'],
  ] as const
  const all = kinds.flatMap(([kind]) => read.value.cuts.filter((c) => c.cut.kind === kind))
  const { carcass, added, difference } = balance.value
  const shown = roundToSum(
    all.map((c) => fromKg(c.kg, words.unit.value)),
    digits.value,
    carcass + added - difference,
  )
  return kinds.map(([kind, word]) => {
    const cuts = all.flatMap((c, i) => (c.cut.kind === kind ? [{ ...c, shown: shown[i]! }] : []))
    return { kind, word, cuts, sum: cuts.reduce((s, c) => s + c.shown, 0) }
  })
})
const figure = (n: number) => `${n.toFixed(digits.value)} ${words.unit.value}`
</script>

<template>
  <section class="tray sheet" aria-label="All that comes off">
    <button type="button" class="fold" :aria-expanded="open" @click="open = !open">
      <i class="pi" :class="open ? 'pi-chevron-down' : 'pi-chevron-right'" aria-hidden="true" />
      <h2>All that comes off</h2>
      <span class="sum" data-testid="balance">
        carcass <b>{{ figure(balance.carcass) }}</b> + added <b>{{ figure(balance.added) }}</b> = products
        <b>{{ figure(groups[0]!.sum) }}</b> + by-products <b>{{ figure(groups[1]!.sum) }}</b> + losses
        <b>{{ figure(groups[2]!.sum) }}</b>
        <template v-if="Math.abs(balance.difference) >= 0.05">
          + not accounted for <b>{{ figure(balance.difference) }}</b></template
        >
      </span>
    </button>
    <div v-if="open" class="cuts">
      <div v-for="g in groups" :key="g.kind" class="group" :class="g.kind">
        <h3>{{ g.word }}</h3>
        <ul>
          <li v-for="c in g.cuts" :key="c.cut.id" :data-cut="c.cut.id">
            <DestinationMark :to="c.cut.destination" />
            <span class="name">{{ words.name(c.cut.names) }}</span>
            <span
              class="kg"
              :class="{ estimate: !c.done && c.remainingKg > 0 }"
              :title="c.range ? `likely ${words.massRange(c.range)}` : 'weighed'"
              >{{ figure(c.shown) }}</span
            >
            <small class="muted"
              ><template v-if="c.range && !c.done">likely {{ words.massRange(c.range) }}</template
              ><template v-if="c.packs > 0"
                >{{ c.range && !c.done ? ' · ' : '' }}{{ c.pieces === c.packs ? '' : `${c.pieces} pieces, `
                }}{{ c.packs }} packs</template
              ></small
            >
          </li>
        </ul>
      </div>
    </div>
  </section>
</template>

<style scoped>
.tray {
  margin-top: 0.9rem;
}
.fold {
  display: flex;
  align-items: baseline;
  gap: 0.6rem;
  width: 100%;
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  padding: 0.5rem 0.7rem;
  cursor: pointer;
  text-align: left;
  flex-wrap: wrap;
}
.cuts {
  display: grid;
  grid-template-columns: 3fr 1fr 1fr;
  gap: 1.25rem;
  padding: 0 0.7rem 0.7rem;
}
.product ul {
  columns: 2;
  column-gap: 1.5rem;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: auto 1fr auto;
  column-gap: 0.45rem;
  padding: 0.15rem 0;
  break-inside: avoid;
  border-bottom: 1px solid var(--rule);
}
li small {
  grid-column: 2 / -1;
}
@media (max-width: 900px) {
  .cuts {
    grid-template-columns: 1fr;
  }
}
</style>
