<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive } from 'vue'
import { billedBy, feesFor, inForceOn } from '#core/ledger'
import type { FeeSheet, StoredSheet } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue } from '../../state/api.ts'
import { useIssues } from '../../state/issues.ts'
import { useReading } from '../../state/lot.ts'
import { useSheets } from '../../state/sheets.ts'
import { useWords } from '../../state/words.ts'

/** Fee sheets of processors, each billed on this very plan, so that two can be compared; one is taken over as it is. */
const { read, body, note, withdraw, factOf } = useReading()
const words = useWords()
const { sheets, state, keep, putAway } = useSheets('ekko-fees')
const today = new Date().toISOString().slice(0, 10)
const day = computed(() => read.value.plan.killed ?? today)
const inForce = computed(() => inForceOn(sheets.value, day.value))
const rows = computed(() =>
  sheets.value
    .map((s) => ({
      sheet: s,
      holds: inForce.value.includes(s),
      ...billedBy(body.value.anatomy, s.body, read.value.billed, read.value.plan.fees),
    }))
    .toSorted((a, b) => Number(b.holds) - Number(a.holds) || a.amount - b.amount),
)
function take({ body: sheet }: StoredSheet<FeeSheet>) {
  const theirs = feesFor(body.value.anatomy, sheet)
  withdraw(...factOf((f) => f.kind === 'fee' && !theirs.some((t) => t.fee === f.fee)))
  note(...theirs)
}
const fresh = reactive({ name: read.value.plan.plant ?? '', from: today })
const { issues, at } = useIssues()
async function save() {
  const fees = Object.values(read.value.plan.fees).map(({ kind: _, ...fee }) => fee)
  const name = fresh.name.trim()
  issues.value = [
    ...(name ? [] : [fieldIssue('name', 'Whose fees are these? Type the processor’s name.')]),
    ...(fresh.from ? [] : [fieldIssue('from', 'From which day do they hold?')]),
    ...(fees.length > 0
      ? []
      : [fieldIssue('fees', 'There is no fee to keep. Write one down on the left first.')]),
    ...(sheets.value.some((s) => s.body.name === name && s.body.from === fresh.from)
      ? [
          fieldIssue(
            'from',
            `There is a sheet of ${name} from that day already. Put it away first, or choose another day.`,
          ),
        ]
      : []),
  ]
  if (issues.value.length > 0) return
  issues.value = await keep({
    format: 'ekko-fees',
    version: 1,
    name,
    from: fresh.from,
    fees,
  } satisfies FeeSheet)
}
</script>

<template>
  <div class="stack">
    <div class="pane-head">
      <h2>Fee sheets</h2>
      <span class="muted">billed on this plan, killed {{ day }}</span>
    </div>
    <p v-if="state === 'loading'" class="muted" role="status">Looking for fee sheets…</p>
    <p v-else-if="state === 'failed'" class="field-issue" role="alert">
      The fee sheets could not be read. Load the page again; nothing was changed.
    </p>
    <p v-else-if="rows.length === 0" class="muted">
      None is kept yet. Keep the fees of this lot under their processor’s name, and every lot can take them
      over.
    </p>
    <table v-else class="plain" data-testid="sheets">
      <tbody>
        <tr v-for="r in rows" :key="r.sheet.id" :class="{ out: !r.holds }">
          <td>
            <b>{{ r.sheet.body.name }}</b><br /><small class="muted"
              >from {{ r.sheet.body.from
              }}{{ r.holds ? '' : r.sheet.body.from > day ? ', not yet' : ', before' }}</small
            >
          </td>
          <td class="right nowrap">
            {{ words.money(r.amount) }}<br /><small :class="r.difference < 0 ? 'up' : 'muted'">{{
              words.moneyChange(r.difference)
            }}</small>
          </td>
          <td class="right nowrap">
            <Button
              text
              size="small"
              label="Take it over"
              :aria-label="`Take the fees of ${r.sheet.body.name} from ${r.sheet.body.from} over`"
              @click="take(r.sheet)"
            />
            <Button
              text
              size="small"
              icon="pi pi-times"
              severity="secondary"
              :aria-label="`Put the sheet of ${r.sheet.body.name} from ${r.sheet.body.from} away`"
              @click="putAway(r.sheet)"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <form class="fields" novalidate aria-label="Keep a fee sheet" @submit.prevent="save">
      <div class="field wide">
        <label for="sheet-name">Keep these fees as those of</label>
        <InputText id="sheet-name" v-model="fresh.name" size="small" maxlength="80" autocomplete="off" />
        <FieldIssues :issues="[...at('name'), ...at('fees')]" />
      </div>
      <div class="field">
        <label for="sheet-from">from</label>
        <InputText id="sheet-from" v-model="fresh.from" type="date" size="small" />
        <FieldIssues :issues="at('from')" />
      </div>
      <Button type="submit" size="small" outlined label="Keep the sheet" />
    </form>
    <small class="muted">A lot keeps the fees it took over: a new sheet changes no lot by itself.</small>
  </div>
</template>

<style scoped>
.out {
  color: var(--muted);
}
.up {
  color: var(--covered);
}
</style>
