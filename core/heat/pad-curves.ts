import { frictionAt, type FrictionCurve } from './maths/session.ts'
import type { Axle } from '../quantity/axle.ts'
import type { PartOf } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { findSetup, resolveSetup } from '../records/resolve.ts'
import { Working } from '../figures/working.ts'
import { padFriction } from './pad-friction.ts'

/** A pad set of the fitted shape beside the others, in plain words. */
interface PadBeside {
  partId: string
  name: string
  fitted: boolean
  /** By rising temperature of the face; undefined: not entered. */
  curve: FrictionCurve | undefined
  rangeFromC: number | undefined
  rangeToC: number | undefined
  words: string[]
}

const HOW_MUCH = { low: 'little', medium: 'some', high: 'much' } as const
/** Faces of a car that has stood overnight, and of one that is driven, degC. */
const COLD_C = 20
/** Less than this share of what it has at its best is felt on the first stop. */
const BITES_COLD = 0.85

/** The pads that could go where one is fitted, by the friction of each over the temperature of its face. */
export function padsBeside(project: Project, setupId: string, axle: Axle): PadBeside[] {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const { pad: fitted, caliper } = resolveSetup(project, setup)[axle]
  if (!fitted || caliper?.kind === 'drum') return []
  const alike = project.parts.filter(
    (one): one is PartOf<'pad'> =>
      one.kind === 'pad' && (one.id === fitted.id || (fitted.shape !== undefined && one.shape === fitted.shape)),
  )
  return alike.map((pad) => {
    const read = padFriction(new Working(), pad)
    const curve = read === 'unclear' ? undefined : read
    return {
      partId: pad.id,
      name: pad.name,
      fitted: pad.id === fitted.id,
      curve,
      rangeFromC: pad.rangeFromC?.value,
      rangeToC: pad.rangeToC?.value,
      words: wordsOf(pad, curve),
    }
  })
}

/** The friction that is drawn at a temperature. */
export const frictionOf = (curve: FrictionCurve, atC: number): number => frictionAt(curve, atC)

function wordsOf(pad: PartOf<'pad'>, curve: FrictionCurve | undefined): string[] {
  return [
    coldWords(pad, curve),
    ...(pad.noise ? [`${HOW_MUCH[pad.noise]} noise`] : []),
    ...(pad.dust ? [`${HOW_MUCH[pad.dust]} dust`] : []),
    ...(pad.rotorWear ? [`${HOW_MUCH[pad.rotorWear]} wear of the rotor`] : []),
    ...(pad.wearMmPerMj ? [`${pad.wearMmPerMj.value} mm of lining for a MJ`] : []),
  ]
}

/** What it does on the first stop of a car that is driven to the track. */
export function coldWords(pad: Pick<PartOf<'pad'>, 'rangeFromC'>, curve: FrictionCurve | undefined): string {
  const from = pad.rangeFromC?.value
  if (from !== undefined && from > COLD_C) return `low cold friction: its range begins at ${Math.round(from)} °C`
  if (!curve) return 'cold friction unknown'
  const best = Math.max(...curve.map(([, mu]) => mu))
  const cold = frictionAt(curve, COLD_C)
  return cold < BITES_COLD * best ? `cold friction ${Math.round((cold / best) * 100)}% of its best` : 'good cold friction'
}
