<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import { AriaComponent, GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { computed } from 'vue'
import VChart from 'vue-echarts'
import { fromKg, minus } from '#core/measure'
import type { HungDay } from '#core/reading'
import type { TempAt } from '#core/rules'
import { useWords } from '../../state/words.ts'

/** Weight against days, and the temperatures that were read on the same days. */
const { days, readings, planned } = defineProps<{
  days: readonly HungDay[]
  readings: readonly TempAt[]
  planned: number
}>()
use([LineChart, GridComponent, TooltipComponent, MarkLineComponent, AriaComponent, SVGRenderer])
const words = useWords()
const inUnit = (x: HungDay['hanging']) => Number(fromKg(x, words.unit.value).toFixed(2))
const INK = '#241d16'
const COLD = '#3c6379'
const of = (where: TempAt['where']) =>
  readings.filter((r) => r.where === where).map((r) => [r.hours / 24, r.c])
const option = computed(() => ({
  aria: { enabled: true },
  textStyle: { fontFamily: 'Fira Sans Condensed', fontSize: 13, color: INK },
  animation: false,
  grid: { left: 56, right: 48, top: 28, bottom: 40 },
  tooltip: { trigger: 'axis' as const },
  xAxis: {
    type: 'value' as const,
    min: 0,
    max: days.at(-1)?.day ?? 1,
    name: 'days hung',
    nameLocation: 'middle' as const,
    nameGap: 24,
    splitLine: { show: false },
  },
  yAxis: [
    {
      type: 'value' as const,
      name: words.unit.value,
      scale: true,
      splitLine: { lineStyle: { color: '#d9ceba' } },
    },
    { type: 'value' as const, name: '°C', min: -2, max: 40, splitLine: { show: false } },
  ],
  series: [
    {
      name: 'hanging',
      type: 'line' as const,
      showSymbol: false,
      lineStyle: { color: INK, width: 2, type: 'dashed' as const },
      endLabel: { show: true, formatter: 'hanging', offset: [-52, -10] },
      data: days.map((d) => [d.day, inUnit(d.hanging)]),
      markLine: {
        symbol: 'none',
        silent: true,
        lineStyle: { color: '#7c1d2c', type: 'solid' as const },
        label: { formatter: 'planned' },
        data: [{ xAxis: planned }],
      },
    },
    {
      name: 'without the dried face',
      type: 'line' as const,
      showSymbol: false,
      lineStyle: { color: '#a5563a', width: 1.5, type: 'dotted' as const },
      endLabel: { show: true, formatter: 'face cut off', offset: [-76, 12], color: '#8a4329' },
      data: days.map((d) => [d.day, inUnit(minus(d.hanging, d.face))]),
    },
    {
      name: 'cut of it',
      type: 'line' as const,
      showSymbol: false,
      lineStyle: { color: '#8a7452', width: 2, type: 'dashed' as const },
      endLabel: { show: true, formatter: 'cut of it', offset: [-54, -10] },
      data: days.map((d) => [d.day, inUnit(d.cut)]),
    },
    ...(['deep', 'surface', 'air'] as const).map((where) => ({
      name: where,
      type: 'line' as const,
      yAxisIndex: 1,
      symbol: where === 'deep' ? 'circle' : where === 'surface' ? 'rect' : 'triangle',
      symbolSize: 7,
      lineStyle: { color: COLD, width: 1 },
      itemStyle: { color: COLD },
      data: of(where),
    })),
  ],
}))
</script>

<template>
  <VChart class="chart" :option="option" autoresize data-testid="hanging-chart" />
</template>

<style scoped>
.chart {
  height: 260px;
}
</style>
