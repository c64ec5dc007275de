<script setup lang="ts">
import { computed } from 'vue'
import { formatQuantity } from '#core/quantity/format.ts'
import { pistonAreas, type AreaRow } from '#core/hydraulics/piston-areas.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Piston areas of every caliper by both counting schools, against the car as it stands. */
const store = useProjectStore()
const { setup, units, link } = useWorkbench()
const rows = computed(() => {
  if (!store.project || !setup.value) return []
  return pistonAreas(store.project, setup.value.id).sort((a, b) => Number(b.fitted.length > 0) - Number(a.fitted.length > 0))
})
const area = (value: number | undefined) => (value === undefined ? 'not known' : formatQuantity(value, 'area', units.value))
const bores = (list: readonly number[]) => list.map((one) => formatQuantity(one, 'length', units.value, { bare: true })).join(' + ')
const columns = [
  { id: 'name', label: 'Caliper', least: 230, by: (row: AreaRow) => row.name },
  { id: 'pistons', label: 'Pistons of one side', number: true, least: 140 },
  { id: 'oneSide', label: 'One side', number: true, least: 110, by: (row: AreaRow) => row.oneSideMm2 ?? -1 },
  { id: 'all', label: 'All pistons', number: true, least: 120, by: (row: AreaRow) => row.allMm2 ?? -1 },
  { id: 'against', label: 'Against baseline', number: true, least: 130 },
]
const fittedClass = (row: AreaRow) => (row.fitted.length > 0 ? 'fitted' : '')
</script>

<template>
  <section v-if="rows.length > 0">
    <h2>Piston areas</h2>
    <p class="small">
      Only pistons on one side count. Some makers count both sides of a fixed caliper and state twice the area; both are shown.
    </p>
    <DataTable data-test="areas" :rows="rows" :columns="columns" :row-class="fittedClass">
      <template #name="{ row }">
        <NuxtLink :to="link('parts', { part: row.partId })">{{ row.name }}</NuxtLink>
        <span class="soft small about">
          {{
            [row.construction, row.staggered ? 'staggered' : '', row.fitted.length > 0 ? `fitted ${row.fitted.join(' and ')}` : '']
              .filter(Boolean)
              .join(', ')
          }}</span
        >
      </template>
      <template #pistons="{ row }">{{ bores(row.pistonsMm) }}</template>
      <template #oneSide="{ row }">{{ area(row.oneSideMm2) }}</template>
      <template #all="{ row }">{{ area(row.allMm2) }}</template>
      <template #against="{ row }">
        {{
          row.against === undefined
            ? '—'
            : Math.abs(row.against) < 0.0005
              ? 'same'
              : formatQuantity(row.against, 'share', units, { signed: true })
        }}
      </template>
    </DataTable>
    <p class="soft small">More pistons with the same area clamp no harder and need no more fluid. They press a longer pad more evenly.</p>
  </section>
</template>

<style scoped>
.el-table {
  max-width: 900px;
}
.about {
  margin-left: 6px;
}
.el-table :deep(.fitted) {
  font-weight: 640;
}
</style>
