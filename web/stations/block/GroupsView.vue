<script setup lang="ts">
import Button from 'primevue/button'
import InputNumber from 'primevue/inputnumber'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { v7 as uuid } from 'uuid'
import { computed, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { HALVES, leavesOf, livingOf, type Group } from '#core/records'
import { groupTable, weighedTwice } from '#core/reading'
import FieldIssues from '../../pieces/FieldIssues.vue'
import WeightCell from '../../pieces/WeightCell.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useIssues } from '../../state/issues.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import BlockTabs from './BlockTabs.vue'
import { hasNoSides, sayAnimals } from './groups.ts'

/** What a lot that is cut in several ways comes to, group by group; where it is split, and groups are put together again. */
const { lot, state, read, body, group, split, join } = useReading()
const words = useWords()
const router = useRouter()
const leaves = computed(() => leavesOf(livingOf(lot.value!.groups, lot.value!.facts)))
const table = computed(() => groupTable(read.value, words.unit.value))
const differing = computed(() => weighedTwice(read.value, state.value!))
const animalWord = computed(() => words.name(body.value.anatomy.names).toLowerCase())

const from = ref<string | null>(null)
const source = computed<Group>(() => leaves.value.find((g) => g.id === from.value) ?? leaves.value[0]!)
const fresh = reactive({ animals: 1 as number | null, name: '', rest: '' })
const { issues, at } = useIssues()
const nameOf = (g: Group) => (g.parent === null ? 'All' : g.name)
watch(
  source,
  (g) => {
    fresh.animals = Math.max(1, Math.floor(g.animals / 3))
    fresh.rest = g.parent === null ? 'The rest' : g.name
    fresh.name = ''
  },
  { immediate: true },
)

/** What is wrong with a name beside those of the groups that stay. */
function nameIssue(field: string, name: string, others: readonly string[]): FieldIssue[] {
  if (name.trim() === '')
    return [fieldIssue(field, 'What is this group called? A word that tells it from the others.')]
  const isTaken = others.some((o) => o.trim().toLowerCase() === name.trim().toLowerCase())
  return isTaken ? [fieldIssue(field, `Another group is called “${name.trim()}”. Choose another word.`)] : []
}
const othersThan = (...gone: string[]) => leaves.value.filter((g) => !gone.includes(g.id)).map((g) => g.name)

async function take() {
  const { id, animals: all } = source.value
  const n = fresh.animals ?? 0
  const others = othersThan(id)
  issues.value = [
    ...(n >= 1 && n < all
      ? []
      : [fieldIssue('animals', `${n} cannot be split off ${all}. Type a number from 1 to ${all - 1}.`)]),
    ...nameIssue('name', fresh.name, [...others, fresh.rest]),
    ...nameIssue('rest', fresh.rest, others),
  ]
  if (issues.value.length > 0) return
  await made(id, false, [
    { animals: n, name: fresh.name },
    { animals: all - n, name: fresh.rest },
  ])
}
async function halve() {
  const { id, animals } = source.value
  const named = source.value.parent === null ? null : source.value.name
  await made(
    id,
    true,
    HALVES.map((side) => ({
      animals,
      name: named === null ? `${side === 'left' ? 'Left' : 'Right'} side` : `${named}, ${side} side`,
    })),
  )
}
async function made(id: string, half: boolean, into: { animals: number; name: string }[]) {
  issues.value = await split({ group: id, half, into: into.map((g) => ({ id: uuid(), ...g })) })
  if (issues.value.length === 0) from.value = null
}

const joining = reactive({ as: null as string | null, with: null as string | null })
const joinable = computed(() => leaves.value.filter((g) => g.id !== joining.as))
async function put() {
  const as = leaves.value.find((g) => g.id === joining.as)
  issues.value = [
    ...(as ? [] : [fieldIssue('as', 'Which group do they become? Its plan is kept.')]),
    ...(joining.with ? [] : [fieldIssue('with', 'Which group goes into it?')]),
  ]
  if (!as || !joining.with) return
  issues.value = await join({ id: uuid(), name: as.name, as: as.id, with: [joining.with] })
  if (issues.value.length === 0) Object.assign(joining, { as: null, with: null })
}
function open(id: string) {
  group.value = id
  void router.push({ name: 'block' })
}
const minutes = (n: number) => `${Math.round(n)} min`
</script>

<template>
  <BlockTabs />
  <div class="stack">
    <div class="pane-head"><h2>Groups that are cut apart</h2></div>
    <div v-if="table.groups.length > 0" class="scroll">
      <table class="plain" data-testid="groups">
        <thead>
          <tr>
            <th>Group</th>
            <th class="right">Animals</th>
            <th class="right">Hanging</th>
            <th class="right">Products</th>
            <th class="right">Packed so far</th>
            <th class="right">Bench</th>
            <th><span class="visually-hidden">Its plan</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(g, i) in table.groups" :key="g.id">
            <th scope="row">{{ g.name }}</th>
            <td class="right">{{ sayAnimals(leaves[i]!) }}</td>
            <td class="right"><WeightCell :figure="g.hanging" /></td>
            <td class="right"><WeightCell :figure="g.products" /></td>
            <td class="right">{{ words.mass(g.packed) }}</td>
            <td class="right">{{ minutes(g.minutes) }}</td>
            <td>
              <Button
                text
                size="small"
                label="Its plan"
                :aria-label="`Its plan: ${g.name}`"
                @click="open(g.id)"
              />
            </td>
          </tr>
          <tr v-if="table.packedApart > 0">
            <th scope="row">Packed of the whole lot</th>
            <td colspan="3" class="muted">before it was split, or of several groups at once</td>
            <td class="right">{{ words.mass(table.packedApart) }}</td>
            <td colspan="2" />
          </tr>
        </tbody>
        <tfoot>
          <tr>
            <th scope="row">All</th>
            <td class="right">{{ read.count }}</td>
            <td class="right"><WeightCell :figure="table.all.hanging" /></td>
            <td class="right"><WeightCell :figure="table.all.products" /></td>
            <td class="right">{{ words.mass(table.all.packed) }}</td>
            <td class="right">{{ minutes(table.all.minutes) }}</td>
            <td />
          </tr>
        </tfoot>
      </table>
    </div>
    <p v-else class="muted">
      All {{ lot!.count === 1 ? 'of it is' : `${read.count} are` }} cut alike. Split them, and each group has
      its own ways, card, weights and packs; prices and costs stay those of the lot.
    </p>
    <p v-for="d in differing" :key="d.stage" class="caution" role="note">
      <i class="pi pi-exclamation-triangle" aria-hidden="true" />
      <span
        >The groups weigh {{ words.mass(d.groups) }} together, the lot was weighed {{ words.mass(d.lot) }}.
        The groups count; check the two scales.</span
      >
    </p>
    <div class="forms">
      <form class="stack" novalidate aria-label="Split a group" @submit.prevent="take">
        <h3>Split</h3>
        <div v-if="leaves.length > 1" class="field">
          <label id="split-from-label" for="split-from">Which group</label>
          <Select
            v-model="from"
            input-id="split-from"
            aria-labelledby="split-from-label"
            size="small"
            :options="leaves"
            :option-label="nameOf"
            option-value="id"
            :placeholder="nameOf(source)"
          />
        </div>
        <template v-if="source.animals > 1">
          <div class="row">
            <div class="field">
              <label for="split-animals">How many of the {{ source.animals }}</label>
              <InputNumber
                v-model="fresh.animals"
                input-id="split-animals"
                size="small"
                :use-grouping="false"
                :invalid="at('animals').length > 0"
              />
            </div>
            <div class="field">
              <label for="split-name">Called</label>
              <InputText
                id="split-name"
                v-model="fresh.name"
                size="small"
                maxlength="40"
                autocomplete="off"
                :invalid="at('name').length > 0"
              />
            </div>
            <div class="field">
              <label for="split-rest"
                >The other {{ Math.max(0, source.animals - (fresh.animals ?? 0)) }}, called</label
              >
              <InputText
                id="split-rest"
                v-model="fresh.rest"
                size="small"
                maxlength="40"
                autocomplete="off"
                :invalid="at('rest').length > 0"
              />
            </div>
          </div>
          <FieldIssues
            :issues="[...at('animals'), ...at('name'), ...at('rest'), ...at('into'), ...at('group')]"
          />
          <div><Button type="submit" size="small" outlined icon="pi pi-share-alt" label="Split" /></div>
        </template>
        <div v-if="hasNoSides(body.anatomy) && !source.half">
          <Button
            size="small"
            outlined
            :label="`The two sides of ${source.animals === 1 ? `the ${animalWord}` : 'each'} apart`"
            @click="halve"
          />
          <small class="muted">
            One breast filleted, the other with its wing bone: each side has its own plan.</small
          >
        </div>
      </form>
      <form
        v-if="leaves.length > 1"
        class="stack"
        novalidate
        aria-label="Put groups together"
        @submit.prevent="put"
      >
        <h3>Put together again</h3>
        <div class="row">
          <div class="field">
            <label id="join-with-label" for="join-with">Put</label>
            <Select
              v-model="joining.with"
              input-id="join-with"
              aria-labelledby="join-with-label"
              size="small"
              :options="joinable"
              option-label="name"
              option-value="id"
              placeholder="a group"
            />
            <FieldIssues :issues="at('with')" />
          </div>
          <div class="field">
            <label id="join-as-label" for="join-as">with, and cut all as</label>
            <Select
              v-model="joining.as"
              input-id="join-as"
              aria-labelledby="join-as-label"
              size="small"
              :options="leaves"
              option-label="name"
              option-value="id"
              placeholder="a group"
            />
            <FieldIssues :issues="at('as')" />
          </div>
        </div>
        <div><Button type="submit" size="small" outlined label="Put together" /></div>
        <small class="muted"
          >What was weighed and packed of each stays on record of it. Steps ticked off are asked again.</small
        >
      </form>
    </div>
  </div>
</template>

<style scoped>
.forms {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
  gap: 2rem;
  align-items: start;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  align-items: start;
}
tfoot th,
tfoot td {
  font-weight: 700;
  border-top: 2px solid var(--ink);
}
th[scope='row'] {
  text-align: left;
}
.field {
  max-width: 18rem;
}
@media (max-width: 900px) {
  .forms {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
