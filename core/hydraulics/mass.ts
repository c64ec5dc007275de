import { AXLE_SLOTS, type AxleSlot } from '../records/setup.ts'
import { AXLES } from '../quantity/axle.ts'
import { resolveSetup, stockSetup } from '../records/resolve.ts'
import { axleFigure, type AxleFigure, type FigureEntry } from '../figures/entry.ts'
import type { Formula, ReportFigure } from '../figures/figure.ts'
import { readPart, type AtAxle, type Context } from '../figures/read.ts'
import type { Working } from '../figures/working.ts'

/** What a corner carries of each slot: pads come as a set for both sides. */
const PER_CORNER: Partial<Record<AxleSlot, number>> = { caliper: 1, bracket: 1, rotor: 1, pad: 0.5, wheel: 1, spacer: 1 }
const ROTATING: readonly AxleSlot[] = ['rotor', 'wheel', 'spacer']
/** What a drum brake has none of. */
const DISC_ONLY: readonly AxleSlot[] = ['rotor', 'pad', 'bracket']

const MASS_CHANGE_FORMULA: Formula = {
  id: 'mass-change',
  inWords: true,
  name: 'Change of mass against the baseline',
  text: 'Σ mass of fitted parts − Σ mass of removed parts; half a pad set for each corner',
  source: 'Plain sum',
}

interface Against extends AtAxle {
  stock: Context['resolved']
}

const changeOf = (label: string, slots: readonly AxleSlot[]): FigureEntry<Against, { kg: number | undefined }> => ({
  label: ({ axle }) => `${label}, change against the baseline, ${axle}`,
  dimension: 'mass',
  formula: MASS_CHANGE_FORMULA,
  optional: true,
  read: (work, against) => ({ kg: change(work, against, slots) }),
  value: ({ kg }) => kg,
})

/** What a setup adds to the unsprung mass of a corner. */
export const MASS_CHANGE: AxleFigure<'massChange', Against> = axleFigure(
  'massChange',
  changeOf('Unsprung mass of a corner', Object.keys(PER_CORNER) as AxleSlot[]),
)
/** The part of it that turns. */
export const ROTATING_CHANGE: AxleFigure<'rotatingChange', Against> = axleFigure(
  'rotatingChange',
  changeOf('Rotating mass of a corner', ROTATING),
)

/** What a setup adds to each corner against the car as it stands: unsprung, and the part of it that turns, kg. */
export function massFigures(context: Context): ReportFigure[] {
  const stock = context.isStock ? context.resolved : resolveSetup(context.project, stockSetup(context.project))
  return AXLES.flatMap((axle) => [MASS_CHANGE, ROTATING_CHANGE].map((one) => one.of({ context, axle, stock }).figure))
}

function change(work: Working, { context, axle, stock }: Against, slots: readonly AxleSlot[]): number | undefined {
  let sum: number | undefined = 0
  for (const slot of slots) {
    // beside a drum neither rotor nor pads nor bracket turn or hang
    const at = (set: Context['resolved'][typeof axle]) => (set.caliper?.kind === 'drum' && DISC_ONLY.includes(slot) ? null : set[slot])
    const [now, then] = [at(context.resolved[axle]), at(stock[axle])]
    // a slot that is as the car stands changes nothing, whatever stands there
    if (now === then || (now && now.id === then?.id)) continue
    for (const [part, sign, setupId] of [
      [now, 1, context.setup.id],
      [then, -1, context.project.setups[0].id],
    ] as const) {
      if (part === null) continue
      if (part === undefined) {
        work.ask(`${AXLE_SLOTS[slot].label}, ${axle}`, { kind: 'slot', setupId, axle, slot }, 'Choose a part in the step Setup.')
        sum = undefined
        continue
      }
      const mass = readPart(work, part, 'massKg')
      sum = mass === undefined || sum === undefined ? undefined : sum + sign * mass * PER_CORNER[slot]!
    }
  }
  return sum
}
