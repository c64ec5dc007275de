import type { Mesh } from './mesh.ts'

/** What someone circled in a mesh: left out of it, or an object of its own that stands on the part. */
export interface ScanPieces {
  /** For each triangle: 0 belongs to the body, 1 is left out, from 2 on it is object n - 2. */
  readonly of: Uint8Array
  readonly names: readonly string[]
}
export const LEFT_OUT = 1
const FIRST_OBJECT = 2
/** More objects than this nobody tells apart. */
export const MOST_OBJECTS = 12

export const wholeBody = (triangles: number): ScanPieces => ({ of: new Uint8Array(triangles), names: [] })

/** The same with triangles left out. */
export function withoutTriangles(pieces: ScanPieces, triangles: Iterable<number>): ScanPieces {
  const of = pieces.of.slice()
  for (const one of triangles) of[one] = LEFT_OUT
  return { ...pieces, of }
}

/**
 * The same with triangles as an object; what was left out stays out.
 * @throws RangeError beyond `MOST_OBJECTS`
 */
export function withObject(pieces: ScanPieces, name: string, triangles: Iterable<number>): ScanPieces {
  const known = pieces.names.indexOf(name)
  if (known === -1 && pieces.names.length >= MOST_OBJECTS) throw new RangeError(`At most ${MOST_OBJECTS} objects are told apart.`)
  const names = known === -1 ? [...pieces.names, name] : pieces.names
  const at = FIRST_OBJECT + names.indexOf(name)
  const of = pieces.of.slice()
  for (const one of triangles) if (of[one] !== LEFT_OUT) of[one] = at
  return { of, names }
}

/**
 * Triangles of a mesh that belong to one piece.
 * @param piece `body`, `leftOut`, `scanned` for all that is not left out, or the name of an object
 *
 * @example
 * pieceOf(Float64Array.of(0, 0, 0, 1, 0, 0, 0, 1, 0), wholeBody(1), 'body').length // => 9
 */
export function pieceOf(mesh: Mesh, { of, names }: ScanPieces, piece: string): Mesh {
  const wanted = piece === 'body' ? 0 : piece === 'leftOut' ? LEFT_OUT : FIRST_OBJECT + names.indexOf(piece)
  const belongs = (one: number) => (piece === 'scanned' ? one !== LEFT_OUT : one === wanted)
  if (piece === 'scanned' ? !of.includes(LEFT_OUT) : piece === 'body' && of.every((one) => one === 0)) return mesh
  const found = new Float64Array(9 * of.reduce((sum, one) => sum + (belongs(one) ? 1 : 0), 0))
  let at = 0
  of.forEach((one, i) => {
    if (!belongs(one)) return
    found.set(mesh.subarray(9 * i, 9 * i + 9), at)
    at += 9
  })
  return found
}

/** Triangles whose middle lies in a drawn loop, by its place in the picture; undefined: it is not in the picture. */
export function insideLoop(
  triangles: number,
  placeOf: (triangle: number) => readonly [x: number, y: number] | undefined,
  loop: readonly (readonly [x: number, y: number])[],
): number[] {
  if (loop.length < 3) return []
  const [xs, ys] = [loop.map(([x]) => x), loop.map(([, y]) => y)]
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const found: number[] = []
  for (let i = 0; i < triangles; i += 1) {
    const at = placeOf(i)
    if (!at || at[0] < left || at[0] > right || at[1] < low || at[1] > high) continue
    let inside = false
    for (let k = 0, before = loop.length - 1; k < loop.length; before = k, k += 1) {
      const [[ax, ay], [bx, by]] = [loop[k]!, loop[before]!]
      if (ay > at[1] !== by > at[1] && at[0] < ((bx - ax) * (at[1] - ay)) / (by - ay) + ax) inside = !inside
    }
    if (inside) found.push(i)
  }
  return found
}
