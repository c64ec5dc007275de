import { VERSION } from './project.ts'

/** From the version that is the key to the next one. Values come from outside: trust no shape. */
export type MigrationTable = Readonly<Record<number, (older: Record<string, unknown>) => Record<string, unknown>>>

/** Version 1 is the first published one, so nothing leads to it yet. */
export const MIGRATIONS: MigrationTable = {}

export type Migrated = { ok: true; value: Record<string, unknown> } | { ok: false; message: string }

/**
 * Brings a file of an older version up to `target`, one step of the table after the other.
 * A newer file is refused: guessing at unknown fields would lose them on the next save.
 */
export function migrate(value: Record<string, unknown>, table: MigrationTable = MIGRATIONS, target: number = VERSION): Migrated {
  const version = value.version
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0) {
    return { ok: false, message: 'The file does not say its version (a whole number under "version").' }
  }
  if (version > target) {
    return { ok: false, message: `The file is of version ${version}; this application reads up to ${target}. Open it with a newer one.` }
  }
  let current = value
  for (let at = version; at < target; at += 1) {
    const step = table[at]
    if (!step) return { ok: false, message: `Files of version ${at} cannot be read any more.` }
    current = { ...step(current), version: at + 1 }
  }
  return { ok: true, value: current }
}
