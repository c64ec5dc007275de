import type { FrictionCurve } from './maths/session.ts'
import type { PartOf } from '../records/part.ts'
import type { Working } from '../figures/working.ts'

/**
 * The friction of a pad over the temperature of its face, by rising temperature; undefined where nobody entered it,
 * unclear where there are not as many frictions as temperatures: what belongs to what is then asked for.
 */
export function padFriction(work: Working, pad: PartOf<'pad'>): FrictionCurve | 'unclear' | undefined {
  const { frictionAtC: at, frictionThere: there } = pad
  if (!at && !there) return undefined
  if (at?.length !== there?.length) {
    work.ask(
      `As many frictions as temperatures of ${pad.name}`,
      { kind: 'part', partId: pad.id, field: 'frictionThere' },
      `${at?.length ?? 0} temperatures and ${there?.length ?? 0} frictions are entered.`,
    )
    return 'unclear'
  }
  return at!.map((figure, i): [number, number] => [figure.value, there![i]!.value]).sort((a, b) => a[0] - b[0])
}
