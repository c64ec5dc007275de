<script setup lang="ts">
import { computed, ref } from 'vue'
import { parseQuantity } from '#core/quantity/parse.ts'
import type { Dimension } from '#core/quantity/units.ts'
import { writtenCycle, type WrittenDescent, type WrittenCycle, type WrittenZone, type OwnCycle } from '#core/records/drive-cycle.ts'
import { memberSchema } from '#core/records/record-schema.ts'
import { schemaProblems } from '#core/records/schema-problems.ts'
import type { NamedCycle } from '#core/heat/drive-cycles.ts'
import { readTrace, readZones, type ReadZones } from '#core/formats/drive-cycle-text.ts'
import { MAX_TABLE_BYTES } from '#core/formats/parts-csv.ts'
import { useCycle } from '~/composables/heat'
import { newId } from '~/composables/new-id'
import { useProjectStore } from '~/stores/project'

/** A driving of one's own: stops, a descent, laps of braking zones; typed, pasted, or taken from a speed trace. */
const props = defineProps<{ from: NamedCycle | undefined; again: boolean }>()
const emit = defineEmits<{ close: [] }>()
const store = useProjectStore()
const { chooseDuty } = useCycle()
const open = ref(true)

const STARTS: { [K in WrittenCycle['kind']]: WrittenCycle & { kind: K } } = {
  stops: { kind: 'stops', fromKmh: 100, toKmh: 0, decelG: 0.5, count: 10, accelG: 0.25, cruiseSeconds: 5 },
  descent: { kind: 'descent', gradePercent: 8, lengthM: 3000, kmh: 50 },
  laps: { kind: 'laps', laps: 5, zones: [{ fromKmh: 100, toKmh: 50, decelG: 0.7, secondsToNext: 15 }] },
}
const plain = (duty: unknown) => JSON.parse(JSON.stringify(duty)) as WrittenCycle
const name = ref(props.from ? (props.again ? props.from.label : `${props.from.label}, mine`) : '')
const duty = ref<WrittenCycle>(plain(props.from?.duty ?? STARTS.laps))
const kind = computed({
  get: () => duty.value.kind,
  set: (to: WrittenCycle['kind']) => (duty.value = to === duty.value.kind ? duty.value : plain(STARTS[to])),
})
const KINDS = [
  { value: 'laps', label: 'laps or runs, with braking zones' },
  { value: 'stops', label: 'stops, one after the other' },
  { value: 'descent', label: 'down a grade' },
] as const
interface EditedField {
  key: string
  label: string
  unit: string
  help?: string
  optional?: boolean
}
const DESCENT: EditedField[] = [
  { key: 'gradePercent', label: 'Grade', unit: '%' },
  { key: 'lengthM', label: 'Length', unit: 'm' },
  { key: 'kmh', label: 'Speed', unit: 'km/h' },
  {
    key: 'engineDragN',
    label: 'Engine holds',
    unit: 'N',
    optional: true,
    help: 'Engine braking at the road in this gear. Empty: the car’s value.',
  },
  { key: 'towMassKg', label: 'Trailer', unit: 'kg', optional: true, help: 'Empty: none.' },
  { key: 'towBrakeShare', label: 'Its brakes carry', unit: '0 to 1', optional: true, help: 'Share of its own weight. Empty: it has none.' },
]
const STOPS: EditedField[] = [
  { key: 'fromKmh', label: 'From', unit: 'km/h' },
  { key: 'toKmh', label: 'To', unit: 'km/h' },
  { key: 'decelG', label: 'Deceleration', unit: 'g' },
  { key: 'count', label: 'Stops', unit: '' },
  { key: 'accelG', label: 'Acceleration', unit: 'g' },
  { key: 'cruiseSeconds', label: 'Then at speed', unit: 's' },
]
const ZONES: EditedField[] = [
  { key: 'fromKmh', label: 'From', unit: 'km/h' },
  { key: 'toKmh', label: 'To', unit: 'km/h' },
  { key: 'decelG', label: 'At', unit: 'g' },
  { key: 'secondsToNext', label: 'To the next', unit: 's' },
]
type AnyCycle = Record<string, unknown>
const text = (of: object | undefined, key: string) => {
  const value = (of as AnyCycle | undefined)?.[key]
  return value === undefined ? '' : String(value)
}
/** What a number without a unit is of; any other unit of the same kind may be typed. */
const DIMENSION_OF: Readonly<Record<string, Dimension>> = {
  'km/h': 'speed',
  m: 'distance',
  s: 'seconds',
  g: 'deceleration',
  N: 'force',
  kg: 'mass',
}
function set(of: object, { key, unit, optional }: EditedField, typed: string) {
  const read = parseQuantity(typed.replace(/%\s*$/, ''), DIMENSION_OF[unit] ?? 'number')
  const value = read.ok ? read.value : NaN
  if (typed.trim() === '' && optional) Reflect.deleteProperty(of, key)
  else (of as AnyCycle)[key] = typed.trim() === '' || !Number.isFinite(value) ? undefined : value
}
const laps = computed(() => (duty.value.kind === 'laps' ? duty.value : undefined))
const zoneRows = computed(() => (laps.value?.zones ?? []).map((zone, at) => ({ at, zone })))
const zoneColumns = [
  ...ZONES.map(({ key, label, unit }) => ({ id: key, label: `${label}, ${unit}`, least: 84 })),
  { id: 'leave', label: 'Leave out', unseen: true, least: 52 },
]
const addZone = () => laps.value?.zones.push({ ...(laps.value.zones.at(-1) ?? STARTS.laps.zones[0]!) })
const dropZone = (at: number) => laps.value?.zones.splice(at, 1)
const down = computed({
  get: () => laps.value?.down !== undefined,
  set: (on: boolean) => {
    if (!laps.value) return
    if (on) laps.value.down = plain(STARTS.descent) as WrittenDescent
    else delete laps.value.down
  },
})
const said = ref('')
const wrong = ref('')
function take(read: ReadZones) {
  wrong.value = read.ok ? '' : read.message
  said.value = read.ok ? read.words : ''
  if (!read.ok) return
  if (duty.value.kind !== 'laps') kind.value = 'laps'
  laps.value!.zones = read.zones.map((one): WrittenZone => ({ ...one }))
}
function paste(event: ClipboardEvent) {
  const block = event.clipboardData?.getData('text') ?? ''
  if (!/[\n;\t]/.test(block.trim())) return
  event.preventDefault()
  take(/[a-z]/i.test(block.split('\n')[0] ?? '') ? readTrace(block) : readZones(block))
}
async function pick(file: File) {
  if (file.size > MAX_TABLE_BYTES) wrong.value = `${file.name} is larger than ${MAX_TABLE_BYTES / 1e6} MB: cut out one lap.`
  else take(readTrace(await file.text()))
}
const problems = computed(() =>
  schemaProblems(memberSchema(writtenCycle), plain(duty.value)).map((one) => ({ ...one, where: whereOf(one.path) })),
)
function whereOf(path: string): string {
  const zone = /zones\[(\d+)\]/.exec(path)?.[1]
  const key = path.split('.').at(-1)
  const asked = [...ZONES, ...STOPS, ...DESCENT].find((one) => one.key === key)
  return [zone === undefined ? '' : `zone ${Number(zone) + 1}`, asked?.label ?? (key === 'laps' ? 'times' : '')].filter(Boolean).join(', ')
}
const nameWrong = ref('')
function save() {
  nameWrong.value = name.value.trim() === '' ? 'Give it a name.' : ''
  if (problems.value.length > 0 || nameWrong.value) return
  const id = props.again && props.from ? props.from.id : newId()
  const own: OwnCycle = { id, name: name.value.trim().slice(0, 120), duty: plain(duty.value) }
  const refused = store.edit(
    props.again ? 'Edit a session' : 'Add a session',
    (draft) => {
      const at = draft.duties.findIndex((one) => one.id === id)
      if (at < 0) draft.duties.push(own)
      else draft.duties[at] = { ...draft.duties[at], ...own }
      draft.preferences.duty = id
    },
    { shows: true },
  )
  if (refused.length > 0) {
    wrong.value = `${refused[0]!.place} ${refused[0]!.message}.`
    return
  }
  chooseDuty(id)
  open.value = false
}
function remove() {
  store.edit('Remove a session', (draft) => {
    draft.duties = draft.duties.filter((one) => one.id !== props.from!.id)
    if (draft.preferences.duty === props.from!.id) delete draft.preferences.duty
  })
  open.value = false
}
</script>

<template>
  <ElDrawer v-model="open" :title="again ? 'Edit session' : 'New session'" size="min(620px, 100%)" @closed="emit('close')">
    <div class="editor" data-test="duty-editor">
      <FieldItem label="Name" :error="nameWrong"
        ><ElInput v-model="name" maxlength="120" aria-label="Name of the session" :validate-event="false"
      /></FieldItem>
      <FieldItem label="Kind"
        ><ChoiceSelect label="Kind" :value="kind" :options="KINDS" data-test="duty-kind" @change="kind = $event"
      /></FieldItem>
      <div v-if="duty.kind === 'stops'" class="figures">
        <FieldItem v-for="one in STOPS" :key="one.key" :label="one.unit ? `${one.label}, ${one.unit}` : one.label"
          ><ElInput
            class="num"
            :model-value="text(duty, one.key)"
            :aria-label="one.label"
            :validate-event="false"
            @update:model-value="set(duty, one, $event)"
        /></FieldItem>
      </div>
      <div v-else-if="duty.kind === 'descent'" class="figures">
        <FieldItem v-for="one in DESCENT" :key="one.key" :label="`${one.label}, ${one.unit}`" :help="one.help"
          ><ElInput
            class="num"
            :model-value="text(duty, one.key)"
            :aria-label="one.label"
            :placeholder="one.optional ? 'none' : ''"
            :validate-event="false"
            @update:model-value="set(duty, one, $event)"
        /></FieldItem>
      </div>
      <template v-else-if="laps">
        <div class="figures">
          <FieldItem label="How many times"
            ><ElInput
              class="num"
              :model-value="text(laps, 'laps')"
              aria-label="How many times"
              :validate-event="false"
              @update:model-value="set(laps, { key: 'laps', label: '', unit: '' }, $event)"
          /></FieldItem>
          <ElCheckbox v-model="laps.coolingLap" :validate-event="false">a slow lap to cool at the end</ElCheckbox>
          <ElCheckbox v-model="down" :validate-event="false">down again after each</ElCheckbox>
        </div>
        <div v-if="laps.down" class="figures">
          <FieldItem
            v-for="one in DESCENT.slice(0, 4)"
            :key="one.key"
            :label="`Down: ${one.label.toLowerCase()}, ${one.unit}`"
            :help="one.help"
            ><ElInput
              class="num"
              :model-value="text(laps.down, one.key)"
              :aria-label="`Down: ${one.label.toLowerCase()}`"
              :validate-event="false"
              @update:model-value="set(laps.down!, one, $event)"
          /></FieldItem>
        </div>
        <div @paste="paste">
          <DataTable :rows="zoneRows" :columns="zoneColumns" class="zones" data-test="zones">
            <template v-for="one in ZONES" :key="one.key" #[one.key]="{ row }">
              <ElInput
                class="num"
                :model-value="text(row.zone, one.key)"
                :aria-label="`Zone ${row.at + 1}: ${one.label.toLowerCase()}`"
                :validate-event="false"
                @update:model-value="set(laps!.zones[row.at]!, one, $event)"
              />
            </template>
            <template #leave="{ row }">
              <ElButton text :aria-label="`Leave out zone ${row.at + 1}`" @click="dropZone(row.at)"
                ><Icon name="tabler:x" size="15"
              /></ElButton>
            </template>
          </DataTable>
          <p class="row">
            <ElButton data-test="add-zone" @click="addZone">Add a zone</ElButton>
            <FilePick label="Zones from a speed trace" accept=".csv,.txt,.tsv,text/csv" name="trace" @pick="pick" />
          </p>
          <p class="soft small">
            Paste four columns: speed before and after (km/h), deceleration (g), seconds to the next zone. Or import the CSV speed trace of
            one lap.
          </p>
        </div>
      </template>
      <p v-if="said" class="tone-fits small" role="status" data-test="trace-says">{{ said }}</p>
      <p v-if="wrong" class="field-error" role="alert">{{ wrong }}</p>
      <ul v-if="problems.length > 0" class="field-error small" data-test="duty-problems">
        <li v-for="one in problems.slice(0, 4)" :key="one.path + one.message">{{ one.where ? `${one.where}: ` : '' }}{{ one.message }}.</li>
      </ul>
    </div>
    <template #footer>
      <div class="foot">
        <ElButton v-if="again" class="remove" @click="remove">Remove it</ElButton>
        <ElButton @click="open = false">Cancel</ElButton>
        <ElButton type="primary" :disabled="problems.length > 0" data-test="save-duty" @click="save">{{
          again ? 'Save session' : 'Add session'
        }}</ElButton>
      </div>
    </template>
  </ElDrawer>
</template>

<style scoped>
.editor {
  display: grid;
  gap: 10px;
}
.figures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px 14px;
  align-items: end;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 8px 0 4px;
}
.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  justify-content: end;
}
.foot .el-button {
  margin: 0;
}
.foot .remove {
  margin-right: auto;
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
