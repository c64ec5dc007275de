<script setup lang="ts">
import { gainWords, goesFirstWords, type HeatLever } from '#core/heat/heat-adjustments.ts'
import { formatMoney, formatQuantity } from '#core/quantity/format.ts'
import { useWorkbench } from '~/composables/workbench'

/** Changes that were driven: what goes first then, what they gain and cost. */
defineProps<{ levers: HeatLever[] }>()
defineEmits<{ take: [lever: HeatLever] }>()
const { units } = useWorkbench()
const c = (value: number) => formatQuantity(value, 'temperature', units.value, { decimals: 0 })
const columns = [
  { id: 'lever', label: 'Change', least: 210 },
  { id: 'first', label: 'Next limit', least: 190 },
  { id: 'gains', label: 'Gains', number: true, least: 90 },
  { id: 'face', label: 'Faces', number: true, least: 76 },
  { id: 'fluid', label: 'Fluid', number: true, least: 76 },
  { id: 'price', label: 'Costs', number: true, least: 84 },
  { id: 'take', label: 'Apply', unseen: true, least: 92 },
]
const costs = ({ owned, price, what, kgACorner }: HeatLever) => {
  const heavier =
    kgACorner === undefined || Math.abs(kgACorner) < 0.05
      ? ''
      : `, ${formatQuantity(kgACorner, 'mass', units.value, { signed: true, decimals: 1 })} a corner`
  if (what === 'gear' || what === 'mass') return 'nothing to buy'
  return `${owned ? 'have it' : price ? formatMoney(price.likelyMinor, price.currency, { whole: true }) : 'no price'}${heavier}`
}
</script>

<template>
  <DataTable class="levers" :rows="levers" :columns="columns">
    <template #lever="{ row }"
      ><b>{{ row.label }}</b></template
    >
    <template #first="{ row }">{{ goesFirstWords(row) }}</template>
    <template #gains="{ row }">{{ gainWords(row) }}</template>
    <template #face="{ row }">{{ c(row.faceC) }}</template>
    <template #fluid="{ row }">{{ c(row.fluidC) }}</template>
    <template #price="{ row }">{{ costs(row) }}</template>
    <template #take="{ row }"
      ><ElButton v-if="row.takes" class="no-print" :aria-label="`Apply ${row.label}`" @click="$emit('take', row)">Apply</ElButton></template
    >
  </DataTable>
</template>

<style scoped>
.levers {
  max-width: 960px;
  margin-bottom: 10px;
}
</style>
