import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals'
import { ref } from 'vue'
import type { PartKind } from '#core/records/part-kinds.ts'
import { clearBench, onTheBench } from '../testing/bench.ts'
import { useGridCursor } from './grid-cursor.ts'
import { usePartGrid } from './part-grid.ts'

afterEach(clearBench)

async function table(kind: PartKind = 'spacer') {
  const { store, run } = await onTheBench()
  const [of, filter] = [ref(kind), ref('')]
  const focus = jest.fn()
  const grid = run(() => usePartGrid(of, filter))
  const cursor = run(() => useGridCursor(grid, focus))
  const press = (key: string, more: object = {}) => cursor.key({ key, ...more } as KeyboardEvent)
  const stand = (columnId: string, row = 0) =>
    (cursor.at.value = { row, column: grid.columns.value.findIndex((one) => one.id === columnId) })
  const cell = (columnId: string, row = 0) =>
    grid.columns.value.find((one) => one.id === columnId)!.read(grid.rows.value[row]!, grid.units.value)
  return { ...grid, ...cursor, store, of, filter, focus, press, stand, cell }
}
let on: Awaited<ReturnType<typeof table>>
beforeEach(async () => {
  on = await table()
})

describe('moving', () => {
  test('arrows go a cell each and stop at the edges', () => {
    const rows = on.rows.value.length
    const columns = on.columns.value.length
    on.press('ArrowUp')
    on.press('ArrowLeft')
    expect(on.at.value).toEqual({ row: 0, column: 0 })
    on.press('ArrowDown')
    on.press('ArrowRight')
    expect(on.at.value).toEqual({ row: 1, column: 1 })
    for (let i = 0; i < 40; i += 1) {
      on.press('ArrowDown')
      on.press('ArrowRight')
    }
    expect(on.at.value).toEqual({ row: rows - 1, column: columns - 1 })
    expect(on.focus).toHaveBeenCalledTimes(84)
  })
  test('a table that becomes smaller pulls it in, so that a cell can always be reached', () => {
    on.stand('name', on.rows.value.length - 1)
    on.filter.value = on.rows.value[0]!.name
    expect(on.at.value.row).toBe(on.rows.value.length - 1)
    on.filter.value = 'nothing has this'
    expect(on.rows.value).toHaveLength(0)
    expect(on.at.value.row).toBe(0)
    // in an empty table keys do nothing
    for (const key of ['ArrowDown', 'Enter', 'Delete', ' ', 'x']) on.press(key)
    expect([on.editing.value, on.chosen.value.size, on.copied()]).toEqual([false, 0, undefined])
  })
  test('another kind starts at its first cell', () => {
    on.stand('thicknessMm', 1)
    on.begin()
    on.of.value = 'rotor'
    on.restart()
    expect([on.at.value, on.editing.value]).toEqual([{ row: 0, column: 0 }, false])
  })
})

describe('typing', () => {
  test('Enter opens the cell with what is in it, Enter takes it and goes down', () => {
    on.stand('thicknessMm')
    const before = on.cell('thicknessMm')
    on.press('Enter')
    expect([on.editing.value, on.draft.value]).toEqual([true, before])
    on.draft.value = '7.5'
    on.press('Enter')
    expect([on.editing.value, on.cell('thicknessMm'), on.at.value.row]).toEqual([false, '7.5', 1])
    on.store.undo()
    expect(on.cell('thicknessMm')).toBe(before)
  })
  test('a letter or digit opens it with that alone; Shift and Tab go back to the left', () => {
    on.stand('thicknessMm')
    const { column } = on.at.value
    on.press('8')
    expect(on.draft.value).toBe('8')
    on.press('Tab', { shiftKey: true })
    expect([on.cell('thicknessMm'), on.at.value]).toEqual(['8', { row: 0, column: column - 1 }])
  })
  test('what is no figure stays open with its message; Escape leaves it as it was', () => {
    on.stand('thicknessMm')
    const before = on.cell('thicknessMm')
    on.press('F2')
    on.draft.value = 'thick'
    on.press('Enter')
    expect([on.editing.value, on.at.value.row, on.message.value]).toEqual([true, 0, expect.stringMatching(/Nothing was changed/)])
    on.press('Escape')
    expect([on.editing.value, on.message.value, on.cell('thicknessMm')]).toEqual([false, '', before])
  })
  test('nothing typed is no change', () => {
    const edits = jest.spyOn(on.store, 'edit')
    on.stand('name')
    on.press('Enter')
    on.press('Tab')
    on.finish()
    expect(edits).not.toHaveBeenCalled()
    expect(on.at.value.column).toBe(1)
  })
  test('Delete empties the cell; a name cannot go', () => {
    on.stand('maker')
    on.press('Delete')
    expect(on.cell('maker')).toBe('')
    on.stand('name')
    const name = on.cell('name')
    on.press('Delete')
    expect([on.cell('name'), on.message.value]).toEqual([name, expect.stringMatching(/Nothing was changed/)])
  })
})

test('keys of the browser and of the page are left to them', () => {
  const left = [
    ['c', { ctrlKey: true }],
    ['v', { metaKey: true }],
    ['x', { altKey: true }],
    ['Tab', {}],
    ['Escape', {}],
    ['PageDown', {}],
  ] as const
  for (const [key, more] of left) expect([key, on.press(key, more)]).toEqual([key, false])
  on.begin()
  // inside a field the arrows are the field's
  for (const key of ['ArrowLeft', 'a', ' ', 'Delete']) expect([key, on.press(key)]).toEqual([key, false])
})

test('Space chooses rows; they are copied with their column names, else the cell is', () => {
  on.stand('name')
  expect(on.copied()).toBe(on.cell('name'))
  on.press(' ')
  on.press('ArrowDown')
  on.press(' ')
  const lines = on.copied()!.split('\n')
  expect(lines).toHaveLength(3)
  expect(lines[0]!.split('\t')).toEqual(expect.arrayContaining(['Name', 'Thickness (mm)']))
  expect(lines[2]!.split('\t')).toHaveLength(on.columns.value.length)
  on.press(' ')
  expect(on.chosen.value.size).toBe(1)
})
