import { moveOutlines } from '../clearance/outline.ts'
import { axialShift, type Placing } from '../clearance/placing.ts'
import { quickOutline, quickOutlineContradiction } from '../clearance/quick-outline.ts'
import type { NamedOutline } from '../model/field.ts'
import type { Axle, PartOf } from '../model/project.ts'
import { askSlot, readCarAxle, readPart, readPartOr, type Context } from './context.ts'
import { ASSUMED_LENGTH_U_MM, type Figure } from '../quantity/figure.ts'
import type { ReportFigure } from './types.ts'
import { Working } from './working.ts'

/** A caliper's own outlines, before it is placed on the car. Asks for what is missing. */
export function ownOutlines(work: Working, caliper: PartOf<'caliper'>): NamedOutline[] | undefined {
  const at = { kind: 'part', partId: caliper.id, field: 'outlines' } as const
  if (caliper.outlineFrom === 'points' || (caliper.outlineFrom === undefined && caliper.outlines)) {
    if (caliper.outlines) return caliper.outlines
    work.ask(`Outline of ${caliper.name}`, at, 'Enter the measured points, or choose the five figures.')
    return undefined
  }
  const read = (field: 'tallestRadiusMm' | 'tallFromMm' | 'tallToMm' | 'faceMm' | 'faceOuterRadiusMm' | 'faceInnerRadiusMm') =>
    readPart(work, caliper, field)
  const tallestRadiusMm = read('tallestRadiusMm')
  const tallFromMm = read('tallFromMm')
  const tallToMm = read('tallToMm')
  const faceMm = read('faceMm')
  const faceOuterRadiusMm = read('faceOuterRadiusMm')
  const faceInnerRadiusMm = read('faceInnerRadiusMm')
  if (
    tallestRadiusMm === undefined ||
    tallFromMm === undefined ||
    tallToMm === undefined ||
    faceMm === undefined ||
    faceOuterRadiusMm === undefined ||
    faceInnerRadiusMm === undefined
  )
    return undefined
  const figures = {
    tallestRadiusMm,
    tallFromMm,
    tallToMm,
    faceMm,
    faceOuterRadiusMm,
    faceInnerRadiusMm,
    ...(caliper.corner ? { corner: caliper.corner } : {}),
  }
  const contradiction = quickOutlineContradiction(figures)
  if (contradiction) {
    work.ask(`An outline of ${caliper.name} that can be`, { ...at, field: 'tallToMm' }, contradiction)
    return undefined
  }
  return [{ name: 'body', points: quickOutline(figures).map(([z, r]): [number, number] => [z, r]) }]
}

/** Where the outline stands: how far outboard and up it moves from its own frame to this car's seat frame. */
function place(work: Working, context: Context, axle: Axle, caliper: PartOf<'caliper'>): { dz: number; dr: number } | undefined {
  const { rotor, pad, bracket } = context.resolved[axle]
  const part = (field: string) => readPart(work, caliper, field)
  const choose = (field: 'construction' | 'frame', what: string) =>
    work.ask(`${what} of ${caliper.name}`, { kind: 'part', partId: caliper.id, field })
  if (!caliper.construction) choose('construction', 'Construction')
  if (!caliper.frame) choose('frame', 'Datum of the outline')
  if (!caliper.construction || !caliper.frame) return undefined
  if (!rotor) askSlot(work, context, axle, 'rotor')

  let dr: number | undefined = 0
  let bracketMm: number | undefined
  if (caliper.frame === 'mount') {
    const mountRadius = readCarAxle(work, context, axle, 'mountRadiusMm')
    const lift = bracket ? readPart(work, bracket, 'radialMm') : bracket === null ? 0 : undefined
    bracketMm = bracket ? readPart(work, bracket, 'axialMm') : bracket === null ? 0 : undefined
    if (bracket === undefined) askSlot(work, context, axle, 'bracket')
    dr = mountRadius === undefined || lift === undefined ? undefined : mountRadius + lift
  }

  let placing: Placing | undefined
  if (caliper.construction === 'fixed') {
    const hatMm = rotor ? readPart(work, rotor, 'hatThicknessMm') : undefined
    if (caliper.frame === 'seat') {
      const takenWithHatMm = part('takenWithHatMm')
      if (hatMm !== undefined && takenWithHatMm !== undefined) placing = { construction: 'fixed', frame: 'seat', hatMm, takenWithHatMm }
    } else {
      const mountFaceMm = readCarAxle(work, context, axle, 'mountFaceMm')
      const mountToSlotMm = part('mountToSlotMm')
      const shimMm = work.set(context.resolved[axle].shimMm, {
        label: `Shims, ${axle}`,
        dimension: 'length',
        at: { kind: 'setup', setupId: context.setup.id, axle, field: 'shimMm' },
      })
      if (hatMm !== undefined && mountFaceMm !== undefined && mountToSlotMm !== undefined && bracketMm !== undefined) {
        placing = { construction: 'fixed', frame: 'mount', hatMm, mountFaceMm, mountToSlotMm, shimMm, bracketMm }
      }
    }
  } else {
    if (!pad) askSlot(work, context, axle, 'pad')
    const rotorOffsetMm = rotor ? readPart(work, rotor, 'offsetMm') : undefined
    const rotorThicknessMm = rotor ? readPart(work, rotor, 'thicknessMm') : undefined
    const padThicknessMm = pad ? readPart(work, pad, 'thicknessMm') : undefined
    const takenWithRotorThicknessMm = part('takenWithRotorThicknessMm')
    const takenWithPadThicknessMm = part('takenWithPadThicknessMm')
    const takenWithRotorOffsetMm = caliper.frame === 'seat' ? part('takenWithRotorOffsetMm') : 0
    if (
      rotorOffsetMm !== undefined &&
      rotorThicknessMm !== undefined &&
      padThicknessMm !== undefined &&
      takenWithRotorThicknessMm !== undefined &&
      takenWithPadThicknessMm !== undefined &&
      takenWithRotorOffsetMm !== undefined
    ) {
      const stack = { rotorOffsetMm, rotorThicknessMm, padThicknessMm, takenWithRotorThicknessMm, takenWithPadThicknessMm }
      placing =
        caliper.frame === 'seat'
          ? { construction: 'sliding', frame: 'seat', takenWithRotorOffsetMm, ...stack }
          : { construction: 'sliding', frame: 'mount', ...stack }
    }
  }
  return placing && dr !== undefined ? { dz: axialShift(placing), dr } : undefined
}

/**
 * The caliper's outlines on this car in the seat frame, and the figure that says how far they moved.
 * What the outline itself is made of, and misses, goes into `work`.
 */
export function placedOutlines(
  work: Working,
  context: Context,
  axle: Axle,
  caliper: PartOf<'caliper'>,
): { outlines: NamedOutline[] | undefined; shift: ReportFigure } {
  const own = ownOutlines(work, caliper)
  const placing = new Working()
  const moved = place(placing, context, axle, caliper)
  const shift = placing.figure(`${axle}.shift`, `Outline moved outboard, ${axle}`, 'length', 'outline-shift', moved?.dz)
  return { outlines: own && moved ? moveOutlines(own, moved.dz, moved.dr) : undefined, shift }
}

/**
 * Standard uncertainties of the outline's place, mm: as entered for the whole outline, else those of the
 * figure that carries the direction, else what figures of its origin have turned out to be worth.
 */
export function outlineUncertainty(work: Working, caliper: PartOf<'caliper'>): { caliperAxialMm: number; caliperRadialMm: number } {
  const worth = (figure: Figure | undefined): number => figure?.u ?? ASSUMED_LENGTH_U_MM[figure?.origin ?? 'measured']
  const quick = caliper.outlineFrom !== 'points'
  return {
    caliperAxialMm: readPartOr(work, caliper, 'uAxialMm', worth(quick ? caliper.faceMm : undefined)),
    caliperRadialMm: readPartOr(work, caliper, 'uRadialMm', worth(quick ? caliper.tallestRadiusMm : undefined)),
  }
}
