import { effectiveRadiusMm, sweptRing } from './maths/effective-radius.ts'
import { boreAreaMm2, BRAKE_FACTORS, DEFAULT_SEAL_MPA, sensitivityOfFactor, SHOE_SENSITIVITY, type AxleBrake } from './maths/system.ts'
import type { Axle } from '../quantity/axle.ts'
import type { PartOf } from '../records/part.ts'
import { axleFigure, type AxleFigure } from '../figures/entry.ts'
import type { Formula, ReportFigure } from '../figures/figure.ts'
import { askSlot, readCarAxle, readPart, type AtAxle, type Context } from '../figures/read.ts'
import { plainNumber, Working } from '../figures/working.ts'

/** The brake of one axle as numbers, with the figures it is made of. */
export interface AxleBrakeReport {
  pistonArea: ReportFigure
  effectiveRadius: ReportFigure
  /** Undefined while a figure is missing. */
  brake: AxleBrake | undefined
  /** Everything read besides area and radius. */
  rest: Working
}

const LIMPERT_2 = 'R. Limpert, Brake Design and Safety, ch. 2'
const caliperAt = ({ context, axle }: AtAxle) => context.resolved[axle].caliper
const isDrum = (at: AtAxle) => caliperAt(at)?.kind === 'drum'

const OF_PISTONS: Formula = { id: 'piston-area', name: 'Piston area, one side', text: 'A = π/4 · Σ d²', source: LIMPERT_2 }
const OF_CYLINDER: Formula = { id: 'cylinder-area', name: 'Wheel cylinder area', text: 'A = π/4 · d²', source: LIMPERT_2 }

/** Area of the pistons of one side, or of one wheel cylinder. */
export const PISTON_AREA: AxleFigure<'pistonArea', AtAxle> = axleFigure('pistonArea', {
  label: (at) => `${isDrum(at) ? 'Wheel cylinder area' : 'Piston area'}, ${at.axle}`,
  dimension: 'area',
  formula: (at) => (isDrum(at) ? OF_CYLINDER : OF_PISTONS),
  read(work, { context, axle }) {
    const caliper = context.resolved[axle].caliper
    if (caliper?.kind === 'drum') {
      const boreMm = readPart(work, caliper, 'cylinderBoreMm', 'd')
      return { boresMm: boreMm === undefined ? undefined : [boreMm] }
    }
    if (!caliper) askSlot(work, context, axle, 'caliper')
    else if (!caliper.pistonsMm)
      work.ask(
        `Piston diameters of ${caliper.name}`,
        { kind: 'part', partId: caliper.id, field: 'pistonsMm' },
        'Diameters on one side only.',
      )
    const at = { kind: 'part', partId: caliper?.id ?? '', field: 'pistonsMm' } as const
    const boresMm = caliper?.pistonsMm?.map((piston, index) =>
      work.read(piston, { symbol: `d${index + 1}`, label: `Piston ${index + 1} of ${caliper.name}`, dimension: 'length', at })!,
    )
    return { boresMm }
  },
  value: ({ boresMm }) => boresMm.reduce((sum, boreMm) => sum + boreAreaMm2(boreMm), 0),
  filled: ({ boresMm }, at) => (isDrum(at) ? undefined : `π/4 · (${boresMm.map((boreMm) => `${plainNumber(boreMm)}²`).join(' + ')})`),
  notes(area, _, at) {
    const caliper = caliperAt(at)
    if (caliper?.kind !== 'caliper') return []
    return [
      at.context.project.preferences.areaCounting === 'oneSide'
        ? 'Pistons of one side are counted: each pad is pressed by one side.'
        : `Makers who count all pistons of a fixed caliper state ${plainNumber((caliper.construction === 'fixed' ? 2 : 1) * area)} mm². One side makes the clamp force.`,
    ]
  },
})

const MEAN: Formula = {
  id: 'mean-radius',
  name: 'Effective radius, mean of the swept ring',
  text: 'r_e = (r_o + r_i) / 2',
  source: LIMPERT_2,
}
const UNIFORM_PRESSURE: Formula = {
  id: 'uniform-pressure-radius',
  name: 'Effective radius, uniform pressure',
  text: 'r_e = 2/3 · (r_o³ − r_i³) / (r_o² − r_i²)',
  source: LIMPERT_2,
}
const OF_DRUM: Formula = { id: 'drum-radius', name: 'Drum radius', text: 'r = D / 2', source: 'Geometry' }

interface SweptByPad {
  topMm: number
  heightMm: number
  rimMm: number
  innerMm: number
}

/** Where the friction acts. */
export const EFFECTIVE_RADIUS: AxleFigure<'effectiveRadius', AtAxle, { drumMm?: number | undefined; swept?: SweptByPad | undefined }> =
  axleFigure('effectiveRadius', {
    label: (at) => `${isDrum(at) ? 'Drum radius' : 'Effective radius'}, ${at.axle}`,
    dimension: 'length',
    formula: (at) => (isDrum(at) ? OF_DRUM : at.context.project.preferences.effectiveRadius === 'mean' ? MEAN : UNIFORM_PRESSURE),
    read(work, { context, axle }): { drumMm?: number | undefined; swept?: SweptByPad | undefined } {
      const caliper = context.resolved[axle].caliper
      if (caliper?.kind === 'drum') return { drumMm: readPart(work, caliper, 'drumDiameterMm', 'D') }
      const topMm = padTop(work, context, axle, caliper ?? undefined)
      const { pad, rotor } = context.resolved[axle]
      if (!pad) askSlot(work, context, axle, 'pad')
      const heightMm = pad ? readPart(work, pad, 'heightMm') : undefined
      if (!rotor) askSlot(work, context, axle, 'rotor')
      const diameterMm = rotor ? readPart(work, rotor, 'diameterMm') : undefined
      const innerDiameterMm = rotor ? readPart(work, rotor, 'frictionInnerDiameterMm') : undefined
      if (topMm === undefined || heightMm === undefined || diameterMm === undefined || innerDiameterMm === undefined)
        return { swept: undefined }
      const swept = { topMm, heightMm, rimMm: diameterMm / 2, innerMm: innerDiameterMm / 2 }
      const ring = ringOf(swept)
      if (ring) {
        const at = { kind: 'slot', setupId: context.setup.id, axle, slot: 'pad' } as const
        work.set(ring.outerMm, { symbol: 'r_o', label: 'Swept ring, outer radius', dimension: 'length', at })
        work.set(ring.innerMm, { symbol: 'r_i', label: 'Swept ring, inner radius', dimension: 'length', at })
      }
      return { swept }
    },
    value({ drumMm, swept }, { context, axle }) {
      if (drumMm !== undefined) return drumMm / 2
      const ring = ringOf(swept)
      if (ring) return effectiveRadiusMm(ring, context.project.preferences.effectiveRadius)
      return {
        what: `A pad that meets the rotor, ${axle}`,
        at: { kind: 'slot', setupId: context.setup.id, axle, slot: 'rotor' },
        how: 'Pad and rotor do not overlap: check pad top, lining height and rotor diameter.',
      }
    },
    notes: (_, { swept }) => (swept && swept.topMm > swept.rimMm ? ['The pad overhangs the rotor; the overhang is left out.'] : []),
  })

const ringOf = ({ topMm, heightMm, rimMm, innerMm }: SweptByPad) => sweptRing(topMm, heightMm, rimMm, innerMm)

/** Radius of the upper edge of the lining on this car. */
function padTop(work: Working, context: Context, axle: Axle, caliper: PartOf<'caliper'> | undefined): number | undefined {
  if (!caliper) {
    askSlot(work, context, axle, 'caliper')
    return undefined
  }
  const { bracket } = context.resolved[axle]
  const liftMm = () => (bracket ? readPart(work, bracket, 'radialMm') : bracket === null ? 0 : undefined)
  const topMm = readPart(work, caliper, 'padTopRadiusMm')
  if (caliper.frame === 'mount') {
    const mountMm = readCarAxle(work, context, axle, 'mountRadiusMm')
    const lift = liftMm()
    if (bracket === undefined) askSlot(work, context, axle, 'bracket')
    return topMm === undefined || mountMm === undefined || lift === undefined ? undefined : mountMm + lift + topMm
  }
  if (bracket === null && !caliper.takenWithLiftMm) return topMm
  // taken on a car with another bracket than now
  const lift = liftMm()
  if (bracket === undefined) askSlot(work, context, axle, 'bracket')
  const thenMm = readPart(work, caliper, 'takenWithLiftMm')
  return topMm === undefined || lift === undefined || thenMm === undefined ? undefined : topMm + lift - thenMm
}

export function axleBrake(context: Context, axle: Axle): AxleBrakeReport {
  const at = { context, axle }
  const pistonArea = PISTON_AREA.of(at).figure
  const effectiveRadius = EFFECTIVE_RADIUS.of(at).figure
  const rest = new Working()
  const caliper = context.resolved[axle].caliper
  const brake = caliper?.kind === 'drum' ? shoes(rest, axle, caliper) : pads(rest, context, axle)
  const [area, radiusMm] = [pistonArea.value, effectiveRadius.value]
  return {
    pistonArea,
    effectiveRadius,
    rest,
    brake: area === undefined || radiusMm === undefined ? undefined : brake?.(area, radiusMm),
  }
}

type MakeBrake = ((pistonAreaMm2: number, radiusMm: number) => AxleBrake) | undefined

function pads(work: Working, context: Context, axle: Axle): MakeBrake {
  const { pad } = context.resolved[axle]
  if (!pad) askSlot(work, context, axle, 'pad')
  const mu = pad ? readPart(work, pad, 'friction', `μ_${axle[0]}`) : undefined
  const sealMpa = work.assume(DEFAULT_SEAL_MPA.disc, {
    label: `Pressure to move the pads, ${axle}`,
    dimension: 'pressure',
    at: { kind: 'slot', setupId: context.setup.id, axle, slot: 'caliper' },
  })
  return mu === undefined
    ? undefined
    : (pistonAreaMm2, effectiveRadius) => ({ kind: 'disc', pistonAreaMm2, mu, effectiveRadiusMm: effectiveRadius, sealMpa })
}

function shoes(work: Working, axle: Axle, drum: PartOf<'drum'>): MakeBrake {
  const at = { kind: 'part', partId: drum.id, field: 'brakeFactor' } as const
  const brakeFactor =
    drum.brakeFactor || !drum.shoes
      ? readPart(work, drum, 'brakeFactor')
      : work.assume(BRAKE_FACTORS[drum.shoes], { label: `Brake factor C* of ${drum.name}`, dimension: 'number', at })
  const sealMpa = work.assume(DEFAULT_SEAL_MPA.drum, { label: `Pressure to move the shoes, ${axle}`, dimension: 'pressure', at })
  return brakeFactor === undefined
    ? undefined
    : (pistonAreaMm2, drumRadiusMm) => ({
        kind: 'drum',
        pistonAreaMm2,
        brakeFactor,
        drumRadiusMm,
        sealMpa,
        frictionSensitivity: drum.shoes ? SHOE_SENSITIVITY[drum.shoes] : sensitivityOfFactor(brakeFactor),
      })
}
