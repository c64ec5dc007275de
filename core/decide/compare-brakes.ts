import type { Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { findSetup } from '../records/resolve.ts'
import { cornerOf } from '../clearance/corner.ts'
import type { Context } from '../figures/read.ts'
import { worse, worstByRules, type WorstOfRules } from '../whatif/candidates.ts'
import { bestFirst, contextOf, rowOf, withAxle, type PairingRow } from '../whatif/compare-wheels.ts'
import { companionPartsOf, partsInWords, type CompanionParts } from './companion-parts.ts'

/**
 * One wheel over every brake of the project: what each setup has on this axle, and every other caliper in the company of
 * the library in which it goes together best; where it goes together with nothing, with what the setup has.
 * @param wheelId a customer's wheel, say
 * @throws RangeError when the project has no such setup or wheel
 */
export function compareBrakes(project: Project, setupId: string, axle: Axle, wheelId: string): PairingRow[] {
  const looked = findSetup(project, setupId)
  if (!looked) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const here = contextOf(project, looked)
  const wheel = project.parts.find((part) => part.id === wheelId)
  if (wheel?.kind !== 'wheel') throw new RangeError(`no wheel ${wheelId} in project ${project.id}`)
  const spacer = { spacer: here.resolved[axle].spacer, spacerTrialMm: here.resolved[axle].spacerTrialMm, wheel }
  const rows: PairingRow[] = []
  const seen = new Set<string>()
  const calipers = new Set<string>()
  for (const setup of project.setups) {
    const context = contextOf(project, setup)
    const { caliper, rotor, pad, bracket, shimMm } = context.resolved[axle]
    if (caliper?.kind !== 'caliper') continue
    const key = [caliper, rotor, pad, bracket].map((part) => part?.id ?? '-').join(' ') + (shimMm === 0 ? '' : ` ${shimMm}`)
    if (seen.has(key)) continue
    seen.add(key)
    calipers.add(caliper.id)
    const on = withAxle(context, axle, spacer)
    const corner = cornerOf(on, axle, 'draws', false)
    const rules = worstOfBrake(on, axle)
    rows.push(rowOf(key, caliper.name, `as in “${setup.name}”${rotor ? `, ${rotor.name}` : ''}`, corner, setup.id === setupId, rules))
  }
  const companyOf = companionPartsOf(project, setupId, axle)
  for (const caliper of project.parts) {
    if (caliper.kind !== 'caliper' || calipers.has(caliper.id)) continue
    const company = companyOf(caliper)
    const on = withAxle(here, axle, { ...spacer, ...company, caliper, shimMm: 0 })
    const corner = cornerOf(on, axle, 'draws', false)
    const rules = worstOfBrake(on, axle)
    rows.push(rowOf(caliper.id, caliper.name, companyWords(company ?? here.resolved[axle], here.resolved[axle]), corner, false, rules))
  }
  return rows.sort(bestFirst)
}

/** The worst that the rules find of a brake with a wheel over it: of what it works with as of the caliper itself. */
const worstOfBrake = (context: Context, axle: Axle): WorstOfRules =>
  (['caliper', 'rotor', 'pad', 'bracket', 'wheel'] as const).map((slot) => worstByRules(context, axle, slot)).reduce(worse)

/** What of a brake is not as in the setup: "with Estate front rotor 284 x 24, no bracket". */
function companyWords(company: CompanionParts, now: CompanionParts): string {
  const other = (['rotor', 'pad', 'bracket'] as const).filter((slot) => company[slot]?.id !== now[slot]?.id)
  if (other.length === 0) return 'with the rotor and pads of this setup'
  return `with ${partsInWords(Object.fromEntries(other.map((slot) => [slot, company[slot]])))}`
}
