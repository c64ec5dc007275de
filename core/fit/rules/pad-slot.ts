import type { Rule } from '../rule.ts'
import { asRemedies } from './other-parts.ts'

interface PadSlot {
  clearanceMm: number
  verdict: 'fits' | 'needs'
  /** Thickest pad, plate and lining, that leaves the least play, mm. */
  padTotalMaxMm: number
}

/** Play of a new rotor with two new pads in the caliper's slot, mm. */
export function padSlot(slotWidthMm: number, rotorThicknessMm: number, padTotalMm: number, leastMm: number, mostMm: number): PadSlot {
  const clearanceMm = slotWidthMm - rotorThicknessMm - 2 * padTotalMm
  const fits = clearanceMm >= leastMm - 1e-9 && clearanceMm <= mostMm + 1e-9
  return { clearanceMm, verdict: fits ? 'fits' : 'needs', padTotalMaxMm: (slotWidthMm - rotorThicknessMm - leastMm) / 2 }
}

export const padSlotRule: Rule = {
  id: 'pad-slot',
  title: 'New pads and rotor in the slot',
  on: 'disc',
  judge(look) {
    const caliper = look.caliper()
    const pad = look.pad()
    const slot = look.of(caliper, 'slotWidthMm')
    const rotor = look.of(look.rotor(), 'thicknessMm')
    const total = look.of(pad, 'thicknessMm')
    if (slot === undefined || rotor === undefined || total === undefined) return undefined
    const [least, most] = [look.limit('slotLeastMm'), look.limit('slotMostMm')]
    const { clearanceMm, verdict, padTotalMaxMm } = padSlot(slot, rotor, total, least, most)
    const figure = { value: clearanceMm, dimension: 'length', limit: `${look.mm(least)} to ${look.mm(most)}` } as const
    if (verdict === 'fits') return { verdict, sentence: `Rotor and new pads go in with ${look.mm(clearanceMm)} to spare.`, ...figure }
    const tight = clearanceMm < least
    const others = look
      .library('pad')
      .filter(
        (one) =>
          one.id !== pad?.id &&
          one.shape !== undefined &&
          one.shape === pad?.shape &&
          one.thicknessMm &&
          padSlot(slot, rotor, one.thicknessMm.value, least, most).verdict === 'fits',
      )
    return {
      verdict,
      sentence: tight
        ? `Rotor and two new pads are ${look.mm(-clearanceMm + least)} too thick for the slot: pads of at most ${look.mm(padTotalMaxMm)}.`
        : `${look.mm(clearanceMm)} play in the slot is too much: thicker pads or a thicker rotor.`,
      remedies: [
        ...asRemedies('pad', others, 'have the same shape and go in'),
        {
          kind: 'piece',
          label: tight ? `Pads of at most ${look.mm(padTotalMaxMm)}, from the pad maker` : 'Thicker pads from the pad maker',
          quantity: 1,
          piece: tight ? { id: 'pads-thinner', mm: padTotalMaxMm, enough: 'atMost' } : { id: 'pads-thicker' },
          sentence: 'Pads of another thickness, from their maker; never ground by hand.',
        },
      ],
      ...figure,
    }
  },
}
