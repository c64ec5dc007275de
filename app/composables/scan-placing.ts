import { computed, nextTick, ref, shallowRef, type Ref } from 'vue'
import { parseQuantity } from '#core/quantity/parse.ts'
import type { FittedPlane } from '#core/vision/scan/fit-plane.ts'
import { sideways } from '#core/vision/scan/frame.ts'
import type { Vector } from '#core/vision/scan/mesh.ts'
import { awayFrom, scaleError, type RoundFeature } from '#core/vision/scan/placing.ts'
import type { MountPlace } from '#core/clearance/mount-place.ts'
import type { OpenedScan, ScanPlacing } from '../workers/scan.worker.ts'
import type { useScan } from './scan.ts'
import { useWorkbench } from './workbench.ts'

/** What is selected next on a mesh. */
export const SELECTED = {
  face: 'Select the mounting face.',
  round: 'Select a bore, a register or a round edge about the axis.',
  mountFace: 'Select the face that the caliper is bolted with.',
  hole: 'Select the inside of one mounting hole.',
  otherHole: 'Select the inside of the other mounting hole.',
} as const
type Selecting = keyof typeof SELECTED

export const DIRECTIONS: Record<string, Vector> = {
  '+x': [1, 0, 0],
  '-x': [-1, 0, 0],
  '+y': [0, 1, 0],
  '-y': [0, -1, 0],
  '+z': [0, 0, 1],
  '-z': [0, 0, -1],
}

/** How a mesh is placed: what was selected on it, what was typed, and the placing that both make; undefined while something is open. */
export function useScanPlacing(
  scan: ReturnType<typeof useScan>,
  of: {
    opened: Ref<Extract<OpenedScan, { ok: true }> | undefined>
    perMm: Ref<number>
    /** Whether the mesh is ready in its unit. */
    unitReady: Ref<boolean>
    mountPlace: () => MountPlace | undefined
  },
) {
  const { units } = useWorkbench()
  const by = ref<'features' | 'holes' | 'numbers'>('features')
  const selecting = ref<Selecting>('face')
  const plane = shallowRef<FittedPlane>()
  const round = shallowRef<RoundFeature>()
  const holes = shallowRef<{ hole?: RoundFeature; otherHole?: RoundFeature }>({})
  const marks = ref<{ id: string; at: Vector }[]>([])
  const turned = ref(false)
  const trouble = ref('')
  /** Nothing stands in for numbers that nobody entered. */
  const typed = ref({ faceToMount: '0', known: '', x: '', y: '', z: '', u: '', axis: '', toAxis: '', toFace: '' })
  const mount = ref<MountPlace['mount']>('axial')

  const lengthOf = (text: string): number | undefined => {
    const read = parseQuantity(text, 'length', units.value)
    return read.ok ? read.value : undefined
  }
  function begin(way: typeof by.value): void {
    by.value = way
    plane.value = round.value = undefined
    holes.value = {}
    marks.value = []
    trouble.value = ''
    selecting.value = way === 'holes' ? 'mountFace' : 'face'
    const known = of.mountPlace()
    if (way !== 'holes' || !known) return
    mount.value = known.mount
    const text = (mm: number | undefined) => (mm === undefined ? '' : `${Number(mm.toFixed(2))} mm`)
    typed.value.toAxis ||= text(known.toAxisMm)
    typed.value.toFace ||= text(known.toMountingFaceMm)
  }

  async function pick(triangle: number, place: Vector): Promise<void> {
    await nextTick()
    if (!of.unitReady.value) return
    trouble.value = ''
    const id = selecting.value
    if (id === 'face' || id === 'mountFace') {
      const found = await scan.face(triangle)
      if (!found.ok) return void (trouble.value = found.message)
      plane.value = found.plane
      selecting.value = id === 'face' ? 'round' : 'hole'
    } else if (plane.value) {
      const found = await scan.round(triangle, plane.value.normal)
      if (!found.ok) return void (trouble.value = found.message)
      if (id === 'round') round.value = found.round
      else {
        holes.value = { ...holes.value, [id]: found.round }
        if (id === 'hole') selecting.value = 'otherHole'
      }
    }
    marks.value = [...marks.value.filter((one) => one.id !== id), { id, at: place }]
  }

  const centre = computed<Vector>(() => {
    const [x = 0, y = 0, z = 0] = of.opened.value?.centre.map((one) => one * of.perMm.value) ?? []
    return [x, y, z]
  })
  const scaleOff = computed(() => {
    const diameter = lengthOf(typed.value.known)
    return round.value && diameter ? scaleError(round.value.circle.radiusMm, diameter) : 0
  })
  const placing = computed<ScanPlacing | undefined>(() => {
    if (!of.unitReady.value) return undefined
    if (by.value === 'features') {
      const faceToMountMm = lengthOf(typed.value.faceToMount)
      if (!plane.value || !round.value || faceToMountMm === undefined) return undefined
      // most of a caliper and of a wheel lies inboard of the mounting face, so outboard is away from the middle of the mesh
      const outwards = awayFrom(plane.value, centre.value, turned.value)
      return { by: 'features', plane: plane.value, round: round.value, outwards, faceToMountMm, scaleOff: scaleOff.value }
    }
    if (by.value === 'holes') {
      const [toAxisMm, toMountingFaceMm, uMm] = [typed.value.toAxis, typed.value.toFace, typed.value.u].map(lengthOf)
      const { hole, otherHole } = holes.value
      if (!plane.value || !hole || !otherHole || toAxisMm === undefined || toMountingFaceMm === undefined || uMm === undefined || uMm <= 0)
        return undefined
      return {
        by: 'holes',
        plane: plane.value,
        holes: [hole, otherHole],
        mount: mount.value,
        toAxisMm,
        toMountingFaceMm,
        uMm,
        centre: centre.value,
        turned: turned.value,
      }
    }
    const [x, y, z, u] = [typed.value.x, typed.value.y, typed.value.z, typed.value.u].map(lengthOf)
    const outboard = DIRECTIONS[typed.value.axis]
    if (x === undefined || y === undefined || z === undefined || u === undefined || u <= 0 || !outboard) return undefined
    return { by: 'numbers', frame: { origin: [x, y, z], outboard }, uMm: u }
  })
  /** Moves the part against the line that is there already: along the axle, or away from the axis, mm. */
  function nudge(along: 'z' | 'r', byMm: number): void {
    const now = placing.value
    if (now?.by !== 'numbers') return
    const { origin, outboard } = now.frame
    // the part moves one way as the mounting face moves the other
    const way = along === 'z' ? outboard : sideways(outboard, centre.value, origin)
    const [x, y, z] = origin.map((one, k) => `${Number((one - byMm * way[k]!).toFixed(3))} mm`) as [string, string, string]
    Object.assign(typed.value, { x, y, z })
  }
  return { nudge, by, begin, selecting, plane, round, holes, marks, turned, trouble, typed, mount, pick, scaleOff, placing }
}
