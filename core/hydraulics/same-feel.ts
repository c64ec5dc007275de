import { nearestStockBoreMm, sameFeelBoreMm } from './maths/same-feel.ts'
import { axleForcePerMpa, boreAreaMm2, type BrakeSystem } from './maths/system.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { AxleBrakeReport } from './brake.ts'
import { carFigure, type CarFigure } from '../figures/entry.ts'
import type { Formula } from '../figures/figure.ts'
import { askHydraulicSlot, readPart, type Context } from '../figures/read.ts'
import type { Working } from '../figures/working.ts'

const AREAS: Formula = {
  id: 'same-feel',
  name: 'Master bore for the same feel',
  text: 'd_new = d_old · √(A_new / A_old)',
  source: 'R. Limpert, Brake Design and Safety, ch. 5',
}

interface FeelBesideBaseline {
  context: Context
  brakes: Record<Axle, AxleBrakeReport>
  system: BrakeSystem | undefined
  stock: { area: number | undefined; system: BrakeSystem | undefined }
}

/** The bore for the same travel and clamp per pedal force; what friction and radii then make of the deceleration is said beside. */
export const SAME_FEEL: CarFigure<'master.sameFeel', FeelBesideBaseline> = carFigure('master.sameFeel', {
  label: 'Master bore for the same feel',
  dimension: 'length',
  formula: AREAS,
  read(work, { context, brakes, stock }) {
    const front = work.carry(brakes.front.pistonArea)
    const rear = work.carry(brakes.rear.pistonArea)
    const at = { kind: 'figure', figureId: 'front.pistonArea' } as const
    const newMm2 = front === undefined || rear === undefined ? undefined : front + rear
    if (newMm2 !== undefined) work.set(newMm2, { symbol: 'A_new', label: 'Piston area, front and rear', dimension: 'area', at })
    if (stock.area !== undefined) work.set(stock.area, { symbol: 'A_old', label: 'The same on the baseline', dimension: 'area', at })
    else if (newMm2 !== undefined)
      work.ask('Piston areas of the baseline', {
        kind: 'slot',
        setupId: context.project.setups[0].id,
        axle: 'front',
        slot: 'caliper',
      })
    return { newMm2, oldMm2: stock.area, oldBoreMm: stockBore(work, context) }
  },
  value: ({ newMm2, oldMm2, oldBoreMm }) => sameFeelBoreMm(oldBoreMm, oldMm2, newMm2),
  notes(boreMm, { oldBoreMm }, { context, system, stock }) {
    const { units } = context.project.preferences
    const nearest = `Nearest stock bore ${formatQuantity(nearestStockBoreMm(boreMm), 'length', units, { decimals: 2 })}.`
    if (!system || !stock.system) return [nearest]
    const perNewton = (one: BrakeSystem, mm: number) =>
      AXLES.reduce((sum, axle) => sum + axleForcePerMpa(one[axle], one.tyreRadiusMm[axle]), 0) / boreAreaMm2(mm)
    const change = perNewton(system, boreMm) / perNewton(stock.system, oldBoreMm) - 1
    return [
      nearest,
      Math.abs(change) < 0.005
        ? 'At the same pedal force it gives the same deceleration, below the knee pressure.'
        : `At the same pedal force it gives ${formatQuantity(Math.abs(change), 'share', units, { decimals: 0 })} ${change > 0 ? 'more' : 'less'} deceleration below the knee pressure, because friction and radii change too.`,
    ]
  },
})

/** The bore of the tandem cylinder that is on the car. */
function stockBore(work: Working, context: Context): number | undefined {
  const stock = context.project.setups[0]
  const part = context.project.parts.find((one) => one.id === stock.hydraulics.masterCylinder)
  if (part?.kind !== 'masterCylinder') {
    askHydraulicSlot(work, { ...context, setup: stock }, 'masterCylinder')
    return undefined
  }
  if (!part.construction) work.ask(`Construction of ${part.name}`, { kind: 'part', partId: part.id, field: 'construction' })
  if (part.construction === 'twin') work.notes.push('The car has twin master cylinders, which are chosen as a pair, not by one bore.')
  return part.construction === 'tandem' ? readPart(work, part, 'boreMm', 'd_old') : undefined
}
