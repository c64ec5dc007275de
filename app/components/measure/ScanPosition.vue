<script setup lang="ts">
import { formatQuantity } from '#core/quantity/format.ts'
import { DIRECTIONS, SELECTED, type useScanPlacing } from '~/composables/scan-placing'
import { useWorkbench } from '~/composables/workbench'

/** How the mesh is placed: by a face and a bore, by its mounting holes, or by numbers. */
const props = defineProps<{ placing: ReturnType<typeof useScanPlacing>; kind: 'caliper' | 'wheel' }>()
const { by, begin, selecting, plane, round, holes, turned, typed, mount, scaleOff, nudge, placing: placed } = props.placing
const { units } = useWorkbench()
const mm = (value: number) => formatQuantity(value, 'length', units.value, { decimals: 2 })
const MOUNTS = [
  { value: 'axial', label: 'along the hub axis' },
  { value: 'radial', label: 'towards the hub axis' },
] as const
const NUDGES = [
  { id: 'outboard', label: '0.5 mm outboard', along: 'z', mm: 0.5 },
  { id: 'inboard', label: '0.5 mm inboard', along: 'z', mm: -0.5 },
  { id: 'up', label: '0.5 mm up', along: 'r', mm: 0.5 },
  { id: 'down', label: '0.5 mm down', along: 'r', mm: -0.5 },
] as const
</script>

<template>
  <FieldItem label="Position">
    <ElRadioGroup :model-value="by" :validate-event="false" @change="begin($event as 'features' | 'holes' | 'numbers')">
      <ElRadio value="features">select face and bore</ElRadio>
      <ElRadio v-if="kind === 'caliper'" value="holes">caliper alone: mounting holes</ElRadio>
      <ElRadio value="numbers">enter numbers</ElRadio>
    </ElRadioGroup>
  </FieldItem>
  <template v-if="by === 'features'">
    <div class="picks" role="group" aria-label="Next selection">
      <ElButton size="small" :aria-pressed="selecting === 'face'" data-test="scan-face" @click="selecting = 'face'">Mounting face</ElButton>
      <ElButton size="small" :aria-pressed="selecting === 'round'" :disabled="!plane" data-test="scan-round" @click="selecting = 'round'"
        >Bore or edge</ElButton
      >
    </div>
    <p class="small" role="status" data-test="scan-says">
      <template v-if="plane">Face: scatter {{ mm(plane.residualMm) }}. </template>
      <template v-if="round">Round: diameter {{ mm(2 * round.circle.radiusMm) }}, scatter {{ mm(round.circle.residualMm) }}.</template>
      <template v-if="!plane || !round || selecting === 'face'">{{ SELECTED[selecting] }}</template>
    </p>
    <FieldItem label="From this face outboard to the wheel mounting face"
      ><ElInput
        v-model="typed.faceToMount"
        class="num"
        aria-label="From this face outboard to the wheel mounting face"
        :validate-event="false"
    /></FieldItem>
    <FieldItem label="Known diameter, if there is one"
      ><ElInput
        v-model="typed.known"
        class="num"
        placeholder="checks the scale"
        aria-label="Known diameter, if there is one"
        :validate-event="false"
    /></FieldItem>
    <p v-if="scaleOff > 0" class="small" :class="scaleOff > 0.005 ? 'tone-needs' : ''">
      The scan is {{ formatQuantity(scaleOff, 'share', undefined, { decimals: 2 }) }} off the known diameter.
    </p>
  </template>
  <template v-else-if="by === 'holes'">
    <div class="picks" role="group" aria-label="Next selection">
      <ElButton size="small" :aria-pressed="selecting === 'mountFace'" data-test="scan-mount-face" @click="selecting = 'mountFace'"
        >Mount face</ElButton
      >
      <ElButton size="small" :aria-pressed="selecting === 'hole'" :disabled="!plane" data-test="scan-hole" @click="selecting = 'hole'"
        >Hole</ElButton
      >
      <ElButton
        size="small"
        :aria-pressed="selecting === 'otherHole'"
        :disabled="!plane"
        data-test="scan-other-hole"
        @click="selecting = 'otherHole'"
        >Other hole</ElButton
      >
    </div>
    <p class="small" role="status" data-test="scan-says">
      <template v-if="plane">Face: scatter {{ mm(plane.residualMm) }}. </template>
      <template v-if="holes.hole">Hole: diameter {{ mm(2 * holes.hole.circle.radiusMm) }}. </template>
      <template v-if="holes.otherHole">Other hole: diameter {{ mm(2 * holes.otherHole.circle.radiusMm) }}. </template>
      <template v-if="!holes.hole || !holes.otherHole">{{ SELECTED[selecting] }}</template>
    </p>
    <FieldItem label="Its bolts run"
      ><ChoiceSelect label="Its bolts run" data-test="scan-mount" :value="mount" :options="MOUNTS" @change="mount = $event"
    /></FieldItem>
    <FieldItem :label="mount === 'axial' ? 'From the hub axis to each hole' : 'From the hub axis to the mount face'"
      ><ElInput v-model="typed.toAxis" class="num" aria-label="Distance to the hub axis" :validate-event="false"
    /></FieldItem>
    <FieldItem :label="`From the ${mount === 'axial' ? 'mount face' : 'holes'} outboard to the wheel mounting face`"
      ><ElInput v-model="typed.toFace" class="num" aria-label="Distance to the wheel mounting face" :validate-event="false"
    /></FieldItem>
    <FieldItem label="Standard uncertainty of both"
      ><ElInput v-model="typed.u" class="num" aria-label="Standard uncertainty of both" :validate-event="false"
    /></FieldItem>
  </template>
  <template v-else>
    <div class="three">
      <FieldItem v-for="one in ['x', 'y', 'z'] as const" :key="one" :label="`Centre ${one}`"
        ><ElInput v-model="typed[one]" class="num" :aria-label="`Centre of the mounting face, ${one}`" :validate-event="false"
      /></FieldItem>
    </div>
    <FieldItem label="Outboard direction"
      ><ChoiceSelect
        placeholder="choose …"
        data-test="scan-axis"
        :value="typed.axis"
        :options="Object.keys(DIRECTIONS).map((value) => ({ value, label: value }))"
        label="Outboard direction"
        @change="typed.axis = $event"
    /></FieldItem>
    <FieldItem label="Standard uncertainty of the position"
      ><ElInput v-model="typed.u" class="num" aria-label="Standard uncertainty of the position" :validate-event="false"
    /></FieldItem>
    <p class="soft small">Lengths in mm in the directions of the file: the centre of the wheel mounting face, and the way outboard.</p>
    <div v-if="placed" class="picks" role="group" aria-label="Move the part against the grey line">
      <ElButton v-for="one in NUDGES" :key="one.label" size="small" :data-test="`scan-${one.id}`" @click="nudge(one.along, one.mm)">{{
        one.label
      }}</ElButton>
    </div>
  </template>
  <ElCheckbox v-if="by !== 'numbers'" v-model="turned" :validate-event="false">outboard is the other way</ElCheckbox>
</template>

<style scoped>
.three {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
}
.picks {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.picks .el-button + .el-button {
  margin-left: 0;
}
</style>
