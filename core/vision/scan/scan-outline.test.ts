import { describe, expect, test } from '@jest/globals'
import { gap } from '../../clearance/maths/gap.ts'
import { prepareCaliper, prepareWheel } from '../../clearance/maths/outline.ts'
import type { Outline, Profile } from '../../maths/section.ts'
import { stream } from '../../testing/heavy.ts'
import { runs } from '../../testing/runs.ts'
import { moved, rotation, spoke, together, turned } from '../../testing/scan-bodies.ts'
import { inFrame } from './frame.ts'
import type { Mesh, Vector } from './mesh.ts'
import { extentOf, likelyUnit, meshProblem, scaled } from './mesh.ts'
import { openEdges } from './open-edges.ts'
import { faceAt, placedBy, roundAt, surfaceOf } from './placing.ts'
import { scannedCaliper, scannedWheel } from './scan-outline.ts'

type Corner = [z: number, r: number]
const U = (): [number, number] => [0.05, 0.05]
/** A caliper's section, turned over 50 degrees. */
const SECTION: Corner[] = [
  [-70, 100],
  [-70, 128],
  [-58, 140],
  [8, 140],
  [20, 132],
  [30, 116],
  [30, 80],
  [14, 80],
  [14, 122],
  [-30, 122],
  [-30, 100],
]
const CALIPER = turned(SECTION, -0.45, 0.45, 90)
/** A wheel: a barrel with a drop centre, and five spokes whose back rises outwards. */
const BARREL: Corner[] = [
  [-100, 182],
  [-80, 180],
  [-30, 168],
  [20, 168],
  [60, 176],
  [60, 186],
  [-100, 192],
]
const wheelWith = (back: [number, number], barrel = BARREL): Mesh =>
  together(turned(barrel, 0, 2 * Math.PI, 180), ...[0, 1, 2, 3, 4].map((i) => spoke((i * 2 * Math.PI) / 5, [30, 174], 40, back, 18)))
const WHEEL = wheelWith([4, 38])

const at = (points: readonly Corner[], z: number): number => {
  const i = points.findIndex((one, k) => k > 0 && Math.min(points[k - 1]![0], one[0]) <= z && z <= Math.max(points[k - 1]![0], one[0]))
  const [[z0, r0], [z1, r1]] = [points[i - 1]!, points[i]!]
  return z1 === z0 ? Math.max(r0, r1) : r0 + ((r1 - r0) * (z - z0)) / (z1 - z0)
}

describe('a scanned caliper', () => {
  const line = scannedCaliper(CALIPER, U)
  test('its line is the section, on the safe side by no more than 0.02 mm', () => {
    expect(line.toleranceMm).toBeLessThanOrEqual(0.02 + 1e-9)
    expect(line.points.length).toBeLessThan(200)
    expect(line.notScannedMm).toBe(0)
    for (const [z, r] of [
      [-65, 133],
      [-40, 140],
      [0, 140],
      [14, 136],
      [25, 124],
    ] as const) {
      expect(at(line.points, z) - r).toBeGreaterThan(-1e-6)
      expect(at(line.points, z) - r).toBeLessThan(0.04)
    }
    // down the outboard face to its lower end
    const face = line.points.map(([z, r]): Corner => [r, z]).slice(line.points.findIndex(([z]) => z >= 29.9))
    for (const r of [85, 95, 110]) {
      expect(at(face, r)).toBeGreaterThan(30 - 1e-6)
      expect(at(face, r)).toBeLessThan(30.03)
    }
    expect(Math.max(...line.points.map(([z]) => z))).toBeGreaterThanOrEqual(30)
    expect(Math.max(...line.points.map(([z]) => z))).toBeLessThan(30.03)
    expect(Math.min(...line.points.map(([, r]) => r))).toBeLessThan(80.1)
  })
  test('a hole in its top is bridged as unknown, never as free', () => {
    // the triangles of the top between z -30 and -10 are gone
    const kept: number[] = []
    const fine = turned([...SECTION.slice(0, 3), [-30, 140], [-10, 140], ...SECTION.slice(3)], -0.45, 0.45, 90)
    for (let i = 0; i < fine.length; i += 9) {
      const zs = [fine[i + 2]!, fine[i + 5]!, fine[i + 8]!]
      const rs = [0, 3, 6].map((k) => Math.hypot(fine[i + k]!, fine[i + k + 1]!))
      if (Math.min(...rs) > 139.9 && Math.min(...zs) >= -30 && Math.max(...zs) <= -10) continue
      kept.push(...fine.subarray(i, i + 9))
    }
    const holed = scannedCaliper(Float64Array.from(kept), U)
    expect(openEdges(Float64Array.from(kept)).length).toBeGreaterThan(0)
    expect(holed.notScannedMm).toBeGreaterThan(19)
    const inside = holed.points.flatMap(([z], i) => (z > -29.5 && z < -10.5 && i > 0 ? [holed.doubts[i]![1]] : []))
    const around = holed.points.findIndex(([z]) => z >= -29.9)
    expect([...inside, holed.doubts[around]![1]].every((u) => u === 10)).toBe(true)
    expect(at(holed.points, -20)).toBeGreaterThanOrEqual(140)
    expect(at(line.points, -20)).toBeLessThan(140.05)
  })
})

describe('a scanned wheel', () => {
  const line = scannedWheel(WHEEL, U)
  test('along the barrel, then down the back of the spokes, with a tag for each stretch', () => {
    expect(line.tags).toHaveLength(line.points.length - 1)
    for (const [z, r] of [
      [-90, 181],
      [-50, 172.8],
      [0, 168],
    ] as const) {
      const got = at(line.points, z)
      // the flats between the corners of a round mesh lie nearer to the axis
      expect(r - got).toBeGreaterThan(-1e-6)
      expect(r - got).toBeLessThan(0.08)
    }
    const back = line.points.filter((_, i) => line.tags[i] === 'face')
    for (const [z, r] of back) if (r > 60 && r < 165) expect(z).toBeLessThanOrEqual(4 + (34 * (r - 30)) / 144 + 0.03)
    expect(line.points.at(-1)![1]).toBeLessThan(31)
  })
  test('a mesh without spokes in a barrel is said so', () => {
    const inner: Corner[] = [
      [0, 20],
      [0, 30],
      [1, 30],
      [1, 20],
    ]
    expect(() => scannedWheel(turned(inner, 0, 2 * Math.PI, 40), U)).toThrow(/no spokes inside a barrel/)
  })
})

test('clearance from two scans is that of the bodies within the tolerance, and never more', () => {
  const next = stream(21)
  const { points, tags } = scannedWheel(WHEEL, U)
  const scanned = prepareWheel({ points, tags })
  for (let i = 0; i < runs(100, 12); i += 1) {
    const [lift, out] = [next() * 24, next() * 14 - 4]
    const section = SECTION.map(([z, r]): Corner => [z + out, r + lift])
    const made: Outline[] = [{ name: 'body', points: scannedCaliper(turned(section, -0.45, 0.45, 60), U).points }]
    const true_: Outline[] = [{ name: 'body', points: [...section, section[0]!] }]
    const wheel: Profile = {
      // what a caliper meets: barrel to the root of the spokes, then their back
      points: [...BARREL.slice(0, 4), [4 + (34 * (168 - 30)) / 144, 168], [4, 30]],
      tags: ['barrel', 'barrel', 'barrel', 'shoulder', 'face'],
    }
    const found = gap(prepareCaliper(made), scanned, 0)
    const truth = gap(prepareCaliper(true_), prepareWheel(wheel), 0)
    if (truth.overlaps) expect(found.overlaps || found.minGapMm < 0.2).toBe(true)
    else if (!found.overlaps) {
      // the safe side: the scan never has more room; a round mesh has flats 0.03 mm deep
      expect(found.minGapMm - truth.minGapMm).toBeLessThan(0.005)
      expect(truth.minGapMm - found.minGapMm).toBeLessThan(0.15)
    }
  }
})

describe('placed by a face and a bore', () => {
  /** A hub with a flat face and a register, turned and moved away. */
  const hub: Corner[] = [
    [-30, 28],
    [0, 28],
    [0, 70],
    [-30, 70],
  ]
  const body = together(turned(hub, 0, 2 * Math.PI, 120), turned(SECTION, -0.45, 0.45, 90))
  const rows = rotation(0.7, -0.4, 1.1)
  const away = moved(body, rows, [300, -120, 55])
  const noisy = (mesh: Mesh, next: () => number, by: number): Mesh => {
    // corners that are one move together
    const moves = new Map<string, number[]>()
    const out = mesh.slice()
    for (let i = 0; i < mesh.length; i += 3) {
      const key = [0, 1, 2].map((k) => Math.round(mesh[i + k]! * 1e4)).join()
      const move = moves.get(key) ?? [0, 1, 2].map(() => (next() + next() + next() - 1.5) * 2 * by)
      moves.set(key, move)
      for (let k = 0; k < 3; k += 1) out[i + k]! += move[k]!
    }
    return out
  }
  /** The triangle whose middle is nearest to a place. */
  function triangleAt(mesh: Mesh, place: Vector): number {
    let [best, least] = [0, Infinity]
    for (let i = 0; i < mesh.length; i += 9) {
      const d = [0, 1, 2].reduce((sum, k) => sum + ((mesh[i + k]! + mesh[i + 3 + k]! + mesh[i + 6 + k]!) / 3 - place[k]!) ** 2, 0)
      if (d < least) [best, least] = [i / 9, d]
    }
    return best
  }
  const place = (z: number, r: number): Vector => moved(Float64Array.of(r, 0, z), rows, [300, -120, 55]) as unknown as Vector
  const outwards: Vector = [rows[0]![2], rows[1]![2], rows[2]![2]]

  test('without noise the caliper comes back where it was', () => {
    const surface = surfaceOf(away)
    const plane = faceAt(surface, triangleAt(away, place(0, 50)), stream(1))
    const round = roundAt(surface, triangleAt(away, place(-15, 28)), plane.normal, stream(1))
    expect(plane.residualMm).toBeLessThan(1e-6)
    expect(round.circle.radiusMm).toBeCloseTo(28, 2)
    const { frame, worstUMm } = placedBy(plane, round, outwards, 0)
    const back = inFrame(away, frame)
    expect(extentOf(back).high[2]).toBeCloseTo(30, 3)
    expect(worstUMm).toBeLessThan(0.1)
    const hubFaceAlone = placedBy(plane, round, outwards, 7.5)
    expect(extentOf(inFrame(away, hubFaceAlone.frame)).high[2]).toBeCloseTo(22.5, 3)
    expect(placedBy(plane, round, outwards, 0, 0.01).worstUMm).toBeGreaterThan(1.9)
  })
  test('with noise it does so within the stated uncertainty in at least 85 of 100', () => {
    const next = stream(9)
    const count = runs(100, 20)
    let good = 0
    for (let i = 0; i < count; i += 1) {
      const mesh = noisy(away, next, 0.05)
      const surface = surfaceOf(mesh)
      const plane = faceAt(surface, triangleAt(mesh, place(0, 50)), next)
      const round = roundAt(surface, triangleAt(mesh, place(-15, 28)), plane.normal, next)
      const { frame, uncertainty } = placedBy(plane, round, outwards, 0)
      const true_ = inFrame(moved(Float64Array.of(140, 0, 0), rows, [300, -120, 55]), frame)
      const [uz, ur] = uncertainty(0, 140)
      if (Math.abs(true_[2]!) <= 2 * uz && Math.abs(Math.hypot(true_[0]!, true_[1]!) - 140) <= 2 * ur) good += 1
    }
    expect(good / count).toBeGreaterThanOrEqual(0.85)
  })
  test('a facet of a bore is no mounting face', () => {
    const surface = surfaceOf(away)
    for (const z of [-25, -15, -5])
      expect(() => faceAt(surface, triangleAt(away, place(z, 28)), stream(1))).toThrow(/too narrow|no flat face/)
  })
  test('a flat face is no bore', () => {
    const surface = surfaceOf(away)
    const face = triangleAt(away, place(0, 50))
    const plane = faceAt(surface, face, stream(1))
    expect(() => roundAt(surface, face, plane.normal, stream(1))).toThrow(/not round about the axis/)
  })
})

describe('a mesh that is none', () => {
  test.each<[string, Mesh, RegExp]>([
    ['no triangles', new Float64Array(0), /no triangles/],
    ['not a number', Float64Array.of(0, 0, 0, 1, NaN, 0, 0, 1, 0), /Corner 2 .* is not a number/],
    ['too small', scaled(CALIPER, 0.001), /no caliper or wheel is\. Check the unit/],
    ['too large', scaled(CALIPER, 100), /no caliper or wheel is/],
  ])('%s', (_, mesh, message) => {
    expect(meshProblem(mesh)).toMatch(message)
  })
  test('a good one, and its unit', () => {
    expect(meshProblem(CALIPER)).toBeUndefined()
    expect(meshProblem(scaled(CALIPER, 1 / 25.4), 25.4)).toBeUndefined()
    const { size } = extentOf(CALIPER)
    expect(likelyUnit(size)).toBe('mm')
    expect(likelyUnit([0.062, 0.148, 0.203])).toBe('m')
    expect(likelyUnit([1e6, 1, 1])).toBeUndefined()
  })
})

test('a body beside another with a gap between gives a line of numbers alone', () => {
  const shell = (z0: number, z1: number, r0: number, r1: number) =>
    turned(
      [
        [z0, r0],
        [z1, r0],
        [z1, r1],
        [z0, r1],
      ],
      -0.3,
      0.3,
      30,
    )
  const line = scannedCaliper(together(shell(-60, 0, 120, 150), shell(-40, -20, 150.5, 162)), () => [0.1, 0.1])
  expect(line.points.flat().every(Number.isFinite)).toBe(true)
  expect(Number.isFinite(line.notScannedMm)).toBe(true)
})
