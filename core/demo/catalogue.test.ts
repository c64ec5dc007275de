import { expect, test } from '@jest/globals'
import { projectProblems } from '../records/check.ts'
import { catalogue, withCatalogue } from './catalogue.ts'

test('a catalogue of any size is a good library, the same each time, another for another seed', () => {
  const project = withCatalogue(400)
  expect(projectProblems(project)).toEqual([])
  expect(new Set(project.parts.map((part) => part.id)).size).toBe(project.parts.length)
  expect(catalogue(50)).toEqual(catalogue(50))
  expect(catalogue(50, 2)).not.toEqual(catalogue(50))
  expect(project.parts.every((part) => part.owned || part.price !== undefined)).toBe(true)
})
