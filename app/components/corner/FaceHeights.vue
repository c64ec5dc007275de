<script setup lang="ts">
import { computed } from 'vue'
import { resolveSetup } from '#core/records/resolve.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { VERDICT_SHORT } from '#core/clearance/words.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** The faces that the wheel's maker lists for this rim, each with its verdict. */
const store = useProjectStore()
const { report, setup, axle, units } = useWorkbench()
const faces = computed(() => report.value!.corners[axle.value].faces)
const mm = (value: number | undefined) => formatQuantity(value, 'length', units.value)
function setFace(name: string) {
  const id = resolveSetup(store.current, setup.value!)[axle.value].wheel?.id
  store.edit(`Face ${name}`, (draft) => {
    const wheel = draft.parts.find((one) => one.id === id)
    if (wheel?.kind === 'wheel') wheel.faceChosen = name
  })
}
</script>

<template>
  <div v-if="faces.length > 0">
    <h2>Face heights of this wheel</h2>
    <ElDescriptions :column="1" border data-test="faces">
      <ElDescriptionsItem v-for="face in faces" :key="face.name" label-align="left" align="right">
        <template #label>
          {{ face.name }}
          <span class="soft">raised {{ mm(face.raiseMm) }}{{ face.lipMm === undefined ? '' : `, lip ${mm(face.lipMm)}` }}</span>
        </template>
        {{ VERDICT_SHORT[face.verdict] }}, {{ mm(face.gapMm) }}
        <span v-if="face.leastThatClears" class="block small tone-fits">the least that clears</span>
        <span v-if="face.fitted" class="block small soft">fitted</span>
        <ElButton v-else link type="primary" class="small" @click="setFace(face.name)">Use {{ face.name }}</ElButton>
      </ElDescriptionsItem>
    </ElDescriptions>
  </div>
</template>
