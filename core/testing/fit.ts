import { DEMO_PROJECT } from '../demo/project.ts'
import type { InterfaceCheck } from '../fit/interface-check.ts'
import { checkAll } from '../fit/rule.ts'
import { RULES, type RuleId } from '../fit/rules.ts'
import { visualChecksOn } from '../fit/visual-checks.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup } from '../records/resolve.ts'
import { figure } from '../quantity/figure.ts'

/** For tests of the fit check: the demo with something changed, and what one rule says of it. */

export type PartChanges = Record<string, unknown>
export const demo = (change: (project: Project) => void = () => {}): Project => {
  const copy = structuredClone(DEMO_PROJECT)
  change(copy)
  return copy
}
/** What a rule finds at an axle of a setup; undefined where it has nothing to say. */
export function find(project: Project, rule: RuleId, axle: Axle = 'front', setupId = 'as-it-stands'): InterfaceCheck | undefined {
  const setup = findSetup(project, setupId)!
  const stock = project.setups[0]
  const whole = resolveSetup(project, setup)
  const facts = {
    project,
    setup,
    axle,
    resolved: whole[axle],
    whole,
    stock: resolveSetup(project, stock),
    seen: visualChecksOn(setup, stock, axle, whole[axle]),
  }
  return checkAll(
    RULES.find((one) => one.id === rule)!,
    facts,
  )[0]
}
/** A part of a project, to be changed field by field. */
export const part = (project: Project, id: string) => project.parts.find((one) => one.id === id) as unknown as PartChanges
/** A part's or the car's field set to a number (mm) or a word, in the current car. */
export const withField = (
  holder: string,
  field: string,
  value: number | string | readonly string[],
  more: (project: Project) => void = () => {},
) =>
  demo((project) => {
    const target =
      holder === 'car'
        ? (project.car as unknown as PartChanges)
        : holder === 'front' || holder === 'rear'
          ? (project.car[holder] as unknown as PartChanges)
          : part(project, holder)
    target[field] = typeof value === 'number' ? figure(value) : value
    more(project)
  })
