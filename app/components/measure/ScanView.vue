<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import {
  BufferAttribute,
  BufferGeometry,
  DoubleSide,
  Group,
  Mesh,
  MeshBasicMaterial,
  Matrix4,
  MeshStandardMaterial,
  OrthographicCamera,
  Plane,
  Raycaster,
  SphereGeometry,
  Vector2,
  Vector3,
} from 'three'
import { onMounted, ref, watch } from 'vue'
import type { Vector } from '#core/vision/scan/mesh.ts'
import { insideLoop } from '#core/vision/scan/pieces.ts'
import { themeColour, useThreeStage } from '~/composables/three-stage'

/**
 * A mesh to turn, zoom and cut open; a place on it is selected by a click, a tap, or with Enter in the middle of the view. With
 * the lasso a loop is drawn round what is set apart. Where the browser draws no 3D it says so: placing by numbers works without.
 */
const props = defineProps<{
  /** Corners of triangles in the file's unit. */
  corners: Float32Array
  /** What a selection means now, in words. */
  label: string
  /** Places that were selected. */
  marks: readonly { id: string; at: Vector }[]
  /** The pointer draws a loop instead of turning the mesh. */
  lasso: boolean
  /** Triangles that were left out and those of objects. */
  apart: { leftOut: readonly Uint32Array[]; objects: readonly Uint32Array[] }
}>()
const emit = defineEmits<{ pick: [triangle: number, at: Vector]; loop: [triangles: Uint32Array]; unavailable: [] }>()

const canvas = ref<HTMLCanvasElement>()
const { scene, camera, unavailable, start, draw, hold, photograph } = useThreeStage(canvas)
/** Share of the mesh that is cut away, from its far end along the view's axis. */
const cut = ref(0)
let mesh: Mesh | undefined
const markers = new Group()
const clip = new Plane(new Vector3(0, 0, -1), 0)
const VIEW_FROM = new Vector3(1.3, 1.1, 2.2)

onMounted(() => {
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(props.corners.slice(), 3))
  geometry.computeVertexNormals()
  geometry.computeBoundingSphere()
  if (!start(geometry.boundingSphere!, VIEW_FROM)) return emit('unavailable')
  mesh = new Mesh(
    geometry,
    new MeshStandardMaterial({ vertexColors: true, roughness: 0.75, metalness: 0.1, side: DoubleSide, clippingPlanes: [clip] }),
  )
  scene.add(mesh, markers)
  showApart()
  setCut()
  showMarks()
})

function setCut() {
  const sphere = mesh?.geometry.boundingSphere
  if (!sphere) return
  clip.constant = sphere.center.z + sphere.radius * (1.02 - (2.04 * cut.value) / 100)
  draw()
}
watch(cut, setCut)

function showMarks() {
  const radius = mesh?.geometry.boundingSphere?.radius
  if (!radius) return
  markers.clear()
  for (const { at } of props.marks) {
    const ball = new Mesh(new SphereGeometry(radius / 45), new MeshBasicMaterial({ color: themeColour('--accent') }))
    ball.position.set(...at)
    markers.add(ball)
  }
  draw()
}
watch(() => props.marks, showMarks)

/** What is left out is not drawn; objects have a colour of their own. */
function showApart() {
  if (!mesh) return
  const positions = props.corners.slice()
  for (const triangles of props.apart.leftOut)
    for (const one of triangles) for (let k = 3; k < 9; k += 1) positions[9 * one + k] = positions[9 * one + (k % 3)]!
  const colours = new Float32Array(positions.length)
  const paint = (one: number, { r, g, b }: { r: number; g: number; b: number }) => {
    for (let k = 0; k < 9; k += 3) colours.set([r, g, b], 9 * one + k)
  }
  const plain = themeColour('--steel-soft')
  for (let i = 0; i < positions.length / 9; i += 1) paint(i, plain)
  const own = themeColour('--accent')
  for (const triangles of props.apart.objects) for (const one of triangles) paint(one, own)
  mesh.geometry.setAttribute('position', new BufferAttribute(positions, 3))
  mesh.geometry.setAttribute('color', new BufferAttribute(colours, 3))
  draw()
}
watch(() => props.apart, showApart)

function pickAt(x: number, y: number) {
  if (!mesh) return
  const ray = new Raycaster()
  ray.setFromCamera(new Vector2(x, y), camera)
  // what is cut away is not selected
  const hit = ray.intersectObject(mesh, false).find(({ point }) => clip.distanceToPoint(point) >= 0)
  if (hit?.faceIndex != null) emit('pick', hit.faceIndex, [hit.point.x, hit.point.y, hit.point.z])
}
/** A press that turned the view is no selection. */
let pressed: { x: number; y: number } | undefined
const loop = ref<[x: number, y: number][]>([])
const inBox = ({ clientX, clientY }: PointerEvent): [x: number, y: number] => {
  const box = canvas.value!.getBoundingClientRect()
  return [clientX - box.left, clientY - box.top]
}
function down(event: PointerEvent) {
  pressed = { x: event.clientX, y: event.clientY }
  if (!props.lasso) return
  canvas.value?.setPointerCapture(event.pointerId)
  loop.value = [inBox(event)]
}
function move(event: PointerEvent) {
  if (props.lasso && pressed) loop.value = [...loop.value, inBox(event)]
}
function up(event: PointerEvent) {
  const box = canvas.value!.getBoundingClientRect()
  const [x, y] = inBox(event)
  if (props.lasso) {
    const drawn = loop.value
    loop.value = []
    if (pressed) circled(drawn, box)
  } else if (pressed && Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) < 5)
    pickAt((x / box.width) * 2 - 1, 1 - (y / box.height) * 2)
  pressed = undefined
}
/** All triangles in the loop that are not cut away, in front and behind. */
function circled(drawn: readonly [number, number][], { width, height }: DOMRect) {
  const at = new Vector3()
  const { corners } = props
  const placeOf = (one: number): [number, number] | undefined => {
    const i = 9 * one
    at.set(
      (corners[i]! + corners[i + 3]! + corners[i + 6]!) / 3,
      (corners[i + 1]! + corners[i + 4]! + corners[i + 7]!) / 3,
      (corners[i + 2]! + corners[i + 5]! + corners[i + 8]!) / 3,
    )
    if (clip.distanceToPoint(at) < 0) return undefined
    at.project(camera)
    return [((at.x + 1) / 2) * width, ((1 - at.y) / 2) * height]
  }
  const found = insideLoop(corners.length / 9, placeOf, drawn)
  if (found.length > 0) emit('loop', Uint32Array.from(found))
}
const PICTURE_PX = 520
/**
 * The mesh as the half section sees it, along the axle to the right and away from it upwards: a picture to stand behind the line.
 * All in the file's unit.
 * @param open what lies before the axis is cut away, so that the inside of a wheel is seen
 */
function sideView(origin: Vector, outboard: Vector, upwards: Vector, z: [number, number], r: [number, number], open: boolean) {
  const radius = mesh?.geometry.boundingSphere?.radius
  if (!radius) return undefined
  const [right, up] = [new Vector3(...outboard), new Vector3(...upwards)]
  const towards = right.clone().cross(up)
  const at = new Vector3(...origin)
  const side = new OrthographicCamera(z[0], z[1], r[1], r[0], 0, radius * 12)
  side.matrixAutoUpdate = false
  side.matrix.copy(new Matrix4().makeBasis(right, up, towards).setPosition(at.clone().addScaledVector(towards, radius * 6)))
  side.updateMatrixWorld(true)
  const before = clip.clone()
  if (open) clip.setFromNormalAndCoplanarPoint(towards.clone().negate(), at)
  else clip.constant = Infinity
  markers.visible = false
  const jpeg = photograph(side, PICTURE_PX, Math.max(1, Math.round((PICTURE_PX * (r[1] - r[0])) / (z[1] - z[0]))))
  markers.visible = true
  clip.copy(before)
  draw()
  return jpeg
}
defineExpose({ sideView })
watch(
  () => props.lasso,
  (now) => hold(now),
)
useEventListener(canvas, 'keydown', (event: KeyboardEvent) => {
  if (event.key !== 'Enter' || props.lasso) return
  event.preventDefault()
  pickAt(0, 0)
})
</script>

<template>
  <div class="view">
    <div v-show="!unavailable" class="paper">
      <canvas
        ref="canvas"
        tabindex="0"
        role="img"
        data-test="scan-canvas"
        :aria-label="`The mesh in 3D. ${label} Arrow keys turn it, plus and minus zoom, Enter selects what is in the middle.`"
        :class="{ lasso }"
        @pointerdown="down"
        @pointermove="move"
        @pointerup="up"
      />
      <svg v-if="loop.length > 1" class="loop" aria-hidden="true"><polyline :points="loop.map((one) => one.join(',')).join(' ')" /></svg>
      <span class="cross" aria-hidden="true" />
    </div>
    <p v-if="unavailable" class="soft" data-test="scan-no-3d">This browser shows no 3D view. Enter the position as numbers instead.</p>
    <label v-else class="cut small"
      >Section
      <ElSlider v-model="cut" :min="0" :max="100" :show-tooltip="false" aria-label="Section: share cut away, %" :validate-event="false" />
    </label>
  </div>
</template>

<style scoped>
.paper {
  position: relative;
  height: 350px;
  border: 1px solid var(--hair);
  background: var(--sheet-2);
}
canvas {
  width: 100%;
  height: 100%;
  touch-action: none;
}
.lasso {
  cursor: crosshair;
}
.loop {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.loop polyline {
  fill: color-mix(in srgb, var(--accent) 18%, transparent);
  stroke: var(--accent);
  stroke-width: 2;
}
.cross {
  position: absolute;
  inset: 50% auto auto 50%;
  width: 10px;
  height: 10px;
  margin: -5px;
  border: 1px solid var(--accent);
  border-radius: 50%;
  pointer-events: none;
  opacity: 0;
}
canvas:focus-visible + .cross {
  opacity: 1;
}
.cut {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 14px;
  align-items: center;
  margin-top: 4px;
  padding-right: 8px;
}
@media (max-width: 760px) {
  .paper {
    height: 260px;
  }
}
</style>
