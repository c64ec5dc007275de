<script setup lang="ts">
import { INSTRUMENT_CHOICES, ORIGIN_CHOICES } from '~/composables/choices'
import { nextTick, ref } from 'vue'
import { type NamedOutline, type WheelProfile, WHEEL_TAGS, type WheelTag } from '#core/records/field.ts'
import type { Polyline } from '#core/clearance/maths/polyline.ts'
import type { InstrumentId } from '#core/quantity/instrument.ts'
import type { UnitChoice } from '#core/quantity/units.ts'
import { usePointTable, type PointCell } from '~/composables/point-table'
import { useDraft } from '~/composables/draft'
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
const current = ref<number>()
const table = ref<HTMLElement>()
const {
  lines,
  at,
  line,
  rows,
  instrument,
  origin,
  problems,
  problemOf,
  drawn,
  pictures,
  commit,
  typed,
  left,
  pasted,
  read,
  setTag,
  remove,
  insertAfter,
  add,
  removeLine,
  rename,
  moved,
} = usePointTable({
  value: () => props.value,
  profile: () => props.profile,
  units: () => props.units,
  addMm: () => props.addMm ?? 0,
  firstName: () => props.offers?.[0] ?? 'body',
  instrument: props.instrument,
  draft: useDraft(() => props.name),
  change: (value) => emit('change', value),
})

const textOf = (event: Event) => (event.target as HTMLInputElement).value
const cellAt = (row: number, cell: PointCell) => table.value?.querySelector<HTMLInputElement>(`[data-cell="${row}-${cell}"]`)
async function enter(row: number, cell: PointCell, event: Event) {
  left(row, cell, textOf(event))
  await nextTick()
  ;(cell === 'z' ? cellAt(row, 'r') : cellAt(row + 1, 'z'))?.focus()
}
function arrow(event: KeyboardEvent, row: number, cell: PointCell) {
  const to = event.key === 'ArrowDown' ? row + 1 : event.key === 'ArrowUp' ? row - 1 : undefined
  const next = to === undefined ? undefined : cellAt(to, cell)
  if (!next) return
  event.preventDefault()
  next.focus()
}
function paste(event: ClipboardEvent, row: number, cell: PointCell) {
  if (pasted(row, cell, event.clipboardData?.getData('text') ?? '')) event.preventDefault()
}
function addLine(name: string) {
  add(name)
  void nextTick(() => cellAt(0, 'z')?.focus())
}
function focused(row: number, cell: PointCell) {
  current.value = row
  emit('focus')
  gauge.field.value = { label: `point ${row + 1}, ${cell}`, take: (valueMm) => read(row, cell, valueMm) }
}
</script>

<template>
  <div class="points" :data-field="name">
    <div class="tools">
      <FieldItem label="Measured with"
        ><ChoiceSelect :value="instrument" :options="INSTRUMENT_CHOICES" label="Measured with" @change="((instrument = $event), commit())"
      /></FieldItem>
      <FieldItem label="Comes from"
        ><ChoiceSelect
          data-test="points-origin"
          :value="origin"
          :options="ORIGIN_CHOICES"
          label="Comes from"
          @change="((origin = $event), commit())"
      /></FieldItem>
      <template v-if="!profile">
        <FieldItem label="Outline"
          ><ChoiceSelect
            :value="at"
            :options="lines.map((one, i) => ({ value: i, label: `${one.name} (${one.rows.length})` }))"
            label="Outline"
            @change="at = $event"
        /></FieldItem>
        <FieldItem label="Its name"><DraftInput :value="line.name" maxlength="120" aria-label="Its name" @change="rename" /></FieldItem>
        <ChoiceSelect
          class="offers"
          label="Add an outline"
          placeholder="Add …"
          :value="''"
          :options="[...(offers ?? []).map((one) => ({ value: one, label: one })), { value: 'another object', label: 'another object' }]"
          @change="addLine"
        />
        <template v-if="lines.length > 1">
          <ElPopconfirm
            v-if="line.rows.length > 0"
            :title="`Remove the outline “${line.name}” with its ${line.rows.length} points?`"
            confirm-button-text="Remove outline"
            cancel-button-text="Cancel"
            width="260"
            @confirm="removeLine"
          >
            <template #reference><ElButton text>Remove outline</ElButton></template>
          </ElPopconfirm>
          <ElButton v-else text @click="removeLine">Remove outline</ElButton>
        </template>
      </template>
    </div>
    <Teleport defer :to="drawingTo || 'body'" :disabled="drawingTo === ''">
      <div class="drawing">
        <OutlineEditor
          :lines="drawn"
          :units="units"
          :editable="at"
          :current="current"
          :behind="behind"
          :pictures="pictures"
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
            <!-- a native field: a line has up to 2000 points, and a component for each cell takes seconds -->
            <input
              class="native num"
              :value="row[cell]"
              :data-cell="`${i}-${cell}`"
              :aria-label="`Point ${i + 1}, ${cell}`"
              :aria-invalid="problemOf(i, cell) !== undefined"
              autocomplete="off"
              @focus="focused(i, cell)"
              @input="typed(i, cell, textOf($event))"
              @change="left(i, cell, textOf($event))"
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
              @change="setTag(i, textOf($event) as WheelTag)"
            >
              <option v-for="tag in WHEEL_TAGS" :key="tag">{{ tag }}</option>
            </select>
          </td>
          <td class="change">
            <template v-if="i < rows.length - 1">
              <ElButton text :aria-label="`Insert after point ${i + 1}`" title="Insert after" @click="insertAfter(i)"> + </ElButton>
              <ElButton text :aria-label="`Remove point ${i + 1}`" title="Remove" @click="remove(i)">×</ElButton>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
    <ul v-if="problems.length > 0" class="field-error list">
      <li v-for="one in problems.slice(0, 4)" :key="`${one.line}${one.row}${one.cell}`">{{ one.message }}</li>
    </ul>
    <p class="soft small">
      Separate several readings of one place with semicolons. A block pasted from a spreadsheet fills the rows from here. Moving a point
      discards its readings.
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
.tools > .el-form-item {
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
.change .el-button {
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
  .change .el-button {
    min-width: 44px;
    min-height: 44px;
  }
}
</style>
