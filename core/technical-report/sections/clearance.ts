import { AXLES } from '../../quantity/axle.ts'
import { rangeWords } from '../../quantity/uncertainty-words.ts'
import { heading, list, table, text, type ReportBlock } from '../document.ts'
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

/** The half section of each axle to scale, with the nearest place, what is required and how sure it is. */
export function clearance(source: ReportSource): ReportBlock[] {
  const { report, project } = source
  const show = showIn(source)
  const mm = (value: number | undefined) => show.quantity(value, 'length')
  return [
    ...AXLES.flatMap((axle): ReportBlock[] => {
      const corner = report.corners[axle]
      const finding = report.findings.find((one) => one.rule === 'wheel-clearance' && one.axle === axle)
      const drawn = halfSection(corner, project.preferences.units)
      const { gap } = corner
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
                ['Minimum clearance', { text: show.figure(report.figures[`${axle}.gap`]), strong: true }],
                ['90% range', rangeWords(show.quantity(gap.p05Mm, 'length', { bare: true }), mm(gap.p95Mm)).replace('90% range ', '')],
                ['Required', mm(corner.requiredMm)],
                ['Nearest place on the caliper', `${mm(gap.caliperPoint[0])} outboard, radius ${mm(gap.caliperPoint[1])}`],
                ['Nearest place on the wheel', `${mm(gap.wheelPoint[0])} outboard, radius ${mm(gap.wheelPoint[1])}`],
                [
                  'Worked from those places',
                  `√((${n(gap.wheelPoint[0])} − ${n(gap.caliperPoint[0])})² + (${n(gap.wheelPoint[1])} − ${n(gap.caliperPoint[1])})²) = ${n(Math.hypot(gap.wheelPoint[0] - gap.caliperPoint[0], gap.wheelPoint[1] - gap.caliperPoint[1]))} mm`,
                ],
                ['Spacer in use', mm(corner.spacerMm)],
                ['Range computed by', corner.precision === 'draws' ? 'random draws of every input' : 'linear propagation (GUM 5.1.2)'],
                ['Wheel profile', corner.wheelIsNominal ? 'from its markings, an estimate' : 'measured or imported'],
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
