import { handForceToLockN, pull } from './maths/hand-lever.ts'
import type { Project } from '../records/project.ts'
import { frictionOf, type Surface } from '../balance/grip.ts'
import { readPart } from '../figures/read.ts'
import type { Missing } from '../figures/figure.ts'
import { Working } from '../figures/working.ts'
import { hydraulicsOf } from '../hydraulics/hydraulics-of.ts'

/** What a strong arm gives, N: a usual bound for hand controls (UN Regulation No. 13-H, annex 4: 400 N by hand). */
export const HAND_FORCE_N = 400

interface HandReport {
  name: string
  missing: Missing[]
  /** At the hand force asked about. */
  pressureMpa: number | undefined
  surfaces: { surface: Surface; friction: number; assumed: boolean; locksAtN: number; locks: boolean }[]
}
const SURFACES: readonly Surface[] = ['dry', 'wet', 'loose']

/** What the hand lever of a setup does at a hand force; undefined where there is none. */
export function handReport(project: Project, setupId: string, handN: number): HandReport | undefined {
  const { system, mass, missing, context } = hydraulicsOf(project, setupId)
  const lever = context.resolved.handLever
  if (!lever) return undefined
  const work = new Working()
  const ratio = readPart(work, lever, 'leverRatio')
  const boreMm = readPart(work, lever, 'boreMm')
  work.askAll(missing)
  const nothing = { name: lever.name, missing: work.missing, pressureMpa: undefined, surfaces: [] }
  if (ratio === undefined || boreMm === undefined || !system || !mass) return nothing
  const of = { ratio, boreMm }
  return {
    ...nothing,
    pressureMpa: pull(system, of, handN).pressureMpa,
    surfaces: SURFACES.map((surface) => {
      const { value, assumed } = frictionOf(project, surface)
      const locksAtN = handForceToLockN(system, mass, of, value)
      return { surface, friction: value, assumed, locksAtN, locks: handN >= locksAtN }
    }),
  }
}
