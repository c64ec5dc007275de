<script setup lang="ts">
import { line, scaleLinear } from 'd3'
import { computed, ref } from 'vue'
import { hydraulicsOf } from '#core/hydraulics/hydraulics-of.ts'
import { kneeAtRear, kneeOnLine } from '#core/hydraulics/chain-picture.ts'
import type { BalanceReport } from '#core/balance/balance-report.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { useChartWidth } from '~/composables/chart-width'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Rear over front force, each over the weight: the ideal curve, the setup's line and the lock lines of three surfaces. */
const props = defineProps<{ balance: BalanceReport; stock: BalanceReport | undefined }>()
const store = useProjectStore()
const { setup, units } = useWorkbench()
const svg = ref<SVGSVGElement>()
const W = useChartWidth(svg, 560)
const H = 300
const margin = { top: 16, right: 20, bottom: 38, left: 46 }
const x = computed(() => scaleLinear([margin.left, W.value - margin.right]).domain([0, 1.1]))
const y = scaleLinear([H - margin.bottom, margin.top]).domain([0, 0.4])
const path = (points: readonly (readonly [number, number])[]) =>
  line<readonly [number, number]>(
    ([front]) => x.value(front),
    ([, rear]) => y(rear),
  )(points) ?? ''
/** The knee while a hand moves it; letting go is one edit. */
const held = ref<number>()
const hydraulics = computed(() => (store.project && setup.value ? hydraulicsOf(store.project, setup.value.id) : undefined))
const adjustable = computed(() => hydraulics.value?.context.resolved.valve?.action === 'adjustable')
const knee = computed(() => {
  const one = hydraulics.value
  const mpa = held.value ?? one?.system?.valve?.kneeMpa
  return one && mpa !== undefined ? kneeOnLine(one, mpa) : undefined
})
const shownLine = computed(() => (held.value !== undefined && knee.value ? knee.value.line : props.balance.line))
function move(event: PointerEvent) {
  if (held.value === undefined || !svg.value || !hydraulics.value) return
  const box = svg.value.getBoundingClientRect()
  held.value = kneeAtRear(hydraulics.value, y.invert(((event.clientY - box.top) / box.height) * H))
}
function take(event: PointerEvent) {
  if (!adjustable.value || !knee.value) return
  held.value = knee.value.kneeMpa
  ;(event.target as Element).setPointerCapture(event.pointerId)
}
function set(mpa: number) {
  const value = Math.round(Math.min(20, Math.max(0.1, mpa)) * 100) / 100
  store.edit('Set the valve', (draft) => {
    draft.setups.find((one) => one.id === setup.value?.id)!.hydraulics.valveKneeMpa = {
      value,
      origin: 'estimated',
      date: new Date().toISOString().slice(0, 10),
    }
  })
}
function drop() {
  const mpa = held.value
  held.value = undefined
  if (mpa !== undefined) set(mpa)
}
function nudge(event: KeyboardEvent) {
  const step = { ArrowUp: 0.1, ArrowRight: 0.1, ArrowDown: -0.1, ArrowLeft: -0.1 }[event.key]
  if (step === undefined || !adjustable.value || !knee.value) return
  event.preventDefault()
  set(knee.value.kneeMpa + step)
}
const SURFACE = { dry: 'dry', wet: 'wet', loose: 'loose' } as const
const locks = computed(() =>
  props.balance.lockLines.map((one, index) => ({
    ...one,
    // a front that cannot lock before the rear lifts has no line
    word: `${SURFACE[one.surface]} ${one.friction}${one.front ? '' : ': the rear lifts first'}`,
    at: { x: x.value(one.front?.[0][0] ?? 0), y: y(0) - 6 - (index % 2) * 14 },
  })),
)
</script>

<template>
  <figure class="chart">
    <figcaption>Rear against front force, each over the weight</figcaption>
    <svg
      ref="svg"
      :viewBox="`0 0 ${W} ${H}`"
      role="group"
      aria-label="Rear force over front force: above the ideal curve the rear locks first"
      @pointermove="move"
      @pointerup="drop"
    >
      <clipPath id="force-plot">
        <rect :x="margin.left" :y="margin.top" :width="W - margin.left - margin.right" :height="H - margin.top - margin.bottom" />
      </clipPath>
      <ChartAxes :x="x" :y="y" :x-ticks="6" :y-ticks="4" x-name="front force over weight" y-name="rear" />
      <g clip-path="url(#force-plot)">
        <g v-for="one in locks" :key="one.surface" class="lock">
          <path v-if="one.front" :d="path(one.front)" />
          <path :d="path(one.rear)" />
        </g>
        <path class="ideal" :d="path(balance.ideal)" />
        <path v-if="stock" class="stock" :d="path(stock.line)" />
        <path class="line" :d="path(shownLine)" />
      </g>
      <g v-if="knee" class="knee" :class="{ adjustable }">
        <circle
          :cx="x(knee.point[0])"
          :cy="y(knee.point[1])"
          :r="adjustable ? 8 : 4"
          :tabindex="adjustable ? 0 : -1"
          :role="adjustable ? 'slider' : 'presentation'"
          :aria-label="adjustable ? 'Knee pressure of the rear valve' : undefined"
          :aria-valuenow="adjustable ? Math.round(knee.kneeMpa * 100) / 100 : undefined"
          :aria-valuetext="adjustable ? formatQuantity(knee.kneeMpa, 'pressure', units) : undefined"
          data-test="knee"
          @pointerdown="take"
          @keydown="nudge"
        />
        <text class="word num" :x="x(knee.point[0]) + 12" :y="y(knee.point[1]) + 18">
          knee {{ formatQuantity(knee.kneeMpa, 'pressure', units) }}{{ adjustable ? ', drag it' : '' }}
        </text>
      </g>
      <text v-for="one in locks" :key="one.word" class="word" :x="one.at.x + 3" :y="one.at.y">{{ one.word }}</text>
    </svg>
    <p class="soft small">
      Heavy line: this setup. The dotted line is the ideal balance, thin lines show lock-up.{{
        stock ? ' The dashed line is the baseline.' : ''
      }}
      Where the heavy line is above the dotted one, the rear locks first.
    </p>
  </figure>
</template>

<style scoped>
.chart {
  margin: 0;
}
figcaption {
  font-weight: 640;
}
svg {
  width: 100%;
  max-width: 680px;
}
.word {
  fill: var(--ink-soft);
  font-size: 11.5px;
}
path {
  fill: none;
}
.line {
  stroke: var(--ink);
  stroke-width: 2.8;
}
.ideal {
  stroke: var(--accent);
  stroke-width: 2;
  stroke-dasharray: 2 4;
}
.stock {
  stroke: var(--ink);
  stroke-width: 1.2;
  stroke-dasharray: 6 4;
}
.knee circle {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2;
}
.knee.adjustable circle {
  stroke: var(--accent);
  cursor: ns-resize;
  touch-action: none;
}
.lock path {
  stroke: var(--rear-line);
  stroke-width: 1;
}
p {
  margin: 2px 0 0;
}
</style>
