import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { together, turned } from '../../testing/scan-bodies.ts'
import type { Mesh } from './mesh.ts'
import { insideLoop, MOST_OBJECTS, pieceOf, wholeBody, withObject, withoutTriangles } from './pieces.ts'
import { scannedCaliper } from './scan-outline.ts'

const triangle = (z: number, r: number, size = 2) => [r, 0, z, r, size, z, r, 0, z + size]
const mesh = Float64Array.from([...triangle(-20, 150), ...triangle(0, 160), ...triangle(20, 140)])

describe('pieces of a scan', () => {
  test('what is left out is in no piece; an object is a piece of its own, and part of what was scanned', () => {
    const pieces = withObject(withoutTriangles(wholeBody(3), [0]), 'bleed screw', [0, 1])
    expect(pieceOf(mesh, pieces, 'body')).toEqual(mesh.slice(18))
    expect(pieceOf(mesh, pieces, 'bleed screw')).toEqual(mesh.slice(9, 18))
    expect(pieceOf(mesh, pieces, 'scanned')).toEqual(mesh.slice(9))
    expect(pieceOf(mesh, wholeBody(3), 'body')).toBe(mesh)
  })
  test('more objects than can be told apart are refused', () => {
    let pieces = wholeBody(3)
    for (let i = 0; i < MOST_OBJECTS; i += 1) pieces = withObject(pieces, `object ${i}`, [0])
    expect(() => withObject(pieces, 'one more', [0])).toThrow('At most 12')
  })
  test('a loop takes what a circle of it holds', () => {
    const square = [
      [0, 0],
      [10, 0],
      [10, 10],
      [0, 10],
    ] as const
    fc.assert(
      fc.property(fc.double({ min: -20, max: 20, noNaN: true }), fc.double({ min: -20, max: 20, noNaN: true }), (x, y) => {
        const clear = [x, y].every((one) => Math.abs(one) > 1e-6 && Math.abs(one - 10) > 1e-6)
        if (!clear) return
        expect(insideLoop(1, () => [x, y], square)).toEqual(x > 0 && x < 10 && y > 0 && y < 10 ? [0] : [])
      }),
    )
    expect(insideLoop(1, () => undefined, square)).toEqual([])
    expect(insideLoop(1, () => [5, 5], square.slice(0, 2))).toEqual([])
  })
  test('what was under a closed part that was left out is unknown where it made the line, and known where it did not', () => {
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
    const [body, lump, inner] = [shell(-60, 0, 120, 150), shell(-40, -20, 150.5, 162), shell(-50, -10, 60, 90)]
    const all = together(body, lump, inner)
    const count = (mesh: Mesh) => mesh.length / 9
    const range = (from: number, many: number) => Array.from({ length: many }, (_, i) => from + i)
    const u = (): [number, number] => [0.1, 0.1]
    const without = (triangles: number[]) => {
      const pieces = withoutTriangles(wholeBody(count(all)), triangles)
      return scannedCaliper(pieceOf(all, pieces, 'body'), u, pieceOf(all, pieces, 'scanned'), pieceOf(all, pieces, 'leftOut'))
    }
    expect(without(range(count(body), count(lump))).notScannedMm).toBeGreaterThan(15)
    expect(without(range(count(body) + count(lump), count(inner))).notScannedMm).toBe(0)
  })
  test('a body and its object together reach as far as the whole, and what is left out is unknown where it stood', () => {
    // a closed block with a screw that stands on it, joined along an edge
    const ring = (z0: number, z1: number, r: number): number[] =>
      Array.from({ length: 60 }, (_, i) => {
        const [a, b] = [(i / 60) * 0.4, ((i + 1) / 60) * 0.4]
        const at = (angle: number, z: number, radius: number) => [radius * Math.cos(angle), radius * Math.sin(angle), z]
        return [...at(a, z0, r), ...at(b, z0, r), ...at(b, z1, r), ...at(a, z0, r), ...at(b, z1, r), ...at(a, z1, r)]
      }).flat()
    const body = ring(-60, 0, 150)
    const screw = ring(-30, -20, 158)
    const all = Float64Array.from([...body, ...screw])
    const pieces = withObject(
      wholeBody(all.length / 9),
      'bleed screw',
      Array.from({ length: screw.length / 9 }, (_, i) => body.length / 9 + i),
    )
    const u = (): [number, number] => [0.1, 0.1]
    const highest = (line: { points: readonly (readonly [number, number])[] }) => Math.max(...line.points.map(([, r]) => r))
    const whole = scannedCaliper(all, u)
    const scanned = pieceOf(all, pieces, 'scanned')
    const parts = ['body', 'bleed screw'].map((one) => scannedCaliper(pieceOf(all, pieces, one), u, scanned))
    expect(highest(whole)).toBeCloseTo(Math.max(...parts.map(highest)), 2)
    expect(highest(parts[0]!)).toBeLessThan(highest(whole) - 5)
  })
})
