import { cornerNodes, drumNodes, FEWEST_VANES, type CornerFigures } from './maths/defaults.ts'
import type { CornerNodes } from './maths/nodes.ts'
import type { Axle } from '../quantity/axle.ts'
import type { PartOf } from '../records/part.ts'
import { askSlot, readPart, readPartOr, type Context } from '../figures/read.ts'
import type { Working } from '../figures/working.ts'
import { ASSUMED_VOID_SHARE, readRingThickness } from './heat.ts'

/** Air in a vented ring of long vanes between thin cheeks: the most that is usual. */
const MOST_VOID_SHARE = 0.5
/** Length of a lining over its height, where its area is not known. */
const LENGTH_PER_HEIGHT = 2.3

interface CornerRead {
  nodes: CornerNodes
  cheekMm: number
  /** The same corner with everything nobody said about its make at its worst; undefined: nothing is open. */
  worst: CornerNodes | undefined
  /** What is open, in words. */
  open: string[]
}

/** What a corner's heat is made of, from the parts in it; undefined where something is missing, which has been asked for. */
export function readCorner(work: Working, context: Context, axle: Axle): CornerRead | undefined {
  const { caliper } = context.resolved[axle]
  return caliper?.kind === 'drum' ? readDrum(work, caliper) : readDisc(work, context, axle)
}

function readDrum(work: Working, drum: PartOf<'drum'>): CornerRead | undefined {
  const drumKg = readPart(work, drum, 'drumKg')
  const diameterMm = readPart(work, drum, 'drumDiameterMm')
  const shoeWidthMm = readPart(work, drum, 'shoeWidthMm')
  if (drumKg === undefined || diameterMm === undefined || shoeWidthMm === undefined) return undefined
  return { nodes: drumNodes({ drumKg, diameterMm, shoeWidthMm }), cheekMm: 0, worst: undefined, open: [] }
}

function readDisc(work: Working, context: Context, axle: Axle): CornerRead | undefined {
  const { rotor, pad, caliper, duct, padShims } = context.resolved[axle]
  if (!rotor) askSlot(work, context, axle, 'rotor')
  if (!pad) askSlot(work, context, axle, 'pad')
  if (!rotor || !pad || caliper?.kind !== 'caliper') return undefined
  if (!rotor.ventilation) work.ask(`Ventilation of ${rotor.name}`, { kind: 'part', partId: rotor.id, field: 'ventilation' })
  const outerDiameterMm = readPart(work, rotor, 'diameterMm')
  const innerDiameterMm = readPart(work, rotor, 'frictionInnerDiameterMm')
  const thicknessMm = readRingThickness(work, rotor)
  const vented = rotor.ventilation === 'vented'
  const voidShare = vented ? readPartOr(work, rotor, 'voidShare', ASSUMED_VOID_SHARE) : 0
  const padThicknessMm = readPart(work, pad, 'thicknessMm')
  const padAreaMm2 = readArea(work, pad)
  const caliperKg = readPart(work, caliper, 'massKg')
  const ringMassKg = rotor.ringMassKg ? readPart(work, rotor, 'ringMassKg') : undefined
  if (
    outerDiameterMm === undefined ||
    innerDiameterMm === undefined ||
    thicknessMm === undefined ||
    padThicknessMm === undefined ||
    padAreaMm2 === undefined ||
    caliperKg === undefined ||
    !rotor.ventilation
  )
    return undefined
  const hand = handOf(rotor)
  // a plate nobody speaks of may be there: the hose then does less
  const backingPlate = context.project.car[axle].shield !== 'none'
  const known: CornerFigures = {
    ring: { outerDiameterMm, innerDiameterMm, thicknessMm, voidShare },
    vented,
    padAreaMm2,
    padThicknessMm,
    caliperKg,
    caliper: caliper.body ?? (caliper.construction === 'fixed' ? 'aluminium' : 'iron'),
    duct,
    backingPlate,
    padShims,
    insulatedPistons: caliper.pistons === 'insulated',
    heatShield: caliper.heatShield === 'yes',
    ...(rotor.material ? { material: rotor.material } : {}),
    ...(ringMassKg === undefined ? {} : { ringMassKg }),
    ...(vented && rotor.vaneCount ? { vaneCount: rotor.vaneCount.value } : {}),
    ...(vented && hand ? { hand } : {}),
    ...(vented && rotor.inlet ? { inlet: rotor.inlet } : {}),
    ...(pad.compound ? { lining: pad.compound } : {}),
  }
  const worst: Partial<CornerFigures> = {}
  const open: string[] = []
  const ask = (what: string, figures: Partial<CornerFigures>) => {
    open.push(`${what}, ${axle}`)
    Object.assign(worst, figures)
  }
  if (vented && !rotor.voidShare) ask('how much of the rotor is air', { ring: { ...known.ring, voidShare: MOST_VOID_SHARE } })
  if (!pad.compound) ask('what the linings are made of', { lining: 'sintered' })
  if (!caliper.body) ask('what the caliper is made of', { caliper: 'iron' })
  if (vented && !rotor.inlet) ask('from which side the rotor draws air', { inlet: 'wheel' })
  if (vented && !rotor.vaneCount) ask('number of vanes of the rotor', { vaneCount: FEWEST_VANES })
  if (vented && rotor.vanes === undefined) ask('whether its vanes are curved', { hand: 'wrong' })
  return {
    nodes: cornerNodes(known),
    cheekMm: (thicknessMm * (1 - voidShare)) / 2,
    worst: open.length > 0 ? cornerNodes({ ...known, ...worst }) : undefined,
    open,
  }
}

/** Curved vanes throw air one way: two of one side turn against it on one wheel, and who does not say has two of one side. */
function handOf({ vanes, sides }: PartOf<'rotor'>): 'right' | 'wrong' | undefined {
  if (vanes === 'straight') return undefined
  if (vanes === undefined) return sides === 'same' ? 'wrong' : undefined
  return sides === 'pair' ? 'right' : 'wrong'
}

function readArea(work: Working, pad: PartOf<'pad'>): number | undefined {
  if (pad.areaMm2) return readPart(work, pad, 'areaMm2')
  const heightMm = readPart(work, pad, 'heightMm')
  if (heightMm === undefined) return undefined
  return work.assume(heightMm * heightMm * LENGTH_PER_HEIGHT, {
    label: `Lining area of ${pad.name}, from its height`,
    dimension: 'area',
    at: { kind: 'part', partId: pad.id, field: 'areaMm2' },
  })
}
