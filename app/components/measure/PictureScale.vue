<script setup lang="ts">
import { computed } from 'vue'
import { formatQuantity } from '#core/quantity/format.ts'
import { residualWords } from '#core/vision/words.ts'
import type { UnitChoice } from '#core/quantity/units.ts'
import { LIES, type Lies, type PictureSession } from '~/composables/picture-session'

/** What millimetres are told by in a picture: the sheet and what lies on it, or a drawing's own measure; axis and seat. */
const props = defineProps<{ session: PictureSession; units: UnitChoice; profile: boolean; fromMount?: boolean }>()
const { state, found, handles, current, looking, barsWrong } = props.session
const bars = [
  { value: 'digitalCaliper', label: 'digital caliper' },
  { value: 'steelRule', label: 'steel rule' },
  { value: 'not', label: 'not possible' },
] as const
const mm = (value: number, decimals = 0) =>
  formatQuantity(value, 'length', props.units, { decimals: props.units.length === 'mm' ? decimals : decimals + 2 })
const aslant = computed(() => found.value?.ok && found.value.tiltDeg > 35)
</script>

<template>
  <div class="scale">
    <FieldItem label="Picture content"
      ><ChoiceSelect
        data-test="picture-lies"
        :value="state.lies"
        :options="(Object.keys(LIES) as Lies[]).map((value) => ({ value, label: LIES[value] }))"
        label="Picture content"
        @change="state.lies = $event"
    /></FieldItem>
    <template v-if="state.lies !== 'drawing'">
      <p v-if="looking" role="status" class="soft">Finding the four marks …</p>
      <p v-else-if="found?.ok" class="tone-fits" role="status" data-test="picture-sheet">
        <VerdictMark verdict="fits" :size="15" /> Four marks found.
        {{ residualWords({ residualMm: found.residualMm, places: found.seen.length, leftOut: found.leftOut }, units) }}
      </p>
      <p v-else-if="found" class="field-error" role="alert" data-test="picture-refused">{{ found.message }}</p>
      <p v-if="found?.ok" class="soft small">
        Lens {{ mm(found.lensMm) }} above the sheet, {{ Math.round(found.tiltDeg) }}° off straight down.
        {{ aslant ? 'From straighter above less can go wrong.' : '' }}
      </p>
      <LengthInput
        v-if="state.lies !== 'sheet'"
        :label="state.lies === 'card' ? 'Thickness of the card' : 'Height of the gauge’s upper edge'"
        help="Higher objects appear larger and further out. The program corrects this and adds the height’s uncertainty."
        :value-mm="state.thickMm"
        :min-mm="0"
        :max-mm="30"
        :units="units"
        data-test="picture-thick"
        @change="state.thickMm = $event"
      />
      <FieldItem
        label="Printed bars measured with"
        help="Measure both black bars from end to end: printers that fit the page to the paper shrink it by up to 5%."
        ><ChoiceSelect
          data-test="picture-bars"
          :value="state.barWith"
          :options="[...bars]"
          label="Printed bars measured with"
          placeholder="choose before you trace"
          @change="state.barWith = $event"
      /></FieldItem>
      <p v-if="state.barWith === 'not'" class="tone-needs small">
        Every length may then be off by up to 5%: 4 to 7 mm at a caliper's outer radius.
      </p>
      <p v-if="barsWrong" class="field-error" role="alert" data-test="picture-bars-wrong">{{ barsWrong }}</p>
      <div v-if="state.barWith !== '' && state.barWith !== 'not'" class="pair">
        <LengthInput
          label="Bar across"
          :value-mm="state.acrossMm"
          :min-mm="90"
          :max-mm="110"
          :units="units"
          @change="state.acrossMm = $event"
        />
        <LengthInput
          label="Bar along"
          :value-mm="state.alongMm"
          :min-mm="90"
          :max-mm="110"
          :units="units"
          @change="state.alongMm = $event"
        />
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
      <LengthInput
        v-if="state.scaleBy === 'two'"
        label="Their distance"
        :value-mm="state.apartMm"
        :min-mm="1"
        :max-mm="2000"
        :units="units"
        @change="state.apartMm = $event"
      />
      <div v-else class="pair">
        <LengthInput
          label="It is wide"
          :value-mm="state.wideMm"
          :min-mm="1"
          :max-mm="2000"
          :units="units"
          @change="state.wideMm = $event"
        />
        <LengthInput
          label="It is high"
          :value-mm="state.highMm"
          :min-mm="1"
          :max-mm="2000"
          :units="units"
          @change="state.highMm = $event"
        />
      </div>
      <p class="soft small">
        {{
          state.scaleBy === 'two'
            ? 'For a scan or a PDF page. A photograph at an angle needs four corners.'
            : 'Lower left, lower right, upper right, upper left, as you read the drawing.'
        }}
      </p>
    </template>
    <p v-if="fromMount" class="tone-needs small">
      This outline is measured from slot centre and mount radius. Use those two lines as mounting face and axis.
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
      Drag a point, or select it and click in the picture. Arrow keys move it slightly; the magnifier shows it enlarged.
    </p>
    <ElCheckbox v-model="state.mirrored" :validate-event="false"
      >outboard is to the left (the mounting face seen from the other side)</ElCheckbox
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
