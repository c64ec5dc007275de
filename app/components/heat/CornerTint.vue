<script setup lang="ts">
import { scaleLinear } from 'd3'
import { computed } from 'vue'
import type { Moment } from '#core/heat/maths/session.ts'
import type { Corner } from '#core/clearance/half-section.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { extentOf, parallelBody, pathOf, sectionScale } from '~/drawing/section'
import { useWorkbench } from '~/composables/workbench'

/** The corner at one moment, each part in the shade of how hot it is. */
const props = defineProps<{ corner: Corner; moment: Moment }>()
const { units } = useWorkbench()
const W = 250
const H = 210
const frame = { width: W, height: H, margin: { top: 10, right: 10, bottom: 8, left: 10 } }
/** How deep pads and caliper are drawn; what was measured is their outline. */
const PAD_MM = 11
const BODY_MM = 16
const PAD_HEIGHT_MM = 42
const lines = computed(() => [
  ...(props.corner.caliper ?? []).map((one) => one.points),
  ...(props.corner.rotor ? [props.corner.rotor.ring, ...(props.corner.rotor.hat ? [props.corner.rotor.hat] : [])] : []),
])
const scale = computed(() => {
  const extent = extentOf(lines.value)
  return extent && sectionScale(frame, [extent.z[0] - 8, extent.z[1] + 8], [Math.max(30, extent.r[0] - 4), extent.r[1] + 6])
})
const warm = scaleLinear<string>()
  .domain([20, 120, 300, 500, 750])
  .range(['#9fb0b8', '#d9c178', '#e0933c', '#cf5a24', '#a51d17'])
  .clamp(true)
const ringExtent = computed(() => props.corner.rotor && extentOf([props.corner.rotor.ring]))
const pads = computed(() => {
  const at = scale.value
  const ring = ringExtent.value
  if (!at || !ring) return []
  const [top, low] = [ring.r[1] - 1, Math.max(ring.r[0], ring.r[1] - PAD_HEIGHT_MM)]
  return [ring.z[0] - PAD_MM, ring.z[1]].map((z) => ({
    x: at.z(z),
    y: at.r(top),
    width: PAD_MM * at.pxPerMm,
    height: (top - low) * at.pxPerMm,
  }))
})
const c = (value: number) => formatQuantity(value, 'temperature', units.value, { decimals: 0 })
const rows = computed(() => [
  { label: 'pad surface', value: props.moment.faceC },
  { label: 'rotor', value: props.moment.ringC },
  { label: 'pad body', value: props.moment.padC },
  { label: 'caliper', value: props.moment.caliperC },
  { label: 'fluid', value: props.moment.fluidC },
])
</script>

<template>
  <div class="tint" data-test="corner-tint">
    <svg
      v-if="scale && corner.rotor"
      :viewBox="`0 0 ${W} ${H}`"
      role="img"
      :aria-label="`The ${corner.axle} corner, coloured by temperature`"
    >
      <path v-if="corner.rotor.hat" class="hat" :d="`${pathOf(scale, corner.rotor.hat)}Z`" />
      <path class="part" :fill="warm(moment.ringC)" :stroke="warm(moment.faceC)" :d="`${pathOf(scale, corner.rotor.ring)}Z`" />
      <path
        v-for="one in corner.caliper ?? []"
        :key="one.name"
        class="part"
        :fill="warm(moment.caliperC)"
        stroke="none"
        :d="`${pathOf(scale, parallelBody(one.points, -BODY_MM))}Z`"
      />
      <rect v-for="(pad, i) in pads" :key="i" class="part" v-bind="pad" :fill="warm(moment.padC)" :stroke="warm(moment.faceC)" />
      <circle
        v-for="(pad, i) in pads"
        :key="`f${i}`"
        :cx="i === 0 ? pad.x - 5 : pad.x + pad.width + 5"
        :cy="pad.y + pad.height / 2"
        r="4.5"
        :fill="warm(moment.fluidC)"
        class="fluid"
      />
    </svg>
    <ul class="small num">
      <li v-for="one in rows" :key="one.label"><i :style="{ background: warm(one.value) }" />{{ one.label }} {{ c(one.value) }}</li>
    </ul>
  </div>
</template>

<style scoped>
.tint {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
svg {
  width: 250px;
  max-width: 100%;
}
.part {
  stroke-width: 1.6;
}
.hat {
  fill: none;
  stroke: var(--ink-soft);
}
.fluid {
  stroke: var(--ink);
  stroke-width: 0.8;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  gap: 6px;
  align-items: center;
}
i {
  width: 14px;
  height: 14px;
  border: 1px solid var(--line);
  print-color-adjust: exact;
}
</style>
