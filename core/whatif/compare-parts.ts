import type { Field } from '../records/field.ts'
import { fieldsOf } from '../records/part-kinds.ts'
import type { Part } from '../records/part.ts'
import type { Figure } from '../quantity/figure.ts'
import { formatMoney, formatQuantity } from '../quantity/format.ts'
import type { Dimension, UnitChoice } from '../quantity/units.ts'
import { circleAreaMm2 } from '../quantity/circle.ts'

export interface PartRow {
  label: string
  a: string
  b: string
  /** Of b against a; empty where nothing can be subtracted. */
  difference: string
  same: boolean
  /** Computed from the figures, not entered. */
  derived: boolean
}

interface Derived {
  label: string
  dimension: Dimension
  of(part: Part): number | undefined
}

const DERIVED: Partial<Record<Part['kind'], readonly Derived[]>> = {
  caliper: [
    {
      label: 'Piston area, one side',
      dimension: 'area',
      of: (part) =>
        part.kind === 'caliper' && part.pistonsMm?.length
          ? part.pistonsMm.reduce((sum, one) => sum + circleAreaMm2(one.value), 0)
          : undefined,
    },
    { label: 'Pistons on one side', dimension: 'count', of: (part) => (part.kind === 'caliper' ? part.pistonsMm?.length : undefined) },
  ],
  rotor: [
    {
      label: 'Swept ring, width',
      dimension: 'length',
      of: (part) =>
        part.kind === 'rotor' && part.diameterMm && part.frictionInnerDiameterMm
          ? (part.diameterMm.value - part.frictionInnerDiameterMm.value) / 2
          : undefined,
    },
    {
      label: 'Swept ring, area of one face',
      dimension: 'area',
      of: (part) =>
        part.kind === 'rotor' && part.diameterMm && part.frictionInnerDiameterMm
          ? circleAreaMm2(part.diameterMm.value) - circleAreaMm2(part.frictionInnerDiameterMm.value)
          : undefined,
    },
    {
      label: 'Wear until the minimum',
      dimension: 'length',
      of: (part) =>
        part.kind === 'rotor' && part.thicknessMm && part.minThicknessMm ? part.thicknessMm.value - part.minThicknessMm.value : undefined,
    },
  ],
  pad: [
    {
      label: 'Lining to wear',
      dimension: 'length',
      of: (part) =>
        part.kind === 'pad' && part.thicknessMm && part.minThicknessMm ? part.thicknessMm.value - part.minThicknessMm.value : undefined,
    },
  ],
  masterCylinder: [
    {
      label: 'Piston area',
      dimension: 'area',
      of: (part) => (part.kind === 'masterCylinder' && part.boreMm ? circleAreaMm2(part.boreMm.value) : undefined),
    },
  ],
}

/** Two parts of one kind side by side: every figure that either has, and what follows from them; what differs first. */
export function compareParts(a: Part, b: Part, units: UnitChoice): PartRow[] {
  const rows: PartRow[] = []
  const number = (label: string, dimension: Dimension, left: number | undefined, right: number | undefined, derived: boolean) => {
    if (left === undefined && right === undefined) return
    const show = (value: number | undefined) => (value === undefined ? 'not known' : formatQuantity(value, dimension, units))
    const both = left !== undefined && right !== undefined
    const share =
      both && left !== 0 && dimension === 'area'
        ? `, ${formatQuantity(right / left - 1, 'share', units, { signed: true, decimals: 0 })}`
        : ''
    const same = both && Math.abs(right - left) < 1e-9
    rows.push({
      label,
      a: show(left),
      b: show(right),
      difference: !both ? '' : same ? 'same' : `${formatQuantity(right - left, dimension, units, { signed: true })}${share}`,
      same,
      derived,
    })
  }
  const words = (label: string, left: string | undefined, right: string | undefined) => {
    if (left === undefined && right === undefined) return
    rows.push({
      label,
      a: left ?? 'not known',
      b: right ?? 'not known',
      difference: left === right ? 'same' : '',
      same: left === right,
      derived: false,
    })
  }
  for (const { label, dimension, of } of DERIVED[a.kind] ?? []) number(label, dimension, of(a), of(b), true)
  number('Mass', 'mass', a.massKg?.value, b.massKg?.value, false)
  for (const [key, field] of Object.entries(fieldsOf(a.kind))) {
    const [left, right] = [read(a, key), read(b, key)]
    if (field.type === 'figure')
      number(field.label, field.dimension, (left as Figure | undefined)?.value, (right as Figure | undefined)?.value, false)
    else words(field.label, inWords(field, left, units), inWords(field, right, units))
  }
  words('Condition', a.condition, b.condition)
  const price = (part: Part) =>
    part.owned ? 'have it' : part.price && `${formatMoney(part.price.likelyMinor, part.price.currency)} for ${part.price.pieces}`
  words('Price', price(a), price(b))
  return rows.sort((one, other) => Number(one.same) - Number(other.same) || Number(other.derived) - Number(one.derived))
}

const read = (part: Part, key: string): unknown => (part as unknown as Record<string, unknown>)[key]

function inWords(field: Field, value: unknown, units: UnitChoice): string | undefined {
  if (value === undefined) return undefined
  switch (field.type) {
    case 'choice':
      return field.options.find((one) => one.value === value)?.label
    case 'figures':
      return (value as Figure[]).map((one) => formatQuantity(one.value, field.dimension, units)).join('; ')
    case 'text':
      return value as string
    default:
      return Array.isArray(value) ? `${value.length} entered` : 'entered'
  }
}
