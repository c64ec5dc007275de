<script setup lang="ts">
import type { ScaleLinear } from 'd3'

/** Grid and axes of a chart, inside its drawing: figures at the lines, the quantities named at the ends. */
withDefaults(
  defineProps<{
    x: ScaleLinear<number, number>
    y: ScaleLinear<number, number>
    xTicks: number
    yTicks: number
    xName: string
    yName: string
    showX?: (value: number) => string
    showY?: (value: number) => string
  }>(),
  { showX: (value: number) => value.toFixed(1), showY: (value: number) => value.toFixed(1) },
)
</script>

<template>
  <g class="axes num">
    <g v-for="t in x.ticks(xTicks)" :key="`x${t}`">
      <line :x1="x(t)" :x2="x(t)" :y1="y.range()[1]" :y2="y.range()[0]" />
      <text :x="x(t)" :y="y.range()[0]! + 15" text-anchor="middle">{{ showX(t) }}</text>
    </g>
    <g v-for="t in y.ticks(yTicks)" :key="`y${t}`">
      <line :x1="x.range()[0]" :x2="x.range()[1]" :y1="y(t)" :y2="y(t)" />
      <text :x="x.range()[0]! - 6" :y="y(t) + 4" text-anchor="end">{{ showY(t) }}</text>
    </g>
    <text :x="x.range()[1]" :y="y.range()[0]! + 32" text-anchor="end">{{ xName }}</text>
    <text x="4" y="11">{{ yName }}</text>
  </g>
</template>

<style scoped>
.axes line {
  stroke: var(--hair);
}
.axes text {
  fill: var(--ink-soft);
  font-size: 11.5px;
}
</style>
