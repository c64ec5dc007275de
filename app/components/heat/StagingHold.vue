<script setup lang="ts">
import { computed, ref } from 'vue'
import { parseQuantity } from '#core/quantity/parse.ts'
import { stagingReport } from '#core/heat/staging-report.ts'
import type { Axle } from '#core/quantity/axle.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Held on the line against its own drive: whether the foot does it. */
const store = useProjectStore()
const { setup, units } = useWorkbench()
const driven = computed<Axle>(() => (store.project?.car.driven === 'rear' ? 'rear' : 'front'))
const torque = ref('')
const calipers = ref('1')
const axle = ref<Axle>()
const torqueNm = computed(() => {
  const read = parseQuantity(torque.value, 'torque', units.value)
  return read.ok ? read.value : 0
})
const found = computed(() =>
  store.project && setup.value && torqueNm.value > 0
    ? stagingReport(store.project, setup.value.id, {
        axle: axle.value ?? driven.value,
        axleTorqueNm: torqueNm.value,
        calipersPerWheel: calipers.value === '2' ? 2 : 1,
      })
    : undefined,
)
</script>

<template>
  <section data-test="staging">
    <h2>Held on the line</h2>
    <div class="entry">
      <FieldItem label="Axle that is held"
        ><ChoiceSelect
          label="Axle that is held"
          :value="axle ?? driven"
          :options="[
            { value: 'front', label: 'front' },
            { value: 'rear', label: 'rear' },
          ]"
          @change="axle = $event as Axle"
      /></FieldItem>
      <FieldItem
        label="Torque at that axle, N m"
        help="Engine torque on the line times gear, final drive and what the converter adds; both wheels."
        ><ElInput v-model="torque" class="num" aria-label="Torque at that axle" :validate-event="false"
      /></FieldItem>
      <FieldItem label="Calipers at each wheel"
        ><ChoiceSelect
          label="Calipers at each wheel"
          :value="calipers"
          :options="[
            { value: '1', label: 'one' },
            { value: '2', label: 'two of a kind' },
          ]"
          @change="calipers = $event"
      /></FieldItem>
    </div>
    <p v-if="found?.held" :class="`tone-${found.verdict}`" data-test="staging-says">
      <VerdictMark :verdict="found.verdict" :size="16" /> {{ found.sentence }}
    </p>
    <NotEnoughData v-else-if="found" what="holding on the line" :missing="found.missing" />
    <p class="soft small">Hot or glazed pads hold less. Keep everyone clear of the front of a car held against its engine.</p>
  </section>
</template>

<style scoped>
.entry > .el-form-item {
  width: 200px;
}
</style>
