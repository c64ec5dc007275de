<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { WHEEL_TAGS, type NamedOutline, type WheelProfile, type WheelTag } from '#core/model/field.ts'
import type { Polyline } from '#core/clearance/outline.ts'
import { INSTRUMENT_IDS, INSTRUMENTS, type InstrumentId } from '#core/quantity/instrument.ts'
import type { UnitChoice } from '#core/quantity/units.ts'
import { emptyRow, rowsOf, takeRows, type PointLine } from '~/composables/point-rows'
import { useGauge } from '~/composables/gauge'

/** Points of outlines or of a wheel's profile: a row a point, several readings in a cell, pasted blocks, points to drag. */
const props = defineProps<{
  value: NamedOutline[] | WheelProfile | undefined
  profile: boolean
  name: string
  label: string
  units: UnitChoice
  instrument: InstrumentId
  /** Added to each radius that is typed: half the register where radii are read from its edge. */
  addMm?: number
  /** Names that are offered for a further line. */
  offers?: readonly string[]
  behind?: readonly Polyline[]
  /** Where the drawing stands when there is room for it; beside the table when empty. */
  drawingTo: string
}>()
const emit = defineEmits<{ change: [value: NamedOutline[] | WheelProfile | undefined]; focus: [] }>()

const gauge = useGauge()
const lines = ref<PointLine[]>([])
const at = ref(0)
const current = ref<number>()
const instrument = ref<InstrumentId>(props.instrument)
const table = ref<HTMLElement>()
let sent = ''

const key = (value: unknown) => JSON.stringify(value ?? null)
function load() {
  lines.value = rowsOf(props.value, props.units)
  if (lines.value.length === 0) lines.value = [{ name: props.profile ? 'profile' : (props.offers?.[0] ?? 'body'), rows: [] }]
  at.value = Math.min(at.value, lines.value.length - 1)
  const known = props.value && (Array.isArray(props.value) ? props.value[0]?.instrument : props.value.instrument)
  if (known) instrument.value = known
}
watch(
  () => [props.value, props.units] as const,
  ([value, units], before) => {
    if (before && key(value) === sent && units === before[1]) return
    load()
  },
  { immediate: true },
)

const line = computed(() => lines.value[at.value]!)
/** One blank row at the end, to go on. */
const rows = computed(() => [...line.value.rows, emptyRow(line.value.rows[line.value.rows.length - 1]?.tag)])
const taken = computed(() => lines.value.map((one, index) => takeRows(one.rows, index, props.units, instrument.value)))
const problems = computed(() => taken.value.flatMap((one) => one.problems))
const drawn = computed(() => lines.value.map((one, index) => ({ name: one.name, points: taken.value[index]!.taken.points })))

function commit() {
  if (problems.value.length > 0) return
  const whole = lines.value
    .map((one, index) => ({ name: one.name.trim() || `outline ${index + 1}`, ...taken.value[index]!.taken, rows: one.rows }))
    .filter((one) => one.points.length >= 2)
  let next: NamedOutline[] | WheelProfile | undefined
  if (whole.length === 0) next = undefined
  else if (props.profile) {
    const { points, readings, instrument: used, rows: from } = whole[0]!
    const filled = from.filter((row) => row.z.trim() !== '' || row.r.trim() !== '')
    next = { points, tags: filled.slice(0, -1).map((row) => row.tag), ...(readings ? { readings, instrument: used! } : {}) }
  } else
    next = whole.map(({ name, points, readings, instrument: used }) => ({
      name,
      points,
      ...(readings ? { readings, instrument: used! } : {}),
    }))
  // points that are still one alone wait in the table
  if (next === undefined && lines.value.some((one) => one.rows.length > 0)) return
  if (key(next) === key(props.value)) return
  sent = key(next)
  emit('change', next)
}
function write(row: number, cell: 'z' | 'r', text: string) {
  if (row === line.value.rows.length) {
    if (text.trim() === '') return
    line.value.rows.push(emptyRow(line.value.rows[row - 1]?.tag))
  }
  line.value.rows[row]![cell] = text
  line.value.rows[row]!.read = true
}
/** A radius read from the register's edge gets its half when it is taken. */
function leave(row: number, cell: 'z' | 'r', event: Event) {
  const text = (event.target as HTMLInputElement).value
  const known = line.value.rows[row]?.[cell] ?? ''
  if (text !== known || pending.value === `${row}${cell}`) {
    const withRegister = cell === 'r' && props.addMm && text.trim() !== '' ? addTo(text, props.addMm) : text
    write(row, cell, withRegister)
    pending.value = ''
  }
  commit()
}
const pending = ref('')
function typing(row: number, cell: 'z' | 'r', event: Event) {
  pending.value = `${row}${cell}`
  write(row, cell, (event.target as HTMLInputElement).value)
}
function addTo(text: string, addMm: number): string {
  const { taken: one } = takeRows([{ z: text, r: text, tag: 'barrel', read: true }], 0, props.units, instrument.value)
  if (!one.readings) return text
  const moved = one.readings[0]![0].map((value) => value + addMm)
  return rowsOf([{ name: '', points: [[moved[0]!, moved[0]!]], readings: [[moved, moved]] }], props.units)[0]!.rows[0]!.z
}
const cellAt = (row: number, cell: 'z' | 'r') => table.value?.querySelector<HTMLInputElement>(`[data-cell="${row}-${cell}"]`)
async function enter(row: number, cell: 'z' | 'r', event: Event) {
  leave(row, cell, event)
  await nextTick()
  ;(cell === 'z' ? cellAt(row, 'r') : cellAt(row + 1, 'z'))?.focus()
}
function arrow(event: KeyboardEvent, row: number, cell: 'z' | 'r') {
  const to = event.key === 'ArrowDown' ? row + 1 : event.key === 'ArrowUp' ? row - 1 : undefined
  const next = to === undefined ? undefined : cellAt(to, cell)
  if (!next) return
  event.preventDefault()
  next.focus()
}
/** A block from a spreadsheet fills rows from here on: z, r and for a profile the tag. */
function paste(event: ClipboardEvent, row: number, cell: 'z' | 'r') {
  const block = event.clipboardData?.getData('text').trim() ?? ''
  if (!/[\n\t]/.test(block)) return
  event.preventDefault()
  pending.value = ''
  block.split(/\r?\n/).forEach((text, offset) => {
    const pieces = text.split('\t').map((piece) => piece.trim())
    if (pieces.length === 1) write(row + offset, cell, pieces[0]!)
    else {
      write(row + offset, 'z', pieces[0]!)
      write(row + offset, 'r', pieces[1]!)
      const tag = WHEEL_TAGS.find((one) => one === pieces[2]?.toLowerCase())
      if (tag) line.value.rows[row + offset]!.tag = tag
    }
  })
  commit()
}
function setTag(row: number, event: Event) {
  const one = line.value.rows[row]
  if (one) one.tag = (event.target as HTMLSelectElement).value as WheelTag
  commit()
}
function remove(row: number) {
  line.value.rows.splice(row, 1)
  if (line.value.rows.length === 0 && lines.value.length > 1) removeLine()
  else if (lines.value.every((one) => one.rows.length === 0)) {
    sent = key(undefined)
    emit('change', undefined)
  } else commit()
}
function insertAfter(row: number) {
  const here = taken.value[at.value]!.taken.points
  const [a, b] = [here[row], here[row + 1]]
  const middle = a && b ? rowsOf([{ name: '', points: [[(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]] }], props.units)[0]!.rows[0]! : emptyRow()
  line.value.rows.splice(row + 1, 0, { ...middle, tag: line.value.rows[row]!.tag, read: false })
  commit()
}
function addLine(name: string) {
  lines.value.push({ name: name || `outline ${lines.value.length + 1}`, rows: [] })
  at.value = lines.value.length - 1
  void nextTick(() => cellAt(0, 'z')?.focus())
}
function removeLine() {
  lines.value.splice(at.value, 1)
  at.value = Math.max(at.value - 1, 0)
  if (lines.value.length === 0) lines.value = [{ name: props.offers?.[0] ?? 'body', rows: [] }]
  if (lines.value.every((one) => one.rows.length === 0)) {
    sent = key(undefined)
    emit('change', undefined)
  } else commit()
}
function rename(event: Event) {
  line.value.name = (event.target as HTMLInputElement).value.slice(0, 120)
  commit()
}
function moved(point: number, z: number, r: number) {
  const row = line.value.rows[point]
  if (!row) return
  const [made] = rowsOf([{ name: '', points: [[z, r]] }], props.units)[0]!.rows
  row.z = made!.z
  row.r = made!.r
  // a hand in the drawing is no reading
  row.read = false
}
function focused(row: number, cell: 'z' | 'r') {
  current.value = row
  emit('focus')
  gauge.field.value = {
    label: `point ${row + 1}, ${cell}`,
    take(valueMm) {
      const before = line.value.rows[row]?.[cell].trim() ?? ''
      const [made] = rowsOf([{ name: '', points: [[valueMm + (cell === 'r' ? (props.addMm ?? 0) : 0), 0]] }], props.units)[0]!.rows
      write(row, cell, before ? `${before}; ${made!.z}` : made!.z)
      commit()
    },
  }
}
const problemOf = (row: number, cell: 'z' | 'r') =>
  problems.value.find((one) => one.line === at.value && one.row === row && one.cell === cell)
</script>

<template>
  <div class="points" :data-field="name">
    <div class="tools">
      <label class="small"
        >Taken with
        <select v-model="instrument" class="native" @change="commit">
          <option v-for="one in INSTRUMENT_IDS" :key="one" :value="one">{{ INSTRUMENTS[one].label }}</option>
        </select>
      </label>
      <template v-if="!profile">
        <label class="small"
          >Outline
          <select v-model="at" class="native">
            <option v-for="(one, i) in lines" :key="i" :value="i">{{ one.name }} ({{ one.rows.length }})</option>
          </select>
        </label>
        <label class="small">Its name<DraftInput class="native" :value="line.name" maxlength="120" @change="rename" /></label>
        <select class="native offers" value="" aria-label="Add an outline" @change="addLine(($event.target as HTMLSelectElement).value)">
          <option value="" disabled>Add …</option>
          <option v-for="one in offers" :key="one" :value="one">{{ one }}</option>
          <option value="another object">another object</option>
        </select>
        <button v-if="lines.length > 1" class="btn bare" type="button" @click="removeLine">Remove outline</button>
      </template>
    </div>
    <Teleport defer :to="drawingTo" :disabled="drawingTo === ''">
      <div class="drawing">
        <OutlineEditor
          :lines="drawn"
          :units="units"
          :editable="at"
          :current="current"
          :behind="behind"
          :label="`${label}: points to drag`"
          @move="moved"
          @settled="commit"
          @pick="current = $event"
        />
      </div>
    </Teleport>
    <table ref="table" class="plain">
      <thead>
        <tr>
          <th scope="col">Point</th>
          <th scope="col">z, from the {{ profile ? 'hub pad' : 'seat' }}</th>
          <th scope="col">r, from the axis</th>
          <th v-if="profile" scope="col">then</th>
          <th scope="col"><span class="visually-hidden">Change</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in rows" :key="i" :class="{ here: i === current }">
          <td class="num soft">{{ i + 1 }}</td>
          <td v-for="cell in ['z', 'r'] as const" :key="cell">
            <input
              class="native num"
              :value="row[cell]"
              :data-cell="`${i}-${cell}`"
              :aria-label="`Point ${i + 1}, ${cell}`"
              :aria-invalid="problemOf(i, cell) !== undefined"
              autocomplete="off"
              @focus="focused(i, cell)"
              @input="typing(i, cell, $event)"
              @change="leave(i, cell, $event)"
              @keydown.enter.prevent="enter(i, cell, $event)"
              @keydown="arrow($event, i, cell)"
              @paste="paste($event, i, cell)"
            />
          </td>
          <td v-if="profile">
            <select
              v-if="i < rows.length - 2"
              class="native"
              :value="row.tag"
              :aria-label="`After point ${i + 1}`"
              @change="setTag(i, $event)"
            >
              <option v-for="tag in WHEEL_TAGS" :key="tag">{{ tag }}</option>
            </select>
          </td>
          <td class="change">
            <template v-if="i < rows.length - 1">
              <button
                class="btn bare"
                type="button"
                :aria-label="`Insert after point ${i + 1}`"
                title="Insert after"
                @click="insertAfter(i)"
              >
                +
              </button>
              <button class="btn bare" type="button" :aria-label="`Remove point ${i + 1}`" title="Remove" @click="remove(i)">×</button>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
    <ul v-if="problems.length > 0" class="field-error list">
      <li v-for="one in problems.slice(0, 4)" :key="`${one.line}${one.row}${one.cell}`">{{ one.message }}</li>
    </ul>
    <p class="soft small">
      Enter goes to the next cell. Several readings of one place go into one cell with a semicolon between; a block pasted from a
      spreadsheet fills the rows from here on. A point that is dragged or inserted was not read: the readings of its line then no longer
      count, and how sure it is gets assumed.
    </p>
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: flex-end;
  margin-bottom: 8px;
}
.tools label {
  flex: 1 1 120px;
}
.offers {
  flex: 0 1 100px;
  width: auto;
}
.drawing {
  height: 300px;
  max-width: 620px;
  margin-bottom: 8px;
}
@media (max-width: 760px) {
  .drawing {
    height: 220px;
  }
}
table.plain td,
table.plain th {
  padding: 2px 4px;
  border: 0;
}
tr.here td {
  background: var(--sheet-2);
}
td select.native {
  min-width: 106px;
  padding-right: 2px;
}
.change {
  white-space: nowrap;
}
.change .btn {
  min-height: 30px;
  padding: 0 9px;
}
.list {
  margin: 4px 0;
  padding-left: 18px;
}
@media (max-width: 760px) {
  td .native {
    min-height: 40px;
  }
}
</style>
