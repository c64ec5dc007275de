<script setup lang="ts">
import { computed } from 'vue'
import { GAP_POLICIES, type GapPolicy } from '#core/records/preferences.ts'
import { useProjectStore } from '~/stores/project'

/** The gap that is asked for, and what is allowed for stick-on weights nobody measured. */
const store = useProjectStore()
const policies = Object.entries(GAP_POLICIES) as [GapPolicy, (typeof GAP_POLICIES)[GapPolicy]][]
const policy = computed(() => store.current.preferences.gapPolicy)
const WEIGHTS = [
  { mm: 0, label: 'none, or checked by eye' },
  { mm: 4, label: 'allow 4 mm: flat weights' },
  { mm: 7, label: 'allow 7 mm: two layers' },
] as const
const weightMm = computed(() => store.current.preferences.weightAllowanceMm)
const setWeights = (allowanceMm: number) =>
  store.edit('Allow for balance weights', (draft) => void (draft.preferences.weightAllowanceMm = allowanceMm))
function setPolicy(value: GapPolicy) {
  store.edit('Change required clearance', (draft) => void (draft.preferences.gapPolicy = value))
}
</script>

<template>
  <div>
    <FieldItem class="policy" label="Required clearance" :help="GAP_POLICIES[policy].reason">
      <ChoiceSelect
        :value="policy"
        :options="policies.map(([id, one]) => ({ value: id, label: one.label }))"
        label="Required clearance"
        @change="setPolicy"
      />
    </FieldItem>
    <FieldItem class="policy" label="Stick-on weights in the barrel" help="Used for wheels whose balance weights were not measured.">
      <ChoiceSelect
        label="Stick-on weights in the barrel"
        data-field="weightAllowanceMm"
        :value="weightMm"
        :options="WEIGHTS.map((one) => ({ value: one.mm, label: one.label }))"
        @change="setWeights"
      />
    </FieldItem>
  </div>
</template>

<style scoped>
.policy {
  margin: 14px 0 8px;
}
</style>
