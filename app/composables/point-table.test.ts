import { afterEach, describe, expect, test } from '@jest/globals'
import { effectScope, nextTick, shallowRef } from 'vue'
import type { NamedOutline, WheelProfile } from '#core/records/field.ts'
import { DEFAULT_UNITS } from '#core/quantity/units.ts'
import { usePointTable } from './point-table.ts'

type Points = NamedOutline[] | WheelProfile | undefined
interface Draft {
  read(): string | undefined
  keep(text: string): void
  drop(): void
}
function keeper() {
  let kept: string | undefined
  return { read: () => kept, keep: (text: string) => void (kept = text), drop: () => void (kept = undefined) }
}
const scope = { stop: () => {} }
afterEach(() => scope.stop())

function table(start: Points, more: { profile?: boolean; addMm?: number; draft?: Draft } = {}) {
  const value = shallowRef(start)
  const handed: Points[] = []
  const own = effectScope()
  scope.stop = () => own.stop()
  const made = own.run(() =>
    usePointTable({
      value: () => value.value,
      profile: () => more.profile ?? false,
      units: () => DEFAULT_UNITS,
      addMm: () => more.addMm ?? 0,
      firstName: () => 'body',
      instrument: 'digitalCaliper',
      draft: more.draft,
      change: (next) => {
        handed.push(next)
        value.value = next
      },
    }),
  )!
  const outline = (at = 0) => (value.value as NamedOutline[])[at]!
  return { ...made, value, handed, outline }
}
const BODY: NamedOutline[] = [
  {
    name: 'body',
    points: [
      [0, 100],
      [10, 120],
      [30, 118],
    ],
  },
]
const RIM: WheelProfile = {
  points: [
    [-80, 180],
    [0, 178],
    [40, 120],
  ],
  tags: ['barrel', 'face'],
}

describe('typing points', () => {
  test('rows that are not whole outlast a reload, over the points they were typed at and no others', () => {
    const draft = keeper()
    const first = table(BODY, { draft })
    first.left(1, 'r', '12o')
    first.typed(3, 'z', '41.')
    expect(first.handed).toEqual([])
    scope.stop()
    const again = table(BODY, { draft })
    expect(again.rows.value[1]!.r).toBe('12o')
    expect(again.rows.value[3]!.z).toBe('41.')
    again.left(3, 'z', '')
    again.left(1, 'r', '121')
    again.remove(3)
    expect(again.outline().points[1]).toEqual([10, 121])
    expect(draft.read()).toBeUndefined()
    again.left(1, 'r', 'x')
    scope.stop()
    expect(table(BODY, { draft }).rows.value[1]!.r).toBe('120')
    scope.stop()
    draft.keep('{')
    expect(table(BODY, { draft }).rows.value[1]!.r).toBe('120')
  })
  test('one point alone waits in the table; two are handed on, with their readings', () => {
    const { left, handed, outline, rows } = table(undefined)
    left(0, 'z', '0; 0.2')
    left(0, 'r', '100')
    expect(handed).toEqual([])
    left(1, 'z', '10')
    left(1, 'r', '120.5')
    expect(outline()).toEqual({
      name: 'body',
      origin: 'measured',
      points: [
        [0.1, 100],
        [10, 120.5],
      ],
      readings: [
        [[0, 0.2], [100]],
        [[10], [120.5]],
      ],
      instrument: 'digitalCaliper',
    })
    // and a blank row to go on
    expect(rows.value.at(-1)).toMatchObject({ z: '', r: '' })
  })
  test('what cannot be read stays as it was typed, is named, and nothing is handed on', async () => {
    const { left, handed, problemOf, line } = table(BODY)
    left(1, 'r', 'wide')
    await nextTick()
    expect(handed).toEqual([])
    expect(line.value.rows[1]!.r).toBe('wide')
    expect(problemOf(1, 'r')!.message).toMatch(/^Point 2, r: /)
    expect(problemOf(1, 'z')).toBeUndefined()
    left(1, 'r', '121')
    expect(handed).toHaveLength(1)
  })
  test('what comes back from the project keeps its texts; what another hand changed is shown', async () => {
    const { left, value, line } = table(BODY)
    left(0, 'z', '1/2"')
    await nextTick()
    expect(line.value.rows[0]!.z).toBe('1/2"')
    value.value = [{ ...BODY[0]!, name: 'undone' }]
    await nextTick()
    expect([line.value.name, line.value.rows[0]!.z]).toEqual(['undone', '0'])
  })
  test('a radius read from the register’s edge gets its half once, at leaving', () => {
    const { typed, left, outline } = table(BODY, { addMm: 31 })
    typed(1, 'r', '90')
    left(1, 'r', '90')
    expect(outline().points[1]).toEqual([10, 121])
    // left again untouched
    left(1, 'r', '121')
    expect(outline().points[1]).toEqual([10, 121])
    typed(1, 'z', '12')
    left(1, 'z', '12')
    expect(outline().points[1]).toEqual([12, 121])
  })
})

describe('blocks and gauges', () => {
  test('a block from a spreadsheet fills rows from here on; blank lines in it are nothing', () => {
    const { pasted, outline } = table(BODY)
    expect(pasted(2, 'z', '31\t117\r\n\r\n40\t100\n')).toBe(true)
    expect(outline().points).toEqual([
      [0, 100],
      [10, 120],
      [31, 117],
      [40, 100],
    ])
  })
  test('a column fills one cell of each row; a single figure is left to the cell', () => {
    const { pasted, outline, handed } = table(BODY)
    expect(pasted(0, 'r', '105')).toBe(false)
    expect(handed).toEqual([])
    pasted(0, 'r', '101\n121\n119')
    expect(outline().points.map((one) => one[1])).toEqual([101, 121, 119])
  })
  test('a profile takes its tags from the third column', () => {
    const { pasted, value, setTag } = table(undefined, { profile: true })
    pasted(0, 'z', '-80\t180\tBarrel\n0\t178\tshoulder\n40\t120\tface')
    expect(value.value).toMatchObject({ tags: ['barrel', 'shoulder'] })
    setTag(1, 'face')
    expect(value.value).toMatchObject({ tags: ['barrel', 'face'] })
  })
  test('each press of a gauge is one more reading, from the edge where that is meant', () => {
    const { read, value } = table(undefined, { addMm: 31 })
    for (const [row, cell, mm] of [
      [0, 'z', 5],
      [0, 'r', 70],
      [0, 'r', 70.2],
      [1, 'z', 9],
      [1, 'r', 80],
    ] as const)
      read(row, cell, mm)
    expect((value.value as NamedOutline[])[0]).toMatchObject({
      points: [
        [5, 101.1],
        [9, 111],
      ],
      readings: [
        [[5], [101, 101.2]],
        [[9], [111]],
      ],
    })
  })
})

describe('points that nobody read', () => {
  const read: NamedOutline[] = [{ ...BODY[0]!, readings: BODY[0]!.points.map(([z, r]) => [[z], [r]]), instrument: 'steelRule' }]
  test('a dragged point ends the readings of its line; the instrument in hand was that of the readings', () => {
    const { moved, commit, outline, instrument } = table(read)
    expect(instrument.value).toBe('steelRule')
    moved(1, 11.5, 122.25)
    commit()
    expect(outline().points[1]).toEqual([11.5, 122.25])
    expect(outline().readings).toBeUndefined()
  })
  test('an inserted one stands halfway', () => {
    const { insertAfter, outline } = table(read)
    insertAfter(0)
    expect(outline().points[1]).toEqual([5, 110])
    expect(outline().readings).toBeUndefined()
  })
})

describe('outlines', () => {
  const TWO: NamedOutline[] = [
    ...BODY,
    {
      name: 'hose',
      points: [
        [0, 90],
        [5, 95],
      ],
    },
  ]
  test('a further one is added empty, and handed on when it is whole', () => {
    const { add, left, handed, at, value } = table(BODY)
    add('bleed screw')
    expect([at.value, handed.length]).toEqual([1, 0])
    for (const [row, z, r] of [
      [0, '1', '125'],
      [1, '4', '126'],
    ] as const) {
      left(row, 'z', z)
      left(row, 'r', r)
    }
    expect((value.value as NamedOutline[]).map((one) => one.name)).toEqual(['body', 'bleed screw'])
  })
  test('the last point of one takes the outline with it; the last of all leaves none', () => {
    const { at, remove, value, handed } = table(TWO)
    at.value = 1
    remove(1)
    // one point alone is no outline: the rest is handed on without it
    expect((value.value as NamedOutline[]).map((one) => one.name)).toEqual(['body'])
    remove(0)
    remove(2)
    remove(1)
    remove(0)
    expect([value.value, handed.at(-1)]).toEqual([undefined, undefined])
  })
  test('renamed and taken away', () => {
    const { at, rename, removeLine, value } = table(TWO)
    at.value = 1
    rename('crossover pipe')
    expect((value.value as NamedOutline[])[1]!.name).toBe('crossover pipe')
    removeLine()
    expect((value.value as NamedOutline[]).map((one) => one.name)).toEqual(['body'])
    removeLine()
    expect(value.value).toBeUndefined()
  })
  test('a profile comes and goes as one line', () => {
    const { rows, remove, value } = table(RIM, { profile: true })
    expect(rows.value.slice(0, 3).map((one) => one.tag)).toEqual(['barrel', 'face', 'face'])
    remove(2)
    expect(value.value).toEqual({ points: RIM.points.slice(0, 2), tags: ['barrel'], origin: 'reported' })
  })
})

describe('points that were traced', () => {
  const TRACED: NamedOutline[] = [
    {
      name: 'body',
      points: [
        [-20.123, 100],
        [10, 120.456],
        [30, 118],
      ],
      doubts: [
        [0.2, 0.3],
        [0.21, 0.31],
        [0.22, 0.32],
      ],
      picture: { jpeg: 'data:image/jpeg;base64,AAAA', z: [-30, 40], r: [90, 130] },
      origin: 'measured',
    },
    { name: 'hose', points: BODY[0]!.points, origin: 'measured' },
  ]
  test('keep doubts and picture while another outline is changed, and when one of them is taken away', () => {
    const { at, typed, left, remove, outline } = table(TRACED)
    at.value = 1
    typed(0, 'z', '1.5')
    left(0, 'z', '1.5')
    expect(outline(0)).toEqual(TRACED[0])
    expect(outline(1).points[0]).toEqual([1.5, 100])
    at.value = 0
    remove(1)
    expect(outline(0)).toMatchObject({
      points: [
        [-20.123, 100],
        [30, 118],
      ],
      doubts: [
        [0.2, 0.3],
        [0.22, 0.32],
      ],
      picture: TRACED[0]!.picture,
    })
  })
  test('are worth no more than any that is measured where a hand moved them; the others stay as sure, and the picture stays', () => {
    const { moved, commit, outline } = table(TRACED)
    moved(1, 11, 121)
    commit()
    expect(outline().points[1]).toEqual([11, 121])
    expect(outline().doubts).toEqual([
      [0.2, 0.3],
      [0.7, 0.7],
      [0.22, 0.32],
    ])
    expect(outline().picture).toEqual(TRACED[0]!.picture)
  })
  test('stay with their outline when the one before it goes', () => {
    const { at, removeLine, outline, rename } = table([TRACED[1]!, TRACED[0]!])
    at.value = 0
    removeLine()
    expect(outline(0)).toEqual(TRACED[0])
    rename('bridge')
    expect(outline(0)).toEqual({ ...TRACED[0], name: 'bridge' })
  })
  test('keep their picture out of what waits to be typed to its end', () => {
    const draft = keeper()
    const { typed } = table(TRACED, { draft })
    typed(0, 'z', 'what')
    expect(draft.read()).toBeDefined()
    expect(draft.read()).not.toContain('base64')
  })
})
