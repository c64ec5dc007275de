<script setup lang="ts">
import { computed } from 'vue'
import { formatQuantity } from '#core/quantity/format.ts'
import { residualWords } from '#core/picture/words.ts'
import type { UnitChoice } from '#core/quantity/units.ts'
import { LIES, type Lies, type PictureSession } from '~/composables/picture-session'

/** What millimetres are told by in a picture: the sheet and what lies on it, or a drawing's own measure; axis and seat. */
const props = defineProps<{ session: PictureSession; units: UnitChoice; profile: boolean; fromMount?: boolean }>()
const { state, found, handles, current, looking } = props.session
const bars = [
  { value: '', label: 'not measured' },
  { value: 'steelRule', label: 'steel rule' },
  { value: 'digitalCaliper', label: 'digital caliper' },
] as const
const seatWord = computed(() => (props.profile ? 'hub pad' : 'wheel seat'))
const mm = (value: number, decimals = 0) =>
  formatQuantity(value, 'length', props.units, { decimals: props.units.length === 'mm' ? decimals : decimals + 2 })
const aslant = computed(() => found.value?.ok && found.value.tiltDeg > 35)
</script>

<template>
  <div class="scale">
    <FieldItem label="What is in the picture"
      ><ChoiceSelect
        data-test="picture-lies"
        :value="state.lies"
        :options="(Object.keys(LIES) as Lies[]).map((value) => ({ value, label: LIES[value] }))"
        label="What is in the picture"
        @change="state.lies = $event"
    /></FieldItem>
    <template v-if="state.lies !== 'drawing'">
      <p v-if="looking" role="status" class="soft">Looking for the four marks …</p>
      <p v-else-if="found?.ok" class="tone-fits" role="status" data-test="picture-sheet">
        <VerdictMark verdict="fits" :size="15" /> Four marks found.
        {{ residualWords({ residualMm: found.residualMm, places: found.seen.length, leftOut: found.leftOut }, units) }}
      </p>
      <p v-else-if="found" class="field-error" role="alert" data-test="picture-refused">{{ found.message }}</p>
      <p v-if="found?.ok" class="soft small">
        Lens {{ mm(found.lensMm) }} above the sheet, {{ Math.round(found.tiltDeg) }}° off straight down.
        {{ aslant ? 'From straighter above less can go wrong.' : '' }}
      </p>
      <FieldItem
        v-if="state.lies !== 'sheet'"
        :label="state.lies === 'card' ? 'Thickness of the card, mm' : 'Height of the gauge’s upper edge, mm'"
        help="What lies higher looks larger and further out: it is taken back, and what is not sure of it adds to the doubt."
        ><ElInputNumber v-model="state.thickMm" :min="0" :max="30" :step="0.1" :precision="1" :controls="false" data-test="picture-thick"
      /></FieldItem>
      <FieldItem
        label="Printed bars measured with"
        help="A printer may be off by some tenths in a hundred. Measure both bars from end to end."
        ><ChoiceSelect
          data-test="picture-bars"
          :value="state.barWith"
          :options="[...bars]"
          label="Printed bars measured with"
          placeholder="not measured"
          @change="state.barWith = $event"
      /></FieldItem>
      <div v-if="state.barWith !== ''" class="pair">
        <FieldItem label="Bar across, mm"
          ><ElInputNumber v-model="state.acrossMm" :min="90" :max="110" :step="0.1" :precision="2" :controls="false"
        /></FieldItem>
        <FieldItem label="Bar along, mm"
          ><ElInputNumber v-model="state.alongMm" :min="90" :max="110" :step="0.1" :precision="2" :controls="false"
        /></FieldItem>
      </div>
      <FieldItem label="Hub axis and seat"
        ><ElRadioGroup v-model="state.datumBy" aria-label="Hub axis and seat">
          <ElRadio value="sheet">{{ state.lies === 'sheet' ? 'the sheet’s two lines' : 'laid to the sheet’s two lines' }}</ElRadio>
          <ElRadio value="clicks">two places on each line</ElRadio>
        </ElRadioGroup></FieldItem
      >
    </template>
    <template v-else>
      <FieldItem label="Scale from"
        ><ElRadioGroup v-model="state.scaleBy" aria-label="Scale from">
          <ElRadio value="two">two places and their distance</ElRadio>
          <ElRadio value="corners">four corners of a rectangle</ElRadio>
        </ElRadioGroup></FieldItem
      >
      <FieldItem v-if="state.scaleBy === 'two'" label="Their distance, mm"
        ><ElInputNumber v-model="state.apartMm" :min="1" :max="2000" :precision="2" :controls="false" data-test="picture-apart"
      /></FieldItem>
      <div v-else class="pair">
        <FieldItem label="It is wide, mm"
          ><ElInputNumber v-model="state.wideMm" :min="1" :max="2000" :precision="2" :controls="false"
        /></FieldItem>
        <FieldItem label="It is high, mm"
          ><ElInputNumber v-model="state.highMm" :min="1" :max="2000" :precision="2" :controls="false"
        /></FieldItem>
      </div>
      <p class="soft small">
        {{
          state.scaleBy === 'two'
            ? 'For a scan or a page of a PDF, seen straight. A photograph taken aslant needs four corners.'
            : 'Lower left, lower right, upper right, upper left, as the drawing should be looked at.'
        }}
      </p>
    </template>
    <p v-if="fromMount" class="tone-needs small">
      This caliper’s outline is kept from its slot centre and mount radius: point at those two lines for seat and axis.
    </p>
    <div class="places" role="group" aria-label="Places to put">
      <ElButton
        v-for="one in handles"
        :key="one.id"
        size="small"
        :type="one.id === current ? 'primary' : ''"
        :aria-pressed="one.id === current"
        @click="session.pick(one.id)"
        >{{ one.label }}</ElButton
      >
    </div>
    <p class="soft small">
      Drag a place, or choose it and point in the picture; arrow keys move it by a hair. The loupe shows what is below it.
    </p>
    <ElCheckbox v-model="state.mirrored" :validate-event="false"
      >the street is to the left ({{ seatWord }} seen from the other side)</ElCheckbox
    >
  </div>
</template>

<style scoped>
.scale {
  display: grid;
  gap: 6px;
  align-content: start;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.places {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.places :deep(.el-button) {
  margin: 0;
}
p {
  margin: 2px 0;
}
</style>
