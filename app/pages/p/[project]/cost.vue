<script setup lang="ts">
import { useView } from '~/composables/view'
import { useWorkbench } from '~/composables/workbench'

const VIEWS = [
  { id: 'compare', label: 'Compare' },
  { id: 'search', label: 'Search' },
  { id: 'bill', label: 'Parts list' },
  { id: 'season', label: 'Season' },
] as const
const view = useView(VIEWS)
const { report } = useWorkbench()
</script>

<template>
  <div>
    <ViewTabs step="cost" :views="VIEWS" :current="view" label="Views of the decision" />
    <CostBill v-if="view === 'bill'" />
    <LazySearchPanel v-else-if="view === 'search'" />
    <template v-else-if="view === 'season'"><SeasonCost v-if="report" /></template>
    <LazyCompareSheet v-else />
  </div>
</template>
