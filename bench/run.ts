import { Polygon, point as flatPoint, Segment } from '@flatten-js/core'
import { Bench } from 'tinybench'
import { gap } from '../core/clearance/gap.ts'
import { normalQuantile } from '../core/clearance/normal.ts'
import { prepareCaliper, prepareWheel } from '../core/clearance/outline.ts'
import { plainGap, quantile, uncertainGap } from '../core/clearance/uncertain-gap.ts'
import { DEMO_PROJECT } from '../core/demo/project.ts'
import { allCandidates } from '../core/report/candidates.ts'
import { balanceReport } from '../core/report/balance-report.ts'
import { boreReport } from '../core/report/bore-report.ts'
import { evaluate } from '../core/report/evaluate.ts'
import { bruteDistance } from './brute-gap.ts'
import { caliperShape, wheelShape } from './shapes.ts'

/** One line each, `name: ratio N`; exits non-zero when a promise of the design is broken. */

const POINTS = 200
const outlines = caliperShape(POINTS)
const profile = wheelShape(POINTS)
const body = outlines[0]!.points
let broken = 0
const promise = (kept: boolean, words: string): void => {
  if (kept) return
  broken += 1
  console.log(`BROKEN: ${words}`)
}

/** Median time of a function, microseconds; `min` is its quickest run, which says what it takes on a quiet machine. */
async function microseconds(work: () => unknown, timeMs = 600, of: 'p50' | 'min' = 'p50'): Promise<number> {
  const bench = new Bench({ time: timeMs, warmupTime: 250 })
  bench.add('work', () => void work())
  await bench.run()
  const [task] = bench.tasks
  if (!task || task.result.state !== 'completed') throw new Error('the benchmark did not run')
  return task.result.latency[of] * 1000
}

// the same answer first: speed of a wrong answer is of no use
for (const spacer of [0, 1.5, 3, 8, 20]) {
  const fast = gap(prepareCaliper(outlines), prepareWheel(profile), spacer)
  const brute = bruteDistance([body], profile.points, spacer)
  promise(
    !fast.overlaps && Math.abs(fast.minGapMm - brute) <= 1e-9,
    `gap at a spacer of ${spacer} mm: ${fast.minGapMm} against ${brute} by brute force`,
  )
}

const caliper = prepareCaliper(outlines)
const wheel = prepareWheel(profile)
const fast = await microseconds(() => gap(caliper, wheel, 3))
const whole = await microseconds(() => gap(prepareCaliper(outlines), prepareWheel(profile), 3))
const brute = await microseconds(() => bruteDistance([body], profile.points, 3))
console.log(`gap of ${POINTS}-point outlines against brute force: ratio ${(brute / fast).toFixed(1)}`)
console.log(`the same with the outlines prepared each time: ratio ${(brute / whole).toFixed(1)}`)
promise(brute / fast >= 10, 'the gap must be at least ten times faster than brute force')

// a general-purpose geometry package: closed faces, its own spatial index
const polygonOf = (points: readonly (readonly [number, number])[], away: readonly [number, number][]): Polygon => {
  const polygon = new Polygon()
  const all = [...points, ...away].map(([z, r]) => flatPoint(z, r))
  polygon.addFace(all.map((from, index) => new Segment(from, all[(index + 1) % all.length]!)))
  return polygon
}
const caliperFace = polygonOf(body, [[-100, 90]])
const moved = profile.points.map(([z, r]) => [z + 3, r] as const)
const wheelFace = polygonOf(moved, [
  [120, 72],
  [120, 260],
  [-112, 260],
])
const general = caliperFace.distanceTo(wheelFace)[0]
promise(Math.abs(general - gap(caliper, wheel, 3).minGapMm) <= 1e-6, `the general package says ${general}`)
const package_ = await microseconds(() => caliperFace.distanceTo(wheelFace), 1500)
console.log(`gap of ${POINTS}-point outlines against a general geometry package: ratio ${(package_ / fast).toFixed(1)}`)

// a verdict with its uncertainty: two outlines of a caliper, a measured wheel
const draws = 100_000
const measured = caliperShape(40)
const object = {
  name: 'bleed screw',
  points: [
    [-60, 157],
    [-57, 163],
    [-52, 157],
  ] as [number, number][],
}
const outlined = prepareCaliper([...measured, object])
const profiled = prepareWheel(wheelShape(40))
const VERDICT_MS = 50
for (const [name, spacerMm, uMm] of [
  ['one place limits', 0, 0.5],
  ['it crosses as often as not', -6, 0.5],
  ['several places limit', 5, 0.8],
] as const) {
  const shifts = { caliperAxialMm: uMm, caliperRadialMm: uMm, faceAxialMm: uMm, barrelRadialMm: uMm }
  const found = uncertainGap(outlined, profiled, spacerMm, shifts)
  const verdictMs = (await microseconds(() => uncertainGap(outlined, profiled, spacerMm, shifts))) / 1000
  // the plain way: everything moved and the exact gap redone for each draw
  let seed = 20260912
  const next = () => {
    seed = (seed * 48271) % 2147483647
    return normalQuantile(seed / 2147483647) * uMm
  }
  const plain = plainGap(outlined, profiled, spacerMm)
  const from = performance.now()
  const gaps = Float64Array.from({ length: draws }, () =>
    plain({ caliperAxialMm: next(), caliperRadialMm: next(), faceAxialMm: next(), barrelRadialMm: next() }),
  )
  const plainMs = performance.now() - from
  gaps.sort()
  const off = Math.max(Math.abs(found.p05Mm - quantile(gaps, 0.05)), Math.abs(found.p95Mm - quantile(gaps, 0.95)))
  console.log(`verdict with uncertainty against 100 000 plain draws, ${name}: ratio ${(plainMs / verdictMs).toFixed(0)}`)
  console.log(`verdict with uncertainty, budget of ${VERDICT_MS} ms over time taken, ${name}: ratio ${(VERDICT_MS / verdictMs).toFixed(1)}`)
  console.log(`percentiles, allowance of 0.05 mm over difference, ${name}: ratio ${(0.05 / off).toFixed(1)}`)
  promise(off <= 0.05, `percentiles are ${off.toFixed(3)} mm off`)
  promise(verdictMs <= VERDICT_MS, `a verdict takes ${verdictMs.toFixed(1)} ms`)
  promise(plainMs / verdictMs >= 10, 'a verdict must be at least ten times faster than 100 000 plain draws')
}

// every remedy is tried on the whole setup before it is offered: that is a third of it
const BUDGET_MS = 8
for (const setup of DEMO_PROJECT.setups) {
  const milliseconds = (await microseconds(() => evaluate(DEMO_PROJECT, setup.id))) / 1000
  console.log(`evaluate "${setup.name}", budget of ${BUDGET_MS} ms over time taken: ratio ${(BUDGET_MS / milliseconds).toFixed(1)}`)
  const quiet = (await microseconds(() => evaluate(DEMO_PROJECT, setup.id), 300, 'min')) / 1000
  promise(quiet < BUDGET_MS, `evaluate() of ${setup.name} takes ${quiet.toFixed(2)} ms at the quickest`)
}
// one candidate against a setup, all its interfaces and the wheel's clearance
const CANDIDATE_MS = 0.2
const many = allCandidates(DEMO_PROJECT, 'balanced').length
const perCandidate = (await microseconds(() => allCandidates(DEMO_PROJECT, 'balanced'))) / 1000 / many
const quickest = (await microseconds(() => allCandidates(DEMO_PROJECT, 'balanced'), 600, 'min')) / 1000 / many
promise(quickest < CANDIDATE_MS, `a candidate takes ${quickest.toFixed(3)} ms at the quickest`)
console.log(`a candidate against a setup, budget of ${CANDIDATE_MS} ms over time taken: ratio ${(CANDIDATE_MS / perCandidate).toFixed(1)}`)
// all cases and curves of the balance, and every pair of bores
for (const [name, budgetMs, work] of [
  ['balance of a setup with all cases and curves', 10, () => balanceReport(DEMO_PROJECT, 'balanced')],
  ['pair matrix of 13 x 13 bores with travel', 20, () => boreReport(DEMO_PROJECT, 'balanced', { decelG: 0.9 })],
] as const) {
  const took = (await microseconds(work, 400)) / 1000
  const quiet = (await microseconds(work, 300, 'min')) / 1000
  console.log(`${name}, budget of ${budgetMs} ms over time taken: ratio ${(budgetMs / took).toFixed(1)}`)
  promise(quiet < budgetMs, `${name} takes ${quiet.toFixed(1)} ms at the quickest`)
}
console.log(
  `absolute: gap ${fast.toFixed(1)} µs, with preparation ${whole.toFixed(1)} µs, brute force ${brute.toFixed(0)} µs, general package ${package_.toFixed(0)} µs`,
)
process.exit(broken > 0 ? 1 : 0)
