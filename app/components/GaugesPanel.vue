<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import type { GaugeSession } from '#core/model/project.ts'
import { hydraulicsOf } from '#core/report/hydraulics-of.ts'
import { chainPicture } from '#core/report/chain-picture.ts'
import { gaugeReport } from '#core/report/gauge-report.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { parseQuantity } from '#core/quantity/parse.ts'
import { newId } from '~/stores/shelf'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Pairs of pressures, typed or read from the simulated gauges: what they say of bar and valve, and the log by track and day. */
const store = useProjectStore()
const { setup, units } = useWorkbench()
type Pair = [number, number]
const pairs = shallowRef<Pair[]>([])
const track = ref('')
const front = ref('')
const rear = ref('')
const error = ref('')
const fault = ref('none')
const effortN = ref(100)
const found = computed(() => (store.project && setup.value ? gaugeReport(store.project, setup.value.id, pairs.value) : undefined))
const hydraulics = computed(() => (store.project && setup.value ? hydraulicsOf(store.project, setup.value.id) : undefined))
const mpa = (value: number) => formatQuantity(value, 'pressure', units.value)
const share = (value: number | undefined) => formatQuantity(value, 'share', units.value)
const sessions = computed(() => [...store.project!.gaugeSessions].sort((a, b) => b.date.localeCompare(a.date)))
const bestN = computed(() => (hydraulics.value?.system?.booster ? 300 : 600))

function add() {
  const [one, other] = [parseQuantity(front.value, 'pressure', units.value), parseQuantity(rear.value, 'pressure', units.value)]
  if (!one.ok || !other.ok) {
    error.value = `Front and rear pressure: ${!one.ok ? one.message : !other.ok ? other.message : ''}`
    return
  }
  error.value = ''
  pairs.value = [...pairs.value, [one.value, other.value]]
  front.value = rear.value = ''
}
const drop = (index: number) => (pairs.value = pairs.value.filter((_, at) => at !== index))
/** Lines of front and rear, as a spreadsheet copies them. */
function paste(event: ClipboardEvent) {
  const lines = (event.clipboardData?.getData('text') ?? '').trim().split(/\r?\n/)
  const read = lines.map((line) => line.split(/[\t;]/).map((cell) => parseQuantity(cell, 'pressure', units.value)))
  if (lines.length < 2 || !read.every((row) => row.length === 2 && row.every((cell) => cell.ok))) return
  event.preventDefault()
  pairs.value = [...pairs.value, ...read.map((row) => row.map((cell) => (cell.ok ? cell.value : 0)) as Pair)]
}
async function readSimulated() {
  const at = hydraulics.value && chainPicture(hydraulics.value, effortN.value)
  if (!at) {
    error.value = 'The simulated pair needs a setup whose pressures can be computed.'
    return
  }
  try {
    const response = await fetch('/api/gauge/pressure', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ frontMpa: at.chain.front.pressureMpa, rearMpa: at.chain.rear.pressureMpa, fault: fault.value }),
      signal: AbortSignal.timeout(4000),
    })
    if (!response.ok) throw new Error(`it answered ${response.status}`)
    const said = (await response.json()) as { frontMpa: number; rearMpa: number }
    pairs.value = [...pairs.value, [said.frontMpa, said.rearMpa]]
    error.value = ''
    effortN.value = Math.min(bestN.value, effortN.value + 40)
  } catch (problem) {
    error.value = `The simulated pair does not answer (${problem instanceof Error ? problem.message : String(problem)}). Type the readings.`
  }
}
const target = (draft: { setups: { id: string }[] }) => draft.setups.find((one) => one.id === setup.value?.id) as typeof setup.value
const today = () => new Date().toISOString().slice(0, 10)
const takeBar = (value: number) =>
  store.edit('Take the bar position over', (draft) => {
    target(draft)!.hydraulics.barFrontShare = {
      value: Math.min(0.65, Math.max(0.35, Math.round(value * 1000) / 1000)),
      origin: 'measured',
      date: today(),
    }
  })
const takeKnee = (value: number) =>
  store.edit('Take the knee over', (draft) => {
    target(draft)!.hydraulics.valveKneeMpa = { value: Math.round(value * 100) / 100, origin: 'measured', date: today() }
  })
const adjustable = computed(() => hydraulics.value?.context.resolved.valve?.action === 'adjustable')
function keep() {
  const session: GaugeSession = {
    id: newId(),
    date: today(),
    pairs: pairs.value.map(([a, b]): Pair => [a, b]),
    setupId: setup.value!.id,
    ...(track.value.trim() ? { track: track.value.trim().slice(0, 120) } : {}),
  }
  const problems = store.edit('Keep gauge readings', (draft) => void draft.gaugeSessions.push(session))
  error.value = problems[0] ? `${problems[0].place}: ${problems[0].message}.` : ''
  if (problems.length === 0) pairs.value = []
}
function startFrom(session: GaugeSession) {
  pairs.value = session.pairs.map(([a, b]): Pair => [a, b])
  track.value = session.track ?? ''
}
const forget = (id: string) =>
  store.edit('Remove gauge readings', (draft) => void (draft.gaugeSessions = draft.gaugeSessions.filter((one) => one.id !== id)))
const setupName = (id: string | undefined) => store.project!.setups.find((one) => one.id === id)?.name ?? ''
</script>

<template>
  <div v-if="found" class="gauges">
    <section>
      <ul class="said" data-test="gauge-says">
        <li v-for="one in found.sentences" :key="one.text" :class="`tone-${one.tone}`">
          <VerdictMark :verdict="one.tone" :size="16" /> {{ one.text }}
        </li>
      </ul>
      <p v-if="found.fit" class="actions">
        <button v-if="found.barShare !== undefined" class="btn main" type="button" @click="takeBar(found.barShare)">
          Take {{ share(found.barShare) }} over as the bar position
        </button>
        <button v-if="found.fit.knee && adjustable" class="btn" type="button" @click="takeKnee(found.fit.knee.rearMpa)">
          Take the knee over, {{ mpa(found.fit.knee.rearMpa) }}
        </button>
      </p>
      <table v-if="pairs.length > 0" class="plain">
        <thead>
          <tr>
            <th scope="col" class="r">Front</th>
            <th scope="col" class="r">Rear</th>
            <th scope="col"><span class="visually-hidden">Leave out</span></th>
          </tr>
        </thead>
        <tbody data-test="pairs">
          <tr v-for="([a, b], i) in pairs" :key="i">
            <td class="r num">{{ mpa(a) }}</td>
            <td class="r num">{{ mpa(b) }}</td>
            <td>
              <button class="btn bare" type="button" :aria-label="`Leave out pair ${i + 1}`" @click="drop(i)">
                <Icon name="tabler:x" size="15" />
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <form class="entry" @submit.prevent="add" @paste="paste">
        <label class="small">Front pressure<input v-model="front" class="native num" :placeholder="units.pressure" /></label>
        <label class="small">Rear pressure<input v-model="rear" class="native num" :placeholder="units.pressure" /></label>
        <button class="btn" type="submit">Add the pair</button>
      </form>
      <p v-if="error" class="field-error" role="alert">{{ error }}</p>
      <p class="soft small">Engine running, the same foot each time, from light to hard. Two columns can be pasted.</p>
      <p v-if="pairs.length > 0" class="actions">
        <label class="small">Track or place<input v-model="track" class="native" maxlength="120" /></label>
        <button class="btn" type="button" @click="keep">Keep these readings</button>
      </p>
    </section>
    <section>
      <h2>Simulated pair of gauges</h2>
      <p class="soft small">
        Stands in for two gauges on the bleed screws: noise, and a fault at choice. Its bar stands a little off what is entered.
      </p>
      <div class="entry">
        <label class="small"
          >At the pedal <strong class="num">{{ formatQuantity(effortN, 'force', units) }}</strong><input
            v-model.number="effortN"
            type="range"
            min="20"
            :max="bestN"
            step="10"
            aria-label="Pedal effort of the simulated reading"
        /></label>
        <label class="small"
          >Fault<select v-model="fault" class="native">
            <option value="none">none</option>
            <option value="zeroOffset">rear zero is off</option>
            <option value="air">air in the rear line</option>
          </select></label
        >
        <button class="btn" type="button" data-test="read-pair" @click="readSimulated">Read</button>
      </div>
    </section>
    <section>
      <h2>Log</h2>
      <p v-if="sessions.length === 0" class="soft">Nothing kept yet. The next visit to a track starts from what is kept here.</p>
      <ul class="log" data-test="gauge-log">
        <li v-for="one in sessions" :key="one.id">
          <span
            ><strong>{{ one.track || 'no place named' }}</strong> <span class="num">{{ one.date }}</span>
            <span class="soft small">{{ one.pairs.length }} pairs, {{ setupName(one.setupId) }}</span></span
          >
          <button class="btn" type="button" @click="startFrom(one)">Start from there</button>
          <button class="btn bare" type="button" :aria-label="`Remove the readings of ${one.date}`" @click="forget(one.id)">
            <Icon name="tabler:trash" size="16" />
          </button>
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
.entry,
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
}
input[type='range'] {
  accent-color: var(--accent);
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
