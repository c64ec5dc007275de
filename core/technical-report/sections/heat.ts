import type { Point } from '../../clearance/maths/polyline.ts'
import { heatBrief } from '../../heat/heat-brief.ts'
import type { HeatLine, HeatReport } from '../../heat/heat-report.ts'
import { AXLES, type Axle } from '../../quantity/axle.ts'
import { toUnit, shownUnit } from '../../quantity/units.ts'
import { chart, type Ink } from '../drawing.ts'
import { heading, list, table, text, type ReportBlock, type TableCell } from '../blocks.ts'
import { workings } from '../figure-blocks.ts'
import { AXLE_WORD, showIn, UNKNOWN, type ReportSource } from '../source.ts'

const LINES = [
  { key: 'faceC', label: 'pad surface', ink: 'dashed' },
  { key: 'ringC', label: 'rotor', ink: 'strong' },
  { key: 'padC', label: 'pad body', ink: 'thin' },
  { key: 'fluidC', label: 'fluid', ink: 'dotted' },
] as const satisfies readonly { key: string; label: string; ink: Ink }[]

/** The session of the car's main use: limits, margins, curves, and what was assumed. */
export function heat(source: ReportSource): ReportBlock[] {
  const { heat: found } = source
  const show = showIn(source)
  const c = (value: number) => show.quantity(value, 'temperature', { decimals: 0 })
  const minutes = (value: number) => `${(value / 60).toFixed(1)} min`
  /** What the likely values say, and the earliest that the uncertainty allows. */
  const passed = ({ overAtS, earliestS }: HeatLine) =>
    overAtS !== undefined ? minutes(overAtS) : earliestS !== undefined ? `not likely; ${minutes(earliestS)} at the earliest` : 'never'
  return [
    text(`Session: ${found.duty.label}.`, 'strong'),
    { kind: 'verdict', verdict: found.verdict, text: found.sentence },
    ...(found.notKnown ? [text(found.notKnown)] : []),
    ...(found.missing.length > 0 ? [text('To enter:', 'strong'), ...list(found.missing.map((one) => one.what))] : []),
    ...table(
      [
        { label: 'Temperature', share: 0.18 },
        { label: 'Peak', share: 0.1, number: true },
        { label: 'Range', share: 0.17 },
        { label: 'Limit', share: 0.1, number: true },
        { label: 'Kind of limit', share: 0.18 },
        { label: 'Margin', share: 0.1, number: true },
        { label: 'Passed after', share: 0.17, number: true },
      ],
      found.lines.map((one): TableCell[] => [
        one.label,
        { text: c(one.peakC), strong: true },
        `${show.quantity(one.lowC, 'temperature', { decimals: 0, bare: true })} to ${c(one.highC)}`,
        c(one.limitC),
        one.limitWords,
        show.quantity(one.limitC - one.peakC, 'temperatureRise'),
        passed(one),
      ]),
    ),
    ...AXLES.flatMap((axle) => curves(source, found, axle)),
    ...(found.findings.length > 0 ? [heading('heat-findings', 'Findings')] : []),
    ...found.findings.map((one): ReportBlock => ({ kind: 'verdict', verdict: one.verdict, text: one.sentence })),
    ...otherSessions(source),
    heading('heat-assumptions', 'Assumptions'),
    ...(found.assumed.length > 0 ? list(found.assumed) : [text('None beyond the model.')]),
    ...[found.fluidWords, found.narrowed, found.readNext, ...found.cautions]
      .filter((one): one is string => Boolean(one))
      .map((one) => text(one)),
    ...axleRows(source, found),
    ...workings(source, ['ringMass', 'heat'], show),
  ]
}

/** The project's own sessions, each in a line. */
function otherSessions({ project, setup, heat: shown }: ReportSource): ReportBlock[] {
  const others = project.duties.filter((one) => one.id !== shown.duty.id).slice(0, MOST_SESSIONS)
  if (others.length === 0) return []
  return [
    heading('heat-sessions', 'Other sessions of this project'),
    ...others.map(({ id }): ReportBlock => {
      const { duty, verdict, sentence } = heatBrief(project, setup.id, id)
      return { kind: 'verdict', verdict, text: `${duty}. ${sentence}` }
    }),
  ]
}
/** Each is driven with all its uncertainties. */
const MOST_SESSIONS = 8

function curves({ project }: ReportSource, found: HeatReport, axle: Axle): ReportBlock[] {
  const last = found.samples.at(-1)
  if (!last || found.samples.length < 2) return []
  const unit = shownUnit('temperature', project.preferences.units)
  const points = (samples: typeof found.samples, key: (typeof LINES)[number]['key']) =>
    samples.map((one): Point => [one.seconds / 60, toUnit(one[axle][key], unit)])
  const most = Math.max(
    ...found.samples.map((one) => one[axle].faceC),
    ...found.lines.filter((one) => one.axle === axle).map((one) => one.peakC),
  )
  const high = toUnit(most * 1.08, unit)
  return [
    {
      kind: 'drawing',
      caption: `Temperatures of the ${axle} brake over the session, one corner.`,
      description: `Temperatures over time, ${axle}. ${found.sentence}`,
      drawing: chart({
        x: [0, last.seconds / 60],
        y: [0, high],
        xLabel: 'minutes',
        yLabel: unit.symbol,
        curves: LINES.map(({ key, label, ink }) => ({ label: `${label}, ${axle}`, ink, points: points(found.samples, key) })),
      }),
    },
  ]
}

function axleRows(source: ReportSource, found: HeatReport): ReportBlock[] {
  if (!found.axles) return []
  const show = showIn(source)
  const { axles } = found
  return [
    heading('heat-axles', 'Work and wear'),
    ...table(
      [
        { label: 'Axle', share: 0.2 },
        { label: 'Work of both brakes', share: 0.25, number: true },
        { label: 'Lining worn', share: 0.25, number: true },
        { label: `Parked until the rotor is below ${show.quantity(100, 'temperature')}`, share: 0.3, number: true },
      ],
      AXLES.map((axle) => [
        AXLE_WORD[axle],
        `${(axles[axle].workJ / 1e6).toFixed(2)} MJ`,
        axles[axle].liningMm === undefined ? UNKNOWN : show.quantity(axles[axle].liningMm, 'length', { decimals: 2 }),
        axles[axle].coolS === undefined ? 'not within ten minutes, or never above' : `${(axles[axle].coolS / 60).toFixed(1)} min`,
      ]),
    ),
  ]
}
