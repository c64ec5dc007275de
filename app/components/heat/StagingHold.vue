<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatQuantity } from '#core/quantity/format.ts'
import { stagingReport } from '#core/report/heat/staging-report.ts'
import { FAILURE_FORCE_N } from '#core/report/balance/balance-report.ts'
import type { Axle } from '#core/model/project.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Held on the line against its own drive: whether the foot does it. */
const store = useProjectStore()
const { setup, units } = useWorkbench()
const driven = computed<Axle>(() => (store.project?.car.driven === 'rear' ? 'rear' : 'front'))
const torque = ref('')
const calipers = ref('1')
const axle = ref<Axle>()
const torqueNm = computed(() => Number(torque.value.replace(',', '.')))
const found = computed(() =>
  store.project && setup.value && torqueNm.value > 0
    ? stagingReport(store.project, setup.value.id, {
        axle: axle.value ?? driven.value,
        axleTorqueNm: torqueNm.value,
        calipersPerWheel: calipers.value === '2' ? 2 : 1,
      })
    : undefined,
)
const mpa = (value: number) => formatQuantity(value, 'pressure', units.value)
const says = computed(() => {
  const { held, pressureAtFootMpa, footAtMost, frictionCold } = found.value ?? {}
  if (!held || pressureAtFootMpa === undefined) return undefined
  const foot = `${formatQuantity(FAILURE_FORCE_N, 'force', units.value)} of foot ${footAtMost ? 'make at most' : 'make'} ${mpa(pressureAtFootMpa)}`
  const needed = `Holding takes ${mpa(held.pressureMpa)} at a friction of ${frictionCold!.toFixed(2)} when cold, ${formatQuantity(held.clampN, 'force', units.value)} of clamp on each pad`
  const more = `${Math.abs(Math.round(held.marginShare * 100))}\u202f%`
  if (held.enough && footAtMost) return { tone: 'unknown' as const, text: `${needed}; ${foot}: whether that is enough is not known.` }
  return held.enough
    ? { tone: 'fits' as const, text: `It holds: ${needed.toLowerCase()}; ${foot}, ${more} more.` }
    : { tone: 'needs' as const, text: `It does not hold: ${needed.toLowerCase()}; ${foot}, ${more} too little.` }
})
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
    <p v-if="says" :class="`tone-${says.tone}`" data-test="staging-says"><VerdictMark :verdict="says.tone" :size="16" /> {{ says.text }}</p>
    <CannotSay v-else-if="found" what="whether it is held" :missing="found.missing" />
    <p class="soft small">Pads that are hot or glazed hold less. Nobody stands before a car that is held against its engine.</p>
  </section>
</template>

<style scoped>
.entry {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
}
.entry > .el-form-item {
  width: 200px;
}
</style>
