<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { spacerInUseMm, resolveSetup } from '#core/records/resolve.ts'
import { AXLES } from '#core/quantity/axle.ts'
import { chooseSpacer } from '#core/commands/spacer-choice.ts'
import { useProjectStore } from '~/stores/project'
import { useLiveEdit } from '~/composables/live-edit'
import { useWorkbench } from '~/composables/workbench'

/** The corner drawing of the chosen axle, with what can be moved in it wired to the project. */
const store = useProjectStore()
const { report, setup, axle, units, chooseAxle } = useWorkbench()
const { move, settle, project } = useLiveEdit()
/** Drawn in three dimensions; what draws it comes with the first press. */
const solid = ref(false)
const CornerView3D = defineAsyncComponent(() => import('./CornerView3D.vue'))

// straight from the project: the hand must not wait for the report
const spacerMm = computed(() => {
  const held = project.value
  const now = held?.setups.find((one) => one.id === setup.value?.id)
  return held && now ? spacerInUseMm(resolveSetup(held, now)[axle.value]) : undefined
})

function setSpacer(mm: number) {
  const id = setup.value?.id
  const at = axle.value
  if (!id) return
  move(id, `Spacer, ${at}`, (draft) => {
    const target = draft.setups.find((one) => one.id === id)![at]
    delete target.spacer
    delete target.spacerTrialMm
    Object.assign(target, chooseSpacer(draft, mm))
  })
}
</script>

<template>
  <figure class="panel">
    <div class="axles" role="group" aria-label="Corner">
      <ElButton v-for="one in AXLES" :key="one" text :aria-pressed="axle === one" @click="chooseAxle(one)">
        {{ one === 'front' ? 'Front' : 'Rear' }}
      </ElButton>
      <ElButton text :aria-pressed="solid" data-test="show-3d" title="Wheel and caliper in 3D" @click="solid = !solid">3D</ElButton>
    </div>
    <CornerView3D v-if="report && solid" :corner="report.corners[axle]" class="solid" />
    <CornerDrawing
      v-else-if="report"
      :corner="report.corners[axle]"
      :units="units"
      :spacer-mm="spacerMm"
      :policy="store.current.preferences.gapPolicy"
      @spacer="setSpacer"
      @settled="settle"
    />
  </figure>
</template>

<style scoped>
.panel {
  position: relative;
  display: flex;
  min-width: 0;
  min-height: 0;
  height: 100%;
  margin: 0;
}
.axles {
  position: absolute;
  top: 0;
  right: 0;
  z-index: 2;
  display: flex;
}
.axles [aria-pressed='true'] {
  font-weight: 680;
  text-decoration: underline;
  text-underline-offset: 5px;
  text-decoration-thickness: 2px;
}
@media (max-width: 760px) {
  .panel {
    flex-direction: column;
  }
  .axles {
    position: static;
    justify-content: flex-end;
  }
}
</style>
