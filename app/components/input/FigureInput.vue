<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import type { FigureField } from '#core/records/field.ts'
import { unusual } from '#core/records/plausible.ts'
import { fieldSchema } from '#core/records/record-schema.ts'
import { schemaProblems } from '#core/records/schema-problems.ts'
import { ORIGINS, ORIGIN_WORDS, type Figure, type Origin } from '#core/quantity/figure.ts'
import { fieldQuantity, plusMinusOf } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import { DEFAULT_PLUS_MINUS, PLUS_MINUS, type PlusMinus } from '#core/quantity/plus-minus.ts'
import type { UnitChoice } from '#core/quantity/units.ts'
import { isTypical, type WayId } from '#core/records/way-ids.ts'
import type { Asked } from '#core/records/ways.ts'
import { useDraft } from '~/composables/draft'
import { useProjectStore } from '~/stores/project'

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
  /** The table the field stands in and the ways: markings and other figures that make it are taken then. A form brings them. */
  table?: string
  /** Where it is entered: tells it from another of the same name on the page. */
  place?: string
  ways?: typeof import('#core/records/ways.ts')
}>()
const store = useProjectStore()
const emit = defineEmits<{ change: [figure: Figure | undefined]; several: [figures: Record<string, Figure | Figure[]>]; enter: [] }>()

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
  return figure.u === undefined ? value : `${value} ± ${plusMinusOf(figure.u, field.dimension, units)}`
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
const draft = useDraft(() => (props.place ? `${props.place} ${props.name}` : props.name))
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

/** The key of the field in its table: its name may say an axle before it. */
const key = computed(() => props.name.split('.').pop()!)
const ids = computed((): WayId[] => (props.table === undefined ? [] : (props.ways?.waysFor(props.table, key.value) ?? [])))
const asks = (id: WayId) => props.ways!.WAYS[id].asks
const isMarking = (id: WayId) => Object.values<Asked>(asks(id)).every((one) => one.type === 'text')
/** What a marking that was typed makes; undefined where it is none of this field's. */
function fromMarking(): Record<string, Figure | Figure[]> | undefined {
  for (const id of ids.value.filter(isMarking)) {
    const made = props.ways!.figuresFrom(id, { [Object.keys(asks(id))[0]!]: text.value.trim() }, today())
    if (typeof made !== 'string') return made
  }
  return undefined
}
const today = () => new Date().toISOString().slice(0, 10)
/** Worked out from other figures, in a dialog. */
const working = ref(false)
const worked = computed(() => ids.value.filter((id) => !isMarking(id)))
const example = computed(() => {
  const id = ids.value.find(isMarking)
  const asked = id && Object.values<Asked>(asks(id))[0]
  return asked?.type === 'text' ? asked.as : undefined
})
function made(figures: Record<string, Figure | Figure[]>) {
  done()
  working.value = false
  emit('several', figures)
}

function take() {
  if (!dirty.value) return
  if (text.value.trim() === '') {
    done()
    if (props.figure) emit('change', undefined)
    return
  }
  const marked = fromMarking()
  if (marked) {
    made(marked)
    return
  }
  const parsed = parseQuantity(text.value, props.field.dimension, props.units)
  if (!parsed.ok) {
    error.value = example.value ? `${parsed.message} A marking is written ${example.value}.` : parsed.message
    return
  }
  // what someone typed here is taken as measured until they say otherwise
  const next: Figure = {
    // what is shown in other units than it was entered in is rounded: left as it stands, the figure is what it was
    value: sameAsShown(parsed.value) ? props.figure!.value : parsed.value,
    ...(parsed.u === undefined ? {} : { u: parsed.u }),
    // a figure of a class is replaced, not corrected
    origin: props.figure && !props.figure.madeOf ? props.figure.origin : 'measured',
    date: today(),
    ...(props.figure?.note === undefined || isTypical(props.figure) ? {} : { note: props.figure.note }),
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
const meaning = computed(() => props.units.plusMinus ?? DEFAULT_PLUS_MINUS)
const MEANINGS = (Object.keys(PLUS_MINUS) as PlusMinus[]).map((value) => ({ value, label: `± ${PLUS_MINUS[value].label}` }))
const setMeaning = (value: PlusMinus) => store.edit('Change the meaning of ±', (draft) => void (draft.preferences.units.plusMinus = value))
const origins = ORIGINS.map((value) => ({ value, label: value, detail: ORIGIN_WORDS[value] }))
function setOrigin(origin: Origin) {
  if (!props.figure) return
  // a figure that is said to be this car's is no class's any more, nor as doubtful
  if (isTypical(props.figure) && origin !== 'estimated') emit('change', { value: props.figure.value, origin, date: today() })
  else emit('change', { ...props.figure, origin })
}
/** Date and note stand behind a button: few figures need them, all can have them. */
const more = ref(false)
function setMore(key: 'date' | 'note', typed: string | null) {
  const value = (typed ?? '').trim().slice(0, 4000)
  if (!props.figure) return
  const next = { ...props.figure }
  if (value === '') Reflect.deleteProperty(next, key)
  else next[key] = value
  emit('change', next)
}
function entered() {
  take()
  if (!error.value) emit('enter')
}
function cancel() {
  done()
  text.value = shown()
}
</script>

<template>
  <FieldItem class="figure" :data-field="name" :for="id" :label="label" :help="bare ? undefined : field.help" :error="error">
    <div class="pair">
      <ElInput
        :id="id"
        v-model="text"
        class="num"
        autocomplete="off"
        :placeholder="bare ? '' : (empty ?? 'not known')"
        :aria-label="label"
        :aria-invalid="error !== ''"
        :data-dirty="dirty"
        :validate-event="false"
        @input="typed"
        @change="take"
        @blur="waiting || take()"
        @keydown.enter.prevent="entered"
        @keydown.esc="cancel"
      />
      <ElButton
        v-if="figure && !bare"
        class="origin"
        :class="{ noted: figure.note }"
        :aria-expanded="more"
        :aria-label="`Origin, date and note of ${label}: ${figure.origin}`"
        :title="[ORIGIN_WORDS[figure.origin], figure.date, figure.note].filter(Boolean).join(', ')"
        @click="more = !more"
      >
        {{ figure.origin }}
      </ElButton>
    </div>
    <p v-if="figure?.u !== undefined && !bare" class="soft small below">± is a {{ PLUS_MINUS[meaning].label }}.</p>
    <p v-if="figure?.madeOf && !bare" class="soft small below" data-test="made-of">{{ ways?.madeWords(figure, units) }}</p>
    <ElButton
      v-if="worked.length > 0 && (!figure || more || figure.madeOf)"
      class="below"
      link
      type="primary"
      size="small"
      @click="working = true"
    >
      {{
        figure?.madeOf && !isTypical(figure) ? 'Correct what it was worked out from' : `Work it out from ${ways!.WAYS[worked[0]!].label}`
      }}
    </ElButton>
    <LazyWayDialog v-if="working" :way="worked[0]!" :figure="figure" :units="units" :label="label" @made="made" @close="working = false" />
    <div v-if="more && figure" class="asides">
      <ChoiceSelect :value="figure.origin" :options="origins" :label="`Origin of ${label}`" @change="setOrigin" />
      <ChoiceSelect :value="meaning" :options="MEANINGS" :label="`Meaning of ± in ${label} and all other figures`" @change="setMeaning" />
      <LazyFigureDate :value="figure.date" :label="`Date of ${label}`" @change="setMore('date', $event)" />
      <DraftInput
        :value="figure.note"
        placeholder="Note"
        maxlength="4000"
        :aria-label="`Note on ${label}`"
        @change="setMore('note', $event)"
      />
    </div>
    <p v-if="question" class="tone-needs small below" data-test="question">{{ question }}</p>
    <p v-if="waiting && !error" class="tone-needs small below" data-test="draft">
      Typed earlier and not saved: press Enter to save or Esc to discard.
    </p>
  </FieldItem>
</template>

<style scoped>
.figure {
  min-width: 0;
}
.pair {
  display: flex;
  width: 100%;
}
.origin {
  flex: none;
  width: 82px;
  margin-left: -1px;
  padding: 0;
  color: var(--ink-soft);
  font-size: 12.5px;
}
.noted {
  color: var(--accent);
  font-weight: 700;
}
.asides {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px;
  width: 100%;
  margin-top: 4px;
}
.asides > :last-child {
  grid-column: 1 / -1;
}
/* a day needs the width that its sign would take */
.asides :deep(.el-date-editor .el-input__prefix) {
  display: none;
}
.asides :deep(.el-date-editor) {
  width: 100%;
}
button.below {
  justify-content: flex-start;
}
.below {
  width: 100%;
  margin: 2px 0 0;
  line-height: 1.3;
}
</style>
