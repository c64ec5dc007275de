<script setup lang="ts">
import { computed } from 'vue'
import { GAP_POLICIES, type GapPolicy } from '#core/model/project.ts'
import { useProjectStore } from '~/stores/project'

/** The gap that is asked for, and what is allowed for stick-on weights nobody measured. */
const store = useProjectStore()
const policies = Object.entries(GAP_POLICIES) as [GapPolicy, (typeof GAP_POLICIES)[GapPolicy]][]
const policy = computed(() => store.project!.preferences.gapPolicy)
const WEIGHTS = [
  { mm: 0, label: 'none, or looked at by eye' },
  { mm: 4, label: 'allow 4 mm: flat weights' },
  { mm: 7, label: 'allow 7 mm: two layers' },
] as const
const weightMm = computed(() => store.project!.preferences.weightAllowanceMm)
const setWeights = (event: Event) =>
  store.edit(
    'Allow for balance weights',
    (draft) => void (draft.preferences.weightAllowanceMm = Number((event.target as HTMLSelectElement).value)),
  )
function setPolicy(event: Event) {
  const value = (event.target as HTMLSelectElement).value as GapPolicy
  store.edit('Change gap policy', (draft) => void (draft.preferences.gapPolicy = value))
}
</script>

<template>
  <div>
    <label class="small policy"
      >Gap asked for
      <select class="native" :value="policy" @change="setPolicy">
        <option v-for="[id, one] in policies" :key="id" :value="id">{{ one.label }}</option>
      </select>
      <span class="soft">{{ GAP_POLICIES[policy].reason }}</span>
    </label>
    <label class="small policy"
      >Stick-on weights in the barrel
      <select class="native" :value="weightMm" data-field="weightAllowanceMm" @change="setWeights">
        <option v-for="one in WEIGHTS" :key="one.mm" :value="one.mm">{{ one.label }}</option>
      </select>
      <span class="soft">Counts for wheels whose weights nobody measured; measured ones count as they are.</span>
    </label>
  </div>
</template>

<style scoped>
.policy {
  display: block;
  margin: 14px 0 8px;
}
</style>
