<script setup lang="ts">
import { useView } from '~/composables/view'

const VIEWS = [
  { id: 'session', label: 'Will it last' },
  { id: 'stop', label: 'What limits a stop' },
] as const
const view = useView(VIEWS)
</script>

<template>
  <div>
    <ViewTabs step="heat" :views="VIEWS" :current="view" label="Views of the heat" />
    <OneStop v-if="view === 'stop'" />
    <HeatSession v-else />
  </div>
</template>
