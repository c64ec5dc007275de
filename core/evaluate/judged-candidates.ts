import { putPart } from '../commands/accept.ts'
import { checkKey } from '../fit/rule.ts'
import type { Project } from '../records/project.ts'
import type { SlotPlace } from '../records/setup.ts'
import { findSetup, stockSetup } from '../records/resolve.ts'
import { evaluate } from './evaluate.ts'
import { allCandidates, bestFirst, type Candidate } from '../whatif/candidates.ts'

/** More parts in need of a fix are not looked into: each is a look at the whole setup. */
const MOST_JUDGED = 40
/** A setup beside the car, for parts that are tried on the current car. */
const BESIDE = 'candidate'

/**
 * What each part of the project would bring in its places, with what the whole report says of those that need a fix: a need
 * that no part cures is a blocker.
 * @throws RangeError when the project has no such setup
 *
 * @example
 * judgedCandidates(DEMO_PROJECT, 'balanced').some((one) => one.worst === 'fits') // => true
 */
export function judgedCandidates(project: Project, setupId: string): Candidate[] {
  const all = allCandidates(project, setupId)
  let left = MOST_JUDGED
  let before: ReadonlySet<string> | undefined
  return all
    .map((one) => {
      if (one.worst !== 'needs' || left === 0) return one
      left -= 1
      before ??= new Set(blockedIn(project, setupId).keys())
      const [draft, id] = withPart(project, setupId, one)
      const found = [...blockedIn(draft, id)].find(([key]) => !before!.has(key))
      return found ? { ...one, worst: 'blocked' as const, why: found[1], count: 1 } : one
    })
    .sort(bestFirst)
}

/** Blocked findings of the fit check by their place, with their sentences. */
const blockedIn = (project: Project, setupId: string): Map<string, string> =>
  new Map(
    evaluate(project, setupId, { precision: 'linear' }).fit.flatMap((one): [string, string][] =>
      one.verdict === 'blocked' ? [[checkKey(one), one.sentence]] : [],
    ),
  )

function withPart(project: Project, setupId: string, { axle, slot, partId }: Candidate): [Project, string] {
  const draft = structuredClone(project)
  const current = stockSetup(draft).id === setupId
  if (current) draft.setups.push({ id: BESIDE, name: '', front: {}, rear: {}, hydraulics: {}, extras: [] })
  const id = current ? BESIDE : setupId
  putPart(draft, findSetup(draft, id)!, (axle ? { axle, slot } : { slot }) as SlotPlace, partId)
  return [draft, id]
}
