import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup, stockSetup } from '../records/resolve.ts'
import { circleAreaMm2 } from '../quantity/circle.ts'

export interface AreaRow {
  partId: string
  name: string
  construction: 'fixed' | 'sliding' | undefined
  /** Diameters of one side, mm. */
  pistonsMm: number[]
  staggered: boolean
  /** Counted by the school "one side"; undefined: diameters are missing. */
  oneSideMm2: number | undefined
  /** Counted by the school "all pistons": twice that for a fixed caliper, the same for a sliding one. */
  allMm2: number | undefined
  /** One side against the caliper that stands on this axle now, as a share. */
  against: number | undefined
  /** Fitted in the setup at the front or rear. */
  fitted: ('front' | 'rear')[]
}

/**
 * Every caliper of the project with its piston area by both schools, against the one that stands at the same end of the
 * car. One side is what clamps: a sliding caliper's single side pulls the other pad with the same force, so the two kinds
 * compare like with like only by one side. (R. Limpert, Brake Design and Safety, ch. 2.)
 *
 * @throws RangeError when the project has no such setup
 */
export function pistonAreas(project: Project, setupId: string): AreaRow[] {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const now = resolveSetup(project, setup)
  const stock = resolveSetup(project, stockSetup(project))
  const areaOf = (part: unknown): number | undefined => {
    const one = part as { kind?: string; pistonsMm?: { value: number }[] } | null | undefined
    return one?.kind === 'caliper' && one.pistonsMm?.length
      ? one.pistonsMm.reduce((sum, { value }) => sum + circleAreaMm2(value), 0)
      : undefined
  }
  const [frontMm2, rearMm2] = [areaOf(stock.front.caliper), areaOf(stock.rear.caliper)]
  return project.parts.flatMap((part): AreaRow[] => {
    if (part.kind !== 'caliper') return []
    const oneSideMm2 = areaOf(part)
    const fitted = (['front', 'rear'] as const).filter((axle) => now[axle].caliper?.id === part.id)
    // the end of the car whose caliper is nearer in size is what it would replace, unless it is fitted
    const end =
      fitted[0] ??
      (frontMm2 !== undefined && rearMm2 !== undefined && oneSideMm2 !== undefined && oneSideMm2 < Math.sqrt(frontMm2 * rearMm2)
        ? 'rear'
        : 'front')
    const base = end === 'front' ? frontMm2 : rearMm2
    const pistonsMm = part.pistonsMm?.map((one) => one.value) ?? []
    return [
      {
        partId: part.id,
        name: part.name,
        construction: part.construction,
        pistonsMm,
        staggered: new Set(pistonsMm).size > 1,
        oneSideMm2,
        allMm2:
          oneSideMm2 === undefined || part.construction === undefined
            ? undefined
            : part.construction === 'fixed'
              ? 2 * oneSideMm2
              : oneSideMm2,
        against: oneSideMm2 === undefined || base === undefined ? undefined : oneSideMm2 / base - 1,
        fitted,
      },
    ]
  })
}
