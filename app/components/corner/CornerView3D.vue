<script setup lang="ts">
import {
  DoubleSide,
  Group,
  LatheGeometry,
  Mesh,
  MeshBasicMaterial,
  MeshStandardMaterial,
  Sphere,
  SphereGeometry,
  Vector2,
  Vector3,
} from 'three'
import { computed, onMounted, ref, watch } from 'vue'
import type { Corner } from '#core/clearance/half-section.ts'
import { themeColour, useThreeStage } from '~/composables/three-stage'
import { turnedCorner, type Turned } from '~/drawing/corner-3d'

/**
 * Wheel and caliper together, turned by hand, with the nearest place marked: to see where it is, not to judge it. All bodies are
 * the half section turned about the hub axis.
 */
const props = defineProps<{ corner: Corner }>()
const canvas = ref<HTMLCanvasElement>()
const { scene, unavailable, start, draw } = useThreeStage(canvas)
const bodies = new Group()
const turned = computed(() => turnedCorner(props.corner))
const VIEW_FROM = new Vector3(0.9, 0.8, 2.1)
const LOOK = {
  wheel: { colour: '--steel', opacity: 0.42 },
  caliper: { colour: '--accent', opacity: 1 },
  rotor: { colour: '--steel-soft', opacity: 1 },
} as const
const STEPS_A_TURN = 96

function body({ kind, points, from, length, closed }: Turned): Mesh {
  const line = (closed ? [...points, points[0]!] : points).map(([r, z]) => new Vector2(r, z))
  // a lathe turns about y and begins at z: the hub axis is laid along z, and the angle is counted from straight up
  const geometry = new LatheGeometry(line, Math.max(12, Math.round((STEPS_A_TURN * length) / (2 * Math.PI))), from, length)
  geometry.rotateX(Math.PI / 2)
  geometry.rotateZ(Math.PI)
  const { colour, opacity } = LOOK[kind]
  return new Mesh(
    geometry,
    new MeshStandardMaterial({
      color: themeColour(colour),
      roughness: 0.7,
      metalness: 0.1,
      side: DoubleSide,
      transparent: opacity < 1,
      opacity,
      depthWrite: opacity === 1,
    }),
  )
}
function show() {
  for (const one of bodies.children) (one as Mesh).geometry.dispose()
  bodies.clear()
  for (const one of turned.value) bodies.add(body(one))
  const { gap } = props.corner
  for (const [z, r] of gap ? [gap.caliperPoint, gap.wheelPoint] : []) {
    const ball = new Mesh(new SphereGeometry(3.4), new MeshBasicMaterial({ color: themeColour('--blocked'), depthTest: false }))
    ball.renderOrder = 1
    ball.position.set(0, r, z)
    bodies.add(ball)
  }
  draw()
}
onMounted(() => {
  const reach = Math.max(60, ...turned.value.flatMap((one) => one.points.map(([r, z]) => Math.hypot(r, z))))
  if (!start(new Sphere(new Vector3(), reach * 1.12), VIEW_FROM)) return
  scene.add(bodies)
  show()
})
watch(turned, show)
</script>

<template>
  <div class="view">
    <div v-show="!unavailable" class="stage">
      <canvas
        ref="canvas"
        tabindex="0"
        role="img"
        data-test="corner-3d"
        :aria-label="`Wheel and caliper in 3D, ${corner.axle}. ${corner.sentence} Arrow keys turn the view, plus and minus zoom.`"
      />
    </div>
    <p v-if="unavailable" class="soft">This browser shows no 3D view. The half section says the same.</p>
    <p v-else-if="turned.length === 0" class="soft">Nothing to draw yet. Enter the caliper’s outline and select a wheel.</p>
    <p v-else class="soft small">
      The half section turned about the hub axis: how far round the caliper reaches is not measured. The dots mark the nearest place.
    </p>
  </div>
</template>

<style scoped>
.view {
  display: flex;
  flex-direction: column;
  width: 100%;
  height: 100%;
  min-height: 300px;
}
.stage {
  position: relative;
  flex: 1;
  min-height: 0;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  touch-action: none;
}
p {
  margin: 4px 8px;
}
</style>
