<script setup lang="ts">
import { computed, ref } from 'vue'
import type { GaugeSession } from '#core/records/logbook.ts'
import { hydraulicsOf } from '#core/hydraulics/hydraulics-of.ts'
import { CAR_FAULTS, gaugeReport, gaugesToRead, simulatedPressures, type CarFault } from '#core/evidence/gauge-report.ts'
import { counted } from '#core/figures/words.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import { useGaugePairs } from '~/composables/gauge-pairs'
import { newId } from '~/composables/new-id'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Pairs of pressures, typed or read from the simulated gauges: what they say of bar and valve, and the log by track and day. */
const store = useProjectStore()
const { setup, units } = useWorkbench()
type TypedPair = [number, number]
const { pairs, track, front, rear } = useGaugePairs()
const error = ref('')
const fault = ref('none')
const effortN = ref(0)
const found = computed(() => (store.project && setup.value ? gaugeReport(store.project, setup.value.id, pairs.value) : undefined))
const hydraulics = computed(() => (store.project && setup.value ? hydraulicsOf(store.project, setup.value.id) : undefined))
const mpa = (value: number) => formatQuantity(value, 'pressure', units.value)
const share = (value: number | undefined) => formatQuantity(value, 'share', units.value)
const sessions = computed(() => [...store.current.gaugeSessions].sort((a, b) => b.date.localeCompare(a.date)))
/** At rest, below the knee and beyond it: where a session tells most. */
const wanted = computed(() => (store.project && setup.value ? gaugesToRead(store.project, setup.value.id) : undefined))
const efforts = computed(() => wanted.value?.effortsN ?? [])
const bestN = computed(() => wanted.value?.mostN ?? 0)
/** The same as pressures at the front gauge: a foot is steered by what it shows, not by newtons. */
const frontsWanted = computed(() => {
  if (efforts.value.length === 0) return ''
  const shown = wanted.value!.frontMpa.map((frontMpa) =>
    formatQuantity(frontMpa, 'pressure', units.value, {
      bare: true,
      decimals: units.value.pressure === 'MPa' ? 1 : 0,
    }),
  )
  return `${[...new Set(shown)].join(', ')} ${units.value.pressure}`
})
const legend = (one: GaugeSession) => {
  const at = store.project ? gaugeReport(store.project, one.setupId ?? store.project.setups[0].id, one.pairs).barShare : undefined
  return at === undefined ? '' : `, bar at ${share(at)} front`
}

/** One pair, or several at once with semicolons between: a session is typed as two columns. */
function add() {
  // a unit typed with one of the two is that of both
  const unitOf = (text: string) => /[a-z/²]+\s*$/i.exec(text.trim())?.[0] ?? ''
  const shared = unitOf(front.value) || unitOf(rear.value)
  const read = (text: string) =>
    text.split(';').map((one) => parseQuantity(unitOf(one) === '' ? `${one} ${unitOf(text) || shared}` : one, 'pressure', units.value))
  const [fronts, rears] = [read(front.value), read(rear.value)]
  const bad = [...fronts, ...rears].find((one) => !one.ok)
  if (bad && !bad.ok) {
    error.value = `Front and rear pressure: ${bad.message}`
    return
  }
  if (fronts.length !== rears.length) {
    error.value = `Enter as many rear pressures as front pressures (${fronts.length} and ${rears.length} now).`
    return
  }
  error.value = ''
  const mpaOf = (one: (typeof fronts)[number]) => (one.ok ? one.value : NaN)
  pairs.value = [...pairs.value, ...fronts.map((one, i): [number, number] => [mpaOf(one), mpaOf(rears[i]!)])]
  front.value = rear.value = ''
}
const pairRows = computed(() => pairs.value.map(([front, rear], at) => ({ at, front, rear })))
const pairColumns = [
  { id: 'front', label: 'Front', number: true },
  { id: 'rear', label: 'Rear', number: true },
  { id: 'leave', label: 'Leave out', unseen: true, least: 56 },
]
const drop = (index: number) => (pairs.value = pairs.value.filter((_, at) => at !== index))
/** Lines of front and rear, as a spreadsheet copies them. */
function paste(event: ClipboardEvent) {
  const lines = (event.clipboardData?.getData('text') ?? '').trim().split(/\r?\n/)
  const read = lines.map((line) => line.split(/[\t;]/).map((cell) => parseQuantity(cell, 'pressure', units.value)))
  if (lines.length < 2 || !read.every((row) => row.length === 2 && row.every((cell) => cell.ok))) return
  event.preventDefault()
  pairs.value = [...pairs.value, ...read.map((row) => row.map((cell) => (cell.ok ? cell.value : 0)) as TypedPair)]
}
/** A whole session: one reading after the other, from rest to the hardest; the first that fails ends it. */
async function readSession() {
  for (const effort of efforts.value) {
    effortN.value = effort
    await readSimulated()
    if (error.value) return
  }
}
async function readSimulated() {
  const onTheCar = (CAR_FAULTS as readonly string[]).includes(fault.value)
  const carFault = onTheCar ? (fault.value as CarFault) : 'none'
  const pressures = store.project && setup.value && simulatedPressures(store.project, setup.value.id, carFault, effortN.value)
  if (!pressures) {
    error.value = 'The simulated gauges need a setup with known pressures. Enter pedal, booster, master cylinder, valve and brakes first.'
    return
  }
  try {
    const response = await fetch('/api/gauge/pressure', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...pressures, fault: onTheCar ? 'none' : fault.value }),
      signal: AbortSignal.timeout(4000),
    })
    if (!response.ok) throw new Error(`it answered ${response.status}`)
    const said = (await response.json()) as { frontMpa: number; rearMpa: number }
    pairs.value = [...pairs.value, [said.frontMpa, said.rearMpa]]
    error.value = ''
    // the next of the efforts that tell most, or a step on
    effortN.value = efforts.value.find((one) => one > effortN.value) ?? Math.min(bestN.value, effortN.value + 40)
  } catch (problem) {
    error.value = `The simulated gauges do not answer (${problem instanceof Error ? problem.message : String(problem)}). Type the readings.`
  }
}
const target = (draft: { setups: { id: string }[] }) => draft.setups.find((one) => one.id === setup.value?.id) as typeof setup.value
const today = () => new Date().toISOString().slice(0, 10)
const takeBar = (value: number) =>
  store.edit('Enter the bar position', (draft) => {
    target(draft)!.hydraulics.barFrontShare = {
      value: Math.round(value * 1000) / 1000,
      origin: 'measured',
      date: today(),
    }
  })
const takeKnee = (value: number) =>
  store.edit('Enter the knee', (draft) => {
    target(draft)!.hydraulics.valveKneeMpa = { value: Math.round(value * 100) / 100, origin: 'measured', date: today() }
  })
const adjustable = computed(() => hydraulics.value?.context.resolved.valve?.action === 'adjustable')
/** How the bar stood: what the readings say, else what is entered. */
const bar = computed(() => found.value?.barShare ?? found.value?.modelShare)
const knob = ref('')
function keep() {
  const session: GaugeSession = {
    id: newId(),
    date: today(),
    pairs: pairs.value.map(([a, b]): TypedPair => [a, b]),
    setupId: setup.value!.id,
    ...(bar.value === undefined ? {} : { barFrontShare: Math.round(bar.value * 1000) / 1000 }),
    ...(knob.value.trim() ? { knob: knob.value.trim().slice(0, 120) } : {}),
    ...(track.value.trim() ? { track: track.value.trim().slice(0, 120) } : {}),
  }
  const problems = store.edit('Save gauge readings', (draft) => void draft.gaugeSessions.push(session), { shows: true })
  error.value = problems[0] ? `${problems[0].place}: ${problems[0].message}.` : ''
  if (problems.length === 0) pairs.value = []
}
function startFrom(session: GaugeSession) {
  pairs.value = session.pairs.map(([a, b]): TypedPair => [a, b])
  track.value = session.track ?? ''
}
const forget = (id: string) =>
  store.edit('Remove gauge readings', (draft) => void (draft.gaugeSessions = draft.gaugeSessions.filter((one) => one.id !== id)))
const setupName = (id: string | undefined) => store.current.setups.find((one) => one.id === id)?.name ?? ''
</script>

<template>
  <div v-if="found" class="gauges">
    <section>
      <ul class="said" data-test="gauge-says">
        <li v-for="one in found.sentences" :key="one.text" :class="`tone-${one.tone}`">
          <VerdictMark :verdict="one.tone" :size="16" /> {{ one.text }}
        </li>
      </ul>
      <p v-if="pairs.length > 0" class="actions">
        <ElButton v-if="found.barShare !== undefined && !found.barAsEntered" type="primary" @click="takeBar(found.barShare)">
          Enter {{ share(found.barShare) }} as the bar position
        </ElButton>
        <ElButton v-if="found.kneeMpa !== undefined && !found.kneeAsEntered && adjustable" @click="takeKnee(found.kneeMpa)">
          Enter {{ mpa(found.kneeMpa) }} as the knee pressure
        </ElButton>
      </p>
      <DataTable v-if="pairs.length > 0" :rows="pairRows" :columns="pairColumns" class="pairs" data-test="pairs">
        <template #front="{ row }">{{ mpa(row.front) }}</template>
        <template #rear="{ row }">{{ mpa(row.rear) }}</template>
        <template #leave="{ row }">
          <ElButton text :aria-label="`Leave out pair ${row.at + 1}`" @click="drop(row.at)">
            <Icon name="tabler:x" size="15" />
          </ElButton>
        </template>
      </DataTable>
      <form class="entry" @submit.prevent="add" @paste="paste">
        <FieldItem label="Front pressure"
          ><ElInput v-model="front" class="num" :placeholder="units.pressure" aria-label="Front pressure" :validate-event="false"
        /></FieldItem>
        <FieldItem label="Rear pressure"
          ><ElInput v-model="rear" class="num" :placeholder="units.pressure" aria-label="Rear pressure" :validate-event="false"
        /></FieldItem>
        <ElButton native-type="submit">Add the pair</ElButton>
      </form>
      <p v-if="error" class="field-error" role="alert">{{ error }}</p>
      <p class="soft small">
        Run the engine. Read first with the pedal released, then from light to hard.
        <template v-if="efforts.length > 0"
          >Most useful front pressures: <span class="num">{{ frontsWanted }}</span>.</template
        >
        You can paste two columns.
      </p>
      <div v-if="pairs.length > 0" class="actions">
        <FieldItem label="Track or place"
          ><ElInput v-model="track" maxlength="120" aria-label="Track or place" :validate-event="false"
        /></FieldItem>
        <FieldItem label="Knob" help="Setting of the bar or valve, such as “2 turns in”. The next test starts from there."
          ><ElInput v-model="knob" maxlength="120" aria-label="Knob" :validate-event="false"
        /></FieldItem>
        <ElButton @click="keep">Save these readings</ElButton>
      </div>
    </section>
    <section>
      <h2>Simulated pair of gauges</h2>
      <p class="soft small">Two gauges on the bleed screws of a car that is as entered, with noise and one fault of your choice.</p>
      <div class="entry">
        <div class="small">
          At the pedal <strong class="num">{{ formatQuantity(effortN, 'force', units) }}</strong>
          <ElSlider
            v-model="effortN"
            :min="0"
            :max="bestN"
            :show-tooltip="false"
            aria-label="Pedal effort of the simulated reading"
            :validate-event="false"
          />
        </div>
        <FieldItem label="Fault"
          ><ChoiceSelect
            :value="fault"
            :options="[
              { value: 'none', label: 'none' },
              { value: 'frontZero', label: 'front gauge low, on its stop' },
              { value: 'rearZero', label: 'rear gauge high' },
              { value: 'spring', label: 'secondary spring' },
              { value: 'knee', label: 'lower knee pressure' },
              { value: 'bar', label: 'balance bar off its setting' },
            ]"
            label="Fault"
            @change="fault = $event"
        /></FieldItem>
        <ElButton data-test="read-pair" @click="readSimulated">Read</ElButton>
        <ElButton data-test="read-session" @click="readSession">Read a whole session</ElButton>
      </div>
    </section>
    <section>
      <h2>Log</h2>
      <NothingYet v-if="sessions.length === 0" text="No readings saved yet. The next test starts from the saved readings." />
      <ul class="log" data-test="gauge-log">
        <li v-for="one in sessions" :key="one.id">
          <span
            ><strong>{{ one.track || 'no place named' }}</strong> <span class="num">{{ one.date }}</span>
            <span class="soft small"
              >, {{ counted(one.pairs.length, 'pair') }}, {{ setupName(one.setupId) || 'no setup named' }}{{ legend(one) }}</span
            ></span
          >
          <ElButton @click="startFrom(one)">Start from there</ElButton>
          <ElButton text :aria-label="`Remove the readings of ${one.date}`" @click="forget(one.id)">
            <Icon name="tabler:trash" size="16" />
          </ElButton>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.gauges {
  display: grid;
  gap: 18px;
  max-width: 760px;
}
.said,
.log {
  margin: 0 0 8px;
  padding: 0;
  list-style: none;
}
.said li {
  padding: 2px 0;
  font-size: 15px;
}
table {
  max-width: 360px;
}
.entry + p,
.entry + .field-error {
  margin-top: 6px;
}
.entry,
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
}
.entry > *,
.actions > .el-form-item {
  min-width: 130px;
}
.entry > div:first-child:has(.el-slider) {
  flex: 0 1 240px;
  padding: 0 8px;
}
.log li {
  display: flex;
  gap: 10px;
  align-items: center;
  border-bottom: 1px solid var(--hair);
}
.log li > span:first-child {
  flex: 1;
}
</style>
