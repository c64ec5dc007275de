<script setup lang="ts">
import { computed, onBeforeUnmount, ref } from 'vue'
import type { LoadDriven, StopTest, SurfaceDriven } from '#core/records/logbook.ts'
import { stopFromPoints, stopFromTable } from '#core/formats/stop-trace.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import { stopReport } from '#core/heat/stop-report.ts'
import { today } from '~/composables/build'
import { newId } from '~/composables/new-id'
import { LOGGER_FAULTS, simulatedLogger, type SimulatedLoggerFault } from '~/gauge/simulated-logger'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** One stop more: typed, from a logger's file, or from the logger that is connected. */
const props = defineProps<{ surface: SurfaceDriven; load: LoadDriven }>()
const store = useProjectStore()
const { setup, units } = useWorkbench()
const from = ref('100')
const distance = ref('')
const date = ref(today())
const abs = ref<'unknown' | 'yes' | 'no'>('unknown')
const words = ref({ tyre: '', track: '', driver: '', note: '' })
const rotor = ref('')
const air = ref('')
const error = ref('')
const said = ref('')

function keep(stop: Pick<StopTest, 'fromKmh' | 'distanceM'> & Partial<StopTest>): boolean {
  const temperatures = [rotor.value, air.value].map((text) =>
    text.trim() === '' ? undefined : parseQuantity(text, 'temperature', units.value),
  )
  const wrong = temperatures.find((one) => one?.ok === false)
  if (wrong?.ok === false) {
    error.value = `Temperature: ${wrong.message}`
    return false
  }
  const [rotorC, airC] = temperatures.map((one) => (one?.ok ? one.value : undefined))
  const one: StopTest = {
    id: newId(),
    date: date.value,
    setupId: setup.value!.id,
    surface: props.surface,
    load: props.load,
    ...(abs.value === 'unknown' ? {} : { abs: abs.value === 'yes' }),
    ...(rotorC === undefined ? {} : { rotorC }),
    ...(airC === undefined ? {} : { airC }),
    ...Object.fromEntries(Object.entries(words.value).flatMap(([key, text]) => (text.trim() ? [[key, text.trim().slice(0, 120)]] : []))),
    ...stop,
  }
  const problems = store.edit('Enter a stop', (draft) => void draft.stopTests.push(one), { shows: true })
  error.value = problems[0] ? `${problems[0].place}: ${problems[0].message}.` : ''
  return problems.length === 0
}
function typed() {
  said.value = ''
  const [speed, way] = [parseQuantity(from.value, 'speed', units.value), parseQuantity(distance.value, 'distance', units.value)]
  if (!speed.ok) error.value = `Start speed: ${speed.message}`
  else if (!way.ok) error.value = `Distance: ${way.message}`
  else if (keep({ fromKmh: speed.value, distanceM: way.value })) distance.value = ''
}
async function file(picked: File) {
  said.value = ''
  const read = stopFromTable(await picked.text())
  if (!read.ok) error.value = `${picked.name}: ${read.message}`
  else if (keep(read.stop)) said.value = `${picked.name}: a stop ${read.words}`
}

/** What the simulated car does with this setup, as far as the model knows. */
const model = computed(() => {
  const row =
    store.project && setup.value ? stopReport(store.project, setup.value.id).rows.find((one) => one.surface === props.surface) : undefined
  return Math.min(2, Math.max(0.1, row?.decelG ?? 0.8))
})
const fault = ref<SimulatedLoggerFault>('none')
const live = ref<{ kmh: number; seconds: number }>()
let stop: (() => void) | undefined
function drive() {
  stop?.()
  error.value = said.value = ''
  const points: [number, number][] = []
  const speed = parseQuantity(from.value, 'speed', units.value)
  const fromKmh = Math.min(300, Math.max(20, speed.ok ? speed.value : 100))
  live.value = { kmh: fromKmh, seconds: 0 }
  stop = simulatedLogger({ fromKmh, decelG: Number(model.value.toFixed(3)), fault: fault.value })({
    sample(seconds, kmh) {
      points.push([seconds, kmh])
      live.value = { kmh, seconds }
    },
    ended() {
      live.value = undefined
      const read = stopFromPoints(points)
      if (!read.ok) error.value = `Not imported. ${read.message}`
      // nobody drove it: that stays with it
      else if (keep({ ...read.stop, note: ['Simulated logger', words.value.note.trim()].filter(Boolean).join('; ') }))
        said.value = `Imported: a stop ${read.words}`
    },
    trouble(message) {
      live.value = undefined
      error.value = message
    },
  })
}
onBeforeUnmount(() => stop?.())
</script>

<template>
  <section class="new no-print">
    <h2>Another stop with “{{ setup?.name }}”</h2>
    <form class="entry" @submit.prevent="typed">
      <FieldItem label="From, km/h"
        ><ElInput v-model="from" class="num" inputmode="decimal" aria-label="From, km/h" :validate-event="false"
      /></FieldItem>
      <FieldItem label="Stopped in, m"
        ><ElInput v-model="distance" class="num" inputmode="decimal" aria-label="Stopped in, m" :validate-event="false"
      /></FieldItem>
      <ElButton type="primary" native-type="submit" :disabled="distance.trim() === ''">Log stop</ElButton>
      <FilePick label="From a logger’s file" accept=".csv,.txt,.tsv" name="stop-file" @pick="file" />
    </form>
    <p v-if="error" class="field-error" role="alert">{{ error }}</p>
    <p v-if="said" class="small tone-fits" role="status" data-test="stop-said">{{ said }}</p>
    <FoldedPart title="Conditions, saved with each stop">
      <div class="entry">
        <FieldItem label="Day"
          ><ElDatePicker
            v-model="date"
            type="date"
            format="YYYY-MM-DD"
            value-format="YYYY-MM-DD"
            :clearable="false"
            aria-label="Day"
            :validate-event="false"
        /></FieldItem>
        <FieldItem label="ABS"
          ><ChoiceSelect
            label="ABS"
            :value="abs"
            :options="[
              { value: 'unknown', label: 'not said' },
              { value: 'yes', label: 'at work' },
              { value: 'no', label: 'not at work' },
            ]"
            @change="abs = $event as typeof abs"
        /></FieldItem>
        <FieldItem label="Rotors before, °C"
          ><ElInput v-model="rotor" class="num" aria-label="Rotors before, °C" :validate-event="false"
        /></FieldItem>
        <FieldItem label="Air, °C"><ElInput v-model="air" class="num" aria-label="Air, °C" :validate-event="false" /></FieldItem>
        <FieldItem label="Tyre"><ElInput v-model="words.tyre" maxlength="120" aria-label="Tyre" :validate-event="false" /></FieldItem>
        <FieldItem label="Track or road"
          ><ElInput v-model="words.track" maxlength="120" aria-label="Track or road" :validate-event="false"
        /></FieldItem>
        <FieldItem label="Driver"><ElInput v-model="words.driver" maxlength="120" aria-label="Driver" :validate-event="false" /></FieldItem>
        <FieldItem label="Note"><ElInput v-model="words.note" maxlength="120" aria-label="Note" :validate-event="false" /></FieldItem>
      </div>
    </FoldedPart>
    <FoldedPart title="Simulated logger">
      <p class="soft small">Simulated speed logger: it records a stop of this setup as the model predicts it, with a driver’s scatter.</p>
      <div class="entry">
        <FieldItem label="Fault"
          ><ChoiceSelect
            label="Fault"
            :value="fault"
            :options="LOGGER_FAULTS.map(({ id, label }) => ({ value: id, label }))"
            @change="fault = $event"
        /></FieldItem>
        <ElButton :disabled="live !== undefined" data-test="drive-stop" @click="drive">Drive a stop</ElButton>
        <output v-if="live" class="shown num" data-test="logger-shows">{{ live.kmh.toFixed(1) }} km/h</output>
      </div>
    </FoldedPart>
    <SafetyNote
      :note="{
        level: 'warning',
        hazard: 'A full stop can spin the car.',
        action: 'Use closed, dry, straight ground; keep bystanders away. End the test if the pedal gets long or soft.',
      }"
    />
  </section>
</template>

<style scoped>
.shown {
  min-width: 110px;
  padding: 4px 8px;
  border: 1px solid var(--line);
  font-size: 18px;
}
</style>
