<script setup lang="ts">
import { drag, select } from 'd3'
import { useElementSize } from '@vueuse/core'
import { computed, ref, watchEffect } from 'vue'
import type { Polyline } from '#core/clearance/maths/polyline.ts'
import type { PictureBehind } from '#core/records/field.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import type { UnitChoice } from '#core/quantity/units.ts'
import { extentOf, pathOf, sectionScale } from '~/drawing/section'

/** Outlines to scale as they are being entered; points can be dragged where they are editable. */
const props = withDefaults(
  defineProps<{
    lines: readonly { name: string; points: Polyline }[]
    units: UnitChoice
    /** Which line's points can be dragged; none when absent. */
    editable?: number
    /** The point in hand. */
    current?: number
    /** What else stands there, thin and grey. */
    behind?: readonly Polyline[]
    /** What the lines were traced from, seen from straight above. */
    pictures?: readonly PictureBehind[]
    label: string
  }>(),
  { editable: undefined, current: undefined, behind: () => [], pictures: () => [] },
)
const emit = defineEmits<{ move: [point: number, z: number, r: number]; settled: []; pick: [point: number] }>()

const host = ref<HTMLElement>()
const { width, height } = useElementSize(host)
const frame = computed(() => ({
  width: Math.max(width.value, 240),
  height: Math.max(height.value, 150),
  margin: { top: 14, right: 14, bottom: 26, left: 42 },
}))
/** The paper stays where it is while a hand moves a point. */
const frozen = ref<ReturnType<typeof sectionScale>>()
const fitted = computed(() => {
  const extent = extentOf([...props.lines.map((one) => one.points), ...props.behind])
  return extent && sectionScale(frame.value, [extent.z[0] - 6, extent.z[1] + 6], [extent.r[0] - 6, extent.r[1] + 6])
})
const scale = computed(() => frozen.value ?? fitted.value)
const points = computed(() => (props.editable === undefined ? [] : (props.lines[props.editable]?.points ?? [])))
const grab = ref<SVGGElement>()
const STEP_MM = 0.1
const round = (value: number) => Math.round(value / STEP_MM) * STEP_MM

watchEffect(
  () => {
    if (!grab.value || points.value.length === 0) return
    select(grab.value)
      .selectAll<SVGCircleElement, unknown>('circle.handle')
      .call(
        drag<SVGCircleElement, unknown>()
          .on('start', () => {
            frozen.value = fitted.value
          })
          .on('drag', function (event: { x: number; y: number }) {
            if (!scale.value) return
            emit('move', Number(this.dataset.point), round(scale.value.z.invert(event.x)), round(scale.value.r.invert(event.y)))
          })
          .on('end', () => {
            frozen.value = undefined
            emit('settled')
          })
          .container(() => grab.value!.ownerSVGElement!),
      )
  },
  { flush: 'post' },
)
function key(event: KeyboardEvent, point: number) {
  const by = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key]
  const at = points.value[point]
  if (!by || !at) return
  event.preventDefault()
  const step = event.shiftKey ? 1 : STEP_MM
  emit('move', point, round(at[0] + by[0]! * step), round(at[1] + by[1]! * step))
  emit('settled')
}
const where = (point: readonly [number, number]) =>
  `z ${formatQuantity(point[0], 'length', props.units)}, r ${formatQuantity(point[1], 'length', props.units)}`
</script>

<template>
  <div ref="host" class="host">
    <svg v-if="scale" :width="frame.width" :height="frame.height" role="group" :aria-label="label" data-test="outline-editor">
      <image
        v-for="(one, i) in pictures"
        :key="`p${i}`"
        class="traced-from"
        :href="one.jpeg"
        :x="scale.z(one.z[0])"
        :y="scale.r(one.r[1])"
        :width="scale.z(one.z[1]) - scale.z(one.z[0])"
        :height="scale.r(one.r[0]) - scale.r(one.r[1])"
        preserveAspectRatio="none"
        aria-hidden="true"
        data-test="picture-behind"
      />
      <g class="axes num" aria-hidden="true">
        <g v-for="t in scale.r.ticks(5)" :key="`r${t}`">
          <line :x1="scale.z.range()[0]" :x2="scale.z.range()[1]" :y1="scale.r(t)" :y2="scale.r(t)" />
          <text :x="scale.z.range()[0]! - 6" :y="scale.r(t) + 4" text-anchor="end">{{ t }}</text>
        </g>
        <text v-for="t in scale.z.ticks(6)" :key="`z${t}`" :x="scale.z(t)" :y="frame.height - 9" text-anchor="middle">{{ t }}</text>
      </g>
      <line class="seat" :x1="scale.z(0)" :x2="scale.z(0)" :y1="scale.r.range()[0]" :y2="scale.r.range()[1]" />
      <path v-for="(line, i) in behind" :key="`b${i}`" class="behind" :d="pathOf(scale, line)" />
      <path
        v-for="(line, i) in lines"
        :key="line.name + i"
        class="line"
        :class="{ quiet: editable !== undefined && i !== editable }"
        :d="pathOf(scale, line.points)"
      />
      <g v-if="editable === undefined">
        <g v-for="(line, i) in lines" :key="`d${i}`">
          <circle v-for="(p, k) in line.points" :key="k" class="dot" :cx="scale.z(p[0])" :cy="scale.r(p[1])" r="2.2" />
        </g>
      </g>
      <g v-else ref="grab">
        <circle
          v-for="(p, k) in points"
          :key="k"
          class="handle"
          :class="{ here: k === current }"
          :data-point="k"
          :cx="scale.z(p[0])"
          :cy="scale.r(p[1])"
          r="5.5"
          tabindex="0"
          role="button"
          :aria-label="`Point ${k + 1}: ${where(p)}`"
          @focus="emit('pick', k)"
          @keydown="key($event, k)"
        />
      </g>
    </svg>
    <p v-else class="soft small none">The drawing appears here once there are two points.</p>
  </div>
</template>

<style scoped>
.host {
  position: relative;
  width: 100%;
  height: 100%;
  min-height: 150px;
  overflow: hidden;
  background: var(--sheet-2);
}
svg {
  position: absolute;
  inset: 0;
}
.none {
  margin: 12px;
}
.traced-from {
  opacity: 0.55;
}
:global(.dark .traced-from) {
  filter: invert(1);
}
.axes line {
  stroke: var(--hair);
}
.axes text {
  fill: var(--ink-soft);
  font-size: 11px;
}
.seat {
  stroke: var(--ink-soft);
  stroke-dasharray: 9 3 2 3;
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
  stroke-linejoin: round;
}
.quiet {
  stroke-width: 1.1;
  stroke: var(--ink-soft);
}
.behind {
  fill: none;
  stroke: var(--steel);
  stroke-width: 1.2;
}
.dot {
  fill: var(--ink);
}
.handle {
  fill: var(--sheet);
  stroke: var(--accent);
  stroke-width: 2;
  cursor: move;
  touch-action: none;
}
.handle.here {
  fill: var(--accent);
}
.handle:focus-visible {
  outline: none;
  stroke: var(--focus);
  stroke-width: 3.5;
}
</style>
