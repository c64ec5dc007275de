import { scaleLinear, type ScaleLinear } from 'd3'
import type { Polyline } from '#core/clearance/maths/polyline.ts'

/** How a half section is laid on paper: z to the right (street), radius upwards, one scale for both. */
export interface SectionScale {
  z: ScaleLinear<number, number>
  r: ScaleLinear<number, number>
  pxPerMm: number
  zRange: [number, number]
  rRange: [number, number]
}

export interface Frame {
  width: number
  height: number
  margin: { top: number; right: number; bottom: number; left: number }
}

/** The extent of polylines as [minimum, maximum] of z and r; undefined when there are none. */
export function extentOf(lines: readonly Polyline[]): { z: [number, number]; r: [number, number] } | undefined {
  const points = lines.flat()
  if (points.length === 0) return undefined
  const zs = points.map(([z]) => z)
  const rs = points.map(([, r]) => r)
  return { z: [Math.min(...zs), Math.max(...zs)], r: [Math.min(...rs), Math.max(...rs)] }
}

/** Scales that show the ranges as large as the frame allows, in the middle of it. */
export function sectionScale(frame: Frame, zRange: [number, number], rRange: [number, number]): SectionScale {
  const { width, height, margin } = frame
  const w = Math.max(width - margin.left - margin.right, 10)
  const h = Math.max(height - margin.top - margin.bottom, 10)
  const pxPerMm = Math.min(w / (zRange[1] - zRange[0]), h / (rRange[1] - rRange[0]))
  const left = margin.left + (w - pxPerMm * (zRange[1] - zRange[0])) / 2
  const bottom = margin.top + h - (h - pxPerMm * (rRange[1] - rRange[0])) / 2
  return {
    z: scaleLinear([left, left + pxPerMm * (zRange[1] - zRange[0])]).domain(zRange),
    r: scaleLinear([bottom, bottom - pxPerMm * (rRange[1] - rRange[0])]).domain(rRange),
    pxPerMm,
    zRange,
    rRange,
  }
}

/** A polyline as an SVG path, moved outboard by `shift` mm. */
export function pathOf(scale: SectionScale, line: Polyline, shift = 0): string {
  return line.map(([z, r], index) => `${index === 0 ? 'M' : 'L'}${scale.z(z + shift).toFixed(2)},${scale.r(r).toFixed(2)}`).join('')
}

/**
 * The metal along an outline for the eye: the line and a parallel `depthMm` to its left, as seen going
 * along it (a wheel), or to its right when negative (a caliper). No thickness is measured there; it
 * only shows on which side the metal is.
 */
export function parallelBody(line: Polyline, depthMm: number): Polyline {
  const outer = line.map(([z, r], index): [number, number] => {
    const before = line[Math.max(index - 1, 0)]!
    const after = line[Math.min(index + 1, line.length - 1)]!
    const dz = after[0] - before[0]
    const dr = after[1] - before[1]
    const length = Math.hypot(dz, dr) || 1
    return [z - (dr / length) * depthMm, r + (dz / length) * depthMm]
  })
  return [...line, ...outer.reverse()]
}

/** Stretches of a profile that carry a tag, each as a polyline. */
export function stretches<T extends string>(line: Polyline, tags: readonly T[], wanted: T): Polyline[] {
  const found: [number, number][][] = []
  tags.forEach((tag, index) => {
    if (tag !== wanted) return
    const from = line[index]!
    const to = line[index + 1]!
    const last = found[found.length - 1]
    if (index > 0 && tags[index - 1] === wanted && last) last.push([to[0], to[1]])
    else
      found.push([
        [from[0], from[1]],
        [to[0], to[1]],
      ])
  })
  return found
}
