import { describe, expect, test } from '@jest/globals'
import { stream } from '../../testing/heavy.ts'
import { runs } from '../../testing/runs.ts'
import { moved, rotation } from '../../testing/scan-bodies.ts'
import { axialSteps, radiusAt, radiusSteps } from './envelope.ts'
import type { Mesh } from './mesh.ts'
import { safeLine } from './safe-line.ts'

/** A few random triangles around the axis, some of them through it. */
function randomMesh(next: () => number, triangles = 12): Mesh {
  const mesh = new Float64Array(triangles * 9)
  for (let i = 0; i < triangles; i += 1) {
    const at = [next() * 160 - 80, next() * 160 - 80, next() * 60 - 30]
    for (let k = 0; k < 9; k += 1) mesh[9 * i + k] = at[k % 3]! + (next() - 0.5) * 40
  }
  return mesh
}
/** Points on every triangle, not further apart than `gap`. */
function* sampled(mesh: Mesh, gap: number): Generator<[number, number, number]> {
  for (let i = 0; i < mesh.length; i += 9) {
    const [a, b, c] = [mesh.subarray(i, i + 3), mesh.subarray(i + 3, i + 6), mesh.subarray(i + 6, i + 9)]
    const reach = Math.max(Math.hypot(b[0]! - a[0]!, b[1]! - a[1]!, b[2]! - a[2]!), Math.hypot(c[0]! - a[0]!, c[1]! - a[1]!, c[2]! - a[2]!))
    const n = Math.ceil(reach / gap)
    for (let s = 0; s <= n; s += 1)
      for (let t = 0; s + t <= n; t += 1) {
        const [u, v] = [s / n, t / n]
        yield [0, 1, 2].map((k) => a[k]! + u * (b[k]! - a[k]!) + v * (c[k]! - a[k]!)) as [number, number, number]
      }
  }
}

describe('the radius at a plane', () => {
  test('turning the mesh about the axis changes nothing; more triangles never make it tighter', () => {
    const next = stream(1)
    for (let i = 0; i < runs(60, 20); i += 1) {
      const mesh = randomMesh(next)
      const round = moved(mesh, rotation(next() * 6, 0, 0), [0, 0, 0])
      const z = next() * 40 - 20
      for (const side of ['outer', 'inner'] as const) {
        const r = radiusAt(mesh, z, side)
        if (r === undefined) expect(radiusAt(round, z, side)).toBeUndefined()
        else expect(radiusAt(round, z, side)).toBeCloseTo(r, 9)
        const more = radiusAt(Float64Array.from([...mesh, ...randomMesh(next, 3)]), z, side)
        if (r !== undefined) expect(side === 'outer' ? more! >= r : more! <= r).toBe(true)
      }
    }
  })
  test('a plate that the axis goes through has no inner radius', () => {
    expect(radiusAt(Float64Array.of(-10, -10, 0, 10, -10, 0, 0, 10, 0), 0, 'inner')).toBe(0)
    expect(radiusAt(Float64Array.of(10, 1, 0, 12, 1, 0, 10, 3, 0), 1, 'inner')).toBeUndefined()
  })
})

/** Samples of a triangle are this far apart, mm: its edges may reach that much further. */
const GAP = 0.35
describe('curves in steps hold everything that is sampled, and no more than a step', () => {
  test.each(['outer', 'inner'] as const)('%s radius', (side) => {
    const next = stream(side === 'outer' ? 5 : 6)
    const step = 0.5
    for (let i = 0; i < runs(20, 5); i += 1) {
      const mesh = randomMesh(next, 6)
      const { from, values } = radiusSteps(mesh, side, step)
      const found = new Float64Array(values.length).fill(NaN)
      let flattering = -Infinity
      for (const [x, y, z] of sampled(mesh, GAP)) {
        const k = Math.min(values.length - 1, Math.max(0, Math.floor((z - from) / step)))
        const r = Math.hypot(x, y)
        flattering = Math.max(flattering, side === 'outer' ? r - values[k]! : values[k]! - r)
        if (Number.isNaN(found[k]!) || (side === 'outer' ? r > found[k]! : r < found[k]!)) found[k] = r
      }
      for (let k = 0; k < values.length; k += 1)
        if (!Number.isNaN(found[k]!)) expect(Math.abs(values[k]! - found[k]!)).toBeLessThan(1.5 * GAP)
    }
  })
  test.each(['high', 'low'] as const)('%s end along the axle', (end) => {
    const next = stream(end === 'high' ? 7 : 8)
    const step = 0.5
    for (let i = 0; i < runs(20, 5); i += 1) {
      const mesh = randomMesh(next, 6)
      const { from, values } = axialSteps(mesh, end, step)
      const found = new Float64Array(values.length).fill(NaN)
      let flattering = -Infinity
      for (const [x, y, z] of sampled(mesh, GAP)) {
        const k = Math.min(values.length - 1, Math.max(0, Math.floor((Math.hypot(x, y) - from) / step)))
        flattering = Math.max(flattering, end === 'high' ? z - values[k]! : values[k]! - z)
        if (Number.isNaN(found[k]!) || (end === 'high' ? z > found[k]! : z < found[k]!)) found[k] = z
      }
      expect(flattering).toBeLessThan(1e-6)
      // what lies in a step near its edge may be sampled in the next
      for (let k = 1; k < values.length - 1; k += 1) {
        const near = [found[k - 1]!, found[k]!, found[k + 1]!].filter((one) => !Number.isNaN(one))
        if (near.length === 3) {
          const reached = end === 'high' ? Math.max(...near) : Math.min(...near)
          expect(end === 'high' ? values[k]! - reached : reached - values[k]!).toBeLessThan(2 * GAP)
        }
      }
    }
  })
  test('what lies nearer to the axis than the limit is left out', () => {
    const near = Float64Array.of(10, 0, 0, 12, 0, 0, 10, 0, 5)
    const far = Float64Array.of(50, 0, 0, 52, 0, 0, 50, 0, 5)
    const { values } = radiusSteps(Float64Array.from([...near, ...far]), 'inner', 1, 20)
    expect(Math.min(...values)).toBeCloseTo(50, 9)
  })
})

test('a line of few points lies on the safe side and within its tolerance', () => {
  const next = stream(11)
  for (let i = 0; i < runs(60, 20); i += 1) {
    const values = new Float64Array(400)
    let at = 100
    for (let k = 0; k < values.length; k += 1) values[k] = at += (next() - 0.5) * (next() < 0.05 ? 20 : 0.05)
    for (const sign of [1, -1] as const) {
      const line = safeLine({ from: -3, step: 0.1, values }, [0, 399], sign, 0.02)
      expect(line[0]![0]).toBeCloseTo(-3, 9)
      expect(line.at(-1)![0]).toBeCloseTo(37, 9)
      let from = 0
      let [below, above] = [-Infinity, -Infinity]
      for (let k = 0; k < values.length; k += 1)
        // at both edges of the step and in its middle
        for (const x of [-3 + k * 0.1, -3 + (k + 0.5) * 0.1, -3 + (k + 1) * 0.1]) {
          while (from < line.length - 2 && line[from + 1]![0] < x - 1e-9) from += 1
          const [[x0, y0], [x1, y1]] = [line[from]!, line[from + 1]!]
          const y = y0 + ((y1 - y0) * (x - x0)) / (x1 - x0)
          below = Math.max(below, sign * (values[k]! - y))
          const near = [values[k - 1], values[k], values[k + 1]].filter((one) => one !== undefined)
          const safest = sign === 1 ? Math.max(...near) : Math.min(...near)
          above = Math.max(above, sign * (y - safest))
        }
      expect(below).toBeLessThan(1e-6)
      expect(above).toBeLessThan(0.02 + 1e-6)
    }
  }
})
