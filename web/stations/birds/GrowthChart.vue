<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import { AriaComponent, GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { computed } from 'vue'
import VChart from 'vue-echarts'
import { ofSex, type BatchGrowth, type ReadyDay } from '#core/batch'
import type { Sample, Sex } from '#core/records'
import { readSample, fromKg, kg, type Kg, daysBetween } from '#core/measure'
import { useWords } from '../../state/words.ts'

/** What one weighs against the days since they came: the likely band of the flock, its type’s own curve, samples as they were weighed, the weight that is wanted. */
const { growth, placed, samples, target, ready, today } = defineProps<{
  growth: BatchGrowth
  placed: string
  samples: readonly Sample[]
  target: Kg
  ready: ReadyDay
  today: number | null
}>()
use([LineChart, GridComponent, TooltipComponent, MarkLineComponent, AriaComponent, SVGRenderer])
const words = useWords()
const inUnit = (x: number) => Number(fromKg(kg(x), words.unit.value).toFixed(2))
const INK = '#241d16'
const MEAT = '#7c1d2c'
const band = (name: string, of: (p: BatchGrowth['points'][number]) => number, area: boolean) => ({
  name,
  type: 'line' as const,
  stack: 'band',
  showSymbol: false,
  silent: true,
  lineStyle: { opacity: 0 },
  ...(area && { areaStyle: { color: '#e3d3bd', opacity: 0.9 } }),
  data: growth.points.map((p) => [p.day, inUnit(of(p))]),
})
/** Either sex of a flock whose sexes grow apart. */
const ofOne = (sex: Sex) => ({
  name: sex,
  type: 'line' as const,
  showSymbol: false,
  lineStyle: { color: '#3c6379', width: 1.5, type: 'dashed' as const },
  endLabel: { show: true, formatter: sex, color: '#3c6379' },
  data: growth.points.map((p) => [p.day, inUnit(p.kg * ofSex(sex, growth.heaps(p.day).sexes))]),
})
const isApart = computed(() => growth.heaps(growth.points.at(-1)!.day).sexes > 0.15)
const option = computed(() => ({
  aria: { enabled: true },
  textStyle: { fontFamily: 'Fira Sans Condensed', fontSize: 13, color: INK },
  animation: false,
  grid: { left: 48, right: 76, top: 26, bottom: 42 },
  tooltip: { trigger: 'axis' as const },
  xAxis: {
    type: 'value' as const,
    min: 0,
    max: growth.points.at(-1)!.day,
    name: 'days since they came',
    nameLocation: 'middle' as const,
    nameGap: 26,
    splitLine: { show: false },
  },
  yAxis: {
    type: 'value' as const,
    name: `${words.unit.value} each, alive`,
    nameTextStyle: { align: 'left' as const },
    splitLine: { lineStyle: { color: '#d9ceba' } },
  },
  series: [
    band('at the least', (p) => p.range.low, false),
    band('likely', (p) => p.range.high - p.range.low, true),
    {
      name: 'its type',
      type: 'line' as const,
      showSymbol: false,
      lineStyle: { color: '#8a7452', width: 1.5, type: 'dotted' as const },
      endLabel: { show: true, formatter: 'its type', color: '#6d5a3c', offset: [0, 10] },
      data: growth.usual.map((p) => [p.day, inUnit(p.kg)]),
    },
    {
      name: 'this flock',
      type: 'line' as const,
      showSymbol: false,
      lineStyle: { color: INK, width: 2.5, type: 'dashed' as const },
      endLabel: { show: true, formatter: 'this flock', color: INK, offset: [0, -8] },
      data: growth.points.map((p) => [p.day, inUnit(p.kg)]),
      markLine: {
        symbol: 'none',
        silent: true,
        lineStyle: { color: MEAT, type: 'solid' as const },
        data: [
          { yAxis: inUnit(target), label: { formatter: 'wanted', position: 'insideStartTop' as const } },
          ...(ready.day === null
            ? []
            : [
                {
                  xAxis: Math.round(ready.day),
                  label: {
                    formatter: 'ready',
                    position: 'insideEndTop' as const,
                    rotate: 0,
                    align: 'left' as const,
                    distance: 4,
                  },
                },
              ]),
          ...(today === null || today < 0
            ? []
            : [
                {
                  xAxis: today,
                  label: { formatter: 'today', position: 'start' as const, distance: -16 },
                  lineStyle: { color: '#3c6379' },
                },
              ]),
        ],
      },
    },
    ...(isApart.value ? [ofOne('males'), ofOne('females')] : []),
    {
      name: 'sample weighed',
      type: 'line' as const,
      symbol: 'diamond',
      symbolSize: 11,
      lineStyle: { opacity: 0 },
      itemStyle: { color: INK },
      data: samples
        .filter((s) => s.of === 'live')
        .map((s) => [daysBetween(placed, s.day), inUnit(readSample(s.shown).mean)]),
    },
  ],
}))
</script>

<template>
  <VChart class="chart" :option="option" autoresize data-testid="growth-chart" />
</template>

<style scoped>
.chart {
  height: 330px;
}
</style>
