<script setup lang="ts">
import { SAFETY } from '#core/records/safety-note.ts'
import { computed, ref } from 'vue'
import { withBackingPlate, type PadMeasured } from '#core/evidence/pad-reading.ts'
import { fieldsOf } from '#core/records/part-kinds.ts'
import type { FigureField } from '#core/records/field.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { PAD_POINTS, type PadPoint, type WearReading } from '#core/records/logbook.ts'
import { resolveSetup } from '#core/records/resolve.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import { wearReport } from '#core/evidence/wear-report.ts'
import { today } from '~/composables/build'
import { newId } from '~/composables/new-id'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Lining and rotors as measured: what is uneven and why, and how long they last. */
const store = useProjectStore()
const { setup, units, axle, chooseAxle, goTo, link, report } = useWorkbench()
const found = computed(() => wearReport(store.current))
const side = ref<'left' | 'right'>('left')
const events = ref('')
const points = ref<Record<PadPoint, string>>({ innerLeadingMm: '', innerTrailingMm: '', outerLeadingMm: '', outerTrailingMm: '' })
const rotor = ref('')
/** Asked, never assumed: a plate is as thick as a worn lining. */
const measured = ref<PadMeasured>()
const plate = ref('')
const error = ref('')
const fitted = computed(() => {
  const { pad, rotor: disc, caliper } = resolveSetup(store.current, setup.value!)[axle.value]
  return caliper?.kind === 'drum' ? { pad: undefined, rotor: undefined } : { pad, rotor: disc }
})
/** The minimum of what is fitted, where it is needed. */
const minimums = computed(() =>
  [fitted.value.pad, fitted.value.rotor].flatMap((part) =>
    part ? [{ part, field: fieldsOf(part.kind).minThicknessMm as FigureField, figure: part.minThicknessMm }] : [],
  ),
)
const setMinimum = (partId: string, figure: Figure | undefined) =>
  store.edit('Minimum thickness', (draft) => {
    const part = draft.parts.find((one) => one.id === partId)
    if (part?.kind !== 'pad' && part?.kind !== 'rotor') return
    if (figure) part.minThicknessMm = figure
    else delete part.minThicknessMm
  })
function keep() {
  error.value = ''
  const driven = Number(events.value.replace(',', '.'))
  if (events.value.trim() === '' || !(driven >= 0)) {
    error.value = 'Events driven since they went in: a number, 0 for new.'
    return
  }
  const read: Partial<Record<PadPoint | 'rotorMm', number>> = {}
  if (Object.values(points.value).some((text) => text.trim() !== '') && !measured.value) {
    error.value = 'Select whether the pad readings include the backing plate.'
    return
  }
  const ofPlate = plate.value.trim() === '' ? undefined : parseQuantity(plate.value, 'length', units.value)
  if (measured.value === 'liningOnly' && !ofPlate?.ok) {
    error.value = `Backing plate: ${ofPlate ? ofPlate.message : 'enter its thickness, so that the minimum can be compared.'}`
    return
  }
  for (const [key, text] of [...Object.entries(points.value), ['rotorMm', rotor.value] as const]) {
    if (text.trim() === '') continue
    const value = parseQuantity(text, 'length', units.value)
    if (!value.ok) {
      error.value = `${key === 'rotorMm' ? 'Rotor' : PAD_POINTS[key as PadPoint]}: ${value.message}`
      return
    }
    read[key as PadPoint] =
      key === 'rotorMm' ? value.value : withBackingPlate(value.value, measured.value!, ofPlate?.ok ? ofPlate.value : undefined)!
  }
  if (Object.keys(read).length === 0) {
    error.value = 'At least one thickness.'
    return
  }
  const pad = Object.keys(read).some((key) => key !== 'rotorMm') ? fitted.value.pad?.id : undefined
  const disc = read.rotorMm === undefined ? undefined : fitted.value.rotor?.id
  const one: WearReading = {
    id: newId(),
    date: today(),
    axle: axle.value,
    side: side.value,
    events: driven,
    setupId: setup.value!.id,
    ...(pad ? { pad } : {}),
    ...(disc ? { rotor: disc } : {}),
    ...read,
  }
  const problems = store.edit('Enter wear', (draft) => void draft.wearReadings.push(one), { shows: true })
  error.value = problems[0] ? `${problems[0].place}: ${problems[0].message}.` : ''
  if (problems.length > 0) return
  for (const key of Object.keys(points.value)) points.value[key as PadPoint] = ''
  rotor.value = ''
}
const forget = (id: string) =>
  store.edit('Remove wear', (draft) => void (draft.wearReadings = draft.wearReadings.filter((one) => one.id !== id)))
/** A measured rotor is what heat is computed with, where someone says so. */
const takeRotor = (one: { partId: string; mm: number; date: string }) =>
  store.edit('Thickness of the rotor now', (draft) => {
    const part = draft.parts.find((candidate) => candidate.id === one.partId)
    if (part?.kind === 'rotor') part.nowThicknessMm = { value: one.mm, origin: 'measured', date: one.date }
  })
const season = computed(() => report.value?.season.rows.filter((row) => row.measured) ?? [])
</script>

<template>
  <div class="wear">
    <h1 data-test="wear-say">{{ found.first?.sentence ?? 'No pad or rotor measurements yet' }}</h1>
    <p v-if="season.length > 0" class="small" data-test="wear-season">
      <NuxtLink :to="link('cost', { view: 'season' })">The season</NuxtLink> uses these measured values:
      {{ season.map((row) => row.label.toLowerCase()).join(', ') }}.
    </p>
    <SafetyNote :note="SAFETY.dust" />
    <SafetyNote :note="SAFETY.jack" />
    <form class="entry no-print" @submit.prevent="keep">
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
      <FieldItem label="Side"
        ><ChoiceSelect
          label="Side"
          :value="side"
          :options="[
            { value: 'left', label: 'left' },
            { value: 'right', label: 'right' },
          ]"
          @change="side = $event as 'left' | 'right'"
      /></FieldItem>
      <FieldItem label="Events since new" help="Driven with these pads and rotors since they went in; 0 for new."
        ><ElInput v-model="events" class="num" inputmode="decimal" aria-label="Events since new" :validate-event="false"
      /></FieldItem>
      <FieldItem
        v-for="(label, point) in PAD_POINTS"
        :key="point"
        :label="`Pad ${label}`"
        help="Thickness at that end. Leading: where the rotor enters the caliper."
        ><ElInput
          v-model="points[point]"
          class="num"
          inputmode="decimal"
          :placeholder="units.length"
          :aria-label="`Pad ${label}`"
          :validate-event="false"
      /></FieldItem>
      <FieldItem label="Pad readings are of"
        ><ChoiceSelect
          label="Pad readings are of"
          data-test="pad-measured"
          :value="measured ?? ''"
          :options="[
            { value: 'withPlate', label: 'backing plate and lining' },
            { value: 'liningOnly', label: 'lining only' },
          ]"
          placeholder="choose"
          @change="measured = $event as PadMeasured"
      /></FieldItem>
      <FieldItem v-if="measured === 'liningOnly'" label="Backing plate"
        ><ElInput
          v-model="plate"
          class="num"
          inputmode="decimal"
          :placeholder="units.length"
          aria-label="Backing plate"
          :validate-event="false"
      /></FieldItem>
      <FieldItem label="Rotor"
        ><ElInput v-model="rotor" class="num" inputmode="decimal" :placeholder="units.length" aria-label="Rotor" :validate-event="false"
      /></FieldItem>
      <ElButton type="primary" native-type="submit">Save reading</ElButton>
    </form>
    <p class="soft small no-print">
      Of {{ fitted.pad?.name ?? 'pads that are not chosen' }} and {{ fitted.rotor?.name ?? 'a rotor that is not chosen' }}, in “{{
        setup?.name
      }}”.
    </p>
    <p v-if="error" class="field-error" role="alert">{{ error }}</p>
    <div class="minimums no-print">
      <FigureInput
        v-for="one in minimums"
        :key="one.part.id"
        :name="`minimum.${one.part.kind}`"
        :field="one.field"
        :label="one.part.kind === 'pad' ? 'Minimum thickness of the pads, with backing plate' : 'Minimum thickness of the rotor'"
        :figure="one.figure"
        :units="units"
        @change="setMinimum(one.part.id, $event)"
      />
    </div>
    <section v-if="found.forecasts.length > 0">
      <h2>Pad and rotor life</h2>
      <ul class="log" data-test="forecasts">
        <li v-for="one in found.forecasts" :key="`${one.series.axle}${one.series.side}${one.series.what}${one.series.partId}`">
          <VerdictMark :verdict="one.tone" :size="16" />
          <span
            >{{ one.sentence }} <span class="soft small">{{ one.partName }}</span>
            <ElButton v-if="one.at" link type="primary" class="no-print" @click="goTo(one.at)">Enter the minimum</ElButton></span
          >
        </li>
      </ul>
      <p v-for="one in found.rotorsNow" :key="one.partId" class="no-print">
        <ElButton :data-test="`rotor-now-${one.partId}`" @click="takeRotor(one)"
          >Compute {{ one.partName }} with {{ formatQuantity(one.mm, 'length', units) }}, as measured</ElButton
        >
      </p>
    </section>
    <section v-if="found.looks.length > 0">
      <h2>Measurements</h2>
      <ul class="log" data-test="wear-log">
        <li v-for="one in found.looks" :key="one.reading.id">
          <PadWear :look="one" />
          <div>
            <p>
              <strong>{{ one.reading.axle }} {{ one.reading.side }}, after event {{ one.reading.events }}</strong>
              <span class="soft small">{{ one.reading.date }}, {{ one.partName }}</span>
            </p>
            <p v-for="said in one.says" :key="said.text" :class="`tone-${said.tone}`">{{ said.text }}</p>
          </div>
          <ElButton
            text
            class="no-print"
            :aria-label="`Remove the wear of ${one.reading.date}, ${one.reading.axle} ${one.reading.side}`"
            @click="forget(one.reading.id)"
          >
            <Icon name="tabler:trash" size="16" />
          </ElButton>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.wear {
  display: grid;
  gap: 8px;
  max-width: 880px;
}
h1 {
  margin: 4px 0;
}
.minimums {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
}
.log li {
  flex-wrap: wrap;
  align-items: start;
}
.log li > span,
.log li > div {
  flex: 1;
  min-width: 220px;
}
.log .soft {
  margin-left: 6px;
}
.log p {
  margin: 0 0 2px;
}
</style>
