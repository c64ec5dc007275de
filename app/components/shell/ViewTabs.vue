<script setup lang="ts">
import type { StepName } from '~/composables/workbench'
import { useWorkbench } from '~/composables/workbench'

/** The views of one step, the first of them without a name in the address. */
defineProps<{ step: StepName; views: readonly { id: string; label: string }[]; current: string; label: string }>()
const { link } = useWorkbench()
</script>

<template>
  <nav class="views" :aria-label="label">
    <NuxtLink
      v-for="(one, i) in views"
      :key="one.id"
      :to="link(step, i === 0 ? {} : { view: one.id })"
      :aria-current="current === one.id ? 'page' : undefined"
      >{{ one.label }}</NuxtLink
    >
  </nav>
</template>

<style scoped>
.views {
  display: flex;
  flex: none;
  gap: 2px 18px;
  margin: -6px 0 8px;
  overflow-x: auto;
  white-space: nowrap;
}
a {
  padding: 3px 1px;
  border-bottom: 2px solid transparent;
  color: var(--ink-soft);
  text-decoration: none;
}
a[aria-current='page'] {
  border-bottom-color: var(--ink);
  color: var(--ink);
  font-weight: 640;
}
@media print {
  .views {
    display: none;
  }
}
</style>
