import { agreement } from './maths/agreement.ts'
import type { PartOf } from '../records/part.ts'
import { ASSUMED_LENGTH_U_MM } from '../quantity/figure.ts'
import type { UnitChoice } from '../quantity/units.ts'
import type { Corner } from './half-section.ts'
import { twoWaysSentence } from './words.ts'

/** The tallest radius taken a second way, over the rotor's edge. */
export function secondWay(caliper: PartOf<'caliper'>, units: UnitChoice): Corner['twoWays'] {
  const { tallestRadiusMm, rotorEdgeToTallestMm, takenWithRotorDiameterMm } = caliper
  if (!tallestRadiusMm || !rotorEdgeToTallestMm || !takenWithRotorDiameterMm) return undefined
  const worth = (figure: NonNullable<typeof tallestRadiusMm>) => figure.u ?? ASSUMED_LENGTH_U_MM[figure.origin]
  const second = {
    valueMm: rotorEdgeToTallestMm.value + takenWithRotorDiameterMm.value / 2,
    uMm: Math.hypot(worth(rotorEdgeToTallestMm), worth(takenWithRotorDiameterMm) / 2),
  }
  const compared = agreement({ valueMm: tallestRadiusMm.value, uMm: worth(tallestRadiusMm) }, second)
  return { agree: compared.agree, sentence: twoWaysSentence(second.valueMm, compared, units) }
}
