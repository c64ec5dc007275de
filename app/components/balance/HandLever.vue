<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatQuantity } from '#core/quantity/format.ts'
import { HAND_FORCE_N, handReport } from '#core/stopping/hand-report.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** What the hydraulic hand lever of this setup does: pressure at a hand force, and where it locks the rear. */
const store = useProjectStore()
const { setup, units } = useWorkbench()
const handN = ref(250)
const found = computed(() => (store.project && setup.value ? handReport(store.project, setup.value.id, handN.value) : undefined))
const force = (value: number) => formatQuantity(value, 'force', units.value)
const columns = [
  { id: 'surface', label: 'Ground', least: 110 },
  { id: 'locks', label: 'Rear locks from', number: true, least: 120 },
  { id: 'now', label: 'At this pull', least: 120 },
]
</script>

<template>
  <section v-if="found" data-test="hand-lever">
    <h2>{{ found.name }}</h2>
    <NotEnoughData v-if="found.pressureMpa === undefined" what="the hydraulic handbrake" :missing="found.missing" />
    <template v-else>
      <p>
        A pull of <strong class="num">{{ force(handN) }}</strong> makes
        <strong class="num">{{ formatQuantity(found.pressureMpa, 'pressure', units) }}</strong> in the rear circuit.
      </p>
      <ElSlider
        v-model="handN"
        :min="0"
        :max="HAND_FORCE_N"
        :step="10"
        :show-tooltip="false"
        aria-label="Pull of the hand"
        :validate-event="false"
      />
      <DataTable class="hand" :rows="found.surfaces" :columns="columns">
        <template #surface="{ row }">{{ row.surface }}, {{ row.friction.toFixed(2) }}{{ row.assumed ? ' assumed' : '' }}</template>
        <template #locks="{ row }">{{ force(row.locksAtN) }}</template>
        <template #now="{ row }">{{ row.locks ? 'locks' : 'keeps turning' }}</template>
      </DataTable>
      <SafetyNote
        :note="{
          level: 'warning',
          hazard: 'Locked rear wheels spin the car, and this handbrake does not hold a parked one.',
          action: 'Use closed ground only; check local and class rules.',
        }"
      />
    </template>
  </section>
</template>

<style scoped>
.hand {
  max-width: 460px;
}
.el-slider {
  max-width: 420px;
  margin-left: 8px;
}
</style>
