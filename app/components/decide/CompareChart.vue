<script setup lang="ts">
import { extent, scaleLinear } from 'd3'
import { computed, ref } from 'vue'
import { frontOf } from '#core/decide/compare.ts'
import type { Comparison } from '#core/decide/comparison.ts'
import { moneySteps, type MoneyStep } from '#core/decide/money-steps.ts'
import type { QuestionId } from '#core/records/start-question.ts'
import { CRITERIA, SEARCH_CRITERIA, type CriterionId, type SearchCriterionId } from '#core/decide/criteria.ts'
import { formatMoney, formatQuantity } from '#core/quantity/format.ts'
import { dominatedPath } from '~/drawing/dominated'
import { useChartWidth } from '~/composables/chart-width'
import { useSearch } from '~/composables/search'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Any two criteria against each other: setups with their doubts, finds of the search, and the line of those that nothing beats. */
const props = defineProps<{ found: Comparison }>()
const store = useProjectStore()
const { units, chooseSetup } = useWorkbench()
const { result } = useSearch()
const svg = ref<SVGSVGElement>()
const W = useChartWidth(svg, 640)
const H = 320
const margin = { top: 22, right: 24, bottom: 38, left: 62 }
/** Cost stands against what the project was begun for. */
const CARED_FOR: Partial<Record<QuestionId, CriterionId>> = { clears: 'gap', balanced: 'bias' }
const [xId, yId] = [ref<CriterionId>('cost'), ref<CriterionId>((store.project?.question && CARED_FOR[store.project.question]) ?? 'margin')]
const choices = computed(() => (Object.keys(CRITERIA) as CriterionId[]).map((value) => ({ value, label: CRITERIA[value].label })))
const row = (id: CriterionId) => props.found.rows.find((one) => one.id === id)!
interface SetupMark {
  name: string
  setupId?: string
  x: number
  y: number
  ux: number
  uy: number
  /** Both values are known and it may be built: something to be advised by. */
  isSure: boolean
}
const marks = computed((): SetupMark[] =>
  props.found.columns.flatMap((column, at) => {
    const [a, b] = [row(xId.value).cells[at]!, row(yId.value).cells[at]!]
    return a.value === undefined || b.value === undefined
      ? []
      : [
          {
            name: column.name,
            setupId: column.setupId,
            x: a.value,
            y: b.value,
            ux: a.u ?? 0,
            uy: b.u ?? 0,
            isSure: !a.bound && !b.bound && column.verdict !== 'blocked',
          },
        ]
  }),
)
/** A search does not compute the margin of each combination. */
const searched = (id: CriterionId): SearchCriterionId | undefined => SEARCH_CRITERIA.find((one) => one === id)
const finds = computed((): SetupMark[] => {
  const [a, b] = [searched(xId.value), searched(yId.value)]
  if (!a || !b) return []
  return (result.value?.finds ?? []).flatMap((one) => {
    const [x, y] = [one.values[a], one.values[b]]
    return x === undefined || y === undefined ? [] : [{ name: 'a search result', x, y, ux: 0, uy: 0, isSure: false }]
  })
})
const all = computed(() => [...marks.value, ...finds.value])
const padded = (of: (mark: SetupMark) => [number, number]) => {
  const [low, high] = extent(all.value.flatMap((one) => of(one)))
  const room = Math.max((high ?? 1) - (low ?? 0), 1e-9) * 0.08
  return [(low ?? 0) - room, (high ?? 1) + room]
}
const x = computed(() => scaleLinear([margin.left, W.value - margin.right]).domain(padded((one) => [one.x - one.ux, one.x + one.ux])))
const y = computed(() => scaleLinear([H - margin.bottom, margin.top]).domain(padded((one) => [one.y - one.uy, one.y + one.uy])))
/** Those that nothing beats in these two, from the cheapest on. */
const axisOf = (id: CriterionId) => ({ better: CRITERIA[id].better, enough: row(id).enough })
const front = computed(() => frontOf(all.value, axisOf(xId.value), axisOf(yId.value)))
const path = computed(() => {
  const points = front.value.map((one) => `${x.value(one.x)},${y.value(one.y)}`)
  return points.length > 1 ? `M${points.join('L')}` : ''
})
const shaded = computed(() =>
  dominatedPath(
    front.value.map((one) => ({ x: x.value(one.x), y: y.value(one.y) })),
    { left: margin.left, right: W.value - margin.right, top: margin.top, bottom: H - margin.bottom },
    { x: CRITERIA[xId.value].better === 'low' ? 1 : -1, y: CRITERIA[yId.value].better === 'low' ? -1 : 1 },
  ),
)
/** What more money buys, where one axis is the cost. */
const steps = computed(() =>
  xId.value === 'cost'
    ? moneySteps(
        frontOf(
          marks.value.filter((one) => one.isSure),
          axisOf(xId.value),
          axisOf(yId.value),
        ),
        CRITERIA[yId.value].better,
      )
    : [],
)
const stepWords = ({ from, to, costMinor, gain, gainPerHundred, isShown }: MoneyStep): string => {
  const money = show('cost', costMinor)
  if (!isShown) return `${to} costs ${money} more than ${from}. Its gain is within the uncertainty.`
  const value = (one: number) => {
    const { dimension } = CRITERIA[yId.value]
    return dimension === 'money'
      ? formatMoney(one, store.current.preferences.currency, { whole: true })
      : formatQuantity(one, dimension, units.value)
  }
  return `${to} costs ${money} more than ${from} and is better by ${value(gain)}: ${value(gainPerHundred)} for each ${show('cost', 10_000)}.`
}
const show = (id: CriterionId, value: number): string => {
  const { dimension } = CRITERIA[id]
  if (dimension === 'money') return formatMoney(value, store.current.preferences.currency, { whole: true })
  return formatQuantity(value, dimension, units.value, id === 'margin' || id === 'mass' ? { signed: true } : {})
}
/** A name stands to the right of its mark, or to the left where the edge is near. */
const isLeft = (mark: SetupMark) => x.value(mark.x) > W.value * 0.6
const nameX = (mark: SetupMark) => x.value(mark.x) + (isLeft(mark) ? -10 : 10)
</script>

<template>
  <section class="no-print" data-test="compare-chart">
    <div class="axes">
      <FieldItem label="Across"><ChoiceSelect label="Across" :value="xId" :options="choices" @change="xId = $event" /></FieldItem>
      <FieldItem label="Up"><ChoiceSelect label="Up" :value="yId" :options="choices" @change="yId = $event" /></FieldItem>
    </div>
    <svg v-if="marks.length > 0" ref="svg" :viewBox="`0 0 ${W} ${H}`" role="group" :aria-label="`${row(yId).label} over ${row(xId).label}`">
      <ChartAxes
        :x="x"
        :y="y"
        :x-ticks="5"
        :y-ticks="5"
        :x-name="row(xId).label"
        :y-name="row(yId).label"
        :show-x="(t: number) => show(xId, t)"
        :show-y="(t: number) => show(yId, t)"
      />
      <path v-if="shaded" class="shaded" :d="shaded" />
      <path v-if="path" class="front" :d="path" />
      <circle v-for="(one, i) in finds" :key="`f${i}`" class="find" :cx="x(one.x)" :cy="y(one.y)" r="3.5" />
      <g
        v-for="one in marks"
        :key="one.setupId"
        class="mark"
        role="link"
        tabindex="0"
        :aria-label="`Open ${one.name}`"
        @click="chooseSetup(one.setupId!)"
        @keydown.enter="chooseSetup(one.setupId!)"
      >
        <line v-if="one.ux > 0" :x1="x(one.x - one.ux)" :x2="x(one.x + one.ux)" :y1="y(one.y)" :y2="y(one.y)" />
        <line v-if="one.uy > 0" :x1="x(one.x)" :x2="x(one.x)" :y1="y(one.y - one.uy)" :y2="y(one.y + one.uy)" />
        <circle :cx="x(one.x)" :cy="y(one.y)" r="5.5" />
        <text :x="nameX(one)" :y="y(one.y) - 8" :text-anchor="isLeft(one) ? 'end' : 'start'">{{ one.name }}</text>
      </g>
    </svg>
    <p class="soft small">
      Bars show the uncertainty. The line joins setups that no other beats in both, and the shaded region is worse than one of them{{
        finds.length > 0 ? '; small marks are search results' : ''
      }}.
    </p>
    <ul v-if="steps.length > 0" class="steps small" data-test="money-steps">
      <li v-for="step in steps" :key="step.to">{{ stepWords(step) }}</li>
    </ul>
  </section>
</template>

<style scoped>
.axes {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  margin-top: 10px;
}
.axes .el-form-item {
  width: 230px;
}
svg {
  display: block;
  width: 100%;
  max-width: 640px;
}
.shaded {
  fill: var(--steel-soft);
  fill-opacity: 0.3;
}
.steps {
  margin: 4px 0 0;
  padding-left: 18px;
}
.front {
  fill: none;
  stroke: var(--accent);
  stroke-dasharray: 5 4;
}
.mark {
  cursor: pointer;
}
.mark circle {
  fill: var(--ink);
}
.mark line {
  stroke: var(--ink-soft);
}
.mark text {
  fill: var(--ink);
  font-size: 12px;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
.find {
  fill: var(--steel-soft);
  stroke: var(--ink-soft);
}
</style>
