import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { figure } from '../quantity/figure.ts'
import { DEFAULT_UNITS } from '../quantity/units.ts'
import { rotorFields } from './brake-fields.ts'
import { doubts, unusual } from './plausible.ts'
import type { Part } from './part.ts'
import { partRecord } from './part.ts'
import { recordSchema } from './record-schema.ts'
import { schemaProblems } from './schema-problems.ts'

const part = (id: string, more: Record<string, unknown>): Part => ({ ...DEMO_PROJECT.parts.find((one) => one.id === id)!, ...more }) as Part
const said = (one: Part) => doubts(one).map(({ field, sentence }) => `${field}: ${sentence}`)

describe('one figure', () => {
  test('inside the usual range nothing is asked', () => {
    expect(unusual(rotorFields.diameterMm, 150)).toBeUndefined()
    expect(unusual(rotorFields.diameterMm, 480)).toBeUndefined()
  })
  test.each([
    [28, /usual is 150\.0.mm to 480\.0.mm.*280\.0.mm \(entered in cm\)/],
    [11, /279\.4.mm \(entered in inches\)/],
    [2800, /280\.0.mm \(a digit too many\)/],
    [9999, /usual is/],
  ])('a rotor of %p mm is asked about, with the slip that explains it', (value, sentence) => {
    expect(unusual(rotorFields.diameterMm, value)).toMatch(sentence)
  })
  test('in the units of the project', () => {
    expect(unusual(rotorFields.diameterMm, 28, { ...DEFAULT_UNITS, length: 'in' })).toMatch(/1\.102.in/)
  })
})

describe('a whole part', () => {
  test('nothing in the demo is doubted', () => {
    for (const one of DEMO_PROJECT.parts) expect([one.id, doubts(one)]).toEqual([one.id, []])
  })
  test.each<[string, Part, RegExp]>([
    [
      'minimum above the thickness',
      part('stock-front-rotor', { minThicknessMm: figure(22) }),
      /^minThicknessMm: Minimum thickness 22\.0.mm is not below/,
    ],
    ['ring wider than the rotor', part('stock-front-rotor', { frictionInnerDiameterMm: figure(260) }), /^frictionInnerDiameterMm/],
    ['a thick solid rotor', part('stock-front-rotor', { ventilation: 'solid' }), /^ventilation: Solid and 22\.0/],
    ['slot below what it is rated for', part('stock-front-caliper', { slotWidthMm: figure(21) }), /^ratedToMm/],
    ['bridge above the tallest place', part('stock-front-caliper', { bridgeRadiusMm: figure(160) }), /^bridgeRadiusMm/],
    ['piston area counted twice', part('gt-front-caliper', { pistonAreaMm2: figure(5104) }), /^pistonAreaMm2: .*all pistons were counted/],
    ['piston area of another piston', part('gt-front-caliper', { pistonAreaMm2: figure(2300) }), /^pistonAreaMm2: .*on one side\.$/],
    ['worn pads thicker than new', part('stock-front-pad', { minThicknessMm: figure(17) }), /^minThicknessMm/],
    ['plate shorter than its lining', part('stock-front-pad', { plateHeightMm: figure(40) }), /^plateHeightMm/],
    ['barrel larger than the rim', part('hill-wheel', { barrelRadiusMm: figure(195) }), /^barrelRadiusMm/],
    ['wet above dry', part('club-fluid', { wetBoilC: figure(270) }), /^wetBoilC: Boiling point wet 270.°C/],
    ['chambers shorter than the stroke', part('stock-master', { frontStrokeMm: figure(10) }), /^strokeMm/],
  ])('%s is questioned, and no more than that', (_, one, sentence) => {
    expect(said(one).join('\n')).toMatch(sentence)
    expect(schemaProblems(recordSchema(partRecord(one.kind)), one)).toEqual([])
  })
})
