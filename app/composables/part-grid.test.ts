import { beforeEach, describe, expect, test } from '@jest/globals'
import { createPinia, setActivePinia } from 'pinia'
import { ref } from 'vue'
import { DEMO_PROJECT } from '#core/demo/project.ts'
import type { PartKind } from '#core/records/part-kinds.ts'
import { saveProject } from '../storage/projects.ts'
import { useProjectStore } from '../stores/project.ts'
import { usePartGrid } from './part-grid.ts'

let count = 0
async function grid(kind: PartKind = 'rotor') {
  const id = `grid-${(count += 1)}`
  await saveProject({ ...structuredClone(DEMO_PROJECT), id }, undefined, new Date('2026-09-12T10:00:00Z'))
  const store = useProjectStore()
  await store.open(id)
  const [of, filter] = [ref(kind), ref('')]
  const found = usePartGrid(of, filter)
  const at = (columnId: string) => found.columns.value.findIndex((one) => one.id === columnId)
  const part = (partId: string) => store.current.parts.find((one) => one.id === partId) as unknown as Record<string, { value: number }>
  return { ...found, store, of, filter, at, part, names: () => found.rows.value.map((one) => one.name) }
}
beforeEach(() => {
  setActivePinia(createPinia())
})

describe('rows and columns', () => {
  test('all parts of the kind; columns of which any part has something', async () => {
    const { rows, columns, of } = await grid()
    expect(rows.value).toHaveLength(DEMO_PROJECT.parts.filter((one) => one.kind === 'rotor').length)
    const shown = columns.value.map((one) => one.id)
    expect(shown).toEqual(expect.arrayContaining(['name', 'maker', 'diameterMm', 'price.likelyMinor']))
    // no rotor of the demo says anything about a wheel-speed ring
    expect(shown).not.toContain('absRing')
    of.value = 'spacer'
    expect(rows.value.every((one) => one.kind === 'spacer')).toBe(true)
  })
  test('a word or a figure finds rows, whatever its case', async () => {
    const { filter, names } = await grid()
    filter.value = ' QUERNHILL '
    expect(names().length).toBeGreaterThan(2)
    filter.value = '276'
    expect(names()).toEqual(expect.arrayContaining(['Plain rotor 276 x 24', 'Slotted rotor 276 x 26']))
    filter.value = 'nothing has this'
    expect(names()).toEqual([])
  })
  test('sorted up, down, and as they were; what is not known stands last either way', async () => {
    const { sort, rows, store, names } = await grid()
    const before = names()
    store.edit('Forget', (draft) => {
      delete (draft.parts.find((one) => one.id === 'kit4-rotor') as unknown as Record<string, unknown>).diameterMm
    })
    const diameters = () => rows.value.map((one) => (one as unknown as Record<string, { value: number } | undefined>).diameterMm?.value)
    sort('diameterMm')
    const up = diameters().slice(0, -1) as number[]
    expect(up).toEqual([...up].sort((a, b) => a - b))
    expect(diameters().at(-1)).toBeUndefined()
    sort('diameterMm')
    expect(diameters().slice(0, -1)).toEqual([...up].reverse())
    expect(diameters().at(-1)).toBeUndefined()
    sort('diameterMm')
    expect(names()).toEqual(before)
  })
})

describe('cells', () => {
  test('a block that is pasted is one step, and one undo takes it back', async () => {
    const { paste, at, rows, part, store, message } = await grid()
    const [first, second] = [rows.value[0]!.id, rows.value[1]!.id]
    const before = [part(first).diameterMm!.value, part(second).diameterMm!.value]
    expect(paste('258 mm\t21\n10.5 in\t8\n', 0, at('diameterMm'))).toBe(true)
    expect([part(first).diameterMm!.value, part(second).diameterMm!.value]).toEqual([258, expect.closeTo(266.7, 9)])
    expect([message.value, store.undoLabel]).toEqual(['', 'Paste 4 cells'])
    store.undo()
    expect([part(first).diameterMm!.value, part(second).diameterMm!.value]).toEqual(before)
  })
  test('one bad cell keeps all of them out, and is named', async () => {
    const { paste, at, rows, part, message } = await grid()
    const before = part(rows.value[0]!.id).diameterMm!.value
    expect(paste('258\nwide', 0, at('diameterMm'))).toBe(false)
    expect(message.value.startsWith(`${rows.value[1]!.name}, Diameter: `)).toBe(true)
    expect(message.value).toMatch(/"wide" is not a figure.*Nothing was changed\.$/)
    expect(part(rows.value[0]!.id).diameterMm!.value).toBe(before)
  })
  test('what reaches beyond the table is left out and said', async () => {
    const { paste, at, rows, part, message } = await grid()
    const last = rows.value.length - 1
    expect(paste('261\n262\n263', last, at('diameterMm'))).toBe(true)
    expect(part(rows.value[last]!.id).diameterMm!.value).toBe(261)
    expect(message.value).toMatch(/beyond the table were left out/)
  })
  test('an empty cell forgets a figure; a part without a name is refused', async () => {
    const { write, columns, at, part, message } = await grid()
    const cell = (id: string, text: string) => [{ partId: 'kit4-rotor', column: columns.value[at(id)]!, text }]
    expect(write('Empty', cell('massKg', ''))).toBe(true)
    expect(part('kit4-rotor').massKg).toBeUndefined()
    expect(write('Rename', cell('name', ' '))).toBe(false)
    expect(message.value).toMatch(/Nothing was changed/)
  })
})

test('many at once: those that were chosen, and none that went away', async () => {
  const { toggle, chosen, setAll, columns, at, part, store } = await grid()
  toggle('kit4-rotor')
  toggle('stock-front-rotor')
  toggle('curved-rotor')
  toggle('curved-rotor')
  expect([...chosen.value]).toEqual(['kit4-rotor', 'stock-front-rotor'])
  expect(setAll(columns.value[at('thicknessMm')]!, '23.4')).toBe(true)
  expect([part('kit4-rotor').thicknessMm!.value, part('stock-front-rotor').thicknessMm!.value]).toEqual([23.4, 23.4])
  expect(part('curved-rotor').thicknessMm!.value).not.toBe(23.4)
  expect(store.undoLabel).toMatch(/of 2$/)
  store.edit('Remove', (draft) => {
    draft.parts = draft.parts.filter((one) => one.id !== 'slotted-front-rotor')
  })
  toggle('five-hole-rotor')
  expect([...chosen.value]).toEqual(['kit4-rotor', 'stock-front-rotor', 'five-hole-rotor'])
})
