<script setup lang="ts">
import { computed } from 'vue'
import type { ChainBody } from '#core/hydraulics/chain-body.ts'
import type { ChainPicture } from '#core/hydraulics/chain-picture.ts'
import { AXLES, type Axle } from '#core/quantity/axle.ts'
import { CIRCUIT_Y, drawnBrake, drawnFoot, type DrawnBox, type ChainLayout, type DrawnBrake } from '~/drawing/chain-drawing'

/** The bodies of one chain at one pedal force: the setup's, or as a ghost those of the car as it stands. */
const props = defineProps<{
  body: ChainBody
  picture: ChainPicture
  layout: ChainLayout
  /** What it is held against: of a ghost only what differs is drawn. */
  against?: { body: ChainBody; picture: ChainPicture }
}>()
const ghost = computed(() => props.against !== undefined)
const footOf = (one: { body: ChainBody; picture: ChainPicture }) => drawnFoot(one.body, one.picture.travel)
const brakesOf = ({ body, picture }: { body: ChainBody; picture: ChainPicture }) => {
  const of = (axle: Axle) => drawnBrake(body[axle], picture.travel?.padMm[axle] ?? 0, props.layout)
  return { front: of('front'), rear: of('rear') }
}
const foot = computed(() => footOf(props))
const brakes = computed(() => brakesOf(props))
const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)
const drawn = computed(() => {
  const other = props.against
  if (!other) return { foot: true, brakes: [...AXLES], wheels: [...AXLES] }
  const others = brakesOf(other)
  const differ = (of: (one: DrawnBrake) => unknown) => AXLES.filter((axle) => !same(of(brakes.value[axle]), of(others[axle])))
  return {
    foot: !same(foot.value, footOf(other)),
    brakes: differ(({ wheel: _, ...rest }) => rest),
    wheels: differ(({ wheel }) => wheel),
  }
})
const move = ([x, y]: [number, number]) => `translate(${x},${y})`
const rect = ({ x, y, width, height }: DrawnBox) => ({ x, y, width, height })
/** A line is drawn as thick as its pressure is high. */
const thick = (mpa: number) => 1.6 + Math.min(mpa, 12) * 0.42
const linePath = (axle: Axle) => {
  const { foot: at, circuits } = props.layout
  const [x, y] = foot.value.cylinders[axle].outlet
  const [cx, cy] = circuits[axle]
  const from: [number, number] = [at[0] + x, at[1] + y]
  const way =
    cx > 0 ? `V${cy + CIRCUIT_Y}` : `${axle === 'front' ? `v-12h${props.layout.width - 30 - from[0]}` : ''}V${cy - 8}H10V${cy + CIRCUIT_Y}`
  return `M${from[0]},${from[1]}${way}H${cx + (axle === 'rear' ? props.layout.inCircuit.valve : brakes.value.front.inlet[0])}`
}
const padPoints = computed(() => {
  const [x, y] = foot.value.pad
  return { x: x - 5, y: y - 22, width: 10, height: 44 }
})
</script>

<template>
  <g :class="{ ghost }" class="chain">
    <path
      v-for="axle in ghost ? [] : AXLES"
      :key="axle"
      class="line"
      :class="axle"
      :d="linePath(axle)"
      :style="{ strokeWidth: thick(picture.chain[axle].pressureMpa) }"
    />
    <g v-if="drawn.foot" :transform="move(layout.foot)">
      <line class="lever" :x1="foot.pivot[0]" :y1="foot.pivot[1]" :x2="foot.pad[0]" :y2="foot.pad[1]" />
      <circle class="pin" :cx="foot.pivot[0]" :cy="foot.pivot[1]" r="5" />
      <rect class="pad" v-bind="rect(padPoints)" rx="2" />
      <line class="rod" :x1="foot.rod.from[0]" :y1="foot.rod.from[1]" :x2="foot.rod.to[0]" :y2="foot.rod.to[1]" />
      <circle class="pin" :cx="foot.pin[0]" :cy="foot.pin[1]" r="3.5" />
      <rect v-if="foot.booster" class="shell" v-bind="rect(foot.booster)" rx="24" />
      <template v-if="foot.bar">
        <line class="rod" :x1="foot.bar.front[0]" :y1="foot.bar.front[1]" :x2="foot.bar.rear[0]" :y2="foot.bar.rear[1]" />
        <line
          v-for="axle in AXLES"
          :key="axle"
          class="rod thin"
          :x1="foot.bar[axle][0]"
          :y1="foot.bar[axle][1]"
          :x2="foot.cylinders[axle].piston.x"
          :y2="foot.bar[axle][1]"
        />
        <circle class="pin" :cx="foot.bar.pivot[0]" :cy="foot.bar.pivot[1]" r="4" />
      </template>
      <template v-for="axle in AXLES" :key="axle">
        <rect class="fluid" :class="axle" v-bind="rect(foot.cylinders[axle].fluid)" />
        <rect class="steel" v-bind="rect(foot.cylinders[axle].piston)" />
      </template>
      <rect v-for="axle in AXLES" :key="axle" class="outline" v-bind="rect(foot.cylinders[axle].body)" />
    </g>
    <g v-for="axle in AXLES" :key="axle" :transform="move(layout.circuits[axle])">
      <template v-if="axle === 'rear' && !ghost">
        <line
          class="line rear"
          :x1="layout.inCircuit.valve"
          :x2="brakes.rear.inlet[0]"
          :y1="CIRCUIT_Y"
          :y2="CIRCUIT_Y"
          :style="{ strokeWidth: thick(picture.chain.rear.pressureMpa) }"
        />
        <path v-if="body.valve" class="valve" :transform="`translate(${layout.inCircuit.valve},${CIRCUIT_Y})`" d="M-11,-9L11,9V-9L-11,9Z" />
      </template>
      <template v-if="drawn.brakes.includes(axle)">
        <rect class="caliper" :class="axle" v-bind="rect(brakes[axle].body)" rx="5" />
        <rect v-if="brakes[axle].rotor" class="rotor" v-bind="rect(brakes[axle].rotor!)" />
        <rect v-for="(one, i) in brakes[axle].pistons" :key="`p${i}`" class="steel" v-bind="rect(one)" />
        <rect v-for="(one, i) in brakes[axle].pads" :key="i" class="lining" v-bind="rect(one)" />
      </template>
      <g v-if="drawn.wheels.includes(axle)" :transform="move(brakes[axle].wheel.centre)">
        <circle
          v-if="!against || body[axle].tyreRadiusMm !== against.body[axle].tyreRadiusMm"
          class="tyre"
          :r="brakes[axle].wheel.tyrePx"
        />
        <circle v-if="brakes[axle].wheel.discPx" class="rotor" :r="brakes[axle].wheel.discPx" />
        <circle class="effective" :class="axle" :r="brakes[axle].wheel.effectivePx" />
        <circle class="pin" r="3" />
      </g>
    </g>
  </g>
</template>

<style scoped>
.chain * {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}
.chain .line {
  stroke: var(--ink);
  stroke-linejoin: round;
}
.chain .line.rear {
  stroke: var(--rear-line);
}
.chain .lever {
  stroke-width: 6;
  stroke-linecap: round;
}
.chain .rod {
  stroke-width: 4;
}
.chain .rod.thin {
  stroke-width: 2.5;
}
.chain .pin {
  fill: var(--sheet);
}
.chain .pad {
  fill: var(--accent);
  stroke: none;
}
.chain .shell {
  fill: var(--steel-soft);
}
.chain .outline {
  stroke-width: 2;
}
.chain .fluid {
  fill: color-mix(in srgb, var(--ink) 26%, transparent);
  stroke: none;
}
.chain .fluid.rear {
  fill: color-mix(in srgb, var(--rear-line) 36%, transparent);
}
.chain .steel {
  fill: var(--steel);
}
.chain .valve {
  fill: var(--sheet);
  stroke: var(--rear-line);
}
.chain .caliper {
  fill: var(--caliper);
}
.chain .rotor {
  fill: var(--steel-soft);
}
.chain .lining {
  fill: var(--ink);
}
.chain .tyre {
  stroke-width: 7;
  stroke: var(--line);
}
.chain .effective {
  stroke-dasharray: 3 3;
}
.chain .effective.rear {
  stroke: var(--rear-line);
}
.chain.ghost {
  pointer-events: none;
}
.chain.ghost * {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1;
  stroke-dasharray: 4 3;
}
</style>
