import { quantile } from '../../maths/quantile.ts'
import { Remembered } from '../../maths/remembered.ts'
import { WHEEL_TAGS } from '../../maths/section.ts'
import { deepestProbes } from './deepest-probes.ts'
import { closest, segmentDistance } from './distance.ts'
import { DRAW_DIMENSIONS, fixedDraws } from './draws.ts'
import { withinBudget } from '../../maths/work-budget.ts'
import { gap, type Gap } from './gap.ts'
import { nearPairs, type NearPairs } from './near-pairs.ts'
import { prepareCaliper, prepareWheel, type PreparedCaliper, type PreparedWheel } from './outline.ts'
import { shifted, vertexShifts, type Shifts } from './shift.ts'
import { visitPairs } from './segment-tree.ts'
import { gapGradient, gapRange, gapUncertainty } from './verdict.ts'

export interface UncertainGap {
  /** Mean of the draws, mm. */
  meanMm: number
  /** Standard deviation of the draws, mm. */
  uMm: number
  p05Mm: number
  p95Mm: number
  /** The outlines have too many points for draws: the widest that these doubts allow. */
  widest?: true
}

/** Enough to see whether one place limits, and to correct the linear estimate where it does. */
const FEW = 128
/** When several places limit. */
const MANY = 1024
/** When they do and the shifts are large: the percentiles are wanted to 0.05 mm, not to a share of u. */
const MOST = 8192
const LARGE_U_MM = 1
/** Where the fast way cannot be trusted each draw is taken the plain way, and fewer must do. */
const PLAIN = 512
/** Draws by pairs get dear with their number; with more than this a walk through the boxes is quicker. */
const MOST_PAIRS = 4000
/** Vertices times stretches up to which their depths are prepared once. */
const MOST_PREPARED = 400_000
/** Draws differ in what they cost. */
const SPARE = 0.7
/** Standard deviations from which a gap is negative whatever the draws. */
const SURE = 6
/** Root mean square by which draws may leave the linear estimate that is still used to steady them, mm. */
const LINEAR_MM = 0.02

/**
 * The gap when caliper and wheel are only known up to shifts, by fixed draws (propagation of
 * distributions, JCGM 101:2008). While one place limits, the draws only correct the linear estimate,
 * whose percentiles are known exactly; else their own percentiles count.
 *
 * Draws that would cost more than `mostEffort` are not made: a gap changes by no more than what its sides
 * move, so how far they move bounds it.
 *
 * @param u standard uncertainties of the four shifts, mm
 * @param now the gap as it is, where it is known already
 * @throws TooMuch when the caliper's effort does not even do for the gap itself
 */
export function uncertainGap(
  caliper: PreparedCaliper,
  wheel: PreparedWheel,
  spacerMm: number,
  u: Shifts,
  mostEffort = Infinity,
  now = gap(caliper, wheel, spacerMm),
): UncertainGap {
  if (u.caliperAxialMm === 0 && u.caliperRadialMm === 0 && u.faceAxialMm === 0 && u.barrelRadialMm === 0) {
    return { meanMm: now.minGapMm, uMm: 0, p05Mm: now.minGapMm, p95Mm: now.minGapMm }
  }
  const { effort } = caliper
  const asked = question(caliper, wheel, spacerMm, u)
  const known = drawnBefore.of(asked)
  // what it cost is paid again: the same project gets the same answer, whatever was asked before
  if (known && (!effort || Math.min(mostEffort, effort.left) >= known.needed)) {
    effort?.spend(known.spent)
    return known.gap
  }
  const before = effort?.left ?? 0
  const drawn = withinBudget(effort, mostEffort, () => byDraws(caliper, wheel, spacerMm, u, now))
  if (!drawn) return widest(wheel, u, now)
  const spent = before - (effort?.left ?? 0)
  if (drawn.needed !== undefined) drawnBefore.keep(asked, { gap: Object.freeze(drawn.gap), spent, needed: Math.max(spent, drawn.needed) })
  return drawn.gap
}

/** Gaps of corners that stay as they are while something else of the car is changed, or another part tried. */
const drawnBefore = new Remembered<{ gap: UncertainGap; spent: number; needed: number }>(64)

/** Everything the draws depend on, as numbers. */
function question(caliper: PreparedCaliper, wheel: PreparedWheel, spacerMm: number, u: Shifts): number[] {
  const asked = [spacerMm, u.caliperAxialMm, u.caliperRadialMm, u.faceAxialMm, u.barrelRadialMm]
  for (const { points } of caliper.outlines) {
    asked.push(points.length)
    for (const [z, r] of points) asked.push(z, r)
  }
  for (const [z, r] of wheel.points) asked.push(z, r)
  for (const tag of wheel.tags) asked.push(WHEEL_TAGS.indexOf(tag))
  return asked
}

function widest(wheel: PreparedWheel, u: Shifts, { minGapMm }: Gap): UncertainGap {
  const draws = fixedDraws(MANY)
  const move = moveOf(wheel)
  const moves = Float64Array.from({ length: MANY }, (_, i) => move(shiftsOf(draws, i, u)))
  const uMm = Math.sqrt(moves.reduce((sum, one) => sum + one * one, 0) / MANY)
  const reach = quantile(moves.sort(), 0.95)
  return { meanMm: minGapMm, uMm, p05Mm: minGapMm - reach, p95Mm: minGapMm + reach, widest: true }
}

interface DrawnGap {
  gap: UncertainGap
  /** Effort with which it comes out the same; undefined when more would have said more, or nothing was counted. */
  needed: number | undefined
}

function byDraws(caliper: PreparedCaliper, wheel: PreparedWheel, spacerMm: number, u: Shifts, now: Gap): DrawnGap {
  const gradient = gapGradient(now)
  const uLinear = gapUncertainty(gradient, u)
  const { effort } = caliper
  const before = effort?.left ?? 0
  const draw = drawnGap(caliper, wheel, spacerMm, u)
  const few = draw(FEW)
  const linear = few.map((_, i) => now.minGapMm + change(gradient, shiftsOf(fixedDraws(FEW), i, u)))
  const away = Math.sqrt(few.reduce((sum, one, i) => sum + (one - linear[i]!) ** 2, 0) / FEW)
  if (away <= LINEAR_MM) {
    const drawn = summary(few)
    const straight = summary(linear)
    const exact = gapRange(now.minGapMm, uLinear)
    const steadied = {
      meanMm: now.minGapMm + drawn.meanMm - straight.meanMm,
      uMm: uLinear + drawn.uMm - straight.uMm,
      p05Mm: exact.p05Mm + drawn.p05Mm - straight.p05Mm,
      p95Mm: exact.p95Mm + drawn.p95Mm - straight.p95Mm,
    }
    return { gap: steadied, needed: effort && before - effort.left }
  }
  // so deep in the wheel that no draw comes out of it: how deep to a hundredth is no question
  if (now.minGapMm + SURE * uLinear < 0 && few.every((one) => one < 0)) return { gap: summary(few), needed: effort && before - effort.left }
  const wide = Math.max(u.caliperAxialMm, u.caliperRadialMm, u.faceAxialMm, u.barrelRadialMm) > LARGE_U_MM
  const wanted = !isSimple(wheel) ? PLAIN : wide ? MOST : MANY
  if (!effort) return { gap: summary(draw(wanted)), needed: undefined }
  // as many as what is left does for: each costs about what the few have cost
  const fewCost = before - effort.left
  const each = Math.max(fewCost / FEW, 1)
  for (let count = wanted; count > FEW; count /= 2)
    if (count * each <= effort.left * SPARE)
      return { gap: summary(draw(count)), needed: count === wanted ? fewCost + (count * each) / SPARE : undefined }
  return { gap: summary(few), needed: undefined }
}

/** Gaps of the first `count` fixed draws. */
export function drawnGap(caliper: PreparedCaliper, wheel: PreparedWheel, spacerMm: number, u: Shifts): (count: number) => Float64Array {
  const plain = plainGap(caliper, wheel, spacerMm)
  return (count) => {
    const draws = fixedDraws(count)
    const mostMm = farthest(wheel, draws, u)
    const pairs = isSimple(wheel) ? nearPairs(caliper, wheel, spacerMm, 2 * mostMm, MOST_PAIRS) : undefined
    const at = !isSimple(wheel)
      ? plain
      : pairs
        ? byPairs(caliper, wheel, spacerMm, plain, mostMm, pairs)
        : byBoxes(caliper, wheel, spacerMm, plain)
    const gaps = new Float64Array(count)
    for (let i = 0; i < count; i += 1) gaps[i] = at(shiftsOf(draws, i, u))
    return gaps
  }
}

function shiftsOf(draws: Float64Array, draw: number, u: Shifts): Shifts {
  const d = draw * DRAW_DIMENSIONS
  return {
    caliperAxialMm: draws[d]! * u.caliperAxialMm,
    caliperRadialMm: draws[d + 1]! * u.caliperRadialMm,
    faceAxialMm: draws[d + 2]! * u.faceAxialMm,
    barrelRadialMm: draws[d + 3]! * u.barrelRadialMm,
  }
}

const change = (gradient: Shifts, shifts: Shifts): number =>
  gradient.caliperAxialMm * shifts.caliperAxialMm +
  gradient.caliperRadialMm * shifts.caliperRadialMm +
  gradient.faceAxialMm * shifts.faceAxialMm +
  gradient.barrelRadialMm * shifts.barrelRadialMm

/** Everything is moved and made ready anew: what the fast way must agree with. */
export function plainGap(caliper: PreparedCaliper, wheel: PreparedWheel, spacerMm: number): (shifts: Shifts) => number {
  const outlines = caliper.outlines.map(({ name, points }) => ({ name, points: points.map(([z, r]): [number, number] => [z, r]) }))
  const profile = { points: wheel.points.map(([z, r]): [number, number] => [z, r]), tags: [...wheel.tags] }
  const { effort } = caliper
  const count = profile.points.length + outlines.reduce((sum, { points }) => sum + points.length, 0)
  return (shifts) => {
    effort?.spend(count)
    const moved = shifted(outlines, profile, shifts)
    return gap({ ...prepareCaliper(moved.caliper), ...(effort ? { effort } : {}) }, prepareWheel(moved.wheel), spacerMm).minGapMm
  }
}

/**
 * Barrel never runs back along the axle, face never back along the radius: then whoever is inside the
 * wheel's room has no negative gap along an axis.
 */
function isSimple({ points, tags }: PreparedWheel): boolean {
  return tags.every((tag, i) => {
    const [z0, r0] = points[i]!
    const [z1, r1] = points[i + 1]!
    return tag === 'barrel' ? z1 >= z0 : tag === 'face' ? r1 <= r0 : true
  })
}

/** How far the caliper moves at most against any part of the wheel, mm. */
function moveOf(wheel: PreparedWheel): (shifts: Shifts) => number {
  const { face, barrel } = vertexShifts(wheel.tags)
  const kinds = [...new Set(face.map((one, i) => one * 2 + barrel[i]!))].map((kind) => [kind >> 1, kind & 1] as const)
  return (s) => {
    let squared = 0
    for (const [f, b] of kinds) {
      const z = s.caliperAxialMm - f * s.faceAxialMm
      const r = s.caliperRadialMm - b * s.barrelRadialMm
      squared = Math.max(squared, z * z + r * r)
    }
    return Math.sqrt(squared)
  }
}

function farthest(wheel: PreparedWheel, draws: Float64Array, u: Shifts): number {
  const move = moveOf(wheel)
  let most = 0
  for (let draw = 0; draw * DRAW_DIMENSIONS < draws.length; draw += 1) most = Math.max(most, move(shiftsOf(draws, draw, u)))
  return most
}

/**
 * A draw looks only at the pairs that its shifts can make the closest, and at vertices beyond the other
 * line only when some pair may have crossed.
 */
function byPairs(
  caliper: PreparedCaliper,
  wheel: PreparedWheel,
  spacerMm: number,
  plain: (shifts: Shifts) => number,
  mostMm: number,
  pairs: NearPairs,
): (shifts: Shifts) => number {
  const { effort } = caliper
  const points = caliper.outlines.reduce((sum, one) => sum + one.points.length, 0)
  const preparable = points * wheel.points.length <= MOST_PREPARED
  const count = pairs.distanceMm.length
  const distances = pairs.distanceMm
  const directions = pairs.direction
  const segments = pairs.caliper
  const overlaps = gap(caliper, wheel, spacerMm).overlaps
  const { face, barrel } = vertexShifts(wheel.tags)
  const vertices = wheel.points.length
  const baseWheel = Float64Array.from(wheel.points.flatMap(([z, r]) => [z + spacerMm, r]))
  const moved = new Float64Array(vertices * 2)
  const moveBound = moveOf(wheel)
  const record = closest()
  let probes: ReturnType<typeof deepestProbes> | undefined

  return (shifts) => {
    const { caliperAxialMm: ca, caliperRadialMm: cr, faceAxialMm: fa, barrelRadialMm: br } = shifts
    const move = moveBound(shifts)
    for (let v = 0; v < vertices; v += 1) {
      moved[v * 2] = baseWheel[v * 2]! + face[v]! * fa
      moved[v * 2 + 1] = baseWheel[v * 2 + 1]! + barrel[v]! * br
    }
    // the line between two closest points parts them: along it they come nearer by no more than they move
    let best = Infinity
    let leastBound = Infinity
    effort?.spend(1 + (count >> 4))
    for (let i = 0; i < count; i += 1) {
      const distance = distances[i]!
      if (distance - move >= best) break
      const v = pairs.wheelVertex[i]!
      const z = directions[i * 2]!
      const r = directions[i * 2 + 1]!
      const first = z * face[v]! * fa + r * barrel[v]! * br
      const second = z * face[v + 1]! * fa + r * barrel[v + 1]! * br
      const bound = distance - z * ca - r * cr + (first < second ? first : second)
      if (bound < leastBound) leastBound = bound
      if (bound >= best) continue
      const c = i * 4
      const w = v * 2
      segmentDistance(
        segments[c]! + ca,
        segments[c + 1]! + cr,
        segments[c + 2]! + ca,
        segments[c + 3]! + cr,
        moved[w]!,
        moved[w + 1]!,
        moved[w + 2]!,
        moved[w + 3]!,
        record,
      )
      if (record.squared < best * best) best = Math.sqrt(record.squared)
      if (best === 0) break
    }
    // parted to begin with, and all along the way
    if (!overlaps && leastBound > 0) return best
    if (!preparable) return plain(shifts)
    effort?.spend(points)
    probes ??= deepestProbes(caliper, wheel, spacerMm, mostMm)
    const depth = probes(moved, ca, cr, move)
    if (best > 0 && depth === 0) return best
    return best === 0 && depth > 0 ? -depth : plain(shifts)
  }
}

/**
 * A draw walks through the boxes of both sides as they are moved. Where nothing can have crossed, the least distance
 * is the gap; else the plain way has the word.
 */
function byBoxes(
  caliper: PreparedCaliper,
  wheel: PreparedWheel,
  spacerMm: number,
  plain: (shifts: Shifts) => number,
): (shifts: Shifts) => number {
  const { minGapMm, overlaps } = gap(caliper, wheel, spacerMm)
  const moveBound = moveOf(wheel)
  const { face, barrel } = vertexShifts(wheel.tags)
  const { boxes: wb, segments: ws, ids, ranges } = wheel.all
  // whether any and whether all of the vertices under a box follow a shift
  const [anyFace, allFace, anyBarrel, allBarrel] = [face, barrel].flatMap((follows) => [
    Uint8Array.from({ length: ranges.length / 2 }, (_, node) => Number(under(node, (v) => follows[v] === 1))),
    Uint8Array.from({ length: ranges.length / 2 }, (_, node) => Number(!under(node, (v) => follows[v] === 0))),
  ]) as [Uint8Array, Uint8Array, Uint8Array, Uint8Array]
  function under(node: number, is: (vertex: number) => boolean): boolean {
    for (let i = ranges[node * 2]!; i < ranges[node * 2 + 1]!; i += 1) if (is(ids[i]!) || is(ids[i]! + 1)) return true
    return false
  }
  const record = closest()
  return (shifts) => {
    const { caliperAxialMm: ca, caliperRadialMm: cr, faceAxialMm: fa, barrelRadialMm: br } = shifts
    if (overlaps || moveBound(shifts) >= minGapMm) return plain(shifts)
    let squared = Infinity
    for (const { tree } of caliper.outlines) {
      const { segments: cs, boxes: cb } = tree
      const bound = (a: number, b: number): number => {
        const lowZ = spacerMm - ca + (fa < 0 ? anyFace[b]! : allFace[b]!) * fa
        const highZ = spacerMm - ca + (fa < 0 ? allFace[b]! : anyFace[b]!) * fa
        const lowR = (br < 0 ? anyBarrel[b]! : allBarrel[b]!) * br - cr
        const highR = (br < 0 ? allBarrel[b]! : anyBarrel[b]!) * br - cr
        const dz = Math.max(cb[a * 4]! - wb[b * 4 + 2]! - highZ, wb[b * 4]! + lowZ - cb[a * 4 + 2]!, 0)
        const dr = Math.max(cb[a * 4 + 1]! - wb[b * 4 + 3]! - highR, wb[b * 4 + 1]! + lowR - cb[a * 4 + 3]!, 0)
        return dz * dz + dr * dr
      }
      const visit = (i: number, j: number): void => {
        const c = i * 4
        const w = j * 4
        const v = ids[j]!
        segmentDistance(
          cs[c]! + ca,
          cs[c + 1]! + cr,
          cs[c + 2]! + ca,
          cs[c + 3]! + cr,
          ws[w]! + spacerMm + face[v]! * fa,
          ws[w + 1]! + barrel[v]! * br,
          ws[w + 2]! + spacerMm + face[v + 1]! * fa,
          ws[w + 3]! + barrel[v + 1]! * br,
          record,
        )
        if (record.squared < squared) squared = record.squared
      }
      visitPairs(tree, wheel.all, bound, (least) => least < squared, visit, caliper.effort)
    }
    return Math.sqrt(squared)
  }
}

function summary(values: Float64Array): UncertainGap {
  const gaps = values.slice()
  const meanMm = gaps.reduce((sum, one) => sum + one, 0) / gaps.length
  const uMm = Math.sqrt(gaps.reduce((sum, one) => sum + (one - meanMm) ** 2, 0) / gaps.length)
  gaps.sort()
  return { meanMm, uMm, p05Mm: quantile(gaps, 0.05), p95Mm: quantile(gaps, 0.95) }
}
