<script setup lang="ts">
import { GLOSSARY, type TermId } from '#core/guide/glossary.ts'

/** A term where it first stands on a page: selecting it shows what it means. */
const { id } = defineProps<{ id: TermId }>()
</script>

<template>
  <ElPopover trigger="click" :width="300">
    <template #reference>
      <button type="button" class="term" :aria-label="`${GLOSSARY[id][0]}: meaning`">
        <slot>{{ GLOSSARY[id][0] }}</slot>
      </button>
    </template>
    <p class="small">{{ GLOSSARY[id][1] }}</p>
    <NuxtLink class="small" :to="{ path: '/glossary', hash: `#${id}` }">Open glossary</NuxtLink>
  </ElPopover>
</template>

<style scoped>
.term {
  padding: 0;
  border: 0;
  border-bottom: 1px dotted currentColor;
  background: none;
  color: inherit;
  font: inherit;
  cursor: help;
}
</style>
