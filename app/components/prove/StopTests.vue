<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { parseQuantity } from '#core/quantity/parse.ts'
import type { StopTest, SurfaceDriven, LoadDriven } from '#core/records/logbook.ts'
import { decelG, stopsReport, TEST_RULES, type RunRow } from '#core/evidence/stop-tests.ts'
import { counted } from '#core/figures/words.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Did it help: stops of two setups against each other, what is shown and what is not, and how many more runs it takes. */
const store = useProjectStore()
const { setup } = useWorkbench()
const surface = ref<SurfaceDriven>('dry')
const load = ref<LoadDriven>('driver')
const setups = computed(() => store.project?.setups ?? [])
const driven = computed(() => new Set(store.project?.stopTests.map((one) => one.setupId)))
/** What was driven is held against each other first: the one that is looked at, and another with runs. */
const a = ref('')
const b = ref('')
watch(
  () => [store.project?.id, setup.value?.id],
  () => {
    const here = setup.value?.id ?? ''
    const others = setups.value.filter((one) => one.id !== here)
    b.value = here
    a.value = (others.find((one) => driven.value.has(one.id)) ?? others[0])?.id ?? here
    // the car as it stands is what others are held against
    if (here === setups.value[0]?.id) [a.value, b.value] = [here, a.value]
  },
  { immediate: true },
)
const target = ref('100')
const wanted = ref('1')
const within = (text: string, dimension: 'speed' | 'distance', least: number, most: number) => {
  const read = parseQuantity(text, dimension)
  return read.ok && read.value >= least && read.value <= most ? read.value : undefined
}
const targetKmh = computed(() => within(target.value, 'speed', 10, 400) ?? store.current.preferences.stopFromKmh)
const wantedM = computed(() => within(wanted.value, 'distance', 0.05, 50) ?? 1)
const found = computed(() =>
  stopsReport(store.current, {
    a: a.value,
    b: b.value,
    surface: surface.value,
    load: load.value,
    targetKmh: targetKmh.value,
    wantedM: wantedM.value,
  }),
)
const groups = computed(() => (a.value === b.value ? [found.value.a] : [found.value.a, found.value.b]))
const columns = [
  { id: 'date', label: 'Day', least: 96, text: ({ test }: RunRow) => test.date.slice(0, 10) },
  { id: 'from', label: 'From, km/h', number: true, least: 92, text: ({ test }: RunRow) => test.fromKmh.toFixed(1) },
  { id: 'distance', label: 'Stopped in', number: true, least: 92, text: ({ test }: RunRow) => `${test.distanceM.toFixed(1)} m` },
  { id: 'corrected', label: 'Corrected', number: true, least: 92 },
  { id: 'mfdd', label: 'Full braking', number: true, least: 100 },
  { id: 'with', label: 'With', least: 150 },
  { id: 'acts', label: 'Open or remove', unseen: true, least: 110 },
]
const withWords = ({ test }: RunRow) =>
  [
    test.trace ? 'trace' : 'distance',
    test.abs === undefined ? '' : test.abs ? 'ABS worked' : '',
    test.tyre,
    test.track,
    test.driver,
    test.note,
  ]
    .filter(Boolean)
    .join(', ')
const forget = (id: string) =>
  store.edit('Remove a stop', (draft) => void (draft.stopTests = draft.stopTests.filter((one) => one.id !== id)))
const looked = ref<string>()
const trace = computed(() => {
  const one = store.project?.stopTests.find((test) => test.id === looked.value)
  return one?.trace ? (one as StopTest & { trace: [number, number][] }) : undefined
})
const planTitle = computed(() => {
  const { each } = found.value.plan
  return each === undefined ? 'Plan of a test' : `Plan of a test: ${counted(each, 'run')} with each setup`
})
const print = () => window.print()
</script>

<template>
  <div class="stops">
    <h1 data-test="stops-say">{{ found.sentence }}</h1>
    <p v-if="found.model" data-test="stops-model">{{ found.model }}</p>
    <ul v-if="found.notes.length > 0" class="notes tone-check" data-test="stops-notes">
      <li v-for="one in found.notes" :key="one">{{ one }}</li>
    </ul>
    <StopDots :groups="groups" />
    <div class="entry no-print">
      <FieldItem label="This setup"
        ><ChoiceSelect
          label="This setup"
          :value="b"
          :options="setups.map((one) => ({ value: one.id, label: one.name }))"
          @change="b = $event"
      /></FieldItem>
      <FieldItem label="Against"
        ><ChoiceSelect label="Against" :value="a" :options="setups.map((one) => ({ value: one.id, label: one.name }))" @change="a = $event"
      /></FieldItem>
      <DrivenOn v-model:surface="surface" v-model:load="load" />
      <FieldItem label="To a speed of, km/h" help="Distances are corrected to it with the square of the speed, within 3.2 km/h (SAE J299)."
        ><ElInput v-model="target" class="num" inputmode="decimal" aria-label="To a speed of, km/h" :validate-event="false"
      /></FieldItem>
    </div>
    <NewStop :surface="surface" :load="load" />
    <section v-for="one in groups" :key="one.setupId" class="no-print" :data-test="`runs-${one.setupId}`">
      <h2>
        {{ one.name
        }}<span class="soft num"
          >, {{ counted(one.counted.length, 'run', 'runs') }}{{ one.meanM === undefined ? '' : `, ${one.meanM.toFixed(1)} m`
          }}{{ one.scatterM === undefined ? '' : `, scatter ${one.scatterM.toFixed(1)} m` }}</span
        >
      </h2>
      <NothingYet v-if="one.rows.length === 0" text="No stop with this setup on this surface and load yet." />
      <DataTable v-else :rows="one.rows" :columns="columns">
        <template #corrected="{ row }">
          <span v-if="row.correctedM !== undefined">{{ row.correctedM.toFixed(1) }} m</span>
          <span v-else class="tone-unknown small">{{ row.excluded }}</span>
        </template>
        <template #mfdd="{ row }">{{ row.traced ? formatQuantity(decelG(row.traced), 'deceleration') : '' }}</template>
        <template #with="{ row }"
          ><span class="soft small">{{ withWords(row) }}</span></template
        >
        <template #acts="{ row }">
          <ElButton v-if="row.test.trace" link type="primary" @click="looked = looked === row.test.id ? undefined : row.test.id">{{
            looked === row.test.id ? 'Close' : 'Trace'
          }}</ElButton>
          <ElButton
            text
            :aria-label="`Remove the stop of ${row.test.date} in ${row.test.distanceM.toFixed(1)} m`"
            @click="forget(row.test.id)"
          >
            <Icon name="tabler:trash" size="16" />
          </ElButton>
        </template>
      </DataTable>
    </section>
    <StopTrace v-if="trace" :samples="trace.trace" />
    <FoldedPart class="plan" :title="planTitle">
      <FieldItem label="A difference worth it, m" class="no-print wanted"
        ><ElInput v-model="wanted" class="num" inputmode="decimal" aria-label="A difference worth it, m" :validate-event="false"
      /></FieldItem>
      <p data-test="plan-says">
        <strong>{{ found.plan.sentence }}</strong>
      </p>
      <ol v-if="found.plan.order.length > 0" data-test="plan-order">
        <li v-for="(one, i) in found.plan.order" :key="i">{{ one.setup }}: {{ counted(one.runs, 'run', 'runs') }}</li>
      </ol>
      <ul class="small">
        <li v-for="one in TEST_RULES" :key="one">{{ one }}</li>
      </ul>
      <ElButton class="no-print" @click="print"><Icon name="tabler:printer" size="16" /> Print the passenger’s sheet</ElButton>
      <table v-if="found.plan.order.length > 0" class="print-only sheet">
        <caption>
          Sheet for the passenger
        </caption>
        <thead>
          <tr>
            <th>Run</th>
            <th>Setup</th>
            <th>From, km/h</th>
            <th>Distance, m</th>
            <th>Rotors, °C</th>
            <th>ABS, wheel that locked</th>
          </tr>
        </thead>
        <tbody>
          <template v-for="(one, i) in found.plan.order" :key="i">
            <tr v-for="run in Math.min(one.runs, 12)" :key="run">
              <td>{{ i + 1 }}.{{ run }}</td>
              <td>{{ one.setup }}</td>
              <td />
              <td />
              <td />
              <td />
            </tr>
          </template>
        </tbody>
      </table>
    </FoldedPart>
  </div>
</template>

<style scoped>
.stops {
  display: grid;
  gap: 8px;
  max-width: 900px;
}
.stops > * {
  min-width: 0;
}
h1 {
  max-width: 840px;
  margin: 4px 0;
}
.notes {
  margin: 0;
  padding-left: 18px;
}
.wanted {
  width: 190px;
}
/* a sheet on paper, for a pencil: nothing of it is worked on the screen */
.sheet {
  width: 100%;
  border-collapse: collapse;
}
.sheet caption {
  padding: 8px 0;
  font-weight: 640;
  text-align: left;
}
.sheet th,
.sheet td {
  height: 26px;
  padding: 2px 6px;
  border: 1px solid #000;
  text-align: left;
}
@media print {
  .sheet {
    display: table;
  }
}
</style>
