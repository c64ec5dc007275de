import { effectiveRadiusMm, sweptRing } from '../hydraulics/effective-radius.ts'
import { boreAreaMm2, BRAKE_FACTORS, DEFAULT_SEAL_MPA, type AxleBrake } from '../hydraulics/system.ts'
import type { Axle, PartOf } from '../model/project.ts'
import { askSlot, readCarAxle, readPart, type Context } from './context.ts'
import type { ReportFigure } from './types.ts'
import { plainNumber, Working } from './working.ts'

/** The brake of one axle as numbers, with the figures it is made of. */
export interface AxleBrakeReport {
  pistonArea: ReportFigure
  effectiveRadius: ReportFigure
  /** Undefined while a figure is missing. */
  brake: AxleBrake | undefined
  /** Everything read besides area and radius. */
  rest: Working
}

export function axleBrake(context: Context, axle: Axle): AxleBrakeReport {
  const fitted = context.resolved[axle].caliper
  return fitted?.kind === 'drum' ? drumBrake(axle, fitted) : discBrake(context, axle, fitted ?? undefined)
}

function discBrake(context: Context, axle: Axle, caliper: PartOf<'caliper'> | undefined): AxleBrakeReport {
  const areaWork = new Working()
  let area: number | undefined
  if (!caliper) askSlot(areaWork, context, axle, 'caliper')
  else if (!caliper.pistonsMm)
    areaWork.ask(
      `Piston diameters of ${caliper.name}`,
      { kind: 'part', partId: caliper.id, field: 'pistonsMm' },
      'Diameters on one side only.',
    )
  else {
    area = 0
    caliper.pistonsMm.forEach((piston, index) => {
      const at = { kind: 'part', partId: caliper.id, field: 'pistonsMm' } as const
      area! += boreAreaMm2(
        areaWork.read(piston, { symbol: `d${index + 1}`, label: `Piston ${index + 1} of ${caliper.name}`, dimension: 'length', at })!,
      )
    })
    areaWork.notes.push(
      context.project.preferences.areaCounting === 'oneSide'
        ? 'Pistons of one side are counted: each pad is pressed by one side.'
        : `Some count all pistons of an opposed caliper: that would be ${plainNumber((caliper.construction === 'fixed' ? 2 : 1) * area)} mm². The clamp comes from one side all the same.`,
    )
  }
  const filled = caliper?.pistonsMm
    ? `π/4 · (${caliper.pistonsMm.map((piston) => `${plainNumber(piston.value)}²`).join(' + ')})`
    : undefined
  const pistonArea = areaWork.figure(
    `${axle}.pistonArea`,
    `Piston area, ${axle}`,
    'area',
    'piston-area',
    area,
    filled === undefined ? {} : { filled },
  )

  const effectiveRadius = radius(context, axle, caliper)
  const rest = new Working()
  const { pad } = context.resolved[axle]
  let mu: number | undefined
  if (pad) mu = readPart(rest, pad, 'friction', `μ_${axle[0]}`)
  else askSlot(rest, context, axle, 'pad')
  const sealMpa = DEFAULT_SEAL_MPA.disc
  rest.assume(sealMpa, {
    label: `Pressure to move the pads, ${axle}`,
    dimension: 'pressure',
    at: { kind: 'slot', setupId: context.setup.id, axle, slot: 'caliper' },
  })
  const brake: AxleBrake | undefined =
    area === undefined || effectiveRadius.value === undefined || mu === undefined
      ? undefined
      : { kind: 'disc', pistonAreaMm2: area, mu, effectiveRadiusMm: effectiveRadius.value, sealMpa }
  return { pistonArea, effectiveRadius, brake, rest }
}

function radius(context: Context, axle: Axle, caliper: PartOf<'caliper'> | undefined): ReportFigure {
  const work = new Working()
  const { pad, rotor, bracket } = context.resolved[axle]
  const policy = context.project.preferences.effectiveRadius
  const formula = policy === 'mean' ? 'mean-radius' : 'uniform-pressure-radius'
  let value: number | undefined
  let top: number | undefined
  if (caliper) {
    top = readPart(work, caliper, 'padTopRadiusMm')
    if (caliper.frame === 'mount') {
      const mount = readCarAxle(work, context, axle, 'mountRadiusMm')
      const lift = bracket ? readPart(work, bracket, 'radialMm') : bracket === null ? 0 : undefined
      if (lift === undefined && !bracket) askSlot(work, context, axle, 'bracket')
      top = top === undefined || mount === undefined || lift === undefined ? undefined : mount + lift + top
    } else if (bracket !== null || caliper.takenWithLiftMm) {
      // taken on a car with another bracket than now
      const lift = bracket ? readPart(work, bracket, 'radialMm') : bracket === null ? 0 : undefined
      if (bracket === undefined) askSlot(work, context, axle, 'bracket')
      const then = readPart(work, caliper, 'takenWithLiftMm')
      top = top === undefined || lift === undefined || then === undefined ? undefined : top + lift - then
    }
  } else askSlot(work, context, axle, 'caliper')
  let height: number | undefined
  if (pad) height = readPart(work, pad, 'heightMm')
  else askSlot(work, context, axle, 'pad')
  let rim: number | undefined
  let inner: number | undefined
  if (rotor) {
    const diameter = readPart(work, rotor, 'diameterMm')
    rim = diameter === undefined ? undefined : diameter / 2
    const ring = readPart(work, rotor, 'frictionInnerDiameterMm')
    inner = ring === undefined ? undefined : ring / 2
  } else askSlot(work, context, axle, 'rotor')

  if (top !== undefined && height !== undefined && rim !== undefined && inner !== undefined) {
    const ring = sweptRing(top, height, rim, inner)
    if (ring) {
      const at = { kind: 'slot', setupId: context.setup.id, axle, slot: 'pad' } as const
      work.set(ring.outerMm, { symbol: 'r_o', label: 'Swept ring, outer radius', dimension: 'length', at })
      work.set(ring.innerMm, { symbol: 'r_i', label: 'Swept ring, inner radius', dimension: 'length', at })
      value = effectiveRadiusMm(ring, policy)
      if (top > rim) work.notes.push('The pad stands over the edge of the rotor; the part beyond is left out.')
    } else
      work.ask(
        `A pad that meets the rotor, ${axle}`,
        { kind: 'slot', setupId: context.setup.id, axle, slot: 'rotor' },
        'Pad and rotor do not overlap: check pad top, lining height and rotor diameter.',
      )
  }
  return work.figure(`${axle}.effectiveRadius`, `Effective radius, ${axle}`, 'length', formula, value)
}

function drumBrake(axle: Axle, drum: PartOf<'drum'>): AxleBrakeReport {
  const areaWork = new Working()
  const bore = readPart(areaWork, drum, 'cylinderBoreMm', 'd')
  const area = bore === undefined ? undefined : boreAreaMm2(bore)
  const pistonArea = areaWork.figure(`${axle}.pistonArea`, `Wheel cylinder area, ${axle}`, 'area', 'cylinder-area', area)
  const radiusWork = new Working()
  const diameter = readPart(radiusWork, drum, 'drumDiameterMm', 'D')
  const effectiveRadius = radiusWork.figure(
    `${axle}.effectiveRadius`,
    `Drum radius, ${axle}`,
    'length',
    'drum-radius',
    diameter === undefined ? undefined : diameter / 2,
  )
  const rest = new Working()
  let factor: number | undefined
  const at = { kind: 'part', partId: drum.id, field: 'brakeFactor' } as const
  if (drum.brakeFactor || !drum.shoes) factor = readPart(rest, drum, 'brakeFactor')
  else {
    factor = BRAKE_FACTORS[drum.shoes]
    rest.assume(factor, { label: `Brake factor C* of ${drum.name}`, dimension: 'number', at })
  }
  rest.assume(DEFAULT_SEAL_MPA.drum, { label: `Pressure to move the shoes, ${axle}`, dimension: 'pressure', at })
  const brake: AxleBrake | undefined =
    area === undefined || diameter === undefined || factor === undefined
      ? undefined
      : { kind: 'drum', pistonAreaMm2: area, brakeFactor: factor, drumRadiusMm: diameter / 2, sealMpa: DEFAULT_SEAL_MPA.drum }
  return { pistonArea, effectiveRadius, brake, rest }
}
