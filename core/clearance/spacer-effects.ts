import type { InterfaceCheck } from '../fit/interface-check.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { ReportFigure } from '../figures/figure.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { FigureId } from '../figures/figure-ids.ts'
import { EFFECTIVE_OFFSET, placeOfWheel, REGISTER_LEFT, RIM_EDGE, STUD_ENGAGEMENT, TRACK_CHANGE, type AtSpacer } from './wheel-place.ts'

/** What a spacer, a hat or another wheel brings with it. */
export interface Consequence {
  figureId: FigureId
  label: string
  verdict: Verdict
  text: string
  sentence: string
  /** It is held against a limit; others are told, not judged. */
  judged: boolean
}

/**
 * What a spacer, a hat and another wheel do to thread, register, offset, track and poke, each a figure with its working.
 * @param fit what the rules find at this axle
 */
export function spacerEffects(at: AtSpacer, fit: readonly InterfaceCheck[]): { consequences: Consequence[]; figures: ReportFigure[] } {
  const stud = STUD_ENGAGEMENT.of(at).figure
  const register = REGISTER_LEFT.of(at).figure
  const place = placeOfWheel(at)
  const [offset, track, poke] = [EFFECTIVE_OFFSET, TRACK_CHANGE, RIM_EDGE].map((one) => one.of(place).figure) as [
    ReportFigure,
    ReportFigure,
    ReportFigure,
  ]
  const bolts = at.context.project.car[at.axle].fastener === 'bolts'
  return {
    figures: [stud, register, offset, track, poke],
    consequences: [
      ruled(at, fit, 'stud-engagement', bolts ? 'Thread engagement, hub' : 'Thread engagement, nut', stud),
      ruled(at, fit, 'register-left', 'Hub register length left', register),
      told(at, 'Effective offset', offset, false),
      told(at, 'Track', track, true),
      told(at, 'Rim edge, each side', poke, true),
    ],
  }
}

const length = ({ context }: AtSpacer, valueMm: number, signed = false): string =>
  formatQuantity(valueMm, 'length', context.project.preferences.units, { signed })

/** The rules of thread and register say what the two figures mean. */
function ruled(
  at: AtSpacer,
  fit: readonly InterfaceCheck[],
  rule: InterfaceCheck['rule'],
  label: string,
  figure: ReportFigure,
): Consequence {
  const found = fit.find((one) => one.rule === rule)
  return {
    figureId: figure.id,
    label,
    verdict: found?.verdict ?? 'unknown',
    text: found?.value === undefined ? 'not known' : `${length(at, found.value)}, ${found.limit}`,
    sentence: found?.sentence ?? missingWords(figure),
    judged: true,
  }
}

const told = (at: AtSpacer, label: string, figure: ReportFigure, signed: boolean): Consequence => ({
  figureId: figure.id,
  label,
  verdict: figure.value === undefined ? 'unknown' : 'fits',
  text: figure.value === undefined ? 'not known' : length(at, figure.value, signed),
  sentence: figure.value === undefined ? missingWords(figure) : '',
  judged: false,
})

const missingWords = ({ missing }: ReportFigure): string =>
  missing.length > 0 ? `Not enough data: enter ${missing.map((one) => one.what).join(', ')}.` : 'Not enough data.'
