import type { Rule } from '../rule.ts'
import { asRemedies, joiningBrackets } from './other-parts.ts'

export interface DiscPlane {
  /** Slot centre less disc mid-plane, + outboard, mm. */
  misalignMm: number
  verdict: 'fits' | 'needs' | 'blocked'
  /** Shim that puts it right, mm; null when none is needed or none can. */
  shimMm: number | null
}

/**
 * Whether the caliper's slot stands over the disc. A shim moves the bracket only away from the knuckle
 * face it sits on: outboard from an outboard face, inboard from an inboard one. Hub frame, mm, + outboard.
 *
 * @param toleranceMm how far off it may be
 * @param maxShimMm thickest stack of shims
 */
export function discPlane(
  mountFaceMm: number,
  mountSide: 'outboard' | 'inboard',
  bracketMm: number,
  mountToSlotMm: number,
  hatThicknessMm: number,
  rotorOffsetMm: number,
  toleranceMm: number,
  maxShimMm: number,
): DiscPlane {
  const misalignMm = mountFaceMm + bracketMm + mountToSlotMm - (hatThicknessMm - rotorOffsetMm)
  const off = Math.abs(misalignMm)
  if (off <= toleranceMm + 1e-9) return { misalignMm, verdict: 'fits', shimMm: null }
  const shimHelps = mountSide === 'outboard' ? misalignMm < 0 : misalignMm > 0
  return shimHelps && off <= maxShimMm + 1e-9
    ? { misalignMm, verdict: 'needs', shimMm: off }
    : { misalignMm, verdict: 'blocked', shimMm: null }
}

export const discPlaneRule: Rule = {
  id: 'disc-plane',
  title: 'Caliper centred on the disc',
  on: 'disc',
  judge(look) {
    const caliper = look.caliper()
    const rotor = look.rotor()
    const bracket = look.part('bracket')
    const construction = look.wordOf(caliper, 'construction')
    const face = look.car('mountFaceMm')
    const side = look.carWord('mountSide')
    const axial = bracket === null ? 0 : look.of(bracket, 'axialMm')
    const toSlot = look.of(caliper, 'mountToSlotMm')
    const hat = look.of(rotor, 'hatThicknessMm')
    const offset = look.of(rotor, 'offsetMm')
    if (
      face === undefined ||
      side === undefined ||
      axial === undefined ||
      toSlot === undefined ||
      hat === undefined ||
      offset === undefined ||
      !construction
    )
      return undefined
    const shim = look.shimMm()
    const accepted = (look.facts.setup[look.facts.axle].shimMm ?? 0) !== 0
    const tolerance = look.limit(construction === 'fixed' ? 'planeFixedMm' : 'planeSlidingMm')
    const withBracket = (axialMm: number) =>
      discPlane(face, side as 'outboard' | 'inboard', axialMm + shim, toSlot, hat, offset, tolerance, look.limit('shimMostMm'))
    const found = withBracket(axial)
    const figure = { value: found.misalignMm, dimension: 'length', limit: `within ${look.mm(tolerance)}` } as const
    const way = found.misalignMm > 0 ? 'outboard' : 'inboard'
    if (found.verdict === 'fits')
      return {
        ...figure,
        verdict: 'fits',
        accepted,
        sentence: `The slot stands ${look.mm(Math.abs(found.misalignMm))} ${way} of the disc’s middle${shim === 0 ? '' : `, with shims of ${look.mm(Math.abs(shim))}`}.`,
      }
    if (found.shimMm === null) {
      const brackets = joiningBrackets(look).filter((one) => one.axialMm && withBracket(one.axialMm.value).verdict !== 'blocked')
      return {
        ...figure,
        verdict: brackets.length > 0 ? 'needs' : 'blocked',
        sentence: `The slot stands ${look.mm(Math.abs(found.misalignMm))} ${way} of the disc’s middle, and no shim can put that right: another bracket.`,
        remedies: asRemedies('bracket', brackets, 'brings it over the disc'),
      }
    }
    // what is said is the whole stack, not what is to be added
    const signed = shim + (side === 'outboard' ? found.shimMm : -found.shimMm)
    return {
      ...figure,
      verdict: 'needs',
      sentence: `The slot stands ${look.mm(Math.abs(found.misalignMm))} ${way} of the disc’s middle: shims of ${look.mm(Math.abs(signed))} under the mount${shim === 0 ? '' : ` in place of ${look.mm(Math.abs(shim))}`}.`,
      remedies: [
        {
          kind: 'shim',
          shimMm: Math.round(signed * 100) / 100,
          sentence: `Shims of ${look.mm(Math.abs(signed))} between mount and caliper, both bolts alike.`,
        },
      ],
    }
  },
}
