<script setup lang="ts">
import { useView } from '~/composables/view'

const VIEWS = [
  { id: 'order', label: 'Work order' },
  { id: 'before', label: 'Before ordering' },
  { id: 'stages', label: 'Stages' },
] as const
const view = useView(VIEWS)
</script>

<template>
  <div>
    <ViewTabs step="build" :views="VIEWS" :current="view" label="Views of the build" />
    <BeforeBuild v-if="view === 'before'" />
    <LazyBuildStages v-else-if="view === 'stages'" />
    <BuildOrder v-else />
  </div>
</template>
