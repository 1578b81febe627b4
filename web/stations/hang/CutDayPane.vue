<script setup lang="ts">
import { computed, defineAsyncComponent, shallowRef } from 'vue'
import type { LotCard, Rail } from '#contracts'
import { kg } from '#core/measure'
import { coldLogOf, cutOn } from '#core/plan'
import { railOn } from '#core/reading'
import { ask } from '../../state/api.ts'
import { useEquipment } from '../../state/bench.ts'
import { hungDaysIn } from '../../state/figures.ts'
import { workedOnLot } from '../../state/workedOnLot.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** The day to cut: what another day takes off the rail, the cuts and the money, and whose place it takes. */
const HangingChart = defineAsyncComponent(() => import('./HangingChart.vue'))
const { read, body, lot } = useReading()
const words = useWords()
const log = computed(() => coldLogOf(read.value.plan))
const { found: days, work, isSplit } = workedOnLot(hungDaysIn)
/** What one more day than planned takes: on the rail, of the cuts, of the money. */
const another = computed(() => {
  const now = days.value?.find((d) => d.day === read.value.plan.days)
  const next = days.value?.find((d) => d.day === read.value.plan.days + 1)
  return now && next
    ? {
        hanging: kg(now.hanging - next.hanging),
        cut: kg(now.cut - next.cut),
        face: kg(next.face - now.face),
        money: next.left - now.left,
      }
    : null
})
const cutDay = computed(() => cutOn(read.value.plan))
const usual = computed(() => body.value.anatomy.chain.days)

/** Places of the rail, by the register: all that is there and works. */
const { sheets: register } = useEquipment()
const places = computed(() => {
  const own = register.value.flatMap((s) => (s.body.fault === null ? (s.body.places ?? []) : []))
  return own.length > 0 ? own.reduce((sum, n) => sum + n, 0) : null
})
const hanging = shallowRef<LotCard[] | null>(null)
void ask<Rail>('GET', '/lots?standings=hanging').then((answer) => {
  if (answer.kind === 'ok') hanging.value = answer.body.lots
})
/** One more day: the rail as it is on the day that it should have been cut. */
const rail = computed(() =>
  cutDay.value && hanging.value && lot.value
    ? railOn(hanging.value, cutDay.value, { id: lot.value.id, count: read.value.count }, places.value)
    : null,
)
</script>

<template>
  <div class="pane-head">
    <h2>The day to cut</h2>
    <span v-if="cutDay" class="muted"
      >{{ cutDay }}, after {{ read.plan.days }} days; usual {{ usual.low }} to {{ usual.high }}</span
    >
  </div>
  <p v-if="work === 'working'" class="muted" role="status">Working out every day…</p>
  <template v-else-if="days">
    <p v-if="another" data-testid="another">
      One day more takes <b class="estimate">{{ words.says.value.mass(another.hanging, 2) }}</b> off the rail
      and <b class="estimate">{{ words.says.value.mass(another.cut, 2) }}</b> of the cuts<template
        v-if="another.face > 0"
        >, the dried face of {{ words.says.value.mass(another.face, 2) }} more among it</template
      >{{
        another.money === 0
          ? ''
          : `, and ${another.money < 0 ? 'costs' : 'brings'} ${words.money(Math.abs(another.money))}`
      }}; the place on the rail is taken a day longer.
    </p>
    <p v-if="rail" data-testid="rail-places" :class="{ 'field-issue': rail.free < 0 }">
      On {{ cutDay }} {{ rail.taken }} of the {{ rail.places }} places on the rail are taken<template
        v-if="rail.there.length > 0"
      >
        (by {{ rail.there.map((l) => l.tag).join(', ') }})</template
      >{{
        rail.free < 0
          ? `: there is no place for it to hang on.`
          : `: with it hanging on, ${rail.free} are free.`
      }}
    </p>
    <p v-else-if="cutDay && places === null" class="muted">
      Say in the register of equipment (Block, Ready) how many carcasses find room on the rail, and a day more
      is set against it.
    </p>
    <HangingChart :days="days" :readings="log.readings" :planned="read.plan.days" />
  </template>
  <p v-else class="muted">
    {{
      isSplit
        ? 'This lot is cut in groups: look at each by itself.'
        : 'It was weighed on the day it was cut: no day more is to come.'
    }}
  </p>
</template>
