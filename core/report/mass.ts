import { AXLE_SLOTS, AXLES, type Axle, type AxleSlot } from '../model/project.ts'
import { resolveSetup, stockSetup } from '../model/resolve.ts'
import type { Context } from './context.ts'
import { readPart } from './context.ts'
import type { ReportFigure } from './types.ts'
import { Working } from './working.ts'

/** What a corner carries of each slot: pads come as a set for both sides. */
const PER_CORNER: Partial<Record<AxleSlot, number>> = { caliper: 1, bracket: 1, rotor: 1, pad: 0.5, wheel: 1, spacer: 1 }
const ROTATING: readonly AxleSlot[] = ['rotor', 'wheel', 'spacer']
/** What a drum brake has none of. */
const DISC_ONLY: readonly AxleSlot[] = ['rotor', 'pad', 'bracket']
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
    const [own, before] = [context.resolved[axle], stock[axle]]
    // beside a drum neither rotor nor pads nor bracket turn or hang
    const at = (set: Context['resolved'][Axle]) => (set.caliper?.kind === 'drum' && DISC_ONLY.includes(slot) ? null : set[slot])
    const [now, then] = [at(own), at(before)]
    // a slot that is as the car stands changes nothing, whatever stands there
    if (now === then || (now && now.id === then?.id)) continue
    for (const [part, sign, setupId] of [
      [now, 1, context.setup.id],
      [then, -1, context.project.setups[0].id],
    ] as const) {
      if (part === null) continue
      if (part === undefined) {
        work.ask(AXLE_SLOTS[slot].label + `, ${axle}`, { kind: 'slot', setupId, axle, slot }, 'Choose a part in the step Setup.')
        sum = undefined
        continue
      }
      const mass = readPart(work, part, 'massKg')
      sum = mass === undefined || sum === undefined ? undefined : sum + sign * mass * PER_CORNER[slot]!
    }
  }
  return work.figure(`${axle}.${id}`, `${LABELS[id]} against the car as it stands, ${axle}`, 'mass', 'mass-change', sum)
}
