import { expose, transfer } from 'comlink'
import type { BufferGeometry, Object3D } from 'three'
import { checkScanFile, type ScanKind } from '../../core/formats/scan-file.ts'
import type { FittedPlane } from '../../core/vision/scan/fit-plane.ts'
import { inFrame, type ScanFrame } from '../../core/vision/scan/frame.ts'
import {
  extentOf,
  likelyUnit,
  meshProblem,
  SCAN_UNITS,
  scaled,
  type Mesh,
  type ScanUnit,
  type Vector,
} from '../../core/vision/scan/mesh.ts'
import { placedByHoles, type HolePlacing } from '../../core/vision/scan/holes.ts'
import { pieceOf, wholeBody, withObject, withoutTriangles, type ScanPieces } from '../../core/vision/scan/pieces.ts'
import { faceAt, placedBy, roundAt, surfaceOf, type RoundFeature, type ScanSurface } from '../../core/vision/scan/placing.ts'
import { scannedCaliper, scannedWheel, type ScannedLine } from '../../core/vision/scan/scan-outline.ts'

/** One scan: read, placed and turned into a line, away from the page. The worker is ended with the dialog. */

export type OpenedScan =
  | {
      ok: true
      /** Corners in the file's unit, for the view. */
      corners: Float32Array
      triangles: number
      size: [number, number, number]
      /** Middle of its extent, in the file's unit. */
      centre: [number, number, number]
      /** The file's own unit, or the one that its size speaks for. */
      unit: ScanUnit | undefined
      unitIsKnown: boolean
      sha256: string
    }
  | { ok: false; message: string }
export type FoundPlane = { ok: true; plane: FittedPlane } | { ok: false; message: string }
export type FoundRound = { ok: true; round: RoundFeature } | { ok: false; message: string }
export type ScanPlacing =
  | { by: 'features'; plane: FittedPlane; round: RoundFeature; outwards: Vector; faceToMountMm: number; scaleOff: number }
  | ({ by: 'holes' } & HolePlacing)
  | { by: 'numbers'; frame: ScanFrame; uMm: number }
export type FoundLine =
  | { ok: true; line: ScannedLine; objects: { name: string; line: ScannedLine }[]; worstUMm: number; frame: ScanFrame }
  | { ok: false; message: string }
/** How many triangles are left out, and which objects stand apart. */
export type FoundPieces = { ok: true; leftOut: number; names: readonly string[] } | { ok: false; message: string }

let mesh: Mesh = new Float32Array(0)
let surface: ScanSurface | undefined
let pieces: ScanPieces = wholeBody(0)
/** Numbers from 0 to 1, always the same: the same selection gives the same fit. */
function numbers(): () => number {
  let state = 20261130
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32
  }
}
const said = (error: unknown, otherwise: string) => ({
  ok: false as const,
  message: error instanceof RangeError && !/array|buffer|length/i.test(error.message) ? error.message : otherwise,
})

const scan = {
  async open(name: string, buffer: ArrayBuffer): Promise<OpenedScan> {
    const bytes = new Uint8Array(buffer)
    const checked = checkScanFile(name, bytes)
    if (!checked.ok) return checked
    try {
      const corners = await cornersIn(checked.kind, buffer)
      // the size is asked about once its unit is known
      const problem = corners.length < 9 || corners.some((value) => !Number.isFinite(value)) ? meshProblem(corners) : undefined
      if (problem) return { ok: false, message: problem }
      mesh = corners
      surface = undefined
      pieces = wholeBody(corners.length / 9)
      const { size, low } = extentOf(corners)
      const unitIsKnown = checked.kind === 'gltf' || checked.kind === 'glb'
      const digest = await crypto.subtle?.digest('SHA-256', buffer)
      const opened: OpenedScan = {
        ok: true,
        corners: corners.slice(),
        triangles: corners.length / 9,
        size,
        centre: [low[0] + size[0] / 2, low[1] + size[1] / 2, low[2] + size[2] / 2],
        unit: unitIsKnown ? 'm' : likelyUnit(size),
        unitIsKnown,
        sha256: digest ? [...new Uint8Array(digest)].map((one) => one.toString(16).padStart(2, '0')).join('') : '',
      }
      return transfer(opened, [opened.corners.buffer])
    } catch (error) {
      return said(error, 'The file cannot be read as a mesh. Export the scan again, best as STL.')
    }
  },
  /** From here on everything is in mm. @returns what makes the mesh useless; undefined: nothing */
  setUnit(unit: ScanUnit): string | undefined {
    const problem = meshProblem(mesh, SCAN_UNITS[unit])
    if (problem) return problem
    surface = surfaceOf(scaled(mesh, SCAN_UNITS[unit]))
    return undefined
  },
  face(triangle: number): FoundPlane {
    try {
      return { ok: true, plane: faceAt(surface!, triangle, numbers()) }
    } catch (error) {
      return said(error, 'There is no flat face here. Select another place.')
    }
  },
  round(triangle: number, axis: Vector): FoundRound {
    try {
      return { ok: true, round: roundAt(surface!, triangle, axis, numbers()) }
    } catch (error) {
      return said(error, 'There is nothing round here. Select another place.')
    }
  },
  /** Leaves triangles out, makes them an object with a name, or, without triangles, takes all of that back. */
  piece(triangles: Uint32Array | undefined, name: string | undefined): FoundPieces {
    try {
      pieces =
        triangles === undefined
          ? wholeBody(mesh.length / 9)
          : name === undefined
            ? withoutTriangles(pieces, triangles)
            : withObject(pieces, name, triangles)
      return { ok: true, leftOut: pieces.of.reduce((sum, one) => sum + (one === 1 ? 1 : 0), 0), names: pieces.names }
    } catch (error) {
      return said(error, 'These triangles cannot be set apart. Circle a smaller part.')
    }
  },
  line(kind: 'caliper' | 'wheel', placing: ScanPlacing): FoundLine {
    try {
      const { frame, uncertainty, worstUMm } =
        placing.by === 'features'
          ? placedBy(placing.plane, placing.round, placing.outwards, placing.faceToMountMm, placing.scaleOff)
          : placing.by === 'holes'
            ? placedByHoles(placing)
            : { frame: placing.frame, uncertainty: (): [number, number] => [placing.uMm, placing.uMm], worstUMm: placing.uMm }
      const placed = inFrame(surface!.mesh, frame)
      const scanned = pieceOf(placed, pieces, 'scanned')
      const leftOut = pieceOf(placed, pieces, 'leftOut')
      if (kind === 'wheel') return { ok: true, line: scannedWheel(scanned, uncertainty, leftOut), objects: [], worstUMm, frame }
      const lineOf = (piece: string) => scannedCaliper(pieceOf(placed, pieces, piece), uncertainty, scanned, leftOut)
      const objects = pieces.names.map((name) => ({ name, line: lineOf(name) }))
      return { ok: true, line: lineOf('body'), objects, worstUMm, frame }
    } catch (error) {
      return said(error, 'No line can be made of this mesh. Check the mounting face and the axis.')
    }
  },
}
export type ScanApi = typeof scan

/** Corners of all triangles of a file. The loaders come with the first scan. */
async function cornersIn(kind: ScanKind, buffer: ArrayBuffer): Promise<Float32Array> {
  const text = () => new TextDecoder().decode(buffer)
  switch (kind) {
    case 'stl': {
      const { STLLoader } = await import('three/examples/jsm/loaders/STLLoader.js')
      return cornersOf(new STLLoader().parse(buffer))
    }
    case 'ply': {
      const { PLYLoader } = await import('three/examples/jsm/loaders/PLYLoader.js')
      return cornersOf(new PLYLoader().parse(buffer))
    }
    case 'obj': {
      const { OBJLoader } = await import('three/examples/jsm/loaders/OBJLoader.js')
      return allCorners(new OBJLoader().parse(text()))
    }
    default: {
      const { GLTFLoader } = await import('three/examples/jsm/loaders/GLTFLoader.js')
      const { scene } = await new GLTFLoader().parseAsync(kind === 'glb' ? buffer : text(), '')
      return allCorners(scene)
    }
  }
}
function cornersOf(geometry: BufferGeometry): Float32Array {
  const plain = geometry.index ? geometry.toNonIndexed() : geometry
  const at = plain.getAttribute('position')
  if (!at) return new Float32Array(0)
  const count = at.count - (at.count % 3)
  const corners = new Float32Array(count * 3)
  for (let i = 0; i < count; i += 1) corners.set([at.getX(i), at.getY(i), at.getZ(i)], 3 * i)
  return corners
}
/** Of all meshes in a scene, each where it stands. */
function allCorners(scene: Object3D): Float32Array {
  scene.updateMatrixWorld(true)
  const parts: Float32Array[] = []
  scene.traverse((one) => {
    const { geometry } = one as { geometry?: BufferGeometry }
    if (geometry?.isBufferGeometry && (one as { isMesh?: boolean }).isMesh)
      parts.push(cornersOf(geometry.clone().applyMatrix4(one.matrixWorld)))
  })
  const all = new Float32Array(parts.reduce((sum, part) => sum + part.length, 0))
  let at = 0
  for (const part of parts) {
    all.set(part, at)
    at += part.length
  }
  return all
}

expose(scan)
