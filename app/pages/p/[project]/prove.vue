<script setup lang="ts">
import { useView } from '~/composables/view'

const VIEWS = [
  { id: 'stops', label: 'Stops' },
  { id: 'locks', label: 'Lock-up' },
  { id: 'wear', label: 'Wear' },
  { id: 'gauges', label: 'Pressures' },
  { id: 'temperatures', label: 'Temperatures' },
  { id: 'reports', label: 'Fit reports' },
  { id: 'log', label: 'Logbook' },
] as const
const view = useView(VIEWS)
</script>

<template>
  <div>
    <ViewTabs step="prove" :views="VIEWS" :current="view" label="Views of the logbook" />
    <LazyLogBook v-if="view === 'log'" />
    <LazyLockUpObservations v-else-if="view === 'locks'" />
    <LazyWearLog v-else-if="view === 'wear'" />
    <template v-else-if="view === 'gauges'">
      <LazyLastBars />
      <LazyGaugesPanel />
    </template>
    <LazyHeatReadings v-else-if="view === 'temperatures'" />
    <LazyFitReports v-else-if="view === 'reports'" />
    <LazyStopTests v-else />
  </div>
</template>
