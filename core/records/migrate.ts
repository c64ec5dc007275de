import { carAxleFields, carFields } from './car-fields.ts'
import { greatestU, hardLimits, OTHER_LIMITS, type FieldTable } from './field.ts'
import { fieldsOf, PART_KIND_NAMES, type PartKind } from './part-kinds.ts'
import { valveFields } from './hydraulic-fields.ts'
import { VERSION } from './project.ts'

/** From the version that is the key to the next one. Values come from outside: trust no shape. */
export type MigrationTable = Readonly<Record<number, (older: Record<string, unknown>) => Record<string, unknown>>>

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value)

export const MIGRATIONS: MigrationTable = {
  // version 2 keeps readings and instruments, objects near the wheel and trial fits, and allows for balance weights
  1: (older) =>
    isObject(older.preferences)
      ? { ...older, preferences: { instrument: 'digitalCaliper', weightAllowanceMm: 0, ...older.preferences } }
      : older,
  // version 3 keeps kits, donors, fit reports, inspections and gauge readings, and counts a season's events
  2: (older) => ({
    bundles: [],
    fitReports: [],
    gaugeSessions: [],
    ...older,
    ...(isObject(older.preferences) ? { preferences: { eventsPerSeason: 8, ...older.preferences } } : {}),
  }),
  // version 4 keeps with what was seen or tried on the car the brake that was fitted then: until then it was the one in the slots
  3: (older) => {
    const setups = Array.isArray(older.setups) ? (older.setups as unknown[]) : []
    const [stock] = setups
    return {
      ...older,
      ...(setups.length > 0 ? { setups: setups.map((setup) => seenWith(setup, stock)) } : {}),
      ...(Array.isArray(older.parts) ? { parts: takenWith(older.parts as unknown[], setups) } : {}),
    }
  },
  // version 5 keeps where outlines and profiles come from, and with a trial fit the face height and weights of its wheel
  4: (older) => {
    const parts = Array.isArray(older.parts) ? (older.parts as unknown[]) : []
    return {
      ...older,
      ...(Array.isArray(older.parts) ? { parts: parts.map(withOrigins) } : {}),
      ...(isObject(older.car)
        ? {
            car: {
              ...older.car,
              ...each(older.car, ['front', 'rear'], (axle: Record<string, unknown>) => ({ ...axle, ...each(axle, ['objects'], outlines) })),
            },
          }
        : {}),
      ...(Array.isArray(older.setups) ? { setups: (older.setups as unknown[]).map((setup) => tried(setup, parts)) } : {}),
    }
  },
  // version 6 takes no doubt that is larger than all a figure can be
  5: (older) => {
    const list = (value: unknown, make: (one: unknown) => unknown) => (Array.isArray(value) ? (value as unknown[]).map(make) : value)
    const car = bounded(older.car, carFields)
    const setup = (one: unknown) => {
      if (!isObject(one)) return one
      const hydraulics = bounded(one.hydraulics, { pedalRatio: carFields.pedalRatio, valveKneeMpa: valveFields.kneeMpa })
      const axle = (of: Record<string, unknown>) => ({ ...of, ...each(of, ['trialFit', 'byDifference'], (seen) => bounded(seen, {})) })
      const wear = (of: Record<string, unknown>) => ({ ...of, ...each(of, Object.keys(of), (what) => bounded(what, {})) })
      return {
        ...one,
        ...each(one, ['hydraulics'], () => hydraulics),
        ...each(one, ['front', 'rear'], axle),
        ...each(one, ['wear'], wear),
      }
    }
    return {
      ...older,
      ...(isObject(car) ? { car: { ...car, ...each(car, ['front', 'rear'], (axle) => bounded(axle, carAxleFields)) } } : {}),
      ...(older.parts === undefined ? {} : { parts: list(older.parts, (part) => bounded(part, tableOf(part))) }),
      ...(older.setups === undefined ? {} : { setups: list(older.setups, setup) }),
      ...(older.fitReports === undefined ? {} : { fitReports: list(older.fitReports, (report) => bounded(report, {})) }),
    }
  },
  // version 7 keeps own drivings and read temperatures, says what the car is used for in more words, and knows a hand lever
  6: (older) => {
    const [stock, ...others] = Array.isArray(older.setups) ? (older.setups as unknown[]) : []
    return {
      duties: [],
      heatReadings: [],
      ...older,
      ...(isObject(older.car) ? { car: withUses(older.car) } : {}),
      ...(isObject(stock)
        ? {
            setups: [
              { ...stock, ...each(stock, ['hydraulics'], (of: Record<string, unknown>) => ({ handLever: null, ...of })) },
              ...others,
            ],
          }
        : {}),
    }
  },
  // version 8 keeps stops, wheels that locked, wear and work orders
  7: (older) => ({ stopTests: [], lockSightings: [], wearReadings: [], builds: [], ...older }),
  // version 9 keeps what figures were made of, and the question a project was begun with: an older file has neither
  8: (older) => older,
  // version 10 keeps with traced points their doubts and the picture behind them: an older file has neither
  9: (older) => older,
}

function withUses({ use, ...car }: Record<string, unknown>): Record<string, unknown> {
  const uses = use === 'road' ? ['daily'] : use === 'competition' ? ['circuit'] : use
  return uses === undefined ? car : { uses, ...car }
}

function tableOf(part: unknown): FieldTable {
  const kind = isObject(part) ? part.kind : undefined
  return PART_KIND_NAMES.includes(kind as PartKind) ? fieldsOf(kind as PartKind) : {}
}

/** A holder of figures with each doubt no larger than its field can be. */
function bounded(holder: unknown, table: FieldTable): unknown {
  if (!isObject(holder)) return holder
  const limits = (key: string): readonly [number, number] | undefined => {
    const field = Object.hasOwn(table, key) ? table[key] : undefined
    if (field?.type === 'figure' || field?.type === 'figures') return hardLimits(field)
    return Object.hasOwn(OTHER_LIMITS, key) ? OTHER_LIMITS[key as keyof typeof OTHER_LIMITS] : undefined
  }
  const one = (figure: unknown, most: number): unknown =>
    isObject(figure) && typeof figure.u === 'number' && figure.u > most ? { ...figure, u: most } : figure
  return Object.fromEntries(
    Object.entries(holder).map(([key, value]) => {
      const found = limits(key)
      if (!found) return [key, value]
      const most = greatestU(...found)
      return [key, Array.isArray(value) ? (value as unknown[]).map((figure) => one(figure, most)) : one(value, most)]
    }),
  )
}

/** Some members of an object made anew, where they are there. */
function each(of: Record<string, unknown>, keys: readonly string[], make: (value: never) => unknown): Record<string, unknown> {
  return Object.fromEntries(keys.flatMap((key) => (typeof of[key] === 'object' && of[key] !== null ? [[key, make(of[key] as never)]] : [])))
}

/** Points that were read more than once were measured; of others nobody said where they come from: someone's word. */
const withOrigin = (taken: unknown): unknown =>
  isObject(taken) && taken.origin === undefined ? { ...taken, origin: taken.readings === undefined ? 'reported' : 'measured' } : taken
const outlines = (value: unknown): unknown => (Array.isArray(value) ? (value as unknown[]).map(withOrigin) : value)

function withOrigins(part: unknown): unknown {
  if (!isObject(part)) return part
  return { ...part, ...each(part, ['outlines', 'furtherOutlines'], outlines), ...each(part, ['profile'], withOrigin) }
}

/** A trial fit was made with the wheel as it is kept now. */
function tried(setup: unknown, parts: readonly unknown[]): unknown {
  if (!isObject(setup)) return setup
  return {
    ...setup,
    ...each(setup, ['front', 'rear'], (axle: Record<string, unknown>) => ({
      ...axle,
      ...each(axle, ['trialFit'], (fit: Record<string, unknown>) => {
        const wheel = parts.find((one) => isObject(one) && one.id === fit.wheel)
        const weights = isObject(wheel) && isObject(wheel.weightThicknessMm) ? wheel.weightThicknessMm.value : undefined
        return {
          ...(isObject(wheel) && typeof wheel.faceChosen === 'string' ? { face: wheel.faceChosen } : {}),
          ...(typeof weights === 'number' ? { weightsMm: weights } : {}),
          ...fit,
        }
      }),
    })),
  }
}

/** Outlines taken on a car with a bracket under them: until version 4 that was the one in the slot beside. */
function takenWith(parts: readonly unknown[], setups: readonly unknown[]): unknown[] {
  const byId = (id: unknown) => parts.find((one) => isObject(one) && one.id === id)
  const valueOf = (part: unknown, field: string) => (isObject(part) && isObject(part[field]) ? part[field].value : undefined)
  const axles = setups.flatMap((setup) => (isObject(setup) ? [setup.front, setup.rear] : [])).filter(isObject)
  return parts.map((part) => {
    if (!isObject(part) || part.kind !== 'caliper' || part.frame !== 'seat') return part
    const on = axles.find((axle) => axle.caliper === part.id && typeof axle.bracket === 'string')
    const [axial, radial] = [valueOf(byId(on?.bracket), 'axialMm'), valueOf(byId(on?.bracket), 'radialMm')]
    if (typeof axial !== 'number' || typeof radial !== 'number') return part
    const shim = typeof on?.shimMm === 'number' ? on.shimMm : 0
    const estimated = (value: number) => ({ value, origin: 'estimated' })
    return { takenWithStackMm: estimated(axial + shim), takenWithLiftMm: estimated(radial), ...part }
  })
}

function seenWith(setup: unknown, stock: unknown): unknown {
  if (!isObject(setup)) return setup
  const next = { ...setup }
  for (const axle of ['front', 'rear']) {
    const [own, first] = [setup[axle], isObject(stock) ? stock[axle] : undefined]
    if (!isObject(own) || (!Array.isArray(own.seen) && !isObject(own.trialFit))) continue
    const [base, changed] = [isObject(first) ? first : {}, own.caliper !== undefined]
    const parts = ['caliper', 'bracket', 'rotor', 'pad'].map((slot) => own[slot] ?? (own[slot] === null ? null : base[slot]))
    const shimMm = own.shimMm ?? (changed ? undefined : base.shimMm) ?? 0
    const bracket = own.bracket === undefined ? (base.bracket ?? null) : own.bracket
    next[axle] = {
      ...own,
      ...(isObject(own.trialFit) ? { trialFit: { bracket, shimMm, ...own.trialFit } } : {}),
      ...(Array.isArray(own.seen)
        ? { seen: { rules: own.seen as unknown[], parts: parts.filter((id) => typeof id === 'string'), shimMm } }
        : {}),
    }
  }
  return next
}

type Migrated = { ok: true; value: Record<string, unknown> } | { ok: false; message: string }

/**
 * Brings a file of an older version up to `target`, one step of the table after the other.
 * A newer file is refused: guessing at unknown fields would lose them on the next save.
 */
export function migrate(value: Record<string, unknown>, table: MigrationTable = MIGRATIONS, target: number = VERSION): Migrated {
  const version = value.version
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0) {
    return { ok: false, message: 'has no version (a whole number under "version").' }
  }
  if (version > target) {
    return {
      ok: false,
      message: `has version ${version}; this application reads up to version ${target}. Open it with a newer version of the application.`,
    }
  }
  let current = value
  for (let at = version; at < target; at += 1) {
    const step = table[at]
    if (!step) return { ok: false, message: `has version ${at}, which can no longer be read.` }
    current = { ...step(current), version: at + 1 }
  }
  return { ok: true, value: current }
}
