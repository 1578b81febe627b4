<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import ProgressBar from 'primevue/progressbar'
import { computed, ref } from 'vue'
import { sayClock } from '#core/clock'
import { feedAway, judgeFinish, toldAnew, usualStations } from '#core/line'
import { issueOf, parseWhole } from '#core/measure'
import { sayIssue } from '#contracts/said'
import { clockSchema } from '#core/records'
import { cautionAt } from '#core/rules'
import CautionNote from '../../pieces/CautionNote.vue'
import PaperButtons from '../../pieces/PaperButtons.vue'
import TextField from '../../pieces/TextField.vue'
import { fieldIssue } from '../../state/api.ts'
import { useIssues } from '../../state/issues.ts'
import { useFarm } from '../../state/farm.ts'
import { useExemptBirds } from '../../state/exemptBirds.ts'
import { useDayForecast } from '../../state/dayForecast.ts'
import { useFloorMode } from '../../state/floorMode.ts'
import { useWords } from '../../state/words.ts'
import CrewForm from '../block/CrewForm.vue'
import HangTabs from '../hang/HangTabs.vue'
import AlsoToday from './AlsoToday.vue'
import ChillPlan from './ChillPlan.vue'
import LinePicture from './LinePicture.vue'
import LineStations from './LineStations.vue'
import LiveDay from './LiveDay.vue'
import PickupsPane from './PickupsPane.vue'
import { useBirdDay } from './birdDay.ts'

/** The day birds are killed: when the last is in the ice, what holds the line up, what would help; told anew as they are ticked off. */
const day = useBirdDay()
const { read, body, lot, plan, line, change, begun, counted, iced } = day
const words = useWords()
const farm = useFarm()
const exempt = useExemptBirds(() => (plan.value.day ?? day.today.value).slice(0, 4))
const { chosen, floor } = useFloorMode()
const isLine = computed(() => usualStations(body.value.anatomy.species).length > 0)
const { drawn, state, progress, again, stop } = useDayForecast(() => (isLine.value ? line.value : null))
const told = computed(() => drawn.value?.told ?? null)
/** The last bird in the ice: as it was drawn, or told anew by those that are in it. */
const finish = computed(() => {
  if (!drawn.value || !told.value) return null
  const { birds, line: l } = line.value
  const all = l.birds.reduce((a, b) => a + b, 0)
  if (counted.value === 0 || drawn.value.birds !== all) return told.value.iced
  const last = iced.value.at(-1)!.minute
  return toldAnew(drawn.value.iced, all, l.start!, Math.min(counted.value, birds), last)
})
/** Shown on its day, once it has begun, and large wherever it is asked for; not of birds that hang already. */
const isLive = computed(
  () =>
    begun.value !== null ||
    floor.value ||
    (day.isToday.value && !read.value.stages.some((s) => s.id === 'hot' && s.weighed)),
)
const late = computed(() => (finish.value ? judgeFinish(finish.value.middle) : []))
const stationWord = (id: string) => line.value.stations.find((s) => s.id === id)?.word ?? id
const holds = computed(() => {
  if (!told.value) return ''
  return told.value.holds === 'hands'
    ? 'there are too few hands'
    : `${stationWord(told.value.holds).toLowerCase()} is the slowest`
})
const helps = computed(() => (told.value?.whatIf ?? []).toSorted((a, b) => a.minutes - b.minutes))
const sayChange = (minutes: number) => {
  const m = Math.round(Math.abs(minutes))
  return m < 3 ? 'changes next to nothing' : `${m} min ${minutes < 0 ? 'sooner' : 'later'}`
}
const away = computed(() => feedAway(body.value.anatomy.species, line.value.line.start!))
/** Hours that the last of them goes without. */
const longest = computed(() =>
  finish.value ? Math.round((finish.value.middle - away.value.until) / 60) : null,
)
const fresh = ref({
  begins: plan.value.begins,
  birds: plan.value.birds === null ? '' : String(plan.value.birds),
})
const { issues, at } = useIssues()
function keep() {
  const begins = clockSchema.safeParse(fresh.value.begins.trim())
  const typed = fresh.value.birds.trim()
  const birds = typed === '' ? null : parseWhole(typed, 'birds', { low: 1, high: 2000 })
  const alive = line.value.alive
  const more =
    birds?.ok && birds.value > alive
      ? [issueOf('more-than-alive', 'birds', { asked: birds.value, alive })]
      : []
  issues.value = [
    ...(begins.success ? [] : [fieldIssue('begins', begins.error.issues[0]!.message)]),
    ...[...(birds && !birds.ok ? birds.issues : []), ...more].map((i) =>
      fieldIssue('birds', sayIssue(i, words.says.value)),
    ),
  ]
  if (!begins.success || issues.value.length > 0) return
  change({ begins: begins.data, birds: birds?.ok ? birds.value : null })
}
const onDay = computed({
  get: () => plan.value.day ?? '',
  set: (value) => change({ day: value === '' ? null : value }),
})
</script>

<template>
  <div :class="{ floor }">
    <HangTabs v-if="!floor || farm.isFloor" />
    <p v-if="!isLine" class="muted">Only birds and rabbits go through a line of stations.</p>
    <div v-else class="stack">
      <div class="pane-head">
        <h2>
          <span v-if="finish" class="estimate" data-testid="iced"
            >Last in the ice about {{ sayClock(finish.middle) }}</span
          >
          <template v-else>{{
            state === 'failed' ? 'This day could not be drawn' : 'Drawing the day…'
          }}</template>
        </h2>
        <span v-if="finish?.range" class="muted" data-testid="iced-range"
          >likely {{ sayClock(finish.range.low) }}–{{ sayClock(finish.range.high) }}</span
        >
        <span v-if="told && counted === 0" class="muted" data-testid="all-done"
          >all bagged about {{ sayClock(told.end.middle) }}</span
        >
        <span class="muted"
          ><b>{{ line.birds }}</b> of {{ line.alive }} alive<template v-if="plan.also">
            and {{ plan.also.birds }} more</template
          ></span
        >
        <Button
          v-if="!farm.isFloor"
          class="mode"
          size="small"
          :outlined="!floor"
          icon="pi pi-expand"
          :label="floor ? 'Leave floor mode' : 'Floor mode'"
          :aria-pressed="floor"
          @click="chosen = !chosen"
        />
      </div>
      <div v-if="state === 'drawing'" class="row" role="status">
        <ProgressBar
          class="bar"
          :value="Math.round(100 * progress)"
          :show-value="false"
          aria-label="Days drawn"
        />
        <Button text size="small" label="Stop" @click="stop" />
      </div>
      <p v-else-if="state === 'stopped' || state === 'failed'" class="row" role="status">
        {{
          state === 'stopped' ? 'Stopped: what is shown is of before.' : 'The thread that draws it failed.'
        }}
        <Button text size="small" label="Draw it again" @click="again" />
      </p>
      <p
        v-for="i in [...line.issues, ...late]"
        :key="i.code + i.field"
        class="field-issue"
        role="alert"
        :data-issue="i.code"
      >
        <i class="pi pi-times-circle" aria-hidden="true" /><span>{{ sayIssue(i, words.says.value) }}</span>
      </p>
      <p v-if="told && told.unfinished > 0" class="field-issue" role="status">
        <i class="pi pi-exclamation-triangle" aria-hidden="true" /><span
          >On {{ told.unfinished }} days of a hundred not all would be done.</span
        >
      </p>
      <LiveDay v-if="isLive" :day="day" :told="told" :finish="finish" />
      <template v-if="!floor">
        <form class="fields" novalidate aria-label="The day" @submit.prevent="keep">
          <div class="field">
            <label for="bird-day">Day</label>
            <InputText id="bird-day" v-model.lazy="onDay" type="date" />
          </div>
          <TextField
            id="bird-begins"
            v-model="fresh.begins"
            class="short"
            label="First bird at"
            :issues="at('begins')"
          />
          <TextField
            id="bird-count"
            v-model="fresh.birds"
            class="short"
            label="How many"
            inputmode="numeric"
            :issues="at('birds')"
          />
          <Button type="submit" outlined label="Plan it so" />
          <PaperButtons :lot="lot!.id" place="day" />
        </form>
        <LinePicture v-if="told" :told="told" :stations="line.stations" :pickups="told.pickups" />
        <div class="two">
          <section class="stack">
            <div class="pane-head">
              <h2>Stations</h2>
              <span v-if="told" class="muted" data-testid="holds">{{ holds }}</span>
            </div>
            <LineStations :day="day" :told="told" />
            <ul v-if="helps.length > 0" class="helps" data-testid="helps">
              <li v-for="w in helps" :key="w.id" :data-help="w.id">
                {{ w.word }}: <b class="estimate">{{ sayChange(w.minutes) }}</b>
              </li>
            </ul>
            <div class="pane-head"><h2>Who is there</h2></div>
            <CrewForm />
            <p v-if="told" class="muted">
              At work:
              {{ told.hands.map((h) => `${h.name} ${words.percent(h.share)}`).join(', ') }} of the time they
              are there.
            </p>
          </section>
          <section class="stack">
            <div class="pane-head"><h2>Feed away, water there</h2></div>
            <p data-testid="withdraw">
              Feed is taken away between <b>{{ sayClock(away.from) }}</b> and
              <b>{{ sayClock(away.until) }}</b> the night before, {{ away.least }} to {{ away.most }} h before
              the first<template v-if="longest">; the last goes about {{ longest }} h without</template>.
              Water stays.
            </p>
            <ChillPlan :day="day" :told="told" />
            <PickupsPane :day="day" :told="told" />
            <AlsoToday :day="day" />
            <p v-if="read.plan.route === 'poultry-exempt'" data-testid="exempt">
              {{ exempt }} <span class="muted">Local rules decide what may be sold, and where.</span>
            </p>
            <CautionNote>{{ cautionAt('slaughter', body.anatomy.species) }}</CautionNote>
            <CautionNote>{{ cautionAt('chill', body.anatomy.species) }}</CautionNote>
          </section>
        </div>
        <small v-if="read.weights === null" class="muted"
          >No weight yet: minutes and ice are those of a usual one.</small
        >
      </template>
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr);
  gap: 1.6rem;
  align-items: start;
}
.mode {
  margin-left: auto;
}
.bar {
  flex: 1;
  height: 8px;
}
.helps {
  margin: 0;
  padding-left: 1.1rem;
}
.floor {
  background: #fff;
  color: #000;
  padding: 0.5rem;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
