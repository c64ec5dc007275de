import { check, type Rule } from '../fit/rule.ts'
import { registerLeft } from '../fit/rules/register-left.ts'
import { studEngagementRule, threadHold } from '../fit/rules/stud-engagement.ts'
import { registerLeftMm, stanceChange } from '../fit/wheel-place.ts'
import type { Axle } from '../model/project.ts'
import { resolveSetup, spacerInUseMm, stockSetup } from '../model/resolve.ts'
import { formatQuantity } from '../quantity/format.ts'
import { askSlot, readCarAxle, readPart, type Context } from './context.ts'
import type { Consequence, ReportFigure } from './types.ts'
import { factsOf } from './fit-check.ts'
import { Working } from './working.ts'

/** What a spacer, a hat and another wheel do to thread, register, offset, track and poke, each a figure with its working. */
export function spacerEffects(
  context: Context,
  axle: Axle,
  spacerMm: number | undefined,
): { consequences: Consequence[]; figures: ReportFigure[] } {
  const units = context.project.preferences.units
  const mm = (value: number, signed = false) => formatQuantity(value, 'length', units, { signed })
  const { caliper, rotor, wheel } = context.resolved[axle]

  const base = () => {
    const work = new Working()
    const onHub = caliper?.kind === 'drum' ? caliper : rotor
    const hat = onHub ? readPart(work, onHub, 'hatThicknessMm', 'h') : undefined
    if (!onHub) askSlot(work, context, axle, 'rotor')
    if (spacerMm === undefined) askSlot(work, context, axle, 'spacer')
    else
      work.set(spacerMm, {
        symbol: 's',
        label: `Wheel spacer, ${axle}`,
        dimension: 'length',
        at: { kind: 'slot', setupId: context.setup.id, axle, slot: 'spacer' },
      })
    return { work, hat }
  }

  // thread
  const stud = base()
  const length = readCarAxle(stud.work, context, axle, 'studLengthMm', 'l')
  const pad = wheel ? readPart(stud.work, wheel, 'padThicknessMm', 'p') : undefined
  if (!wheel) askSlot(stud.work, context, axle, 'wheel')
  const tip = readCarAxle(stud.work, context, axle, 'tipMm', 't')
  const holding = readCarAxle(stud.work, context, axle, 'holdingThreadMm', 'n')
  const { spacer, spacerTrialMm } = context.resolved[axle]
  const ownStuds = spacerTrialMm === undefined && spacer?.fixing === 'ownStuds'
  if (ownStuds) stud.work.notes.push('The spacer stands on studs of its own: both of its threads are looked at under Every interface.')
  const engagedMm =
    length !== undefined &&
    stud.hat !== undefined &&
    spacerMm !== undefined &&
    pad !== undefined &&
    tip !== undefined &&
    holding !== undefined &&
    !ownStuds
      ? threadHold(length - stud.hat - spacerMm - pad, tip, holding, Infinity, 0).engagedMm
      : undefined
  const bolts = context.project.car[axle].fastener === 'bolts'
  const studFigure = stud.work.figure(`${axle}.studEngagement`, `Thread that holds, ${axle}`, 'length', 'stud-engagement', engagedMm)

  // register
  const register = base()
  const height = readCarAxle(register.work, context, axle, 'registerHeightMm', 'H')
  const left =
    height !== undefined && register.hat !== undefined && spacerMm !== undefined
      ? registerLeftMm(height, register.hat, spacerMm)
      : undefined
  const registerFigure = register.work.figure(
    `${axle}.registerLeft`,
    `Register left in the wheel, ${axle}`,
    'length',
    'register-left',
    left,
  )

  // place of the wheel
  const stock = stockSetup(context.project)
  const then = resolveSetup(context.project, stock)[axle]
  const place = base()
  const offset = wheel ? readPart(place.work, wheel, 'offsetMm', 'ET') : undefined
  const width = wheel ? readPart(place.work, wheel, 'widthIn', 'w') : undefined
  if (!wheel) askSlot(place.work, context, axle, 'wheel')
  const thenSpacer = spacerInUseMm(then)
  const thenOnHub = then.caliper?.kind === 'drum' ? then.caliper : then.rotor
  const thenHat = thenOnHub ? readPart(place.work, thenOnHub, 'hatThicknessMm', 'h_0') : undefined
  const asItStands = { ...context, setup: stock }
  if (!thenOnHub) askSlot(place.work, asItStands, axle, 'rotor')
  if (!then.wheel) askSlot(place.work, asItStands, axle, 'wheel')
  if (thenSpacer === undefined) {
    if (then.spacer) readPart(place.work, then.spacer, 'thicknessMm')
    else askSlot(place.work, asItStands, axle, 'spacer')
  }
  const thenOffset = then.wheel ? readPart(place.work, then.wheel, 'offsetMm', 'ET_0') : undefined
  const thenWidth = then.wheel ? readPart(place.work, then.wheel, 'widthIn', 'w_0') : undefined
  const stance =
    offset !== undefined &&
    width !== undefined &&
    spacerMm !== undefined &&
    place.hat !== undefined &&
    thenSpacer !== undefined &&
    thenHat !== undefined &&
    thenOffset !== undefined &&
    thenWidth !== undefined
      ? stanceChange(
          { offsetMm: offset, widthMm: width * 25.4, spacerMm, hatThicknessMm: place.hat },
          { offsetMm: thenOffset, widthMm: thenWidth * 25.4, spacerMm: thenSpacer, hatThicknessMm: thenHat },
        )
      : undefined
  const placed = (id: 'effectiveOffset' | 'track' | 'poke', label: string, value: number | undefined): ReportFigure => {
    const work = new Working()
    work.inputs.push(...place.work.inputs)
    work.askAll(place.work.missing)
    return work.figure(`${axle}.${id}`, `${label}, ${axle}`, 'length', 'wheel-place', value)
  }
  const figures = [
    studFigure,
    registerFigure,
    placed('effectiveOffset', 'Effective offset', stance?.effectiveOffsetMm),
    placed('track', 'Change of track', stance?.trackMm),
    placed('poke', 'Rim edge outboard', stance?.pokeMm),
  ]

  // the rules of thread and register say what the two figures mean
  const facts = factsOf(context, axle)
  const ruled = (rule: Rule, label: string, figure: ReportFigure): Consequence => {
    const found = check(rule, facts)
    return {
      figureId: figure.id,
      label,
      verdict: found?.verdict ?? 'unknown',
      text: found?.value === undefined ? 'not known' : `${mm(found.value)}, ${found.limit}`,
      sentence: found?.sentence ?? missingWords(figure),
      judged: true,
    }
  }

  const consequences: Consequence[] = [
    ruled(studEngagementRule, bolts ? 'Thread in the hub' : 'Thread in the nut', studFigure),
    ruled(registerLeft, 'Register left', registerFigure),
    ...(
      [
        ['effectiveOffset', 'Effective offset', stance?.effectiveOffsetMm, false],
        ['track', 'Track', stance?.trackMm, true],
        ['poke', 'Rim edge, each side', stance?.pokeMm, true],
      ] as const
    ).map(([id, label, value, signed]): Consequence => ({
      figureId: `${axle}.${id}`,
      label,
      verdict: value === undefined ? 'unknown' : 'fits',
      text: value === undefined ? 'not known' : mm(value, signed),
      sentence: value === undefined ? missingWords(figures[2]!) : '',
      judged: false,
    })),
  ]
  return { consequences, figures }
}

const missingWords = (figure: ReportFigure): string =>
  figure.missing.length > 0 ? `Not known: ${figure.missing.map((one) => one.what).join('; ')}.` : 'Not known.'
