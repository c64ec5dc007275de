<script setup lang="ts">
import { useView } from '~/composables/view'

const VIEWS = [
  { id: 'log', label: 'Logbook' },
  { id: 'stops', label: 'Stops' },
  { id: 'locks', label: 'Wheels that lock' },
  { id: 'wear', label: 'Wear' },
  { id: 'gauges', label: 'Pressures' },
  { id: 'temperatures', label: 'Temperatures' },
  { id: 'reports', label: 'Fit reports' },
] as const
const view = useView(VIEWS)
</script>

<template>
  <div>
    <ViewTabs step="prove" :views="VIEWS" :current="view" label="Views of the logbook" />
    <LazyStopTests v-if="view === 'stops'" />
    <LazyLockSightings v-else-if="view === 'locks'" />
    <LazyWearLog v-else-if="view === 'wear'" />
    <template v-else-if="view === 'gauges'">
      <LazyLastBars />
      <LazyGaugesPanel />
    </template>
    <LazyHeatReadings v-else-if="view === 'temperatures'" />
    <LazyFitReports v-else-if="view === 'reports'" />
    <LogBook v-else />
  </div>
</template>
