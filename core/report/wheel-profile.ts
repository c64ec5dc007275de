import { ASSUMED_WALL_MM, ASSUMED_WELL_DEPTH_MM, nominalWheel, NOMINAL_U_MM } from '../clearance/nominal-wheel.ts'
import type { WheelProfile } from '../model/field.ts'
import type { PartOf } from '../model/project.ts'
import { readPart, readPartOr } from './context.ts'
import type { Working } from './working.ts'

export interface WheelSection {
  profile: WheelProfile | undefined
  nominal: boolean
  /** A profile without a face says nothing of the spokes. */
  faceKnown: boolean
  uBarrelRadialMm: number
  uFaceAxialMm: number
}

/** A wheel's profile: as measured, or made from its markings. Asks for what is missing. */
export function wheelSection(work: Working, wheel: PartOf<'wheel'>): WheelSection {
  if (wheel.profile) {
    return {
      profile: wheel.profile,
      nominal: false,
      faceKnown: wheel.profile.tags.includes('face'),
      uBarrelRadialMm: readPartOr(work, wheel, 'uBarrelRadialMm', 0.7),
      uFaceAxialMm: readPartOr(work, wheel, 'uFaceAxialMm', 0.7),
    }
  }
  const diameterIn = readPart(work, wheel, 'diameterIn')
  const widthIn = readPart(work, wheel, 'widthIn')
  const offsetMm = readPart(work, wheel, 'offsetMm')
  const nothing = { profile: undefined, nominal: true, faceKnown: false, uBarrelRadialMm: NOMINAL_U_MM, uFaceAxialMm: NOMINAL_U_MM }
  if (diameterIn === undefined || widthIn === undefined || offsetMm === undefined) return nothing
  const wellDepthMm = readPartOr(work, wheel, 'wellDepthMm', ASSUMED_WELL_DEPTH_MM)
  const wallMm = readPartOr(work, wheel, 'wallMm', ASSUMED_WALL_MM)
  const depthMm = readPart(work, wheel, 'faceDepthMm')
  const radiusMm = depthMm === undefined ? undefined : readPart(work, wheel, 'faceDepthRadiusMm')
  const profile = nominalWheel({
    diameterIn,
    widthIn,
    offsetMm,
    wellDepthMm,
    wallMm,
    ...(wheel.barrel ? { barrel: wheel.barrel } : {}),
    ...(wheel.face ? { face: wheel.face } : {}),
    ...(depthMm === undefined || radiusMm === undefined ? {} : { faceDepth: { depthMm, radiusMm } }),
  })
  if (!profile)
    work.ask(
      `Bead-seat diameter of ${wheel.name}`,
      { kind: 'part', partId: wheel.id, field: 'diameterIn' },
      'Diameter codes from 13 to 22 in whole inches are known; measure a profile for others.',
    )
  work.notes.push('The wheel is drawn from its markings: an estimate, good to about 3 mm.')
  return { ...nothing, profile, faceKnown: profile?.tags.includes('face') ?? false }
}
