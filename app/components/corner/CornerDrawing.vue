<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { formatQuantity } from '#core/quantity/format.ts'
import type { UnitChoice } from '#core/quantity/units.ts'
import type { Preferences } from '#core/records/preferences.ts'
import { liveGap } from '#core/clearance/live-gap.ts'
import type { Corner } from '#core/clearance/half-section.ts'
import { useSpacerDrag } from '~/composables/spacer-drag'
import { extentOf, parallelBody, pathOf, sectionScale, stretches, type Frame } from '~/drawing/section'

/** A half section of one corner to scale: wheel, caliper, rotor, the gap where it is, and a spacer that can be dragged. */
const props = withDefaults(
  defineProps<{
    corner: Corner
    units: UnitChoice
    policy: Preferences['gapPolicy']
    spacerMm?: number
    maxSpacerMm?: number
    movable?: boolean
  }>(),
  { maxSpacerMm: 30, movable: true, spacerMm: undefined },
)
const emit = defineEmits<{ spacer: [mm: number]; settled: [] }>()

const host = ref<HTMLElement>()
const svg = ref<SVGSVGElement>()
const { width, height } = useElementSize(host)
const narrow = computed(() => width.value < 460)
const frame = computed<Frame>(() => ({
  width: Math.max(width.value, 240),
  height: Math.max(height.value, 200),
  margin: narrow.value ? { top: 34, right: 12, bottom: 30, left: 34 } : { top: 38, right: 96, bottom: 34, left: 44 },
}))

const LOWEST_RADIUS_MM = 40
const WALL_MM = 5
/** Depth of the caliper's drawn surface: only the outline is measured, the body behind it is not. */
const RIM_MM = 9
const spacer = computed(() => props.spacerMm ?? props.corner.spacerMm ?? 0)
/** A spacer that nobody has named is drawn as none, and said to be unknown. */
const spacerText = computed(() =>
  (props.spacerMm ?? props.corner.spacerMm) === undefined ? 'not known' : formatQuantity(spacer.value, 'length', props.units),
)
const wheelLine = computed(() => props.corner.wheel?.points)
const scale = computed(() => {
  const c = props.corner
  const lines = [
    ...(c.caliper ?? []).map((one) => one.points),
    ...(wheelLine.value ? [wheelLine.value] : []),
    ...(c.rotor ? [c.rotor.ring] : []),
  ]
  const extent = extentOf(lines) ?? { z: [-120, 60], r: [40, 190] }
  // room for the longest spacer that is likely, so that dragging does not rescale the paper
  const right = extent.z[1] + Math.max(spacer.value + 6, 16)
  return sectionScale(frame.value, [extent.z[0] - 6, right], [LOWEST_RADIUS_MM, Math.max(extent.r[1] + 10, 120)])
})
const caliper = computed(() =>
  (props.corner.caliper ?? []).map((one) => ({
    name: one.name,
    line: pathOf(scale.value, one.points),
    body: `${pathOf(scale.value, parallelBody(one.points, -RIM_MM))}Z`,
  })),
)
const wheel = computed(() => {
  const points = wheelLine.value
  const tags = props.corner.wheel?.tags
  if (!points || !tags) return undefined
  return { body: `${pathOf(scale.value, parallelBody(points, WALL_MM), spacer.value)}Z`, line: pathOf(scale.value, points, spacer.value) }
})
/** The gap at the spacer that is drawn: of the report, or followed by hand while that is still on its way. */
const follow = computed(() => liveGap(props.corner, props.policy))
const shown = computed(() => {
  const { gap, spacerMm, verdict } = props.corner
  if (gap && spacerMm !== undefined && Math.abs(spacerMm - spacer.value) < 1e-6)
    return { ...gap, minGapMm: gap.meanMm, verdict, bridge: [gap.caliperPoint, gap.wheelPoint] as const }
  return follow.value?.(spacer.value)
})
/** The band in which the limiting part of the wheel lies in 9 of 10 cases. */
const band = computed(() => {
  const { wheel: profile } = props.corner
  const gap = shown.value
  if (!gap || !profile) return undefined
  const lines = stretches(profile.points, profile.tags, gap.limitingTag)
  return { width: (gap.p95Mm - gap.p05Mm) * scale.value.pxPerMm, d: lines.map((line) => pathOf(scale.value, line, spacer.value)).join('') }
})
const gapMark = computed(() => {
  const gap = shown.value
  if (!gap) return undefined
  const { z, r } = scale.value
  const [from, to] = gap.bridge
  const a = { x: z(from![0]), y: r(from![1]) }
  const b = { x: z(to![0]), y: r(to![1]) }
  const above = gap.limitingTag === 'barrel' || narrow.value
  const label = above
    ? { x: Math.min(Math.max(b.x, 60), frame.value.width - 60), y: 20, anchor: 'middle' as const }
    : { x: frame.value.width - 6, y: Math.max(b.y - 16, 40), anchor: 'end' as const }
  return { a, b, label, text: formatQuantity(gap.minGapMm, 'length', props.units) }
})
const tone = computed(
  () =>
    ({ clears: 'fits', tight: 'check', hits: 'blocked', tooClose: 'needs', measure: 'unknown' })[
      shown.value?.verdict ?? props.corner.verdict
    ],
)
const seatX = computed(() => scale.value.z(0))
const padX = computed(() => scale.value.z(spacer.value))
const gripY = computed(() => scale.value.r(52))

const { grip, wheelShape, key } = useSpacerDrag({
  spacerMm: spacer,
  mostMm: () => props.maxSpacerMm,
  pxPerMm: () => scale.value.pxPerMm,
  movable: () => props.movable,
  move: (mm) => emit('spacer', mm),
  settled: () => emit('settled'),
})
const described = computed(() => `Half section of the ${props.corner.axle} corner to scale. ${props.corner.sentence}`)
</script>

<template>
  <div ref="host" class="host">
    <svg
      ref="svg"
      :viewBox="`0 0 ${frame.width} ${frame.height}`"
      :width="frame.width"
      :height="frame.height"
      role="group"
      :aria-label="described"
      data-test="corner-drawing"
    >
      <defs>
        <pattern id="hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V7" stroke="var(--steel)" stroke-width="1.1" />
        </pattern>
        <pattern id="hatch-back" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <path d="M0 0V5" stroke="var(--steel)" stroke-width="0.9" />
        </pattern>
      </defs>

      <clipPath id="sheet"><rect :x="scale.z.range()[0]" :y="0" :width="frame.width" :height="scale.r.range()[0]" /></clipPath>

      <!-- paper: axes in the seat frame -->
      <SectionAxes :scale="scale" :units="units" :narrow="narrow" />
      <line class="seat" :x1="seatX" :x2="seatX" :y1="scale.r.range()[0]" :y2="scale.r(150)" />

      <!-- rotor -->
      <g v-if="corner.rotor" class="rotor" clip-path="url(#sheet)">
        <path :d="`${pathOf(scale, corner.rotor.ring)}Z`" />
        <path v-if="corner.rotor.hat" :d="`${pathOf(scale, corner.rotor.hat)}Z`" />
      </g>

      <!-- caliper with the room that the policy asks for -->
      <g v-for="one in caliper" :key="one.name">
        <path class="room" :d="one.line" :stroke-width="2 * corner.requiredMm * scale.pxPerMm" />
      </g>
      <g v-for="one in caliper" :key="`${one.name} body`" class="caliper">
        <path class="fill" :d="one.body" />
        <path class="line" :d="one.line" />
      </g>

      <!-- wheel on its spacer -->
      <rect
        v-if="spacer > 0"
        class="spacer"
        :x="seatX"
        :width="Math.max(padX - seatX, 1)"
        :y="scale.r(74)"
        :height="scale.r(LOWEST_RADIUS_MM) - scale.r(74)"
      />
      <g v-if="wheel">
        <path ref="wheelShape" class="wheel" :class="{ nominal: corner.wheelIsNominal, movable }" :d="wheel.body" />
        <path v-if="band" class="band" :d="band.d" :stroke-width="band.width" />
        <path class="wheel-line" :d="wheel.line" />
      </g>

      <!-- the gap where it is -->
      <g v-if="gapMark" :class="['gap', `tone-${tone}`]">
        <line
          class="leader"
          :x1="gapMark.b.x"
          :y1="gapMark.b.y"
          :x2="gapMark.label.anchor === 'end' ? gapMark.label.x - 62 : gapMark.label.x"
          :y2="gapMark.label.anchor === 'end' ? gapMark.label.y + 5 : gapMark.label.y + 6"
        />
        <line class="bridge" :x1="gapMark.a.x" :y1="gapMark.a.y" :x2="gapMark.b.x" :y2="gapMark.b.y" />
        <circle :cx="gapMark.a.x" :cy="gapMark.a.y" r="2.6" />
        <circle :cx="gapMark.b.x" :cy="gapMark.b.y" r="2.6" />
        <text class="num" :x="gapMark.label.x" :y="gapMark.label.y" :text-anchor="gapMark.label.anchor">{{ gapMark.text }}</text>
      </g>

      <!-- names -->
      <g class="names">
        <text v-if="corner.rotor" :x="scale.z(corner.rotor.ring[0]![0]) - 6" :y="scale.r(corner.rotor.ring[0]![1] + 8)" text-anchor="end">
          rotor
        </text>
        <text
          v-if="caliper.length > 0 && corner.caliper"
          :x="scale.z(corner.caliper[0]!.points[0]![0]) + 14"
          :y="scale.r(corner.caliper[0]!.points[0]![1]) + 26"
        >
          caliper
        </text>
        <text
          v-if="wheel && wheelLine"
          :x="scale.z(wheelLine[0]![0] + spacer) + 8"
          :y="scale.r(wheelLine[0]![1]) - 10 - WALL_MM * scale.pxPerMm * 0.6"
        >
          {{ corner.wheelIsNominal ? 'wheel, from its markings' : 'wheel' }}
        </text>
      </g>

      <!-- what can be moved -->
      <g
        v-if="movable && wheel"
        ref="grip"
        class="grip"
        role="slider"
        tabindex="0"
        :aria-label="`Wheel spacer, ${corner.axle}`"
        :aria-valuemin="0"
        :aria-valuemax="maxSpacerMm"
        :aria-valuenow="spacer"
        :aria-valuetext="spacerText"
        data-test="spacer-grip"
        @keydown="key"
      >
        <line :x1="padX" :x2="padX" :y1="scale.r(74)" :y2="scale.r(LOWEST_RADIUS_MM)" />
        <circle :cx="padX" :cy="gripY" r="13" />
        <path :d="`M${padX - 7},${gripY}h14m-3.5,-3.5l3.5,3.5l-3.5,3.5m-7,0l-3.5,-3.5l3.5,-3.5`" />
        <text :x="padX + 19" :y="gripY + 5" class="num">spacer {{ spacerText }}</text>
      </g>
    </svg>
    <p v-if="!wheel && caliper.length === 0" class="empty soft">Nothing to draw yet. Enter the caliper’s outline and select a wheel.</p>
  </div>
</template>

<style scoped>
.host {
  position: relative;
  width: 100%;
  height: 100%;
  min-height: 230px;
  overflow: hidden;
}
svg {
  position: absolute;
  inset: 0;
  display: block;
}
.seat {
  stroke: var(--ink-soft);
  stroke-dasharray: 9 3 2 3;
}
.rotor path {
  fill: url('#hatch-back');
  stroke: var(--steel);
  stroke-width: 1.2;
}
.room {
  fill: none;
  stroke: var(--accent);
  stroke-opacity: 0.13;
  stroke-linejoin: round;
}
.caliper .fill {
  fill: var(--caliper);
}
.caliper .line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
  stroke-linejoin: round;
}
.wheel {
  fill: url('#hatch');
}
.wheel.movable {
  cursor: ew-resize;
  pointer-events: all;
}
.wheel-line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.2;
  stroke-linejoin: round;
  pointer-events: none;
}
.wheel.nominal ~ .wheel-line {
  stroke-dasharray: 7 4;
}
.band {
  fill: none;
  stroke: var(--focus);
  stroke-opacity: 0.28;
  stroke-linejoin: round;
  pointer-events: none;
}
.spacer {
  fill: var(--accent);
  fill-opacity: 0.45;
}
.gap {
  pointer-events: none;
}
.gap .bridge {
  stroke: currentColor;
  stroke-width: 3;
}
.gap .leader {
  stroke: currentColor;
  stroke-width: 1;
}
.gap circle {
  fill: currentColor;
}
.gap text {
  fill: currentColor;
  font-size: 19px;
  font-weight: 700;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 5px;
}
.names text {
  fill: var(--ink-soft);
  font-size: 13px;
  pointer-events: none;
}
.grip {
  cursor: ew-resize;
  touch-action: none;
}
.grip line {
  stroke: var(--accent);
  stroke-width: 2;
}
.grip circle {
  fill: var(--sheet);
  stroke: var(--accent);
  stroke-width: 2;
}
.grip path {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2;
}
.grip text {
  fill: var(--accent);
  font-size: 14px;
  font-weight: 620;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
.grip:focus-visible {
  outline: none;
}
.grip:focus-visible circle {
  stroke: var(--focus);
  stroke-width: 3.5;
}
.empty {
  position: absolute;
  inset: auto 0 42%;
  text-align: center;
}
</style>
