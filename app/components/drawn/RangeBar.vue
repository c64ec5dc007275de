<script setup lang="ts">
import { scaleLinear } from 'd3'
import { computed } from 'vue'

/**
 * A value with its range on a line from zero to `most`, against a limit: read at a glance in a list, with its numbers as its
 * name for those who hear it. What lies outside stops at the end of the line.
 */
const props = defineProps<{
  value: number
  /** Ends of the range; absent: the value alone. */
  low?: number | undefined
  high?: number | undefined
  limit?: number | undefined
  /** What the whole width is, so that all bars of a list have one scale. */
  most: number
  tone?: string | undefined
  /** The numbers in words. */
  label: string
}>()
const W = 100
const H = 14
const MIDDLE = H / 2
const x = computed(() =>
  scaleLinear()
    .domain([0, Math.max(props.most, Number.MIN_VALUE)])
    .range([1, W - 1])
    .clamp(true),
)
</script>

<template>
  <svg class="bar" :class="tone && `tone-${tone}`" :viewBox="`0 0 ${W} ${H}`" preserveAspectRatio="none" role="img" :aria-label="label">
    <line class="way" :x1="x(0)" :x2="x(value)" :y1="MIDDLE" :y2="MIDDLE" />
    <line v-if="low !== undefined && high !== undefined" class="range" :x1="x(low)" :x2="x(high)" :y1="MIDDLE" :y2="MIDDLE" />
    <line v-if="limit !== undefined" class="limit" :x1="x(limit)" :x2="x(limit)" y1="1" :y2="H - 1" />
  </svg>
</template>

<style scoped>
.bar {
  display: block;
  width: 100%;
  min-width: 60px;
  height: 14px;
}
.bar line {
  stroke: currentColor;
  vector-effect: non-scaling-stroke;
}
.way {
  stroke-width: 2px;
}
.range {
  stroke-width: 8px;
  opacity: 0.55;
}
.limit {
  stroke: var(--ink) !important;
  stroke-width: 2px;
}
</style>
