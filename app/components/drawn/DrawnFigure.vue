<script setup lang="ts">
import { computed, useId } from 'vue'
import type { DrawnDimension, DrawnSheet } from '~/drawing/sheet-figures'

/** A drawn figure with lettered dimensions, the one in hand picked out. */
const props = defineProps<{
  drawn: DrawnSheet
  /** The letter of each dimension that is asked for. */
  letters: ReadonlyMap<string, string>
  current: string
  /** What it says to those who do not see it. */
  described: string
}>()
const id = useId()
const shown = computed(() =>
  Object.entries(props.drawn.dimensions)
    .filter(([field]) => props.letters.has(field))
    .map(([field, one]) => ({ field, one, letter: props.letters.get(field)!, here: field === props.current })),
)
/** Arrowheads at both ends of a dimension. */
function arrows({ from, to }: DrawnDimension): string {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1])
  if (length < 12) return ''
  const [x, y] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
  const head = ([px, py]: readonly [number, number], turn: number) =>
    `M${px + turn * (6 * x - 3 * y)} ${py + turn * (6 * y + 3 * x)}L${px} ${py}L${px + turn * (6 * x + 3 * y)} ${py + turn * (6 * y - 3 * x)}`
  return head(from, 1) + head(to, -1)
}
</script>

<template>
  <svg class="figure" viewBox="0 0 360 220" role="img" :aria-label="described">
    <defs>
      <pattern :id="`${id}-h`" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V6" stroke="var(--steel)" stroke-width="0.9" />
      </pattern>
    </defs>
    <line v-if="drawn.axisY" class="axis" x1="20" x2="340" :y1="drawn.axisY" :y2="drawn.axisY" />
    <line v-if="drawn.seatX" class="axis" :x1="drawn.seatX" :x2="drawn.seatX" y1="150" y2="214" />
    <path
      v-for="(part, i) in drawn.parts"
      :key="i"
      :class="part.kind"
      :d="part.d"
      :fill="part.kind === 'rotor' ? `url(#${id}-h)` : undefined"
    />
    <text v-for="name in drawn.names" :key="name.text" class="name" :x="name.at[0]" :y="name.at[1]">{{ name.text }}</text>
    <g v-for="{ field, one, letter, here } in shown" :key="field" :class="['dim', { here }]">
      <path v-if="here && one.tool" class="tool" :d="one.tool" />
      <path class="line" :d="`M${one.from[0]} ${one.from[1]}L${one.to[0]} ${one.to[1]}${arrows(one)}`" />
      <g v-if="letter">
        <circle :cx="one.at[0]" :cy="one.at[1]" r="8" />
        <text :x="one.at[0]" :y="one.at[1] + 4" text-anchor="middle">{{ letter }}</text>
      </g>
    </g>
  </svg>
</template>

<style scoped>
.figure {
  display: block;
  width: 100%;
  max-height: 100%;
  background: var(--sheet-2);
}
.axis {
  stroke: var(--ink-soft);
  stroke-width: 0.8;
  stroke-dasharray: 9 3 2 3;
}
.rotor,
.hub {
  stroke: var(--steel);
  stroke-width: 1;
}
.hub {
  fill: none;
}
.caliper {
  fill: var(--caliper);
  stroke: var(--ink);
  stroke-width: 1.2;
}
.new {
  fill: var(--accent-soft);
  fill-opacity: 0.7;
  stroke: var(--accent);
  stroke-width: 1.2;
}
.wheel {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.4;
  stroke-linejoin: round;
}
.name {
  fill: var(--ink-soft);
  font-size: 10.5px;
}
.dim .line {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 0.8;
  opacity: 0.6;
}
.dim circle {
  fill: var(--sheet);
  stroke: var(--ink-soft);
}
.dim text {
  fill: var(--ink);
  font-size: 10.5px;
  font-weight: 600;
}
.dim.here .line {
  stroke: var(--accent);
  stroke-width: 2;
  opacity: 1;
}
.dim.here circle {
  fill: var(--accent);
  stroke: var(--accent);
}
.dim.here text {
  fill: var(--sheet);
}
.tool {
  fill: none;
  stroke: var(--focus);
  stroke-width: 3;
  stroke-opacity: 0.55;
}
</style>
