import { moveOutlines } from './maths/outline.ts'
import { axialShift, type OutlinePlacing } from './maths/placing.ts'
import { quickOutline, quickOutlineContradiction } from './maths/quick-outline.ts'
import type { NamedOutline } from '../records/field.ts'
import { caliperFields } from '../records/brake-fields.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Part, PartOf } from '../records/part.ts'
import { axleFigure, type AxleFigure } from '../figures/entry.ts'
import { askSlot, partFigure, readCarAxle, readPart, readPartOr, type AtAxle, type Context, type FigureOf } from '../figures/read.ts'
import { pointDoubt, type GapInputs } from './gap-inputs.ts'
import type { Missing, Place, ReportFigure } from '../figures/figure.ts'
import type { Working } from '../figures/working.ts'

/** A caliper's own outlines, before it is placed on the car. Asks for what is missing. */
export function ownOutlines(work: Working, caliper: PartOf<'caliper'>): NamedOutline[] | undefined {
  const body = bodyOutlines(work, caliper)
  return body && [...body, ...(caliper.furtherOutlines ?? [])]
}

const isQuick = (caliper: PartOf<'caliper'>): boolean =>
  caliper.outlineFrom === 'quick' || (caliper.outlineFrom === undefined && !caliper.outlines)

/** Names that the application offers for what stands on a caliper; any other name is taken for the body or a part of it. */
const OBJECTS_ON_A_BODY: readonly string[] = ['bleed screw', 'hose', 'crossover pipe', 'sensor']

/** Where a body ends that nobody measured there. */
interface BodyReach {
  tallFromMm: number
  tallToMm: number
  faceOuterRadiusMm: number
  faceInnerRadiusMm: number
}
/**
 * The most that a body of this height and face can fill: tall all the way inboard and out to its face, the face as high as
 * the body and down to the hub. No body with these two figures is larger, so what clears it clears the true one.
 */
const reach = (tallestRadiusMm: number, faceMm: number): BodyReach => ({
  tallFromMm: Math.min(FARTHEST_INBOARD_MM, faceMm - 1),
  tallToMm: faceMm,
  faceOuterRadiusMm: tallestRadiusMm,
  faceInnerRadiusMm: 0,
})
const FARTHEST_INBOARD_MM = caliperFields.tallFromMm.min

/** Where a body's ends were not measured, so that it was taken as large as it can be: labels and places. */
export function notMeasured(caliper: PartOf<'caliper'>): Missing[] {
  if (!isQuick(caliper) || caliper.frame === 'mount' || !caliper.tallestRadiusMm || !caliper.faceMm) return []
  return (['tallToMm', 'faceOuterRadiusMm', 'faceInnerRadiusMm', 'tallFromMm'] as const).flatMap((field) => {
    const { figure, words, at } = partFigure(caliper, field)
    return figure ? [] : [{ what: words.label, at, ...(words.how ? { how: words.how } : {}) }]
  })
}

function bodyOutlines(work: Working, caliper: PartOf<'caliper'>): NamedOutline[] | undefined {
  const at = { kind: 'part', partId: caliper.id, field: 'outlines' } as const
  if (!isQuick(caliper)) {
    // objects that stand on a body say nothing of the body itself
    if (caliper.outlines?.some(({ name }) => !OBJECTS_ON_A_BODY.includes(name.trim().toLowerCase()))) return caliper.outlines
    work.ask(`Outline of the body of ${caliper.name}`, at, 'Enter the measured points, or choose the five figures.')
    return undefined
  }
  const tallestRadiusMm = readPart(work, caliper, 'tallestRadiusMm')
  const faceMm = readPart(work, caliper, 'faceMm')
  const cautious =
    tallestRadiusMm === undefined || faceMm === undefined || caliper.frame === 'mount' ? undefined : reach(tallestRadiusMm, faceMm)
  const read = (field: keyof BodyReach): number | undefined => {
    if (cautious) return readPartOr(work, caliper, field, cautious[field])
    // height and face come first: with them the ends are taken as far as they can be
    return caliper[field] || caliper.frame === 'mount' ? readPart(work, caliper, field) : undefined
  }
  const tallFromMm = read('tallFromMm')
  const tallToMm = read('tallToMm')
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

/** Reads a figure that places the outline and notes how far its doubt moves it. */
function placer(work: Working, context: Context, axle: Axle, inputs: GapInputs) {
  const of =
    (take: 'thickness' | 'length') =>
    <P extends Part>(part: P, field: FigureOf<P>, moves: Moves): number | undefined => {
      const { figure, words, at } = partFigure(part, field)
      if (figure) inputs[take](figure, words.label, at, moves)
      return readPart(work, part, field)
    }
  return {
    thickness: of('thickness'),
    length: of('length'),
    car(field: 'mountFaceMm' | 'mountRadiusMm', moves: Moves): number | undefined {
      const figure = context.project.car[axle][field]
      const what = field === 'mountFaceMm' ? 'Caliper mount face' : 'Caliper mount radius'
      if (figure) inputs.length(figure, `${what}, ${axle}`, { kind: 'car', axle, field }, moves)
      return readCarAxle(work, context, axle, field)
    },
  }
}
type Moves = { caliperAxialMm?: number; caliperRadialMm?: number }

/** Where the outline stands: how far outboard and up it moves from its own frame to this car's seat frame. */
function place(
  work: Working,
  context: Context,
  axle: Axle,
  caliper: PartOf<'caliper'>,
  inputs: GapInputs,
): { dz: number; dr: number } | undefined {
  const { rotor, pad, bracket } = context.resolved[axle]
  const read = placer(work, context, axle, inputs)
  const choose = (field: 'construction' | 'frame', what: string) =>
    work.ask(`${what} of ${caliper.name}`, { kind: 'part', partId: caliper.id, field })
  const stays = takenAsBuilt(context, axle, caliper)
  // where nothing is moved it does not matter what holds it
  if (!caliper.construction && !stays) choose('construction', 'Construction')
  if (!caliper.frame) choose('frame', 'Datum of the outline')
  if ((!caliper.construction && !stays) || !caliper.frame) return undefined
  if (!rotor && !stays) askSlot(work, context, axle, 'rotor')

  let dr: number | undefined
  if (caliper.frame === 'seat') dr = beyond(read, work, context, axle, caliper, 'caliperRadialMm')
  else {
    const mountRadius = read.car('mountRadiusMm', { caliperRadialMm: 1 })
    const lift = bracket ? read.length(bracket, 'radialMm', { caliperRadialMm: 1 }) : bracket === null ? 0 : undefined
    if (bracket === undefined) askSlot(work, context, axle, 'bracket')
    dr = mountRadius === undefined || lift === undefined ? undefined : mountRadius + lift
  }

  if (stays) {
    // what the outline was taken over stays on: only what stands between mount and caliper can move it
    const dz = caliper.construction !== 'sliding' ? beyond(read, work, context, axle, caliper, 'caliperAxialMm') : 0
    work.notes.push('The outline was measured with the rotor and pads of this setup.')
    return dz === undefined || dr === undefined ? undefined : { dz, dr }
  }
  let placing: OutlinePlacing | undefined
  if (caliper.construction === 'fixed') {
    const hatMm = rotor ? read.thickness(rotor, 'hatThicknessMm', { caliperAxialMm: -1 }) : undefined
    if (caliper.frame === 'seat') {
      const takenWithHatMm = read.thickness(caliper, 'takenWithHatMm', { caliperAxialMm: 1 })
      const stackBeyondMm = beyond(read, work, context, axle, caliper, 'caliperAxialMm')
      if (hatMm !== undefined && takenWithHatMm !== undefined && stackBeyondMm !== undefined)
        placing = { construction: 'fixed', frame: 'seat', hatMm, takenWithHatMm, stackBeyondMm }
    } else {
      const mountFaceMm = read.car('mountFaceMm', { caliperAxialMm: 1 })
      const mountToSlotMm = read.length(caliper, 'mountToSlotMm', { caliperAxialMm: 1 })
      const shimMm = setShim(work, context, axle)
      // a sliding housing follows the disc, wherever its bracket stands along the axle
      const bracketMm = bracket ? read.thickness(bracket, 'axialMm', { caliperAxialMm: 1 }) : bracket === null ? 0 : undefined
      if (hatMm !== undefined && mountFaceMm !== undefined && mountToSlotMm !== undefined && bracketMm !== undefined) {
        placing = { construction: 'fixed', frame: 'mount', hatMm, mountFaceMm, mountToSlotMm, shimMm, bracketMm }
      }
    }
  } else {
    if (!pad) askSlot(work, context, axle, 'pad')
    const rotorOffsetMm = rotor ? read.thickness(rotor, 'offsetMm', { caliperAxialMm: -1 }) : undefined
    const rotorThicknessMm = rotor ? read.thickness(rotor, 'thicknessMm', { caliperAxialMm: 0.5 }) : undefined
    const padThicknessMm = pad ? read.thickness(pad, 'thicknessMm', { caliperAxialMm: 1 }) : undefined
    const takenWithRotorThicknessMm = read.thickness(caliper, 'takenWithRotorThicknessMm', { caliperAxialMm: -0.5 })
    const takenWithPadThicknessMm = read.thickness(caliper, 'takenWithPadThicknessMm', { caliperAxialMm: -1 })
    const takenWithRotorOffsetMm = caliper.frame === 'seat' ? read.thickness(caliper, 'takenWithRotorOffsetMm', { caliperAxialMm: 1 }) : 0
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

/** Whether the outline was taken over the rotor and pads that are on: those of the car as it stands, wherever a setup keeps them. */
function takenAsBuilt({ setup, isStock }: Context, axle: Axle, { takenAs, frame }: PartOf<'caliper'>): boolean {
  const keeps = (slot: 'rotor' | 'pad') => isStock || setup[axle][slot] === undefined
  return takenAs === 'asBuilt' && frame === 'seat' && keeps('rotor') && keeps('pad')
}

function setShim(work: Working, { resolved, setup }: Context, axle: Axle): number {
  const at: Place = { kind: 'setup', setupId: setup.id, axle, field: 'shimMm' }
  return work.set(resolved[axle].shimMm, { label: `Shims, ${axle}`, dimension: 'length', at })
}

/**
 * What bracket and shims move an outline that was taken on a car: those now less those it was taken with. Where nothing
 * stands between mount and caliper, and nothing else is said, nothing stood there then.
 */
function beyond(
  read: ReturnType<typeof placer>,
  work: Working,
  context: Context,
  axle: Axle,
  caliper: PartOf<'caliper'>,
  way: 'caliperAxialMm' | 'caliperRadialMm',
): number | undefined {
  const { bracket, shimMm } = context.resolved[axle]
  const [own, taken] = way === 'caliperAxialMm' ? (['axialMm', 'takenWithStackMm'] as const) : (['radialMm', 'takenWithLiftMm'] as const)
  const shims = way === 'caliperAxialMm' && shimMm !== 0
  if (bracket === null && !shims && !caliper[taken]) return 0
  if (bracket === undefined) askSlot(work, context, axle, 'bracket')
  const nowMm = (bracket?.[own]?.value ?? 0) + (shims ? shimMm : 0)
  // the same bracket as then: how well it is known moves nothing
  const moves = Math.abs(nowMm - (caliper[taken]?.value ?? Infinity)) > 1e-9
  const figure = <P extends Part>(part: P, field: FigureOf<P>, sign: number) =>
    moves ? read.length(part, field, { [way]: sign }) : readPart(work, part, field)
  const ofBracket = bracket ? figure(bracket, own, 1) : bracket === null ? 0 : undefined
  const then = figure(caliper, taken, -1)
  const shim = shims ? setShim(work, context, axle) : 0
  return ofBracket === undefined || then === undefined ? undefined : ofBracket + shim - then
}

/** What the car itself has near the wheel, in the seat frame; undefined while its place is not known. */
function carObjects(work: Working, context: Context, axle: Axle): NamedOutline[] | undefined {
  const { objects } = context.project.car[axle]
  if (!objects) return []
  const { rotor } = context.resolved[axle]
  if (!rotor) askSlot(work, context, axle, 'rotor')
  const taken = readCarAxle(work, context, axle, 'objectsTakenWithHatMm')
  const hat = rotor ? readPart(work, rotor, 'hatThicknessMm') : undefined
  return taken === undefined || hat === undefined ? undefined : moveOutlines(objects, taken - hat, 0)
}

interface ToPlace extends AtAxle {
  caliper: PartOf<'caliper'> | undefined
  inputs: GapInputs
}

/** How far the outline moves outboard from where it was taken to where it stands on this car. */
export const OUTLINE_SHIFT: AxleFigure<'shift', ToPlace, { moved: { dz: number; dr: number } | undefined }> = axleFigure('shift', {
  label: ({ axle }) => `Outline moved outboard, ${axle}`,
  dimension: 'length',
  formula: {
    id: 'outline-shift',
    inWords: true,
    name: 'Place of the caliper on this car',
    text: 'moved outboard = sum of the thicknesses between hub and caliper',
    source: 'Geometry of the wheel mounting face',
  },
  read(work, { context, axle, caliper, inputs }) {
    // a drum has no outline here
    if (!context.resolved[axle].caliper) askSlot(work, context, axle, 'caliper')
    return { moved: caliper && place(work, context, axle, caliper, inputs) }
  },
  value: ({ moved }) => moved.dz,
})

/**
 * The caliper's outlines and what else stands near the wheel, on this car in the seat frame, and the
 * figure that says how far they moved. What the outline itself is made of, and misses, goes into `work`.
 */
export function placedOutlines(work: Working, at: ToPlace): { outlines: NamedOutline[] | undefined; shift: ReportFigure } {
  const { context, axle, caliper, inputs } = at
  const own = caliper && ownOutlines(work, caliper)
  const fixed = caliper && carObjects(work, context, axle)
  if (caliper) outlineInputs(work, caliper, inputs)
  const { figure: shift, read } = OUTLINE_SHIFT.of(at)
  const { moved } = read
  return { outlines: own && moved && fixed ? [...moveOutlines(own, moved.dz, moved.dr), ...fixed] : undefined, shift }
}

/**
 * How sure the outline itself is: as entered for the whole of it, else as its points were read, else as
 * the figure that carries the direction, else what figures of its origin have turned out to be worth.
 */
function outlineInputs(work: Working, caliper: PartOf<'caliper'>, inputs: GapInputs): void {
  const quick = isQuick(caliper)
  const points = pointDoubt([...(quick ? [] : (caliper.outlines ?? [])), ...(caliper.furtherOutlines ?? [])])
  const one = (
    whole: 'uAxialMm' | 'uRadialMm',
    carrier: 'faceMm' | 'tallestRadiusMm',
    ofPoints: number,
    moves: { caliperAxialMm: 1 } | { caliperRadialMm: 1 },
    direction: string,
  ) => {
    const at: Place = { kind: 'part', partId: caliper.id, field: quick ? carrier : 'outlines' }
    const what = quick ? partFigure(caliper, carrier).words.label : `Outline of ${caliper.name}, ${direction}`
    const stated = caliper[whole]?.value
    if (stated !== undefined) inputs.known(stated, false, what, at, moves)
    else if (quick) inputs.length(caliper[carrier], what, at, moves)
    else inputs.known(ofPoints, points.assumed, what, at, moves)
    readPartOr(work, caliper, whole, inputs.all[inputs.all.length - 1]!.uMm)
  }
  one('uAxialMm', 'faceMm', points.zMm, { caliperAxialMm: 1 }, 'along the axle')
  one('uRadialMm', 'tallestRadiusMm', points.rMm, { caliperRadialMm: 1 }, 'along the radius')
}
