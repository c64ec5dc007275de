import { beforeEach, describe, expect, test } from '@jest/globals'
import { createPinia, setActivePinia } from 'pinia'
import { DEMO_PROJECT } from '#core/demo/project.ts'
import { MAX_TABLE_BYTES } from '#core/formats/parts-csv.ts'
import { saveProject } from '../storage/projects.ts'
import { useProjectStore } from '../stores/project.ts'
import { useTableImport } from './table-import.ts'

let count = 0
async function opened() {
  const id = `import-${(count += 1)}`
  await saveProject({ ...structuredClone(DEMO_PROJECT), id }, undefined, new Date('2026-09-12T10:00:00Z'))
  const store = useProjectStore()
  await store.open(id)
  return store
}
beforeEach(() => {
  setActivePinia(createPinia())
})
const TABLE = 'Name\tMaker\tNumber\tDiameter\tMystery\nDisc A\tPellin\tA-1\t260\tx\nDisc B\tPellin\tA-2\twide\ty\n'

describe('a table of parts on its way in', () => {
  test('columns are guessed, one nobody knows stays out, the bad row is named, the good one taken as one step', async () => {
    const store = await opened()
    const table = useTableImport()
    expect(table.start(TABLE, 'rotor')).toBe(true)
    expect(table.mapping.value).toEqual(['name', 'maker', 'number', 'diameterMm', null])
    expect(table.taken.value!.parts.map((one) => one.name)).toEqual(['Disc A'])
    expect(table.taken.value!.rejected).toHaveLength(1)
    const before = store.current.parts.length
    expect(table.take()).toBe('')
    expect(store.current.parts).toHaveLength(before + 1)
    expect(store.current.parts.at(-1)).toMatchObject({ kind: 'rotor', name: 'Disc A', diameterMm: { value: 260, origin: 'published' } })
    expect(table.table.value).toBeUndefined()
    store.undo()
    expect(store.current.parts).toHaveLength(before)
  })
  test('another kind guesses anew', async () => {
    await opened()
    const table = useTableImport()
    table.start('Name\tFree length\nHose\t410\n', 'rotor')
    expect(table.mapping.value).toEqual(['name', null])
    table.choose('hose')
    expect(table.mapping.value).toEqual(['name', 'lengthMm'])
    table.close()
  })
  test('a part that is there already is changed where that is wanted, and keeps what the table does not name', async () => {
    const store = await opened()
    const table = useTableImport()
    table.start('Name\tMaker\tNumber\tDiameter\nRear rotor 252 x 9\tQuernhill\tQR-25209\t254\n', 'rotor')
    expect(table.changes.value).toBe(0)
    table.update.value = true
    expect(table.changes.value).toBe(1)
    const before = store.current.parts.length
    expect(table.take()).toBe('')
    table.update.value = false
    expect(store.current.parts).toHaveLength(before)
    expect(store.current.parts.find((one) => one.id === 'r2-rear-rotor')).toMatchObject({
      diameterMm: { value: 254 },
      thicknessMm: { value: 9 },
      price: { likelyMinor: 10_400 },
    })
  })
  test('a table is told from a block of cells by its first row', async () => {
    await opened()
    const table = useTableImport()
    expect(table.looksLikeTable(TABLE, 'rotor')).toBe(true)
    expect(table.looksLikeTable('258\t22\n260\t24', 'rotor')).toBe(false)
    expect(table.looksLikeTable('', 'rotor')).toBe(false)
  })
  test('what is no table says why; nothing to take says so; nothing is lost', async () => {
    const store = await opened()
    const table = useTableImport()
    const before = store.project
    expect(table.start('   ', 'rotor')).toBe(false)
    expect(table.problem.value).not.toBe('')
    table.start('Name\tDiameter\n\t260\n', 'rotor')
    expect(table.take()).toBe('No row can be imported.')
    table.close()
    expect(store.project).toBe(before)
  })
  test('a file that is too large or cannot be read is refused with its name', async () => {
    await opened()
    const table = useTableImport()
    const file = (size: number, text: () => Promise<string>) => ({ name: 'parts.csv', size, text }) as File
    expect(
      await table.startFile(
        file(MAX_TABLE_BYTES + 1, () => Promise.resolve('')),
        'rotor',
      ),
    ).toBe(false)
    expect(table.problem.value).toMatch(/^parts\.csv is larger than/)
    expect(
      await table.startFile(
        file(10, () => Promise.reject(new Error('gone'))),
        'rotor',
      ),
    ).toBe(false)
    expect(table.problem.value).toBe('parts.csv cannot be read. Was it moved?')
    expect(
      await table.startFile(
        file(TABLE.length, () => Promise.resolve(TABLE)),
        'rotor',
      ),
    ).toBe(true)
    table.close()
  })
})
