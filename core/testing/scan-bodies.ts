import type { Mesh } from '../vision/scan/mesh.ts'

/** Bodies as meshes whose sections are known: for tests, and for the example scans of the demo. */

type Section = readonly (readonly [z: number, r: number])[]

/** A closed section turned about the z axis over an angle, with flat ends where it does not close; mm, rad. */
export function turned(section: Section, from: number, to: number, stepsRound: number): Mesh {
  const full = to - from > 2 * Math.PI - 1e-9
  const out: number[] = []
  const at = ([z, r]: Section[number], angle: number) => [r * Math.cos(angle), r * Math.sin(angle), z]
  for (let i = 0; i < stepsRound; i += 1) {
    const [a, b] = [from + ((to - from) * i) / stepsRound, from + ((to - from) * (i + 1)) / stepsRound]
    section.forEach((p, k) => {
      const q = section[(k + 1) % section.length]!
      const corners = [at(p, a), at(q, a), at(q, b), at(p, b)] as const
      out.push(...corners[0], ...corners[1], ...corners[2], ...corners[0], ...corners[2], ...corners[3])
    })
  }
  if (!full)
    for (const [angle, flip] of [
      [from, false],
      [to, true],
    ] as const)
      for (const [p, q, s] of cutIntoTriangles(section)) {
        const corners = flip ? [p, s, q] : [p, q, s]
        out.push(...corners.flatMap((one) => at(one, angle)))
      }
  return Float64Array.from(out)
}

/** A simple polygon as triangles, ear by ear. */
function cutIntoTriangles(section: Section): [Section[number], Section[number], Section[number]][] {
  const rest = [...section]
  const area = section.reduce((sum, p, i) => {
    const q = section[(i + 1) % section.length]!
    return sum + p[0] * q[1] - q[0] * p[1]
  }, 0)
  const turn = (a: Section[number], b: Section[number], c: Section[number]) =>
    ((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])) * Math.sign(area)
  const found: [Section[number], Section[number], Section[number]][] = []
  while (rest.length > 3) {
    const ear = rest.findIndex((b, i) => {
      const a = rest[(i + rest.length - 1) % rest.length]!
      const c = rest[(i + 1) % rest.length]!
      if (turn(a, b, c) <= 0) return false
      return rest.every((p) => p === a || p === b || p === c || turn(a, b, p) < 0 || turn(b, c, p) < 0 || turn(c, a, p) < 0)
    })
    const i = ear < 0 ? 0 : ear
    found.push([rest[(i + rest.length - 1) % rest.length]!, rest[i]!, rest[(i + 1) % rest.length]!])
    rest.splice(i, 1)
  }
  found.push([rest[0]!, rest[1]!, rest[2]!])
  return found
}

/** Half section of an invented caliper, in the frame of the mounting face. */
export const CALIPER_SECTION: Section = [
  [-66, 98],
  [-66, 122],
  [-54, 133],
  [-30, 133],
  [-10, 133],
  [6, 133],
  [24, 112],
  [24, 84],
  [10, 84],
  [10, 116],
  [-28, 116],
  [-28, 98],
]

/** A box whose middle lies on a ray from the axis: a spoke. Lengths along the ray, across it and along z; mm, rad. */
export function spoke(
  angle: number,
  [r0, r1]: readonly [number, number],
  widthMm: number,
  back: readonly [number, number],
  thickMm: number,
): Mesh {
  const [c, s] = [Math.cos(angle), Math.sin(angle)]
  const at = (r: number, side: number, z: number) => [r * c - (side * widthMm * s) / 2, r * s + (side * widthMm * c) / 2, z]
  const corners = [
    at(r0, -1, back[0]),
    at(r0, 1, back[0]),
    at(r1, 1, back[1]),
    at(r1, -1, back[1]),
    at(r0, -1, back[0] + thickMm),
    at(r0, 1, back[0] + thickMm),
    at(r1, 1, back[1] + thickMm),
    at(r1, -1, back[1] + thickMm),
  ]
  const sides = [
    [0, 1, 2, 3],
    [7, 6, 5, 4],
    [0, 4, 5, 1],
    [1, 5, 6, 2],
    [2, 6, 7, 3],
    [3, 7, 4, 0],
  ]
  return Float64Array.from(
    sides.flatMap(([a, b, d, e]) => [corners[a!]!, corners[b!]!, corners[d!]!, corners[a!]!, corners[d!]!, corners[e!]!].flat()),
  )
}

export const together = (...meshes: readonly Mesh[]): Mesh => {
  const all = new Float64Array(meshes.reduce((sum, mesh) => sum + mesh.length, 0))
  let at = 0
  for (const mesh of meshes) {
    all.set(mesh, at)
    at += mesh.length
  }
  return all
}

/** A mesh moved and turned: its corners in other directions. */
export function moved(mesh: Mesh, rows: readonly (readonly [number, number, number])[], by: readonly [number, number, number]): Mesh {
  const out = new Float64Array(mesh.length)
  for (let i = 0; i < mesh.length; i += 3)
    for (let k = 0; k < 3; k += 1) out[i + k] = rows[k]![0] * mesh[i]! + rows[k]![1] * mesh[i + 1]! + rows[k]![2] * mesh[i + 2]! + by[k]!
  return out
}
/** A rotation from three angles, as rows. */
export function rotation(a: number, b: number, c: number): [number, number, number][] {
  const [ca, sa, cb, sb, cc, sc] = [Math.cos(a), Math.sin(a), Math.cos(b), Math.sin(b), Math.cos(c), Math.sin(c)]
  return [
    [ca * cb, ca * sb * sc - sa * cc, ca * sb * cc + sa * sc],
    [sa * cb, sa * sb * sc + ca * cc, sa * sb * cc - ca * sc],
    [-sb, cb * sc, cb * cc],
  ]
}
