<script setup lang="ts">
import { useHelp } from '~/composables/help'

/** Help at a label, in a tooltip: for the pointer, a finger and the keyboard. */
const props = defineProps<{ text: string }>()
const { show, hide } = useHelp()
const open = (event: Event) => show(event.currentTarget as HTMLElement, props.text)
</script>

<template>
  <span
    class="help"
    tabindex="0"
    role="img"
    :aria-label="text"
    @pointerenter="open"
    @focus="open"
    @click.prevent="open"
    @pointerleave="hide"
    @blur="hide"
    @keydown.esc="hide"
    ><Icon name="tabler:help-circle" size="15"
  /></span>
</template>

<style scoped>
.help {
  display: inline-flex;
  margin-left: 4px;
  color: var(--ink-soft);
  vertical-align: -2px;
  cursor: help;
}
</style>
