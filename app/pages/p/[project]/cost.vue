<script setup lang="ts">
import { useView } from '~/composables/view'

const VIEWS = [
  { id: 'bill', label: 'Parts list' },
  { id: 'season', label: 'Season' },
  { id: 'compare', label: 'Compare' },
  { id: 'search', label: 'Search' },
] as const
const view = useView(VIEWS)
</script>

<template>
  <div>
    <ViewTabs step="cost" :views="VIEWS" :current="view" label="Views of the decision" />
    <SeasonCost v-if="view === 'season'" />
    <LazyCompareSheet v-else-if="view === 'compare'" />
    <LazySearchPanel v-else-if="view === 'search'" />
    <CostBill v-else />
  </div>
</template>
