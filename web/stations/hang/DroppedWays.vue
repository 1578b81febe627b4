<script setup lang="ts">
import { computed } from 'vue'
import { sayIssue } from '#contracts/said'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** Ways of the plan that slaughter or another choice has since made impossible. */
const { read, body } = useReading()
const words = useWords()
/** A way that today's figures no longer have is said by its id: a name is all it has lost. */
const wayName = (id: string) => {
  const path = body.value.anatomy.paths.find((p) => p.id === id)
  return path ? words.name(path.names) : id
}
const dropped = computed(() =>
  read.value.plan.dropped.map((d) => ({
    ...d,
    name: words.name(body.value.anatomy.parts.find((p) => p.id === d.part)!.names),
    way: wayName(d.path),
    reason: sayIssue(d.issue, words.says.value),
  })),
)
</script>

<template>
  <div v-for="d in dropped" :key="d.part + d.side" class="caution">
    <i class="pi pi-info-circle" aria-hidden="true" />
    <span
      >{{ d.name }} ({{ d.side }}): “{{ d.way }}” can no longer be had. {{ d.reason }} It goes back to the
      usual way.</span
    >
  </div>
</template>
