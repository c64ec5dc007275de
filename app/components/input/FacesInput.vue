<script setup lang="ts">
import { ref, watch } from 'vue'
import type { FacesField, WheelFace } from '#core/records/field.ts'
import { fieldSchema } from '#core/records/record-schema.ts'
import { schemaProblems } from '#core/records/schema-problems.ts'
import { editQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import type { UnitChoice } from '#core/quantity/units.ts'

/** A wheel maker's list of face heights for one rim: name, raise, lip. */
const props = defineProps<{ field: FacesField; value: WheelFace[] | undefined; units: UnitChoice; name: string }>()
const emit = defineEmits<{ change: [value: WheelFace[] | undefined] }>()

interface FaceRow {
  name: string
  raise: string
  lip: string
}
const rows = ref<FaceRow[]>([])
const error = ref('')
const blank = (): FaceRow => ({ name: '', raise: '', lip: '' })
watch(
  () => [props.value, props.units] as const,
  ([value, units]) => {
    if (error.value) return
    rows.value = [
      ...(value ?? []).map((face) => ({
        name: face.name,
        raise: editQuantity(face.raiseMm, 'length', units),
        lip: editQuantity(face.lipMm, 'length', units),
      })),
      blank(),
    ]
  },
  { immediate: true },
)
function take() {
  error.value = ''
  const faces: WheelFace[] = []
  for (const [i, row] of rows.value.entries()) {
    if (!row.name.trim() && !row.raise.trim() && !row.lip.trim()) continue
    const raise = parseQuantity(row.raise, 'length', props.units)
    const lip = row.lip.trim() ? parseQuantity(row.lip, 'length', props.units) : undefined
    // a row that is half typed waits
    if (!row.name.trim() || !row.raise.trim()) return
    if (!raise.ok) return void (error.value = `Row ${i + 1}, raise: ${raise.message}`)
    if (lip && !lip.ok) return void (error.value = `Row ${i + 1}, lip: ${lip.message}`)
    faces.push({ name: row.name.trim().slice(0, 120), raiseMm: raise.value, ...(lip?.ok ? { lipMm: lip.value } : {}) })
  }
  const names = faces.map((face) => face.name)
  const twice = names.find((one, i) => names.indexOf(one) !== i)
  if (twice !== undefined) return void (error.value = `The name ${twice} is used twice.`)
  const [problem] = schemaProblems(fieldSchema(props.field), faces.length > 0 ? faces : undefined)
  if (problem) return void (error.value = `${props.field.label}: ${problem.message}.`)
  emit('change', faces.length > 0 ? faces : undefined)
}
function remove(at: number) {
  rows.value.splice(at, 1)
  take()
}
const columns = [
  { id: 'name', label: 'Name', least: 120 },
  { id: 'raise', label: 'Raise' },
  { id: 'lip', label: 'Lip' },
  { id: 'remove', label: 'Remove', unseen: true, least: 50 },
]
</script>

<template>
  <FieldItem :data-field="name" :label="field.label" :help="field.help" :error="error">
    <DataTable :rows="rows" :columns="columns" class="faces">
      <template #name="{ row }"
        ><ElInput
          v-model="row.name"
          :aria-label="`Face ${rows.indexOf(row) + 1}, name`"
          maxlength="120"
          :validate-event="false"
          @change="take"
      /></template>
      <template #raise="{ row }"
        ><ElInput
          v-model="row.raise"
          class="num"
          :aria-label="`Face ${rows.indexOf(row) + 1}, raise`"
          :validate-event="false"
          @change="take"
      /></template>
      <template #lip="{ row }"
        ><ElInput v-model="row.lip" class="num" :aria-label="`Face ${rows.indexOf(row) + 1}, lip`" :validate-event="false" @change="take"
      /></template>
      <template #remove="{ row }">
        <ElButton
          v-if="rows.indexOf(row) < rows.length - 1"
          text
          :aria-label="`Remove face ${row.name}`"
          @click="remove(rows.indexOf(row))"
        >
          ×
        </ElButton>
      </template>
    </DataTable>
  </FieldItem>
</template>

<style scoped>
.faces {
  max-width: 460px;
}
</style>
