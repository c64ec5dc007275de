import type { Mesh } from './mesh.ts'

/** Corners nearer to each other than this are one, mm. */
const SAME_MM = 1e-4

/** Corners that are the same, by number: three of them a triangle. */
export function welded(mesh: Mesh): Uint32Array {
  const count = mesh.length / 3
  const ids = new Uint32Array(count)
  const size = 1 << Math.ceil(Math.log2(Math.max(16, count * 2)))
  const table = new Int32Array(size).fill(-1)
  const key = (at: number, k: number) => Math.round(mesh[3 * at + k]! / SAME_MM)
  let next = 0
  const firstOf = new Uint32Array(count)
  for (let at = 0; at < count; at += 1) {
    const [x, y, z] = [key(at, 0), key(at, 1), key(at, 2)]
    let slot = ((Math.imul(x, 73856093) ^ Math.imul(y, 19349663) ^ Math.imul(z, 83492791)) >>> 0) & (size - 1)
    for (;;) {
      const id = table[slot]!
      if (id < 0) {
        table[slot] = next
        firstOf[next] = at
        ids[at] = next
        next += 1
        break
      }
      const other = firstOf[id]!
      if (key(other, 0) === x && key(other, 1) === y && key(other, 2) === z) {
        ids[at] = id
        break
      }
      slot = (slot + 1) & (size - 1)
    }
  }
  return ids
}

/** Edges with a triangle on one side only: there the scan has a hole. As numbers of the mesh's corners, two an edge. */
export function openEdges(mesh: Mesh, ids = welded(mesh)): Uint32Array {
  const size = 1 << Math.ceil(Math.log2(Math.max(16, ids.length * 2)))
  // of each edge: its corners, and where it was met; -1: met twice
  const table = new Int32Array(size).fill(EMPTY)
  const low = new Uint32Array(size)
  const high = new Uint32Array(size)
  for (let corner = 0; corner < ids.length; corner += 1) {
    const [a, b] = [ids[corner]!, ids[following(corner)]!]
    // a triangle without area has no sides
    if (a === b) continue
    const [least, most] = a < b ? [a, b] : [b, a]
    let slot = ((Math.imul(least, 73856093) ^ Math.imul(most, 19349663)) >>> 0) & (size - 1)
    while (table[slot] !== EMPTY && (low[slot] !== least || high[slot] !== most)) slot = (slot + 1) & (size - 1)
    if (table[slot] === EMPTY) {
      table[slot] = corner
      low[slot] = least
      high[slot] = most
    } else table[slot] = MET_TWICE
  }
  const open: number[] = []
  for (const corner of table) if (corner >= 0) open.push(corner, following(corner))
  return Uint32Array.from(open)
}
const EMPTY = -2
const MET_TWICE = -1
/** The next corner of the same triangle. */
const following = (corner: number): number => (corner % 3 === 2 ? corner - 2 : corner + 1)
