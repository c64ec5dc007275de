import { readFileSync } from 'node:fs'
import { expect, test } from '@jest/globals'
import { Ajv2020 } from 'ajv/dist/2020.js'
import { blankProject } from '../records/blank.ts'
import { DEMO_PROJECT } from '../demo/project.ts'
import { projectJsonSchema } from './json-schema.ts'

const published = JSON.parse(readFileSync(new URL('../../docs/format/project-10.schema.json', import.meta.url), 'utf8')) as object
const check = new Ajv2020({ allErrors: true }).compile(published)

test('the published schema is the one made from the code; else run npm run schema', () => {
  expect(published).toEqual(JSON.parse(JSON.stringify(projectJsonSchema())))
})
test('it takes what the product writes', () => {
  expect(check(DEMO_PROJECT)).toBe(true)
  expect(check(blankProject('a', 'A'))).toBe(true)
})
test.each([
  ['a wrong type', { name: 3 }],
  ['an unknown field', { colour: 'red' }],
  ['a part without a kind', { parts: [{ id: 'a', name: 'A' }] }],
  ['a figure without an origin', { car: { ...DEMO_PROJECT.car, massKg: { value: 1000 } } }],
])('it refuses %s', (_, change) => {
  expect(check({ ...DEMO_PROJECT, ...change })).toBe(false)
})
