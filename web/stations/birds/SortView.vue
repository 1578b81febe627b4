<script setup lang="ts">
import { PLAIN, gramsOf, kg, kgOf, parseMasses } from '#core/measure'
import { sayIssue } from '#contracts/said'
import { birdDaySchema, typed as reads } from '#core/records'
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import { computed, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { v7 as uuid } from 'uuid'
import {
  curveOf,
  decideFor,
  extremes,
  heapsOf,
  HOUSEHOLDS,
  packsFor,
  sizeClasses,
  spreadOfAll,
  type Spreading,
} from '#core/batch'
import { lookup } from '#core/anatomy'
import { refusalOf, takePath, type Plan } from '#core/plan'
import { conventionsOf } from '#core/plan'
import { endOf, fleshOf, sayHeat } from '#core/rules'
import FigureInput from '../../pieces/FigureInput.vue'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { fieldIssue } from '../../state/api.ts'
import { useIssues } from '../../state/issues.ts'
import { useFarm } from '../../state/farm.ts'
import { useReading } from '../../state/lot.ts'
import { useLots } from '../../state/lots.ts'
import { aboutOf } from '../../state/species.ts'
import { useWords } from '../../state/words.ts'
import HangTabs from '../hang/HangTabs.vue'
import { packsWord } from './words.ts'
import PoolPane from './PoolPane.vue'
import SizePicture from './SizePicture.vue'

/** The spread into size classes: how many of each, which go whole and which are cut and how; packs for households; what is pooled over all birds. */
const { read, central, body, lot, state, decide, note, groups } = useReading()
const farm = useFarm()
const lots = useLots()
const words = useWords()
const router = useRouter()
const many = computed(() => aboutOf(body.value.anatomy.species)?.many ?? '')
/** What is known of their spread: those weighed dressed, or alive and dressed at the lot’s own rate, or the type’s. */
const known = computed(() => {
  const { plan, weights, count } = central.value
  if (!weights) return null
  const mean = weights.hot / count
  const newest = plan.samples.toSorted((a, b) => (a.day < b.day ? 1 : -1))
  const own = newest.find((s) => s.of === 'dressed') ?? newest.find((s) => s.of === 'live')
  const curve = curveOf(body.value.anatomy.species, plan.type, plan.start?.sexed)
  const hot = read.value.stages.find((s) => s.id === 'hot')
  const off = hot?.range ? (Math.log(hot.range.high) - Math.log(hot.range.low)) / (2 * 1.2816) : 0
  const spread: Spreading = {
    count: Math.round(count),
    mean,
    ...heapsOf(curve, own),
    off,
  }
  return {
    spread,
    says: own
      ? `as ${own.shown.length} weighed ${own.of === 'live' ? 'alive' : 'dressed'} on ${own.day} lie apart`
      : 'as birds of the type usually lie apart: weigh some one by one, and it is theirs',
  }
})
const bounds = computed(() => {
  const said = central.value.plan.classes
  if (said) return said.map((s) => kgOf(gramsOf(s))).toSorted((a, b) => a - b)
  const { mean } = known.value!.spread
  const apart = spreadOfAll(known.value!.spread)
  return [kg(mean * Math.exp(-0.6 * apart)), kg(mean * Math.exp(0.6 * apart))]
})
const classes = computed(() => sizeClasses(known.value!.spread, bounds.value))
const ends = computed(() => extremes(known.value!.spread))
const typed = ref('')
watch(bounds, (now) => (typed.value = now.map((b) => words.massFigure(b)).join('; ')), {
  immediate: known.value !== null,
})
const { issues, at } = useIssues()
function keep() {
  const out = parseMasses(typed.value, words.unit.value, 'bounds')
  issues.value = out.ok ? [] : out.issues.map((i) => fieldIssue('bounds', sayIssue(i, words.says.value)))
  if (!out.ok) return
  if (out.value.length > 5)
    return void (issues.value = [
      fieldIssue('bounds', 'More than six classes nobody sorts. Type five weights at the most.'),
    ])
  decide({ field: 'classes', target: 'lot', side: 'animal', value: out.value })
}
const NAMES = [['All'], ['Small', 'Large'], ['Small', 'Middle', 'Large']]
const nameOf = (i: number) => NAMES[classes.value.length - 1]?.[i] ?? `Class ${i + 1}`
/** Ways of the whole animal that can be taken. */
const heat = computed(() => sayHeat(endOf(fleshOf(body.value.anatomy.species, read.value.plan), 'whole')!))
const part = computed(() => body.value.anatomy.parts[0]!)
const ways = computed(() =>
  lookup(body.value.anatomy)
    .pathsOf(part.value.id)
    .filter(
      (p) =>
        refusalOf(body.value.anatomy, central.value.plan as Plan, part.value.id, ['animal'], p.id) === null,
    )
    .map((p) => ({ v: p.id, w: words.name(p.names) })),
)
const wayInForce = computed(
  () => central.value.plan.choices.paths.get(part.value.id, 'animal') ?? part.value.fallback,
)
const taken = reactive<Record<number, string>>({})
const wayOf = (i: number) => taken[i] ?? wayInForce.value
const isSplit = computed(() => groups.value.length > 0)
async function sort() {
  const into = classes.value.flatMap((c, i) =>
    c.animals > 0 ? [{ id: uuid(), animals: c.animals, name: nameOf(i), way: wayOf(i) }] : [],
  )
  if (into.length < 2)
    return void (issues.value = [
      fieldIssue('bounds', 'All fall into one class. Move the weights between them.'),
    ])
  const id = lot.value!.id
  const press = uuid()
  issues.value = await farm.keepAll([
    {
      ...{ is: 'split', lot: id },
      split: {
        ...{ group: id, half: false },
        into: into.map(({ id: group, animals, name }) => ({ id: group, animals, name })),
      },
    },
    ...into.flatMap((g) =>
      lots.decided(id, takePath(body.value.anatomy, part.value.id, ['animal'], g.way), g.id, press),
    ),
  ])
  if (issues.value.length > 0) return
  void router.push({ name: 'groups' })
}
/** Neck, giblets and feet: in with the bird or not. */
const inside = computed(() =>
  conventionsOf(body.value.anatomy, central.value.plan.conventions).filter((c) =>
    ['neck', 'giblets', 'feet'].includes(c.convention.id),
  ),
)
const households = computed(() =>
  HOUSEHOLDS.map((people) => ({ people, packs: packsFor(read.value, people) })),
)
const cutName = (id: string) => words.name(lookup(body.value.anatomy).cut(id)!.names)
const cutsOf = computed(() => households.value[0]!.packs.map((p) => p.cut))
const retained = computed(() => central.value.plan.birdDay?.chill.retained ?? null)
const share = reads.percent(birdDaySchema.shape.chill.shape.retained)
const readRetained = (text: string) => share.read(text, 'retained', PLAIN)
function retains(value: number | null) {
  const day = central.value.plan.birdDay
  if (!day) return
  const { how, water, waterC, ice } = day.chill
  const taken = value === null ? {} : { retained: value }
  decide({
    ...{ field: 'birdDay', target: 'lot', side: 'animal' },
    value: { ...day, chill: { how, water, waterC, ice, ...taken } },
  })
}
</script>

<template>
  <HangTabs />
  <p v-if="!known" class="muted">
    Nothing has a weight yet. <RouterLink :to="{ name: 'hang' }">Enter one at Hang</RouterLink> first.
  </p>
  <div v-else class="stack">
    <div class="pane-head">
      <h2>Size classes</h2>
      <span class="muted" data-testid="spread-says"
        >{{ known.spread.count }} {{ many }}, dressed: {{ words.massRange(ends.least) }} the least,
        {{ words.massRange(ends.most) }} the most; {{ known.says }}</span
      >
    </div>
    <SizePicture :spread="known.spread" :classes="classes" />
    <form class="fields" novalidate aria-label="Size classes" @submit.prevent="keep">
      <TextField
        id="bounds"
        v-model="typed"
        class="wide"
        :label="`One class ends and the next begins at, ${words.unit.value}`"
        :issues="at('bounds')"
      />
      <Button type="submit" outlined label="Part them so" />
    </form>
    <div class="two">
      <section class="stack">
        <table class="plain" data-testid="classes">
          <thead>
            <tr>
              <th>Class</th>
              <th>Dressed</th>
              <th class="right">How many</th>
              <th class="right">Each</th>
              <th v-if="!isSplit">Goes</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(c, i) in classes" :key="i">
              <th scope="row">{{ nameOf(i) }}</th>
              <td class="nowrap">
                {{ c.from === null ? 'under' : words.mass(c.from) }}
                {{
                  c.to === null ? 'and more' : c.from === null ? words.mass(c.to) : `to ${words.mass(c.to)}`
                }}
              </td>
              <td class="right nowrap">
                <b class="estimate">{{ c.animals }}</b><br /><small class="muted"
                  >{{ Math.round(c.range.low) }}–{{ Math.round(c.range.high) }}</small
                >
              </td>
              <td class="right nowrap">{{ words.mass(c.each) }}</td>
              <td v-if="!isSplit">
                <PickField
                  :id="`way-${i}`"
                  :model-value="wayOf(i)"
                  :label="`${nameOf(i)} goes`"
                  class="bare"
                  :options="ways"
                  @update:model-value="(v) => (taken[i] = v)"
                />
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="isSplit" class="muted">
          This lot is in groups already: <RouterLink :to="{ name: 'groups' }">look at them</RouterLink>.
        </p>
        <div v-else class="row">
          <Button label="Sort them so" @click="sort" />
          <small class="muted"
            >Each class becomes a group with its own plan; weigh each at Hang, and it is known. Groups are put
            together again at Block.</small
          >
        </div>
        <div class="pane-head"><h2>Whole ones</h2></div>
        <p>
          <template v-for="c in inside" :key="c.convention.id"
            ><label class="tick inline"
              ><Checkbox
                :model-value="c.is"
                binary
                @update:model-value="
                  note({ kind: 'observation', what: 'dressing', of: c.convention.id, value: !c.is })
                "
              />
              {{ words.name(c.convention.names).toLowerCase() }}
              {{ c.is ? 'in with the bird' : 'apart' }}</label
            ></template
          >
        </p>
        <p class="muted">
          Each bag bears its weight, for the cook: 40 to 45 minutes a kilogram and 20 more up to 3 kg, to
          {{ heat }} in the thigh. Neck and giblets in sell as bird; some buyers want them, some do not.
        </p>
        <div class="row" data-testid="retained">
          <span>Water taken up in the chill, %</span>
          <span class="short"
            ><FigureInput
              :shown="retained === null ? '' : String(Math.round(retained * 1000) / 10)"
              :read="readRetained"
              optional
              label="Water taken up in the chill, percent"
              @take="retains"
          /></span>
          <small class="muted">{{
            central.plan.birdDay
              ? 'weigh ten before and after; it is declared on the label'
              : 'plan the day first'
          }}</small>
        </div>
      </section>
      <section class="stack">
        <div class="pane-head"><h2>Packs by household</h2></div>
        <p v-if="cutsOf.length === 0" class="muted">
          Nothing is cut into pieces as planned: a whole bird is a pack of its own, 400 to 450 g of it for
          each who eats.
        </p>
        <table v-else class="plain" data-testid="households">
          <thead>
            <tr>
              <th>Pieces to a pack</th>
              <th v-for="h in households" :key="h.people" class="right">for {{ h.people }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="cut in cutsOf" :key="cut">
              <th scope="row">{{ cutName(cut) }}</th>
              <td v-for="h in households" :key="h.people" class="right">
                {{ h.packs.find((p) => p.cut === cut)!.pieces }}
                <small class="muted">{{ packsWord(h.packs.find((p) => p.cut === cut)!.packs) }}</small>
              </td>
            </tr>
          </tbody>
          <tfoot>
            <tr>
              <td>Pack them so</td>
              <td v-for="h in households" :key="h.people" class="right">
                <Button
                  text
                  size="small"
                  :label="`For ${h.people}`"
                  :aria-label="`Pack for ${h.people}`"
                  @click="decide(...decideFor(h.packs))"
                />
              </td>
            </tr>
          </tfoot>
        </table>
        <PoolPane />
      </section>
    </div>
    <small class="muted">{{
      state?.packs.length
        ? 'Packs are weighed already: what is decided here changes only what is still to come.'
        : ''
    }}</small>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
  gap: 1.6rem;
  align-items: start;
}
.bare :deep(label) {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
.inline {
  display: inline-flex;
  margin-right: 1rem;
}
.short {
  width: 5rem;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
