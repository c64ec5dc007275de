<script setup lang="ts">
import { computed } from 'vue'
import type { PartOf } from '#core/records/part.ts'
import { partSection } from '#core/clearance/part-section.ts'
import { useWorkbench } from '~/composables/workbench'

/** The outline of a caliper or the profile of a wheel alone, so that a mistyped figure is seen at once. */
const props = defineProps<{ part: PartOf<'caliper'> | PartOf<'wheel'> }>()
const { units } = useWorkbench()
const lines = computed(() => partSection(props.part).map((points, i) => ({ name: String(i), points })))
</script>

<template>
  <div class="sketch">
    <OutlineEditor :lines="lines" :units="units" :label="part.kind === 'caliper' ? 'Outline as entered' : 'Profile as entered'" />
  </div>
</template>

<style scoped>
.sketch {
  height: 210px;
  margin: 4px 0 8px;
  border: 1px solid var(--hair);
}
</style>
