<script setup lang="ts">
import { computed } from 'vue'
import { AXLES } from '#core/quantity/axle.ts'
import { probabilityWords } from '#core/quantity/uncertainty-words.ts'
import { formatMoney, formatQuantity } from '#core/quantity/format.ts'
import { counted } from '#core/figures/words.ts'
import { useProjectStore } from '~/stores/project'
import { useFieldFocus } from '~/composables/field-focus'
import { useWorkbench } from '~/composables/workbench'

const store = useProjectStore()
/** What this setup costs: the bill, its range, and what fits under the budget. */
const { report, setup, isStock, units, openFigureId } = useWorkbench()
useFieldFocus()
const preferences = computed(() => store.current.preferences)
const bill = computed(() => report.value?.bill)
const money = (minor: number | undefined) => formatMoney(minor, preferences.value.currency, { whole: true })
const bare = (minor: number | undefined) => formatMoney(minor, preferences.value.currency, { whole: true, bare: true })
/** What the setup adds to each corner, where it changes anything. */
const masses = computed(() =>
  AXLES.flatMap((axle) => {
    const all = report.value!.figures[`${axle}.massChange`]
    const turning = report.value!.figures[`${axle}.rotatingChange`]
    if (all.value === 0 && turning.value === 0) return []
    const kg = (value: number | undefined) =>
      value === undefined ? 'not known' : formatQuantity(value, 'mass', units.value, { signed: true })
    const words = all.value === undefined ? 'change of mass unknown' : `${kg(all.value)}, ${kg(turning.value)} rotating`
    return [{ axle, all: all.id, words }]
  }),
)
/** Lines without a price, and lines whose currency has no rate. */
const openWords = computed(() => {
  const { unpriced, withoutRate } = bill.value!
  return [
    ...(unpriced > withoutRate ? [`${counted(unpriced - withoutRate, 'line has', 'lines have')} no price yet`] : []),
    ...(withoutRate > 0 ? [`${counted(withoutRate, 'line is', 'lines are')} in a currency whose rate is missing`] : []),
  ].join(', ')
})
</script>

<template>
  <div v-if="bill && setup" class="cost">
    <h1>
      <span class="num">{{ report!.figures['cost.total'].atLeast ? 'At least ' : '' }}{{ money(bill.total.likely) }}</span>
      <span v-if="bill.lines.length > 0" class="soft range num"
        ><template v-if="bill.total.low < bill.total.high"
          >90% range {{ money(bill.total.p05) }}–{{ bare(bill.total.p95) }} (lowest {{ bare(bill.total.low) }}, highest
          {{ bare(bill.total.high) }}, mean {{ bare(bill.total.expected) }}).</template
        >{{ ' ' }} <ElButton link type="primary" @click="openFigureId = 'cost.total'">Show the working</ElButton></span
      >
    </h1>
    <p v-if="bill.budget && bill.lines.length > 0" class="budget" data-test="budget">
      <VerdictMark :verdict="bill.budget.verdict" />
      {{ probabilityWords(bill.budget.chance) }} of staying within {{ money(bill.budget.minor)
      }}{{ bill.unpriced > 0 ? ', without the lines that have no price' : '' }}.
    </p>
    <p v-if="isStock && bill.lines.length === 0" class="soft">
      The current car needs no purchases. Select or add another setup to see its cost.
    </p>
    <p v-if="bill.unpriced > 0" class="tone-unknown">
      <VerdictMark verdict="unknown" />
      {{ openWords }}: the total is at least this.
    </p>
    <p v-for="one in masses" :key="one.axle" class="small">
      Each {{ one.axle }} corner: <ElButton link type="primary" class="num" @click="openFigureId = one.all">{{ one.words }}</ElButton>,
      against the baseline.
    </p>

    <BillTable v-if="bill.lines.length > 0" />
    <PriceDesk v-if="!isStock" class="part" />
    <ExtraCosts class="part" />
    <CostSettings class="part" />
  </div>
</template>

<style scoped>
.cost {
  max-width: 980px;
}
h1 {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
  margin-bottom: 10px;
  font-size: 26px;
}
.range {
  font-size: 14px;
  font-weight: 400;
}
.budget {
  font-size: 15px;
}
.part {
  margin-bottom: 24px;
}
</style>
