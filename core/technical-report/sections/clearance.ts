import type { Corner } from '../../clearance/half-section.ts'
import { AXLES } from '../../quantity/axle.ts'
import { ORIGIN_WORDS } from '../../quantity/figure.ts'
import { rangeWords } from '../../quantity/uncertainty-words.ts'
import { heading, list, table, text, type ReportBlock } from '../blocks.ts'
import { workings } from '../figure-blocks.ts'
import { halfSection } from '../section-drawing.ts'
import { AXLE_WORD, showIn, type ReportSource } from '../source.ts'

const FIGURES = [
  'gap',
  'faceGap',
  'barrelGap',
  'gapByDifference',
  'shift',
  'effectiveOffset',
  'studEngagement',
  'registerLeft',
  'track',
  'poke',
]

/** To a hundredth of a millimetre: enough to work the distance again. */
const n = (value: number): string => value.toFixed(2).replace('-', '\u2212')

/** The distance of the nearest places as a reader works it again. */
function distanceWorked({ caliperPoint: [z0, r0], wheelPoint: [z1, r1] }: NonNullable<Corner['gap']>): string {
  return `√((${n(z1)} − ${n(z0)})² + (${n(r1)} − ${n(r0)})²) = ${n(Math.hypot(z1 - z0, r1 - r0))} mm`
}
/** How the outlines were come by: without a word of it they are worth no more than an estimate. */
const outlineOrigins = ({ caliper }: Corner): string =>
  [...new Set((caliper ?? []).map((one) => ORIGIN_WORDS[one.origin ?? 'estimated']))].join('; ')

/** The half section of each axle to scale, with the nearest place, what is required and how sure it is. */
export function clearance(source: ReportSource): ReportBlock[] {
  const { report, project } = source
  const show = showIn(source)
  const mm = (value: number | undefined) => show.quantity(value, 'length')
  return [
    ...AXLES.flatMap((axle): ReportBlock[] => {
      const corner = report.corners[axle]
      const finding = report.findings.find((one) => one.rule === 'wheel-clearance' && one.axle === axle)
      const drawn = halfSection(corner, project.preferences.units, show.figure(report.figures[`${axle}.gap`]))
      const figure = report.figures[`${axle}.gap`]
      // a bound from both sides says nothing: then no place and no range does
      const gap = figure.value === undefined ? undefined : corner.gap
      return [
        heading(`clearance-${axle}`, `${AXLE_WORD[axle]} axle`),
        ...(finding ? [{ kind: 'verdict' as const, verdict: finding.verdict, text: finding.sentence }] : []),
        ...(drawn
          ? [
              {
                kind: 'drawing' as const,
                caption: `Half section, ${axle}, ${drawn.scaleWords}. The thick line is the caliper, the double line the inside of the wheel, the grey body the rotor.`,
                description: `Half section of the ${axle} corner to scale. ${corner.sentence}`,
                drawing: drawn.drawing,
              },
            ]
          : [text('No drawing: neither a caliper outline nor a wheel profile is known.')]),
        ...table(
          [
            { label: 'Clearance', share: 0.5 },
            { label: '', share: 0.5 },
          ],
          gap
            ? [
                ['Minimum clearance', { text: show.figure(figure), strong: true }],
                [
                  corner.faceKnown ? '90% range' : '90% range, barrel alone',
                  rangeWords(show.quantity(gap.p05Mm, 'length', { bare: true }), mm(gap.p95Mm)).replace('90% range ', ''),
                ],
                ['Required', mm(corner.requiredMm)],
                ['Nearest place on the caliper', `${mm(gap.caliperPoint[0])} outboard, radius ${mm(gap.caliperPoint[1])}`],
                ['Nearest place on the wheel', `${mm(gap.wheelPoint[0])} outboard, radius ${mm(gap.wheelPoint[1])}`],
                ...(gap.overlaps ? [] : [['Worked from those places', distanceWorked(gap)]]),
                ['Spacer in use', mm(corner.spacerMm)],
                ['Range computed by', corner.precision === 'draws' ? 'random draws of every input' : 'linear propagation (GUM 5.1.2)'],
                [
                  'Wheel profile',
                  corner.wheelIsNominal ? 'from its markings, an estimate' : ORIGIN_WORDS[corner.wheel?.origin ?? 'estimated'],
                ],
                ['Caliper outline', outlineOrigins(corner)],
              ]
            : [
                ['Minimum clearance', 'not known'],
                ['Required', mm(corner.requiredMm)],
              ],
        ),
        ...[corner.spacerSentence, corner.trial?.sentence, corner.twoWays?.sentence, corner.difference?.sentence, corner.difference?.agrees]
          .filter((one): one is string => Boolean(one))
          .map((one) => text(one)),
        ...(corner.missing.length > 0 ? [text('To enter:', 'strong'), ...list(corner.missing.map((one) => one.what))] : []),
        ...(corner.measureNext.length > 0
          ? [text('Next measurements:', 'strong'), ...list(corner.measureNext.map((one) => one.sentence))]
          : []),
      ]
    }),
    ...workings(source, FIGURES, show),
  ]
}
