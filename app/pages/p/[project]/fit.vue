<script setup lang="ts">
import { whenever } from '@vueuse/core'
import { whenIdle } from '~/composables/idle'
import { useReports } from '~/composables/reports'
import { useView } from '~/composables/view'
import { useWorkbench } from '~/composables/workbench'

const { report, setup, axle } = useWorkbench()
const { worker } = useReports()
const VIEWS = [
  { id: 'wheel', label: 'This wheel' },
  { id: 'check', label: 'All checks' },
  { id: 'wheels', label: 'All wheels' },
  { id: 'brakes', label: 'All brakes' },
  { id: 'reports', label: 'Reports' },
  { id: 'card', label: 'Template' },
] as const
const view = useView(VIEWS)

// what is asked next of a fit is whether another wheel does: its code is there, and its gaps are known, before anybody asks
whenever(
  report,
  () => whenIdle(() => void import('~/composables/wheels-ahead').then((ahead) => ahead.wheelsAhead(worker(), setup.value, axle.value))),
  {
    immediate: true,
    once: true,
  },
)
</script>

<template>
  <div v-if="report" class="page">
    <ViewTabs step="fit" :views="VIEWS" :current="view" label="Views of the fit" />
    <LazyCompareWheels v-if="view === 'wheels' || view === 'brakes'" :key="view" :what="view" class="whole" />
    <LazyFitCheck v-else-if="view === 'check'" class="whole" />
    <LazyFitReports v-else-if="view === 'reports'" class="whole" />
    <LazyCaliperCard v-else-if="view === 'card'" class="whole" />
    <ThisWheel v-else />
  </div>
</template>

<style scoped>
.page {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.whole {
  flex: 1;
  min-height: 0;
}
@media (max-width: 1000px) {
  .page {
    height: auto;
  }
}
</style>
