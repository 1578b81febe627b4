<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { v7 as uuid } from 'uuid'
import { computed, reactive, ref, shallowRef } from 'vue'
import {
  likelyColumns,
  LIST_COLUMNS,
  MOST_ROWS,
  packsOfList,
  readList,
  type ColumnsAs,
  type RawList,
} from '#core/reading'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** Packs that a processor weighed and labelled: its list read, column by column, row by row, and taken only as a person sees it. */
const { body, pack } = useReading()
const words = useWords()
const raw = shallowRef<RawList | null>(null)
const columns = reactive<ColumnsAs>({})
const as = reactive<Record<string, string>>({})
const issues = ref<FieldIssue[]>([])
const said = ref('')
const busy = ref(false)
const COLUMN_WORDS = {
  cut: 'Cut',
  weight: 'Weight of them all',
  packs: 'Packs',
  label: 'Their label',
} as const
async function open(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  said.value = ''
  issues.value = []
  if (!file) return
  const read = readList(await file.text())
  if (read.headings.length < 2 || read.rows.length === 0) {
    raw.value = null
    issues.value = [
      fieldIssue(
        '',
        `“${file.name}” is no table with a heading: save it as CSV, the names of its columns in the first row.`,
      ),
    ]
    return
  }
  if (read.rows.length > MOST_ROWS) {
    raw.value = null
    issues.value = [
      fieldIssue(
        '',
        `“${file.name}” has more than ${MOST_ROWS} rows, and no animal has so many packs. Look which file it is.`,
      ),
    ]
    return
  }
  raw.value = read
  for (const c of LIST_COLUMNS) delete columns[c]
  Object.assign(columns, likelyColumns(read))
}
const rows = computed(() =>
  raw.value ? packsOfList(raw.value, columns, body.value.anatomy, words.unit.value, as) : [],
)
const good = computed(() => rows.value.filter((r) => r.why === null))
const cuts = computed(() =>
  body.value.anatomy.cuts.filter((c) => c.kind !== 'loss').map((c) => ({ v: c.id, w: words.name(c.names) })),
)
async function take() {
  busy.value = true
  issues.value = []
  let taken = 0
  for (const r of good.value) {
    const found = await pack({
      ...{ id: uuid(), cut: r.cut!, shown: r.shown!, packs: r.packs, corrects: null, stands: true },
      ...(r.label && { said: r.label.slice(0, 60) }),
      confirmed: true,
    })
    if (found.length > 0) {
      issues.value = found.map((i) => ({ ...i, detail: `Row ${r.row}, ${r.said}: ${i.detail}` }))
      break
    }
    taken++
  }
  busy.value = false
  said.value = `${taken} of ${rows.value.length} rows are packs now.`
  if (taken === good.value.length) raw.value = null
}
</script>

<template>
  <div class="stack">
    <div class="field">
      <label for="list-file">Its file, CSV</label>
      <input id="list-file" type="file" accept=".csv,text/csv" @change="open" />
    </div>
    <template v-if="raw">
      <div class="columns">
        <div v-for="c in LIST_COLUMNS" :key="c" class="field">
          <label :for="`list-${c}`">{{ COLUMN_WORDS[c] }}</label>
          <Select
            v-model="columns[c]"
            :input-id="`list-${c}`"
            show-clear
            placeholder="no column"
            :options="raw.headings"
          />
        </div>
      </div>
      <div class="scroll">
        <table class="plain" data-testid="listed">
          <thead>
            <tr>
              <th>Row</th>
              <th>They call it</th>
              <th>Which cut it is</th>
              <th class="right">Weight</th>
              <th class="right">Packs</th>
              <th>Can be taken</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in rows" :key="r.row">
              <td>{{ r.row }}</td>
              <td>{{ r.said }}</td>
              <td>
                <Select
                  :model-value="r.cut"
                  filter
                  size="small"
                  placeholder="choose"
                  :options="cuts"
                  option-label="w"
                  option-value="v"
                  :aria-label="`Which cut ${r.said} is`"
                  @update:model-value="as[r.said] = $event"
                />
              </td>
              <td class="right nowrap">{{ r.shown ? `${r.shown.value} ${r.shown.unit}` : '' }}</td>
              <td class="right">{{ r.packs }}</td>
              <td :class="{ bad: r.why }">{{ r.why ?? 'yes' }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="row">
        <Button
          :label="`Take ${good.length} of ${rows.length} rows`"
          :disabled="good.length === 0 || busy"
          @click="take"
        />
      </div>
    </template>
    <FieldIssues :issues="issues" />
    <span class="good" role="status">{{ said }}</span>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 0.6rem;
}
.columns :deep(.p-select) {
  width: 100%;
  min-width: 0;
}
@media (max-width: 560px) {
  .columns {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
