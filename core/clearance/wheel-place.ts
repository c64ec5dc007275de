import { LIMITS } from '../records/limits.ts'
import { threadHold } from '../fit/rules/stud-engagement.ts'
import { registerLeftMm, stanceChange } from '../fit/wheel-place.ts'
import type { PartOf } from '../records/part.ts'
import { resolveSetup, spacerInUseMm, stockSetup, type ResolvedAxle } from '../records/resolve.ts'
import { axleFigure, type AxleFigure, type FigureEntry } from '../figures/entry.ts'
import type { Formula } from '../figures/figure.ts'
import { askSlot, readCarAxle, readPart, type AtAxle } from '../figures/read.ts'
import { Working } from '../figures/working.ts'

/** A corner with the spacer that stands on it; undefined: nobody has said. */
export interface AtSpacer extends AtAxle {
  spacerMm: number | undefined
}

const onHubOf = ({ caliper, rotor }: ResolvedAxle): PartOf<'drum'> | PartOf<'rotor'> | null | undefined =>
  caliper?.kind === 'drum' ? caliper : rotor

/** What stands between hub and wheel: a hat or a drum, then the spacer. */
function readStack(work: Working, { context, axle, spacerMm }: AtSpacer): { hatMm: number | undefined; spacerMm: number | undefined } {
  const onHub = onHubOf(context.resolved[axle])
  const hatMm = onHub ? readPart(work, onHub, 'hatThicknessMm', 'h') : undefined
  if (!onHub) askSlot(work, context, axle, 'rotor')
  const at = { kind: 'slot', setupId: context.setup.id, axle, slot: 'spacer' } as const
  if (spacerMm === undefined) askSlot(work, context, axle, 'spacer')
  else work.set(spacerMm, { symbol: 's', label: `Wheel spacer, ${axle}`, dimension: 'length', at })
  return { hatMm, spacerMm }
}

/** Thread of a stud or bolt that holds the wheel. */
export const STUD_ENGAGEMENT: AxleFigure<'studEngagement', AtSpacer> = axleFigure('studEngagement', {
  label: ({ axle }) => `Thread that holds, ${axle}`,
  dimension: 'length',
  formula: {
    id: 'stud-engagement',
    name: 'Thread that holds',
    text: 'min(l − h − s − p − t, n)',
    source: `Geometry; ${LIMITS.studDiameters.value.toFixed(1)} diameter in steel and ${LIMITS.studTurns.value} turns required`,
  },
  optional: true,
  read(work, at) {
    const { context, axle } = at
    const { wheel, spacer, spacerTrialMm } = context.resolved[axle]
    const { hatMm, spacerMm } = readStack(work, at)
    const lengthMm = readCarAxle(work, context, axle, 'studLengthMm', 'l')
    const padMm = wheel ? readPart(work, wheel, 'padThicknessMm', 'p') : undefined
    if (!wheel) askSlot(work, context, axle, 'wheel')
    const tipMm = readCarAxle(work, context, axle, 'tipMm', 't')
    const holdingMm = readCarAxle(work, context, axle, 'holdingThreadMm', 'n')
    const ownStuds = spacerTrialMm === undefined && spacer?.fixing === 'ownStuds'
    if (ownStuds) work.notes.push('The spacer has its own studs. Every check covers both of its threads.')
    return { hatMm, spacerMm, lengthMm, padMm, tipMm, holdingMm, ownStuds }
  },
  value: ({ hatMm, spacerMm, lengthMm, padMm, tipMm, holdingMm, ownStuds }) =>
    ownStuds ? undefined : threadHold(lengthMm - hatMm - spacerMm - padMm, tipMm, holdingMm, Infinity, 0).engagedMm,
})

/** What of the hub's register is left to centre the wheel. */
export const REGISTER_LEFT: AxleFigure<'registerLeft', AtSpacer> = axleFigure('registerLeft', {
  label: ({ axle }) => `Hub register length left, ${axle}`,
  dimension: 'length',
  formula: {
    id: 'register-left',
    name: 'Hub register length left',
    text: 'H − h − s',
    source: `Geometry; ${LIMITS.registerMm.value} mm required`,
  },
  optional: true,
  read(work, at) {
    const stack = readStack(work, at)
    return { heightMm: readCarAxle(work, at.context, at.axle, 'registerHeightMm', 'H'), ...stack }
  },
  value: ({ heightMm, hatMm, spacerMm }) => registerLeftMm(heightMm, hatMm, spacerMm),
})

/** Where the wheel stands against the car as it stands, read once for the three figures that say so. */
interface WheelPlaced extends AtSpacer {
  reading: Pick<Working, 'inputs' | 'missing'>
  stance: ReturnType<typeof stanceChange> | undefined
}
export function placeOfWheel(at: AtSpacer): WheelPlaced {
  const { context, axle } = at
  const work = new Working()
  const { hatMm, spacerMm } = readStack(work, at)
  const { wheel } = context.resolved[axle]
  const offsetMm = wheel ? readPart(work, wheel, 'offsetMm', 'ET') : undefined
  const widthIn = wheel ? readPart(work, wheel, 'widthIn', 'w') : undefined
  if (!wheel) askSlot(work, context, axle, 'wheel')
  const stock = stockSetup(context.project)
  const then = resolveSetup(context.project, stock)[axle]
  const asItStands = { ...context, setup: stock }
  const thenOnHub = onHubOf(then)
  const thenHatMm = thenOnHub ? readPart(work, thenOnHub, 'hatThicknessMm', 'h_0') : undefined
  if (!thenOnHub) askSlot(work, asItStands, axle, 'rotor')
  if (!then.wheel) askSlot(work, asItStands, axle, 'wheel')
  const thenSpacerMm = spacerInUseMm(then)
  if (thenSpacerMm === undefined) {
    if (then.spacer) readPart(work, then.spacer, 'thicknessMm')
    else askSlot(work, asItStands, axle, 'spacer')
  }
  const thenOffsetMm = then.wheel ? readPart(work, then.wheel, 'offsetMm', 'ET_0') : undefined
  const thenWidthIn = then.wheel ? readPart(work, then.wheel, 'widthIn', 'w_0') : undefined
  const known =
    offsetMm !== undefined &&
    widthIn !== undefined &&
    spacerMm !== undefined &&
    hatMm !== undefined &&
    thenSpacerMm !== undefined &&
    thenHatMm !== undefined &&
    thenOffsetMm !== undefined &&
    thenWidthIn !== undefined
  const stance = known
    ? stanceChange(
        { offsetMm, widthMm: widthIn * 25.4, spacerMm, hatThicknessMm: hatMm },
        { offsetMm: thenOffsetMm, widthMm: thenWidthIn * 25.4, spacerMm: thenSpacerMm, hatThicknessMm: thenHatMm },
      )
    : undefined
  return { reading: work, stance, ...at }
}

const WHEEL_PLACE: Formula = {
  id: 'wheel-place',
  inWords: true,
  name: 'Place of the wheel',
  text: 'effective offset = ET − s − (h − h_0), outboard by (ET_0 − ET) + (s − s_0) + (h − h_0), track twice that, rim edge plus half the change of width',
  source: 'Geometry of the wheel mounting face',
}
const placed = (
  label: string,
  of: (stance: NonNullable<WheelPlaced['stance']>) => number,
): FigureEntry<WheelPlaced, { stance: WheelPlaced['stance'] }> => ({
  label: ({ axle }) => `${label}, ${axle}`,
  dimension: 'length',
  formula: WHEEL_PLACE,
  optional: true,
  read(work, { reading, stance }) {
    work.include(reading)
    return { stance }
  },
  value: ({ stance }) => of(stance),
})

export const EFFECTIVE_OFFSET: AxleFigure<'effectiveOffset', WheelPlaced> = axleFigure(
  'effectiveOffset',
  placed('Effective offset', ({ effectiveOffsetMm }) => effectiveOffsetMm),
)
export const TRACK_CHANGE: AxleFigure<'track', WheelPlaced> = axleFigure(
  'track',
  placed('Change of track', ({ trackMm }) => trackMm),
)
export const RIM_EDGE: AxleFigure<'poke', WheelPlaced> = axleFigure(
  'poke',
  placed('Rim edge outboard', ({ pokeMm }) => pokeMm),
)
