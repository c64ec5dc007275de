<script setup lang="ts">
import { computed } from 'vue'
import type { Part } from '#core/model/project.ts'
import { compareParts } from '#core/report/compare-parts.ts'
import { useWorkbench } from '~/composables/workbench'

/** Two parts of one kind side by side, what differs first. */
const props = defineProps<{ part: Part; other: Part }>()
const { units } = useWorkbench()
const rows = computed(() => compareParts(props.part, props.other, units.value))
const differs = computed(() => rows.value.filter((row) => !row.same))
const alike = computed(() => rows.value.filter((row) => row.same))
</script>

<template>
  <div class="compare" data-test="part-compare">
    <table class="plain">
      <thead>
        <tr>
          <th scope="col"><span class="visually-hidden">Figure</span></th>
          <th scope="col" class="r">{{ part.name }}</th>
          <th scope="col" class="r">{{ other.name }}</th>
          <th scope="col" class="r">Difference</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in differs" :key="row.label" :class="{ derived: row.derived }">
          <th scope="row">{{ row.label }}</th>
          <td class="r num">{{ row.a }}</td>
          <td class="r num">{{ row.b }}</td>
          <td class="r num">{{ row.difference }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="differs.length === 0">Nothing that is known differs.</p>
    <p v-if="alike.length > 0" class="soft small">The same: {{ alike.map((row) => `${row.label.toLowerCase()} ${row.a}`).join('; ') }}.</p>
  </div>
</template>

<style scoped>
.compare {
  margin-bottom: 14px;
  overflow-x: auto;
}
th[scope='row'] {
  font-weight: 400;
  text-align: left;
}
.derived th,
.derived td {
  font-weight: 640;
}
</style>
