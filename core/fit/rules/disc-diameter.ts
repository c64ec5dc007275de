import type { Rule } from '../rule.ts'
import { mountedRadius } from './mounted-radius.ts'

export interface DiscDiameter {
  /** Rotor radius less the top of the pad, mm. */
  edgeMm: number
  verdict: 'fits' | 'needs' | 'check' | 'blocked'
  /** Spacer under a radial mount that brings the pad up to where it should be, mm; null where it would not help. */
  radialSpacerMm: number | null
}

/** Where the pad's upper edge stands against the rotor's edge, mm. */
export function discDiameter(
  rotorDiameterMm: number,
  padTopRadiusMm: number,
  mostMm: number,
  overMm: number,
  wantedMm: number,
): DiscDiameter {
  const edgeMm = rotorDiameterMm / 2 - padTopRadiusMm
  if (edgeMm > mostMm + 1e-9) return { edgeMm, verdict: 'needs', radialSpacerMm: edgeMm - wantedMm }
  const verdict = edgeMm >= -1e-9 ? 'fits' : edgeMm >= -overMm - 1e-9 ? 'check' : 'blocked'
  return { edgeMm, verdict, radialSpacerMm: null }
}

export const discDiameterRule: Rule = {
  id: 'disc-diameter',
  title: 'Pad on the rotor’s edge',
  on: 'disc',
  judge(look) {
    const caliper = look.caliper()
    const diameter = look.of(look.rotor(), 'diameterMm')
    const top = mountedRadius(look, caliper, 'padTopRadiusMm')
    if (diameter === undefined || top === undefined) return undefined
    const most = look.limit('edgeMostMm')
    const found = discDiameter(diameter, top, most, look.limit('edgeOverMm'), look.limit('edgeWantedMm'))
    const figure = { value: found.edgeMm, dimension: 'length', limit: `0 to ${look.mm(most)}` } as const
    if (found.verdict === 'fits')
      return { ...figure, verdict: 'fits', sentence: `The pad ends ${look.mm(found.edgeMm)} below the rotor’s edge.` }
    if (found.verdict === 'check')
      return {
        ...figure,
        verdict: 'check',
        sentence: `The pad stands ${look.mm(-found.edgeMm)} over the rotor’s edge: look at it, and watch for a step as it wears.`,
      }
    if (found.verdict === 'blocked') {
      const rotor = look.rotor()
      const sentence = `The pad stands ${look.mm(-found.edgeMm)} over the rotor’s edge: a lower bracket or a larger rotor.`
      const larger = look
        .library('rotor')
        .filter(
          (one) =>
            one.diameterMm !== undefined &&
            discDiameter(one.diameterMm.value, top, most, 0, 0).verdict === 'fits' &&
            one.boltCount !== undefined &&
            one.boltCount.value === rotor?.boltCount?.value &&
            one.boltCircleMm?.value === rotor.boltCircleMm?.value &&
            one.thicknessMm?.value === rotor.thicknessMm?.value,
        )
      return larger.length === 0
        ? { ...figure, verdict: 'blocked', sentence }
        : {
            ...figure,
            verdict: 'needs',
            sentence,
            remedies: larger.map((one) => ({ kind: 'part', slot: 'rotor', partId: one.id, sentence: `${one.name} reaches as far.` })),
          }
    }
    const type = look.wordOf(caliper, 'mountType')
    if (type === undefined) return undefined
    const piece = type === 'radial' ? `Radial spacers ${look.mm(found.radialSpacerMm!)} with longer bolts` : 'Bracket that stands higher'
    return {
      ...figure,
      verdict: 'needs',
      sentence: `The pad ends ${look.mm(found.edgeMm)} below the rotor’s edge: ${type === 'radial' ? `radial spacers of ${look.mm(found.radialSpacerMm!)}` : 'another bracket'}, then look at bridge, bolts and wheel again.`,
      remedies: [
        {
          kind: 'piece',
          label: piece,
          quantity: 2,
          sentence: 'One a side; enter it as a bracket to have the rest checked with it.',
        },
      ],
    }
  },
}
