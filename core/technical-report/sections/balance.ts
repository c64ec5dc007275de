import type { Point } from '../../clearance/maths/polyline.ts'
import { CRITERIA, LOST_WORDS } from '../../balance/balance-report.ts'
import { LOADS } from '../../balance/grip.ts'
import { ORDER_FROM_G } from '../../balance/maths/lock-order.ts'
import { orderHeadline } from '../../evaluate/order-probability.ts'
import { probabilityWords } from '../../quantity/uncertainty-words.ts'
import { plainNumber } from '../../figures/working.ts'
import { hydraulicsOf } from '../../hydraulics/hydraulics-of.ts'
import { chainDrawing } from '../chain-drawing.ts'
import { chainSteps } from '../chain-steps.ts'
import { chart } from '../drawing.ts'
import { heading, list, table, text, type ReportBlock } from '../blocks.ts'
import { workings } from '../figure-blocks.ts'
import { showIn, UNKNOWN, type ReportSource } from '../source.ts'

const FIGURES = [
  'pistonArea',
  'effectiveRadius',
  'pedal.force',
  'pedal.forceNoAssist',
  'pedal.travel',
  'master.strokeUsed',
  'master.sameFeel',
  'bias.pressure',
  'bias.clamp',
  'bias.torque',
  'bias.road',
  'bias.ideal',
  'bias.againstStock',
  'balance.critical',
  'massChange',
  'rotatingChange',
]

/** The chain with its numbers, which axle locks first in each load, what is left when something fails. */
export function balance(source: ReportSource): ReportBlock[] {
  const { report, balance: found, uncertainty, project } = source
  const show = showIn(source)
  const g = (value: number) => show.quantity(value, 'deceleration')
  const order = orderHeadline(report, uncertainty.frontFirstOf100)
  const others = report.findings.filter((one) => one.rule !== 'wheel-clearance' && one.rule !== 'lock-order')
  const parking = report.fit.filter((one) => one.rule === 'parking-brake' || one.rule === 'parking-hold')
  return [
    { kind: 'verdict', verdict: order.verdict, text: [order.sentence, ...order.beside].join(' ') },
    ...others.map((one): ReportBlock => ({ kind: 'verdict', verdict: one.verdict, text: one.sentence })),
    ...(uncertainty.frontFirstOf100 === undefined
      ? []
      : [text(`Front locks first as far as required: ${probabilityWords(uncertainty.frontFirstOf100 / 100)}.`)]),
    heading('chain', 'From the pedal to the road'),
    ...(report.chain
      ? [
          {
            kind: 'drawing' as const,
            caption: `Forces and pressures at ${g(project.preferences.referenceDecelG)}.`,
            description: 'The chain from the pedal over booster and lines to clamp force, brake torque and force at the tyres.',
            drawing: chainDrawing(report.chain, project.preferences.units),
          },
        ]
      : [
          text('Not enough data for the chain from the pedal to the road. To enter:', 'strong'),
          ...list(report.figures['pedal.force'].missing.map((one) => one.what)),
        ]),
    ...chainTable(source),
    ...(report.adhesion.length > 1
      ? [
          heading('adhesion', 'Adhesion that each axle uses'),
          {
            kind: 'drawing' as const,
            caption:
              'Adhesion used by each axle, driver only. The higher curve locks first. The straight line is the limit of UN Regulation No. 13-H, Annex 5, 3.1 (B).',
            description: `Adhesion used over deceleration. ${order.sentence}`,
            drawing: adhesionChart(source),
          },
        ]
      : []),
    heading('cases', 'Loads and surfaces'),
    ...table(
      [
        { label: 'Load', share: 0.16 },
        { label: 'Surface, friction', share: 0.2 },
        { label: 'Locks first', share: 0.28 },
        { label: 'Best without lock', share: 0.22 },
        { label: 'Pedal', share: 0.14, number: true },
      ],
      found.cases.map((one) => [
        LOADS[one.load],
        `${one.surface}, ${one.friction}${one.assumed ? ' assumed' : ''}`,
        { text: one.words, verdict: one.verdict },
        one.best ? `${g(one.best.decelG)}, then the ${one.best.axle}` : UNKNOWN,
        one.pedalForceN === undefined ? UNKNOWN : `${one.atLeast ? 'at least ' : ''}${show.quantity(one.pedalForceN, 'force')}`,
      ]),
    ),
    ...list(
      found.criteria.flatMap(({ load, found: all }) =>
        all === undefined
          ? [`${LOADS[load]}: not enough data for the two adhesion criteria`]
          : all.map(
              (one) =>
                `${CRITERIA[one.id].name}, ${LOADS[load]}: ${one.holds ? 'met' : `not met from ${g(one.firstG!)}`} (${CRITERIA[one.id].source})`,
            ),
      ),
    ),
    text(`For cars without ABS, engine disconnected. For information only. ${found.limitWhy ?? ''}`.trim(), 'soft'),
    heading('failures', 'When something fails'),
    ...(found.failures.length === 0
      ? [text('Not enough data to say what is left.')]
      : table(
          [
            { label: 'What fails', share: 0.4 },
            { label: 'Deceleration left', share: 0.35 },
            { label: 'Pedal before the floor', share: 0.25, number: true },
          ],
          found.failures.map((one) => [
            LOST_WORDS[one.lost],
            {
              text: `${one.atMost ? 'at most ' : ''}${g(one.decelG)}, limited by the ${one.limit === 'lift' ? 'rear wheels that lift' : one.limit}`,
              ...(one.tooLittle ? { verdict: 'needs' as const } : {}),
            },
            one.leftMm === undefined ? UNKNOWN : one.leftMm < 0 ? 'on the floor' : show.quantity(one.leftMm, 'length'),
          ]),
        )),
    ...(found.bareAtLimitG === undefined ? [] : [text(`Without assist, 500 N on the pedal gives ${g(found.bareAtLimitG)}.`)]),
    heading('parking', 'Parking brake'),
    ...(parking.length === 0 ? [text('No check of the parking brake applies.')] : []),
    ...parking.map((one): ReportBlock => ({ kind: 'verdict', verdict: one.verdict, text: one.sentence })),
    ...(found.calibration ? [text(found.calibration)] : []),
    ...workings(source, FIGURES, show),
  ]
}

/** Step by step, so that a reader comes to pedal force and balance with a pocket calculator. */
function chainTable({ report, project, setup }: ReportSource): ReportBlock[] {
  const { system, mass } = hydraulicsOf(project, setup.id)
  if (!report.chain || !system) return []
  return table(
    [
      { label: 'Step', share: 0.2 },
      { label: 'Formula', share: 0.26 },
      { label: 'Numbers put in', share: 0.38 },
      { label: 'Result', share: 0.16, number: true },
    ],
    chainSteps(report.chain, system, mass?.massKg).map((one) => [
      one.what,
      one.formula,
      one.numbers,
      { text: `${plainNumber(one.value)}\u00a0${one.unit}`.trim(), strong: true },
    ]),
    true,
  )
}

function adhesionChart({ report, baseline, balance: found }: ReportSource) {
  const of = (points: typeof report.adhesion, axle: 'front' | 'rear') => points.map((one): Point => [one.decelG, one[axle]])
  const most = 1.4
  return chart({
    x: [0, 1.2],
    y: [0, most],
    xLabel: 'deceleration, g',
    yLabel: 'adhesion used',
    ...(found.frontFirstToG === undefined
      ? {}
      : { band: { from: ORDER_FROM_G, to: found.frontFirstToG, label: 'here the front must be higher' } }),
    curves: [
      { label: 'front', ink: 'strong', points: of(report.adhesion, 'front') },
      { label: 'rear', ink: 'dashed', points: of(report.adhesion, 'rear') },
      ...(report.isStock
        ? []
        : [
            { label: 'front, baseline', ink: 'thin' as const, points: of(baseline.adhesion, 'front') },
            { label: 'rear, baseline', ink: 'dotted' as const, points: of(baseline.adhesion, 'rear') },
          ]),
      {
        label: 'limit of both, (z + 0.04) / 0.7',
        ink: 'line',
        // UN Regulation No. 13-H, Annex 5, 3.1 (B): k from 0.2 to 0.8
        points: [0.2, 0.8].map((k): Point => [0.7 * k - 0.04, k]),
      },
    ],
  })
}
