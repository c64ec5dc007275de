import type { NamedOutline, WheelProfile, WheelTag } from '../core/records/field.ts'

/** Invented but plausible shapes of any fineness: a rounded caliper body under a wheel with a curved spoke back. */

export function caliperShape(points: number): NamedOutline[] {
  const body = Array.from({ length: points }, (_, index): [number, number] => {
    const t = index / (points - 1)
    if (t < 0.6) return [-100 + (t / 0.6) * 112, 156 + 2 * Math.sin(t * 11) + 0.4 * Math.sin(t * 97)]
    const angle = ((t - 0.6) / 0.4) * (Math.PI / 2)
    return [12 + 26 * Math.sin(angle), 100 + 56 * Math.cos(angle) + 0.3 * Math.sin(t * 83)]
  })
  return [{ name: 'body', points: body }]
}

export function wheelShape(points: number): WheelProfile {
  const line = Array.from({ length: points }, (_, index): [number, number] => {
    const t = index / (points - 1)
    if (t < 0.6) return [-115 + (t / 0.6) * 140, 168 - 1.5 * t + 0.3 * Math.sin(t * 71)]
    const angle = ((t - 0.6) / 0.4) * (Math.PI / 2)
    return [25 + 20 * Math.sin(angle), 72 + 95 * Math.cos(angle) + 0.2 * Math.sin(t * 59)]
  })
  const tags = line.slice(1).map((_, index): WheelTag => {
    const t = (index + 1) / (points - 1)
    return t <= 0.6 ? 'barrel' : t < 0.7 ? 'shoulder' : 'face'
  })
  return { points: line, tags }
}
