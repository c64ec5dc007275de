<script setup lang="ts">
import { useView } from '~/composables/view'

const VIEWS = [
  { id: 'session', label: 'Will it last' },
  { id: 'help', label: 'Changes that help' },
  { id: 'read', label: 'Read temperatures' },
  { id: 'stop', label: 'Limit of one stop' },
] as const
const view = useView(VIEWS)
</script>

<template>
  <div>
    <ViewTabs step="heat" :views="VIEWS" :current="view" label="Views of the heat" />
    <HeatAdjustments v-if="view === 'help'" />
    <HeatReadings v-else-if="view === 'read'" />
    <OneStop v-else-if="view === 'stop'" />
    <HeatSession v-else />
  </div>
</template>
