<script setup lang="ts">
import { scaleLinear } from 'd3'
import { computed, ref } from 'vue'
import type { RunGroup } from '#core/evidence/stop-tests.ts'
import { useChartWidth } from '~/composables/chart-width'

/** Every valid run as a dot on a line of metres, one line a setup, with the mean of its runs and what the model predicts. */
const props = defineProps<{ groups: readonly RunGroup[] }>()
const svg = ref<SVGSVGElement>()
const W = useChartWidth(svg, 640)
const ROW = 46
const margin = { top: 8, right: 18, bottom: 34, left: 18 }
const all = computed(() => props.groups.flatMap((one) => [...one.counted, ...(one.modelM === undefined ? [] : [one.modelM])]))
const H = computed(() => margin.top + props.groups.length * ROW + margin.bottom)
const x = computed(() =>
  scaleLinear()
    .domain([Math.min(...all.value) - 1, Math.max(...all.value) + 1])
    .range([margin.left, W.value - margin.right])
    .nice(),
)
const metres = (value: number) => `${value.toFixed(1)} m`
const rows = computed(() =>
  props.groups.map((one, i) => ({
    ...one,
    y: margin.top + i * ROW + ROW * 0.68,
    says: [
      `${one.counted.length} valid ${one.counted.length === 1 ? 'run' : 'runs'}`,
      one.meanM === undefined ? '' : `mean ${metres(one.meanM)}`,
      one.modelM === undefined ? '' : `model ${metres(one.modelM)}`,
    ]
      .filter(Boolean)
      .join(', '),
  })),
)
</script>

<template>
  <svg
    v-if="all.length > 0"
    ref="svg"
    class="chart"
    :viewBox="`0 0 ${W} ${H}`"
    role="img"
    :aria-label="rows.map((one) => `${one.name}: ${one.says}`).join('. ')"
    data-test="stop-dots"
  >
    <g v-for="tick in x.ticks(8)" :key="tick" class="tick">
      <line :x1="x(tick)" :x2="x(tick)" :y1="margin.top" :y2="H - margin.bottom" />
      <text :x="x(tick)" :y="H - margin.bottom + 15" text-anchor="middle">{{ tick }}</text>
    </g>
    <text :x="W - margin.right" :y="H - 4" text-anchor="end">stopping distance, m</text>
    <g v-for="one in rows" :key="one.setupId">
      <text class="name" :x="margin.left" :y="one.y - 13">{{ one.name }}: {{ one.says }}</text>
      <line class="base" :x1="margin.left" :x2="W - margin.right" :y1="one.y" :y2="one.y" />
      <path v-if="one.modelM !== undefined" class="model" :d="`M${x(one.modelM)},${one.y - 9}v18`" />
      <circle v-for="(run, i) in one.counted" :key="i" class="run" :cx="x(run)" :cy="one.y" r="5" />
      <path v-if="one.meanM !== undefined" class="mean" :d="`M${x(one.meanM)},${one.y - 9}v18`" />
    </g>
  </svg>
  <p v-if="all.length > 0" class="soft small">Dots are valid runs. A solid line is their mean, a dashed line is what the model predicts.</p>
</template>

<style scoped>
.chart {
  width: 100%;
  max-width: 760px;
}
.tick line {
  stroke: var(--hair);
}
text {
  fill: var(--ink-soft);
  font-size: 12px;
}
.name {
  fill: var(--ink);
}
.base {
  stroke: var(--line);
}
.run {
  fill: var(--accent);
  fill-opacity: 0.55;
  stroke: var(--ink);
}
.mean,
.model {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2px;
}
.model {
  stroke-dasharray: 4 3;
}
</style>
