import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { figure } from '../quantity/figure.ts'
import { projectProblems } from '../records/check.ts'
import { choose, indexPath, merge } from './merge.ts'
import { placeInWords } from '../records/place.ts'
import type { Project } from '../records/project.ts'

const edit = (change: (project: Project) => void, from: Project = DEMO_PROJECT): Project => {
  const copy = structuredClone(from)
  change(copy)
  return copy
}

describe('two tabs', () => {
  test('changes of different places are put together', () => {
    const mine = edit((project) => (project.car.massKg = figure(1020)))
    const theirs = edit((project) => {
      project.setups[1]!.name = 'Renamed'
      project.parts.push({ id: 'new', kind: 'other', name: 'New' } as never)
    })
    const { value, conflicts } = merge(DEMO_PROJECT, mine, theirs)
    expect(conflicts).toEqual([])
    expect([value.car.massKg!.value, value.setups[1]!.name, value.parts.at(-1)!.id]).toEqual([1020, 'Renamed', 'new'])
    expect(projectProblems(value)).toEqual([])
  })
  test('of the same place both are offered, and a figure is one thing', () => {
    const mine = edit((project) => (project.car.massKg = figure(1020)))
    const theirs = edit((project) => (project.car.massKg = figure(1040, 'estimated')))
    const { value, conflicts } = merge(DEMO_PROJECT, mine, theirs)
    expect(conflicts).toMatchObject([{ path: ['car', 'massKg'], mine: { value: 1020 }, theirs: { value: 1040, origin: 'estimated' } }])
    expect(value.car.massKg!.value).toBe(1020)
    expect(choose(value, conflicts).car.massKg).toEqual(figure(1040, 'estimated'))
  })
  test('a place is named in words, whatever stands before it in its list', () => {
    const id = DEMO_PROJECT.parts[3]!.id
    const name = (text: string) => (project: Project) => void (project.parts.find((one) => one.id === id)!.name = text)
    const { value, conflicts } = merge(DEMO_PROJECT, edit(name('One')), edit(name('Two')))
    expect(placeInWords(value, indexPath(value, conflicts[0]!.path))).toBe('Parts › One › name')
  })
  test('what one removed and the other changed is a question; what only one removed is gone', () => {
    const gone = (project: Project) => void (project.fitReports = project.fitReports.slice(1))
    const { id } = DEMO_PROJECT.fitReports[0]!
    expect(merge(DEMO_PROJECT, edit(gone), DEMO_PROJECT).value.fitReports.some((one) => one.id === id)).toBe(false)
    expect(merge(DEMO_PROJECT, DEMO_PROJECT, edit(gone)).value.fitReports.some((one) => one.id === id)).toBe(false)
    const changed = edit((project) => (project.fitReports[0]!.note = 'seen again'))
    const { value, conflicts } = merge(DEMO_PROJECT, edit(gone), changed)
    expect(conflicts).toHaveLength(1)
    expect(choose(value, conflicts).fitReports.find((one) => one.id === id)!.note).toBe('seen again')
  })
})

describe('properties', () => {
  const leaf = fc.oneof(fc.integer(), fc.string({ maxLength: 4 }), fc.constant(undefined))
  const tree = fc.record({
    a: leaf,
    b: fc.record({ c: leaf, d: leaf }),
    list: fc.uniqueArray(fc.record({ id: fc.constantFrom('x', 'y', 'z'), n: leaf }), { selector: (one) => one.id }),
  })
  test('nothing changed on one side gives the other', () => {
    fc.assert(
      fc.property(tree, tree, (base, other) => {
        expect(JSON.stringify(merge(base, base, other).value)).toBe(JSON.stringify(other))
        expect(JSON.stringify(merge(base, other, base).value)).toBe(JSON.stringify(other))
      }),
    )
  })
  test('with all of the other side’s choices nothing of theirs is missing', () => {
    fc.assert(
      fc.property(tree, tree, tree, (base, mine, theirs) => {
        const { value, conflicts } = merge(base, mine, theirs)
        const chosen = choose(value, conflicts)
        for (const key of ['a'] as const) if (theirs[key] !== base[key]) expect(chosen[key]).toEqual(theirs[key])
        for (const one of theirs.list) {
          const before = base.list.find((other) => other.id === one.id)
          // both brought it, and theirs says nothing there: mine alone does
          if (!before && one.n === undefined) continue
          if (before?.n !== one.n || !before) expect(chosen.list.find((other) => other.id === one.id)?.n).toEqual(one.n)
        }
      }),
    )
  })
})
