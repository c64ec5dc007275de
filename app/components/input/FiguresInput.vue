<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import type { FiguresField } from '#core/records/field.ts'
import { fieldSchema } from '#core/records/record-schema.ts'
import { schemaProblems } from '#core/records/schema-problems.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { isTypical } from '#core/records/way-ids.ts'
import { madeWords, waysFor, WAYS } from '#core/records/ways.ts'
import { editQuantity } from '#core/quantity/format.ts'
import { parseQuantity, splitValues } from '#core/quantity/parse.ts'
import type { UnitChoice } from '#core/quantity/units.ts'

/** A short list of figures in one field, with semicolons or plus signs between. */
const props = defineProps<{
  field: FiguresField
  figures: Figure[] | undefined
  units: UnitChoice
  name: string
  label?: string
  /** The table the field stands in: figures that make it are taken then. */
  table?: string
}>()
const emit = defineEmits<{
  change: [figures: Figure[] | undefined]
  several: [figures: Record<string, Figure | Figure[]>]
  enter: []
}>()
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

const key = computed(() => props.name.split('.').pop()!)
const way = computed(() => (props.table === undefined ? undefined : waysFor(props.table, key.value)[0]))
const working = ref(false)
const made = (figures: Record<string, Figure | Figure[]>) => {
  working.value = dirty.value = false
  emit('several', figures)
}
/** What was worked out, or is a class's, is replaced and not corrected. */
const originAt = (index: number) => {
  const before = props.figures?.[index] ?? props.figures?.[0]
  return before && !before.madeOf ? before.origin : 'measured'
}
function entered() {
  take()
  if (!error.value) emit('enter')
}

function take() {
  if (!dirty.value) return
  error.value = ''
  const pieces = splitValues(text.value)
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
      origin: originAt(index),
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
  <FieldItem :data-field="name" :for="id" :label="label ?? field.label" :help="field.help" :error="error">
    <ElInput
      :id="id"
      v-model="text"
      class="num"
      autocomplete="off"
      placeholder="not known"
      :aria-label="label ?? field.label"
      :aria-invalid="error !== ''"
      :data-dirty="dirty"
      :validate-event="false"
      @input="dirty = true"
      @change="take"
      @blur="take"
      @keydown.enter.prevent="entered"
    />
    <p v-if="figures?.[0]?.madeOf" class="soft small below" data-test="made-of">{{ madeWords(figures[0], units) }}</p>
    <ElButton v-if="way && (!figures || figures[0]?.madeOf)" class="below" link type="primary" size="small" @click="working = true">
      {{ figures && !isTypical(figures[0]) ? 'Correct what it was worked out from' : `Work it out from ${WAYS[way].label}` }}
    </ElButton>
    <LazyWayDialog
      v-if="working && way"
      :way="way"
      :figure="figures?.[0]"
      :units="units"
      :label="label ?? field.label"
      @made="made"
      @close="working = false"
    />
  </FieldItem>
</template>

<style scoped>
.below {
  width: 100%;
  margin: 2px 0 0;
  line-height: 1.3;
  justify-content: flex-start;
}
</style>
