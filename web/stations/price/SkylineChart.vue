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
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import VChart from 'vue-echarts'
import type { Destination } from '#core/anatomy'
import { useWords } from '../../state/words.ts'
import { vRoving } from '../../pieces/roving.ts'
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
  locked: boolean
  said: string
}
const { bars: given, needed } = defineProps<{ bars: SkylineBar[]; needed: number | null }>()
/** A bar was pulled to another price, minor units of the farm’s weight unit. */
const emit = defineEmits<{ price: [id: string, minor: number] }>()
const words = useWords()
const INK = '#241d16'
/** Room under the bars for their handles. */
const UNDER = 46
const HEIGHT = 300
const GRID = { left: 56, right: 12, top: 12, bottom: UNDER + 14 }
/** What a bar is pulled by, minor units: on keys and by hand; with Shift. */
const STEP = { fine: 5, coarse: 50 }

/** The bar that is being pulled, and the price it is at: it is decided once it is let go. */
const pulled = ref<{ id: string; price: number; highest: number } | null>(null)
const bars = computed(() =>
  given.map((b) => (b.id === pulled.value?.id ? { ...b, price: pulled.value.price } : b)),
)
const total = computed(() => bars.value.reduce((s, b) => s + b.weight, 0))
/** The scale stands still while a bar is pulled. */
const highest = computed(
  () => pulled.value?.highest ?? Math.max(...given.map((b) => b.price), needed ?? 0, 1) * 1.12,
)
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const places = computed(() =>
  placesOf(
    bars.value.map((b) => b.weight),
    Math.max(0, width.value - GRID.left - GRID.right),
  ),
)
const depth = HEIGHT - GRID.top - GRID.bottom
const topOf = (price: number) => GRID.top + depth * (1 - price / highest.value)

function pull(b: SkylineBar, down: PointerEvent) {
  if (b.locked || down.button !== 0) return
  down.preventDefault()
  const from = { y: down.clientY, price: b.price }
  const high = Math.max(highest.value, b.price * 1.6)
  const target = down.currentTarget as HTMLElement
  target.setPointerCapture(down.pointerId)
  target.focus()
  const move = (e: PointerEvent) => {
    const price = from.price + ((from.y - e.clientY) / depth) * high
    pulled.value = { id: b.id, price: toStep(price), highest: high }
  }
  const end = (e: PointerEvent) => {
    target.removeEventListener('pointermove', move)
    if (pulled.value && e.type === 'pointerup' && pulled.value.price !== from.price)
      emit('price', b.id, pulled.value.price)
    pulled.value = null
  }
  target.addEventListener('pointermove', move)
  for (const way of ['pointerup', 'pointercancel'] as const)
    target.addEventListener(way, end as EventListener, { once: true })
}
const priceAt = computed(() => {
  const place = places.value[bars.value.findIndex((b) => b.id === pulled.value?.id)]
  return place ? GRID.left + (place.from + place.to) / 2 : 0
})
const toStep = (price: number) => Math.max(0, Math.round(price / STEP.fine) * STEP.fine)

/** Arrows move a price a little, with Shift or by page a lot; the page’s own keys do not hear of it. */
function key(b: SkylineBar, event: KeyboardEvent) {
  const by = { ArrowUp: 1, ArrowDown: -1, PageUp: 1, PageDown: -1 }[event.key]
  if (by === undefined || b.locked) return
  event.preventDefault()
  event.stopPropagation()
  const step = event.shiftKey || event.key.startsWith('Page') ? STEP.coarse : STEP.fine
  emit('price', b.id, Math.max(0, Math.round(b.price) + by * step))
}

function bar(
  params: CustomSeriesRenderItemParams,
  api: CustomSeriesRenderItemAPI,
): CustomSeriesRenderItemReturn {
  const b = bars.value[params.dataIndex]!
  const [left, top] = api.coord([0, b.price]) as [number, number]
  const [right, base] = api.coord([total.value, 0]) as [number, number]
  const place = placesOf(
    bars.value.map((x) => x.weight),
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
  animation: pulled.value === null,
  animationDuration: 150,
  aria: { enabled: true, label: { description: bars.value.map((b) => b.said).join('; ') } },
  grid: GRID,
  tooltip: {
    trigger: 'item' as const,
    formatter: (p: { dataIndex: number }) => bars.value[p.dataIndex]?.said ?? '',
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
      data: bars.value.map((b) => [0, b.price]),
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
  <div ref="frame" class="frame">
    <VChart class="skyline" :option="option" autoresize data-testid="skyline" />
    <div v-roving="'pages'" class="grips" role="group" aria-label="Prices, to be pulled up or down">
      <template v-for="(b, i) in bars" :key="b.id">
        <span
          class="top"
          :class="{ locked: b.locked }"
          aria-hidden="true"
          :title="b.said"
          :style="{
            left: `${GRID.left + places[i]!.from}px`,
            width: `${places[i]!.to - places[i]!.from}px`,
            top: `${topOf(b.price) - 8}px`,
          }"
          @pointerdown="pull(b, $event)"
        />
        <span
          class="grip"
          role="slider"
          tabindex="0"
          :data-grip="b.id"
          :class="{ locked: b.locked }"
          :aria-label="`Pull the price of ${b.name}`"
          aria-orientation="vertical"
          :aria-disabled="b.locked"
          aria-valuemin="0"
          :aria-valuemax="Math.round(highest)"
          :aria-valuenow="Math.round(b.price)"
          :aria-valuetext="`${words.money(Math.round(b.price))} a ${words.unit.value}${b.locked ? ', locked' : ''}`"
          :title="b.said"
          :style="{
            left: `${GRID.left + places[i]!.handle[0]}px`,
            width: `${places[i]!.handle[1] - places[i]!.handle[0]}px`,
          }"
          @pointerdown="pull(b, $event)"
          @keydown="key(b, $event)"
        />
      </template>
      <output
        v-if="pulled"
        class="price"
        :style="{ top: `${topOf(pulled.price) - 30}px`, left: `${priceAt}px` }"
        >{{ words.money(pulled.price) }}</output
      >
    </div>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
}
.skyline {
  width: 100%;
  height: 300px;
}
.top,
.grip {
  position: absolute;
  cursor: ns-resize;
  touch-action: none;
}
.top {
  height: 16px;
}
.grip {
  top: 248px;
  height: 28px;
}
.grip:focus-visible {
  outline: 3px solid var(--accent);
  outline-offset: 1px;
}
.locked {
  cursor: not-allowed;
}
.price {
  position: absolute;
  transform: translateX(-50%);
  font-weight: 700;
  padding: 0 0.4rem;
  color: #fff;
  background: var(--ink);
  pointer-events: none;
}
</style>
