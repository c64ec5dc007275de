<script setup lang="ts">
import { computed } from 'vue'
import { WHEEL_TAGS, type WheelTag } from '#core/records/field.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { doubtWords } from '#core/vision/words.ts'
import type { UnitChoice } from '#core/quantity/units.ts'
import type { PictureSession } from '~/composables/picture-session'

/** The line, traced place by place, and what came of it. */
const props = defineProps<{ session: PictureSession; units: UnitChoice; profile: boolean; names: readonly string[] }>()
const name = defineModel<string>('name', { required: true })
const { state, tracing, outline, outlined } = props.session
const { anchors, current, message, canUndo, canRedo } = tracing

const TAG_WORDS: Readonly<Record<WheelTag, string>> = { barrel: 'Barrel', shoulder: 'Shoulder', face: 'Back of the spokes' }
const mm = (value: number, decimals = 2) =>
  formatQuantity(value, 'length', props.units, { decimals: props.units.length === 'mm' ? decimals : decimals + 2 })
const most = computed(() => {
  const found = outline.value
  return found && ([0, 1] as const).map((k) => Math.max(...found.doubts.map((one) => one[k])))
})
const words = computed(() => outline.value && doubtWords(outline.value.made, props.units))
const offSquare = computed(() => (outlined.value?.ok ? outlined.value.offSquareDeg : undefined))
/** In a wheel the tag in hand is that of the stretch in hand. */
const tag = computed({
  get: () =>
    current.value === undefined || current.value === anchors.value.length - 1
      ? state.tag
      : (anchors.value[current.value]?.tag ?? state.tag),
  set: (to: WheelTag) => {
    const at = current.value
    if (at !== undefined && at > 0 && at < anchors.value.length - 1) tracing.tagStretch(at, to)
    else state.tag = to
  },
})
</script>

<template>
  <div class="trace">
    <FieldItem v-if="!profile" label="Which outline"
      ><ElInput v-model="name" maxlength="120" aria-label="Which outline" :validate-event="false" data-test="picture-name"
    /></FieldItem>
    <div v-if="!profile" class="row" role="group" aria-label="Usual names">
      <ElButton v-for="one in names" :key="one" size="small" :aria-pressed="one === name" @click="name = one">{{ one }}</ElButton>
    </div>
    <FieldItem v-if="profile" label="The next stretch is"
      ><ElSegmented
        v-model="tag"
        :options="WHEEL_TAGS.map((value) => ({ value, label: TAG_WORDS[value] }))"
        aria-label="The next stretch is"
        data-test="picture-tag"
    /></FieldItem>
    <FieldItem label="Traced line"
      ><ElRadioGroup v-model="state.what" aria-label="Traced line">
        <ElRadio value="line">the middle of a drawn line</ElRadio>
        <ElRadio value="edge">an edge, light against dark</ElRadio>
      </ElRadioGroup></FieldItem
    >
    <LengthInput
      v-if="state.what === 'line'"
      label="Width of the line"
      help="The line’s width adds to the uncertainty."
      :value-mm="state.lineMm"
      :min-mm="0.1"
      :max-mm="5"
      :units="units"
      @change="state.lineMm = $event"
    />
    <div class="switches">
      <ElCheckbox v-model="state.snapOn" :validate-event="false">to the clearest line nearby</ElCheckbox>
      <ElCheckbox v-model="state.followOn" :validate-event="false">follow the line between places</ElCheckbox>
    </div>
    <p class="soft small">Click along the line, point by point. With “follow the line” on, two or three points are often enough.</p>
    <div class="row" role="group" aria-label="Change the line">
      <ElButton size="small" :disabled="!canUndo" data-test="picture-undo" @click="tracing.undo()">Undo</ElButton>
      <ElButton size="small" :disabled="!canRedo" @click="tracing.redo()">Redo</ElButton>
      <ElButton
        size="small"
        :disabled="current === undefined || current === 0"
        @click="current !== undefined && tracing.insertBefore(current)"
        >Insert before</ElButton
      >
      <ElButton size="small" :disabled="current === undefined" @click="current !== undefined && tracing.remove(current)">Remove</ElButton>
      <ElButton size="small" :disabled="anchors.length === 0" @click="tracing.clear()">Start again</ElButton>
    </div>
    <p v-if="message" class="tone-needs small" role="status" data-test="picture-follow">{{ message }}</p>
    <p v-if="outlined && !outlined.ok" class="field-error" role="alert">{{ outlined.message }}</p>
    <div v-if="outline && most && words" role="status" data-test="picture-outline">
      <p class="answer num">
        {{ anchors.length }} places, {{ outline.points.length }} points. Uncertainty: z ±{{ mm(most[0]!) }}, r ±{{ mm(most[1]!) }}.
      </p>
      <p class="soft small">Made of: {{ words.parts }}. {{ words.better ?? '' }}</p>
      <p v-if="offSquare !== undefined && offSquare > 0.4" class="tone-needs small">
        Axis and mounting face are {{ offSquare.toFixed(1) }}° off square. Check their positions.
      </p>
    </div>
    <p v-else class="soft small">No line yet.</p>
  </div>
</template>

<style scoped>
.trace {
  display: grid;
  gap: 6px;
  align-content: start;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.row :deep(.el-button) {
  margin: 0;
}
.switches {
  display: grid;
}
p {
  margin: 2px 0;
}
.answer {
  font-weight: 600;
}
</style>
