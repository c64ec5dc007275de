import { WorkBudget } from '../maths/work-budget.ts'
import { acceptFix } from '../commands/accept.ts'
import type { InterfaceCheck, Fix } from '../fit/interface-check.ts'
import { checkKey, type SlotsRead } from '../fit/rule.ts'
import { changedBy } from '../fit/fit-check.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import type { Setup } from '../records/setup.ts'
import { betterFirst, outcomeFrom, outcomeOf, worsened, type Outcome, type OutcomeReach } from './outcome.ts'
import type { StockBrakes } from '../balance/pedal-to-road.ts'
import type { FigureCheck } from '../figures/check-result.ts'
import { VERDICT_RANK } from '../figures/words.ts'

/** No more parts are tried for one finding: a long list helps nobody, and each is a look at the whole setup. */
const MOST_TRIED = 12
/** What looking at gaps may cost for all of them together, in pairs of boxes: some 0.1 s. */
const EFFORT = 300_000

/**
 * Remedies as the whole setup with them in is found to be: what would break another interface is no cure and is left
 * out, what leaves less open comes first, and what each brings is said with it. A need that nothing cures is a blocker.
 * Pieces to buy change no part of the setup, and stay as the rule names them.
 */
export function judgeFixes(
  project: Project,
  setup: Setup,
  fit: readonly InterfaceCheck[],
  findings: readonly FigureCheck[],
  stock: StockBrakes,
  lookedInto: Readonly<Record<Axle, SlotsRead>>,
) {
  let known: Outcome | undefined
  const before = () => (known ??= outcomeFrom(fit, findings))
  const effort = new WorkBudget(EFFORT)
  const reachOf = (axle: Axle | undefined, pedal: boolean): OutcomeReach => ({
    from: before(),
    axles: axle ? [axle] : [],
    pedal,
    stock,
    effort,
  })
  // a spacer is looked into by few rules of its axle, and by none of the whole car
  const spacerReach = (axle: Axle): OutcomeReach => ({ rules: changedBy('spacer', lookedInto[axle]), ...reachOf(axle, false) })
  const judged = fit.map((one) => {
    const tried = one.remedies.filter((remedy) => remedy.kind !== 'piece')
    if (tried.length === 0) return one
    const cures = tried
      .slice(0, MOST_TRIED)
      .flatMap(
        (remedy) =>
          judge(project, setup, remedy, checkKey(one), reachOf(one.axle, movesPedal(remedy)), (draft) =>
            acceptFix(draft, setup.id, one, remedy),
          ) ?? [],
      )
      .sort((a, b) => betterFirst(a.outcome, b.outcome))
      .map(({ remedy, outcome, brings }): Fix => ({ ...remedy, after: { verdict: outcome.verdict, open: outcome.open, brings } }))
    const remedies = [...cures, ...one.remedies.filter((remedy) => remedy.kind === 'piece')]
    return remedies.length > 0 || one.verdict !== 'needs'
      ? { ...one, remedies }
      : {
          ...one,
          remedies,
          verdict: 'blocked' as const,
          sentence: `${one.sentence} ${effort.left <= 0 ? NOT_TRIED : noneOf(tried.length)}`,
        }
  })
  const own = findings.map((one): FigureCheck => {
    const { remedy } = one
    if (!remedy) return one
    const key = `${one.axle ?? 'car'}.${one.rule}`
    const reach = one.axle && remedy.kind === 'spacer' ? spacerReach(one.axle) : reachOf(one.axle, remedy.kind === 'hydraulic')
    const found = judge(project, setup, remedy, key, reach, (draft) => {
      const target = draft.setups.find((candidate) => candidate.id === setup.id)!
      if (remedy.kind === 'spacer') target[one.axle!].spacerTrialMm = remedy.thicknessMm
      else target.hydraulics[remedy.slot] = remedy.partId
    })
    if (found)
      return { ...one, remedy: { ...remedy, after: { verdict: found.outcome.verdict, open: found.outcome.open, brings: found.brings } } }
    const { remedy: _, ...rest } = one
    const why = effort.left <= 0 ? NOT_TRIED : `${remedy.sentence} ${BREAKS}`
    return { ...rest, verdict: 'blocked', sentence: `${one.sentence} ${why}` }
  })
  return { fit: judged, findings: own }
}

/** Shims, wheels and spacers leave pedal and balance as they are. */
const movesPedal = (remedy: Fix): boolean =>
  remedy.kind === 'hydraulic' || (remedy.kind === 'part' && remedy.slot !== 'wheel' && remedy.slot !== 'spacer')

const NOT_TRIED = 'Fixes were not tried: the outlines overlap in too many points.'
/** Only what was tried can be spoken of. */
const noneOf = (parts: number): string =>
  parts <= MOST_TRIED
    ? 'No part in the library fixes it without failing another check.'
    : `The first ${MOST_TRIED} of ${parts} possible parts fail another check; the rest were not tried.`
const BREAKS = 'But it fails another check.'

/** As deep as a remedy reaches: slots and what is beside them; lines of the bill are put anew, not changed. */
const copied = (setup: Setup): Setup => ({
  ...setup,
  front: { ...setup.front },
  rear: { ...setup.rear },
  hydraulics: { ...setup.hydraulics },
})

/** The setup with a remedy in it; undefined where that does not help the finding, blocks something else, or costs too much to say. */
function judge<R>(project: Project, setup: Setup, remedy: R, key: string, reach: OutcomeReach, apply: (draft: Project) => void) {
  const before = reach.from
  const setups = project.setups.map((one) => (one === setup ? copied(one) : one))
  const draft = { ...project, setups: setups as Project['setups'] }
  apply(draft)
  const outcome = outcomeOf(draft, setup.id, reach)
  // a gap that could not be afforded says nothing of the remedy
  if (reach.effort && reach.effort.left <= 0) return undefined
  const rank = (of: Outcome) => VERDICT_RANK[of.findings.get(key)?.verdict ?? 'fits']
  const brings = worsened(before, outcome)
  const helps = rank(outcome) < rank(before) && !brings.some((one) => one.verdict === 'blocked')
  return helps ? { remedy, outcome, brings } : undefined
}
