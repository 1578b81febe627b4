<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { taskMinutes } from '#core/hand'
import { drawUp, isLine, stepDone, type BlockCard, type CardStep } from '#core/papers'
import { CLASS_OF, type FactBody } from '#core/records'
import { PLAIN, sayMinutes } from '#core/measure'
import PaperButtons from '../../pieces/PaperButtons.vue'
import { initials, useBench } from '../../state/bench.ts'
import { useWords } from '../../state/words.ts'
import { useFarm } from '../../state/farm.ts'
import { useFloorMode } from '../../state/floorMode.ts'
import BlockTabs from './BlockTabs.vue'
import CardClosing from './CardClosing.vue'
import CheckSigns from './CheckSigns.vue'
import FaultPane from './FaultPane.vue'
import HandSteps from './HandSteps.vue'
import ReplanPane from './ReplanPane.vue'
import StepClock from './StepClock.vue'

/** The plan as steps in the order of the bench, ticked off as they are done; large, for wet hands, in floor mode. */
const { lot, read, note, withdraw, factOf, work, standing, tally, paces, faults } = useBench()
const words = useWords()
const store = useFarm()
const { chosen, floor } = useFloorMode()
const by = initials()
/** Birds and rabbits have a day of their own. */
const isBatch = computed(() => ['poultry', 'rabbits'].includes(CLASS_OF[read.value.flow.anatomy.species]))
/** Whether steps are timed here: the clock stands beside each. */
const timed = useLocalStorage('ekko-timed', false)
const minutes = computed(() => taskMinutes(read.value, work.value.tasks))
const usual = (s: CardStep) => {
  const of = s.marks[0]!.target
  return (minutes.value.get(of) ?? 0) * (paces.value.get(of)?.by ?? 1)
}
const standingOf = (s: CardStep) => standing.value.get(s.marks[0]!.target)!
/** How often a farm has timed a step: its own minutes by then. */
const learnt = (s: CardStep) => paces.value.get(s.marks[0]!.target)?.n ?? 0

/** The card as it would be printed now; empty before there is a weight. */
const card = computed<BlockCard | null>(() => {
  const farm = { ...PLAIN, name: '', ...store.farm }
  const about = { read: read.value, farm, lot: lot.value!.tag, date: '', share: 1 as const, words: {} }
  const out = drawUp('block-card', about)
  return out.ok ? (out.value as BlockCard) : null
})
/** As the stair says it: an estimate to what is known of it. */
const hanging = computed(() => {
  const stage = read.value.stages.find((s) => s.id === 'hanging')
  return stage ? `${stage.weighed ? '' : 'about '}${words.known(stage.kg, stage.range)}` : ''
})
const steps = computed(() => card.value?.steps ?? [])
const done = (step: CardStep) => stepDone(step, read.value.plan.steps)
const next = computed(() => steps.value.find((s) => !done(s)) ?? null)
const isMarkOf = (step: CardStep) => (f: FactBody) =>
  f.kind === 'tick' &&
  f.what === 'step' &&
  step.marks.some((m) => (m.target === f.of && m.side === f.side) || (isLine(m) && f.of === 'break'))
/** The step ticked last: with wet hands the wrong one is soon pressed. */
const last = computed(() => {
  const [newest] = factOf((f) => f.kind === 'tick' && f.what === 'step').slice(-1)
  return newest ? (steps.value.find((s) => done(s) && isMarkOf(s)(newest.fact)) ?? null) : null
})
/** Ticks a step off on every side it is for, and stops its clock with the last of them; ticked already, the ticks are withdrawn. */
function tick(step: CardStep) {
  if (done(step)) return withdraw(...factOf(isMarkOf(step)))
  const of = step.marks[0]!.target
  const { state } = standingOf(step)
  const isLast = steps.value.every((s) => s === step || s.marks[0]!.target !== of || done(s))
  const stopped: FactBody[] =
    isLast && (state === 'running' || state === 'paused')
      ? [
          {
            ...{ kind: 'work', of, did: 'done', when: new Date().toISOString() },
            ...{
              by: by.value.trim() || 'somebody',
              usual: Math.round((minutes.value.get(of) ?? 0) * 100) / 100,
            },
          },
        ]
      : []
  note(
    ...step.marks.map((m): FactBody => ({ kind: 'tick', what: 'step', of: m.target, side: m.side })),
    ...stopped,
  )
}
</script>

<template>
  <div :class="{ floor }">
    <BlockTabs v-if="!floor" />
    <p v-if="!card" class="muted">
      There is no weight yet, so the card has no figures.
      <RouterLink :to="{ name: 'hang' }">Enter one at Hang</RouterLink> first.
    </p>
    <template v-else>
      <div class="row head">
        <h2>{{ card.what }}, {{ hanging }} hanging</h2>
        <span class="muted" data-testid="progress">{{ tally.done }} of {{ tally.of }} steps done</span>
        <span style="flex: 1" />
        <label class="row"
          >Signed as
          <InputText
            v-model="by"
            size="small"
            maxlength="12"
            class="by"
            autocomplete="off"
            placeholder="initials"
          />
        </label>
        <Button
          size="small"
          :outlined="!timed"
          icon="pi pi-stopwatch"
          label="Time the steps"
          :aria-pressed="timed"
          @click="timed = !timed"
        />
        <Button
          v-if="!store.isFloor"
          size="small"
          :outlined="!floor"
          icon="pi pi-expand"
          :label="floor ? 'Leave floor mode' : 'Floor mode'"
          :aria-pressed="floor"
          @click="chosen = !chosen"
        />
        <RouterLink v-if="isBatch" :to="{ name: 'line' }">The day of the flock</RouterLink>
        <template v-if="!floor">
          <PaperButtons :lot="lot!.id" place="bench" />
        </template>
      </div>
      <p class="care room" role="note">
        <i class="pi pi-exclamation-triangle" aria-hidden="true" /> {{ card.cautions.join(' ') }}
      </p>
      <ReplanPane v-if="!floor" />
      <section v-if="floor && next" class="now" aria-label="Next step">
        <p class="huge">{{ next.title }}</p>
        <p class="big">
          {{ next.way }}<template v-if="next.side">, {{ next.side }}</template
          ><template v-if="next.station"> · at the {{ next.station }}</template>
        </p>
        <p class="big">{{ next.how }}</p>
        <p v-if="next.caution" class="care">
          <i class="pi pi-exclamation-triangle" aria-hidden="true" /> {{ next.caution }}
        </p>
        <p v-for="c in next.cuts" :key="c.name" class="big">
          <b>{{ c.name }}</b> {{ c.weight }}<template v-if="c.pieces > 0">, {{ c.pieces }} pieces</template>
        </p>
        <CheckSigns :key="`c${next.marks[0]!.target}${next.side}`" :step="next" />
        <StepClock
          v-if="timed"
          :key="`t${next.marks[0]!.target}`"
          :of="next.marks[0]!.target"
          :name="next.title"
          :standing="standingOf(next)"
          :usual="usual(next)"
        />
        <button type="button" class="tick" @click="tick(next)">
          <i class="pi pi-check" aria-hidden="true" /> Done
        </button>
        <button v-if="last" type="button" class="back" @click="tick(last)">
          <i class="pi pi-undo" aria-hidden="true" /> {{ last.title }} is not done yet
        </button>
        <HandSteps :key="next.title + next.side + next.way" :step="next" class="by-hand" />
        <FaultPane :key="`f${next.title}${next.side}`" :step="next" :rows="faults" class="by-hand" />
      </section>
      <div v-else-if="floor">
        <p class="huge">All steps are done.</p>
        <button v-if="last" type="button" class="back" @click="tick(last)">
          <i class="pi pi-undo" aria-hidden="true" /> {{ last.title }} is not done yet
        </button>
      </div>
      <ReplanPane v-if="floor" class="wide-buttons" />
      <ol class="steps">
        <li
          v-for="s in steps"
          :key="s.title + s.side + s.way"
          :class="{ done: done(s) }"
          :data-step="s.marks[0]!.target"
        >
          <button
            type="button"
            class="box"
            role="checkbox"
            :aria-checked="done(s)"
            :aria-label="`${s.title}, ${s.way} ${s.side}`"
            @click="tick(s)"
          >
            <i v-if="done(s)" class="pi pi-check" aria-hidden="true" />
          </button>
          <div>
            <b>{{ s.title }}</b> <span class="muted">{{ s.side }}</span><br />{{ s.way }}
            <span class="muted place"
              ><template v-if="s.station">{{ s.station }}</template><b v-else class="bad">nowhere today</b
              ><template v-if="s.minutes >= 0.04">, {{ sayMinutes(s.minutes) }}</template
              ><template v-if="learnt(s) > 0">, timed {{ learnt(s) }} ×</template></span
            >
          </div>
          <div class="how">
            {{ s.how }}
            <span v-if="s.caution" class="care"
              ><i class="pi pi-exclamation-triangle" aria-hidden="true" /> {{ s.caution }}</span
            >
            <HandSteps :step="s" />
            <CheckSigns :step="s" />
            <StepClock
              v-if="timed"
              :of="s.marks[0]!.target"
              :name="s.title"
              :standing="standingOf(s)"
              :usual="usual(s)"
            />
            <FaultPane :step="s" :rows="faults" />
          </div>
          <div class="cuts">
            <span v-for="c in s.cuts" :key="c.name">{{ c.name }} <b>{{ c.weight }}</b></span>
          </div>
        </li>
      </ol>
      <p class="total">All that is taken home: <b>{{ card.total }}</b></p>
      <CardClosing :work="work" />
    </template>
  </div>
</template>

<style scoped>
.head {
  border-bottom: 1.5px solid var(--ink);
  padding-bottom: 0.4rem;
  gap: 0.6rem;
}
h2 {
  font: 700 1.25rem var(--head);
  margin: 0;
}
.steps {
  list-style: none;
  margin: 0;
  padding: 0;
}
.steps li {
  display: grid;
  grid-template-columns: 3rem minmax(11rem, 1fr) 2fr minmax(11rem, 1fr);
  gap: 0.9rem;
  padding: 0.5rem 0;
  border-bottom: 1px solid var(--rule);
}
.box {
  width: 44px;
  height: 44px;
  border: 2px solid var(--ink);
  background: var(--sheet);
  cursor: pointer;
  font-size: 1.3rem;
  color: var(--covered, #2d5a3d);
}
.done > div {
  opacity: 0.55;
}
.care {
  color: var(--caution);
  font-weight: 600;
  display: block;
}
.cuts span {
  display: block;
}
.room {
  margin: 0;
  padding: 0.4rem 0;
}
.by {
  width: 6.5rem;
}
.place {
  display: block;
}
.now :deep(.checks button),
.now :deep(.clock button) {
  min-height: 64px;
  font-size: 1.3rem;
  padding: 0 1.1rem;
}
.total {
  font-size: 1.1rem;
  padding-top: 0.6rem;
}
.floor {
  background: #fff;
  color: #000;
}
.floor .box {
  width: 64px;
  height: 64px;
}
.wide-buttons :deep(.p-button),
.wide-buttons :deep(.p-select) {
  min-height: 56px;
  font-size: 1.1rem;
}
.by-hand {
  font-size: 1.2rem;
}
.by-hand :deep(summary) {
  min-height: 56px;
}
.floor .steps li {
  grid-template-columns: 4.5rem 1fr 1.4fr;
  font-size: 1.15rem;
  border-bottom: 2px solid #000;
}
.floor .how {
  display: none;
}
.now {
  border: 4px solid #000;
  padding: 1rem 1.4rem;
  margin: 1rem 0;
}
.huge {
  font: 700 clamp(40px, 7vw, 84px) / 1.05 var(--head);
  margin: 0 0 0.4rem;
}
.big {
  font-size: 1.7rem;
  margin: 0.2rem 0;
}
.now .care {
  font-size: 1.3rem;
}
.tick {
  min-height: 84px;
  width: 100%;
  margin-top: 0.8rem;
  font: 700 2.2rem var(--head);
  color: #fff;
  background: #1d4a2e;
  border: 0;
  cursor: pointer;
}
.back {
  min-height: 56px;
  width: 100%;
  margin-top: 0.6rem;
  font: 600 1.3rem var(--body);
  color: var(--ink);
  background: none;
  border: 2px solid var(--ink);
  cursor: pointer;
}
@media (max-width: 900px) {
  .steps li {
    grid-template-columns: 3rem 1fr;
  }
  .steps li > .how,
  .steps li > .cuts {
    grid-column: 2;
  }
}
</style>
