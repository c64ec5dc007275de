<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { compare, orderBy } from '#core/decide/compare.ts'
import type { CompareCell, ComparisonRow } from '#core/decide/comparison.ts'
import { CRITERIA, SETUP_CRITERIA, type SetupCriterionId } from '#core/decide/criteria.ts'
import { compareCsv } from '#core/formats/compare-csv.ts'
import { recommend } from '#core/decide/recommend.ts'
import { useCycle } from '~/composables/heat'
import { useJudgedSetups } from '~/composables/judged-setups'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'
import { download } from '~/composables/project-files'

/** All options on one sheet: setups side by side, the car as it stands as the reference. */
const store = useProjectStore()
const { reports, openFigureId, chooseSetup, link } = useWorkbench()
const router = useRouter()
const { duty } = useCycle()
const { heats, orders } = useJudgedSetups()
/** Which setups are shown, in which order: the car as it stands first. */
const hidden = ref(new Set<string>())
const order = ref<string[]>([])
const shown = computed(() => {
  const at = (id: string) => (order.value.includes(id) ? order.value.indexOf(id) : order.value.length)
  return [...reports.value]
    .filter((one) => !hidden.value.has(one.setupId))
    .sort((a, b) => Number(b.isStock) - Number(a.isStock) || at(a.setupId) - at(b.setupId))
})
const found = computed(() =>
  store.project && shown.value.length > 0 ? compare(store.project, shown.value, heats.value, orders.value) : undefined,
)
/** One line for each setup: what it costs, what is open, the session, the stop. */
const LINE_ROWS = ['cost', 'margin', 'stop'] as const
const lines = computed(() =>
  (found.value?.columns ?? []).map((column, at) => {
    const cell = (id: string) => found.value!.rows.find((row) => row.id === id)!.cells[at]!
    return { ...column, verdictWords: cell('verdict').text, facts: Object.fromEntries(LINE_ROWS.map((id) => [id, cell(id)])) }
  }),
)
const factOf = (line: (typeof lines.value)[number], id: string) => line.facts[id]!
const narrow = useMediaQuery('(max-width: 760px)')
/** On a phone cost and stop stand below the name. */
const lineColumns = computed(() => [
  { id: 'name', label: 'Setup', least: narrow.value ? 150 : 170 },
  ...(narrow.value ? [] : [{ id: 'cost', label: 'Cost', number: true, least: 170 }]),
  { id: 'margin', label: 'Session', number: true, least: narrow.value ? 90 : 110 },
  ...(narrow.value ? [] : [{ id: 'stop', label: 'Dry stop', number: true, least: 90 }]),
  { id: 'choose', label: 'Choose a setup', unseen: true, least: narrow.value ? 96 : 112 },
])
/**
 * What a person who knows brakes would say. It waits for the session and the probability of the lock-up order of every setup:
 * without them it could advise what they forbid.
 */
const advice = computed(() =>
  store.project && found.value && shown.value.every(({ setupId }) => setupId in heats.value && setupId in orders.value)
    ? recommend(store.project, found.value, shown.value, heats.value, orders.value)
    : undefined,
)
const choose = (setupId: string) => router.push(link('build', { setup: setupId, view: 'before' }))
const folded = ref(true)
const rows = computed(() => found.value?.rows.filter((row) => !folded.value || !row.alike || row.id === 'verdict') ?? [])
const alike = computed(() => found.value?.rows.filter((row) => row.alike && row.id !== 'verdict').length ?? 0)
const columns = computed(() => [
  { id: 'label', label: 'What', least: 170, text: (row: ComparisonRow) => row.label },
  ...(found.value?.columns ?? []).map((column, at) => ({ id: `c${at}`, label: column.name, least: 150 })),
])
const hide = (id: string, on: boolean) => {
  const next = new Set(hidden.value)
  if (on) next.add(id)
  else next.delete(id)
  hidden.value = next
}
const TONES = { better: 'fits', worse: 'needs', same: 'plain' } as const
const toneAgainst = ({ against }: CompareCell) => (against ? `tone-${TONES[against]}` : 'soft')
const tone = (cell: CompareCell) => (cell.verdict ? `tone-${cell.verdict}` : '')
const againstWords = (cell: CompareCell) => [differenceOf(cell), cell.isEnough ? 'enough' : ''].filter(Boolean).join(', ')
function differenceOf({ against, difference, isEnough }: CompareCell): string {
  if (difference === '') return against === 'same' ? 'within the uncertainty' : (against ?? '')
  if (against === undefined) return difference
  if (against !== 'same') return `${difference}, ${against}`
  return difference === 'same' || isEnough ? difference : `${difference}, within the uncertainty`
}
const cellOf = (row: ComparisonRow, at: number) => row.cells[at]!
const beaten = computed(() => found.value?.columns.filter((one) => one.beatenBy.length > 0) ?? [])

const weights = ref<Record<SetupCriterionId, number>>({ cost: 1, margin: 0, gap: 0, bias: 0, mass: 0, pedal: 0 })
const weighed = computed(() => (found.value ? orderBy(found.value, weights.value).filter((one) => !one.isStock) : []))
const applyOrder = () => (order.value = weighed.value.map((one) => one.setupId))
const csv = () => found.value && download(`${store.current.name}, options.csv`, compareCsv(found.value), 'text/csv')
const print = () => window.print()
</script>

<template>
  <div v-if="found" class="sheet">
    <p class="print-only">{{ store.current.name }}: options side by side. {{ duty?.label }}.</p>
    <h1 data-test="compare-says">{{ advice?.headline ?? found.headline }}</h1>
    <ul v-if="advice" class="facts" data-test="advice">
      <li v-for="one in advice.facts" :key="one">{{ one }}</li>
    </ul>
    <WorkingLine v-else what="Computing session and lock-up order of every setup" />
    <p v-for="one in beaten" :key="one.setupId" class="tone-check small" data-test="beaten">
      {{ one.name }}: {{ one.beatenBy.join(' and ') }} {{ one.beatenBy.length === 1 ? 'is' : 'are' }} never worse and better in at least one
      row, by more than the uncertainty.
    </p>
    <div class="first no-print">
      <DataTable class="lines" :rows="lines" :columns="lineColumns" data-test="compare-lines">
        <template #name="{ row }">
          <VerdictMark :verdict="row.verdict" :size="16" /> <strong>{{ row.name }}</strong>
          <span class="block small" :class="`tone-${row.verdict}`">{{ row.verdictWords }}</span>
          <span v-if="narrow" class="block small soft">{{ factOf(row, 'cost').text }}; {{ factOf(row, 'stop').text }}</span>
        </template>
        <template #cost="{ row }">
          {{ factOf(row, 'cost').text }}<span class="block small soft">{{ factOf(row, 'cost').range }}</span>
        </template>
        <template v-for="id in ['margin', 'stop'] as const" :key="id" #[id]="{ row }">
          {{ factOf(row, id).text }}
          <span v-if="againstWords(factOf(row, id))" class="block small" :class="toneAgainst(factOf(row, id))">{{
            againstWords(factOf(row, id))
          }}</span>
        </template>
        <template #choose="{ row }">
          <ElButton
            v-if="!row.isStock"
            :type="row.setupId === advice?.setupId ? 'primary' : undefined"
            :disabled="row.verdict === 'blocked'"
            :aria-label="`Choose ${row.name}`"
            @click="choose(row.setupId)"
            >Choose</ElButton
          >
        </template>
      </DataTable>
      <CompareChart :found="found" />
    </div>
    <FoldedPart title="All rows side by side">
      <p>{{ found.sentence }}</p>
      <div class="tools no-print">
        <ElCheckbox v-model="folded" :validate-event="false">fold what is the same everywhere ({{ alike }})</ElCheckbox>
        <ElCheckbox
          v-for="one in reports.filter((report) => !report.isStock)"
          :key="one.setupId"
          :model-value="!hidden.has(one.setupId)"
          :validate-event="false"
          @update:model-value="hide(one.setupId, !$event)"
          >{{ one.setupName }}</ElCheckbox
        >
        <ElButton data-test="compare-csv" @click="csv">CSV</ElButton>
        <ElButton @click="print">Print</ElButton>
      </div>
      <DataTable :rows="rows" :columns="columns" class="options" data-test="compare">
        <template v-for="(column, at) in found.columns" :key="column.setupId" #[`c${at}`]="{ row }">
          <span class="cell num" :class="tone(cellOf(row, at))">
            <VerdictMark v-if="cellOf(row, at).verdict" :verdict="cellOf(row, at).verdict!" :size="14" />
            <ElButton
              v-if="cellOf(row, at).figureId"
              link
              class="value"
              @click="(chooseSetup(column.setupId), (openFigureId = cellOf(row, at).figureId))"
              >{{ cellOf(row, at).text }}</ElButton
            >
            <template v-else>{{ cellOf(row, at).text }}</template>
            <small v-if="cellOf(row, at).range" class="soft">{{ cellOf(row, at).range }}</small>
            <small v-if="againstWords(cellOf(row, at))" :class="toneAgainst(cellOf(row, at))">{{ againstWords(cellOf(row, at)) }}</small>
          </span>
        </template>
      </DataTable>
    </FoldedPart>
    <FoldedPart class="no-print" data-test="weights" title="Your priorities and the resulting order">
      <div class="weights">
        <div v-for="id in SETUP_CRITERIA" :key="id">
          <span class="small">{{ CRITERIA[id].short }}</span>
          <ElSlider
            v-model="weights[id]"
            :min="0"
            :max="3"
            :step="1"
            :show-tooltip="false"
            show-stops
            :aria-label="`Weight of ${CRITERIA[id].short}`"
            :validate-event="false"
          />
        </div>
      </div>
      <p>
        Resulting order: <strong data-test="weighed-order">{{ weighed.map((one) => one.name).join(', ') }}</strong>.
        <ElButton link type="primary" @click="applyOrder">Reorder columns</ElButton>
      </p>
      <p class="soft small">
        Each row runs from best to worst, times its weight; unknown counts as worst. This gives an order, not a mark. The table above shows
        the differences.
      </p>
    </FoldedPart>
    <p class="soft small no-print">
      Against {{ found.columns[0]!.name }}. More options: <NuxtLink :to="link('cost', { view: 'search' })">search the library</NuxtLink>.
    </p>
  </div>
</template>

<style scoped>
h1 {
  max-width: 960px;
  margin: 4px 0 8px;
  font-size: 18px;
}
.first {
  display: grid;
  grid-template-columns: minmax(600px, 3fr) minmax(0, 2fr);
  gap: 8px 24px;
  align-items: start;
}
.facts {
  max-width: 960px;
  margin: 0 0 8px;
  padding-left: 18px;
}
.facts li {
  padding: 1px 0;
}
@media (max-width: 1000px) {
  .first {
    grid-template-columns: minmax(0, 1fr);
  }
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  margin-bottom: 6px;
}
.tools .el-button + .el-button {
  margin-left: 0;
}
.cell :deep(svg) {
  margin-right: 4px;
}
.cell {
  display: block;
}
.cell small {
  display: block;
  font-size: 12px;
}
.value {
  height: auto;
  padding: 0;
  color: inherit;
  white-space: normal;
  text-align: left;
}
.weights {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
  gap: 4px 26px;
  max-width: 760px;
  padding: 0 8px;
}
@media print {
  .options {
    font-size: 10.5px;
  }
  .options :deep(.el-table__cell) {
    padding: 1px 0;
    line-height: 1.25;
  }
  .cell small {
    display: inline;
    margin-left: 5px;
    font-size: 9.5px;
  }
  .value {
    font-size: 10.5px;
  }
  h1 {
    font-size: 14px;
  }
}
</style>
