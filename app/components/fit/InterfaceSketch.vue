<script setup lang="ts">
import { FIGURE_HEIGHT, FIGURE_WIDTH, type InterfaceFigure } from '~/drawing/interface-figures'

/** A small drawing of one interface, to scale. */
defineProps<{ figure: InterfaceFigure }>()
</script>

<template>
  <svg class="sketch" :viewBox="`0 0 ${FIGURE_WIDTH} ${FIGURE_HEIGHT}`" role="img" :aria-label="figure.title">
    <template v-for="(shape, i) in figure.shapes" :key="i">
      <rect v-if="shape.kind === 'rect'" :x="shape.x" :y="shape.y" :width="shape.w" :height="shape.h" :class="shape.tone" />
      <line
        v-else-if="shape.kind === 'line'"
        :x1="shape.x1"
        :y1="shape.y1"
        :x2="shape.x2"
        :y2="shape.y2"
        :class="[shape.tone, { dashed: shape.dashed }]"
      />
      <circle v-else-if="shape.kind === 'circle'" :cx="shape.cx" :cy="shape.cy" :r="shape.r" :class="shape.tone" />
      <text v-else :x="shape.x" :y="shape.y" :text-anchor="shape.anchor ?? 'middle'">{{ shape.text }}</text>
    </template>
  </svg>
</template>

<style scoped>
.sketch {
  width: 168px;
  height: 92px;
}
.part,
.other,
.room,
.limit,
.axis {
  stroke: var(--ink-soft);
  stroke-width: 1;
  fill: none;
}
.part {
  fill: var(--steel-soft);
}
.other {
  fill: var(--caliper);
}
.limit {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.axis {
  stroke-width: 0.8;
}
.dashed {
  stroke-dasharray: 4 3;
}
text {
  fill: var(--ink);
  font-size: 10px;
}
</style>
