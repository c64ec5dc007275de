import type { Polyline } from './polyline.ts'

export interface QuickOutline {
  tallestRadiusMm: number
  /** Axial range over which the body is so tall; outboard end last. */
  tallFromMm: number
  tallToMm: number
  /** Protrusion of the outer face beyond the datum, + outboard. */
  faceMm: number
  faceOuterRadiusMm: number
  faceInnerRadiusMm: number
  /** Absent: taken as square, the cautious reading. */
  corner?: 'square' | 'chamfer' | 'round'
}

const ARC_STEPS = 6

/** What contradicts what among five figures; undefined when they can be one body. */
export function quickOutlineContradiction(q: QuickOutline): string | undefined {
  if (q.tallFromMm >= q.tallToMm) return 'The top must end outboard of where it starts.'
  if (q.tallToMm > q.faceMm) return 'The top cannot reach further outboard than the outer face.'
  if (q.faceInnerRadiusMm >= q.faceOuterRadiusMm) return 'The inner radius of the face must be smaller than the outer.'
  if (q.faceOuterRadiusMm > q.tallestRadiusMm) return 'The face cannot reach higher than the tallest radius.'
  return undefined
}

/**
 * A caliper outline from five figures: along the top, round the corner, down the face.
 * A round corner is an ellipse quadrant drawn from outside (tangents, not chords), so that it never
 * promises room that the body takes.
 */
export function quickOutline(q: QuickOutline): Polyline {
  const top: [number, number] = [q.tallFromMm, q.tallestRadiusMm]
  const foot: [number, number] = [q.faceMm, q.faceInnerRadiusMm]
  const topEnd: [number, number] = [q.tallToMm, q.tallestRadiusMm]
  const faceEnd: [number, number] = [q.faceMm, q.faceOuterRadiusMm]
  switch (q.corner) {
    case 'chamfer':
      return [top, topEnd, faceEnd, foot]
    case 'round': {
      const a = q.faceMm - q.tallToMm
      const b = q.tallestRadiusMm - q.faceOuterRadiusMm
      const step = Math.PI / 2 / ARC_STEPS
      const stretch = 1 / Math.cos(step / 2)
      const arc = Array.from({ length: ARC_STEPS }, (_, i): [number, number] => {
        const angle = (i + 0.5) * step
        return [q.tallToMm + a * stretch * Math.sin(angle), q.faceOuterRadiusMm + b * stretch * Math.cos(angle)]
      })
      return [top, topEnd, ...arc, faceEnd, foot]
    }
    default:
      return [top, [q.faceMm, q.tallestRadiusMm], foot]
  }
}
