import { AXLES, type Axle } from '../quantity/axle.ts'
import type { ExtraLine, Setup } from '../records/setup.ts'
import type { InterfaceCheck } from '../fit/interface-check.ts'
import { fixLineId } from '../fit/rule.ts'
import type { AxlePieces, PieceLine } from './axle-steps.ts'

/** Where a piece of the bill is fitted, by what it is (core/fit/piece.ts); others are seen to on the bench. */
const PLACE: readonly (readonly [starts: string, place: keyof AxlePieces | 'fluid'])[] = [
  ['studs-', 'hub'],
  ['open-nuts', 'hub'],
  ['centring-ring', 'hub'],
  ['ring-through-hat', 'hub'],
  ['spacers-with-register', 'hub'],
  ['radial-spacers', 'caliper'],
  ['higher-bracket', 'caliper'],
  ['mount-bolts-', 'caliper'],
  ['pads-', 'pads'],
  ['brake-adapter', 'hose'],
  ['flush', 'fluid'],
]

export interface PiecesOf {
  axles: Record<Axle, AxlePieces>
  /** Fitted with the lines of the whole car open. */
  fluid: PieceLine[]
  /** Looked after before anything is taken apart. */
  bench: PieceLine[]
}

/** The pieces, services and other lines of a setup's bill that are work, each where it is done. */
export function piecesOf(setup: Setup, fit: readonly InterfaceCheck[], works: Readonly<Record<Axle, boolean>>): PiecesOf {
  const none = (): AxlePieces => ({ hub: [], caliper: [], pads: [], hose: [] })
  const pieces: PiecesOf = { axles: { front: none(), rear: none() }, fluid: [], bench: [] }
  for (const line of setup.extras) {
    if (!isWork(line)) continue
    const finding = fit.find((one) => fixLineId(one) === line.id)
    const one: PieceLine = { id: line.id, label: line.label, why: finding?.sentence ?? '' }
    const axle = AXLES.find((at) => line.id.startsWith(`fit.${at}.`))
    const key = line.cures?.split('|')[0] ?? ''
    const place = PLACE.find(([starts]) => key.startsWith(starts))?.[1]
    if (place === 'fluid') pieces.fluid.push(one)
    else if (place && axle && works[axle]) pieces.axles[axle][place].push(one)
    else pieces.bench.push(one)
  }
  return pieces
}

/** Freight, fees and what is sold are no work at the car; hoses to the rotor and shims have their own step. */
const isWork = ({ kind, id }: ExtraLine): boolean =>
  !id.startsWith('heat.') && (kind === 'remedy' || kind === 'service' || (kind === undefined && id.startsWith('fit.')))
