<script setup lang="ts">
import { computed, ref } from 'vue'
import { headerOf } from '#core/formats/parts-csv.ts'
import { PART_KIND_NAMES, PART_KINDS, type PartKind } from '#core/model/part-kinds.ts'
import { ORIGIN_WORDS, ORIGINS } from '#core/quantity/figure.ts'
import { useTableImport } from '~/composables/table-import'
import { csvText } from '#core/formats/csv-text.ts'
import { download } from '~/composables/project-files'

/** A pasted or opened table before it is taken: which column is what, what will be taken, what not and why. */
const emit = defineEmits<{ done: [] }>()
const { table, kind, origin, update, mapping, columns, taken, changes, choose, take, close } = useTableImport()
const trouble = ref('')
const bare = computed(() => columns.value.filter((column) => !column.aside))
const aside = computed(() => columns.value.filter((column) => column.aside))
const sample = (index: number) => table.value?.rows.find((row) => row[index])?.[index] ?? ''
const left = computed(() => mapping.value.filter((one) => one === null).length)
function map(index: number, event: Event) {
  const value = (event.target as HTMLSelectElement).value || null
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
  <section v-if="table" class="import" aria-label="Bring in a table">
    <h2>Bring in {{ table.rows.length }} {{ table.rows.length === 1 ? 'row' : 'rows' }}</h2>
    <p class="num answer" role="status" data-test="import-answer">
      <strong>{{ taken!.parts.length }} will be taken</strong
      ><template v-if="changes > 0">, {{ changes }} of them as changes of parts that are here</template
      ><template v-if="taken!.rejected.length > 0"
        >; <span class="tone-blocked">{{ taken!.rejected.length }} will not</span></template
      >.
    </p>
    <div class="choices">
      <label
        >They are<select
          class="native"
          :value="kind"
          aria-label="Kind of part"
          @change="choose(($event.target as HTMLSelectElement).value as PartKind)"
        >
          <option v-for="one in PART_KIND_NAMES" :key="one" :value="one">{{ PART_KINDS[one].many }}</option>
        </select></label
      >
      <label
        >Their figures are<select v-model="origin" class="native">
          <option v-for="one in ORIGINS" :key="one" :value="one">{{ ORIGIN_WORDS[one] }}</option>
        </select></label
      >
      <label class="check"><input v-model="update" type="checkbox" /> change parts that have the same name, maker and number</label>
      <span class="buttons">
        <button class="btn main" type="button" :disabled="taken!.parts.length === 0" data-test="import-take" @click="go">
          Take {{ taken!.parts.length }}
        </button>
        <button class="btn" type="button" @click="cancel">Cancel</button>
      </span>
    </div>
    <p v-if="trouble" class="field-error" role="alert">{{ trouble }}</p>
    <section v-if="taken!.rejected.length > 0">
      <h3>Not taken: nothing of these rows</h3>
      <ul data-test="rejected">
        <li v-for="one in taken!.rejected" :key="one.row">
          <span class="num">Row {{ one.row }}</span
          >{{ one.name ? `, ${one.name}` : '' }}: {{ one.reasons.join('; ') }}.
        </li>
      </ul>
      <button class="btn" type="button" @click="saveRejected">Save these rows with their reasons</button>
    </section>
    <section v-if="taken!.doubted.length > 0">
      <h3>Taken, but look at these</h3>
      <ul>
        <li v-for="one in taken!.doubted" :key="one.row">
          <span class="num">Row {{ one.row }}</span
          >, {{ one.name }}: {{ one.reasons.join(' ') }}
        </li>
      </ul>
    </section>
    <h3>Which column is what{{ left > 0 ? `: ${left} left out` : '' }}</h3>
    <table class="plain">
      <thead>
        <tr>
          <th scope="col">In the table</th>
          <th scope="col">First value</th>
          <th scope="col">Is</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(name, index) in table.header" :key="index">
          <th scope="row">{{ name || `column ${index + 1}` }}</th>
          <td class="num">{{ sample(index).slice(0, 40) }}</td>
          <td>
            <select
              class="native"
              :value="mapping[index] ?? ''"
              :aria-label="`What ${name || `column ${index + 1}`} is`"
              @change="map(index, $event)"
            >
              <option value="">left out</option>
              <option v-for="column in bare" :key="column.id" :value="column.id">{{ headerOf(column) }}</option>
              <optgroup label="Beside a figure">
                <option v-for="column in aside" :key="column.id" :value="column.id">{{ headerOf(column) }}</option>
              </optgroup>
            </select>
          </td>
        </tr>
      </tbody>
    </table>
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
.choices label {
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
table {
  max-width: 760px;
}
th[scope='row'] {
  font-weight: 400;
  text-align: left;
}
</style>
