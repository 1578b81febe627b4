<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import { AriaComponent, GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { computed } from 'vue'
import VChart from 'vue-echarts'
import { currencyDigits } from '#core/measure'
import type { WholeWay } from '#core/reading'
import { useWords } from '../../state/words.ts'

/** What is left of one animal against the share of its parts that sells: by a way, with its fee and without, beside the whole one. */
const { way, whole, fee, shares } = defineProps<{
  way: WholeWay
  whole: WholeWay
  fee: number
  /** The shares at which it leaves as much as whole: without the fee, with it. */
  shares: readonly (number | null)[]
}>()
use([LineChart, GridComponent, TooltipComponent, MarkLineComponent, AriaComponent, SVGRenderer])
const words = useWords()
const INK = '#241d16'
const MEAT = '#7c1d2c'
const unit = computed(() => 10 ** currencyDigits(words.currency.value))
const line = (from: number, to: number) => [
  [0, from / unit.value],
  [100, to / unit.value],
]
const option = computed(() => ({
  aria: { enabled: true },
  textStyle: { fontFamily: 'Fira Sans Condensed', fontSize: 13, color: INK },
  animation: false,
  grid: { left: 56, right: 150, top: 24, bottom: 44 },
  tooltip: { trigger: 'axis' as const },
  xAxis: {
    type: 'value' as const,
    min: 0,
    max: 100,
    name: '% of its parts that sell',
    nameLocation: 'middle' as const,
    nameGap: 26,
    splitLine: { show: false },
  },
  yAxis: {
    type: 'value' as const,
    scale: true,
    name: `${words.currency.value} left of each`,
    nameTextStyle: { align: 'left' as const },
    splitLine: { lineStyle: { color: '#d9ceba' } },
  },
  series: [
    {
      name: 'whole',
      type: 'line' as const,
      showSymbol: false,
      lineStyle: { color: INK, width: 3 },
      endLabel: { show: true, formatter: 'whole', color: INK },
      data: line(whole.left, whole.left),
      markLine: {
        symbol: 'none',
        silent: true,
        lineStyle: { color: '#3c6379', type: 'dashed' as const },
        data: shares.flatMap((s) =>
          s === null || s === 0 ? [] : [{ xAxis: 100 * s, label: { formatter: words.percent(s) } }],
        ),
      },
    },
    {
      name: words.name(way.names),
      type: 'line' as const,
      showSymbol: false,
      lineStyle: { color: MEAT, width: 2.5 },
      endLabel: { show: true, formatter: fee > 0 ? 'cut at home' : 'parts', color: MEAT },
      data: line(way.none, way.all),
    },
    ...(fee > 0
      ? [
          {
            name: 'less the fee',
            type: 'line' as const,
            showSymbol: false,
            lineStyle: { color: MEAT, width: 2, type: 'dotted' as const },
            endLabel: { show: true, formatter: 'less the fee', color: MEAT },
            data: line(way.none - fee, way.all - fee),
          },
        ]
      : []),
  ],
}))
</script>

<template>
  <VChart class="chart" :option="option" autoresize data-testid="whole-chart" />
</template>

<style scoped>
.chart {
  height: 300px;
}
</style>
