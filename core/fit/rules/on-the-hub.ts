import type { PartOf } from '../../records/part.ts'
import type { RuleInputs } from '../rule-inputs.ts'

/** Thickness of what sits between the hub face and the wheel or spacer: a rotor's hat, or the drum, mm. */
export function hatThicknessMm(look: RuleInputs): number | undefined {
  const fitted = look.part('caliper')
  return fitted?.kind === 'drum' ? look.of(fitted, 'hatThicknessMm') : look.of(look.rotor(), 'hatThicknessMm')
}

interface SpacerInUse {
  thicknessMm: number
  /** Absent: none, or a thickness that is tried out. */
  part?: PartOf<'spacer'>
}

/** The spacer under the wheel; undefined while that is not known. */
export function spacerInUse(look: RuleInputs): SpacerInUse | undefined {
  const { axle, setup, resolved } = look.facts
  const tried = resolved.spacerTrialMm
  if (tried !== undefined) {
    look.slots.push('spacer')
    const at = { kind: 'slot', setupId: setup.id, axle, slot: 'spacer' } as const
    look.looked.push({ label: `Wheel spacer tried out, ${axle}`, value: tried, dimension: 'length', at })
    return { thicknessMm: tried }
  }
  const part = look.part('spacer')
  if (part === undefined) return undefined
  if (part === null) return { thicknessMm: 0 }
  const thicknessMm = look.of(part, 'thicknessMm')
  return thicknessMm === undefined ? undefined : { thicknessMm, part }
}
