<script setup lang="ts">
import { line, scaleLinear } from 'd3'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { CurvePoint } from '#core/balance/adhesion-curve.ts'
import type { Report } from '#core/evaluate/report.ts'

/** Adhesion that each axle uses over deceleration: the upper curve locks first. */
const props = defineProps<{ report: Report; stock: Report | undefined; frontFirstToG: number }>()
const host = ref<HTMLElement>()
const { width, height } = useElementSize(host)
const margin = { top: 26, right: 84, bottom: 40, left: 46 }
const w = computed(() => Math.max(width.value, 280))
const h = computed(() => Math.max(height.value, 240))
const x = computed(() => scaleLinear([margin.left, w.value - margin.right]).domain([0, 1.2]))
const y = computed(() => scaleLinear([h.value - margin.bottom, margin.top]).domain([0, 1.6]))
const within = (points: readonly CurvePoint[], axle: 'front' | 'rear') => points.filter((point) => point[axle] <= 1.6)
const path = (points: readonly CurvePoint[], axle: 'front' | 'rear') =>
  line<CurvePoint>(
    (point) => x.value(point.decelG),
    (point) => y.value(point[axle]),
  )(within(points, axle)) ?? ''
const end = (axle: 'front' | 'rear') => {
  const points = within(props.report.adhesion, axle)
  const last = points[points.length - 1]
  return last && { x: x.value(last.decelG), y: y.value(last[axle]) }
}
/** Labels at the ends of the curves, kept apart. */
const labels = computed(() => {
  const front = end('front')
  const rear = end('rear')
  if (!front || !rear) return []
  const apart = 17
  const close = Math.abs(front.y - rear.y) < apart && Math.abs(front.x - rear.x) < 60
  const up = front.y <= rear.y
  const middle = (front.y + rear.y) / 2
  const fy = close ? middle + (up ? -apart / 2 : apart / 2) : front.y
  const ry = close ? middle + (up ? apart / 2 : -apart / 2) : rear.y
  return [
    { axle: 'front', x: front.x + 6, y: fy + 5 },
    { axle: 'rear', x: rear.x + 6, y: ry + 5 },
  ]
})
const turn = computed(() => props.report.figures['balance.critical'].value)
</script>

<template>
  <figure class="chart">
    <figcaption>Adhesion each axle uses: the higher curve locks first</figcaption>
    <div ref="host" class="host">
      <svg
        :width="w"
        :height="h"
        role="img"
        :aria-label="`Adhesion used over deceleration. ${report.findings.find((one) => one.rule === 'lock-order')?.sentence ?? ''}`"
      >
        <rect class="zone" :x="x(0.15)" :width="x(frontFirstToG) - x(0.15)" :y="margin.top" :height="h - margin.top - margin.bottom" />
        <ChartAxes :x="x" :y="y" :x-ticks="6" :y-ticks="8" x-name="deceleration, g" y-name="friction needed" />
        <text
          v-if="x(frontFirstToG) - x(0.15) > 200"
          class="zone-word"
          :x="x(frontFirstToG) - 6"
          :y="h - margin.bottom - 8"
          text-anchor="end"
        >
          here the front must be higher
        </text>
        <line class="even" :x1="x(0)" :y1="y(0)" :x2="x(1.2)" :y2="y(1.2)" />
        <g v-if="stock && !report.isStock" class="stock">
          <path class="front" :d="path(stock.adhesion, 'front')" />
          <path class="rear" :d="path(stock.adhesion, 'rear')" />
        </g>
        <path class="front" :d="path(report.adhesion, 'front')" />
        <path class="rear" :d="path(report.adhesion, 'rear')" />
        <text v-for="label in labels" :key="label.axle" class="name" :class="label.axle" :x="label.x" :y="label.y">{{ label.axle }}</text>
        <g v-if="turn !== undefined && turn <= 1.2" class="turn">
          <line :x1="x(turn)" :x2="x(turn)" :y1="margin.top" :y2="h - margin.bottom" />
          <text :x="x(turn) - 5" :y="margin.top + 13" text-anchor="end">rear first above {{ turn.toFixed(2) }} g</text>
        </g>
      </svg>
    </div>
    <p v-if="stock && !report.isStock" class="soft small key">Thin dashed lines: the baseline.</p>
  </figure>
</template>

<style scoped>
.chart {
  display: flex;
  flex-direction: column;
  min-height: 0;
  margin: 0;
}
figcaption {
  font-weight: 640;
}
.host {
  position: relative;
  flex: 1;
  min-height: 240px;
  overflow: hidden;
}
svg {
  position: absolute;
  inset: 0;
}
.key {
  margin: 0;
}
.zone {
  fill: var(--steel-soft);
  fill-opacity: 0.35;
}
.zone-word {
  fill: var(--ink-soft);
  font-size: 12px;
}
.even {
  stroke: var(--steel);
  stroke-dasharray: 2 4;
}
path {
  fill: none;
  stroke-width: 2.6;
}
.front {
  stroke: var(--ink);
}
.rear {
  stroke: var(--rear-line);
  stroke-dasharray: 9 4;
}
.stock path {
  stroke-width: 1.1;
  stroke-dasharray: 3 3;
  stroke-opacity: 0.8;
}
.name {
  stroke: none;
  font-size: 14px;
  font-weight: 640;
}
.name.front {
  fill: var(--ink);
}
.name.rear {
  fill: var(--rear-line);
}
.turn line {
  stroke: var(--accent);
  stroke-width: 1.4;
}
.turn text {
  fill: var(--accent);
  font-size: 13px;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
</style>
