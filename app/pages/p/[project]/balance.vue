<script setup lang="ts">
import type { Preferences } from '#core/records/preferences.ts'
import { useMediaQuery } from '@vueuse/core'
import { computed } from 'vue'
import { worstCircuitLoss, type BalanceReport } from '#core/balance/balance-report.ts'
import { stopReport, stopWords } from '#core/heat/stop-report.ts'
import { FRONT_FIRST_TO_G } from '#core/balance/lock-finding.ts'
import { balanceMissing, orderHeadline } from '#core/evaluate/order-probability.ts'
import type { FigureId } from '#core/figures/figure-ids.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { boundWord } from '#core/figures/words.ts'
import { amount } from '#core/records/field.ts'
import type { Figure } from '#core/quantity/figure.ts'
import { useProjectStore } from '~/stores/project'
import { useBalance } from '~/composables/balance'
import { useFieldFocus } from '~/composables/field-focus'
import { useView } from '~/composables/view'
import { useUncertainty } from '~/composables/uncertainty'
import { useWorkbench } from '~/composables/workbench'

const store = useProjectStore()
const { report, stock, isStock, units, openFigureId } = useWorkbench()
const { balance, stockBalance } = useBalance()
useFieldFocus()
const VIEWS = [
  { id: 'order', label: 'Lock-up order' },
  { id: 'chain', label: 'Pedal to road' },
  { id: 'pedal', label: 'Pedal' },
  { id: 'bores', label: 'Bores' },
  { id: 'gauges', label: 'Gauges' },
] as const
const view = useView(VIEWS)
const preferences = computed(() => store.current.preferences)
const share = (id: FigureId, of = report.value) =>
  of ? `${boundWord(of.figures[id])}${formatQuantity(of.figures[id].value, 'share', units.value)}` : ''
const BIASES = ['bias.pressure', 'bias.clamp', 'bias.torque', 'bias.road', 'bias.ideal'] as const
const FIGURES = [
  'pedal.forceNoAssist',
  'front.pistonArea',
  'rear.pistonArea',
  'front.effectiveRadius',
  'rear.effectiveRadius',
  'master.sameFeel',
] as const
const FIGURE_ROWS = FIGURES.map((id) => ({ id }))
const said = (id: FigureId, of = report.value) => {
  const figure = of?.figures[id]
  return (
    figure && `${boundWord(figure)}${formatQuantity(figure.value, figure.dimension === 'money' ? 'number' : figure.dimension, units.value)}`
  )
}
const beside = computed(() => (isStock.value ? [] : [{ id: 'stock', label: 'baseline', number: true, least: 80 }]))
const narrow = useMediaQuery('(max-width: 760px)')
const columnsOf = (label: string) => [
  { id: 'of', label, least: narrow.value ? 140 : 215 },
  { id: 'here', label: 'this setup', number: true, least: 80 },
  ...beside.value,
]
const shares = BIASES.map((id) => ({ id }))
/** What the answer is about, in five lines; a fact with a figure opens its working. */
const facts = computed(() => {
  const distance = (setupId: string | undefined) => {
    const found = setupId && store.project ? stopReport(store.project, setupId) : undefined
    return found?.rows[0] && stopWords(found, found.rows[0])
  }
  const lost = (of: BalanceReport | undefined) => {
    const left = of && worstCircuitLoss(of.failures)
    return left && `${boundWord(left)}${formatQuantity(left.decelG, 'deceleration')}`
  }
  const ideal = share('bias.ideal')
  return [
    {
      id: 'bias.road' as const,
      label: 'Brake balance',
      after: ideal ? `, ideal ${ideal}` : '',
      here: share('bias.road'),
      stock: share('bias.road', stock.value),
    },
    ...(['pedal.force', 'pedal.travel'] as const).map((id) => ({
      id,
      label: report.value?.figures[id].label ?? '',
      after: '',
      here: said(id),
      stock: said(id, stock.value),
    })),
    {
      id: undefined,
      label: `Dry stop from ${preferences.value.stopFromKmh} km/h`,
      after: '',
      here: distance(report.value?.setupId),
      stock: distance(stock.value?.setupId),
    },
    {
      id: undefined,
      label: 'Deceleration left with a circuit lost',
      after: '',
      here: lost(balance.value),
      stock: lost(stockBalance.value),
    },
  ]
})
const decel = amount('Stated at', 'deceleration', 0.1, 2)
const decelFigure = computed<Figure>(() => ({ value: preferences.value.referenceDecelG, origin: 'measured' }))
const setDecel = (figure: Figure | undefined) =>
  figure && store.edit('Change deceleration', (draft) => void (draft.preferences.referenceDecelG = figure.value))
const set = <K extends 'effectiveRadius' | 'areaCounting'>(key: K, value: Preferences[K]) =>
  store.edit('Change preference', (draft) => void (draft.preferences[key] = value))

const { doubt } = useUncertainty()
const headline = computed(() => {
  const of100 = doubt.value?.setupId === report.value?.setupId ? doubt.value?.frontFirstOf100 : undefined
  return report.value && orderHeadline(report.value, of100)
})
const missing = computed(() => (report.value ? balanceMissing(report.value) : []))
</script>

<template>
  <div v-if="report && headline" class="page">
    <ViewTabs step="balance" :views="VIEWS" :current="view" label="Views of the balance" />
    <template v-if="view === 'chain'">
      <ChainPicture />
      <PistonAreas class="below" />
    </template>
    <PedalPanel v-else-if="view === 'pedal'" />
    <BoresPanel v-else-if="view === 'bores'" />
    <GaugesPanel v-else-if="view === 'gauges'" />
    <template v-else>
      <div class="balance">
        <section class="left">
          <h1 class="visually-hidden">Balance</h1>
          <div data-test="lock-order">
            <p class="verdict" :class="`tone-${headline.verdict}`">
              <VerdictMark :verdict="headline.verdict" :size="24" /><strong>{{ headline.sentence }}</strong>
            </p>
            <p v-for="one in headline.beside" :key="one" class="small">{{ one }}</p>
          </div>
          <template v-if="missing.length > 0">
            <h2>To find out</h2>
            <ToFindOut :missing="missing" />
          </template>

          <DataTable class="facts" :rows="facts" :columns="columnsOf('')" data-test="balance-facts">
            <template #of="{ row }">
              <GlossaryTerm v-if="row.id === 'bias.road'" id="balance" />
              <ElButton v-else-if="row.id" link type="primary" @click="openFigureId = row.id">{{ row.label }}</ElButton>
              <template v-else>{{ row.label }}</template>{{ row.after }}
            </template>
            <template #here="{ row }">
              <ElButton v-if="row.id === 'bias.road'" link type="primary" @click="openFigureId = row.id">{{ row.here }}</ElButton>
              <template v-else>{{ row.here ?? 'not known' }}</template>
            </template>
            <template #stock="{ row }">{{ row.stock ?? 'not known' }}</template>
          </DataTable>
          <FoldedPart title="Balance, pistons and pedal in full">
            <h2>Brake balance, front share</h2>
            <DataTable :rows="shares" :columns="columnsOf('of')">
              <template #of="{ row }">
                <ElButton link type="primary" @click="openFigureId = row.id">{{
                  report.figures[row.id].label.replace('Front share of ', '')
                }}</ElButton>
              </template>
              <template #here="{ row }">{{ share(row.id) }}</template>
              <template #stock="{ row }">{{ share(row.id, stock) }}</template>
            </DataTable>
            <h2>Pistons and pedal</h2>
            <DataTable :rows="FIGURE_ROWS" :columns="columnsOf('')" headless>
              <template #of="{ row }">
                <ElButton link type="primary" @click="openFigureId = row.id">{{ report.figures[row.id].label }}</ElButton>
              </template>
              <template #here="{ row }">{{ said(row.id, report) }}</template>
              <template #stock="{ row }">{{ said(row.id, stock) }}</template>
            </DataTable>
            <div class="choices">
              <FigureInput name="referenceDecelG" :field="decel" :figure="decelFigure" :units="units" bare @change="setDecel" />
              <FieldItem label="Effective radius"
                ><ChoiceSelect
                  :value="preferences.effectiveRadius"
                  :options="[
                    { value: 'mean', label: 'mean of the swept area' },
                    { value: 'uniformPressure', label: 'uniform pressure' },
                  ]"
                  label="Effective radius"
                  @change="set('effectiveRadius', $event)"
              /></FieldItem>
              <FieldItem label="Opposed pistons"
                ><ChoiceSelect
                  :value="preferences.areaCounting"
                  :options="[
                    { value: 'oneSide', label: 'count one side' },
                    { value: 'allPistons', label: 'note all pistons too' },
                  ]"
                  label="Opposed pistons"
                  @change="set('areaCounting', $event)"
              /></FieldItem>
            </div>
          </FoldedPart>
        </section>
        <section v-if="report.adhesion.length > 0" class="right">
          <AdhesionChart class="curves" :report="report" :stock="stock" :front-first-to-g="balance?.frontFirstToG ?? FRONT_FIRST_TO_G" />
        </section>
      </div>
      <BalanceCases class="below" :wrong="headline.verdict !== 'fits'" />
    </template>
  </div>
</template>

<style scoped>
.page {
  display: flex;
  flex-direction: column;
  min-height: 100%;
}
.below {
  margin-top: 18px;
}
.balance {
  display: grid;
  grid-template-columns: minmax(340px, 410px) minmax(0, 1fr);
  gap: 24px;
}
.verdict {
  display: flex;
  gap: 10px;
  font-size: 17px;
  line-height: 1.3;
}
h2 {
  margin: 12px 0 2px;
}
.choices {
  display: grid;
  grid-template-columns: 92px 1fr 1fr;
  gap: 10px;
  margin-top: 12px;
}
.right {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
.curves {
  flex: 1;
  min-height: 290px;
}
@media (max-width: 1000px) {
  .balance {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
