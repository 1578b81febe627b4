<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { BARS_GAP_MM, BARS_MM, INSET_MM, LABELS_ON, lettersAt, type Label } from '#core/papers'
import type { LabelSize } from '#core/records'

/** A label at its true size, as the printer makes it. */
const { label, size } = defineProps<{ label: Label; size: LabelSize }>()
const on = computed(() => LABELS_ON[size])
const bars = shallowRef('')
watch(
  () => label.code,
  async (code) => {
    if (!code) return void (bars.value = '')
    const { toSVG } = await import('bwip-js/browser')
    const svg = toSVG({
      bcid: code.kind,
      text: code.text,
      height: 9,
      includetext: true,
      textsize: 8,
      textxalign: 'center',
    })
    bars.value = `data:image/svg+xml,${encodeURIComponent(svg)}`
  },
  { immediate: true },
)
</script>

<template>
  <div
    class="label"
    data-testid="label"
    :style="{ width: `${on.label[0]}mm`, height: `${on.label[1]}mm`, padding: `${INSET_MM}mm` }"
  >
    <template v-for="b in label.blocks" :key="b.id">
      <img
        v-if="b.id === 'barcode' && bars"
        :src="bars"
        :alt="`Bar code ${label.code?.text ?? ''}`"
        :style="{ height: `${BARS_MM[b.size]}mm`, marginBottom: `${BARS_GAP_MM}mm` }"
      />
      <p
        v-else-if="b.id !== 'barcode'"
        :data-says="b.id"
        :style="{
          fontSize: `${lettersAt(b.size, label.scale)}pt`,
          fontWeight: b.size === 'small' ? 400 : 600,
        }"
      >
        {{ b.text }}
      </p>
    </template>
  </div>
</template>

<style scoped>
.label {
  overflow: hidden;
  background: #fff;
  color: #000;
  border: 1px solid var(--rule-strong);
  line-height: 1.2;
  max-width: 100%;
}
p {
  margin: 0 0 1pt;
}
img {
  display: block;
  max-width: 100%;
  object-fit: contain;
  object-position: left;
}
</style>
