<script setup lang="ts">
import { INSTRUMENT_CHOICES } from '~/composables/choices'
import type { InputInstance } from 'element-plus'
import { computed, onUnmounted, ref, useId, watch } from 'vue'
import type { FigureField } from '#core/records/field.ts'
import { fieldSchema } from '#core/records/record-schema.ts'
import { schemaProblems } from '#core/records/schema-problems.ts'
import { figureFromReadings, type Figure } from '#core/quantity/figure.ts'
import { editQuantity, formatQuantity } from '#core/quantity/format.ts'
import { INSTRUMENTS, type InstrumentId } from '#core/quantity/instrument.ts'
import { parseReadings } from '#core/quantity/parse.ts'
import { measuredValue, unitSlip } from '#core/quantity/readings.ts'
import type { UnitChoice } from '#core/quantity/units.ts'
import { useDraft } from '~/composables/draft'
import { useGauge } from '~/composables/gauge'

/** One dimension of a measuring sheet: several readings, their mean and how sure it is. Enter takes a reading and goes on. */
const props = defineProps<{
  field: FigureField
  figure: Figure | undefined
  units: UnitChoice
  name: string
  letter: string
  /** It is the dimension in hand: how to take it and with what is shown. The others are a line each. */
  open: boolean
  touch: string
  instrument: InstrumentId
  /** So many readings are wanted before Enter goes to the next dimension. */
  wanted: number
  /** Added to each reading: half the register where radii are read from its edge. */
  addMm?: number
}>()
const emit = defineEmits<{ change: [figure: Figure | undefined]; next: []; focus: [] }>()

const id = useId()
const gauge = useGauge()
const draft = useDraft(() => props.name)
/** What is typed and not taken yet; it outlasts a reload. */
const text = ref(draft.read() ?? '')
watch(text, (typing) => (typing.trim() === '' ? draft.drop() : draft.keep(typing)))
const error = ref('')
const slip = ref<{ readings: number[]; factor: number }>()
const input = ref<InputInstance>()

const readings = computed(() => props.figure?.readings ?? [])
const instrument = ref<InstrumentId>(props.figure?.instrument ?? props.instrument)
watch(
  () => props.figure?.instrument,
  (known) => {
    if (known) instrument.value = known
  },
)
const measured = computed(() =>
  readings.value.length > 0 ? measuredValue(readings.value, INSTRUMENTS[props.figure?.instrument ?? instrument.value]) : undefined,
)
const fine = (value: number) => formatQuantity(value, 'length', props.units, { decimals: props.units.length === 'mm' ? 2 : 4 })
const outlierWords = computed(() => {
  const found = measured.value?.outliers ?? []
  if (found.length === 0) return ''
  if (readings.value.length === 2) return 'The two readings differ more than this instrument explains. Add a third.'
  const which = found.map((at) => fine(readings.value[at]!)).join(', ')
  return `${which} differs from the others and still counts. Measure again or remove it.`
})

/** Takes readings in; a slip of unit is asked about, what cannot be meant is refused. */
function add(values: readonly number[], plain = false): boolean {
  error.value = ''
  const others = readings.value
  const factor = plain ? undefined : values.map((value) => unitSlip(value, others)).find((one) => one !== undefined)
  if (factor !== undefined) {
    slip.value = { readings: [...values], factor }
    return false
  }
  slip.value = undefined
  return keep([...others, ...values])
}
function keep(all: number[]): boolean {
  if (all.length === 0) {
    emit('change', undefined)
    return true
  }
  const next = figureFromReadings(all, instrument.value, {
    date: new Date().toISOString().slice(0, 10),
    ...(props.figure?.note === undefined ? {} : { note: props.figure.note }),
  })
  const [problem] = schemaProblems(fieldSchema(props.field, props.units), next)
  if (problem) {
    const inches =
      all.length > 0 && schemaProblems(fieldSchema(props.field), { value: all[all.length - 1]! * 25.4, origin: 'measured' }).length === 0
    error.value = `${props.field.label} ${problem.message}.${inches ? ' Is the gauge set to inches?' : ''}`
    return false
  }
  emit('change', next)
  return true
}
function typed(): boolean {
  if (text.value.trim() === '') return true
  const parsed = parseReadings(text.value, props.units)
  if (!parsed.ok) {
    error.value = parsed.message
    return false
  }
  if (!add(parsed.values.map((value) => value + (props.addMm ?? 0)))) return false
  text.value = ''
  return true
}
function enter() {
  const empty = text.value.trim() === ''
  const before = readings.value.length
  const count = empty ? 0 : (parseReadings(text.value, props.units).count ?? 0)
  if (!typed()) return
  if (empty || before + count >= props.wanted) emit('next')
}
function paste(event: ClipboardEvent) {
  const block = event.clipboardData?.getData('text') ?? ''
  if (!/[\n\t;]/.test(block.trim())) return
  event.preventDefault()
  text.value = block.trim().replace(/[\r\n\t]+/g, '; ')
  typed()
}
function remove(at: number) {
  keep(readings.value.filter((_, i) => i !== at))
}
function setInstrument(chosen: InstrumentId) {
  instrument.value = chosen
  if (readings.value.length > 0) keep([...readings.value])
}
const feed = {
  get label() {
    return props.field.label
  },
  take(valueMm: number) {
    if (instrument.value !== 'digitalCaliper' && readings.value.length === 0) instrument.value = 'digitalCaliper'
    if (add([valueMm + (props.addMm ?? 0)]) && readings.value.length + 1 >= props.wanted && document.activeElement === input.value?.input)
      emit('next')
  },
}
/** The field alone brings a dimension in hand: what else is pressed in its line must not move under the pointer. */
function focused() {
  gauge.field.value = feed
  emit('focus')
}
onUnmounted(() => {
  if (gauge.field.value === feed) gauge.field.value = undefined
})
defineExpose({ focus: () => input.value?.focus() })
</script>

<template>
  <div class="dimension" :class="{ open }" :data-field="name">
    <span class="letter num" aria-hidden="true">{{ letter }}</span>
    <div class="body">
      <label :for="id">{{ field.label }}</label>
      <p v-if="open" class="soft touch"><TermText :text="touch" /></p>
      <div class="row">
        <ElInput
          :id="id"
          ref="input"
          v-model="text"
          class="num"
          autocomplete="off"
          inputmode="decimal"
          enterkeyhint="next"
          :placeholder="readings.length === 0 ? 'reading' : 'another'"
          :aria-invalid="error !== ''"
          :aria-describedby="`${id}-more`"
          :validate-event="false"
          @keydown.enter.prevent="enter"
          @paste="paste"
          @focus="focused"
          @blur="typed"
        />
        <ChoiceSelect
          v-if="open"
          class="with"
          :label="`${field.label}: measured with`"
          :value="instrument"
          :options="INSTRUMENT_CHOICES"
          @change="setInstrument"
        />
      </div>
      <p v-if="addMm && open" class="soft small">{{ fine(addMm) }} is added to each: radii are read from the edge of the register.</p>
      <ul v-if="readings.length > 0" class="readings num" :aria-label="`Readings of ${field.label}`">
        <li v-for="(one, at) in readings" :key="at" :class="{ apart: measured?.outliers.includes(at) }">
          {{ fine(one) }}
          <button type="button" class="x" :aria-label="`Remove the reading ${fine(one)}`" @click="remove(at)">×</button>
        </li>
      </ul>
      <p :id="`${id}-more`" class="more num">
        <span v-if="error" class="field-error">{{ error }}</span>
        <span v-else-if="slip" class="field-error">
          {{ fine(slip.readings[0]!) }} does not go with the other readings, but {{ fine(slip.readings[0]! * slip.factor) }} would. Is the
          gauge set to another unit?
          <ElButton
            link
            type="primary"
            @click="
              slip &&
              add(
                slip.readings.map((one) => one * slip!.factor),
                true,
              )
            "
          >
            Use {{ fine(slip.readings[0]! * slip.factor) }}
          </ElButton>
          <ElButton link type="primary" @click="slip && add(slip.readings, true)">Accept anyway</ElButton>
          <ElButton link type="primary" @click="slip = undefined">Discard</ElButton>
        </span>
        <template v-else-if="measured && figure">
          <strong>{{ fine(measured.valueMm) }}</strong> ± {{ fine(measured.uMm) }}
          <span v-if="open || readings.length > 1" class="soft"
            >standard{{ readings.length > 1 ? `, spread ${fine(measured.spreadMm)}` : ', one reading' }}</span
          >
        </template>
        <span v-else-if="figure" class="soft"
          >{{ editQuantity(figure.value, field.dimension, units)
          }}{{ open ? `, ${figure.origin}, without readings; the first reading replaces it.` : '' }}</span
        >
      </p>
      <p v-if="outlierWords" class="apart-words small">{{ outlierWords }}</p>
    </div>
  </div>
</template>

<style scoped>
.dimension {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr);
  gap: 8px;
  padding: 6px;
  border-bottom: 1px solid var(--hair);
}
.dimension.open {
  background: var(--sheet-2);
}
/* a dimension that is not in hand is one line: label, reading, value */
.dimension:not(.open) .body {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 92px minmax(112px, auto);
  gap: 2px 10px;
  align-items: center;
}
.dimension:not(.open) .body > :is(.readings, .apart-words) {
  grid-column: 1 / -1;
}
.dimension:not(.open) label {
  font-weight: 400;
}
.dimension:not(.open) .row {
  display: block;
}
.dimension:not(.open) .more {
  margin: 0;
}
.dimension:not(.open) .more:has(.field-error) {
  grid-column: 1 / -1;
}
.letter {
  height: 24px;
  border: 1.5px solid var(--ink-soft);
  border-radius: 50%;
  font-weight: 640;
  line-height: 21px;
  text-align: center;
}
.dimension:focus-within .letter {
  border-color: var(--accent);
  color: var(--accent);
}
label {
  font-weight: 600;
}
.touch {
  margin: 0 0 4px;
  font-size: 12.5px;
  line-height: 1.3;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 170px;
}
.with {
  margin-left: -1px;
  font-size: 12.5px;
}
.readings {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 5px 0 0;
  padding: 0;
  list-style: none;
}
.readings li {
  padding: 1px 2px 1px 7px;
  border: 1px solid var(--line);
  border-radius: 2px;
  font-size: 13px;
}
.readings .apart {
  border-color: var(--needs);
  color: var(--needs);
}
.x {
  min-width: 22px;
  border: 0;
  background: none;
  color: inherit;
  cursor: pointer;
}
.more {
  margin: 4px 0 0;
  font-size: 13px;
}
.apart-words {
  margin: 2px 0 0;
  color: var(--needs);
}
@media (max-width: 760px) {
  .row {
    grid-template-columns: minmax(0, 1fr) 120px;
  }
  .row :deep(:is(.el-input__wrapper, .el-select__wrapper)) {
    min-height: 44px;
  }
  .x {
    min-width: 44px;
    min-height: 44px;
  }
}
</style>
