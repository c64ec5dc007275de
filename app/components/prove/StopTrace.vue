<script setup lang="ts">
import { line, scaleLinear } from 'd3'
import { computed, ref } from 'vue'
import { traceWords } from '#core/evidence/trace-words.ts'
import { useChartWidth } from '~/composables/chart-width'

/** Deceleration over one stop: one that weakens shows fade, a saw-tooth anti-lock at work. */
const props = defineProps<{ samples: readonly (readonly [number, number])[] }>()
const svg = ref<SVGSVGElement>()
const W = useChartWidth(svg, 760)
const H = 220
const margin = { top: 20, right: 16, bottom: 36, left: 44 }
const said = computed(() => traceWords(props.samples))
const x = computed(() => scaleLinear([margin.left, W.value - margin.right]).domain([0, props.samples.at(-1)![0]]))
const y = computed(() =>
  scaleLinear([H - margin.bottom, margin.top]).domain([0, Math.max(1, ...said.value.points.map(([, g]) => g)) * 1.05]),
)
const path = computed(
  () =>
    line<readonly [number, number]>()
      .x((one) => x.value(one[0]))
      .y((one) => y.value(Math.max(0, one[1])))([...said.value.points]) ?? '',
)
</script>

<template>
  <section data-test="stop-trace">
    <h2>Deceleration over the stop</h2>
    <p>{{ said.sentence }}</p>
    <svg ref="svg" :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`Deceleration over the stop. ${said.sentence}`">
      <ChartAxes :x="x" :y="y" :x-ticks="6" :y-ticks="5" x-name="seconds" y-name="deceleration, g" />
      <line v-if="said.meanG !== undefined" class="mean" :x1="x.range()[0]" :x2="x.range()[1]" :y1="y(said.meanG)" :y2="y(said.meanG)" />
      <path :d="path" />
    </svg>
  </section>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  max-width: 760px;
}
path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.mean {
  stroke: var(--accent);
  stroke-dasharray: 5 4;
}
</style>
