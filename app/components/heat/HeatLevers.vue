<script setup lang="ts">
import { computed } from 'vue'
import { makeHeatEdit } from '#core/edit/heat-edit.ts'
import { gainWords, helps, leversSentence, type HeatLever } from '#core/report/heat/heat-levers.ts'
import { formatMoney, formatQuantity } from '#core/quantity/format.ts'
import { useHeatLevers } from '~/composables/heat'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Everything that could help over this driving, each tried; cheapest first. What gains nothing stands below. */
const store = useProjectStore()
const { units, setup } = useWorkbench()
const { levers, working, share, stopped, begin, stop } = useHeatLevers()
const c = (value: number) => formatQuantity(value, 'temperature', units.value, { decimals: 0 })
const columns = [
  { id: 'lever', label: 'Change', least: 210 },
  { id: 'first', label: 'Then goes first', least: 190 },
  { id: 'gains', label: 'Gains', number: true, least: 90 },
  { id: 'face', label: 'Faces', number: true, least: 76 },
  { id: 'fluid', label: 'Fluid', number: true, least: 76 },
  { id: 'price', label: 'Costs', number: true, least: 84 },
  { id: 'take', label: 'Take it', unseen: true, least: 92 },
]
const helping = computed(() => levers.value?.levers.filter(helps) ?? [])
const others = computed(() => levers.value?.levers.filter((one) => !helping.value.includes(one)) ?? [])
const goes = ({ first, open }: HeatLever) =>
  first
    ? `${first.label.toLowerCase()} ${first.when}`
    : open === 'range'
      ? 'its range is not known'
      : open === 'fade'
        ? 'nothing, but fade is not predicted'
        : 'nothing, by the likely figures'
const costs = ({ owned, price, what, kgACorner }: HeatLever) => {
  const heavier =
    kgACorner === undefined || Math.abs(kgACorner) < 0.05
      ? ''
      : `, ${formatQuantity(kgACorner, 'mass', units.value, { signed: true, decimals: 1 })} a corner`
  if (what === 'gear' || what === 'mass') return 'nothing to buy'
  return `${owned ? 'have it' : price ? formatMoney(price.likelyMinor, price.currency, { whole: true }) : 'no price'}${heavier}`
}
const take = (lever: HeatLever) =>
  store.edit(`Take ${lever.label}`.slice(0, 80), (draft) => makeHeatEdit(draft, setup.value!.id, lever.edit))
</script>

<template>
  <div>
    <DutyChoice />
    <WorkingLine v-if="working" what="Each change is being driven" :share="share" @stop="stop" />
    <p v-if="stopped" class="small no-print" data-test="levers-stopped">
      Stopped; nothing was changed. <ElButton link type="primary" @click="begin">Drive each change after all</ElButton>
    </p>
    <template v-if="levers">
      <h1 v-if="levers.levers.length > 0" data-test="levers-say">{{ leversSentence(levers) }}</h1>
      <NothingYet v-else-if="!working && !stopped" text="What would help is tried once the session can be computed." />
      <DataTable v-if="helping.length > 0" class="levers" :rows="helping" :columns="columns" data-test="levers">
        <template #lever="{ row }"
          ><b>{{ row.label }}</b></template
        >
        <template #first="{ row }">{{ goes(row) }}</template>
        <template #gains="{ row }">{{ gainWords(row) }}</template>
        <template #face="{ row }">{{ c(row.faceC) }}</template>
        <template #fluid="{ row }">{{ c(row.fluidC) }}</template>
        <template #price="{ row }">{{ costs(row) }}</template>
        <template #take="{ row }"
          ><ElButton v-if="row.takes" class="no-print" :aria-label="`Take ${row.label}`" @click="take(row)">Take it</ElButton></template
        >
      </DataTable>
      <FoldedPart v-if="others.length > 0" :title="`Gains nothing over this driving: ${others.length}`">
        <DataTable class="levers" :rows="others" :columns="columns" data-test="no-levers">
          <template #lever="{ row }">{{ row.label }}</template>
          <template #first="{ row }">{{ goes(row) }}</template>
          <template #gains="{ row }">{{ gainWords(row) }}</template>
          <template #face="{ row }">{{ c(row.faceC) }}</template>
          <template #fluid="{ row }">{{ c(row.fluidC) }}</template>
          <template #price="{ row }">{{ costs(row) }}</template>
          <template #take="{ row }"
            ><ElButton v-if="row.takes" class="no-print" :aria-label="`Take ${row.label}`" @click="take(row)">Take it</ElButton></template
          >
        </DataTable>
      </FoldedPart>
      <p class="soft small">
        Cheapest first; each is put in and driven the same, with the likely figures. Pads by the same shape code, rotors of the same place:
        the fit check has the last word. A hose and shims come on the bill without a price.
      </p>
    </template>
    <PadCurves />
  </div>
</template>

<style scoped>
h1 {
  max-width: 860px;
  margin: 8px 0 6px;
  font-size: 17px;
}
.levers {
  max-width: 960px;
  margin-bottom: 10px;
}
</style>
