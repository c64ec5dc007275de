import { dutySegments } from '../../heat/duty.ts'
import { AXLES, type Axle, type PartOf, type Price, type Project } from '../../model/project.ts'
import { findSetup, resolveSetup } from '../../model/resolve.ts'
import { Working } from '../figure/working.ts'
import { DUTIES } from './duties.ts'
import { linesOf, whenWords } from './heat-report.ts'
import { drive, marksOf, prepare } from './session-run.ts'

/** Other pads in place of those fitted, over the same driving. */
export interface PadTry {
  axle: Axle
  partId: string
  name: string
  fitted: boolean
  price: Price | undefined
  owned: boolean
  rangeToC: number | undefined
  /** Their friction over temperature is known: without it fade is not predicted. */
  fadeKnown: boolean
  /** Highest temperature of their faces. */
  faceC: number
  /** What then goes first, and when; undefined: nothing does by the likely figures. */
  first: { label: string; when: string; seconds: number } | undefined
}

/**
 * Every pad of the library that has the shape of the one fitted, put in its place and driven. Pads of which nobody knows the
 * range are there too: what they do is not known, and nothing is said to last.
 */
export function padTries(project: Project, setupId: string, dutyId?: string): PadTry[] {
  const duty = DUTIES.find((one) => one.id === dutyId) ?? DUTIES[0]!
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const resolved = resolveSetup(project, setup)
  return AXLES.flatMap((axle) => {
    const fitted = resolved[axle].pad
    if (!fitted?.shape) return []
    const pads = project.parts.filter((part): part is PartOf<'pad'> => part.kind === 'pad' && part.shape === fitted.shape)
    return pads.flatMap((pad): PadTry[] => {
      const setups = project.setups.map((one) => (one === setup ? { ...one, [axle]: { ...one[axle], pad: pad.id } } : one))
      const prepared = prepare(new Working(), { ...project, setups: setups as Project['setups'] }, setupId)
      if (!prepared) return []
      const run = drive(prepared, duty, false)
      const over = AXLES.flatMap((at) => linesOf(at, prepared, run, [])).filter((one) => one.overAtS !== undefined)
      const [first] = over.sort((a, b) => a.overAtS! - b.overAtS!)
      const lastsS = dutySegments(prepared.car, duty.duty).reduce((sum, one) => sum + one.seconds, 0)
      return [
        {
          axle,
          partId: pad.id,
          name: pad.name,
          fitted: pad.id === fitted.id,
          price: pad.price,
          owned: pad.owned ?? false,
          rangeToC: pad.rangeToC?.value,
          fadeKnown: prepared.axles[axle].friction !== undefined,
          faceC: run.session.peak[axle].faceC,
          first: first && {
            label: first.label,
            seconds: first.overAtS!,
            when: whenWords(duty, marksOf(duty, prepared.car), lastsS, first.overAtS!),
          },
        },
      ]
    })
  })
}
