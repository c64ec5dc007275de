<script setup lang="ts">
import { useView } from '~/composables/view'

const VIEWS = [
  { id: 'before', label: 'Before you order' },
  { id: 'order', label: 'Work order' },
  { id: 'stages', label: 'Stages' },
] as const
const view = useView(VIEWS)
</script>

<template>
  <div>
    <ViewTabs step="build" :views="VIEWS" :current="view" label="Views of the build" />
    <LazyBuildOrder v-if="view === 'order'" />
    <LazyBuildStages v-else-if="view === 'stages'" />
    <BeforeBuild v-else />
  </div>
</template>
