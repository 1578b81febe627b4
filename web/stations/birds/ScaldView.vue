<script setup lang="ts">
import { counted } from '#core/measure'
import Button from 'primevue/button'
import { computed } from 'vue'
import { bySchool, downgraded, offOfScald } from '#core/batch'
import { SCALD } from '#core/plan'
import { FACTS, SCALD_SCHOOLS, type ReadySign, type ScaldSchool } from '#core/records'
import CautionNote from '../../pieces/CautionNote.vue'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { useBenchRows } from '../../state/bench.ts'
import { asLocal } from '../../state/deviceTime.ts'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import { useWords } from '../../state/words.ts'
import HangTabs from '../hang/HangTabs.vue'
import DowngradePane from './DowngradePane.vue'
import { downgradeWord, SCALD_OPTIONS, SCHOOL_WORD, SIGN_OPTIONS, signWord } from './words.ts'

/** Scald and pluck, load by load: what was wanted, what the water was, how long, by which sign; what went wrong, what it cost, what it taught. */
const { read, body, lot, note, withdraw, state } = useReading()
const words = useWords()
const {
  typed: fresh,
  at,
  keep: kept,
} = useForm(
  'scald',
  FACTS.scald.fields,
  () => ({
    ...{ school: 'medium' as ScaldSchool, sign: 'both' as ReadySign },
    ...{ c: '', seconds: '', birds: '2' },
  }),
  { stays: ['school', 'sign', 'seconds', 'birds'] },
)
const school = computed(() => SCALD[fresh.school])
const keep = kept((load) => {
  note({
    ...{ kind: 'scald', when: new Date().toISOString(), school: fresh.school, sign: fresh.sign },
    target: (school.value.c[0] + school.value.c[1]) / 2,
    ...load,
  })
})
const rows = computed(() => read.value.plan.scalds.toSorted((a, b) => (a.when < b.when ? 1 : -1)))
const OFF = {
  hotter: 'hotter than its school: skin browns and tears',
  cooler: 'cooler than its school: feathers hold',
  longer: 'longer than its school',
  shorter: 'shorter than its school',
} as const
/** What other days of this kind of bird taught. */
const { rows: bench } = useBenchRows()
const before = computed(() => {
  const own = bench.value.filter((r) => r.species === body.value.anatomy.species && r.lot !== lot.value!.id)
  return {
    schools: bySchool(own.flatMap((r) => (r.fact.kind === 'scald' ? [r.fact] : []))),
    wrong: downgraded(own.flatMap((r) => (r.fact.kind === 'downgrade' ? [r.fact] : []))),
  }
})
const scalded = computed(() => rows.value.reduce((n, s) => n + s.birds, 0))
</script>

<template>
  <HangTabs />
  <div class="two">
    <section class="stack">
      <div class="pane-head">
        <h2>Load by load</h2>
        <span class="muted" data-testid="scalded">{{ scalded }} of {{ read.count }} scalded</span>
      </div>
      <CautionNote
        >Hot water scalds: lower birds by the feet, wear an apron, children away. Electricity and a wet floor:
        the plucker on a guarded line, hands out of the drum until it stands.</CautionNote
      >
      <form class="fields" novalidate aria-label="A load scalded" @submit.prevent="keep">
        <PickField id="scald-school" v-model="fresh.school" label="Wanted" :options="SCALD_OPTIONS" />
        <TextField id="scald-c" v-model="fresh.c" class="short" label="Water was, °C" :issues="at('c')" />
        <TextField
          id="scald-seconds"
          v-model="fresh.seconds"
          class="short"
          label="Seconds"
          inputmode="numeric"
          :issues="at('seconds')"
        />
        <PickField id="scald-sign" v-model="fresh.sign" label="Ready by" :options="SIGN_OPTIONS" />
        <TextField
          id="scald-birds"
          v-model="fresh.birds"
          class="short"
          label="Birds"
          inputmode="numeric"
          :issues="at('birds')"
        />
        <Button type="submit" label="Write the load down" />
      </form>
      <p class="muted">
        {{ SCHOOL_WORD[fresh.school].word }}: {{ school.c.join('–') }} °C for
        {{ school.seconds.join('–') }} s, {{ SCHOOL_WORD[fresh.school].leaves }}. Ready when a wing or tail
        feather pulls easily and toe skin slips; big birds longer.
      </p>
      <table v-if="rows.length > 0" class="plain" data-testid="scalds">
        <tbody>
          <tr v-for="s in rows" :key="s.id">
            <td class="nowrap">{{ asLocal(s.when).slice(11) }}</td>
            <td>
              {{ counted(s.birds, 'bird') }},
              {{ SCHOOL_WORD[s.school].word.toLowerCase() }}
            </td>
            <td class="right nowrap">
              <b>{{ s.c }} °C</b>
            </td>
            <td class="right nowrap">{{ s.seconds }} s</td>
            <td>
              {{ signWord(s.sign) }}<br v-if="offOfScald(s).length > 0" /><small
                v-for="o in offOfScald(s)"
                :key="o"
                class="bad"
                >{{ OFF[o] }}
              </small>
            </td>
            <td>
              <Button
                text
                size="small"
                label="Withdraw"
                :aria-label="`Withdraw the load of ${asLocal(s.when).slice(11)}`"
                @click="withdraw(...state!.facts.filter((f) => f.id === s.id))"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <section class="stack">
      <DowngradePane />
      <div class="pane-head">
        <h2>What other days taught</h2>
        <span class="muted">{{ words.name(body.anatomy.names).toLowerCase() }} of this farm</span>
      </div>
      <p v-if="before.wrong.length + before.schools.length === 0" class="muted">
        Nothing was written down yet: the first day is the teacher.
      </p>
      <ul v-else class="taught" data-testid="taught">
        <li v-for="d in before.wrong" :key="d.what">
          <b>{{ downgradeWord(d.what) }}</b>: {{ d.animals }}, {{ words.money(d.lost)
          }}<template v-for="l in d.lessons" :key="l"><br />{{ l }}</template>
        </li>
        <li v-for="s in before.schools" :key="s.school">
          {{ SCHOOL_WORD[s.school].word }} scald: {{ s.birds }} birds at {{ s.c.toFixed(0) }} °C for
          {{ s.seconds.toFixed(0) }} s
        </li>
      </ul>
      <table class="plain">
        <thead>
          <tr>
            <th>School</th>
            <th>Water</th>
            <th>Time</th>
            <th>Leaves</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="id in SCALD_SCHOOLS" :key="id">
            <th scope="row">{{ SCHOOL_WORD[id].word }}</th>
            <td>{{ SCALD[id].c.join('–') }} °C</td>
            <td>{{ SCALD[id].seconds.join('–') }} s</td>
            <td>{{ SCHOOL_WORD[id].leaves }}</td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 1.6rem;
  align-items: start;
}
.taught {
  margin: 0;
  padding-left: 1.1rem;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
