import { howItDecides, limitWords } from '../../guide/how.ts'
import { GAP_POLICIES, BIAS_AIMS } from '../../records/preferences.ts'
import type { LimitId } from '../../records/limits.ts'
import { questionKey } from '../../records/question.ts'
import { heading, list, table, text, type ReportBlock } from '../blocks.ts'
import { showIn, type ReportSource } from '../source.ts'

/** What it takes to do it again: version, file, limits in force, what is open. */
export function method(source: ReportSource): ReportBlock[] {
  const { project, report, facts, file, options } = source
  const { preferences } = project
  const show = showIn(source)
  const how = howItDecides()
  const open = new Map(
    [...Object.values(report.figures), ...report.fit, ...report.findings]
      .flatMap((one) => one.missing)
      .map((one) => [questionKey(one), one.what]),
  )
  const own = (preferences.limits ?? {}) as Partial<Record<LimitId, number>>
  return [
    ...table(
      [
        { label: 'Computed by', share: 0.34 },
        { label: '', share: 0.66 },
      ],
      [
        ['Application', `Valiant Caliper ${facts.version}`],
        ['Made on', facts.madeOn],
        ['Project file', file.name],
        ['SHA-256 of the project file', file.hash],
        ['Setup', `${report.setupName} (${report.setupId})`],
        ['Required clearance', GAP_POLICIES[preferences.gapPolicy].label],
        ['Balance to aim for', BIAS_AIMS[preferences.biasAim ?? 'load'].label],
        ['Reference deceleration', show.quantity(preferences.referenceDecelG, 'deceleration')],
        ['Speed of the one stop', show.quantity(preferences.stopFromKmh, 'speed', { decimals: 0 })],
      ],
    ),
    heading('repeat', 'How to repeat it'),
    text(
      options.attach
        ? 'The PDF carries the project file as an attachment. Drop the PDF on the application, or save the attachment and run:'
        : 'The project file is not attached. With the file of this hash, open it in the application or run:',
    ),
    text(`npm run -s evaluate -- ${file.name}`, 'strong'),
    heading('limits', 'Limits in force'),
    ...table(
      [
        { label: 'Limit', share: 0.46 },
        { label: 'Value', share: 0.14, number: true },
        { label: 'Reason', share: 0.4 },
      ],
      how.limits.map(({ id, label, value, reason }) => {
        const mine = own[id]
        return mine === undefined
          ? [label, value, reason]
          : [label, { text: `${limitWords(id, mine)}, own limit`, strong: true }, `Usual: ${value}. ${reason}`]
      }),
      true,
    ),
    heading('questions', 'Open questions'),
    ...(open.size > 0 ? list([...open.values()]) : [text('None: no figure and no check of this setup lacks a value.')]),
  ]
}
