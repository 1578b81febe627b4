<script setup lang="ts">
import Popover from 'primevue/popover'
import { computed, nextTick, ref } from 'vue'
import type { Line } from '#core/anatomy'
import { linePlaces } from '#core/reading'
import { heldBy, moveLine } from '#core/plan'
import { HALVES, type Half } from '#core/records'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** The places a break line can lie at, in a farmer's words, with what each would give: a press on its tag opens them. */
const { central, body, sides, decide } = useReading()
const words = useWords()
const popover = ref<InstanceType<typeof Popover> | null>(null)
const asked = ref<{ line: Line; side: Half } | null>(null)
const on = computed<readonly Half[]>(() =>
  !asked.value ? [] : sides.value === 'both' ? HALVES : [asked.value.side],
)
const places = computed(() => (asked.value ? linePlaces(central.value, asked.value.line.id, on.value) : []))
const held = computed(() =>
  asked.value ? heldBy(body.value.anatomy, central.value.plan, asked.value.line.id) : null,
)
function open(event: Event, line: Line, side: Half) {
  asked.value = { line, side }
  const target = event.currentTarget as HTMLElement
  void nextTick(() => popover.value?.toggle(event, target))
}
function take(value: (typeof places.value)[number]['value']) {
  const { line } = asked.value!
  decide(
    ...(typeof value === 'string'
      ? moveLine(body.value.anatomy, central.value.plan, 'line', line.id, on.value, value)
      : moveLine(body.value.anatomy, central.value.plan, 'mm', line.id, on.value, value)),
  )
  popover.value?.hide()
}
defineExpose({ open })
const { priced } = useReading()
const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1)
</script>

<template>
  <Popover ref="popover" :aria-label="asked ? words.name(asked.line.names) : ''">
    <div v-if="asked" class="places" data-testid="places">
      <h3>{{ words.name(asked.line.names) }}</h3>
      <p v-if="held" class="muted">
        The {{ words.name(held.names).toLowerCase() }} is one piece over both sides: it moves on both.
      </p>
      <button
        v-for="p in places"
        :key="String(p.value)"
        type="button"
        :aria-pressed="p.inForce"
        :class="{ taken: p.inForce }"
        :data-place="String(p.value)"
        @click="take(p.value)"
      >
        <b>{{ capital(p.says) }}</b>
        <span v-if="p.inForce" class="muted">as it lies now</span>
        <span v-else
          >{{ words.massChange(p.kg) }} to take home<template v-if="priced"
            >, {{ words.moneyChange(p.money) }}</template
          ><template v-if="p.parts.length > 0"
            ><br /><small class="muted">{{
              p.parts.map((x) => `${words.name(x.names).toLowerCase()} ${words.massChange(x.by)}`).join(', ')
            }}</small></template
          ></span
        >
      </button>
    </div>
  </Popover>
</template>

<style scoped>
.places {
  display: grid;
  gap: 0.4rem;
  width: min(24rem, 84vw);
  max-height: 70vh;
  overflow-y: auto;
}
button {
  display: grid;
  gap: 0.1rem;
  text-align: left;
  font: inherit;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  padding: 0.45rem 0.6rem;
  min-height: 48px;
  cursor: pointer;
}
.taken {
  border: 2px solid var(--accent);
  background: #f3e9d8;
}
</style>
