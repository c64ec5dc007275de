<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { headerOf, writePartsCsv } from '#core/formats/parts-csv.ts'
import { PART_KIND_NAMES, PART_KINDS, type PartKind } from '#core/records/part-kinds.ts'
import { removeParts } from '#core/commands/remove-parts.ts'
import { useGridCursor } from '~/composables/grid-cursor'
import { useRowWindow } from '~/composables/row-window'
import { usePartGrid } from '~/composables/part-grid'
import { useTableImport } from '~/composables/table-import'
import { download } from '~/composables/project-files'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** All parts of one kind as a table: sort, filter, arrow keys, type into a cell, paste a block, change many at once, CSV. */
const store = useProjectStore()
const route = useRoute()
const router = useRouter()
const { link } = useWorkbench()
const kind = computed<PartKind>(() => PART_KIND_NAMES.find((one) => one === route.query.kind) ?? 'caliper')
const filter = ref('')
const table = usePartGrid(kind, filter)
const { units, mine, all, columns, rows, sortBy, sort, chosen, toggle, message, paste, setAll } = table
const { at, editing, draft, begin, finish, key, copied, restart } = useGridCursor(table, () => void focusCell())
const incoming = useTableImport()
const grid = ref<HTMLElement>()
const bulkColumn = ref('')
const bulkText = ref('')

const chooseKind = (chosenKind: PartKind) =>
  router.replace({ path: route.path, query: { ...link('parts').query, view: 'table', kind: chosenKind } })
watch(kind, () => {
  chosen.value = new Set()
  restart()
  bulkColumn.value = ''
  message.value = ''
})

/** As high as the style below makes them. */
const ROW_PX = 29
const { drawn, reach, isWhole } = useRowWindow(
  grid,
  computed(() => rows.value.length),
  ROW_PX,
  () => at.value.row,
)

const inSight = computed(() =>
  drawn.value.map((one) =>
    'row' in one ? { part: rows.value[one.row], row: one.row, roomPx: 0 } : { part: undefined, row: one.at, roomPx: one.roomPx },
  ),
)

async function focusCell() {
  if (!isWhole.value) reach(at.value.row)
  await nextTick()
  const cell = grid.value?.querySelector<HTMLElement>(`[data-cell="${at.value.row}.${at.value.column}"]`)
  const control = editing.value ? cell?.querySelector<HTMLElement>('input, select') : cell
  control?.focus()
  cell?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
}
function onKey(event: KeyboardEvent) {
  if (!key(event)) return
  event.preventDefault()
  event.stopPropagation()
}
function onPaste(event: ClipboardEvent) {
  if (editing.value) return
  const text = event.clipboardData?.getData('text') ?? ''
  if (text === '') return
  event.preventDefault()
  if (incoming.looksLikeTable(text, kind.value)) incoming.start(text, kind.value)
  else paste(text, at.value.row, at.value.column)
}
function onCopy(event: ClipboardEvent) {
  const text = editing.value ? undefined : copied()
  if (text === undefined) return
  event.clipboardData?.setData('text/plain', text)
  event.preventDefault()
}
const bulk = () => {
  const column = all.value.find((one) => one.id === bulkColumn.value)
  if (column && setAll(column, bulkText.value)) bulkText.value = ''
}
function removeChosen() {
  const ids = chosen.value
  store.edit(`Remove ${ids.size} parts`, (draft) => removeParts(draft, ids))
  chosen.value = new Set()
}
const openFile = (file: File) => incoming.startFile(file, kind.value)
async function pasteButton() {
  try {
    const text = await navigator.clipboard.readText()
    incoming.start(text, kind.value)
  } catch {
    message.value = 'This browser gives buttons no access to the clipboard. Click a cell and press Ctrl+V.'
  }
}
const save = () =>
  download(
    `${PART_KINDS[kind.value].many.replace(/\W+/g, '-')}.csv`,
    writePartsCsv(kind.value, store.current.parts, units.value),
    'text/csv',
  )
</script>

<template>
  <div class="tabled">
    <div v-if="!incoming.table.value" class="tools">
      <FieldItem label="Kind"
        ><ChoiceSelect
          label="Kind of part in the table"
          :value="kind"
          :options="
            PART_KIND_NAMES.map((one) => ({
              value: one,
              label: `${PART_KINDS[one].many} (${store.current.parts.filter((part) => part.kind === one).length})`,
            }))
          "
          @change="chooseKind"
      /></FieldItem>
      <FieldItem label="Only rows with"
        ><ElInput v-model="filter" type="search" placeholder="any word or figure" aria-label="Only rows with" :validate-event="false"
      /></FieldItem>
      <span class="buttons">
        <ElButton @click="pasteButton">Paste a table</ElButton>
        <FilePick label="Open CSV" accept=".csv,.tsv,.txt,text/csv" name="parts-file" @pick="openFile" />
        <ElButton :disabled="mine.length === 0" @click="save">Save as CSV</ElButton>
      </span>
    </div>
    <p v-if="incoming.problem.value" class="field-error" role="alert">{{ incoming.problem.value }}</p>
    <TableImport v-if="incoming.table.value" class="scroll" @done="focusCell" />
    <template v-else>
      <div v-if="chosen.size > 0" class="bulk" role="group" aria-label="Change the chosen rows">
        <strong class="num">{{ chosen.size }} chosen</strong>
        <ChoiceSelect
          label="Column to change"
          :value="bulkColumn"
          :options="[{ value: '', label: 'Set …' }, ...all.map((column) => ({ value: column.id, label: headerOf(column) }))]"
          @change="bulkColumn = $event"
        />
        <ElInput
          v-model="bulkText"
          aria-label="To this"
          placeholder="to this; empty clears"
          :validate-event="false"
          @keydown.enter="bulk"
        />
        <ElButton :disabled="bulkColumn === ''" @click="bulk">Set in all {{ chosen.size }}</ElButton>
        <ElButton @click="removeChosen">Remove</ElButton>
        <ElButton text @click="chosen = new Set()">Choose none</ElButton>
      </div>
      <p v-if="message" class="field-error" role="alert" data-test="grid-message">{{ message }}</p>
      <NothingYet
        v-if="mine.length === 0"
        :text="`No ${PART_KINDS[kind].many} yet. Paste a table with a first row of column names, or open a CSV file.`"
      />
      <div v-else ref="grid" class="scroll" @keydown="onKey" @paste="onPaste" @copy="onCopy">
        <table class="plain grid" role="grid" :aria-label="PART_KINDS[kind].many" :aria-rowcount="rows.length + 1">
          <thead>
            <tr>
              <th scope="col"><span class="visually-hidden">Choose</span></th>
              <th
                v-for="column in columns"
                :key="column.id"
                scope="col"
                :class="{ r: column.numeric, first: column.id === 'name' }"
                :aria-sort="sortBy?.id === column.id ? (sortBy.up ? 'ascending' : 'descending') : 'none'"
              >
                <button class="sort" type="button" @click="sort(column.id)">
                  {{ headerOf(column) }}<span aria-hidden="true">{{ sortBy?.id === column.id ? (sortBy.up ? ' ▲' : ' ▼') : '' }}</span>
                </button>
              </th>
            </tr>
          </thead>
          <tbody>
            <template v-for="{ part, row, roomPx } in inSight" :key="part?.id ?? `room ${row}`">
              <tr v-if="!part" aria-hidden="true" :style="{ height: `${roomPx}px` }" />
              <tr v-else :class="{ picked: chosen.has(part.id) }" :aria-rowindex="row + 2">
                <td>
                  <ElCheckbox :model-value="chosen.has(part.id)" :validate-event="false" @change="toggle(part.id)">
                    <span class="visually-hidden">Choose {{ part.name }}</span>
                  </ElCheckbox>
                </td>
                <td
                  v-for="(column, index) in columns"
                  :key="column.id"
                  role="gridcell"
                  :data-cell="`${row}.${index}`"
                  :tabindex="at.row === row && at.column === index ? 0 : -1"
                  :class="{ r: column.numeric, num: column.numeric, first: column.id === 'name' }"
                  @focus="!editing && (at = { row, column: index })"
                  @dblclick="begin()"
                >
                  <template v-if="editing && at.row === row && at.column === index">
                    <!-- native fields: the grid's cursor opens and leaves them by key, many in a second -->
                    <select
                      v-if="column.options"
                      v-model="draft"
                      class="native cell"
                      :aria-label="column.label"
                      @change="finish()"
                      @blur="finish()"
                    >
                      <option value=""></option>
                      <option v-for="option in column.options" :key="option">{{ option }}</option>
                    </select>
                    <input v-else v-model="draft" class="native cell" :aria-label="column.label" @blur="finish()" />
                  </template>
                  <template v-else>{{ column.read(part, units) }}</template>
                </td>
              </tr>
            </template>
          </tbody>
        </table>
        <p v-if="rows.length === 0" class="soft">No row has “{{ filter }}”.</p>
      </div>
      <p class="soft small keys">
        Arrow keys move, Enter or typing edits, Space chooses a row, Delete empties a cell, Ctrl+V pastes cells or a whole table.
      </p>
    </template>
  </div>
</template>

<style scoped>
.tabled {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
  min-height: 0;
  height: 100%;
}
.tools,
.bulk {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
}
.bulk {
  align-items: center;
  padding: 6px 8px;
  background: var(--accent-soft);
}
.bulk .native {
  width: 190px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-left: auto;
}
.scroll {
  flex: 1;
  min-height: 0;
  overflow: auto;
  overflow-anchor: none;
}
.grid {
  width: max-content;
  min-width: 100%;
  border-collapse: separate;
  border-spacing: 0;
}
thead th {
  position: sticky;
  top: 0;
  z-index: 2;
  max-width: 150px;
  background: var(--sheet);
  vertical-align: bottom;
}
.sort {
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: inherit;
  cursor: pointer;
}
.first {
  position: sticky;
  left: 0;
  z-index: 1;
  max-width: 260px;
  background: var(--sheet);
}
thead .first {
  z-index: 3;
}
tbody td {
  max-width: 260px;
  height: 29px;
  padding: 3px 8px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
tbody td:focus {
  outline: 2px solid var(--focus);
  outline-offset: -2px;
}
.picked td {
  background: var(--accent-soft);
}
.cell {
  width: 130px;
  min-height: 26px;
  padding: 2px 4px;
}
.keys {
  margin: 0;
}
@media (max-width: 760px) {
  .first {
    max-width: 150px;
  }
  .keys {
    display: none;
  }
}
</style>
