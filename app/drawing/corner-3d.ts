import type { Corner } from '#core/clearance/half-section.ts'

/** A line of the half section that is turned about the hub axis, as far round as it is shown. */
export interface Turned {
  kind: 'wheel' | 'caliper' | 'rotor'
  /** r and z, mm. */
  points: [r: number, z: number][]
  /** Radians, from straight up. */
  from: number
  length: number
  closed: boolean
}

const DEGREE = Math.PI / 180
/** A quarter of the wheel is left open, so that the caliper is seen in it. */
const WHEEL = { from: 55 * DEGREE, length: 250 * DEGREE }
/** How far round a caliper reaches is not measured: it is drawn as usual ones are. */
const CALIPER = { from: -32 * DEGREE, length: 64 * DEGREE }
const ROUND = { from: 0, length: 360 * DEGREE }

/** What a corner shows in three dimensions: wheel, caliper and rotor, all from their half sections. */
export function turnedCorner({ wheel, caliper, rotor, spacerMm }: Corner): Turned[] {
  const flipped = (points: readonly (readonly [number, number])[], by = 0): [number, number][] =>
    points.map(([z, r]) => [Math.max(r, 0), z + by])
  return [
    ...(wheel ? [{ kind: 'wheel' as const, points: flipped(wheel.points, spacerMm ?? 0), closed: false, ...WHEEL }] : []),
    ...(caliper ?? []).map((one) => ({ kind: 'caliper' as const, points: flipped(one.points), closed: false, ...CALIPER })),
    ...(rotor ? [rotor.ring, ...(rotor.hat ? [rotor.hat] : [])] : []).map((line) => ({
      kind: 'rotor' as const,
      points: flipped(line),
      closed: true,
      ...ROUND,
    })),
  ]
}
