import { gaugeReport } from '../../evidence/gauge-report.ts'
import { LOG_KINDS, timeline } from '../../evidence/logbook.ts'
import { lockUpReport } from '../../evidence/lock-up-observations.ts'
import { stopsReport } from '../../evidence/stop-tests.ts'
import { wearReport } from '../../evidence/wear-report.ts'
import { counted } from '../../figures/words.ts'
import type { PressurePair } from '../../hydraulics/maths/gauge-models.ts'
import { AXLES } from '../../quantity/axle.ts'
import { LOADS_DRIVEN, SURFACES, type LoadDriven, type SurfaceDriven } from '../../records/logbook.ts'
import { stepTitles } from '../../work-order/work-order.ts'
import { heading, list, table, text, type ReportBlock } from '../blocks.ts'
import type { ReportSource } from '../source.ts'

const REAR_FIRST = 'The rear wheels lock first, and the car can spin.'

/** What was done and seen on the car: comparison of stops, wheels that locked, wear, temperatures, then the whole log. */
export function evidence(source: ReportSource): ReportBlock[] {
  const { project, setup, report, heat } = source
  const log = timeline(project, (setupId) => stepTitles(project, setupId))
  const locks = lockUpReport(project)
  const wear = wearReport(project)
  return [
    heading('stops', 'Did it help? Stops compared'),
    ...stopBlocks(source),
    heading('lock-ups', 'Wheels that locked'),
    ...(locks.length === 0 ? [text('Nothing was entered.')] : []),
    ...locks.flatMap((one): ReportBlock[] => [
      // a rear that locks first is a danger, whether the model says so too or not
      ...(one.advice ? [{ kind: 'safety' as const, note: { level: 'danger' as const, hazard: REAR_FIRST, action: one.advice } }] : []),
      {
        kind: 'verdict',
        verdict: one.mark,
        text: `${one.sighting.date.slice(0, 10)}, ${one.setupName}. ${one.sentence}`,
      },
    ]),
    heading('wear', 'Wear'),
    ...(wear.looks.length === 0 ? [text('Nothing was measured.')] : []),
    ...wear.looks.flatMap((look) =>
      look.says.map((one): ReportBlock => ({
        kind: 'verdict',
        verdict: one.tone,
        text: `${look.reading.date.slice(0, 10)}, ${look.reading.axle} ${look.reading.side}, ${look.partName}. ${one.text}`,
      })),
    ),
    heading('pressures', 'Pressures'),
    ...pressureBlocks(source),
    heading('temperatures', 'Temperatures'),
    ...(heat.readings.length === 0
      ? [text('No temperature of this setup was entered.')]
      : [text(heat.narrowed ?? `${counted(heat.readings.length, 'reading')} used.`)]),
    heading('fit-reports', 'Fit reports'),
    ...reportBlocks(report),
    heading('log', 'The whole log, latest first'),
    ...(log.length === 0 ? [text('Nothing was entered.')] : []),
    ...table(
      [
        { label: 'Date', share: 0.13 },
        { label: 'Kind', share: 0.15 },
        { label: 'Setup', share: 0.2 },
        { label: 'What', share: 0.52 },
      ],
      log.map((one) => [
        one.date.slice(0, 10) || 'no date',
        LOG_KINDS[one.kind],
        one.setupId === setup.id ? { text: one.setupName, strong: true } : one.setupName,
        [one.text, one.track, one.note].filter(Boolean).join('. '),
      ]),
      true,
    ),
  ]
}

/** What the readings of each session say of gauges, bar and valve. */
function pressureBlocks({ project, setup }: ReportSource): ReportBlock[] {
  const sessions = project.gaugeSessions.filter((one) => one.setupId === setup.id)
  if (sessions.length === 0) return [text('No pressures of this setup were entered.')]
  return sessions.flatMap((session) => {
    const { sentences } = gaugeReport(project, setup.id, session.pairs as PressurePair[])
    const when = [session.date.slice(0, 10), session.track].filter(Boolean).join(', ')
    return [
      text(`${when}: ${counted(session.pairs.length, 'pair')}.`, 'strong'),
      ...sentences.map((one): ReportBlock => ({ kind: 'verdict', verdict: one.tone, text: one.text })),
    ]
  })
}

/** Each surface and load in which both setups were stopped. */
function stopBlocks({ project, setup, report }: ReportSource): ReportBlock[] {
  if (report.isStock) return [text('This setup is the baseline: its stops are in the log below.')]
  const baseline = project.setups[0]
  const blocks = Object.keys(SURFACES).flatMap((surface) =>
    Object.keys(LOADS_DRIVEN).flatMap((load): ReportBlock[] => {
      const tests = project.stopTests.filter(
        (one) => one.surface === surface && one.load === load && (one.setupId === setup.id || one.setupId === baseline.id),
      )
      if (tests.length === 0) return []
      const targetKmh = Math.max(...tests.map((one) => one.fromKmh))
      const found = stopsReport(project, {
        a: baseline.id,
        b: setup.id,
        surface: surface as SurfaceDriven,
        load: load as LoadDriven,
        targetKmh,
        wantedM: 1,
      })
      return [
        text(
          `${SURFACES[surface as SurfaceDriven]}, ${LOADS_DRIVEN[load as LoadDriven]}, corrected to stops from ${targetKmh} km/h:`,
          'strong',
        ),
        text(
          `${found.sentence} ${counted(found.a.counted.length, 'run')} of the baseline, ${counted(found.b.counted.length, 'run')} of this setup.`,
        ),
        ...(found.model ? [text(found.model)] : []),
        ...list(found.notes),
      ]
    }),
  )
  return blocks.length > 0 ? blocks : [text('No stops of this setup or the baseline were entered.')]
}

function reportBlocks(report: ReportSource['report']): ReportBlock[] {
  const all = AXLES.flatMap((axle) => report.reports[axle].map((one) => ({ axle, one })))
  if (all.length === 0) return [text('No fit report of this combination was entered.')]
  return all.map(({ axle, one }) =>
    one.contradicts
      ? { kind: 'verdict', verdict: 'check', text: `${axle}: ${one.contradicts}` }
      : text(
          `${axle}: ${one.report.wheel} over ${one.report.caliper} ${one.report.outcome}${one.report.by ? `, reported by ${one.report.by}` : ''}.`,
        ),
  )
}
