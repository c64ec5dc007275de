<script setup lang="ts">
import { computed } from 'vue'
import type { Part } from '#core/records/part.ts'
import { compareParts, type PartRow } from '#core/whatif/compare-parts.ts'
import { useWorkbench } from '~/composables/workbench'

/** Two parts of one kind side by side, what differs first. */
const props = defineProps<{ part: Part; other: Part }>()
const { units } = useWorkbench()
const rows = computed(() => compareParts(props.part, props.other, units.value))
const differs = computed(() => rows.value.filter((row) => !row.same))
const emphasis = (row: PartRow) => (row.derived ? 'derived' : '')
const columns = computed(() => [
  { id: 'figure', label: 'Figure', unseen: true, least: 190, text: (row: PartRow) => row.label },
  { id: 'a', label: props.part.name, number: true, least: 130, text: (row: PartRow) => row.a },
  { id: 'b', label: props.other.name, number: true, least: 130, text: (row: PartRow) => row.b },
  { id: 'difference', label: 'Difference', number: true, least: 110, text: (row: PartRow) => row.difference },
])
const alike = computed(() => rows.value.filter((row) => row.same))
</script>

<template>
  <div class="compare" data-test="part-compare">
    <DataTable v-if="differs.length > 0" :rows="differs" :columns="columns" :row-class="emphasis" />
    <p v-else>No known value differs.</p>
    <p v-if="alike.length > 0" class="soft small">The same: {{ alike.map((row) => `${row.label.toLowerCase()} ${row.a}`).join('; ') }}.</p>
  </div>
</template>

<style scoped>
.compare {
  margin-bottom: 14px;
  overflow-x: auto;
}
.compare :deep(.derived) {
  font-weight: 640;
}
</style>
