<script setup lang="ts">
import Dialog from 'primevue/dialog'

const emit = defineEmits<{ close: [] }>()
const KEYS: [string, string][] = [
  ['[  ]', 'previous and next station'],
  ['← → ↑ ↓', 'walk the parts of the carcass (on the Block)'],
  ['Page ↑  Page ↓', 'from one break line to the next; Enter opens its places, arrows move it'],
  ['1 – 9', 'take that way of cutting the part'],
  ['L  R  B', 'left, right or both sides'],
  ['P', 'portions: thickness, count, pack'],
  ['C', 'enter a cost (at Price)'],
  ['W', 'weigh a pack now'],
  ['/', 'find a lot, part or cut, by either name'],
  ['U   Shift+U   or   Ctrl+Z   Ctrl+Shift+Z', 'undo and redo'],
  ['?', 'this list'],
]
</script>

<template>
  <Dialog
    visible
    modal
    dismissable-mask
    header="Keys"
    :style="{ width: '34rem' }"
    @update:visible="emit('close')"
  >
    <table class="plain">
      <tbody>
        <tr v-for="[key, what] in KEYS" :key="key">
          <td class="nowrap">
            <b>{{ key }}</b>
          </td>
          <td>{{ what }}</td>
        </tr>
      </tbody>
    </table>
    <p class="muted" style="padding-top: 0.8rem">
      Single keys rest while you type in a field. They can be switched off under Farm.
    </p>
  </Dialog>
</template>
