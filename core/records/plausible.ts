import type { Figure } from '../quantity/figure.ts'
import { formatQuantity } from '../quantity/format.ts'
import { DEFAULT_UNITS, type Dimension, type UnitChoice } from '../quantity/units.ts'
import type { FigureField } from './field.ts'
import { fieldsOf, type PartKind } from './part-kinds.ts'
import type { Part, PartOf } from './part.ts'
import { circleAreaMm2 } from '../quantity/circle.ts'

/** A figure that looks wrong: asked about, never refused. */
export interface Doubt {
  /** Field of the part. */
  field: string
  sentence: string
}

/** How far a stated piston area may be from its diameters: more than rounding of the diameters to 0.1 mm. */
const AREA_SHARE = 0.02
const SLIPS = [
  { factor: 10, words: 'entered in cm' },
  { factor: 25.4, words: 'entered in inches' },
  { factor: 0.1, words: 'a digit too many' },
]

/**
 * Whether one figure is outside what is usual for it, with the slip that would explain it.
 * @param units in which the sentence speaks
 */
export function unusual(
  field: FigureField | { label: string; dimension: Dimension; min: number; max: number },
  value: number,
  units: UnitChoice = DEFAULT_UNITS,
): string | undefined {
  if (value >= field.min && value <= field.max) return undefined
  const show = (one: number) => formatQuantity(one, field.dimension, units)
  const slip = SLIPS.find(({ factor }) => value * factor >= field.min && value * factor <= field.max)
  const meant = slip ? ` Meant is perhaps ${show(value * slip.factor)} (${slip.words}).` : ''
  return `${field.label} ${show(value)}: usual is ${show(field.min)} to ${show(field.max)}.${meant}`
}

/** Everything about a part that contradicts itself or the usual range of its kind. */
export function doubts(part: Part, units: UnitChoice = DEFAULT_UNITS): Doubt[] {
  const found: Doubt[] = []
  const say = (field: string, sentence: string) => found.push({ field, sentence })
  for (const [key, field] of Object.entries(fieldsOf(part.kind))) {
    const value = (part as unknown as Record<string, unknown>)[key]
    if (value === undefined) continue
    const figures = field.type === 'figure' ? [value as Figure] : field.type === 'figures' ? (value as Figure[]) : []
    if (field.type !== 'figure' && field.type !== 'figures') continue
    for (const figure of figures) {
      const sentence = unusual(field, figure.value, units)
      if (sentence) say(key, sentence)
    }
  }
  const show = (value: number, dimension: Dimension = 'length') => formatQuantity(value, dimension, units)
  const rules = CONTRADICTIONS[part.kind] as ((part: Part, say: Say, show: Show) => void) | undefined
  rules?.(part, say, show)
  return found
}

type Say = (field: string, sentence: string) => void
type Show = (value: number, dimension?: Dimension) => string

/** Says so when a figure is not below another. */
function below(
  say: Say,
  show: Show,
  field: string,
  low: [string, Figure | undefined],
  high: [string, Figure | undefined],
  dimension: Dimension = 'length',
): void {
  if (low[1] && high[1] && low[1].value >= high[1].value)
    say(field, `${low[0]} ${show(low[1].value, dimension)} is not below ${high[0]} ${show(high[1].value, dimension)}.`)
}

const CONTRADICTIONS: { [K in PartKind]?: (part: PartOf<K>, say: Say, show: Show) => void } = {
  rotor(part, say, show) {
    below(say, show, 'minThicknessMm', ['Minimum thickness', part.minThicknessMm], ['the thickness', part.thicknessMm])
    below(
      say,
      show,
      'frictionInnerDiameterMm',
      ['Inner diameter of the ring', part.frictionInnerDiameterMm],
      ['the diameter', part.diameterMm],
    )
    below(say, show, 'hatOuterDiameterMm', ['Outer diameter of the hat', part.hatOuterDiameterMm], ['the diameter', part.diameterMm])
    below(
      say,
      show,
      'hatInnerDiameterMm',
      ['Inner diameter of the hat', part.hatInnerDiameterMm],
      ['its outer diameter', part.hatOuterDiameterMm],
    )
    below(say, show, 'boreMm', ['Centre bore', part.boreMm], ['the bolt circle', part.boltCircleMm])
    if (part.ventilation === 'solid' && part.thicknessMm && part.thicknessMm.value > 16)
      say('ventilation', `Solid and ${show(part.thicknessMm.value)} thick: rotors of that thickness are vented.`)
  },
  caliper(part, say, show) {
    below(say, show, 'ratedFromMm', ['Rotor thickness from', part.ratedFromMm], ['the largest it takes', part.ratedToMm])
    below(say, show, 'ratedToMm', ['Rotor thickness to', part.ratedToMm], ['the slot', part.slotWidthMm])
    below(
      say,
      show,
      'padTopRadiusMm',
      ['Top edge of the lining', part.padTopRadiusMm],
      ['the inner radius of the bridge', part.bridgeRadiusMm],
    )
    below(say, show, 'bridgeRadiusMm', ['Inner radius of the bridge', part.bridgeRadiusMm], ['the tallest radius', part.tallestRadiusMm])
    if (part.pistonAreaMm2 && part.pistonsMm?.length) {
      const areaMm2 = part.pistonsMm.reduce((sum, one) => sum + circleAreaMm2(one.value), 0)
      const share = part.pistonAreaMm2.value / areaMm2
      if (Math.abs(share - 1) > AREA_SHARE) {
        const twice = Math.abs(share / 2 - 1) <= AREA_SHARE ? ' It is twice as much: all pistons were counted.' : ''
        say(
          'pistonAreaMm2',
          `Stated are ${show(part.pistonAreaMm2.value, 'area')}, the diameters make ${show(areaMm2, 'area')} on one side.${twice}`,
        )
      }
    }
  },
  pad(part, say, show) {
    below(say, show, 'minThicknessMm', ['Minimum thickness', part.minThicknessMm], ['the thickness', part.thicknessMm])
    if (part.heightMm && part.plateHeightMm && part.plateHeightMm.value < part.heightMm.value)
      say('plateHeightMm', `The plate reaches ${show(part.plateHeightMm.value)} down, less than the lining’s ${show(part.heightMm.value)}.`)
  },
  wheel(part, say, show) {
    below(say, show, 'boreMm', ['Centre bore', part.boreMm], ['the bolt circle', part.boltCircleMm])
    below(say, show, 'weightFromMm', ['Weights from', part.weightFromMm], ['where they end', part.weightToMm])
    if (part.barrelRadiusMm && part.diameterIn && part.barrelRadiusMm.value > (part.diameterIn.value * 25.4) / 2)
      say(
        'barrelRadiusMm',
        `Barrel radius ${show(part.barrelRadiusMm.value)} is more than half the diameter code, ${show((part.diameterIn.value * 25.4) / 2)}.`,
      )
  },
  masterCylinder(part, say, show) {
    if (
      part.strokeMm &&
      part.frontStrokeMm &&
      part.rearStrokeMm &&
      part.frontStrokeMm.value + part.rearStrokeMm.value < part.strokeMm.value - 0.5
    )
      say(
        'strokeMm',
        `The chambers have ${show(part.frontStrokeMm.value + part.rearStrokeMm.value)} together, less than the stroke of ${show(part.strokeMm.value)}.`,
      )
  },
  fluid(part, say, show) {
    below(say, show, 'wetBoilC', ['Boiling point wet', part.wetBoilC], ['the dry one', part.dryBoilC], 'temperature')
  },
}
