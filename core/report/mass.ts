import { AXLES, type Axle, type AxleSlot } from '../model/project.ts'
import { resolveSetup, stockSetup } from '../model/resolve.ts'
import type { Context } from './context.ts'
import { readPart } from './context.ts'
import type { ReportFigure } from './types.ts'
import { Working } from './working.ts'

/** What a corner carries of each slot: pads come as a set for both sides. */
const PER_CORNER: Partial<Record<AxleSlot, number>> = { caliper: 1, bracket: 1, rotor: 1, pad: 0.5, wheel: 1, spacer: 1 }
const ROTATING: readonly AxleSlot[] = ['rotor', 'wheel', 'spacer']
const LABELS = { massChange: 'Unsprung mass of a corner', rotatingChange: 'Rotating mass of a corner' } as const

/** What a setup adds to each corner against the car as it stands: unsprung, and the part of it that turns, kg. */
export function massFigures(context: Context): ReportFigure[] {
  const stock = context.isStock ? context.resolved : resolveSetup(context.project, stockSetup(context.project))
  return AXLES.flatMap((axle) => [
    change(context, stock, axle, 'massChange', Object.keys(PER_CORNER) as AxleSlot[]),
    change(context, stock, axle, 'rotatingChange', ROTATING),
  ])
}

function change(
  context: Context,
  stock: Context['resolved'],
  axle: Axle,
  id: keyof typeof LABELS,
  slots: readonly AxleSlot[],
): ReportFigure {
  const work = new Working()
  let sum: number | undefined = 0
  for (const slot of slots) {
    const now = context.resolved[axle][slot]
    const then = stock[axle][slot]
    if (now?.id === then?.id) continue
    for (const [part, sign] of [
      [now, 1],
      [then, -1],
    ] as const) {
      if (!part) continue
      const mass = readPart(work, part, 'massKg')
      sum = mass === undefined || sum === undefined ? undefined : sum + sign * mass * PER_CORNER[slot]!
    }
  }
  return work.figure(`${axle}.${id}`, `${LABELS[id]} against the car as it stands, ${axle}`, 'mass', 'mass-change', sum)
}
