<script setup lang="ts">
import { computed } from 'vue'
import { whereItGoes, LOSS_WORDS } from '#core/reading'
import { formatPercent, kg, capital } from '#core/measure'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

const TAKEN_UP = 'Water taken up in the chill'
const { read } = useReading()
const words = useWords()
const losses = computed(() => whereItGoes(read.value))
const dressed = computed(() => losses.value.find((l) => l.id === 'dressing')?.of ?? [])
const live = computed(() => read.value.weights?.live ?? kg(0))
const home = computed(() => losses.value.at(-1)?.left ?? kg(0))
const width = (kg: number) => `${(100 * Math.abs(kg)) / live.value}%`
</script>

<template>
  <p v-if="losses.length === 0" class="muted empty">
    Nothing hangs here yet. Enter one weight, any of the three, and the whole way from the live animal to the
    boxes appears.
  </p>
  <table v-else class="fall">
    <tbody>
      <tr class="whole">
        <th scope="row">Live animal</th>
        <td class="kg">{{ words.mass(live) }}</td>
        <td class="lane"><span class="slab" :style="{ width: '100%' }" /></td>
      </tr>
      <tr v-for="l in losses" :key="l.id">
        <th scope="row">{{ l.id === 'cooler' && l.kg < 0 ? TAKEN_UP : capital(LOSS_WORDS[l.id]) }}</th>
        <td class="kg">{{ words.massChange(kg(-l.kg)) }}</td>
        <td class="lane">
          <span
            class="slab gone"
            :class="{ added: l.kg < 0 }"
            :style="{ left: width(l.kg < 0 ? l.left + l.kg : l.left), width: width(l.kg) }"
          />
        </td>
      </tr>
      <tr class="whole">
        <th scope="row">Taken home</th>
        <td class="kg">{{ words.mass(home) }}</td>
        <td class="lane">
          <span class="slab home" :style="{ width: width(home) }"
            ><b>{{ formatPercent(home / live) }} of live</b></span
          >
        </td>
      </tr>
    </tbody>
  </table>
  <p v-if="dressed.length > 0" class="muted of" data-testid="dressed-off">
    Dressed off, by usual shares:
    <span v-for="(d, i) in dressed" :key="i"
      >{{ words.name(d.names).toLowerCase() }} {{ words.mass(d.kg) }}{{ i < dressed.length - 1 ? ', ' : '.' }}
    </span>
  </p>
</template>

<style scoped>
.empty {
  padding: 2rem;
  border: 1.5px dashed var(--rule-strong);
  max-width: 36rem;
}
.fall {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 400;
  width: 11.5rem;
  padding: 0.2rem 0;
}
.whole th,
.whole .kg {
  font-weight: 600;
}
.of {
  font-size: 0.9rem;
}
.kg {
  width: 6rem;
  text-align: right;
  padding-right: 0.8rem;
  white-space: nowrap;
}
.lane {
  position: relative;
  height: 27px;
  border-left: 1px solid var(--ink);
  background: linear-gradient(
    90deg,
    transparent 24.9%,
    var(--rule) 25%,
    transparent 25.2%,
    transparent 49.9%,
    var(--rule) 50%,
    transparent 50.2%,
    transparent 74.9%,
    var(--rule) 75%,
    transparent 75.2%
  );
}
.slab {
  position: absolute;
  left: 0;
  top: 4px;
  bottom: 4px;
  background: #b98d55;
  transition: all 0.2s;
}
.gone {
  background: #d9ceba;
  border: 1px solid #a89a82;
}
.added {
  background: #dcbd6a;
  border-color: #a98a3b;
}
.home {
  background: #7a5442;
  color: #fff;
  display: flex;
  align-items: center;
  padding-left: 0.5rem;
  white-space: nowrap;
}
</style>
