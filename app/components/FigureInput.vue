<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import type { FigureField } from '#core/model/field.ts'
import { unusual } from '#core/model/plausible.ts'
import { fieldSchema } from '#core/model/field-schema.ts'
import { schemaProblems } from '#core/model/schema-problems.ts'
import { ORIGINS, ORIGIN_WORDS, type Figure, type Origin } from '#core/quantity/figure.ts'
import { fieldQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import type { UnitChoice } from '#core/quantity/units.ts'
import { useDraft } from '~/composables/draft'

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
/** A figure outside what is usual is taken, and asked about. */
const question = computed(() => props.figure && unusual({ ...props.field, label: label.value }, props.figure.value, props.units))

const shown = () => {
  const { figure, field, units } = props
  if (!figure) return ''
  const value = fieldQuantity(figure.value, field.dimension, units)
  return figure.u === undefined ? value : `${value} ± ${fieldQuantity(figure.u, field.dimension, units).replace(/ \S+$/, '')}`
}
watch(
  // the numbers, not the object: a page drawn anew must not take away what is being typed
  () => [props.figure?.value, props.figure?.u, props.units] as const,
  () => {
    // another tab's change, or an undo, never takes away what is being typed
    if (dirty.value) return
    text.value = shown()
  },
  { immediate: true },
)
/** Typed at an earlier visit and not taken: it stands there again, and waits. */
const draft = useDraft(() => props.name)
const waiting = ref(false)
const typedBefore = draft.read()
if (typedBefore !== undefined && typedBefore !== text.value) {
  text.value = typedBefore
  dirty.value = waiting.value = true
}
function typed() {
  dirty.value = true
  waiting.value = false
  draft.keep(text.value)
}
/** The text is taken or given up. */
function done() {
  error.value = ''
  dirty.value = waiting.value = false
  draft.drop()
}

const sameAsShown = (value: number): boolean => {
  const before =
    props.figure && parseQuantity(fieldQuantity(props.figure.value, props.field.dimension, props.units), props.field.dimension, props.units)
  return before?.ok === true && before.value === value
}

function take() {
  if (!dirty.value) return
  if (text.value.trim() === '') {
    done()
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
    // what is shown in other units than it was entered in is rounded: left as it stands, the figure is what it was
    value: sameAsShown(parsed.value) ? props.figure!.value : parsed.value,
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
  done()
  emit('change', next)
  text.value = shown()
}
function setOrigin(event: Event) {
  if (props.figure) emit('change', { ...props.figure, origin: (event.target as HTMLSelectElement).value as Origin })
}
/** Date and note stand behind a button: few figures need them, all can have them. */
const more = ref(false)
function setMore(key: 'date' | 'note', event: Event) {
  const value = (event.target as HTMLInputElement).value.trim().slice(0, 4000)
  if (!props.figure || (key === 'date' && value !== '' && !/^\d{4}-\d{2}-\d{2}$/.test(value))) return
  const next = { ...props.figure }
  if (value === '') Reflect.deleteProperty(next, key)
  else next[key] = value
  emit('change', next)
}
function cancel() {
  done()
  text.value = shown()
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
        @input="typed"
        @change="take"
        @blur="waiting || take()"
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
      <button
        v-if="figure && !bare"
        class="aside"
        :class="{ noted: figure.note }"
        type="button"
        :aria-expanded="more"
        :aria-label="`Date and note of ${label}`"
        :title="[figure.date, figure.note].filter(Boolean).join(': ') || 'Date and note'"
        @click="more = !more"
      >
        …
      </button>
    </div>
    <div v-if="more && figure" class="asides">
      <DraftInput
        class="native"
        type="date"
        :value="figure.date?.slice(0, 10)"
        :aria-label="`Date of ${label}`"
        @change="setMore('date', $event)"
      />
      <DraftInput
        class="native"
        :value="figure.note"
        placeholder="Note"
        maxlength="4000"
        :aria-label="`Note on ${label}`"
        @change="setMore('note', $event)"
      />
    </div>
    <p v-if="question" class="tone-needs small" data-test="question">{{ question }}</p>
    <p :id="`${id}-more`" class="more">
      <span v-if="error" class="field-error">{{ error }}</span>
      <span v-else-if="waiting" class="tone-needs" data-test="draft">Typed earlier and not taken yet: Enter takes it, Esc drops it.</span>
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
.aside {
  flex: none;
  width: 26px;
  margin-left: -1px;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: 0 2px 2px 0;
  background: var(--sheet);
  color: var(--ink-soft);
  cursor: pointer;
}
.noted {
  color: var(--accent);
  font-weight: 700;
}
.asides {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr);
  gap: 4px;
  margin-top: 4px;
}
.more {
  min-height: 0;
  margin: 2px 0 0;
  font-size: 12px;
  line-height: 1.3;
}
</style>
