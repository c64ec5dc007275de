import type { Rule } from '../rule.ts'
import { asRemedies, joiningBrackets } from './other-parts.ts'

interface DiscPlane {
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
  title: 'Caliper centred on the rotor',
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
    const most = look.limit('shimMostMm')
    const withStack = (axialMm: number, shimMm: number) =>
      discPlane(face, side as 'outboard' | 'inboard', axialMm + shimMm, toSlot, hat, offset, tolerance, most)
    const found = withStack(axial, shim)
    const figure = { value: found.misalignMm, dimension: 'length', limit: `within ${look.mm(tolerance)}` } as const
    const stands = `The slot is ${look.mm(Math.abs(found.misalignMm))} ${found.misalignMm > 0 ? 'outboard' : 'inboard'} of the rotor’s centre`
    const wrongWay = shim !== 0 && (side === 'outboard') !== shim > 0
    if (found.verdict === 'fits' && !wrongWay)
      return {
        verdict: 'fits',
        accepted,
        sentence: `${stands}${shim === 0 ? '' : `, with shims of ${look.mm(Math.abs(shim))}`}.`,
        ...figure,
      }
    const instead = shim === 0 ? '' : ` in place of ${look.mm(Math.abs(shim))}`
    const wrong = wrongWay ? ` On the mount’s ${side} face shims move the caliper ${side} only.` : ''
    // the whole stack is named, not what is to be added to it
    const bare = withStack(axial, 0)
    if (bare.verdict === 'fits')
      return {
        verdict: 'needs',
        sentence: `${stands} with shims of ${look.mm(Math.abs(shim))}.${wrong} Without any it is ${look.mm(Math.abs(bare.misalignMm))}.`,
        remedies: [{ kind: 'shim', shimMm: 0, sentence: 'No shims between mount and caliper.' }],
        ...figure,
      }
    if (bare.shimMm !== null)
      return {
        verdict: 'needs',
        sentence: `${stands}: shims of ${look.mm(bare.shimMm)} under the mount${instead}.${wrong}`,
        remedies: [
          {
            kind: 'shim',
            shimMm: Math.round((side === 'outboard' ? bare.shimMm : -bare.shimMm) * 100) / 100,
            sentence: `Shims of ${look.mm(bare.shimMm)} between mount and caliper, both bolts alike.`,
          },
        ],
        ...figure,
      }
    const brackets = wrongWay
      ? []
      : joiningBrackets(look).filter((one) => one.axialMm && withStack(one.axialMm.value, shim).verdict === 'fits')
    return {
      verdict: brackets.length > 0 ? 'needs' : 'blocked',
      sentence: `${stands}, and no shim can put that right: another bracket.${wrong}`,
      remedies: asRemedies('bracket', brackets, 'centres it on the rotor'),
      ...figure,
    }
  },
}
