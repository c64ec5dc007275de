<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import { READ_NODES, TEMPERATURE_METHODS, type HeatReading, type ReadNode, type TemperatureMethod } from '#core/records/logbook.ts'
import { resolveSetup } from '#core/records/resolve.ts'
import type { WrittenCycle } from '#core/records/drive-cycle.ts'
import { carShowsC } from '#core/heat/car-shows.ts'
import { useHeat } from '~/composables/heat'
import { newId } from '~/composables/new-id'
import { useProbe } from '~/composables/probe'
import { PROBE_FAULTS, type SimulatedProbeFault } from '~/gauge/simulated-probe'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Temperatures that were read after a drive: they calibrate the heat of what was on the car, and narrow what it may be. */
const store = useProjectStore()
const { setup, units, axle, chooseAxle } = useWorkbench()
const { heat, duty, working } = useHeat()
const c = (value: number | undefined) => formatQuantity(value, 'temperature', units.value, { decimals: 0 })
const lump = ref<ReadNode>('ring')
const method = ref<TemperatureMethod>('paint')
const typed = ref('')
const after = ref('60')
const air = ref('20')
const error = ref('')
const today = () => new Date().toISOString().slice(0, 10)
const peak = computed(() => TEMPERATURE_METHODS[method.value].peak)

function reading(): HeatReading | undefined {
  const read = parseQuantity(typed.value, 'temperature', units.value)
  const [waited, airC] = [parseQuantity(after.value, 'seconds'), parseQuantity(air.value, 'temperature', units.value)]
  const afterS = waited.ok ? waited.value : NaN
  if (!read.ok) error.value = `Temperature: ${read.message}`
  else if (!airC.ok) error.value = `Air: ${airC.message}`
  else if (!peak.value && !(afterS >= 0)) error.value = 'Seconds after the drive: a number, 0 or more.'
  else {
    const parts = store.project && setup.value ? resolveSetup(store.project, setup.value)[axle.value] : undefined
    error.value = ''
    return {
      id: newId(),
      date: today(),
      setupId: setup.value!.id,
      driving: { name: duty.value!.label, duty: JSON.parse(JSON.stringify(duty.value!.duty)) as WrittenCycle },
      axle: axle.value,
      lump: lump.value,
      method: method.value,
      readC: read.value,
      afterS: peak.value ? 0 : afterS,
      airC: airC.value,
      parts: [parts?.caliper?.id, parts?.rotor?.id, parts?.pad?.id].filter((one) => one !== undefined),
    }
  }
  return undefined
}
function keep() {
  const one = reading()
  if (!one) return
  const problems = store.edit('Enter a temperature', (draft) => void draft.heatReadings.push(one), { shows: true })
  error.value = problems[0] ? `${problems[0].place} ${problems[0].message}.` : ''
  if (problems.length === 0) typed.value = ''
}
const forget = (id: string) =>
  store.edit('Remove a temperature', (draft) => void (draft.heatReadings = draft.heatReadings.filter((one) => one.id !== id)))
const log = computed(() =>
  [...(store.project?.heatReadings ?? [])]
    .sort((a, b) => b.date.localeCompare(a.date))
    .map((one) => ({
      one,
      used: heat.value?.readings.find((said) => said.id === one.id),
      setup: store.current.setups.find((candidate) => candidate.id === one.setupId)?.name ?? 'a setup that is gone',
      duty: one.driving.name,
    })),
)

const probe = useProbe((readC) => (typed.value = formatQuantity(readC, 'temperature', units.value, { decimals: 0 })))
const fault = ref<SimulatedProbeFault>('none')
const truthC = computed(() =>
  heat.value ? carShowsC(heat.value, axle.value, lump.value, Number(after.value.replace(',', '.')) || 0) : undefined,
)
function holdProbe() {
  if (truthC.value === undefined) return
  probe.turn(true)
  method.value = 'probe'
  void probe.hold(truthC.value, fault.value)
}
</script>

<template>
  <div class="readings">
    <SessionChoice />
    <WorkingLine v-if="working" what="The session is being computed" />
    <p v-if="heat?.narrowed" class="said" data-test="narrowed">
      <strong>{{ heat.narrowed }}</strong>
    </p>
    <p v-else-if="heat?.readNext" class="said">
      <strong>{{ heat.readNext }}</strong>
    </p>
    <p v-else class="said">One temperature reading describes this car better than any typical value.</p>
    <form class="entry" @submit.prevent="keep">
      <FieldItem label="Axle"
        ><ChoiceSelect
          label="Axle"
          :value="axle"
          :options="[
            { value: 'front', label: 'front' },
            { value: 'rear', label: 'rear' },
          ]"
          @change="chooseAxle($event as 'front' | 'rear')"
      /></FieldItem>
      <FieldItem label="Of the"
        ><ChoiceSelect
          label="Of the"
          data-test="read-lump"
          :value="lump"
          :options="(Object.keys(READ_NODES) as ReadNode[]).map((value) => ({ value, label: READ_NODES[value] }))"
          @change="lump = $event"
      /></FieldItem>
      <FieldItem label="By" help="Paint and strips show the highest temperature; other methods show the present one."
        ><ChoiceSelect
          label="By"
          data-test="read-method"
          :value="method"
          :options="
            (Object.keys(TEMPERATURE_METHODS) as TemperatureMethod[]).map((value) => ({
              value,
              label: `${TEMPERATURE_METHODS[value].label}, ± ${TEMPERATURE_METHODS[value].u} K`,
            }))
          "
          @change="method = $event"
      /></FieldItem>
      <FieldItem v-if="!peak" label="Seconds after the drive"
        ><ElInput v-model="after" class="num" aria-label="Seconds after the drive" :validate-event="false"
      /></FieldItem>
      <FieldItem label="Air"><ElInput v-model="air" class="num" aria-label="Air" :validate-event="false" /></FieldItem>
      <FieldItem :label="peak ? 'Highest' : 'Temperature'"
        ><ElInput v-model="typed" class="num" :placeholder="units.temperature" aria-label="Temperature" :validate-event="false"
      /></FieldItem>
      <ElButton type="primary" native-type="submit" :disabled="typed.trim() === ''">Enter the value</ElButton>
    </form>
    <p v-if="error" class="field-error" role="alert">{{ error }}</p>
    <SafetyNote
      :note="{
        level: 'warning',
        hazard: 'Hot brakes burn and start fires.',
        action: 'Wear gloves, hold the car with a gear and a chock, and use no water.',
      }"
    />
    <p class="soft small">Infrared reads bare metal too low. Measure on a spot of heat-proof matt paint, or set the emissivity.</p>
    <section>
      <h2>Temperature readings</h2>
      <NothingYet v-if="log.length === 0" text="No temperature readings yet." />
      <ul class="log" data-test="heat-log">
        <li v-for="{ one, used, setup: name, duty: drive } in log" :key="one.id">
          <span
            ><strong class="num">{{ c(one.readC) }}</strong> {{ READ_NODES[one.lump] }}, {{ one.axle }}, by
            {{ TEMPERATURE_METHODS[one.method].label }}<span class="soft small">; {{ one.date }}, {{ name }}, {{ drive }}</span
            ><br /><span class="small" :class="used?.used ? 'tone-fits' : 'soft'">{{
              used ? used.words : 'Measured with other parts than this setup’s.'
            }}</span></span
          >
          <ElButton text :aria-label="`Remove the temperature of ${one.date}, ${READ_NODES[one.lump]}`" @click="forget(one.id)">
            <Icon name="tabler:trash" size="16" />
          </ElButton>
        </li>
      </ul>
    </section>
    <section>
      <h2>Simulated temperature probe</h2>
      <p class="soft small">
        Simulated probe on the {{ READ_NODES[lump] }}, {{ axle }}, after this session, on a car that cools slightly better than usual. Wait
        until the reading is steady.
      </p>
      <div class="entry">
        <FieldItem label="Fault"
          ><ChoiceSelect
            label="Fault"
            :value="fault"
            :options="PROBE_FAULTS.map(({ id, label }) => ({ value: id, label }))"
            @change="fault = $event"
        /></FieldItem>
        <ElButton :disabled="truthC === undefined" data-test="hold-probe" @click="holdProbe">Hold it there</ElButton>
        <template v-if="probe.on.value">
          <output class="shown num" data-test="probe-shows">{{ probe.shownC.value === undefined ? '–' : c(probe.shownC.value) }}</output>
          <ElButton data-test="send-probe" @click="probe.send()">Add reading</ElButton>
          <ElButton @click="probe.turn(false)">Disconnect</ElButton>
        </template>
      </div>
      <p v-if="probe.trouble.value" class="field-error" role="alert">{{ probe.trouble.value }}</p>
    </section>
  </div>
</template>

<style scoped>
.readings {
  display: grid;
  gap: 10px;
  max-width: 860px;
}
.said {
  margin: 4px 0;
  font-size: 16px;
}
.shown {
  min-width: 80px;
  padding: 4px 8px;
  border: 1px solid var(--line);
  font-size: 18px;
}
.log li > span:first-child {
  flex: 1;
}
</style>
