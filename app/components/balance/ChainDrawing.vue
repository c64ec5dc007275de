<script setup lang="ts">
import { useElementSize, useEventListener, useRafFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { chainBody, forceAtTravel } from '#core/hydraulics/chain-body.ts'
import { chainPicture } from '#core/hydraulics/chain-picture.ts'
import type { Hydraulics } from '#core/hydraulics/hydraulics-of.ts'
import { AXLES, type Axle } from '#core/quantity/axle.ts'
import { formatQuantity } from '#core/quantity/format.ts'
import { chainLayout, CIRCUIT_Y, drawnBrake, drawnFoot, PAD_TIMES, PX_PER_MM } from '~/drawing/chain-drawing'
import { useWorkbench } from '~/composables/workbench'

/**
 * The chain from the foot to the road, in proportion: lever, cylinders, lines as thick as their pressure, pistons, rotors and
 * tyres, with the car as it stands behind. The foot is dragged, or pressed slowly to be watched.
 */
const props = defineProps<{ now: Hydraulics; stock?: Hydraulics | undefined; forceN: number; mostN: number }>()
const emit = defineEmits<{ force: [value: number] }>()
const { units } = useWorkbench()
const host = ref<HTMLElement>()
const { width } = useElementSize(host)
const layout = computed(() => chainLayout(Math.max(width.value, 340)))
const narrow = computed(() => layout.value.circuits.front[0] === 0)

const body = computed(() => chainBody(props.now))
const stockBody = computed(() => props.stock && chainBody(props.stock))
/** Force while a slow press is played. */
const played = ref<number>()
const shownN = computed(() => played.value ?? props.forceN)
const here = computed(() => chainPicture(props.now, shownN.value))
const there = computed(() => props.stock && chainPicture(props.stock, shownN.value))
const foot = computed(() => body.value && drawnFoot(body.value, here.value?.travel))

const show = (value: number | undefined, dimension: 'force' | 'pressure' | 'torque' | 'length') =>
  value === undefined ? 'not known' : formatQuantity(value, dimension, units.value)
interface DrawnText {
  text: string
  look?: 'strong' | 'soft'
}
const kept = (words: (DrawnText | false | undefined)[]): DrawnText[] => words.filter((one) => one !== undefined && one !== false)
const footWords = computed((): DrawnText[] => {
  const { chain, travel, boostRatio } = here.value!
  const { booster, master } = body.value!
  return kept([
    { text: `Pushrod ${show(chain.rodForceN, 'force')}` },
    { text: booster ? `Booster × ${(boostRatio ?? booster.ratio).toFixed(2)}${chain.runout ? ', at runout' : ''}` : 'No booster' },
    { text: `${show(chain.boostedForceN, 'force')} on the cylinder${master.kind === 'twin' ? 's' : ''}`, look: 'strong' },
    travel && { text: `pistons move ${show(travel.masterMm.front, 'length')}, ${show(travel.masterMm.rear, 'length')}`, look: 'soft' },
  ])
})
const lineWords = (axle: Axle): DrawnText[] => {
  const { chain, rearBeforeValveMpa } = here.value!
  return kept([
    { text: `${axle === 'front' ? 'Front' : 'Rear'} ${show(chain[axle].pressureMpa, 'pressure')}`, look: 'strong' },
    axle === 'rear' && !!body.value!.valve && { text: `${show(rearBeforeValveMpa, 'pressure')} before the valve`, look: 'soft' },
  ])
}
const roadWords = (axle: Axle): DrawnText[] => {
  const { chain, travel } = here.value!
  const { clampN, torqueNm, forceN } = chain[axle]
  const was = there.value?.chain[axle].forceN
  return kept([
    { text: `${show(forceN, 'force')} brake force`, look: 'strong' },
    was !== undefined && { text: `baseline ${show(was, 'force')}`, look: 'soft' },
    clampN !== undefined && { text: `${show(clampN, 'force')} on each pad` },
    travel && { text: `each moves ${show(travel.padMm[axle], 'length')}` },
    { text: `${show(torqueNm, 'torque')} a wheel` },
  ])
}
const padWords = computed(() => {
  const travel = here.value!.travel
  return kept([
    { text: `Pedal force ${show(shownN.value, 'force')}`, look: 'strong' },
    travel && { text: `${show(travel.pedalMm, 'length')} down`, look: 'soft' },
  ])
})

// the foot under the hand: as far as it is pulled, the pedal goes
const drag = ref<{ x: number; travelMm: number; forceN: number }>()
function grip(event: PointerEvent) {
  played.value = undefined
  pause()
  drag.value = { x: event.clientX, travelMm: here.value?.travel?.pedalMm ?? 0, forceN: props.forceN }
}
useEventListener('pointermove', (event) => {
  if (!drag.value) return
  const movedMm = (event.clientX - drag.value.x) / PX_PER_MM
  // without a known travel the hand goes over the whole range of force
  const wanted = forceAtTravel(props.now, drag.value.travelMm + movedMm, props.mostN) ?? drag.value.forceN + movedMm * 5
  emit('force', Math.round(Math.min(props.mostN, Math.max(0, wanted))))
})
useEventListener(['pointerup', 'pointercancel'], () => (drag.value = undefined))

/** How long a slow press takes, ms. */
const PRESS_MS = 4000
let from = 0
const { pause, resume, isActive } = useRafFn(
  ({ timestamp }) => {
    from ||= timestamp
    const share = Math.min((timestamp - from) / PRESS_MS, 1)
    played.value = props.forceN * share
    if (share === 1) stop()
  },
  { immediate: false },
)
function stop() {
  pause()
  played.value = undefined
}
function press() {
  from = 0
  played.value = 0
  resume()
}
const arrowPx = (forceN: number, pxPerN: number, mostPx: number) => Math.min(forceN * pxPerN, mostPx)
const roadX = (axle: Axle) => drawnBrake(body.value![axle], 0, layout.value).wheel
</script>

<template>
  <div ref="host" class="drawn">
    <svg
      v-if="body && here && foot"
      :viewBox="`0 0 ${layout.width} ${layout.height}`"
      :height="layout.height"
      :class="{ held: drag }"
      role="img"
      :aria-label="`From pedal to road at ${show(shownN, 'force')}: front ${show(here.chain.front.forceN, 'force')}, rear ${show(here.chain.rear.forceN, 'force')} at the road`"
      data-test="chain-drawing"
    >
      <defs>
        <marker id="chain-head" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="5" markerHeight="5" orient="auto-start-reverse">
          <path d="M0,0L8,4L0,8Z" fill="var(--accent)" />
        </marker>
      </defs>
      <ChainBodies :body="body" :picture="here" :layout="layout" />
      <ChainBodies v-if="stockBody && there" :body="stockBody" :picture="there" :layout="layout" :against="{ body, picture: here }" />
      <g :transform="`translate(${layout.foot[0]},${layout.foot[1]})`">
        <line
          v-if="shownN > 0"
          class="arrow"
          :x1="foot.pad[0] - 8 - arrowPx(shownN, 0.09, 54) - 6"
          :x2="foot.pad[0] - 8"
          :y1="foot.pad[1]"
          :y2="foot.pad[1]"
          marker-end="url(#chain-head)"
        />
        <WordLines :x="2" :y="foot.pad[1] + 40" :words="padWords" data-stage="pedal" />
        <WordLines
          :x="foot.pivot[0] + 12"
          :y="foot.pivot[1] + 2"
          :words="[{ text: `lever ${body.pedalRatio.toFixed(2)} : 1`, look: 'soft' }]"
        />
        <WordLines :x="122" :y="172" :words="footWords" data-stage="booster" />
        <!-- what the hand moves -->
        <rect class="grip" :x="foot.pad[0] - 24" :y="foot.pad[1] - 34" width="48" height="68" data-test="foot" @pointerdown.prevent="grip">
          <title>Drag the pedal force</title>
        </rect>
      </g>
      <g v-for="axle in AXLES" :key="axle" :transform="`translate(${layout.circuits[axle][0]},${layout.circuits[axle][1]})`">
        <WordLines
          :x="narrow ? 18 : 4"
          :y="narrow ? 14 : CIRCUIT_Y - 48"
          :words="lineWords(axle)"
          :tone="axle"
          :data-stage="`line-${axle}`"
        />
        <line
          v-if="here.chain[axle].forceN > 0"
          class="arrow"
          :class="axle"
          :x1="roadX(axle).centre[0] + 44"
          :x2="roadX(axle).centre[0] + 44 - arrowPx(here.chain[axle].forceN, 0.012, 110) - 6"
          :y1="CIRCUIT_Y + roadX(axle).tyrePx + 9"
          :y2="CIRCUIT_Y + roadX(axle).tyrePx + 9"
          marker-end="url(#chain-head)"
        />
        <WordLines :x="layout.inCircuit.words[0]" :y="layout.inCircuit.words[1]" :words="roadWords(axle)" :data-stage="`road-${axle}`" />
      </g>
    </svg>
    <p class="soft small">
      <ElButton size="small" :disabled="forceN === 0" data-test="press" @click="isActive ? stop() : press()">{{
        isActive ? 'Stop' : 'Press slowly'
      }}</ElButton>
      Drag the pedal force or move the slider. Pad movement is drawn {{ PAD_TIMES }} times too long. Thicker lines carry more pressure.{{
        stock ? ' Dashed: the baseline.' : ''
      }}
    </p>
  </div>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  overflow: visible;
  touch-action: pan-y;
}
.arrow {
  stroke: var(--accent);
  stroke-width: 3.5;
}
.grip {
  fill: transparent;
  cursor: ew-resize;
  touch-action: none;
}
.held {
  cursor: ew-resize;
}
</style>
