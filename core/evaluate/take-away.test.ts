import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { checkKey } from '../fit/rule.ts'
import type { Project } from '../records/project.ts'
import type { EntryPlace } from '../records/question.ts'
import { randomSetup, SETUP, withSetup } from '../testing/setups.ts'
import { evaluate } from './evaluate.ts'
import type { FigureId } from '../figures/figure-ids.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { Place } from '../figures/figure.ts'
import type { Report } from './report.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import { runs } from '../testing/runs.ts'

/** Take an input away, and no verdict gets better; nor is anything said to fit of what is not there. */

const SEED = 20261126

/** Stick-on weights that nobody measured are allowed for by the project's own choice, and the working says where they are not. */
const WEIGHTS = ['weightThicknessMm', 'weightFromMm', 'weightToMm']

/**
 * Figures that a documented default stands in for, marked as assumed wherever they count: without them a verdict is one
 * about a usual car.
 */
const HAVE_DEFAULTS = new Set([
  'pedalEfficiency',
  'wellDepthMm',
  'wallMm',
  'measuredTravelMm',
  'measuredTravelForceN',
  'construction',
  ...WEIGHTS,
])

/** How sure something is: without it a wider class counts, which may still be enough. */
const DOUBTS = new Set(['uAxialMm', 'uRadialMm', 'uBarrelRadialMm', 'uFaceAxialMm'])
/** The order of locking is one of decelerations: how hard the foot pushes for them is another question. */
const IDLE: Readonly<Record<string, ReadonlySet<string>>> = {
  'car.lock-order': new Set(['assistN']),
  // a lower boiling point is told, not judged
  'car.fluid': new Set(['dryBoilC']),
}
/** A body that was not measured there is taken as large as it can be: that may still clear. */
const CAUTIOUS = new Set(['tallFromMm', 'tallToMm', 'faceOuterRadiusMm', 'faceInnerRadiusMm'])
const mayStillFit = (key: string, at: EntryPlace): boolean =>
  'field' in at &&
  (DOUBTS.has(at.field) || (IDLE[key]?.has(at.field) ?? false) || (key.endsWith('.wheel-clearance') && CAUTIOUS.has(at.field)))

/** The project without what was entered at a place; undefined where nothing was. */
function without(project: Project, at: EntryPlace): Project | undefined {
  const copy = structuredClone(project)
  const holder: unknown =
    at.kind === 'part'
      ? copy.parts.find((one) => one.id === at.partId)
      : at.kind === 'car'
        ? at.axle
          ? copy.car[at.axle]
          : copy.car
        : at.kind === 'setup'
          ? at.axle
            ? copy.setups.find((one) => one.id === at.setupId)?.[at.axle]
            : copy.setups.find((one) => one.id === at.setupId)?.hydraulics
          : undefined
  if (!('field' in at) || typeof holder !== 'object' || holder === null || HAVE_DEFAULTS.has(at.field)) return undefined
  return Reflect.has(holder, at.field) && Reflect.deleteProperty(holder, at.field) ? copy : undefined
}

interface Said {
  key: string
  verdict: Verdict
  inputs: { label: string; at: EntryPlace }[]
}

/** Everything with a verdict, and what was entered for it. */
function said(report: Report): Said[] {
  const entered = (id: FigureId, seen = new Set<FigureId>()): { label: string; at: Place }[] => {
    if (seen.has(id)) return []
    seen.add(id)
    return report.figures[id].inputs.flatMap((input) =>
      input.at.kind === 'figure' ? entered(input.at.figureId, seen) : input.origin !== undefined && !input.assumed ? [input] : [],
    )
  }
  return [
    ...report.findings.map((one) => ({
      key: `${one.axle ?? 'car'}.${one.rule}`,
      verdict: one.verdict,
      inputs: entered(one.figureId) as Said['inputs'],
    })),
    ...report.fit.map((one) => ({
      key: checkKey(one),
      verdict: one.verdict,
      inputs: one.looked.filter((looked) => looked.value !== undefined).map(({ label, at }) => ({ label, at })),
    })),
  ]
}

function hold(project: Project, id: string, every: number, offset: number): number {
  let tried = 0
  const before = said(evaluate(project, id))
  const places = new Map<string, { at: EntryPlace; users: Said[] }>()
  for (const one of before)
    for (const { at } of one.inputs) {
      const key = JSON.stringify(at)
      const known = places.get(key)
      if (known) known.users.push(one)
      else places.set(key, { at, users: [one] })
    }
  for (const [i, { at, users }] of [...places.values()].entries()) {
    if ((i + offset) % every !== 0) continue
    const less = without(project, at)
    if (!less) continue
    tried += 1
    const after = new Map(said(evaluate(less, id)).map((one) => [one.key, one.verdict]))
    for (const { key, verdict } of users) {
      const now = after.get(key)
      // an interface that is gone with the figure says nothing
      if (now === undefined) continue
      const noBetter = now === 'unknown' || VERDICT_RANK[now] >= VERDICT_RANK[verdict]
      expect([at, key, verdict, now, noBetter && (now !== 'fits' || mayStillFit(key, at))]).toEqual([at, key, verdict, now, true])
    }
  }
  return tried
}

test('over the demo, each input of each setup', () => {
  for (const setup of DEMO_PROJECT.setups) expect(hold(DEMO_PROJECT, setup.id, 5, 0)).toBeGreaterThan(15)
})
test('over setups made at random', () => {
  let tried = 0
  fc.assert(
    fc.property(randomSetup, fc.nat(12), (parts, offset) => {
      tried += hold(withSetup(parts), SETUP, 13, offset)
    }),
    { numRuns: runs(25, 5), seed: SEED },
  )
  expect(tried).toBeGreaterThan(runs(100, 50))
})
