import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { Project } from '../records/project.ts'
import { CALIPER_SECTION, turned } from '../testing/scan-bodies.ts'
import { scannedCaliper } from '../vision/scan/scan-outline.ts'
import { evaluate } from './evaluate.ts'

const MESH = turned(CALIPER_SECTION, -0.5, 0.5, 40)
/** The mesh without the triangles that a scanner did not see. */
function without(unseen: (z: number[], leastR: number) => boolean): Float64Array {
  const kept: number[] = []
  for (let i = 0; i < MESH.length; i += 9) {
    const r = Math.min(...[0, 3, 6].map((k) => Math.hypot(MESH[i + k]!, MESH[i + k + 1]!)))
    if (!unseen([MESH[i + 2]!, MESH[i + 5]!, MESH[i + 8]!], r)) kept.push(...MESH.subarray(i, i + 9))
  }
  return Float64Array.from(kept)
}
/** The verdict of the current car with the scan as its front caliper's outline. */
function verdictOf(mesh: Float64Array): string {
  const { points, doubts } = scannedCaliper(mesh, () => [0.05, 0.05])
  const project = structuredClone(DEMO_PROJECT) as Project
  const [setup] = project.setups
  const caliper = project.parts.find((one) => one.id === setup.front.caliper) as unknown as Record<string, unknown>
  delete caliper.uAxialMm
  delete caliper.uRadialMm
  Object.assign(caliper, { outlineFrom: 'points', outlines: [{ name: 'body', points, doubts, origin: 'measured' }] })
  return evaluate(project, setup.id).findings.find((one) => one.rule === 'wheel-clearance' && one.axle === 'front')!.verdict
}

test('a scan that is whole clears; with a hole in the top or in the face nothing is called OK', () => {
  expect(verdictOf(Float64Array.from(MESH))).toBe('fits')
  expect(verdictOf(without((z, r) => r > 132 && Math.min(...z) >= -30 && Math.max(...z) <= -10))).toBe('unknown')
  expect(verdictOf(without((z) => Math.min(...z) >= 23.9))).toBe('unknown')
})
