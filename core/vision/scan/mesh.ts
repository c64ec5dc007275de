/**
 * A mesh as the corners of its triangles: nine numbers each, x, y, z of three corners, mm. Readers of files give it like that,
 * whether corners are shared or not.
 */
export type Mesh = Float64Array | Float32Array
export type Vector = readonly [x: number, y: number, z: number]

export const MOST_TRIANGLES = 4_000_000
export const MOST_SCAN_BYTES = 300e6
/** Calipers and wheels are larger and smaller than this in their longest direction, mm. */
const LEAST_SIZE_MM = 30
const MOST_SIZE_MM = 900

interface MeshExtent {
  low: [number, number, number]
  high: [number, number, number]
  /** Lengths along x, y and z. */
  size: [number, number, number]
}

/** How far a mesh reaches along each axis. */
export function extentOf(mesh: Mesh): MeshExtent {
  const low: MeshExtent['low'] = [Infinity, Infinity, Infinity]
  const high: MeshExtent['high'] = [-Infinity, -Infinity, -Infinity]
  for (let i = 0; i < mesh.length; i += 3)
    for (let k = 0; k < 3; k += 1) {
      const value = mesh[i + k]!
      if (value < low[k]!) low[k] = value
      if (value > high[k]!) high[k] = value
    }
  return { low, high, size: [high[0] - low[0], high[1] - low[1], high[2] - low[2]] }
}

/** Units that a file without one may be in, in mm. */
export const SCAN_UNITS = { mm: 1, cm: 10, m: 1000, inch: 25.4 } as const
export type ScanUnit = keyof typeof SCAN_UNITS

/**
 * The unit in which a mesh has the size of a caliper or a wheel; several may, and the first that does is offered.
 *
 * @example
 * likelyUnit([6.2, 14.8, 20.3]) // => 'cm'
 * likelyUnit([0.062, 0.148, 0.203]) // => 'm'
 */
export function likelyUnit(size: Vector): ScanUnit | undefined {
  const longest = Math.max(...size)
  return (['mm', 'cm', 'inch', 'm'] as const).find((unit) => {
    const mm = longest * SCAN_UNITS[unit]
    return mm >= 90 && mm <= 650
  })
}

/**
 * What makes a mesh useless, in a sentence; undefined: nothing does.
 * @param perMm the file's unit in mm
 */
export function meshProblem(mesh: Mesh, perMm = 1): string | undefined {
  if (mesh.length < 9) return 'The file holds no triangles. Export the scan as a mesh of triangles.'
  if (mesh.length > MOST_TRIANGLES * 9)
    return `The mesh has ${Math.round(mesh.length / 9e5) / 10} million triangles; at most 4 million are read. Reduce it in the scanner’s program.`
  for (let i = 0; i < mesh.length; i += 1)
    if (!Number.isFinite(mesh[i]!)) return `Corner ${Math.floor(i / 3) + 1} of the mesh is not a number. Export the scan again.`
  const longest = Math.max(...extentOf(mesh).size) * perMm
  if (longest < LEAST_SIZE_MM || longest > MOST_SIZE_MM)
    return `The mesh is ${longest < 1 ? longest.toPrecision(2) : Math.round(longest)} mm long, which no caliper or wheel is. Check the unit, and cut away what is not the part.`
  return undefined
}

/** The mesh in mm. */
export const scaled = (mesh: Mesh, factor: number): Mesh => (factor === 1 ? mesh : mesh.map((value) => value * factor))
