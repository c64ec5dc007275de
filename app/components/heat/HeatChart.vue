<script setup lang="ts">
import { line, max, pointer, scaleLinear } from 'd3'
import { computed, ref } from 'vue'
import type { Corner } from '#core/clearance/half-section.ts'
import type { HeatReport, HeatSample } from '#core/heat/heat-report.ts'
import type { Axle } from '#core/quantity/axle.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { useChartWidth } from '~/composables/chart-width'
import { useWorkbench } from '~/composables/workbench'

/** Temperatures of one corner over time: rotor, rubbing face, pads, fluid; the car as it stands thin; limits by their names. */
const props = defineProps<{ heat: HeatReport; axle: Axle; corner?: Corner | undefined }>()
const { units } = useWorkbench()
const svg = ref<SVGSVGElement>()
const W = useChartWidth(svg, 760)
const H = 330
const margin = { top: 20, right: 78, bottom: 36, left: 48 }
const LINES = [
  { key: 'faceC', label: 'pad surface' },
  { key: 'ringC', label: 'rotor' },
  { key: 'padC', label: 'pad body' },
  { key: 'fluidC', label: 'fluid' },
] as const
const LIMIT_NAMES = {
  fluid: 'fluid boils',
  face: 'limit of the pad surface',
  ring: 'limit of the rotor',
  caliper: 'limit of the seals',
} as const
type Key = (typeof LINES)[number]['key']
const lastS = computed(() => props.heat.samples.at(-1)?.seconds ?? 1)
const limits = computed(() => props.heat.lines.filter((one) => one.axle === props.axle && one.lump !== 'caliper'))
const mostC = computed(() => {
  const peak = max([...props.heat.samples, ...props.heat.stock], (one) => one[props.axle].faceC) ?? 100
  // a limit far above everything would flatten what there is to see
  const near = limits.value.map((one) => one.limitC).filter((limit) => limit < peak * 1.6)
  return Math.max(peak, ...near) * 1.06
})
const x = computed(() => scaleLinear([margin.left, W.value - margin.right]).domain([0, lastS.value / 60]))
const y = computed(() => scaleLinear([H - margin.bottom, margin.top]).domain([0, mostC.value]))
const path = (samples: readonly HeatSample[], key: Key) =>
  line<HeatSample>(
    (one) => x.value(one.seconds / 60),
    (one) => y.value(one[props.axle][key]),
  )(samples) ?? ''
const c = (value: number) => formatQuantity(value, 'temperature', units.value, { decimals: 0 })
const at = ref<number>()
const shown = computed(() => {
  const seconds = at.value
  if (seconds === undefined) return undefined
  return props.heat.samples.reduce((a, b) => (Math.abs(b.seconds - seconds) < Math.abs(a.seconds - seconds) ? b : a))
})
/** Without a hand on it: the hottest moment of the rotor. */
const hottest = computed(() =>
  props.heat.samples.reduce((a, b) => (b[props.axle].ringC > a[props.axle].ringC ? b : a), props.heat.samples[0]!),
)
const tinted = computed(() => shown.value ?? hottest.value)
const follow = (event: PointerEvent) => {
  const [px] = pointer(event, svg.value)
  at.value = Math.min(Math.max(x.value.invert(px) * 60, 0), lastS.value)
}
/** Names stand where the driving ends, apart from one another. */
const names = computed(() => {
  const last = props.heat.samples.at(-1)
  if (!last) return []
  const LEAST_PX = 14
  let low = Infinity
  return [...LINES]
    .map(({ key, label }) => ({ key, label, y: y.value(last[props.axle][key]) }))
    .sort((a, b) => b.y - a.y)
    .map((one) => {
      const placed = Math.min(one.y, low - LEAST_PX)
      low = placed
      return { ...one, y: placed }
    })
})
</script>

<template>
  <figure>
    <div class="chart">
      <svg
        ref="svg"
        :viewBox="`0 0 ${W} ${H}`"
        role="img"
        :aria-label="`Temperatures ${axle} over time`"
        data-test="heat-chart"
        @pointermove="follow"
      >
        <ChartAxes
          :x="x"
          :y="y"
          :x-ticks="6"
          :y-ticks="6"
          x-name="minutes"
          :y-name="`temperature ${axle}, ${units.temperature}`"
          :show-y="(t: number) => formatQuantity(t, 'temperature', units, { bare: true, decimals: 0 })"
        />
        <line
          v-for="mark in heat.marks"
          :key="mark"
          class="mark"
          :x1="x(mark / 60)"
          :x2="x(mark / 60)"
          :y1="H - margin.bottom"
          :y2="H - margin.bottom - 6"
        />
        <g v-for="one in limits.filter((limit) => limit.limitC < mostC)" :key="one.label" class="limit">
          <line :x1="margin.left" :x2="W - margin.right" :y1="y(one.limitC)" :y2="y(one.limitC)" />
          <text :x="W - margin.right - 4" :y="y(one.limitC) - 4" text-anchor="end">{{ LIMIT_NAMES[one.lump] }}, {{ c(one.limitC) }}</text>
        </g>
        <path v-for="{ key } in LINES" :key="`s${key}`" class="stock" :class="key" :d="path(heat.stock, key)" />
        <path v-for="{ key } in LINES" :key="key" class="line" :class="key" :d="path(heat.samples, key)" />
        <text v-for="one in names" :key="one.key" class="name" :class="one.key" :x="W - margin.right + 6" :y="one.y + 4">
          {{ one.label }}
        </text>
        <line v-if="shown" class="scrub" :x1="x(shown.seconds / 60)" :x2="x(shown.seconds / 60)" :y1="margin.top" :y2="H - margin.bottom" />
      </svg>
      <figcaption class="small num" aria-live="polite">
        <template v-if="shown">
          {{ (shown.seconds / 60).toFixed(1) }} min:
          <span v-for="{ key, label } in LINES" :key="key">{{ label }} {{ c(shown[axle][key]) }}; </span>caliper
          {{ c(shown[axle].caliperC) }}
        </template>
        <template v-else
          >{{
            heat.goneAtS === undefined
              ? 'The last ten minutes are parked: heat still flows from rotor and pads into the fluid.'
              : 'The chart ends where the brakes fail. Later heating of the fluid is not shown.'
          }}{{ heat.stock.length > 0 ? ' Thin lines: the baseline.' : '' }}</template
        >
      </figcaption>
      <ElSlider
        class="no-print"
        :model-value="at ?? 0"
        :min="0"
        :max="Math.round(lastS)"
        :show-tooltip="false"
        aria-label="Moment that is read"
        :validate-event="false"
        @update:model-value="at = Number($event)"
      />
    </div>
    <div v-if="corner?.rotor && tinted" class="moment">
      <p class="small soft">
        {{ shown ? `At ${(tinted.seconds / 60).toFixed(1)} min` : `When the rotor is hottest, ${(tinted.seconds / 60).toFixed(1)} min` }}
      </p>
      <CornerTint :corner="corner" :moment="tinted[axle]" />
    </div>
  </figure>
</template>

<style scoped>
figure {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: start;
  margin: 0;
}
.chart {
  flex: 1 1 420px;
  max-width: 760px;
  min-width: 0;
}
.moment {
  flex: 0 1 250px;
}
svg {
  display: block;
  width: 100%;
  max-width: 760px;
}
.el-slider {
  width: calc(100% - 60px);
  max-width: 640px;
  margin-left: 44px;
}
.moment p {
  margin: 6px 0 0;
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}
.line.faceC {
  stroke: var(--needs);
  stroke-width: 1.2;
}
.line.padC {
  stroke-dasharray: 7 4;
}
.line.fluidC {
  stroke: var(--rear-line);
  stroke-width: 2.2;
}
.stock {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 0.8;
}
.stock.faceC,
.stock.padC {
  display: none;
}
.stock.fluidC {
  stroke: var(--rear-line);
}
.mark,
.scrub {
  stroke: var(--ink-soft);
}
.limit line {
  stroke: var(--blocked);
  stroke-dasharray: 3 3;
}
.limit text {
  fill: var(--blocked);
  font-size: 11.5px;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
.name {
  fill: var(--ink);
  font-size: 12.5px;
}
.name.faceC {
  fill: var(--needs);
}
.name.fluidC {
  fill: var(--rear-line);
  font-weight: 640;
}
</style>
