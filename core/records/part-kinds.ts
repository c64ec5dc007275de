import { amount, OTHER_LIMITS, text, type FieldTable } from './field.ts'
import { caliperFields, bracketFields, drumFields, rotorFields, padFields } from './brake-fields.ts'
import { wheelFields, spacerFields } from './wheel-fields.ts'
import { hoseFields, masterCylinderFields, boosterFields, valveFields, fluidFields, handLeverFields } from './hydraulic-fields.ts'

const otherFields = { use: text('Purpose', 200) } as const satisfies FieldTable

/**
 * The kinds of part, one field table each. To add a kind, add its table and its words here; the
 * schemas, the file format and the forms follow.
 */
export const PART_KINDS = {
  caliper: { one: 'caliper', many: 'calipers', fields: caliperFields },
  drum: { one: 'drum brake', many: 'drum brakes', fields: drumFields },
  rotor: { one: 'rotor', many: 'rotors', fields: rotorFields },
  pad: { one: 'pad set', many: 'pad sets', fields: padFields },
  bracket: { one: 'bracket', many: 'brackets', fields: bracketFields },
  hose: { one: 'hose or line', many: 'hoses and lines', fields: hoseFields },
  wheel: { one: 'wheel', many: 'wheels', fields: wheelFields },
  spacer: { one: 'wheel spacer', many: 'wheel spacers', fields: spacerFields },
  masterCylinder: { one: 'master cylinder', many: 'master cylinders', fields: masterCylinderFields },
  booster: { one: 'booster', many: 'boosters', fields: boosterFields },
  valve: { one: 'rear valve', many: 'rear valves', fields: valveFields },
  fluid: { one: 'fluid', many: 'fluids', fields: fluidFields },
  handLever: { one: 'hydraulic hand lever', many: 'hydraulic hand levers', fields: handLeverFields },
  other: { one: 'other part', many: 'other parts', fields: otherFields },
} as const satisfies Record<string, { one: string; many: string; fields: FieldTable }>

/** What a part of any kind has beside its table. */
export const COMMON_FIGURES: FieldTable = { massKg: amount('Mass', 'mass', ...OTHER_LIMITS.massKg) }

export type PartKind = keyof typeof PART_KINDS
export const PART_KIND_NAMES = Object.keys(PART_KINDS) as PartKind[]

/** The field table of a kind, with its narrow keys forgotten. */
export const fieldsOf = (kind: PartKind): FieldTable => PART_KINDS[kind].fields
