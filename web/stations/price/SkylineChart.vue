<script setup lang="ts">
import { CustomChart } from 'echarts/charts'
import { AriaComponent, GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import type {
  CustomSeriesRenderItemAPI,
  CustomSeriesRenderItemParams,
  CustomSeriesRenderItemReturn,
} from 'echarts'
import { computed } from 'vue'
import VChart from 'vue-echarts'
import type { Destination } from '#core/anatomy'
import { useWords } from '../../state/words.ts'
import { DESTINATIONS } from '../../theme/destinations.ts'
import { placesOf } from './skyline.ts'

use([CustomChart, GridComponent, TooltipComponent, MarkLineComponent, AriaComponent, SVGRenderer])

export interface SkylineBar {
  id: string
  name: string
  destination: Destination
  weight: number
  price: number
  sold: number
  said: string
}
const { bars, needed } = defineProps<{ bars: SkylineBar[]; needed: number | null }>()
const words = useWords()
const INK = '#241d16'
/** Room under the bars for their handles. */
const UNDER = 46
const total = computed(() => bars.reduce((s, b) => s + b.weight, 0))

const highest = computed(() => Math.max(...bars.map((b) => b.price), needed ?? 0) * 1.12)

function bar(
  params: CustomSeriesRenderItemParams,
  api: CustomSeriesRenderItemAPI,
): CustomSeriesRenderItemReturn {
  const b = bars[params.dataIndex]!
  const [left, top] = api.coord([0, b.price]) as [number, number]
  const [right, base] = api.coord([total.value, 0]) as [number, number]
  const place = placesOf(
    bars.map((x) => x.weight),
    right - left,
  )[params.dataIndex]!
  const [x0, x1] = [left + place.from, left + place.to]
  const [h0, h1] = [left + place.handle[0], left + place.handle[1]]
  const full = base - top
  const gap = x1 - x0 > 4 ? 1 : 0
  const shape = (y: number, h: number) => ({
    x: x0 + gap,
    y,
    width: Math.max(0.5, x1 - x0 - 2 * gap),
    height: h,
  })
  const room = x1 - x0
  return {
    type: 'group',
    children: [
      { type: 'rect', shape: shape(top, full), style: { fill: '#fffdf8', stroke: INK, lineWidth: 1 } },
      {
        type: 'rect',
        shape: shape(base - full * b.sold, full * b.sold),
        style: { fill: DESTINATIONS[b.destination].fill, stroke: INK, lineWidth: 0.6 },
      },
      {
        type: 'polyline',
        shape: {
          points: [
            [(x0 + x1) / 2, base],
            [(h0 + h1) / 2, base + 10],
          ],
        },
        style: { stroke: INK, lineWidth: 0.8, fill: 'none' },
      },
      {
        type: 'rect',
        shape: { x: h0 + 1, y: base + 10, width: Math.max(1, h1 - h0 - 2), height: 24 },
        style: { fill: DESTINATIONS[b.destination].fill, stroke: INK, lineWidth: 0.8 },
      },
      {
        type: 'text',
        x: (x0 + x1) / 2,
        y: base - 6,
        rotation: room > 90 ? 0 : Math.PI / 2,
        style: {
          text: room > 15 ? b.name : '',
          fontFamily: 'Fira Sans Condensed',
          fontSize: 13,
          fontWeight: 600,
          fill: '#1b150f',
          stroke: 'rgba(253,250,244,0.85)',
          lineWidth: 3,
          align: room > 90 ? 'center' : 'left',
          verticalAlign: room > 90 ? 'bottom' : 'middle',
          width: room > 90 ? room - 6 : 190,
          overflow: 'truncate',
        },
      },
    ],
  }
}

const option = computed(() => ({
  animationDuration: 150,
  aria: { enabled: true, label: { description: bars.map((b) => b.said).join('; ') } },
  grid: { left: 56, right: 12, top: 12, bottom: UNDER + 14 },
  tooltip: {
    trigger: 'item' as const,
    formatter: (p: { dataIndex: number }) => bars[p.dataIndex]?.said ?? '',
    borderColor: INK,
    textStyle: { fontFamily: 'Fira Sans Condensed', color: INK },
  },
  xAxis: {
    type: 'value' as const,
    min: 0,
    max: total.value || 1,
    axisLabel: { show: false },
    splitLine: { show: false },
    axisLine: { lineStyle: { color: INK } },
    name: `weight, ${words.unit.value} (total ${total.value.toFixed(1)})`,
    nameLocation: 'middle' as const,
    nameGap: UNDER - 6,
    nameTextStyle: { color: '#675c4d', fontFamily: 'Fira Sans Condensed' },
  },
  yAxis: {
    type: 'value' as const,
    min: 0,
    max: highest.value,
    axisLabel: {
      formatter: (v: number) => words.money(Math.round(v)),
      fontFamily: 'Fira Sans Condensed',
      color: '#675c4d',
      showMaxLabel: false,
    },
    splitLine: { lineStyle: { color: '#e6dcc9' } },
  },
  series: [
    {
      type: 'custom' as const,
      renderItem: bar,
      data: bars.map((b) => [0, b.price]),
      ...(needed !== null && {
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: '#7c1d2c', width: 2, type: 'solid' as const },
          label: { show: false },
          data: [{ yAxis: needed }],
        },
      }),
    },
  ],
}))
</script>

<template>
  <VChart class="skyline" :option="option" autoresize data-testid="skyline" />
</template>

<style scoped>
.skyline {
  width: 100%;
  height: 300px;
}
</style>
