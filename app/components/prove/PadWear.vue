<script setup lang="ts">
import { scaleLinear } from 'd3'
import { computed } from 'vue'
import type { PadLook } from '#core/evidence/wear-report.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { useWorkbench } from '~/composables/workbench'

/** The pads of one corner from above: the rotor between them, each as thick as it is at its two ends. */
const props = defineProps<{ look: PadLook }>()
const { units } = useWorkbench()
const W = 300
const H = 176
const ROTOR = { top: 79, height: 18 }
/** Ends of a pad in the drawing: it turns from the leading to the trailing end. */
const ENDS = { leading: 62, trailing: 238 }
const thickest = computed(() => {
  const { innerLeadingMm, innerTrailingMm, outerLeadingMm, outerTrailingMm } = props.look.reading
  return Math.max(1, ...[innerLeadingMm, innerTrailingMm, outerLeadingMm, outerTrailingMm].flatMap((one) => one ?? []))
})
const px = computed(() => scaleLinear([6, 52]).domain([0, thickest.value]))
const pads = computed(() => {
  const { innerLeadingMm, innerTrailingMm, outerLeadingMm, outerTrailingMm } = props.look.reading
  const pad = (where: 'outer' | 'inner', a: number | undefined, b: number | undefined) => {
    if (a === undefined && b === undefined) return []
    const [lead, trail] = [px.value(a ?? b!), px.value(b ?? a!)]
    const base = where === 'outer' ? ROTOR.top : ROTOR.top + ROTOR.height
    const to = where === 'outer' ? -1 : 1
    return [
      {
        where,
        path: `M${ENDS.leading},${base} L${ENDS.trailing},${base} L${ENDS.trailing},${base + to * trail} L${ENDS.leading},${base + to * lead} Z`,
        labels: [
          { x: ENDS.leading - 4, y: base + to * (lead / 2) + 4, anchor: 'end' as const, mm: a },
          { x: ENDS.trailing + 4, y: base + to * (trail / 2) + 4, anchor: 'start' as const, mm: b },
        ],
      },
    ]
  }
  return [...pad('outer', outerLeadingMm, outerTrailingMm), ...pad('inner', innerLeadingMm, innerTrailingMm)]
})
/** Pistons as they press on the plate, evenly along it, the smaller leading. */
function pistons(where: 'inner' | 'outer') {
  const all = props.look.pistonsMm[where]
  const { reading } = props.look
  const thick = px.value(
    Math.max(
      ...(where === 'inner'
        ? [reading.innerLeadingMm, reading.innerTrailingMm]
        : [reading.outerLeadingMm, reading.outerTrailingMm]
      ).flatMap((one) => one ?? []),
      0,
    ),
  )
  const y = where === 'outer' ? ROTOR.top - thick - PISTON_PX - 2 : ROTOR.top + ROTOR.height + thick + 2
  const room = ENDS.trailing - ENDS.leading
  const total = all.reduce((sum, one) => sum + one, 0)
  const scale = Math.min(1.5, (0.85 * room) / Math.max(total, 1))
  const gap = (room - total * scale) / (all.length + 1)
  let x = ENDS.leading
  return all.map((one) => {
    x += gap
    const rect = { x, y, width: one * scale, height: PISTON_PX }
    x += one * scale
    return rect
  })
}
const PISTON_PX = 8
const mm = (value: number | undefined) => (value === undefined ? '?' : formatQuantity(value, 'length', units.value))
const words = computed(() => props.look.says.map((one) => one.text).join(' '))
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`Pads ${look.reading.axle} ${look.reading.side}. ${words}`">
    <rect class="rotor" x="40" :y="ROTOR.top" :width="W - 80" :height="ROTOR.height" />
    <text :x="W / 2" :y="ROTOR.top + 13" text-anchor="middle">rotor turns →</text>
    <g v-for="one in pads" :key="one.where">
      <path :d="one.path" :class="{ thin: look.thinnest && look.thinnest.at.startsWith(one.where) && look.says[0]?.tone !== 'fits' }" />
      <rect v-for="piston in pistons(one.where)" :key="piston.x" class="piston" v-bind="piston" />
      <text v-for="label in one.labels" :key="label.anchor" :x="label.x" :y="label.y" :text-anchor="label.anchor" class="num">
        {{ mm(label.mm) }}
      </text>
      <text :x="W / 2" :y="one.where === 'outer' ? 10 : H - 3" text-anchor="middle">{{ one.where }} pad: leading end left</text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 300px;
  max-width: 100%;
}
.rotor {
  fill: var(--steel-soft);
  stroke: var(--line);
}
path {
  fill: var(--sheet-2);
  stroke: var(--ink-soft);
}
rect.piston {
  fill: var(--steel-soft);
  stroke: var(--ink-soft);
}
path.thin {
  stroke: var(--needs);
  stroke-width: 2;
}
text {
  fill: var(--ink-soft);
  font-size: 11px;
}
</style>
