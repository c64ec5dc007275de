import { DEMO_PROJECT } from './project.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'

/** Numbers from a seed, uniform in [0, 1): the same catalogue each time (D. Lehmer; S. Park, K. Miller, 1988). */
export function seeded(seed: number): () => number {
  let state = (seed % 2147483646) + 1
  return () => {
    state = (state * 48271) % 2147483647
    return state / 2147483647
  }
}

/** Kinds of which a catalogue has many, with how many of a hundred parts are of each. */
const SHARES = { rotor: 26, pad: 22, caliper: 18, hose: 10, bracket: 7, wheel: 7, valve: 4, masterCylinder: 4, spacer: 2 } as const
type CatalogueKind = keyof typeof SHARES
const KINDS = Object.keys(SHARES) as CatalogueKind[]

/** Figures that differ from one to the next of a catalogue, by how much; all else is that of the part it is made like. */
const VARIED: Record<CatalogueKind, [field: string, off: number, step: number][]> = {
  rotor: [
    ['diameterMm', 12, 2],
    ['thicknessMm', 2, 1],
    ['offsetMm', 3, 0.5],
    ['hatThicknessMm', 1, 0.5],
    ['massKg', 1, 0.1],
  ],
  pad: [
    ['friction', 0.08, 0.01],
    ['thicknessMm', 1.5, 0.5],
    ['heightMm', 3, 1],
    ['massKg', 0.2, 0.05],
  ],
  caliper: [
    ['mountToSlotMm', 1.5, 0.5],
    ['slotWidthMm', 2, 0.5],
    ['tallestRadiusMm', 5, 1],
    ['faceMm', 5, 1],
    ['massKg', 0.8, 0.1],
  ],
  hose: [['lengthMm', 60, 10]],
  bracket: [
    ['axialMm', 3, 0.5],
    ['radialMm', 6, 1],
  ],
  wheel: [
    ['offsetMm', 8, 1],
    ['faceDepthMm', 8, 1],
    ['massKg', 1, 0.1],
  ],
  valve: [
    ['kneeMpa', 1.5, 0.1],
    ['slope', 0.15, 0.05],
  ],
  masterCylinder: [['boreMm', 3, 0.5]],
  spacer: [['thicknessMm', 3, 1]],
}

/** An invented catalogue of so many parts, each made like one of the demo's with other figures and another price. */
export function catalogue(count: number, seed = 1): Part[] {
  const random = seeded(seed)
  const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)]!
  const like = new Map(KINDS.map((kind) => [kind, DEMO_PROJECT.parts.filter((part) => part.kind === kind)]))
  /** Pads are made for the calipers of a family, as in any catalogue. */
  const families = Math.max(2, Math.round(count / 20))
  const shapeOf = (shape: string) => `${shape}/${Math.floor(random() * families)}`
  const wheel = KINDS.flatMap((kind) => Array.from({ length: SHARES[kind] }, () => kind))
  return Array.from({ length: count }, (_, i): Part => {
    const kind = wheel[(i * 37) % wheel.length]!
    const base = pick(like.get(kind)!) as Part & Record<string, unknown>
    const {
      owned: _owned,
      note: _note,
      provenance: _from,
      inspection: _seen,
      ...rest
    } = structuredClone(base) as Part & Record<string, unknown>
    const part: Record<string, unknown> = {
      ...rest,
      id: `cat-${i}`,
      name: `${String(base.name).slice(0, 90)}, no. ${i + 1}`,
      condition: 'new',
      number: `X-${1000 + i}`,
    }
    for (const [field, off, step] of VARIED[kind]) {
      const known = base[field] as { value: number } | undefined
      if (known) part[field] = figure(Math.max(step, Math.round((known.value + (2 * random() - 1) * off) / step) * step), 'published')
    }
    const likely = Math.round((20 + 240 * random()) * 100)
    if (kind === 'pad') part.shape = shapeOf(String(base.shape))
    if (kind === 'caliper') part.padShape = shapeOf(String(base.padShape))
    part.price = {
      lowMinor: Math.round(likely * 0.9),
      likelyMinor: likely,
      highMinor: Math.round(likely * 1.2),
      currency: 'EUR',
      pieces: kind === 'pad' ? 1 : 2,
    }
    return part as unknown as Part
  })
}

/** The demo's car with a catalogue beside what is on it. */
export function withCatalogue(count: number, seed = 1): Project {
  const [stock] = DEMO_PROJECT.setups
  const ids = new Set<unknown>([...Object.values(stock.front), ...Object.values(stock.rear), ...Object.values(stock.hydraulics)])
  const fitted = DEMO_PROJECT.parts.filter((part) => ids.has(part.id))
  return { ...DEMO_PROJECT, parts: [...fitted, ...catalogue(count, seed)], setups: [stock], bundles: [], fitReports: [] }
}
