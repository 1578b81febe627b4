<script setup lang="ts">
import Button from 'primevue/button'
import { reactive, ref } from 'vue'
import { sayClock } from '#core/clock'
import type { DayForecast } from '#core/line'
import { parseWhole } from '#core/measure'
import { clockSchema } from '#core/records'
import TextField from '../../pieces/TextField.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { wrongIn } from '../../state/form.ts'
import { useWords } from '../../state/words.ts'
import type { useBirdDay } from './birdDay.ts'

/** Who fetches how many and when, against the hour theirs are bagged. */
const { day, told } = defineProps<{ day: ReturnType<typeof useBirdDay>; told: DayForecast | null }>()
const words = useWords()
const fresh = reactive({ at: '', who: '', birds: '' })
const issues = ref<FieldIssue[]>([])
const on = (field: string) => issues.value.filter((i) => i.field === field)
function keep() {
  const clock = clockSchema.safeParse(fresh.at.trim())
  const birds = parseWhole(fresh.birds, 'birds', { low: 1, high: 2000 })
  issues.value = [
    ...(clock.success ? [] : [fieldIssue('at', clock.error.issues[0]!.message)]),
    ...(fresh.who.trim() ? [] : [fieldIssue('who', 'Who fetches them?')]),
    ...wrongIn(words.says.value, birds),
  ]
  if (!clock.success || !birds.ok || issues.value.length > 0) return
  const { pickups } = day.plan.value
  day.change({ pickups: [...pickups, { at: clock.data, who: fresh.who.trim(), birds: birds.value }] })
  Object.assign(fresh, { at: '', who: '', birds: '' })
}
const chanceOf = (p: { who: string; at: string; birds: number }) =>
  told?.pickups.find((x) => x.who === p.who && sayClock(x.at) === p.at && x.birds === p.birds) ?? null
const drop = (i: number) => day.change({ pickups: day.plan.value.pickups.filter((_, k) => k !== i) })
</script>

<template>
  <div class="pane-head"><h2>Who fetches when</h2></div>
  <table v-if="day.plan.value.pickups.length > 0" class="plain" data-testid="pickups">
    <tbody>
      <tr v-for="(p, i) in day.plan.value.pickups" :key="i">
        <td>{{ p.at }}</td>
        <td>{{ p.who }}</td>
        <td class="right">{{ p.birds }}</td>
        <td>
          <template v-if="chanceOf(p)"
            ><b class="estimate">{{ words.percent(chanceOf(p)!.chance) }}</b> ready<small
              v-if="chanceOf(p)!.chance < 0.9"
              class="muted"
            >
              say {{ sayClock(chanceOf(p)!.ready) }}</small
            ></template
          >
        </td>
        <td>
          <Button
            text
            size="small"
            icon="pi pi-times"
            :aria-label="`${p.who} fetches none`"
            @click="drop(i)"
          />
        </td>
      </tr>
    </tbody>
  </table>
  <form class="fields" novalidate aria-label="Who fetches" @submit.prevent="keep">
    <TextField id="pickup-at" v-model="fresh.at" class="short" label="At" :issues="on('at')" />
    <TextField id="pickup-who" v-model="fresh.who" class="wide" label="Who" :issues="on('who')" />
    <TextField
      id="pickup-birds"
      v-model="fresh.birds"
      class="short"
      label="Birds"
      inputmode="numeric"
      :issues="on('birds')"
    />
    <Button type="submit" outlined label="Fetches" />
  </form>
</template>
