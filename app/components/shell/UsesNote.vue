<script setup lang="ts">
import { computed } from 'vue'
import { USES, usesOf } from '#core/records/uses.ts'
import { CYCLES } from '#core/heat/drive-cycles.ts'
import { BANDS } from '#core/hydraulics/pedal-bands.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import type { UnitChoice } from '#core/quantity/units.ts'

/** What follows from each use of the car: the driving that is asked about, the pedal that is usual, the aim, the caution. */
const props = defineProps<{ uses: readonly string[] | undefined; units: UnitChoice }>()
const rows = computed(() =>
  usesOf(props.uses).map((id) => {
    const { label, duty, pedal, aim, caution } = USES[id]
    const { forceN } = BANDS[pedal]
    return {
      id,
      label,
      duty: CYCLES.find((one) => one.id === duty)!.label,
      pedal: `${formatQuantity(forceN.low, 'force', props.units)} to ${formatQuantity(forceN.high, 'force', props.units)}`,
      aim,
      caution,
    }
  }),
)
</script>

<template>
  <FoldedPart v-if="rows.length > 0" title="Effects of the use" data-test="uses-said">
    <ElDescriptions v-for="row in rows" :key="row.id" :title="row.label" :column="1" size="small" border class="use">
      <ElDescriptionsItem label="Session shown first">{{ row.duty }}</ElDescriptionsItem>
      <ElDescriptionsItem label="Usual pedal">{{ row.pedal }}</ElDescriptionsItem>
      <ElDescriptionsItem label="Balance">{{ row.aim }}</ElDescriptionsItem>
      <ElDescriptionsItem label="Mind">{{ row.caution }}</ElDescriptionsItem>
    </ElDescriptions>
    <p class="soft small">
      With several uses, road requirements apply and the hardest session is shown first. Set the balance target in Balance.
    </p>
  </FoldedPart>
</template>

<style scoped>
.use {
  max-width: 760px;
  margin-bottom: 10px;
}
</style>
