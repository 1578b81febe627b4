<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import type { Destination } from '#core/anatomy'
import { cascadeOf, DRIED_FACE } from '#core/reading'
import { DESTINATIONS } from '../../theme/destinations.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import PatternDefs from './PatternDefs.vue'

/**
 * The way of every kilogram, from the live animal down to what it becomes: every block lies under what it came from and is as
 * wide as it weighs, so nothing crosses. A press on a part or a destination lights its chain.
 */
const { central: read, body, priced } = useReading()
const words = useWords()
const root = useTemplateRef<HTMLElement>('root')
const { width } = useElementSize(root)
const W = computed(() => Math.max(300, width.value || 1200))
const cascade = computed(() => cascadeOf(read.value, words.unit.value)!)
const ROW = [0, 46, 92, 172, 232] as const
const HEIGHT = [40, 40, 74, 54, 66] as const
const GONE_WORDS: Record<string, string> = {
  shrink: 'fasting, haulage',
  dressing: 'dressed off',
  cooler: 'drying',
}
const lit = ref<{ part: string } | { to: Destination } | null>(null)
const hover = ref<{ part: string } | { to: Destination } | null>(null)
const shining = computed(() => hover.value ?? lit.value)
const px = (kg: number) => (kg / scale.value) * W.value
/** What the page is as wide as: the live animal, and on its last row what was added beside it. */
const scale = computed(() => {
  const { live, block, gone, added } = cascade.value
  const off = gone.reduce((s, g) => s + g.kg, 0)
  return Math.max(live, block.kg + off, block.kg + added.kg)
})
const APART = new Map([
  ['', 'not planned'],
  [DRIED_FACE, 'dried face'],
])
const partName = (id: string) =>
  APART.get(id) ?? words.name(body.value.anatomy.parts.find((p) => p.id === id)!.names).split(/ \(|,|:/)[0]!

interface Block {
  key: string
  x: number
  w: number
  row: number
  fill: string
  words: string[]
  said: string
  part: string | null
  to: Destination | null
  press: 'part' | 'to' | null
}
const blocks = computed<Block[]>(() => {
  const c = cascade.value
  const plain = { part: null, to: null, press: null }
  const out: Block[] = []
  const live = words.mass(c.live)
  out.push({
    key: 'live',
    x: 0,
    w: px(c.live),
    row: 0,
    fill: '#8c7458',
    words: ['Live animal', live],
    said: `Live animal: ${live}`,
    ...plain,
  })
  const block = words.figure(c.block.shown)
  out.push({
    key: 'block',
    x: 0,
    w: px(c.block.kg),
    row: 1,
    fill: '#a98f6e',
    words: ['On the block', block],
    said: `On the block, kept offal with it: ${block}`,
    ...plain,
  })
  let x = px(c.block.kg)
  for (const g of c.gone) {
    const says = words.mass(g.kg)
    out.push({
      key: g.id,
      x,
      w: px(g.kg),
      row: 1,
      fill: '#d9ceba',
      words: [GONE_WORDS[g.id] ?? g.id, says],
      said: `${GONE_WORDS[g.id] ?? g.id}: ${says}`,
      ...plain,
    })
    x += px(g.kg)
  }
  x = 0
  for (const p of c.parts) {
    const says = words.figure(p.shown)
    out.push({
      key: `p ${p.part}`,
      x,
      w: px(p.kg),
      row: 2,
      fill: '#cdbb9d',
      words: [partName(p.part), says],
      said: `${partName(p.part)}: ${says}`,
      part: p.part,
      to: null,
      press: 'part',
    })
    let at = x
    for (const t of p.to) {
      out.push({
        key: `p ${p.part} ${t.destination}`,
        x: at,
        w: px(t.kg),
        row: 3,
        fill: `url(#to-${t.destination})`,
        words: [t.destination],
        said: `${partName(p.part)}, ${DESTINATIONS[t.destination].word.toLowerCase()}: ${words.mass(t.kg)}`,
        part: p.part,
        to: t.destination,
        press: null,
      })
      at += px(t.kg)
    }
    x += px(p.kg)
  }
  if (c.missing.shown > 0) {
    const says = words.figure(c.missing.shown)
    out.push({
      key: 'missing',
      x,
      w: px(c.missing.kg),
      row: 2,
      fill: '#fdfaf4',
      words: ['missing', says],
      said: `In no pack or bin: ${says}`,
      ...plain,
    })
  }
  if (c.added.kg > 0.0005) {
    const says = words.figure(c.added.shown)
    out.push({
      key: 'added',
      x: x + 2,
      w: Math.max(3, px(c.added.kg)),
      row: 3,
      fill: '#fdfaf4',
      words: ['added'],
      said: `Cure, seasoning, water added: ${says}`,
      ...plain,
    })
  }
  x = 0
  for (const d of c.destinations) {
    const says = words.figure(d.shown)
    const money = priced.value && d.money > 0 ? words.money(d.money) : ''
    out.push({
      key: `to ${d.destination}`,
      x,
      w: px(d.kg),
      row: 4,
      fill: `url(#to-${d.destination})`,
      words: [DESTINATIONS[d.destination].word, says, money],
      said: `${DESTINATIONS[d.destination].word}: ${says}${money ? `, ${money}` : ''}`,
      part: null,
      to: d.destination,
      press: 'to',
    })
    x += px(d.kg)
  }
  return out
})
const LETTER = 6.4
/** As many of the words as the block has room for; upright where it is narrow and tall enough. */
function shown(b: Block) {
  const tall = HEIGHT[b.row]! - 4
  const fits = (lines: string[]) =>
    lines.filter((l) => l.length * LETTER < b.w - 4).slice(0, Math.floor((tall - 2) / 15))
  const whole = b.words.filter((w) => w !== '')
  const brief = b.row === 4 ? [b.to!, ...whole.slice(1)] : whole
  for (const lines of [whole, brief]) {
    const room = fits(lines)
    if (room.length > 0 && room[0] === lines[0]) return { lines: room, upright: false }
  }
  const upright = [whole.slice(0, 2).join(' '), whole[0]!].find((l) => b.w > 15 && l.length * LETTER < tall)
  return { lines: upright ? [upright] : [], upright: upright !== undefined }
}
const drawn = computed(() => blocks.value.map((b) => ({ ...b, shown: shown(b) })))
/** Of the chain that is lit: the part and all it becomes, or a destination and every part that goes to it. */
function isDim(b: Block): boolean {
  const now = shining.value
  if (!now || b.row < 2) return false
  if ('part' in now) return b.part !== now.part && !(b.row === 4 && partsOf(b.to!).has(now.part))
  return b.to !== now.to && !(b.row === 2 && b.part !== null && partsOf(now.to).has(b.part))
}
const partsOf = (to: Destination) =>
  new Set(cascade.value.parts.filter((p) => p.to.some((t) => t.destination === to)).map((p) => p.part))
const chainOf = (b: Block) => (b.press === 'part' ? { part: b.part! } : { to: b.to! })
const isLit = (b: Block) => JSON.stringify(lit.value) === JSON.stringify(chainOf(b))
const toggle = (b: Block) => (lit.value = isLit(b) ? null : chainOf(b))
/** The chain that is lit, in words: every figure of it. */
const chain = computed(() => {
  const now = shining.value
  if (!now) return 'Press a part or what it becomes: its chain lights up.'
  const c = cascade.value
  if ('part' in now) {
    const p = c.parts.find((x) => x.part === now.part)
    return p
      ? `${partName(p.part)} ${words.figure(p.shown)}: ${p.to.map((t) => `${DESTINATIONS[t.destination].word.toLowerCase()} ${words.mass(t.kg)}`).join(', ')}.`
      : ''
  }
  const from = c.parts
    .flatMap((p) => p.to.filter((t) => t.destination === now.to).map((t) => ({ part: p.part, kg: t.kg })))
    .sort((a, b) => b.kg - a.kg)
  return `${DESTINATIONS[now.to].word}: ${from.map((f) => `${partName(f.part).toLowerCase()} ${words.mass(f.kg)}`).join(', ')}.`
})
</script>

<template>
  <div ref="root" class="cascade" data-testid="flow">
    <svg :viewBox="`0 0 ${W} 302`" height="302" role="group" aria-label="Where everything goes">
      <PatternDefs />
      <g
        v-for="b in drawn"
        :key="b.key"
        :class="{ dim: isDim(b), press: b.press }"
        :role="b.press ? 'button' : undefined"
        :tabindex="b.press ? 0 : undefined"
        :aria-pressed="b.press ? isLit(b) : undefined"
        :data-block="b.key"
        @click="b.press && toggle(b)"
        @keydown.enter.prevent="b.press && toggle(b)"
        @keydown.space.prevent="b.press && toggle(b)"
        @mouseenter="hover = b.press ? chainOf(b) : null"
        @mouseleave="hover = null"
        @focus="hover = b.press ? chainOf(b) : null"
        @blur="hover = null"
      >
        <title>{{ b.said }}</title>
        <rect
          :x="b.x"
          :y="ROW[b.row]"
          :width="Math.max(0.5, b.w - 1)"
          :height="HEIGHT[b.row]"
          :fill="b.fill"
        />
        <rect
          v-if="b.press && b.w < 24"
          :x="b.x + b.w / 2 - 12"
          :y="ROW[b.row]"
          width="24"
          :height="HEIGHT[b.row]"
          class="hit"
        />
        <template v-if="b.shown.upright">
          <text
            :transform="`translate(${b.x + b.w / 2 + 4} ${ROW[b.row]! + HEIGHT[b.row]! - 5}) rotate(-90)`"
          >
            {{ b.shown.lines[0] }}
          </text>
        </template>
        <template v-else>
          <text
            v-for="(line, i) in b.shown.lines"
            :key="line"
            :x="b.x + 5"
            :y="ROW[b.row]! + 15 + i * 15"
            :class="{ strong: i === 0 }"
          >
            {{ line }}
          </text>
        </template>
      </g>
    </svg>
    <p class="chain" aria-live="polite">{{ chain }}</p>
  </div>
</template>

<style scoped>
.cascade {
  background: var(--sheet);
  border: 1px solid var(--rule);
}
svg {
  display: block;
  width: 100%;
}
rect {
  stroke: var(--ink);
  stroke-width: 0.7;
}
.hit {
  fill: transparent;
  stroke: none;
}
.press {
  cursor: pointer;
}
.dim {
  opacity: 0.22;
}
g:focus-visible {
  outline: none;
}
g:focus-visible rect:first-of-type {
  stroke: var(--accent);
  stroke-width: 4;
}
text {
  font: 400 13px var(--body);
  fill: #1b150f;
  paint-order: stroke;
  stroke: rgb(253 250 244 / 0.82);
  stroke-width: 3.5;
  stroke-linejoin: round;
  pointer-events: none;
}
.strong {
  font-weight: 700;
}
.chain {
  padding: 0.4rem 0.6rem;
  min-height: 2.1rem;
  border-top: 1px solid var(--rule);
}
</style>
