import { looksInto } from '../../fit/rule.ts'
import type { Axle, Part, Project } from '../../model/project.ts'
import type { ResolvedAxle } from '../../model/resolve.ts'
import { VERDICT_RANK } from '../figure/words.ts'
import { factsOf } from '../fit/fit-check.ts'
import { gapOf, rulesOf, walkAxle } from './axle-walk.ts'
import { Readings } from './by-what-it-reads.ts'
import { AXLE_RULES } from './dropped.ts'
import { partCost } from './prices.ts'
import { DEFAULT_ASK, spaceOf, type Filling, type SearchAsk } from './space.ts'

/** What a caliper works with. */
export type Company = Pick<ResolvedAxle, 'rotor' | 'pad' | 'bracket'>
const COMPANY = ['rotor', 'pad', 'bracket'] as const
const BRAKE: ReadonlySet<string> = new Set(['caliper', ...COMPANY])

/**
 * The company of the library in which a caliper goes together best on an axle of a setup, without adapters and shims: by the
 * worst that the rules find between these parts and the car, then what the setup has and what costs least. Hose, wheel and
 * spacer, and how used a part is, are other questions.
 *
 * @returns asked for one caliper after the other, for what two parts decide is asked once for all of them; undefined where it
 *   goes together with nothing of the library
 * @throws RangeError when the project has no such setup
 */
export function companiesOf(project: Project, setupId: string, axle: Axle): (caliper: Part) => Company | undefined {
  const ask: SearchAsk = {
    ...DEFAULT_ASK,
    setupId,
    vary: { front: axle === 'front', rear: axle === 'rear', wheel: false, hydraulics: false, booster: false },
    musts: { known: false, noPieces: true, clears: false, frontFirst: false, pedal: false, parkingBrake: false },
  }
  const space = spaceOf(project, ask)
  const readings = new Readings(space)
  const now = space.baseParts[axle]
  const facts = factsOf({ project, setup: space.base, isStock: space.base === space.stock, resolved: space.baseParts }, axle)
  // what hose, wheel and spacer have to say is said of any company alike
  const between = new Set<string>(
    AXLE_RULES.filter((rule) => [...looksInto(rule, facts)].every((slot) => BRAKE.has(slot))).map((rule) => rule.id),
  )
  const rules = rulesOf(readings, axle, gapOf(readings, axle), ask).filter((rule) => between.has(rule.id))
  const cost = (part: Part | null | undefined) => partCost(part, undefined, 1, project.preferences) ?? Infinity
  const options = { ...space.options, [`${axle}.spacer`]: [now.spacer], [`${axle}.hose`]: [now.hose] }
  for (const slot of COMPANY) {
    const [first, ...others] = space.options[`${axle}.${slot}`]
    options[`${axle}.${slot}`] = [first, ...others.sort((a, b) => cost(a) - cost(b))]
  }
  return (caliper) => {
    let best: { rank: number; filling: Filling } | undefined
    walkAxle<number>({
      axle,
      options: { ...options, [`${axle}.caliper`]: [caliper] },
      rules,
      ask,
      all: false,
      start: VERDICT_RANK.fits,
      step: (sofar, { dropped, verdict }) => {
        const rank = Math.max(sofar, VERDICT_RANK[verdict])
        return dropped.length > 0 || (best && rank >= best.rank) ? undefined : rank
      },
      each: (filling, rank) => (best = { rank, filling: { ...filling } }),
    })
    const filling = best?.filling
    return filling && (Object.fromEntries(COMPANY.map((slot) => [slot, filling[`${axle}.${slot}`]])) as unknown as Company)
  }
}
