<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, defineAsyncComponent, reactive, ref, watch } from 'vue'
import { kg, parseMass, sayIssue, type TypedMass } from '#core/measure'
import { coldLogOf, sidesWeighed } from '#core/plan'
import { COVERS, LEAN_COLOURS, MARBLINGS, TEMP_PLACES, type Acceptance, type TempPlace } from '#core/records'
import { cautionAt, coolingOf, tooWarmToFreeze } from '#core/rules'
import CautionNote from '../../pieces/CautionNote.vue'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, issuesOf, type FieldIssue } from '../../state/api.ts'
import { hungDaysIn, worked } from '../../state/figures.ts'
import { useInstruments } from '../../state/instruments.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import HangTabs from './HangTabs.vue'

/** How the carcass was found when it was hung, how it cools, and what each day more in the cold costs. */
const HangingChart = defineAsyncComponent(() => import('./HangingChart.vue'))
const { read, central, body, note, withdraw, factOf, by, flow, state, farmFigures, groups, decide } =
  useReading()
const words = useWords()
const { hasProbe, readProbe } = useInstruments()
const issues = ref<FieldIssue[]>([])
const at = (field: string) => issues.value.filter((i) => i.field === field)
const species = computed(() => body.value.anatomy.species)
const log = computed(() => coldLogOf(read.value.plan))
const each = computed(() => kg((read.value.weights?.hot ?? 0) / read.value.count))
const cooling = computed(() => coolingOf(species.value, each.value, log.value.readings))
const warm = computed(() => tooWarmToFreeze(log.value.readings))
const STATES = {
  kept: { icon: 'pi-check-circle', word: 'kept' },
  broken: { icon: 'pi-exclamation-triangle', word: 'not kept' },
  open: { icon: 'pi-clock', word: 'not known yet' },
} as const
const WHERE: Record<TempPlace, string> = {
  deep: 'deep in the leg',
  surface: 'on the surface',
  air: 'air of the cooler',
}
const places = TEMP_PLACES.map((v) => ({ v, w: WHERE[v] }))

const accepted = computed(() => read.value.plan.acceptance)
const fresh = reactive({ left: '', right: '', hungAt: '', condition: '', condemned: '' })
const pick = reactive<Pick<Acceptance, 'colour' | 'marbling' | 'cover'>>({
  colour: null,
  marbling: null,
  cover: null,
})
/** An instant as a field of date and time shows it, by this device's clock; and back. */
const local = (instant: string) => {
  const d = new Date(instant)
  return new Date(d.getTime() - d.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
}
const said = (mass: TypedMass | null) => (mass ? `${mass.value} ${mass.unit}` : '')
watch(
  accepted,
  (a) => {
    Object.assign(fresh, {
      left: said(a?.left ?? null),
      right: said(a?.right ?? null),
      hungAt: a?.hungAt ? local(a.hungAt) : '',
      condition: a?.condition ?? '',
      condemned: a?.condemned ?? '',
    })
    Object.assign(pick, { colour: a?.colour ?? null, marbling: a?.marbling ?? null, cover: a?.cover ?? null })
  },
  { immediate: true },
)
function massIn(field: 'left' | 'right'): TypedMass | null {
  if (!fresh[field].trim()) return null
  const typed = parseMass(fresh[field], words.unit.value, field)
  if (typed.ok) return typed.value
  issues.value.push(...typed.issues.map((i) => fieldIssue(field, sayIssue(i, words.says.value))))
  return null
}
function accept() {
  issues.value = []
  const [left, right] = [massIn('left'), massIn('right')]
  if (issues.value.length > 0) return
  note({
    kind: 'acceptance',
    ...{ left, right, ...pick },
    hungAt: fresh.hungAt ? new Date(fresh.hungAt).toISOString() : null,
    condition: fresh.condition.trim() || null,
    condemned: fresh.condemned.trim() || null,
  })
}
/** What both sides weigh together, beside the hot weight that is on record. */
const sides = computed(() =>
  sidesWeighed(accepted.value, read.value.evidence.find((e) => e.stage === 'hot' && e.sd === 0)?.kg ?? null),
)

const temp = reactive({ c: '', where: 'deep' as TempPlace, at: local(new Date().toISOString()) })
const source = ref<'typed' | 'probe'>('typed')
async function ask() {
  issues.value = []
  const since = log.value.hungAt ? (Date.now() - Date.parse(log.value.hungAt)) / 3_600_000 : 0
  const answer = await readProbe(Math.min(400, Math.max(0, since)), Math.max(0.5, each.value / 2))
  if (answer.kind !== 'ok') return void (issues.value = issuesOf(answer))
  temp.c = String(answer.body[temp.where])
  temp.at = local(new Date().toISOString())
  source.value = 'probe'
}
function keepTemp() {
  const text = temp.c.trim().replace(',', '.').replace('−', '-')
  const isF = /°?\s*f$/i.test(text)
  const value = Number(text.replace(/°?\s*[cf]$/i, ''))
  const c = isF ? ((value - 32) * 5) / 9 : value
  issues.value = [
    ...(text !== '' && Number.isFinite(c) && c >= -40 && c <= 60
      ? []
      : [fieldIssue('c', `“${temp.c}” is no temperature from −40 to 60 °C. Type 4.5, or 40 F.`)]),
    ...(temp.at ? [] : [fieldIssue('at', 'When was it read?')]),
  ]
  if (issues.value.length > 0) return
  note({
    kind: 'temperature',
    ...{ where: temp.where, c: Number(c.toFixed(1)), source: source.value },
    at: new Date(temp.at).toISOString(),
  })
  temp.c = ''
  source.value = 'typed'
}
const rows = computed(() => read.value.plan.temperatures.toSorted((a, b) => (a.at < b.at ? 1 : -1)))

const isSplit = computed(() => groups.value.length > 0)
const { found: days, state: work } = worked(
  () =>
    central.value.weights && !isSplit.value
      ? { hash: by.value!, flow: flow.value!, state: state.value!, farm: farmFigures.value }
      : null,
  hungDaysIn,
)
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
const cutOn = computed(() => {
  const { killed, days: n } = read.value.plan
  return killed === null ? null : new Date(Date.parse(killed) + n * 86_400_000).toISOString().slice(0, 10)
})
const usual = computed(() => body.value.anatomy.chain.days)
const setDays = (value: number) => decide({ field: 'days', target: 'lot', side: 'animal', value })
</script>

<template>
  <HangTabs />
  <div class="two">
    <section class="stack">
      <div class="pane-head"><h2>How it cools</h2></div>
      <p v-if="!log.hungAt" class="muted">
        Say when it was hung, or the day of its kill: the rules count from there.
      </p>
      <ul v-else class="rules" data-testid="cooling">
        <li v-for="c in cooling" :key="c.id" :class="c.state" :data-rule="c.id">
          <i class="pi" :class="STATES[c.state].icon" aria-hidden="true" />
          <span
            ><b>{{ c.says }}</b
            >: {{ STATES[c.state].word
            }}<template v-if="c.by">, {{ c.by.c }} °C after {{ Math.round(c.by.hours) }} h</template></span
          >
        </li>
      </ul>
      <p v-if="log.assumed && log.readings.length > 0" class="muted">
        Counted from noon of {{ read.plan.killed }}: write down the hour it was hung, and they are exact.
      </p>
      <p v-if="warm" class="caution" role="note">
        <i class="pi pi-exclamation-triangle" aria-hidden="true" />
        <span>Its middle is at {{ warm.c }} °C: too warm to freeze. Freeze it at 7 °C (45 °F) or less.</span>
      </p>
      <CautionNote>{{ cautionAt('chill', species) }}</CautionNote>
      <form class="temps" novalidate aria-label="A temperature" @submit.prevent="keepTemp">
        <div class="field">
          <label for="temp-c">Temperature</label>
          <InputText
            id="temp-c"
            v-model="temp.c"
            autocomplete="off"
            :invalid="at('c').length > 0"
            @input="source = 'typed'"
          />
        </div>
        <div class="field">
          <label for="temp-where">Where</label>
          <Select
            v-model="temp.where"
            input-id="temp-where"
            :options="places"
            option-label="w"
            option-value="v"
          />
        </div>
        <div class="field">
          <label for="temp-at">When</label>
          <input id="temp-at" v-model="temp.at" type="datetime-local" class="p-inputtext p-component" />
        </div>
        <div class="row">
          <Button type="submit" label="Write it down" />
          <Button v-if="hasProbe" outlined label="Read the probe" @click="ask" />
        </div>
      </form>
      <FieldIssues :issues="issues.filter((i) => ['c', 'at', ''].includes(i.field))" />
      <table v-if="rows.length > 0" class="plain" data-testid="temps">
        <tbody>
          <tr v-for="t in rows" :key="t.id">
            <td class="nowrap">{{ local(t.at).replace('T', ' ') }}</td>
            <td class="right nowrap">
              <b>{{ t.c }} °C</b>
            </td>
            <td>{{ WHERE[t.where] }}</td>
            <td class="muted">{{ t.source === 'probe' ? 'by probe' : 'typed' }}</td>
            <td>
              <Button
                text
                size="small"
                label="Withdraw"
                :aria-label="`Withdraw ${t.c} °C`"
                @click="withdraw(...state!.facts.filter((f) => f.id === t.id))"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <details class="ice">
        <summary><b>No cooler?</b></summary>
        <p>
          Cut as soon as body heat is gone, with zero days hung; or quarter it into drained chests, ice over
          and between, and fill ice up twice a day: two to four days. Pour the water off, keep the meat out of
          it, write a temperature down each time. Below 4 °C (40 °F) in the middle, or it is not kept.
        </p>
        <Button outlined size="small" label="No days hung" @click="setDays(0)" />
      </details>
    </section>
    <section class="stack">
      <div class="pane-head">
        <h2>The day to cut</h2>
        <span v-if="cutOn" class="muted"
          >{{ cutOn }}, after {{ read.plan.days }} days; usual {{ usual.low }} to {{ usual.high }}</span
        >
      </div>
      <p v-if="work === 'working'" class="muted" role="status">Working out every day…</p>
      <template v-else-if="days">
        <p v-if="another" data-testid="another">
          One day more takes <b class="estimate">{{ words.says.value.mass(another.hanging, 2) }}</b> off the
          rail and <b class="estimate">{{ words.says.value.mass(another.cut, 2) }}</b> of the cuts<template
            v-if="another.face > 0"
            >, the dried face of {{ words.says.value.mass(another.face, 2) }} more among it,</template
          >
          <template v-if="another.money !== 0"
            >and {{ another.money < 0 ? 'costs' : 'brings' }}
            {{ words.money(Math.abs(another.money)) }}</template
          >; the place on the rail is taken a day longer.
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
      <div class="pane-head"><h2>As it was accepted</h2></div>
      <form class="accept" novalidate @submit.prevent="accept">
        <div class="field">
          <label for="accept-at">Hung at</label>
          <input
            id="accept-at"
            v-model="fresh.hungAt"
            type="datetime-local"
            class="p-inputtext p-component"
          />
        </div>
        <div class="field">
          <label for="accept-left">Left side, hot</label>
          <InputText
            id="accept-left"
            v-model="fresh.left"
            autocomplete="off"
            :invalid="at('left').length > 0"
          />
          <FieldIssues :issues="at('left')" />
        </div>
        <div class="field">
          <label for="accept-right">Right side, hot</label>
          <InputText
            id="accept-right"
            v-model="fresh.right"
            autocomplete="off"
            :invalid="at('right').length > 0"
          />
          <FieldIssues :issues="at('right')" />
        </div>
        <div class="field">
          <label for="accept-colour">Colour of the lean</label>
          <Select
            v-model="pick.colour"
            input-id="accept-colour"
            show-clear
            placeholder="not said"
            :options="[...LEAN_COLOURS]"
          />
        </div>
        <div class="field">
          <label for="accept-marbling">Marbling</label>
          <Select
            v-model="pick.marbling"
            input-id="accept-marbling"
            show-clear
            placeholder="not said"
            :options="[...MARBLINGS]"
          />
        </div>
        <div class="field">
          <label for="accept-cover">Fat cover</label>
          <Select
            v-model="pick.cover"
            input-id="accept-cover"
            show-clear
            placeholder="not said"
            :options="[...COVERS]"
          />
        </div>
        <div class="field wide">
          <label for="accept-condition">Bruises, dirt, what was noticed</label>
          <InputText id="accept-condition" v-model="fresh.condition" autocomplete="off" />
        </div>
        <div class="field wide">
          <label for="accept-condemned">Offal condemned or not collected</label>
          <InputText id="accept-condemned" v-model="fresh.condemned" autocomplete="off" />
        </div>
        <Button type="submit" :label="accepted ? 'Put it right' : 'Accept it'" />
        <Button
          v-if="accepted"
          text
          severity="secondary"
          label="Take it off"
          @click="withdraw(...factOf((f) => f.kind === 'acceptance'))"
        />
      </form>
      <p v-if="sides">
        Both sides: <b>{{ words.mass(sides.sum) }}</b><template v-if="sides.apart !== null"
          >, {{ words.mass(kg(Math.abs(sides.apart))) }} {{ sides.apart < 0 ? 'under' : 'over' }} the hot
          weight on record</template
        >.
      </p>
      <p class="muted">
        Yellow fat, pus, swollen nodes or a foul smell: stop, and ask the inspector or a vet.
      </p>
    </section>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
  gap: 2rem;
  align-items: start;
}
.rules {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.35rem;
}
.rules li {
  display: flex;
  gap: 0.5rem;
}
.kept .pi {
  color: var(--covered);
}
.broken .pi {
  color: var(--caution);
}
.open {
  color: var(--muted);
}
.temps {
  display: grid;
  grid-template-columns: 7rem 1fr 1fr;
  gap: 0.5rem;
  align-items: end;
}

.temps .row {
  grid-column: 1 / -1;
}
.accept {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 0.6rem;
  align-items: end;
}
.wide {
  grid-column: 1 / -1;
}
.two :deep(.field .p-select),
.two :deep(.field input) {
  width: 100%;
  min-width: 0;
}
summary {
  cursor: pointer;
  min-height: 44px;
  padding: 0.5rem 0;
}
@media (max-width: 900px) {
  .two,
  .accept {
    grid-template-columns: minmax(0, 1fr);
  }
  .temps {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
