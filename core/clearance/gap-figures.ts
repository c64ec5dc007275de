import { axleFigure, type AxleFigure, type FigureEntry } from '../figures/entry.ts'
import type { Formula, ReportFigure } from '../figures/figure.ts'
import type { AtAxle } from '../figures/read.ts'
import type { JudgedClearance } from './judge.ts'

/** A corner that was judged, or could not be, with all that was read for it. */
interface JudgedCorner extends AtAxle {
  reading: Pick<ReportFigure, 'inputs' | 'missing' | 'notes'>
  now: JudgedClearance | undefined
  faceKnown: boolean
  cautious: boolean
  /** Where the two are nearest, and what to measure next, in words. */
  nearest: readonly string[]
}

/** The least distance of caliper and wheel, and how sure it is. */
export const LEAST_GAP: AxleFigure<'gap', JudgedCorner> = axleFigure('gap', {
  label: ({ axle }) => `Minimum clearance, ${axle}`,
  dimension: 'length',
  formula: {
    id: 'least-gap',
    inWords: true,
    name: 'Minimum clearance',
    text: 'clearance = least distance between caliper outline and wheel profile',
    source: 'Plane geometry; uncertainty to first order, GUM (JCGM 100:2008) 5.1.2',
  },
  read(work, { reading, now, nearest }) {
    work.include(reading)
    work.notes.push(...nearest, ...reading.notes)
    return { now }
  },
  // a body that may be smaller before a wheel that may come nearer: the number says nothing
  value: ({ now }, { faceKnown, cautious }) => (cautious && !faceKnown ? undefined : now.gap.minGapMm),
  // without a face there may be a nearer place
  partial: true,
  bound: ({ now }, { faceKnown, cautious }) => (!now ? undefined : !faceKnown ? 'atMost' : cautious ? 'atLeast' : undefined),
  u: ({ now }) => now.uMm,
})

const oneWay = (
  label: string,
  formula: Formula,
  which: 'faceGapMm' | 'barrelGapMm',
): FigureEntry<JudgedCorner, { gapMm: number | undefined }> => ({
  label: ({ axle }) => `${label}, ${axle}`,
  dimension: 'length',
  formula,
  read(work, { reading, now }) {
    work.include(reading)
    const gapMm = now?.gap[which]
    if (gapMm === undefined && reading.missing.length === 0) work.notes.push('Caliper and wheel have no place in common here.')
    return { gapMm }
  },
  value: ({ gapMm }) => gapMm,
  partial: true,
  bound: ({ gapMm }, { cautious }) => (cautious && gapMm !== undefined ? 'atLeast' : undefined),
})

/** The gap along the axle, to the back of the spokes. */
export const FACE_GAP: AxleFigure<'faceGap', JudgedCorner> = axleFigure(
  'faceGap',
  oneWay(
    'Spoke clearance',
    { id: 'face-gap', inWords: true, name: 'Spoke clearance', text: 'least z_wheel(r) + s − z_caliper(r)', source: 'Plane geometry' },
    'faceGapMm',
  ),
)
/** The gap along the radius, to the inside of the barrel. */
export const BARREL_GAP: AxleFigure<'barrelGap', JudgedCorner> = axleFigure(
  'barrelGap',
  oneWay(
    'Barrel clearance',
    { id: 'barrel-gap', inWords: true, name: 'Barrel clearance', text: 'least r_wheel(z − s) − r_caliper(z)', source: 'Plane geometry' },
    'barrelGapMm',
  ),
)
