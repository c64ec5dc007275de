<script setup lang="ts">
import { computed } from 'vue'
import type { Input, ReportFigure } from '#core/figures/figure.ts'
import { ORIGIN_WORDS } from '#core/quantity/figure.ts'
import { formatMoney, formatQuantity, plusMinusOf } from '#core/quantity/format.ts'
import { rangeWords } from '#core/quantity/uncertainty-words.ts'
import { useProjectStore } from '~/stores/project'
import { boundWord } from '#core/figures/words.ts'
import { filledOf } from '#core/figures/working.ts'
import type { UncertainFigureId } from '#core/uncertainty/values.ts'
import type { Dimension } from '#core/quantity/units.ts'
import { costMatters } from '#core/cost/cost-matters.ts'
import { useUncertainty } from '~/composables/uncertainty'
import { LazyTable } from '~/composables/lazy-table'
import { useWorkbench } from '~/composables/workbench'

/** Any figure: its formula with the numbers put in, and where each number comes from. */
const store = useProjectStore()
const { doubt } = useUncertainty()
const { openFigureId, report, stock, isStock, units, goTo } = useWorkbench()

const figure = computed(() => (openFigureId.value ? report.value?.figures[openFigureId.value] : undefined))
const before = computed(() => (openFigureId.value ? stock.value?.figures[openFigureId.value] : undefined))
const filled = computed(() => figure.value && filledOf(figure.value))
const formula = computed(() => figure.value?.method)
/** What the doubts of all that went in make of it. */
const doubted = computed(() => {
  const one =
    figure.value && doubt.value?.setupId === report.value?.setupId ? doubt.value?.figures[figure.value.id as UncertainFigureId] : undefined
  if (!one || figure.value?.dimension === 'money') return undefined
  const show = (value: number, bare = false) => formatQuantity(value, figure.value!.dimension as Dimension, units.value, { bare })
  return { ...one, words: rangeWords(show(one.p05, true), show(one.p95)), show }
})
/** Prices that make the cost doubtful. */
const prices = computed(() => (figure.value?.id === 'cost.total' && report.value ? costMatters(report.value.bill).slice(0, 5) : []))
const share = (value: number) => formatQuantity(value, 'share', undefined, { decimals: 0 })
const open = computed({
  get: () => figure.value !== undefined,
  set: (value) => {
    if (!value) openFigureId.value = undefined
  },
})
const show = (one: ReportFigure) =>
  one.dimension === 'money'
    ? formatMoney(one.value, store.current.preferences.currency)
    : formatQuantity(one.value, one.dimension, units.value, one.dimension === 'temperatureRise' ? { signed: true } : {})
const inputColumns = [
  { id: 'figure', label: 'Figure', least: 220 },
  { id: 'value', label: 'Value', number: true, least: 120 },
]
const showInput = (input: Input) =>
  `${formatQuantity(input.value, input.dimension, units.value)}${input.u === undefined ? '' : ` ± ${plusMinusOf(input.u, input.dimension, units.value)}`}`
const origin = (input: Input) =>
  input.assumed
    ? 'assumed; enter your own'
    : [input.origin ? ORIGIN_WORDS[input.origin] : input.at.kind === 'figure' ? 'computed' : 'chosen', input.date?.slice(0, 10)]
        .filter(Boolean)
        .join(', ')
</script>

<template>
  <ElDrawer
    v-model="open"
    :modal="false"
    :lock-scroll="false"
    modal-penetrable
    size="min(420px, 100vw)"
    :title="figure?.label ?? ''"
    class="working"
  >
    <template v-if="figure && formula">
      <p class="answer num">
        <strong>{{ boundWord(figure) }}{{ show(figure) }}</strong>
        <span v-if="figure.u !== undefined" class="soft">
          ± {{ formatQuantity(figure.u, 'length', units, { decimals: 2 }) }} standard uncertainty</span
        >
        <span v-if="!isStock && before" class="soft block">baseline: {{ boundWord(before) }}{{ show(before) }}</span>
      </p>
      <template v-if="doubted">
        <p class="num" data-test="figure-range">
          {{ doubted.words
          }}<span class="soft">, from {{ doubted.by === 'draws' ? 'random draws of the' : 'the' }} uncertainty of every input.</span>
        </p>
        <template v-if="doubted.matters.length > 0">
          <h3>Largest contributions</h3>
          <ol class="matters" data-test="figure-matters">
            <li v-for="one in doubted.matters.slice(0, 5)" :key="`${one.label}${one.index}`">
              <ElButton link type="primary" @click="goTo(one.at)">{{ one.label }}</ElButton>
              <span class="soft num">
                {{ share(one.share) }} of the uncertainty<LazyMadeWords v-if="one.madeOf" :made-of="one.madeOf"
              /></span>
            </li>
          </ol>
        </template>
      </template>
      <template v-if="prices.length > 0">
        <h3>Largest contributions</h3>
        <ol class="matters" data-test="figure-matters">
          <li v-for="one in prices" :key="one.label">
            <ElButton link type="primary" @click="goTo(one.at)">{{ one.label }}</ElButton>
            <span class="soft num">{{ share(one.share) }} of what prices leave open</span>
          </li>
        </ol>
      </template>
      <template v-if="figure.missing.length > 0">
        <h3>Unknown values</h3>
        <ToFindOut :missing="figure.missing" />
      </template>
      <h3>{{ formula.name }}</h3>
      <p class="formula num">
        {{ formula.text }}
        <span v-if="filled" class="block">= {{ filled }}</span>
      </p>
      <p v-if="filled" class="soft small">Numbers in mm, N, MPa, kg and g.</p>
      <p v-for="note in figure.notes" :key="note" class="small">{{ note }}</p>
      <h3>Inputs</h3>
      <LazyTable :rows="figure.inputs" :columns="inputColumns">
        <template #figure="{ row }">
          <ElButton link type="primary" @click="goTo(row.at)">{{ row.label }}</ElButton>
          <span v-if="row.symbol" class="soft symbol">{{ row.symbol }}</span>
          <span class="soft small block" :class="{ assumed: row.assumed }"
            >{{ origin(row) }}<LazyMadeWords v-if="row.madeOf" :made-of="row.madeOf"
          /></span>
        </template>
        <template #value="{ row }">{{ row.value === undefined ? 'not known' : `${boundWord(row)}${showInput(row)}` }}</template>
      </LazyTable>
      <p class="soft small">Source: {{ formula.source }}.</p>
    </template>
  </ElDrawer>
</template>

<style scoped>
.answer {
  margin-top: -8px;
  font-size: 15px;
}
.answer strong {
  font-size: 24px;
}
.matters li > span {
  margin-left: 8px;
}
.matters {
  margin: 2px 0 8px;
  padding-left: 20px;
  font-size: 13.5px;
}
.symbol {
  margin-left: 6px;
}
.formula {
  padding: 8px 10px;
  background: var(--sheet-2);
  font-size: 15px;
  overflow-wrap: anywhere;
}
.assumed {
  font-style: italic;
}
h3 {
  margin: 14px 0 4px;
}
</style>

<style>
/* the drawer leaves the key figures in sight */
@media (min-width: 1001px) {
  .el-drawer.working {
    height: calc(100% - 94px);
    border: 1px solid var(--line);
    box-shadow: none;
  }
}
.el-drawer.working .el-drawer__header {
  margin-bottom: 8px;
  color: var(--ink);
  font-weight: 640;
}
</style>
