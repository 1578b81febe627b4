<script setup lang="ts">
import { SankeyChart } from 'echarts/charts'
import { TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { computed } from 'vue'
import type { Destination } from '#core/anatomy'
import { kg, sumOf } from '#core/measure'
import { flowPicture } from '#core/reading'
import { DESTINATIONS } from '../../theme/destinations.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** The way of every kilogram, from the live animal to what it becomes. */
use([SankeyChart, TooltipComponent, SVGRenderer])
const { read, body, central } = useReading()
const words = useWords()
const WORDS: Record<string, string> = {
  live: 'Live animal',
  carcass: 'On the block',
  added: 'Added',
  gone: 'Dressed off and dried',
}
const money = computed(() => {
  const sums = new Map<string, number>()
  for (const c of read.value.cuts)
    if (c.cut.kind === 'product')
      sums.set(`→${c.cut.destination}`, (sums.get(`→${c.cut.destination}`) ?? 0) + c.value)
  return sums
})
const nameOf = (id: string) =>
  WORDS[id] ??
  (id.startsWith('→')
    ? DESTINATIONS[id.slice(1) as Destination].word
    : words.name(body.value.anatomy.parts.find((p) => p.id === id)!.names).split(/ \(|,|:/)[0]!)
const colourOf = (id: string) =>
  id.startsWith('→') ? DESTINATIONS[id.slice(1) as Destination].fill : id === 'gone' ? '#d9ceba' : '#8c7458'
const option = computed(() => {
  const links = flowPicture(central.value)
  const ids = [...new Set(links.flatMap((l) => [l.from, l.to]))]
  const sum = (end: 'from' | 'to', id: string) => sumOf(links, (l) => (l[end] === id ? l.kg : kg(0)))
  const through = (id: string) => kg(Math.max(sum('from', id), sum('to', id)))
  return {
    animation: false,
    textStyle: { fontFamily: 'Fira Sans Condensed' },
    tooltip: { confine: true },
    series: [
      {
        type: 'sankey',
        left: 6,
        right: 182,
        top: 8,
        bottom: 8,
        nodeGap: 7,
        nodeWidth: 12,
        draggable: false,
        data: ids.map((id) => ({
          name: id,
          itemStyle: { color: colourOf(id) },
          label: {
            fontSize: 12,
            color: '#241d16',
            formatter: `${nameOf(id)} ${words.mass(through(id))}${money.value.has(id) ? `, ${words.money(money.value.get(id)!)}` : ''}`,
          },
          tooltip: { formatter: `${nameOf(id)}: ${words.mass(through(id))}` },
        })),
        links: links.map((l) => ({
          source: l.from,
          target: l.to,
          value: l.kg,
          lineStyle: { color: l.to.startsWith('→') ? colourOf(l.to) : '#b8a88e', opacity: 0.4 },
          tooltip: { formatter: `${nameOf(l.from)} → ${nameOf(l.to)}: ${words.mass(l.kg)}` },
        })),
      },
    ],
  }
})
</script>

<template>
  <VChart
    class="flow"
    :option="option"
    autoresize
    data-testid="flow"
    role="img"
    aria-label="Where the meat goes; the same figures stand in the tables"
  />
</template>

<style scoped>
.flow {
  height: 620px;
  background: var(--sheet);
  border: 1px solid var(--rule);
}
</style>
