<script setup lang="ts">
import { drag, pointer, select, zoom, zoomIdentity, zoomTransform, type ZoomBehavior, type ZoomTransform } from 'd3'
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, onBeforeUnmount, ref, shallowRef, watch, watchEffect } from 'vue'
import type { Px } from '#core/vision/grey.ts'

/** A picture to look at closely: moved, made larger, pointed at; with places that can be dragged and lines between them. */
interface Handle {
  id: string
  px: Px
  label: string
  kind: 'mark' | 'line' | 'place'
  /** It stands on a line or edge that was found. */
  snapped?: boolean
}
export interface Stroke {
  px: readonly Px[]
  kind: 'traced' | 'barrel' | 'shoulder' | 'face' | 'axis' | 'rest'
}
const props = defineProps<{
  shown: ImageBitmap
  /** Of the whole picture, px. */
  size: { width: number; height: number }
  handles: readonly Handle[]
  strokes: readonly Stroke[]
  current: string | undefined
  /** A piece of the picture about a place, for the loupe. */
  piece: (px: Px, sizePx: number, by: number) => Promise<ImageBitmap | undefined>
  label: string
}>()
const emit = defineEmits<{
  point: [px: Px]
  pick: [id: string]
  hold: [id: string, px: Px]
  move: [id: string, px: Px]
  nudge: [id: string, dx: number, dy: number]
  remove: [id: string]
}>()

const host = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const svg = ref<SVGSVGElement>()
const grab = ref<SVGGElement>()
const { width, height } = useElementSize(host)
const view = shallowRef<ZoomTransform>(zoomIdentity)
/** So many pixels of the screen is one of the picture when all of it is seen. */
const fit = computed(() => Math.min(width.value / props.size.width, height.value / props.size.height) || 1)
const scale = computed(() => fit.value * view.value.k)
const toScreen = ([x, y]: Px): [number, number] => [
  x * fit.value * view.value.k + view.value.x,
  y * fit.value * view.value.k + view.value.y,
]
const toPicture = ([x, y]: readonly [number, number]): [number, number] => [
  Math.min(Math.max((x - view.value.x) / scale.value, 0), props.size.width),
  Math.min(Math.max((y - view.value.y) / scale.value, 0), props.size.height),
]
const pathOf = (px: readonly Px[]) =>
  px
    .map(
      (one, i) =>
        `${i === 0 ? 'M' : 'L'}${toScreen(one)
          .map((part) => part.toFixed(1))
          .join(',')}`,
    )
    .join('')

let behaviour: ZoomBehavior<SVGSVGElement, unknown> | undefined
function whole(): void {
  if (!svg.value || !behaviour) return
  const x = (width.value - props.size.width * fit.value) / 2
  const y = (height.value - props.size.height * fit.value) / 2
  select(svg.value).call(behaviour.transform, zoomIdentity.translate(x, y))
}
function nearer(by: number): void {
  if (svg.value && behaviour) select(svg.value).call(behaviour.scaleBy, by)
}
/** So that a place is seen when it is not. */
function show(px: Px): void {
  if (!svg.value || !behaviour) return
  const [x, y] = toScreen(px)
  if (x > 20 && y > 20 && x < width.value - 20 && y < height.value - 20) return
  select(svg.value).call(behaviour.translateTo, px[0] * fit.value, px[1] * fit.value)
}
watch(
  [svg, width, height, () => props.shown],
  async () => {
    if (!svg.value || width.value === 0 || height.value === 0) return
    behaviour = zoom<SVGSVGElement, unknown>()
      .scaleExtent([0.8, 40])
      .clickDistance(6)
      .filter((event: MouseEvent | TouchEvent | WheelEvent) => !('button' in event && event.button !== 0))
      .on('zoom', (event: { transform: ZoomTransform }) => (view.value = event.transform))
    select(svg.value).call(behaviour).on('dblclick.zoom', null)
    await nextTick()
    whole()
  },
  { immediate: true },
)
watchEffect(
  () => {
    const paper = canvas.value?.getContext('2d')
    if (!paper || width.value === 0) return
    const ratio = window.devicePixelRatio || 1
    canvas.value!.width = Math.round(width.value * ratio)
    canvas.value!.height = Math.round(height.value * ratio)
    const k = (scale.value * props.size.width) / props.shown.width
    paper.setTransform(ratio * k, 0, 0, ratio * k, ratio * view.value.x, ratio * view.value.y)
    paper.imageSmoothingEnabled = k < 3
    paper.drawImage(props.shown, 0, 0)
  },
  { flush: 'post' },
)
function clicked(event: MouseEvent): void {
  if (!svg.value || event.defaultPrevented) return
  const at = pointer(event, svg.value)
  const px = toPicture(at as [number, number])
  emit('point', px)
}

/** Where a finger is it cannot be seen what is below it: the loupe shows it. */
const under = shallowRef<Px>()
watchEffect(
  () => {
    if (!grab.value || props.handles.length === 0) return
    const dragged = drag<SVGGElement, unknown>()
      .container(() => svg.value!)
      .on('start', function () {
        emit('pick', this.dataset.handle!)
      })
      .on('drag', function (event: { x: number; y: number; dx: number; dy: number }) {
        const from = under.value ?? props.handles.find((one) => one.id === this.dataset.handle)!.px
        under.value = [from[0] + event.dx / scale.value, from[1] + event.dy / scale.value]
        emit('hold', this.dataset.handle!, under.value)
      })
      .on('end', function () {
        if (under.value) emit('move', this.dataset.handle!, under.value)
        under.value = undefined
      })
    select(grab.value).selectAll<SVGGElement, unknown>('g.handle').call(dragged)
  },
  { flush: 'post' },
)
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
function key(event: KeyboardEvent, id: string): void {
  const by = ARROWS[event.key]
  if (by) {
    event.preventDefault()
    event.stopPropagation()
    const step = event.shiftKey ? 10 : 1
    emit('nudge', id, by[0] * step, by[1] * step)
  } else if (event.key === 'Delete' || event.key === 'Backspace') {
    event.preventDefault()
    emit('remove', id)
  } else if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    emit('pick', id)
  }
}

const LOUPE_PX = 148
const LOUPE_BY = 4
const glass = ref<HTMLCanvasElement>()
const looked = computed(() => under.value ?? props.handles.find((one) => one.id === props.current)?.px)
/** On the side where the hand is not. */
const loupeRight = computed(() => (looked.value ? toScreen(looked.value)[0] < width.value / 2 : true))
let asked = 0
let busy = false
let last: string | undefined
async function look(): Promise<void> {
  const px = looked.value
  if (!px || busy) return
  const key = px.join()
  if (key === last) return
  busy = true
  last = key
  const mine = ++asked
  const piece = await props.piece(px, LOUPE_PX, LOUPE_BY)
  busy = false
  if (piece && mine === asked) glass.value?.getContext('2d')?.drawImage(piece, 0, 0)
  piece?.close()
  if (looked.value && looked.value.join() !== key) void look()
}
watch([looked, glass], () => void look(), { flush: 'post', immediate: true })
watch(
  () => props.current,
  () => {
    const one = props.handles.find((each) => each.id === props.current)
    if (one) show(one.px)
  },
)
onBeforeUnmount(() => svg.value && select(svg.value).on('.zoom', null))
defineExpose({ zoomOf: () => zoomTransform(svg.value!).k, scale })
</script>

<template>
  <div class="view">
    <div ref="host" class="host">
      <canvas ref="canvas" aria-hidden="true" />
      <svg ref="svg" :width="width" :height="height" :aria-label="label" role="group" data-test="picture" @click="clicked">
        <g aria-hidden="true">
          <g v-for="(stroke, i) in strokes" :key="i">
            <path class="under" :d="pathOf(stroke.px)" />
            <path class="stroke" :class="stroke.kind" :d="pathOf(stroke.px)" />
          </g>
        </g>
        <g ref="grab">
          <g
            v-for="one in handles"
            :key="one.id"
            class="handle"
            :class="[one.kind, { here: one.id === current, free: one.snapped === false }]"
            :data-handle="one.id"
            :transform="`translate(${toScreen(one.px).join()})`"
            tabindex="0"
            role="button"
            :aria-label="one.label"
            :aria-pressed="one.id === current"
            @click.stop="emit('pick', one.id)"
            @focus="emit('pick', one.id)"
            @keydown="key($event, one.id)"
          >
            <circle class="reach" r="9" />
            <circle v-if="one.kind === 'mark'" class="ring" r="10" />
            <path v-if="one.kind === 'mark'" class="cross" d="M-14,0H-3M3,0H14M0,-14V-3M0,3V14" />
            <rect v-else-if="one.kind === 'line'" class="dot" x="-5" y="-5" width="10" height="10" />
            <circle v-else class="dot" r="5" />
          </g>
        </g>
      </svg>
      <canvas
        v-show="looked"
        ref="glass"
        class="loupe"
        :class="{ right: loupeRight }"
        :width="LOUPE_PX"
        :height="LOUPE_PX"
        aria-hidden="true"
      />
      <svg v-show="looked" class="loupe hair" :class="{ right: loupeRight }" viewBox="0 0 148 148" aria-hidden="true">
        <path d="M74,0V66M74,82V148M0,74H66M82,74H148" />
      </svg>
    </div>
    <ElButtonGroup class="zoom">
      <ElButton aria-label="Larger" @click="nearer(1.6)">+</ElButton>
      <ElButton aria-label="Smaller" @click="nearer(1 / 1.6)">−</ElButton>
      <ElButton @click="whole">Whole picture</ElButton>
    </ElButtonGroup>
  </div>
</template>

<style scoped>
.view {
  position: relative;
  height: 100%;
  min-height: 240px;
}
.host {
  position: absolute;
  inset: 0;
  overflow: hidden;
  border: 1px solid var(--line);
  background: var(--sheet-2);
}
canvas,
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
svg {
  cursor: crosshair;
  touch-action: none;
}
.under {
  fill: none;
  stroke: #fff;
  stroke-width: 4.5;
  stroke-opacity: 0.75;
  stroke-linejoin: round;
}
.stroke {
  fill: none;
  stroke: #b3410a;
  stroke-width: 2;
  stroke-linejoin: round;
}
.barrel {
  stroke: #1d5c8f;
}
.shoulder {
  stroke: #7a2f83;
}
.face {
  stroke: #b3410a;
}
.axis {
  stroke: #1d5c8f;
  stroke-width: 1.4;
  stroke-dasharray: 9 3 2 3;
}
.rest {
  stroke: #1c673a;
  stroke-width: 1.4;
}
.handle {
  cursor: move;
  touch-action: none;
  outline: none;
}
.reach {
  fill: transparent;
}
/* a finger is wider than a pointer */
@media (pointer: coarse) {
  .reach {
    r: 16px;
  }
}
.dot,
.ring {
  fill: #fff;
  stroke: #b3410a;
  stroke-width: 2;
}
.ring {
  fill: none;
}
.cross {
  fill: none;
  stroke: #b3410a;
  stroke-width: 1.6;
}
.free .dot {
  stroke-dasharray: 3 2;
}
.here .dot {
  fill: #b3410a;
}
.here .ring,
.handle:focus-visible .dot,
.handle:focus-visible .ring {
  stroke: #1d5c8f;
  stroke-width: 3.5;
}
.loupe {
  inset: auto;
  top: 8px;
  left: 8px;
  width: 148px;
  height: 148px;
  border: 2px solid var(--ink);
  border-radius: 50%;
  pointer-events: none;
}
.loupe.right {
  right: 8px;
  left: auto;
}
.hair path {
  fill: none;
  stroke: #b3410a;
  stroke-width: 1.2;
}
@media (max-width: 760px) {
  .loupe {
    width: 104px;
    height: 104px;
  }
}
.zoom {
  position: absolute;
  right: 8px;
  bottom: 8px;
}
</style>
