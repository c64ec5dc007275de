import { DEMO_PROJECT } from '../demo/project.ts'
import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup } from '../records/resolve.ts'
import { figure } from '../quantity/figure.ts'
import { SETUP } from './setups.ts'

export interface Heavy {
  points?: number
  outlines?: number
  /** How far points jump about their line, mm: nothing of that can be thinned. */
  jumpMm?: number
  /** Doubt of the outline in both directions, mm. */
  uMm?: number
  /** How far the body stays away from the wheel, mm; negative reaches into it. */
  apartMm?: number
  faces?: number
}

/** A repeatable stream of numbers from 0 to 1 (Lehmer; S. K. Park and K. W. Miller, 1988). */
export function stream(seed: number): () => number {
  let state = seed
  return () => (state = (state * 48271) % 2147483647) / 2147483647
}

/** The demo's setup with outlines and profiles of as many points as a file may hold. */
export function heavyProject(heavy: Heavy = {}): Project {
  const { points = 2000, outlines = 1, jumpMm = 0, uMm = 1, apartMm = 5, faces = 0 } = heavy
  const project = structuredClone(DEMO_PROJECT)
  const resolved = resolveSetup(project, findSetup(project, SETUP)!)
  const next = stream(20261126)
  // along the top outboard, then down the face
  const line = (awayMm: number, jump: number): [number, number][] =>
    Array.from({ length: points }, (_, i) => {
      const at = i / (points - 1)
      const off = jump * next()
      return at < 0.5 ? [-60 + at * 240 - awayMm, 180 - awayMm - off] : [60 - awayMm - off, 260 - at * 160 - awayMm]
    })
  for (const axle of ['front', 'rear'] as const) {
    const caliper = project.parts.find((one) => one.id === resolved[axle].caliper!.id)!
    const wheel = project.parts.find((one) => one.id === resolved[axle].wheel!.id)!
    if (caliper.kind !== 'caliper' || wheel.kind !== 'wheel') throw new TypeError('the demo has calipers and wheels')
    caliper.outlineFrom = 'points'
    caliper.frame = 'seat'
    caliper.outlines = Array.from({ length: outlines }, (_, i) => ({
      name: `body ${i}`,
      points: line(apartMm + i / 100, jumpMm),
      origin: 'measured' as const,
    }))
    caliper.uAxialMm = figure(Math.min(uMm, 10))
    caliper.uRadialMm = figure(Math.min(uMm, 10))
    wheel.profile = {
      points: line(0, 0).map(([z, r], i): [number, number] => [z + (i < points / 2 ? 0 : jumpMm), r + jumpMm]),
      tags: Array.from({ length: points - 1 }, (_, i) => (i < points / 2 ? ('barrel' as const) : ('face' as const))),
      origin: 'measured',
    }
    if (faces > 0) wheel.faces = Array.from({ length: faces }, (_, i) => ({ name: `face ${i}`, raiseMm: i }))
    else delete wheel.faces
  }
  return project
}
