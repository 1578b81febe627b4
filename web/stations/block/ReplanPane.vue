<script setup lang="ts">
import { TOOL_WORDS } from '#core/records'
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { afterBench } from '#core/ledger'
import { condemnable, uncutParts, type Trouble } from '#core/reading'
import { replanned, worked } from '../../state/figures.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** Something went wrong at the bench: what is left, what it costs, and taking it. Steps already done stay as they are. */
const { body, read, decide, by, flow, state, farmFigures, priced } = useReading()
const words = useWords()
const trouble = ref<Trouble | null>(null)
const troubles = computed<{ word: string; trouble: Trouble }[]>(() => [
  ...(['saw', 'grinder', 'cure'] as const)
    .filter((tool) => !read.value.plan.without.has(tool))
    .map((tool) => ({ word: `The ${TOOL_WORDS[tool]} is down`, trouble: { kind: 'tool' as const, tool } })),
  ...condemnable(read.value).map((part) => ({
    word: `${nameOf('parts', part).split(':')[0]} condemned`,
    trouble: { kind: 'condemned' as const, part },
  })),
  { word: 'A helper is gone', trouble: { kind: 'hands' as const } },
])
const cuttable = computed(() => uncutParts(read.value).map((v) => ({ v, w: nameOf('parts', v) })))
const { found, state: work } = worked(
  () =>
    trouble.value && {
      trouble: trouble.value,
      ...{ hash: by.value!, flow: flow.value!, state: state.value!, farm: farmFigures.value },
    },
  (thread, { trouble, ...asked }) => replanned(thread, asked, { ...trouble }),
)
const nameOf = (list: 'parts' | 'paths', id: string) =>
  words.name(body.value.anatomy[list].find((x) => x.id === id)!.names)
function take() {
  if (found.value) decide(...found.value.decisions)
  trouble.value = null
}
const down = computed(() => [...read.value.plan.without])
</script>

<template>
  <section class="replan" aria-label="Plan again from here">
    <h3>Something went wrong? Plan again from here</h3>
    <div class="row">
      <Button
        v-for="t in troubles"
        :key="t.word"
        size="small"
        outlined
        :label="t.word"
        :aria-pressed="JSON.stringify(trouble) === JSON.stringify(t.trouble)"
        @click="trouble = t.trouble"
      />
      <Select
        :model-value="trouble?.kind === 'miscut' ? trouble.part : null"
        :options="cuttable"
        option-label="w"
        option-value="v"
        placeholder="A part is miscut…"
        size="small"
        aria-label="Part that is miscut"
        @update:model-value="trouble = { kind: 'miscut', part: $event }"
      />
      <Button
        v-for="tool in down"
        :key="tool"
        size="small"
        :label="`The ${tool === 'none' ? '' : TOOL_WORDS[tool]} runs again`"
        @click="decide({ field: 'without', target: tool, side: 'animal', value: null })"
      />
    </div>
    <p v-if="work === 'working'" class="muted" role="status">Planning again…</p>
    <p v-else-if="work === 'failed'" class="field-issue" role="alert">
      This could not be worked out. Press it again; if it stays, reload the page.
    </p>
    <div v-if="found" class="found" data-testid="replan">
      <p v-if="found.changes.length === 0">
        Nothing that is left to cut is planned that way{{
          found.stuck.length > 0 ? ', or nothing else can be done' : ''
        }}.
      </p>
      <template v-else>
        <p>
          Best of what is left, steps already done as they are:
          <b>{{ words.massChange(found.difference.takeHome) }}</b> to take home,
          <template v-if="priced"
            ><b>{{ words.moneyChange(afterBench(found.difference)) }}</b> after fees,
          </template>
          <b>{{ words.change(Math.round(found.difference.minutes), 'min') }}</b> at the bench.
        </p>
        <ul>
          <li v-for="c in found.changes" :key="c.part + c.sides.join()">
            <b>{{ nameOf('parts', c.part) }}</b
            ><template v-if="c.sides.length === 1 && c.sides[0] !== 'animal'">, {{ c.sides[0] }}</template>:
            {{ nameOf('paths', c.to) }} <span class="muted">instead of {{ nameOf('paths', c.from) }}</span>
          </li>
        </ul>
        <p v-if="found.stuck.length > 0" class="care">
          Nothing is left for {{ found.stuck.map((p) => nameOf('parts', p)).join(', ') }}.
        </p>
      </template>
      <div class="row">
        <Button v-if="found.decisions.length > 0" size="small" label="Take this" @click="take" />
        <Button size="small" text severity="secondary" label="Leave the plan" @click="trouble = null" />
      </div>
    </div>
  </section>
</template>

<style scoped>
.replan {
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
  padding: 0.6rem 0.8rem;
  margin: 0.6rem 0;
}
h3 {
  font: 700 1rem var(--head);
  margin: 0 0 0.4rem;
}
.found {
  padding-top: 0.5rem;
}
.found ul {
  margin: 0.3rem 0;
  padding-left: 1.2rem;
}
.care {
  color: var(--caution);
  font-weight: 600;
}
</style>
