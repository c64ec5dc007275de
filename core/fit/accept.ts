import type { Axle, ExtraLine, Project } from '../model/project.ts'
import type { FitFinding, Remedy } from './finding.ts'
import { resolveSetup } from '../model/resolve.ts'
import { pieceLineId } from './rule.ts'
import { brakeOf, seenIn } from './seen.ts'

/**
 * Puts a remedy into a setup: a part into its slot, shims under the mount, a piece onto the bill. The
 * checks run again with it. Changes the draft it is given.
 */
export function acceptRemedy(draft: Project, setupId: string, finding: Pick<FitFinding, 'axle' | 'rule' | 'slot'>, remedy: Remedy): void {
  const setup = draft.setups.find((one) => one.id === setupId)
  if (!setup) return
  const axle = finding.axle && setup[finding.axle]
  if (remedy.kind === 'hydraulic') setup.hydraulics[remedy.slot] = remedy.partId
  else if (remedy.kind === 'part' && axle) {
    axle[remedy.slot] = remedy.partId
    if (remedy.slot === 'spacer') delete axle.spacerTrialMm
  } else if (remedy.kind === 'shim' && axle) axle.shimMm = remedy.shimMm
  else if (remedy.kind === 'piece') {
    const id = pieceLineId(finding)
    const there = setup.extras.find((line) => line.id === id)
    if (there && there.cures === remedy.cures) return
    const line: ExtraLine = {
      id,
      label: (finding.axle ? `${remedy.label}, ${finding.axle}` : remedy.label).slice(0, 120),
      kind: 'remedy',
      quantity: remedy.quantity,
    }
    if (remedy.cures !== undefined) line.cures = remedy.cures.slice(0, 120)
    setup.extras = [...setup.extras.filter((one) => one.id !== id), line]
  }
}

/** Takes a piece off the bill again. */
export function dropPiece(draft: Project, setupId: string, finding: Pick<FitFinding, 'axle' | 'rule' | 'slot'>): void {
  const setup = draft.setups.find((one) => one.id === setupId)
  if (setup) setup.extras = setup.extras.filter((line) => line.id !== pieceLineId(finding))
}

/** Notes that someone has seen a rule to hold on the car, or takes that back. */
export function setSeen(draft: Project, setupId: string, axle: Axle, rule: string, seen: boolean): void {
  const setup = draft.setups.find((one) => one.id === setupId)
  if (!setup) return
  const fitted = resolveSetup(draft, setup)[axle]
  const others = seenIn(setup, axle, fitted).filter((one) => one !== rule)
  const rules = seen ? [...others, rule] : others
  if (rules.length > 0) setup[axle].seen = { rules, ...brakeOf(fitted) }
  else delete setup[axle].seen
}
