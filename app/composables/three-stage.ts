import { useEventListener, useResizeObserver } from '@vueuse/core'
import {
  AmbientLight,
  Color,
  DirectionalLight,
  PerspectiveCamera,
  Scene,
  WebGLRenderer,
  type Camera,
  type Sphere,
  type Vector3,
} from 'three'
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js'
import { onBeforeUnmount, ref, type Ref } from 'vue'

const TURN = Math.PI / 24
const CLOSER = 0.85
/** Behind a picture that is kept: it is seen in both themes. */
const PAPER = '#f4f1ea'

/** A colour of the theme. */
export const themeColour = (name: string): Color =>
  new Color(getComputedStyle(document.documentElement).getPropertyValue(name).trim() || '#888888')

/**
 * A scene on a canvas that is turned and zoomed by hand, by touch and by keys, and drawn when something changes. Where the
 * browser draws no 3D, `start` says so.
 */
export function useThreeStage(canvas: Ref<HTMLCanvasElement | undefined>) {
  const scene = new Scene()
  const unavailable = ref(false)
  let renderer: WebGLRenderer | undefined
  let controls: OrbitControls | undefined
  const camera = new PerspectiveCamera(40, 1, 0.1, 1000)

  const draw = () => renderer?.render(scene, camera)
  /**
   * @param around what is in view
   * @param from where the camera stands, in radii of it
   * @returns false where there is no 3D
   */
  function start({ center, radius }: Sphere, from: Vector3): boolean {
    try {
      renderer = new WebGLRenderer({ canvas: canvas.value!, antialias: true, alpha: true })
    } catch {
      unavailable.value = true
      return false
    }
    renderer.localClippingEnabled = true
    const light = new DirectionalLight(0xffffff, 2.2)
    light.position.set(1, 1.4, 2)
    scene.add(new AmbientLight(0xffffff, 1.1), light)
    camera.near = radius / 100
    camera.far = radius * 20
    camera.position.copy(center).add(from.clone().multiplyScalar(radius))
    controls = new OrbitControls(camera, canvas.value)
    controls.target.copy(center)
    controls.enableDamping = false
    controls.addEventListener('change', draw)
    controls.update()
    fit()
    return true
  }
  onBeforeUnmount(() => {
    controls?.dispose()
    scene.traverse((one) => (one as { geometry?: { dispose(): void } }).geometry?.dispose())
    renderer?.dispose()
  })

  function fit() {
    const box = canvas.value?.parentElement?.getBoundingClientRect()
    if (!renderer || !box || box.width === 0 || box.height === 0) return
    renderer.setPixelRatio(Math.min(2, devicePixelRatio))
    renderer.setSize(box.width, box.height, false)
    camera.aspect = box.width / box.height
    camera.updateProjectionMatrix()
    draw()
  }
  useResizeObserver(() => canvas.value?.parentElement, fit)
  /** The scene as a small JPEG, seen by another camera. */
  function photograph(by: Camera, width: number, height: number): string | undefined {
    if (!renderer) return undefined
    const ratio = renderer.getPixelRatio()
    renderer.setPixelRatio(1)
    renderer.setSize(width, height, false)
    scene.background = new Color(PAPER)
    renderer.render(scene, by)
    const jpeg = renderer.domElement.toDataURL('image/jpeg', 0.7)
    scene.background = null
    renderer.setPixelRatio(ratio)
    fit()
    return jpeg.startsWith('data:image/jpeg;base64,') ? jpeg : undefined
  }

  function turn(around: number, over: number) {
    if (!controls) return
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
    if (!controls) return
    camera.position.sub(controls.target).multiplyScalar(by).add(controls.target)
    controls.update()
    draw()
  }
  const KEYS: Record<string, () => void> = {
    ArrowLeft: () => turn(-TURN, 0),
    ArrowRight: () => turn(TURN, 0),
    ArrowUp: () => turn(0, -TURN),
    ArrowDown: () => turn(0, TURN),
    '+': () => zoom(CLOSER),
    '-': () => zoom(1 / CLOSER),
  }
  useEventListener(canvas, 'keydown', (event: KeyboardEvent) => {
    const act = KEYS[event.key]
    if (!act) return
    event.preventDefault()
    act()
  })
  return {
    scene,
    camera,
    unavailable,
    start,
    draw,
    photograph,
    /** While something else takes the pointer. */
    hold: (held: boolean) => {
      if (controls) controls.enabled = !held
    },
  }
}
