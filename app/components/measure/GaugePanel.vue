<script setup lang="ts">
import { ref, watch } from 'vue'
import { formatQuantity } from '#core/quantity/format.ts'
import type { UnitChoice } from '#core/quantity/units.ts'
import { useGauge } from '~/composables/gauge'
import { GAUGE_FAULTS, type GaugeFault } from '~/gauge/simulated-gauge'

/** The gauge in hand: what it shows, its button, its zero; for the simulated one where its jaws are. */
defineProps<{ units: UnitChoice }>()
const gauge = useGauge()
const { driverId, shownMm, trouble, note, field } = gauge
const jaws = ref('42.00')
const fault = ref<GaugeFault>('none')
const offline = ref('')

async function tell(work: () => Promise<unknown>) {
  try {
    await work()
    offline.value = ''
  } catch {
    offline.value = 'The simulated gauge on the server does not answer. Type the readings.'
  }
}
const setJaws = () => {
  const jawMm = Number(jaws.value.replace(',', '.'))
  if (Number.isFinite(jawMm) && Math.abs(jawMm) <= 1000) return tell(() => gauge.set(jawMm, fault.value))
  offline.value = 'Jaws: a number of millimetres up to 1000.'
}
watch(driverId, (id) => {
  if (id === 'simulated') void setJaws()
})
async function send() {
  await setJaws()
  await tell(() => gauge.send())
}
async function zero() {
  gauge.checkZero()
  await tell(() => gauge.set(0, fault.value))
  await tell(() => gauge.send())
}
</script>

<template>
  <section class="gauge" aria-label="Gauge">
    <FieldItem class="which" label="Gauge"
      ><ChoiceSelect
        data-test="gauge"
        :value="driverId"
        :options="[{ value: '', label: 'none: type the readings' }, ...gauge.drivers.map((one) => ({ value: one.id, label: one.label }))]"
        label="Gauge"
        @change="gauge.choose($event)"
    /></FieldItem>
    <template v-if="driverId">
      <output class="shown num" data-test="gauge-shows">{{
        formatQuantity(shownMm, 'length', units, { decimals: units.length === 'mm' ? 2 : 4 })
      }}</output>
      <template v-if="driverId === 'simulated'">
        <FieldItem label="Jaws at, mm"
          ><ElInput
            v-model="jaws"
            class="num"
            inputmode="decimal"
            aria-label="Jaws at, mm"
            :validate-event="false"
            @change="setJaws"
            @keydown.enter.prevent="setJaws"
        /></FieldItem>
        <FieldItem label="Fault"
          ><ChoiceSelect
            :value="fault"
            :options="GAUGE_FAULTS.map((one) => ({ value: one.id, label: one.label }))"
            label="Fault"
            @change="((fault = $event), setJaws())"
        /></FieldItem>
        <!-- the field that is being measured keeps the focus -->
        <ElButton type="primary" data-test="gauge-send" @mousedown.prevent @click="send">Send</ElButton>
        <ElButton @mousedown.prevent @click="zero">Check zero</ElButton>
      </template>
      <p class="say small" role="status">
        <span v-if="offline || trouble" class="field-error">{{ offline || trouble }}</span>
        <span v-else-if="note">{{ note }}</span>
        <span v-else-if="field" class="soft">feeds: {{ field.label }}</span>
        <span v-else class="soft">Select a dimension for the reading.</span>
      </p>
    </template>
  </section>
</template>

<style scoped>
.gauge {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: flex-end;
  padding: 5px 10px;
  border: 1px solid var(--line);
  background: var(--sheet-2);
}
.gauge > .el-form-item {
  flex: 0 1 132px;
  min-width: 96px;
}
.gauge .which {
  display: flex;
  flex: 1 1 100%;
  gap: 10px;
  align-items: center;
}
.shown {
  min-width: 104px;
  padding: 3px 10px;
  border: 1px solid var(--ink);
  font-size: 20px;
  font-weight: 640;
  text-align: right;
}
.say {
  flex: 1 1 100%;
  margin: 0;
}
@media (max-width: 760px) {
  .el-button {
    min-height: 44px;
    flex: 1;
  }
}
</style>
