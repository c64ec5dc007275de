import type { Profile, WheelTag } from '../../maths/section.ts'

/**
 * A wheel with stick-on balance weights: the barrel is lower by their thickness over the range in which
 * they are stuck. They turn with the wheel, so wherever they sit on the turn they count all round.
 *
 * @param range z of both ends in the wheel frame, mm; absent: they may be anywhere in the barrel
 */
export function withWeights({ points, tags }: Profile, thicknessMm: number, range?: { fromMm: number; toMm: number }): Profile {
  if (thicknessMm === 0) return { points, tags }
  const from = range ? Math.min(range.fromMm, range.toMm) : -Infinity
  const to = range ? Math.max(range.fromMm, range.toMm) : Infinity
  const out: [number, number][] = []
  const outTags: WheelTag[] = []
  const add = (point: [number, number], tag: WheelTag) => {
    const last = out[out.length - 1]
    if (last && last[0] === point[0] && last[1] === point[1]) return
    if (last) outTags.push(tag)
    out.push(point)
  }
  tags.forEach((tag, i) => {
    const a = points[i]!
    const b = points[i + 1]!
    if (tag !== 'barrel') {
      add(a, 'barrel')
      add(b, tag)
      return
    }
    const at = (t: number): [number, number] => (t === 0 ? a : t === 1 ? b : [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])])
    const cuts = range ? [from, to].map((z) => (z - a[0]) / (b[0] - a[0])).filter((t) => t > 0 && t < 1) : []
    const stops = [0, ...cuts.sort((x, y) => x - y), 1]
    for (let k = 0; k + 1 < stops.length; k += 1) {
      const start = at(stops[k]!)
      const end = at(stops[k + 1]!)
      const middle = (start[0] + end[0]) / 2
      const lower = middle >= from && middle <= to ? thicknessMm : 0
      // the step at an end of the weights belongs to the barrel
      add([start[0], start[1] - lower], 'barrel')
      add([end[0], end[1] - lower], 'barrel')
    }
  })
  // points that all coincide are still a line: of no length, where a gap ends all the same
  if (out.length === 1) return { points: [out[0]!, out[0]!], tags: [tags[0]!] }
  return { points: out, tags: outTags }
}
