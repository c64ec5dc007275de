<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { NEARNESS_WORDS } from '#core/evidence/fit-reports.ts'
import { newReports, writeReportsCsv, writeReportsJsonl } from '#core/formats/fit-reports-text.ts'
import { MAX_TABLE_BYTES } from '#core/formats/parts-csv.ts'
import { useFormats } from '~/composables/formats'
import { AXLES, type Axle } from '#core/quantity/axle.ts'
import type { FitReport } from '#core/records/fit-report.ts'
import { resolveSetup, spacerInUseMm } from '#core/records/resolve.ts'
import { length } from '#core/records/field.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import { newId } from '~/composables/new-id'
import { LazyTable } from '~/composables/lazy-table'
import { download } from '~/composables/project-files'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** What people say of wheels over calipers, beside what is computed: matched, entered, exchanged. */
const store = useProjectStore()
const { report, setup, units } = useWorkbench()
const all = computed(() => store.current.fitReports)
const beside = computed(() =>
  AXLES.map((axle) => ({
    axle,
    gap: report.value!.corners[axle].gap,
    sentence: report.value!.corners[axle].sentence,
    found: report.value!.reports[axle],
  })),
)
const contradictions = computed(() => beside.value.flatMap(({ found }) => found.filter((one) => one.contradicts !== undefined)).length)
const matched = computed(() => beside.value.flatMap((one) => one.found).length)
const mm = (value: number | undefined) => formatQuantity(value, 'length', units.value)
const says = (one: FitReport) =>
  `${one.outcome === 'clears' ? 'clears' : 'touches'}${one.gapMm ? `, clearance ${mm(one.gapMm.value)}` : ''}${one.spacerMm === undefined ? '' : one.spacerMm === 0 ? ', no spacer' : `, spacer ${mm(one.spacerMm)}`}`
const from = (one: FitReport) => [one.by, one.date, one.gapMm?.origin].filter(Boolean).join(', ')

const columns = [
  { id: 'car', label: 'Car', least: 130 },
  { id: 'caliper', label: 'Caliper', least: 150 },
  { id: 'wheel', label: 'Wheel', least: 150 },
  { id: 'spacer', label: 'Spacer' },
  { id: 'says', label: 'Says', least: 120 },
  { id: 'from', label: 'From', least: 120 },
  { id: 'remove', label: 'Remove', unseen: true, least: 56 },
]

const adding = ref<Axle>()
// shallow: what goes into the project must be a plain value
const draft = shallowRef<{ outcome: FitReport['outcome']; gapMm?: Figure; by: string; note: string }>({
  outcome: 'clears',
  by: '',
  note: '',
})
const edit = (change: Partial<typeof draft.value>) => (draft.value = { ...draft.value, ...change })
const gapField = length('Clearance measured', -20, 100)
/** A report of the very corner that is looked at: its names are those of the setup. */
const names = computed(() => {
  const axle = adding.value
  if (!axle) return undefined
  const resolved = resolveSetup(store.current, setup.value!)[axle]
  return resolved.caliper && resolved.wheel
    ? { caliper: resolved.caliper.name, wheel: resolved.wheel.name, rotor: resolved.rotor?.name, spacerMm: spacerInUseMm(resolved) }
    : undefined
})
function add() {
  const axle = adding.value
  if (!axle || !names.value) return
  const { caliper, wheel, rotor, spacerMm } = names.value
  const { outcome, gapMm, by, note } = draft.value
  const entry: FitReport = {
    id: newId(),
    car: store.current.car.name,
    axle,
    caliper,
    wheel,
    outcome,
    date: new Date().toISOString().slice(0, 10),
    ...(rotor ? { rotor } : {}),
    ...(spacerMm === undefined ? {} : { spacerMm }),
    ...(gapMm ? { gapMm } : {}),
    ...(by.trim() ? { by: by.trim() } : {}),
    ...(note.trim() ? { note: note.trim() } : {}),
  }
  const problems = store.edit('Add a fit report', (project) => void project.fitReports.push(entry), { shows: true })
  message.value = problems[0] ? `${problems[0].place}: ${problems[0].message}.` : ''
  if (problems.length === 0) {
    adding.value = undefined
    draft.value = { outcome: 'clears', by: '', note: '' }
  }
}
const remove = (id: string) =>
  store.edit('Remove a fit report', (project) => void (project.fitReports = project.fitReports.filter((one) => one.id !== id)))
/** Text in a cell of the table of all reports. */
function change(one: FitReport, key: 'car' | 'caliper' | 'wheel' | 'by' | 'note' | 'spacerMm', typed: string) {
  const text = typed.trim()
  let value: string | number | undefined = text || undefined
  if (key === 'spacerMm' && text !== '') {
    const parsed = parseQuantity(text, 'length', units.value)
    if (!parsed.ok) {
      message.value = parsed.message
      return
    }
    value = parsed.value
  }
  const problems = store.edit(
    'Edit a fit report',
    (project) => {
      const target = project.fitReports.find((candidate) => candidate.id === one.id) as Record<string, unknown> | undefined
      if (!target) return
      if (value === undefined) Reflect.deleteProperty(target, key)
      else target[key] = value
    },
    { shows: true },
  )
  message.value = problems[0] ? `${problems[0].place}: ${problems[0].message}.` : ''
}

const message = ref('')
const rejected = ref<{ line: number; reasons: string[] }[]>([])
const leftOut = ref(0)
const notRead = ref<{ line: number; reasons: string[] }[]>([])
const formats = useFormats()
async function open(one: File) {
  rejected.value = notRead.value = []
  if (one.size > MAX_TABLE_BYTES)
    return void (message.value = `${one.name.slice(0, 60)} is larger than ${MAX_TABLE_BYTES / 1e6} MB. Bring it in pieces.`)
  const found = await formats.readReports(one)
  if (!found.ok) return void (message.value = found.message)
  const read = found.value
  const fresh = newReports(read.reports, all.value)
  rejected.value = read.rejected
  leftOut.value = read.rejectedCount
  notRead.value = read.notRead
  if (fresh.length > 0) {
    const problems = store.edit(`Import ${fresh.length} fit reports`, (project) => void project.fitReports.push(...fresh), {
      shows: true,
    })
    if (problems[0]) {
      message.value = `${problems[0].place}: ${problems[0].message}.`
      return
    }
  }
  const known = read.reports.length - fresh.length
  message.value = `${fresh.length} taken${known > 0 ? `, ${known} were here already` : ''}${read.rejectedCount > 0 ? `, ${read.rejectedCount} left out` : ''}.`
}
</script>

<template>
  <div class="reports">
    <h1 :class="contradictions > 0 ? 'tone-needs' : ''">
      <VerdictMark v-if="contradictions > 0" verdict="needs" :size="22" />
      {{
        contradictions > 0
          ? `${contradictions === 1 ? 'One report contradicts' : `${contradictions} reports contradict`} the calculation: check the entered values.`
          : matched > 0
            ? `${matched} ${matched === 1 ? 'report mentions' : 'reports mention'} this setup; none contradicts the calculation.`
            : 'No reports for these wheels over these calipers yet.'
      }}
    </h1>
    <p class="soft small">Reports never change the calculation.</p>
    <section v-for="{ axle, sentence, found } in beside" :key="axle" :data-test="`reports-${axle}`">
      <h2>{{ axle === 'front' ? 'Front' : 'Rear' }}</h2>
      <p class="small"><span class="soft">Calculated:</span> {{ sentence }}</p>
      <ul>
        <li v-for="one in found" :key="one.report.id">
          <strong>{{ NEARNESS_WORDS[one.nearness] }}</strong>: {{ says(one.report) }}
          <span class="soft small">
            {{
              [one.nearness === 'otherCar' && one.report.car, one.nearness === 'sameSize' && one.report.wheel, from(one.report)]
                .filter(Boolean)
                .join(', ')
            }}</span
          >
          <span v-if="one.report.note" class="soft small block">{{ one.report.note }}</span>
          <span v-if="one.contradicts" class="tone-needs block"><VerdictMark verdict="needs" :size="14" /> {{ one.contradicts }}</span>
        </li>
      </ul>
      <p v-if="found.length === 0" class="soft small">No reports for this caliper and wheel.</p>
      <ElButton v-if="adding !== axle" :aria-label="`Report on the ${axle}`" @click="adding = axle"> Report what you saw </ElButton>
      <form v-else-if="names" class="add" @submit.prevent="add">
        <p class="small wide">
          {{ names.wheel }} over {{ names.caliper }} on {{ store.current.car.name }},
          {{ names.spacerMm ? `spacer ${mm(names.spacerMm)}` : 'no spacer' }}.
        </p>
        <FieldItem label="It"
          ><ChoiceSelect
            :value="draft.outcome"
            :options="[
              { value: 'clears', label: 'clears' },
              { value: 'touches', label: 'touches' },
            ]"
            label="It"
            @change="edit({ outcome: $event as FitReport['outcome'] })"
        /></FieldItem>
        <FigureInput
          name="reportGap"
          :field="gapField"
          :figure="draft.gapMm"
          :units="units"
          empty="not measured"
          @change="edit({ gapMm: $event })"
        />
        <FieldItem label="Who saw it"
          ><ElInput :model-value="draft.by" maxlength="120" aria-label="Who saw it" :validate-event="false" @input="edit({ by: $event })"
        /></FieldItem>
        <FieldItem label="Note"
          ><ElInput :model-value="draft.note" maxlength="4000" aria-label="Note" :validate-event="false" @input="edit({ note: $event })"
        /></FieldItem>
        <span class="buttons"
          ><ElButton type="primary" native-type="submit">Save report</ElButton><ElButton @click="adding = undefined">Cancel</ElButton></span
        >
      </form>
      <p v-else class="tone-unknown">Choose a caliper and a wheel for this axle first.</p>
    </section>

    <section>
      <h2>All reports ({{ all.length }})</h2>
      <p class="tools">
        <FilePick label="Open reports" accept=".jsonl,.csv,.tsv,.txt" name="reports-file" @pick="open" />
        <ElButton :disabled="all.length === 0" @click="download('fit-reports.jsonl', writeReportsJsonl(all), 'application/jsonl')">
          Save as JSON Lines
        </ElButton>
        <ElButton :disabled="all.length === 0" @click="download('fit-reports.csv', writeReportsCsv(all), 'text/csv')">
          Save as CSV
        </ElButton>
      </p>
      <p v-if="message" role="status" data-test="reports-message">{{ message }}</p>
      <ul v-if="rejected.length > 0" data-test="reports-rejected">
        <li v-for="one in rejected.slice(0, 20)" :key="one.line">Line {{ one.line }}: {{ one.reasons.join('; ') }}.</li>
        <li v-if="leftOut > 20">And {{ leftOut - 20 }} more.</li>
      </ul>
      <ul v-if="notRead.length > 0" data-test="reports-not-read">
        <li v-for="one in notRead.slice(0, 20)" :key="one.line">Line {{ one.line }}: {{ one.reasons.join('; ') }}.</li>
        <li v-if="notRead.length > 20">And {{ notRead.length - 20 }} more lines.</li>
      </ul>
      <div v-if="all.length > 0" class="scroll">
        <LazyTable :rows="all" :columns="columns">
          <template #car="{ row: one }"><DraftInput :value="one.car" aria-label="Car" @change="change(one, 'car', $event)" /></template>
          <template #caliper="{ row: one }"
            ><DraftInput :value="one.caliper" aria-label="Caliper" @change="change(one, 'caliper', $event)"
          /></template>
          <template #wheel="{ row: one }"
            ><DraftInput :value="one.wheel" aria-label="Wheel" @change="change(one, 'wheel', $event)"
          /></template>
          <template #spacer="{ row: one }"
            ><DraftInput
              class="num short"
              :value="one.spacerMm === undefined ? '' : mm(one.spacerMm)"
              placeholder="not stated"
              aria-label="Spacer"
              @change="change(one, 'spacerMm', $event)"
          /></template>
          <template #says="{ row: one }"
            ><span class="small">{{ one.axle }}: {{ one.outcome }}{{ one.gapMm ? `, ${mm(one.gapMm.value)}` : '' }}</span></template
          >
          <template #from="{ row: one }"
            ><span class="soft small">{{ from(one) }}</span></template
          >
          <template #remove="{ row: one }">
            <ElButton text :aria-label="`Remove the report on ${one.caliper}, ${one.wheel}`" @click="remove(one.id)">
              <Icon name="tabler:trash" size="16" />
            </ElButton>
          </template>
        </LazyTable>
      </div>
    </section>
  </div>
</template>

<style scoped>
.reports {
  overflow: auto;
}
h1 {
  font-size: 19px;
}
h2 {
  margin-top: 14px;
}
ul {
  margin: 4px 0 8px;
  padding-left: 18px;
}
.add {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: 8px 14px;
  max-width: 860px;
  padding: 8px 10px;
  border: 1px solid var(--line);
}
.wide,
.buttons {
  grid-column: 1 / -1;
  margin: 0;
}
.buttons,
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.scroll {
  overflow-x: auto;
}
table {
  min-width: 820px;
}
td .native {
  min-height: 30px;
}
.short {
  width: 78px;
}
</style>
