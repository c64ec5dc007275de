import type { Axle } from '../quantity/axle.ts'
import type { ExtraLine, Setup, Slot, SlotPlace } from '../records/setup.ts'
import type { Project } from '../records/project.ts'
import type { InterfaceCheck, Fix } from '../fit/interface-check.ts'
import { resolveSetup } from '../records/resolve.ts'
import { setShims, shimLineId } from '../records/shims.ts'
import { fixItemKey } from '../fit/fix-item.ts'
import { fixLineId } from '../fit/rule.ts'
import { brakeOf, visualChecksIn } from '../fit/visual-checks.ts'

/**
 * Puts a remedy into a setup: a part into its slot, shims under the mount, a piece onto the bill. The
 * checks run again with it. Changes the draft it is given.
 */
export function acceptFix(draft: Project, setupId: string, finding: Pick<InterfaceCheck, 'axle' | 'rule' | 'slot'>, remedy: Fix): void {
  const setup = draft.setups.find((one) => one.id === setupId)
  if (!setup) return
  if (remedy.kind === 'hydraulic') putPart(draft, setup, { slot: remedy.slot }, remedy.partId)
  else if (remedy.kind === 'part' && finding.axle) putPart(draft, setup, { axle: finding.axle, slot: remedy.slot }, remedy.partId)
  else if (remedy.kind === 'shim' && finding.axle) shim(draft, setup, finding.axle, remedy.shimMm)
  else if (remedy.kind === 'piece') {
    const id = fixLineId(finding)
    const there = setup.extras.find((line) => line.id === id)
    const cures = fixItemKey(remedy.piece)
    if (there?.cures === cures) return
    const line: ExtraLine = {
      id,
      label: (finding.axle ? `${remedy.label}, ${finding.axle}` : remedy.label).slice(0, 120),
      kind: 'remedy',
      quantity: remedy.quantity,
      cures,
    }
    setup.extras = [...setup.extras.filter((one) => one.id !== id), line]
  }
}

/**
 * Puts a part into a slot. What was cut or tried for the part before goes: shims with the caliper, a tried thickness with
 * the spacer. Changes the draft it is given.
 *
 * @param part an id; null: nothing on purpose; undefined: as the car stands
 */
export function putPart(draft: Project, setup: Setup, place: SlotPlace, part: Slot): void {
  const holder = (place.axle ? setup[place.axle] : setup.hydraulics) as Record<string, Slot>
  const before = holder[place.slot]
  if (part === undefined) Reflect.deleteProperty(holder, place.slot)
  else holder[place.slot] = part
  // a rebuild was ordered for the part that stood there
  if (before !== part) dropRebuild(setup, place)
  if (place.axle && place.slot === 'spacer') delete setup[place.axle].spacerTrialMm
  if (place.axle && place.slot === 'caliper' && before !== part) shim(draft, setup, place.axle, undefined)
}

const dropRebuild = (setup: Setup, place: SlotPlace): void => {
  const id = place.axle ? fixLineId({ rule: 'used-part', axle: place.axle, slot: place.slot }) : fixLineId({ rule: 'used-hydraulics' })
  if (place.axle || place.slot === 'masterCylinder' || place.slot === 'booster')
    setup.extras = setup.extras.filter((line) => line.id !== id)
}

/** Shims of a setup; on the car as it stands they are there already and are not bought. */
const shim = (draft: Project, setup: Setup, axle: Axle, shimMm: number | undefined): void =>
  setShims(setup, axle, shimMm, setup.id !== draft.setups[0].id, draft.preferences.units)
export function chooseShims(draft: Project, setupId: string, axle: Axle, shimMm: number | undefined): void {
  const setup = draft.setups.find((one) => one.id === setupId)
  if (setup) shim(draft, setup, axle, shimMm)
}

/** Takes a piece off the bill again, or shims out. */
export function dropFixItem(draft: Project, setupId: string, finding: Pick<InterfaceCheck, 'axle' | 'rule' | 'slot'>): void {
  const setup = draft.setups.find((one) => one.id === setupId)
  if (!setup) return
  setup.extras = setup.extras.filter((line) => line.id !== fixLineId(finding))
  if (finding.axle && fixLineId(finding) === shimLineId(finding.axle)) delete setup[finding.axle].shimMm
}

/** Notes that someone has seen a rule to hold on the car, or takes that back. */
export function setVisualCheck(draft: Project, setupId: string, axle: Axle, rule: string, seen: boolean): void {
  const setup = draft.setups.find((one) => one.id === setupId)
  if (!setup) return
  const fitted = resolveSetup(draft, setup)[axle]
  const others = visualChecksIn(setup, axle, fitted).filter((one) => one !== rule)
  const rules = seen ? [...others, rule] : others
  if (rules.length > 0) setup[axle].seen = { rules, ...brakeOf(fitted) }
  else delete setup[axle].seen
}
