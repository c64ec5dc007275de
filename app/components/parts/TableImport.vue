<script setup lang="ts">
import { ORIGIN_CHOICES } from '~/composables/choices'
import { computed, ref } from 'vue'
import { headerOf } from '#core/formats/parts-csv.ts'
import { PART_KIND_NAMES, PART_KINDS, type PartKind } from '#core/records/part-kinds.ts'
import { useTableImport } from '~/composables/table-import'
import { csvText } from '#core/formats/csv-text.ts'
import { download } from '~/composables/project-files'

/** A pasted or opened table before it is taken: which column is what, what will be taken, what not and why. */
const emit = defineEmits<{ done: [] }>()
const { table, kind, origin, update, mapping, columns: meant, taken, changes, choose, take, close } = useTableImport()
const trouble = ref('')
/** What a column of the table may be; dates, doubts and notes stand in a group of their own. */
const meanings = computed(() => [
  { value: '', label: 'left out' },
  ...meant.value.map((column) => ({ value: column.id, label: headerOf(column), ...(column.aside ? { group: 'Beside a figure' } : {}) })),
])
const columns = [
  { id: 'name', label: 'In the table', least: 170, text: (one: { name: string }) => one.name },
  { id: 'first', label: 'First value', least: 150 },
  { id: 'is', label: 'Is', least: 220 },
]
const tableColumns = computed(() => (table.value?.header ?? []).map((name, index) => ({ index, name: name || `column ${index + 1}` })))
const sample = (index: number) => table.value?.rows.find((row) => row[index])?.[index] ?? ''
const left = computed(() => mapping.value.filter((one) => one === null).length)
function map(index: number, chosen: string) {
  const value = chosen || null
  // a column of the part is filled from one place only
  mapping.value = mapping.value.map((one, at) => (at === index ? value : one === value ? null : one))
}
function go() {
  trouble.value = take()
  if (!trouble.value) emit('done')
}
function cancel() {
  close()
  emit('done')
}
/** The rejected rows as they came, with the reasons, to mend and bring again. */
function saveRejected() {
  const { header, rows } = table.value!
  const lines = taken.value!.rejected.map(({ row, reasons }) => [...(rows[row - 2] ?? []), reasons.join('; ')])
  download('rejected-rows.csv', csvText([...header, 'Reason'], lines, ';'), 'text/csv')
}
</script>

<template>
  <section v-if="table" class="import" aria-label="Import a table">
    <h2>Import {{ table.rows.length }} {{ table.rows.length === 1 ? 'row' : 'rows' }}</h2>
    <p class="num answer" role="status" data-test="import-answer">
      <strong>{{ taken!.parts.length }} will be imported</strong
      ><template v-if="changes > 0">, {{ changes }} of them as changes of parts that are here</template
      ><template v-if="taken!.rejected.length > 0"
        >; <span class="tone-blocked">{{ taken!.rejected.length }} will not</span></template
      >.
    </p>
    <div class="choices">
      <FieldItem label="They are"
        ><ChoiceSelect
          label="Kind of part"
          :value="kind"
          :options="PART_KIND_NAMES.map((one) => ({ value: one, label: PART_KINDS[one].many }))"
          @change="choose($event as PartKind)"
      /></FieldItem>
      <FieldItem label="Their figures are"
        ><ChoiceSelect :value="origin" :options="ORIGIN_CHOICES" label="Their figures are" @change="origin = $event"
      /></FieldItem>
      <ElCheckbox v-model="update" :validate-event="false">change parts that have the same name, maker and number</ElCheckbox>
      <span class="buttons">
        <ElButton type="primary" :disabled="taken!.parts.length === 0" data-test="import-take" @click="go">
          Import {{ taken!.parts.length }}
        </ElButton>
        <ElButton @click="cancel">Cancel</ElButton>
      </span>
    </div>
    <p v-if="trouble" class="field-error" role="alert">{{ trouble }}</p>
    <section v-if="taken!.rejected.length > 0">
      <h3>Rows not imported</h3>
      <ul data-test="rejected">
        <li v-for="one in taken!.rejected" :key="one.row">
          <span class="num">Row {{ one.row }}</span
          >{{ one.name ? `, ${one.name}` : '' }}: {{ one.reasons.join('; ') }}.
        </li>
      </ul>
      <ElButton @click="saveRejected">Save these rows with their reasons</ElButton>
    </section>
    <section v-if="taken!.doubted.length > 0">
      <h3>Check these imported rows</h3>
      <ul>
        <li v-for="one in taken!.doubted" :key="one.row">
          <span class="num">Row {{ one.row }}</span
          >, {{ one.name }}: {{ one.reasons.join(' ') }}
        </li>
      </ul>
    </section>
    <h3>Which column is what{{ left > 0 ? `: ${left} left out` : '' }}</h3>
    <DataTable :rows="tableColumns" :columns="columns" class="meanings">
      <template #first="{ row }"
        ><span class="num">{{ sample(row.index).slice(0, 40) }}</span></template
      >
      <template #is="{ row }">
        <ChoiceSelect
          :value="mapping[row.index] ?? ''"
          :options="meanings"
          :label="`What ${row.name} is`"
          @change="map(row.index, $event)"
        />
      </template>
    </DataTable>
  </section>
</template>

<style scoped>
.answer {
  margin: 4px 0 8px;
  font-size: 16px;
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: end;
  margin-bottom: 10px;
}
.choices > .el-form-item {
  font-size: 13px;
}
.check {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 32px;
}
.buttons {
  display: flex;
  gap: 8px;
  margin-left: auto;
}
h3 {
  margin: 12px 0 2px;
}
ul {
  margin: 0 0 8px;
  padding-left: 18px;
}
.meanings {
  max-width: 760px;
}
</style>
