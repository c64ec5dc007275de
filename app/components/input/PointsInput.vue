<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import { readOutlines, readProfile, writeOutlines, writeProfile, type LineProblem } from '#core/formats/points-text.ts'
import type { NamedOutline, OutlinesField, ProfileField, WheelProfile } from '#core/records/field.ts'
import type { UnitChoice } from '#core/quantity/units.ts'

/** Measured points as lines of text: typed, or pasted from a spreadsheet. */
const props = defineProps<{ field: OutlinesField | ProfileField; value: unknown; units: UnitChoice; name: string }>()
const emit = defineEmits<{ change: [value: NamedOutline[] | WheelProfile | undefined] }>()
const id = useId()
const text = ref('')
const problems = ref<LineProblem[]>([])
const isProfile = computed(() => props.field.type === 'profile')

watch(
  () => [props.value, props.units] as const,
  () => {
    if (problems.value.length > 0) return
    if (!props.value) text.value = ''
    else
      text.value = isProfile.value
        ? writeProfile(props.value as WheelProfile, props.units)
        : writeOutlines(props.value as NamedOutline[], props.units)
  },
  { immediate: true },
)

function take() {
  if (text.value.trim() === '') {
    problems.value = []
    emit('change', undefined)
    return
  }
  const read = isProfile.value ? readProfile(text.value, props.units) : readOutlines(text.value, props.units)
  if (!read.ok) {
    problems.value = read.problems.slice(0, 6)
    return
  }
  problems.value = []
  emit('change', read.value)
}
</script>

<template>
  <FieldItem
    :data-field="name"
    :for="id"
    :label="`${field.label}: one point a line, z then r${isProfile ? ', then barrel, shoulder or face for the stretch that follows' : '; a line with a name starts another outline'}`"
  >
    <ElInput
      :id="id"
      v-model="text"
      type="textarea"
      class="num"
      :rows="8"
      spellcheck="false"
      :placeholder="isProfile ? '-117.5  183.2  barrel' : 'body\n-104  146'"
      :aria-invalid="problems.length > 0"
      :aria-describedby="`${id}-more`"
      :validate-event="false"
      @change="take"
    />
    <ul :id="`${id}-more`" class="field-error list">
      <li v-for="(problem, index) in problems" :key="index">{{ problem.line > 0 ? `Line ${problem.line}: ` : '' }}{{ problem.message }}</li>
    </ul>
  </FieldItem>
</template>

<style scoped>
.list {
  margin: 2px 0 0;
  padding: 0;
  list-style: none;
}
</style>
