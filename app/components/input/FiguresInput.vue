<script setup lang="ts">
import { ref, useId, watch } from 'vue'
import type { FiguresField } from '#core/model/field.ts'
import { fieldSchema } from '#core/model/field-schema.ts'
import { schemaProblems } from '#core/model/schema-problems.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { editQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import type { UnitChoice } from '#core/quantity/units.ts'

/** A short list of figures in one field, with semicolons or plus signs between. */
const props = defineProps<{ field: FiguresField; figures: Figure[] | undefined; units: UnitChoice; name: string }>()
const emit = defineEmits<{ change: [figures: Figure[] | undefined] }>()
const id = useId()
const text = ref('')
const error = ref('')
const dirty = ref(false)

const shown = () => (props.figures ?? []).map((figure) => editQuantity(figure.value, props.field.dimension, props.units)).join('; ')
watch(
  () => [props.figures, props.units] as const,
  () => {
    if (dirty.value && error.value) return
    text.value = shown()
    dirty.value = false
  },
  { immediate: true },
)

function take() {
  if (!dirty.value) return
  error.value = ''
  const pieces = text.value
    .split(/[;+]/)
    .map((piece) => piece.trim())
    .filter(Boolean)
  if (pieces.length === 0) {
    dirty.value = false
    emit('change', undefined)
    return
  }
  const next: Figure[] = []
  for (const [index, piece] of pieces.entries()) {
    const parsed = parseQuantity(piece, props.field.dimension, props.units)
    if (!parsed.ok) {
      error.value = `No. ${index + 1}: ${parsed.message}`
      return
    }
    next.push({
      value: parsed.value,
      origin: props.figures?.[index]?.origin ?? props.figures?.[0]?.origin ?? 'measured',
      date: new Date().toISOString().slice(0, 10),
    })
  }
  const [problem] = schemaProblems(fieldSchema(props.field, props.units), next)
  if (problem) {
    error.value = `${props.field.label}: ${problem.message}.`
    return
  }
  dirty.value = false
  emit('change', next)
}
</script>

<template>
  <FieldItem :data-field="name" :for="id" :label="field.label" :help="field.help" :error="error">
    <ElInput
      :id="id"
      v-model="text"
      class="num"
      autocomplete="off"
      placeholder="not known"
      :aria-label="field.label"
      :aria-invalid="error !== ''"
      :data-dirty="dirty"
      :validate-event="false"
      @input="dirty = true"
      @change="take"
      @blur="take"
      @keydown.enter.prevent="take"
    />
  </FieldItem>
</template>
