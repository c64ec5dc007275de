/** Largest distance between an arc and the chords that stand for it, in the drawing's unit. */
const SAGITTA = 0.005
const MOST_CHORDS = 720

/** Points along an arc, both ends among them; angles in radians, against the clock when `sweep` is positive. */
export function arcPoints(cx: number, cy: number, radius: number, start: number, sweep: number): [number, number][] {
  const step = radius > SAGITTA ? 2 * Math.acos(1 - SAGITTA / radius) : Math.PI / 2
  const chords = Math.min(Math.max(Math.ceil(Math.abs(sweep) / step), 1), MOST_CHORDS)
  return Array.from({ length: chords + 1 }, (_, i) => {
    const angle = start + (sweep * i) / chords
    return [cx + radius * Math.cos(angle), cy + radius * Math.sin(angle)]
  })
}

/**
 * Points of a polyline's stretch with a bulge (the tangent of a quarter of its angle, positive against
 * the clock), both ends among them; the ends are kept to the last digit.
 */
export function bulgePoints(from: [number, number], to: [number, number], bulge: number): [number, number][] {
  const dx = to[0] - from[0]
  const dy = to[1] - from[1]
  const chord = Math.hypot(dx, dy)
  if (bulge === 0 || !Number.isFinite(bulge) || chord === 0) return [from, to]
  const sweep = 4 * Math.atan(bulge)
  const radius = chord / 2 / Math.sin(Math.abs(sweep) / 2)
  // from the middle of the chord to the centre, to the left of the way when the arc turns left by less than half a turn
  const off = (1 - bulge * bulge) / (4 * bulge)
  const cx = (from[0] + to[0]) / 2 - off * dy
  const cy = (from[1] + to[1]) / 2 + off * dx
  const points = arcPoints(cx, cy, radius, Math.atan2(from[1] - cy, from[0] - cx), sweep)
  return [from, ...points.slice(1, -1), to]
}
