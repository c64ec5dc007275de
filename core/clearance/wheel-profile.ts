import { withWeights } from './maths/balance-weights.ts'
import { ASSUMED_WALL_MM, ASSUMED_WELL_DEPTH_MM, nominalWheel, NOMINAL_U_MM, PAD_RADIUS_MM } from './maths/nominal-wheel.ts'
import { shiftWheel } from './maths/shift.ts'
import type { WheelProfile } from '../records/field.ts'
import type { PartOf } from '../records/part.ts'
import { readPart, readPartOr } from '../figures/read.ts'
import { pointDoubt, type GapInputs } from './gap-inputs.ts'
import type { Place } from '../figures/figure.ts'
import type { Working } from '../figures/working.ts'

export interface WheelSection {
  /** With the face height that is fitted and with stick-on weights. */
  profile: WheelProfile | undefined
  nominal: boolean
  /** A profile without a face says nothing of the spokes. */
  faceKnown: boolean
  /** Stick-on weights: measured, allowed for by the project's choice, or not looked at. */
  weights: 'measured' | 'allowed' | 'ignored'
}

/** What the shape of a face between and beside the one measured depth is worth, mm: a flat one is known best. */
const FACE_SHAPE_U_MM = { flat: 0.5, concave: 1.5, convex: 1.5 } as const

/**
 * A wheel's profile: as measured, or made from its markings and what else was measured. Asks for what
 * is missing.
 * @param faceName one of the wheel's face heights; that of the part when absent
 */
export function wheelSection(
  work: Working,
  wheel: PartOf<'wheel'>,
  inputs: GapInputs,
  weightAllowanceMm: number,
  faceName: string | undefined = wheel.faceChosen,
): WheelSection {
  const made = wheel.profile ? measured(work, wheel, wheel.profile, inputs) : nominal(work, wheel, inputs)
  const raised = made.profile && raise(work, wheel, made.profile, faceName)
  const weights = wheel.weightThicknessMm ? 'measured' : weightAllowanceMm > 0 ? 'allowed' : 'ignored'
  return { ...made, profile: raised && weighted(work, wheel, raised, weightAllowanceMm), weights }
}

function measured(work: Working, wheel: PartOf<'wheel'>, profile: WheelProfile, inputs: GapInputs): Omit<WheelSection, 'weights'> {
  const points = pointDoubt([profile])
  const one = (
    field: 'uBarrelRadialMm' | 'uFaceAxialMm',
    ofPoints: number,
    moves: { barrelRadialMm: 1 } | { faceAxialMm: 1 },
    what: string,
  ) => {
    const at: Place = { kind: 'part', partId: wheel.id, field: 'profile' }
    const stated = wheel[field]?.value
    inputs.known(stated ?? ofPoints, stated === undefined && points.assumed, `${what} of ${wheel.name}`, at, moves)
    readPartOr(work, wheel, field, stated ?? ofPoints)
  }
  one('uBarrelRadialMm', points.rMm, { barrelRadialMm: 1 }, 'Barrel')
  one('uFaceAxialMm', points.zMm, { faceAxialMm: 1 }, 'Back of the spokes')
  return { profile, nominal: false, faceKnown: profile.tags.includes('face') }
}

function nominal(work: Working, wheel: PartOf<'wheel'>, inputs: GapInputs): Omit<WheelSection, 'weights'> {
  const at = (field: string): Place => ({ kind: 'part', partId: wheel.id, field })
  const diameterIn = readPart(work, wheel, 'diameterIn')
  const widthIn = readPart(work, wheel, 'widthIn')
  const offsetMm = readPart(work, wheel, 'offsetMm')
  const barrelRadiusMm = wheel.barrelRadiusMm ? readPart(work, wheel, 'barrelRadiusMm') : undefined
  const wellDepthMm = barrelRadiusMm === undefined ? readPartOr(work, wheel, 'wellDepthMm', ASSUMED_WELL_DEPTH_MM) : undefined
  const wallMm = barrelRadiusMm === undefined ? readPartOr(work, wheel, 'wallMm', ASSUMED_WALL_MM) : undefined
  const depthMm = readPart(work, wheel, 'faceDepthMm')
  // a flat spoke back is as deep everywhere
  const flat = wheel.face === undefined || wheel.face === 'flat'
  const radiusMm = depthMm === undefined ? undefined : flat ? PAD_RADIUS_MM : readPart(work, wheel, 'faceDepthRadiusMm')
  const nothing = { profile: undefined, nominal: true, faceKnown: false }
  if (diameterIn === undefined || widthIn === undefined || offsetMm === undefined) return nothing
  const profile = nominalWheel({
    diameterIn,
    widthIn,
    offsetMm,
    ...(barrelRadiusMm === undefined ? { wellDepthMm: wellDepthMm!, wallMm: wallMm! } : { barrelRadiusMm }),
    ...(wheel.barrel ? { barrel: wheel.barrel } : {}),
    ...(wheel.face ? { face: wheel.face } : {}),
    ...(depthMm === undefined || radiusMm === undefined ? {} : { faceDepth: { depthMm, radiusMm } }),
  })
  if (!profile) {
    work.ask(
      `Bead-seat diameter of ${wheel.name}`,
      at('diameterIn'),
      'Diameter codes from 13 to 22 in whole inches are known; measure a profile for others.',
    )
    return nothing
  }
  if (wheel.barrelRadiusMm)
    inputs.length(wheel.barrelRadiusMm, `Barrel radius of ${wheel.name}`, at('barrelRadiusMm'), { barrelRadialMm: 1 })
  else inputs.known(NOMINAL_U_MM, true, `Barrel radius of ${wheel.name}`, at('barrelRadiusMm'), { barrelRadialMm: 1 })
  if (wheel.faceDepthMm) {
    inputs.length(wheel.faceDepthMm, `Back of the spokes of ${wheel.name}`, at('faceDepthMm'), { faceAxialMm: 1 })
    // beside the measured radius the shape is a guess that only a profile can end
    const shape = FACE_SHAPE_U_MM[wheel.face ?? 'convex']
    inputs.known(shape, true, `Shape of the back of the spokes of ${wheel.name}`, at('profile'), { faceAxialMm: 1 })
  }
  work.notes.push(
    wheel.barrelRadiusMm && wheel.faceDepthMm
      ? 'The wheel is drawn from its markings and two measures: between them its shape is an estimate.'
      : 'The wheel is drawn from its markings: an estimate, good to about 3 mm where nothing was measured.',
  )
  return { profile, nominal: true, faceKnown: profile.tags.includes('face') }
}

function raise(work: Working, wheel: PartOf<'wheel'>, profile: WheelProfile, faceName: string | undefined): WheelProfile | undefined {
  if (faceName === undefined) return profile
  const face = wheel.faces?.find((one) => one.name === faceName)
  if (!face) {
    work.ask(
      `Face height ${faceName} of ${wheel.name}`,
      { kind: 'part', partId: wheel.id, field: 'faceChosen' },
      'The list of face heights has no such name.',
    )
    return undefined
  }
  work.notes.push(`Face ${face.name}: the back of the spokes is ${face.raiseMm} mm further outboard than the measured one.`)
  return shiftWheel(profile, face.raiseMm, 0)
}

function weighted(work: Working, wheel: PartOf<'wheel'>, profile: WheelProfile, allowanceMm: number): WheelProfile {
  if (!wheel.weightThicknessMm) {
    if (allowanceMm === 0) return profile
    work.set(allowanceMm, {
      label: 'Allowance for stick-on weights',
      dimension: 'length',
      at: { kind: 'preference', field: 'weightAllowanceMm' },
    })
    return withWeights(profile, allowanceMm)
  }
  const thickness = readPart(work, wheel, 'weightThicknessMm')!
  const range = wheel.weightFromMm && wheel.weightToMm ? { fromMm: wheel.weightFromMm.value, toMm: wheel.weightToMm.value } : undefined
  return withWeights(profile, thickness, range)
}
