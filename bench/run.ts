import { Polygon, point as flatPoint, Segment } from '@flatten-js/core'
import { Bench } from 'tinybench'
import { gap } from '../core/clearance/gap.ts'
import { prepareCaliper, prepareWheel } from '../core/clearance/outline.ts'
import { DEMO_PROJECT } from '../core/demo/project.ts'
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

/** Median time of a function, microseconds. */
async function microseconds(work: () => unknown, timeMs = 600): Promise<number> {
  const bench = new Bench({ time: timeMs, warmupTime: 250 })
  bench.add('work', () => void work())
  await bench.run()
  const [task] = bench.tasks
  if (!task || task.result.state !== 'completed') throw new Error('the benchmark did not run')
  return task.result.latency.p50 * 1000
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

const BUDGET_MS = 5
for (const setup of DEMO_PROJECT.setups) {
  const milliseconds = (await microseconds(() => evaluate(DEMO_PROJECT, setup.id))) / 1000
  console.log(`evaluate "${setup.name}", budget of ${BUDGET_MS} ms over time taken: ratio ${(BUDGET_MS / milliseconds).toFixed(1)}`)
  promise(milliseconds < BUDGET_MS, `evaluate() of ${setup.name} takes ${milliseconds.toFixed(2)} ms`)
}
console.log(
  `absolute: gap ${fast.toFixed(1)} µs, with preparation ${whole.toFixed(1)} µs, brute force ${brute.toFixed(0)} µs, general package ${package_.toFixed(0)} µs`,
)
process.exit(broken > 0 ? 1 : 0)
