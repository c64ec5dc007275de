<script setup lang="ts">
import { computed } from 'vue'
import { length } from '#core/records/field.ts'
import { chooseSpacer } from '#core/commands/spacer-choice.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** The spacer under the wheel: its thickness, the stock size that clears, and what it does to thread, register and track. */
const store = useProjectStore()
const { report, setup, axle, units, openFigureId } = useWorkbench()
const corner = computed(() => report.value!.corners[axle.value])
const spacerField = length('Wheel spacer', 0, 60)
const mm = (value: number | undefined) => formatQuantity(value, 'length', units.value)
function setSpacer(value: number) {
  store.edit(`Spacer, ${axle.value}`, (draft) => {
    const target = draft.setups.find((one) => one.id === setup.value?.id)![axle.value]
    delete target.spacer
    delete target.spacerTrialMm
    Object.assign(target, chooseSpacer(draft, value))
  })
}
</script>

<template>
  <div>
    <h2>Spacer, <GlossaryTerm id="threadEngagement" /> and <GlossaryTerm id="hubRegister" /></h2>
    <div class="spacer">
      <FigureInput
        :key="axle"
        name="spacer"
        :field="spacerField"
        :label="`Thickness, ${axle}`"
        :figure="{ value: corner.spacerMm ?? 0, origin: 'measured' }"
        :units="units"
        bare
        @change="setSpacer($event?.value ?? 0)"
      />
      <ElButton
        v-if="corner.stockSpacerMm && corner.stockSpacerMm !== corner.spacerMm"
        type="primary"
        data-test="take-spacer"
        @click="setSpacer(corner.stockSpacerMm)"
      >
        Add {{ mm(corner.stockSpacerMm) }} spacers
      </ElButton>
    </div>
    <p class="small">{{ corner.spacerSentence }}</p>
    <ElDescriptions class="effects" :column="1" border data-test="effects">
      <ElDescriptionsItem v-for="one in corner.consequences" :key="one.figureId" label-align="left" align="right">
        <template #label>
          <ElButton link type="primary" @click="openFigureId = one.figureId">{{ one.label }}</ElButton>
        </template>
        <VerdictMark v-if="one.judged || one.verdict !== 'fits'" :verdict="one.verdict" :size="14" />
        {{ one.text }}
        <span v-if="one.judged && one.verdict !== 'fits'" class="block small" :class="`tone-${one.verdict}`">{{ one.sentence }}</span>
      </ElDescriptionsItem>
    </ElDescriptions>
    <SafetyNote
      :note="{
        level: 'warning',
        hazard: 'A spacer reduces thread engagement and hub register, and a wheel can come off.',
        action: 'Check stud length, centring and local rules before you fit it.',
      }"
    />
  </div>
</template>

<style scoped>
.spacer {
  display: flex;
  gap: 10px;
  align-items: flex-end;
}
.spacer > div {
  width: 150px;
}
</style>
