<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import type { FigureField } from '#core/model/field.ts'
import { fieldSchema, schemaProblems } from '#core/model/schema.ts'
import { ORIGINS, ORIGIN_WORDS, type Figure, type Origin } from '#core/quantity/figure.ts'
import { editQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import type { UnitChoice } from '#core/quantity/units.ts'

/** One figure: typed freely in any unit, checked where it is typed, with its origin beside it. */
const props = defineProps<{
  field: FigureField
  figure: Figure | undefined
  units: UnitChoice
  name: string
  label?: string
  bare?: boolean
  /** What an empty field means. */
  empty?: string
}>()
const emit = defineEmits<{ change: [figure: Figure | undefined] }>()

const id = useId()
const text = ref('')
const error = ref('')
const dirty = ref(false)
const label = computed(() => props.label ?? props.field.label)

const shown = () => {
  const { figure, field, units } = props
  if (!figure) return ''
  const value = editQuantity(figure.value, field.dimension, units)
  return figure.u === undefined ? value : `${value} ± ${editQuantity(figure.u, field.dimension, units).replace(/ \S+$/, '')}`
}
watch(
  // the numbers, not the object: a page drawn anew must not take away what is being typed
  () => [props.figure?.value, props.figure?.u, props.units] as const,
  () => {
    if (dirty.value && error.value) return
    text.value = shown()
    dirty.value = false
  },
  { immediate: true },
)

function take() {
  if (!dirty.value) return
  if (text.value.trim() === '') {
    error.value = ''
    dirty.value = false
    if (props.figure) emit('change', undefined)
    return
  }
  const parsed = parseQuantity(text.value, props.field.dimension, props.units)
  if (!parsed.ok) {
    error.value = parsed.message
    return
  }
  // what someone typed here is taken as measured until they say otherwise
  const next: Figure = {
    value: parsed.value,
    ...(parsed.u === undefined ? {} : { u: parsed.u }),
    origin: props.figure?.origin ?? 'measured',
    date: new Date().toISOString().slice(0, 10),
    ...(props.figure?.note === undefined ? {} : { note: props.figure.note }),
  }
  const [problem] = schemaProblems(fieldSchema(props.field, props.units), next)
  if (problem) {
    error.value = `${label.value} ${problem.message}.`
    return
  }
  error.value = ''
  dirty.value = false
  emit('change', next)
  text.value = shown()
}
function setOrigin(event: Event) {
  if (props.figure) emit('change', { ...props.figure, origin: (event.target as HTMLSelectElement).value as Origin })
}
function cancel() {
  text.value = shown()
  error.value = ''
  dirty.value = false
}
</script>

<template>
  <div class="figure" :data-field="name">
    <label :for="id" :title="field.help">{{ label }}</label>
    <div class="pair">
      <input
        :id="id"
        v-model="text"
        class="native num"
        autocomplete="off"
        :placeholder="bare ? '' : (empty ?? 'not known')"
        :aria-invalid="error !== ''"
        :aria-describedby="`${id}-more`"
        :data-dirty="dirty"
        @input="dirty = true"
        @change="take"
        @blur="take"
        @keydown.enter.prevent="take"
        @keydown.esc="cancel"
      />
      <select
        v-if="figure && !bare"
        class="native origin"
        :value="figure.origin"
        :aria-label="`Origin of ${label}`"
        :title="figure.date ? `since ${figure.date}` : undefined"
        @change="setOrigin"
      >
        <option v-for="origin in ORIGINS" :key="origin" :value="origin" :title="ORIGIN_WORDS[origin]">{{ origin }}</option>
      </select>
    </div>
    <p :id="`${id}-more`" class="more">
      <span v-if="error" class="field-error">{{ error }}</span>
      <span v-else-if="field.help && !bare" class="soft help">{{ field.help }}</span>
    </p>
  </div>
</template>

<style scoped>
.figure {
  min-width: 0;
}
label {
  display: block;
  font-size: 13px;
}
.pair {
  display: flex;
}
.pair input {
  min-width: 0;
}
.origin {
  flex: none;
  width: 104px;
  margin-left: -1px;
  padding: 4px 2px 4px 6px;
  color: var(--ink-soft);
  font-size: 12.5px;
}
.more {
  min-height: 0;
  margin: 2px 0 0;
  font-size: 12px;
  line-height: 1.3;
}
</style>
