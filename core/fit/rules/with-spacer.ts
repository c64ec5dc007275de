import type { PartOf } from '../../records/part.ts'
import type { Judgement } from '../interface-check.ts'
import type { RuleInputs } from '../rule-inputs.ts'
import { spacerInUse } from './on-the-hub.ts'

/** A rule of the wheel on the hub, asked of the spacer between them too; what the spacer fails in speaks first. */
export function withSpacer(
  look: RuleInputs,
  judge: (part: PartOf<'wheel'> | PartOf<'spacer'> | undefined | null) => Judgement | undefined,
): Judgement | undefined {
  const wheel = judge(look.part('wheel'))
  const spacer = spacerInUse(look)?.part
  const between = spacer && judge(spacer)
  if (!between || between.verdict === 'fits') return wheel
  return wheel?.verdict === 'blocked' ? wheel : { ...between, sentence: `${spacer.name}: ${between.sentence}` }
}
