<script setup lang="ts">
import { computed } from 'vue'
import { makeHeatEdit } from '#core/commands/heat-edit.ts'
import { helps, leversSentence, type HeatLever } from '#core/heat/heat-adjustments.ts'
import { useHeatLevers } from '~/composables/heat'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Everything that could help over this driving, each tried; cheapest first. What gains nothing stands below. */
const store = useProjectStore()
const { setup } = useWorkbench()
const { levers, working, share, stopped, begin, stop } = useHeatLevers()
const helping = computed(() => levers.value?.levers.filter(helps) ?? [])
const others = computed(() => levers.value?.levers.filter((one) => !helping.value.includes(one)) ?? [])
const take = (lever: HeatLever) =>
  store.edit(`Apply ${lever.label}`.slice(0, 80), (draft) => makeHeatEdit(draft, setup.value!.id, lever.edit))
</script>

<template>
  <div>
    <SessionChoice />
    <WorkingLine v-if="working" what="Each change is being driven" :share="share" @stop="stop" />
    <p v-if="stopped" class="small no-print" data-test="levers-stopped">
      Stopped; nothing was changed. <ElButton link type="primary" @click="begin">Compute all changes</ElButton>
    </p>
    <template v-if="levers">
      <h1 v-if="levers.levers.length > 0" data-test="levers-say">{{ leversSentence(levers) }}</h1>
      <NothingYet v-else-if="!working && !stopped" text="Changes are tried once the session can be computed." />
      <AdjustmentTable v-if="helping.length > 0" :levers="helping" data-test="levers" @take="take" />
      <FoldedPart v-if="others.length > 0" :title="`No gain in this session: ${others.length}`">
        <AdjustmentTable :levers="others" data-test="no-levers" @take="take" />
      </FoldedPart>
      <p class="soft small">
        Cheapest first. Each change was applied and the session computed again with nominal values. Cooling ducts and shims join the parts
        list without a price.
      </p>
    </template>
    <PadCurves />
  </div>
</template>

<style scoped>
h1 {
  max-width: 860px;
  margin: 8px 0 6px;
  font-size: 17px;
}
</style>
