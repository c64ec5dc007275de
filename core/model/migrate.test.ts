import { expect, test } from '@jest/globals'
import { migrate, MIGRATIONS, type MigrationTable } from './migrate.ts'
import { VERSION } from './project.ts'

const table: MigrationTable = {
  1: (older) => ({ ...older, second: true }),
  2: (older) => ({ ...older, third: older.second }),
}

test('walks the table step by step and stamps the version', () => {
  expect(migrate({ version: 1, kept: 'yes' }, table, 3)).toEqual({
    ok: true,
    value: { version: 3, kept: 'yes', second: true, third: true },
  })
  expect(migrate({ version: 3 }, table, 3)).toEqual({ ok: true, value: { version: 3 } })
})
test('leaves what it was given as it was', () => {
  const older = Object.freeze({ version: 1 })
  migrate(older, table, 3)
  expect(older).toEqual({ version: 1 })
})
test.each([
  [{ version: 4 }, /newer/],
  [{ version: '1' }, /does not say its version/],
  [{}, /does not say its version/],
  [{ version: 0 }, /cannot be read any more/],
])('%p is refused with a reason', (value, message) => {
  const migrated = migrate(value, table, 3)
  expect(migrated.ok).toBe(false)
  if (!migrated.ok) expect(migrated.message).toMatch(message)
})
test('the real table leads from every version it knows to the current one', () => {
  expect(Object.keys(MIGRATIONS).map(Number)).toEqual(Array.from({ length: VERSION - 1 }, (_, index) => index + 1))
})
