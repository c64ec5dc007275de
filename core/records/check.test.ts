import { describe, expect, test } from '@jest/globals'
import { freeze, produce } from 'immer'
import { DEMO_PROJECT } from '../demo/project.ts'
import { blankProject } from './blank.ts'
import { knownGood, projectProblems } from './check.ts'
import { goodMembers } from './good-members.ts'
import type { Project } from './project.ts'

type Loose = { [key: string]: Loose } & { [index: number]: Loose }
const spoiled = (change: (project: Loose) => void): unknown => {
  const copy = structuredClone(DEMO_PROJECT) as unknown as Loose
  change(copy)
  return copy
}
const set = (target: unknown, value: unknown) => Object.assign(target as object, value)

describe('one schema set for every way in', () => {
  test('the demo and a blank project are valid', () => {
    expect(projectProblems(DEMO_PROJECT)).toEqual([])
    expect(projectProblems(blankProject('a', 'A car'))).toEqual([])
  })

  test.each<[string, (p: Loose) => void, string, RegExp]>([
    [
      'a figure that is a text',
      (p) => set(p.parts![1]!.thicknessMm, { value: 'thick' }),
      'Parts › Front rotor 256 x 22 › Thickness, new',
      /number/,
    ],
    [
      'a figure beyond its limits',
      (p) => set(p.parts![1]!.diameterMm, { value: 2.8 }),
      'Parts › Front rotor 256 x 22 › Diameter',
      /between 150.0.*not far off/,
    ],
    ['a number that is none', (p) => set(p.car!.massKg, { value: Number.NaN }), 'Car › Mass, driver only', /number/],
    ['an unknown origin', (p) => set(p.car!.massKg, { origin: 'guess' }), 'Car › Mass, driver only › origin', /measured/],
    [
      'a misspelt field',
      (p) => set(p.parts![0], { pistonMm: { value: 54, origin: 'measured' } }),
      'Parts › Front sliding caliper',
      /pistonMm/,
    ],
    ['an unknown kind', (p) => set(p.parts![0], { kind: 'turbine' }), 'Parts › Front sliding caliper', /kind must be one of/],
    [
      'prices that fall',
      (p) =>
        set(p.parts!.find === undefined ? p : (p.parts as unknown as Loose[]).find((one) => 'price' in one)!.price, {
          lowMinor: 99_999_00,
        }),
      'Parts › Brake fluid 4 › price',
      /rise/,
    ],
    [
      'tags that do not fit the points',
      (p) => ((p.parts as unknown as Loose[]).find((one) => 'profile' in one)!.profile!.tags as unknown as string[]).pop(),
      'Parts › Club wheel 6.5J x 15 ET 35 › Measured profile',
      /one tag/,
    ],
    [
      'a part that is not there',
      (p) => set(p.setups![0]!.front, { rotor: 'gone' }),
      'Setups › Current car › front › Rotor',
      /not in the file/,
    ],
    [
      'a part of the wrong kind',
      (p) => set(p.setups![0]!.front, { rotor: 'club-wheel' }),
      'Setups › Current car › front › Rotor',
      /wheel, where a rotor/,
    ],
    ['an id used twice', (p) => set(p.parts![1], { id: 'stock-front-caliper' }), 'Parts › Front rotor 256 x 22 › id', /twice/],
    ['no setup at all', (p) => set(p, { setups: [] }), 'Setups', /current car/],
    ['a hostile id', (p) => set(p, { id: '../../etc' }), 'id', /letters/],
  ])('%s is named with its place', (_, change, place, message) => {
    const problems = projectProblems(spoiled(change))
    const hit = problems.find((problem) => problem.place === place)
    expect(problems.map((problem) => problem.place)).toContain(place)
    expect(hit!.message).toMatch(message)
  })

  test('a list of problems has an end', () => {
    const many = structuredClone(DEMO_PROJECT) as Project
    many.parts = Array.from({ length: 500 }, (_, index) => ({ id: `p${index}`, kind: 'rotor', name: '' }) as never)
    expect(projectProblems(many)).toHaveLength(100)
  })

  test('a key that would reach into every object is refused, not followed', () => {
    const evil = JSON.parse('{"__proto__": {"polluted": true}, "constructor": {}}') as unknown
    expect(projectProblems(evil).length).toBeGreaterThan(0)
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined()
  })
})

describe('a project that is edited', () => {
  const frozen = () => freeze(structuredClone(DEMO_PROJECT), true)
  const wide = (project: Project, index: number) =>
    produce(project, (draft) => void Object.assign(draft.parts[index]!, { massKg: { value: 9999, origin: 'measured' } }))

  test('is checked where it changed, however often it was found good', () => {
    const project = frozen()
    expect(projectProblems(project)).toEqual([])
    const spoiledTwice = wide(wide(project, 3), 40)
    expect(projectProblems(spoiledTwice).map((one) => one.path)).toEqual(['parts[3].massKg.value', 'parts[40].massKg.value'])
    // found bad, it is not taken for good the next time
    expect(projectProblems(spoiledTwice)).toHaveLength(2)
  })
  test('a part that moves in the list is still known, and two of one id are found', () => {
    const project = frozen()
    expect(projectProblems(project)).toEqual([])
    expect(projectProblems({ ...project, parts: [...project.parts].reverse() })).toEqual([])
    expect(projectProblems({ ...project, parts: [...project.parts, project.parts[0]] })[0]!.message).toMatch(/is used twice/)
  })
  test('what is not frozen through and through is looked at each time', () => {
    const project = structuredClone(DEMO_PROJECT)
    Object.freeze(project.parts[2])
    expect(projectProblems(project)).toEqual([])
    const figure = Object.values(project.parts[2]!).find((one): one is { value: number } => typeof one === 'object' && 'value' in one)!
    figure.value = Number.NaN
    expect(projectProblems(project)[0]!.path).toMatch(/^parts\[2\]/)
  })
})

test('of a frozen project only the note that changed is looked at again, and its place is right', () => {
  const jpeg = `data:image/jpeg;base64,/9j/${'A'.repeat(1000)}`
  const notes = Array.from({ length: 50 }, (_, i) => ({ id: `note-${i}`, note: `Note ${i}`, picture: jpeg }))
  const project = freeze({ ...structuredClone(DEMO_PROJECT), builds: [{ id: 'balanced', notes, torques: [] }] } as Project, true)
  expect(projectProblems(project)).toEqual([])
  knownGood(project)
  const next = produce(project, (draft) => void (draft.builds[0]!.notes[7]!.picture = 'no picture'))
  expect(projectProblems(next)).toMatchObject([{ path: 'builds[0].notes[7].picture', message: 'must be a JPEG picture' }])
  const others = next.builds[0]!.notes.filter((_, i) => i !== 7)
  expect(others.every((one) => goodMembers.has(one))).toBe(true)
  expect(projectProblems(produce(project, (draft) => void (draft.builds[0]!.notes[7]!.note = 'Changed')))).toEqual([])
})
