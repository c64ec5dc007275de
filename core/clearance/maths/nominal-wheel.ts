import type { Profile } from '../../maths/section.ts'

/** Bead-seat diameters by diameter code, mm (ETRTO Standards Manual, 5 degree drop-centre rims). */
export const BEAD_SEAT_MM: Readonly<Record<number, number>> = {
  13: 329.4,
  14: 354.8,
  15: 380.2,
  16: 405.6,
  17: 436.6,
  18: 462,
  19: 487.4,
  20: 512.8,
  21: 538.2,
  22: 563.6,
}

/** Standard uncertainty of a profile made from markings, mm. */
export const NOMINAL_U_MM = 3
export const ASSUMED_WELL_DEPTH_MM = 17.3
export const ASSUMED_WALL_MM = 5
const STEP_RADIUS_MM = 25.4 / 2
/** Where a spoke back made from markings ends towards the hub, mm. */
export const PAD_RADIUS_MM = 70
/** Fall of a convex spoke towards the rim, mm per mm of radius; a guess on the near side. */
const CONVEX_FALL = 0.15

interface WheelMarkings {
  diameterIn: number
  widthIn: number
  offsetMm: number
  barrel?: 'plain' | 'oneStep' | 'twoSteps'
  /** Smallest radius of the barrel where it was measured; outranks well, wall and steps. */
  barrelRadiusMm?: number
  wellDepthMm?: number
  wallMm?: number
  face?: 'flat' | 'concave' | 'convex'
  /** Spoke back at one radius, from the hub pad, + outboard. */
  faceDepth?: { depthMm: number; radiusMm: number }
}

/**
 * A wheel profile from what is stamped in the wheel. The axial place of the well is not marked, so its
 * radius counts over the whole barrel; without one measured depth there is no face at all, and a
 * verdict on such a wheel is for the barrel only.
 *
 * @returns the profile in the wheel frame; undefined when the diameter code is not in the standard
 * @example
 * nominalWheel({ diameterIn: 15, widthIn: 6.5, offsetMm: 38 })?.points.length // => 2
 */
export function nominalWheel(m: WheelMarkings): Profile | undefined {
  const beadSeat = BEAD_SEAT_MM[m.diameterIn]
  if (beadSeat === undefined) return undefined
  const steps = m.barrel === 'twoSteps' ? 2 : m.barrel === 'oneStep' ? 1 : 0
  const barrelRadius =
    m.barrelRadiusMm ?? beadSeat / 2 - (m.wellDepthMm ?? ASSUMED_WELL_DEPTH_MM) - (m.wallMm ?? ASSUMED_WALL_MM) - steps * STEP_RADIUS_MM
  const halfWidth = (m.widthIn * 25.4) / 2
  const inboard = -m.offsetMm - halfWidth
  if (!m.faceDepth)
    return {
      points: [
        [inboard, barrelRadius],
        [-m.offsetMm + halfWidth, barrelRadius],
      ],
      tags: ['barrel'],
    }

  const { depthMm } = m.faceDepth
  const radiusMm = Math.min(m.faceDepth.radiusMm, barrelRadius)
  const face: [number, number][] =
    m.face === 'concave'
      ? [
          [depthMm, barrelRadius],
          [depthMm, radiusMm],
          [0, PAD_RADIUS_MM],
        ]
      : m.face === 'convex'
        ? [
            [depthMm - CONVEX_FALL * (barrelRadius - radiusMm), barrelRadius],
            [depthMm, radiusMm],
            [depthMm, PAD_RADIUS_MM],
          ]
        : [
            [depthMm, barrelRadius],
            [depthMm, PAD_RADIUS_MM],
          ]
  // a depth measured at the barrel leaves two points in one place
  const points = face.filter(([z, r], i) => i === 0 || z !== face[i - 1]![0] || r !== face[i - 1]![1])
  return { points: [[inboard, barrelRadius], ...points], tags: ['barrel', ...points.slice(1).map(() => 'face' as const)] }
}
