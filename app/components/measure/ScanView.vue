<script setup lang="ts">
import { useEventListener, useResizeObserver } from '@vueuse/core'
import {
  AmbientLight,
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  DoubleSide,
  Group,
  Mesh,
  MeshBasicMaterial,
  MeshStandardMaterial,
  PerspectiveCamera,
  Plane,
  Raycaster,
  Scene,
  SphereGeometry,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three'
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { Vector } from '#core/vision/scan/mesh.ts'

/**
 * A mesh to turn, zoom and cut open; a place on it is selected by a click, a tap, or with Enter in the middle of the view. Where the
 * browser draws no 3D it says so: placing by numbers works without.
 */
const props = defineProps<{
  /** Corners of triangles in the file's unit. */
  corners: Float32Array
  /** What a selection means now, in words. */
  label: string
  /** Places that were selected. */
  marks: readonly { id: string; at: Vector }[]
}>()
const emit = defineEmits<{ pick: [triangle: number, at: Vector]; unavailable: [] }>()

const canvas = ref<HTMLCanvasElement>()
const unavailable = ref(false)
/** Share of the mesh that is cut away, from its far end along the view's axis. */
const cut = ref(0)
let renderer: WebGLRenderer | undefined
let camera: PerspectiveCamera | undefined
let controls: OrbitControls | undefined
let mesh: Mesh | undefined
const scene = new Scene()
const markers = new Group()
const clip = new Plane(new Vector3(0, 0, -1), 0)

const colour = (name: string) => new Color(getComputedStyle(document.documentElement).getPropertyValue(name).trim() || '#888888')
const draw = () => renderer && camera && renderer.render(scene, camera)

onMounted(() => {
  try {
    renderer = new WebGLRenderer({ canvas: canvas.value!, antialias: true, alpha: true })
  } catch {
    unavailable.value = true
    emit('unavailable')
    return
  }
  renderer.localClippingEnabled = true
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(props.corners, 3))
  geometry.computeVertexNormals()
  geometry.computeBoundingSphere()
  const { center, radius } = geometry.boundingSphere!
  mesh = new Mesh(
    geometry,
    new MeshStandardMaterial({ color: colour('--steel-soft'), roughness: 0.75, metalness: 0.1, side: DoubleSide, clippingPlanes: [clip] }),
  )
  const light = new DirectionalLight(0xffffff, 2.2)
  light.position.set(1, 1.4, 2)
  scene.add(mesh, markers, new AmbientLight(0xffffff, 1.1), light)
  camera = new PerspectiveCamera(40, 1, radius / 100, radius * 20)
  camera.position.copy(center).add(new Vector3(radius * 1.3, radius * 1.1, radius * 2.2))
  controls = new OrbitControls(camera, canvas.value)
  controls.target.copy(center)
  controls.enableDamping = false
  controls.addEventListener('change', draw)
  controls.update()
  setCut()
  fit()
  showMarks()
})
onBeforeUnmount(() => {
  controls?.dispose()
  mesh?.geometry.dispose()
  renderer?.dispose()
})

function fit() {
  const box = canvas.value?.parentElement?.getBoundingClientRect()
  if (!renderer || !camera || !box || box.width === 0 || box.height === 0) return
  renderer.setPixelRatio(Math.min(2, devicePixelRatio))
  renderer.setSize(box.width, box.height, false)
  camera.aspect = box.width / box.height
  camera.updateProjectionMatrix()
  draw()
}
useResizeObserver(() => canvas.value?.parentElement, fit)

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
    const ball = new Mesh(new SphereGeometry(radius / 45), new MeshBasicMaterial({ color: colour('--accent') }))
    ball.position.set(...at)
    markers.add(ball)
  }
  draw()
}
watch(() => props.marks, showMarks)

function pickAt(x: number, y: number) {
  if (!camera || !mesh) return
  const ray = new Raycaster()
  ray.setFromCamera(new Vector2(x, y), camera)
  // what is cut away is not selected
  const hit = ray.intersectObject(mesh, false).find(({ point }) => clip.distanceToPoint(point) >= 0)
  if (hit?.faceIndex != null) emit('pick', hit.faceIndex, [hit.point.x, hit.point.y, hit.point.z])
}
/** A press that turned the view is no selection. */
let pressed: { x: number; y: number } | undefined
function down({ clientX: x, clientY: y }: PointerEvent) {
  pressed = { x, y }
}
function up({ clientX, clientY }: PointerEvent) {
  const box = canvas.value!.getBoundingClientRect()
  if (pressed && Math.hypot(clientX - pressed.x, clientY - pressed.y) < 5)
    pickAt(((clientX - box.left) / box.width) * 2 - 1, 1 - ((clientY - box.top) / box.height) * 2)
  pressed = undefined
}

const TURN = Math.PI / 24
const KEYS: Record<string, () => void> = {
  ArrowLeft: () => turn(-TURN, 0),
  ArrowRight: () => turn(TURN, 0),
  ArrowUp: () => turn(0, -TURN),
  ArrowDown: () => turn(0, TURN),
  '+': () => zoom(0.85),
  '-': () => zoom(1 / 0.85),
  Enter: () => pickAt(0, 0),
}
function turn(around: number, over: number) {
  if (!camera || !controls) return
  const arm = camera.position.clone().sub(controls.target)
  const length = arm.length()
  const angle = Math.atan2(arm.x, arm.z) + around
  const height = Math.min(Math.PI - 0.05, Math.max(0.05, Math.acos(arm.y / length) + over))
  arm.set(Math.sin(height) * Math.sin(angle), Math.cos(height), Math.sin(height) * Math.cos(angle)).multiplyScalar(length)
  camera.position.copy(controls.target).add(arm)
  controls.update()
  draw()
}
function zoom(by: number) {
  if (!camera || !controls) return
  camera.position.sub(controls.target).multiplyScalar(by).add(controls.target)
  controls.update()
  draw()
}
useEventListener(canvas, 'keydown', (event: KeyboardEvent) => {
  const act = KEYS[event.key]
  if (!act) return
  event.preventDefault()
  act()
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
        @pointerdown="down"
        @pointerup="up"
      />
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
