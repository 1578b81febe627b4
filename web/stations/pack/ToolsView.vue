<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed, reactive, ref, watch } from 'vue'
import { FORMATS, type LineFormat } from '#core/instruments'
import { parseMass, toKg, parseWhole } from '#core/measure'
import { sayIssue } from '#contracts/said'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { wrongIn } from '../../state/form.ts'
import { useIssues } from '../../state/issues.ts'
import { useFarm } from '../../state/farm.ts'
import { labelsAtOnce, useInstruments } from '../../state/instruments.ts'
import { useWords } from '../../state/words.ts'
import PackTabs from './PackTabs.vue'
import ScaleFace from './ScaleFace.vue'

/** The instruments of the bench: which there are, and a simulated one of each to try. */
const farm = useFarm()
const words = useWords()
const tools = useInstruments()
const { state } = tools
const labelled = labelsAtOnce()
const { issues, at } = useIssues()
const KINDS = [
  { v: 'none', w: 'none' },
  { v: 'stand-in', w: 'simulated, to try' },
  { v: 'line', w: 'one that writes lines to a socket' },
] as const
const kind = ref<'none' | 'stand-in' | 'line'>('none')
const line = reactive({ host: '127.0.0.1', port: '4001', ...(FORMATS['value first'] as LineFormat) })
watch(
  () => state.value?.scale,
  (scale) => {
    if (!scale) return
    kind.value = scale.kind
    if (scale.kind === 'line')
      Object.assign(line, { host: scale.host, port: String(scale.port), ...scale.format })
  },
  { immediate: true },
)
const PORTS = { low: 1, high: 65_535 }
const load = ref('')
const paper = ref('500')
const told = async (how: () => Promise<FieldIssue[]>) => (issues.value = await how())
function takeScale() {
  if (kind.value !== 'line') return told(() => tools.takeScale({ kind: kind.value as 'none' }))
  const { host, port, ...format } = line
  const read = parseWhole(port, 'port', PORTS)
  if (!read.ok) return void (issues.value = wrongIn(words.says.value, read))
  return told(() =>
    tools.takeScale({ kind: 'line', host: host.trim(), port: read.value, format: { ...format } }),
  )
}
function put() {
  const read = parseMass(load.value, words.unit.value, 'kg')
  if (!load.value.trim()) return told(() => tools.load(0))
  if (!read.ok)
    return void (issues.value = read.issues.map((i) => fieldIssue('kg', sayIssue(i, words.says.value))))
  return told(() => tools.load(toKg(read.value.value, read.value.unit)))
}
const printer = computed(() => state.value?.printer)
function putIn() {
  const labels = parseWhole(paper.value, 'labels', { low: 0, high: 100_000 })
  if (!labels.ok) return void (issues.value = wrongIn(words.says.value, labels))
  return told(() => tools.takePrinter({ kind: 'stand-in', labels: labels.value }))
}
</script>

<template>
  <PackTabs />
  <div class="tools">
    <section class="stack">
      <div class="pane-head"><h2>Scale</h2></div>
      <ScaleFace />
      <p v-if="!tools.hasScale.value" class="muted">
        None: weights are typed. A scale that writes lines over a socket, or over a serial port behind one,
        only needs its line said here.
      </p>
      <form v-if="!farm.isFloor" class="stack" novalidate @submit.prevent="takeScale">
        <PickField id="scale-kind" v-model="kind" label="Which one" :options="KINDS" />
        <template v-if="kind === 'line'">
          <div class="pair">
            <TextField
              id="scale-host"
              v-model="line.host"
              label="Name or number on the network"
              :issues="at('host')"
            />
            <TextField
              id="scale-port"
              v-model="line.port"
              label="Port"
              inputmode="numeric"
              :issues="at('port')"
            />
          </div>
          <TextField
            id="scale-line"
            v-model="line.line"
            label="A line, with {value}, {unit} and {state} where they stand"
            :issues="at('format.line')"
          />
          <div class="four">
            <TextField id="scale-still" v-model="line.still" label="Still" />
            <TextField id="scale-moving" v-model="line.moving" label="Moving" />
            <TextField id="scale-over" v-model="line.over" label="Too much" />
            <PickField id="scale-unit" v-model="line.unit" label="Unit" :options="['kg', 'lb']" />
          </div>
        </template>
        <FieldIssues
          :issues="issues.filter((i) => !['host', 'port', 'format.line', 'kg', 'labels'].includes(i.field))"
        />
        <div class="row"><Button type="submit" label="Use this scale" /></div>
      </form>
      <form v-if="state?.scale.kind === 'stand-in'" class="row" novalidate @submit.prevent="put">
        <div class="field">
          <label for="scale-load">Put on the simulated scale</label>
          <InputText id="scale-load" v-model="load" placeholder="nothing" autocomplete="off" />
          <FieldIssues :issues="at('kg')" />
        </div>
        <Button type="submit" outlined label="Put it on" />
      </form>
    </section>
    <section class="stack">
      <div class="pane-head"><h2>Label printer</h2></div>
      <p v-if="printer?.kind === 'stand-in'">
        Simulated: <b>{{ printer.labels }}</b> labels on its roll, {{ printer.printed }} printed since it was
        switched on.
        <a v-if="printer.printed > 0" href="/api/instruments/printer/last" target="_blank"
          >What came out last</a
        >
      </p>
      <p v-else class="muted">None: labels are handed over as a PDF file.</p>
      <div v-if="!farm.isFloor" class="row">
        <Button
          v-if="printer?.kind !== 'stand-in'"
          outlined
          label="Use the simulated printer"
          @click="told(() => tools.takePrinter({ kind: 'stand-in' }))"
        />
        <template v-else>
          <TextField
            id="printer-roll"
            v-model="paper"
            label="Labels on the roll put in"
            inputmode="numeric"
            :issues="at('labels')"
          />
          <Button outlined label="A new roll" @click="putIn" />
          <Button
            text
            severity="secondary"
            label="Switch it off"
            @click="told(() => tools.takePrinter({ kind: 'none' }))"
          />
        </template>
      </div>
      <label class="row" for="label-at-once">
        <ToggleSwitch v-model="labelled" input-id="label-at-once" /> Print a label as soon as a pack is
        weighed here
      </label>
      <div class="pane-head"><h2>Temperature probe</h2></div>
      <p v-if="state?.probe.kind === 'stand-in'">
        Simulated: it cools as a carcass of its weight does. It is read at Hang.
      </p>
      <p v-else class="muted">None: temperatures are typed at Hang.</p>
      <div v-if="!farm.isFloor" class="row">
        <Button
          outlined
          :label="state?.probe.kind === 'stand-in' ? 'Switch it off' : 'Use the simulated probe'"
          @click="
            told(() => tools.takeProbe({ kind: state?.probe.kind === 'stand-in' ? 'none' : 'stand-in' }))
          "
        />
      </div>
    </section>
  </div>
</template>

<style scoped>
.tools {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 1.75rem;
  align-items: start;
}
.pair {
  display: grid;
  grid-template-columns: 2fr 1fr;
  gap: 0.6rem;
}
.four {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 0.6rem;
}
.tools :deep(input),
.tools :deep(.p-select) {
  width: 100%;
  min-width: 0;
}
.tools .row {
  align-items: end;
}
label.row {
  align-items: center;
}
@media (max-width: 900px) {
  .tools {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
