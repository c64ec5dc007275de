import { expect, test } from '@jest/globals'
import { migrate, MIGRATIONS, type MigrationTable } from './migrate.ts'
import { carFields } from './car-fields.ts'
import { fieldSchema } from './record-schema.ts'
import { schemaProblems } from './schema-problems.ts'
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
  [{ version: '1' }, /has no version/],
  [{}, /has no version/],
  [{ version: 0 }, /can no longer be read/],
])('%p is refused with a reason', (value, message) => {
  const migrated = migrate(value, table, 3)
  expect(migrated.ok).toBe(false)
  if (!migrated.ok) expect(migrated.message).toMatch(message)
})
test('version 4 keeps what was seen on the car with the brake that was in the slots', () => {
  const older = {
    version: 3,
    setups: [
      { front: { caliper: 'a', bracket: null, rotor: 'b', pad: 'c', shimMm: 2, seen: ['knuckle-clear'] }, rear: { caliper: 'd' } },
      { front: { seen: ['dust-shield'] }, rear: { caliper: 'e', seen: ['parking-hold'] } },
      { front: { caliper: 'f', bracket: 'g', seen: ['knuckle-clear'] }, rear: { seen: 'nonsense' } },
      { front: { trialFit: { caliper: 'a' } }, rear: { bracket: 'g', shimMm: 1, trialFit: { caliper: 'd' } } },
      'no setup',
    ],
  }
  const migrated = migrate(older, MIGRATIONS, 4)
  expect(migrated).toMatchObject({
    value: {
      version: 4,
      setups: [
        { front: { caliper: 'a', seen: { rules: ['knuckle-clear'], parts: ['a', 'b', 'c'], shimMm: 2 } }, rear: { caliper: 'd' } },
        {
          front: { seen: { rules: ['dust-shield'], parts: ['a', 'b', 'c'], shimMm: 2 } },
          rear: { seen: { rules: ['parking-hold'], parts: ['e'], shimMm: 0 } },
        },
        { front: { seen: { parts: ['f', 'g', 'b', 'c'], shimMm: 0 } }, rear: { seen: 'nonsense' } },
        { front: { trialFit: { caliper: 'a', bracket: null, shimMm: 2 } }, rear: { trialFit: { bracket: 'g', shimMm: 1 } } },
        'no setup',
      ],
    },
  })
  expect(migrate({ version: 3, setups: 'none' }, MIGRATIONS, 4)).toEqual({ ok: true, value: { version: 4, setups: 'none' } })
})
test('version 4 takes an outline to have been taken with the bracket that was in the slot beside', () => {
  const seat = (id: string, more: object = {}) => ({ id, kind: 'caliper', frame: 'seat', ...more })
  const parts = [
    seat('on'),
    seat('shimmed'),
    seat('said', { takenWithStackMm: { value: 9 } }),
    seat('bare'),
    { ...seat('bench'), frame: 'mount' },
    { id: 'b', kind: 'bracket', axialMm: { value: -4 }, radialMm: { value: 14 } },
    { id: 'unknown', kind: 'bracket' },
    'no part',
  ]
  const front = (caliper: string, bracket: unknown, more: object = {}) => ({ front: { caliper, bracket, ...more }, rear: 7 })
  const setups = [
    front('on', 'b'),
    front('shimmed', 'b', { shimMm: -1 }),
    front('said', 'b'),
    front('bare', null),
    front('bench', 'b'),
    front('bare', 'unknown'),
  ]
  const migrated = migrate({ version: 3, parts, setups }, MIGRATIONS, 4)
  const [on, shimmed, said, ...rest] = (migrated as { value: Record<string, unknown> }).value.parts as unknown[]
  const estimated = (value: number) => ({ value, origin: 'estimated' })
  expect([on, shimmed]).toMatchObject([
    { takenWithStackMm: estimated(-4), takenWithLiftMm: estimated(14) },
    { takenWithStackMm: estimated(-5), takenWithLiftMm: estimated(14) },
  ])
  expect(said).toMatchObject({ takenWithStackMm: { value: 9 } })
  expect(rest).toEqual(parts.slice(3))
})
test('version 6 holds no doubt that is larger than what its figure can be', () => {
  const doubt = (u: unknown) => ({ value: 30, u, origin: 'measured' })
  const older = {
    version: 5,
    car: { wheelbaseMm: doubt(1e160), front: { mountFaceMm: doubt(0.5) }, rear: 'nothing' },
    parts: [{ id: 'c', kind: 'caliper', massKg: doubt(1e9), pistonsMm: [doubt(1e6), doubt(0.1)], name: 'x' }, { kind: '__proto__' }, 7],
    setups: [{ front: { trialFit: { gapMm: doubt(400) } }, rear: {}, wear: { pads: { lastsEvents: doubt(9000) } } }, null],
    fitReports: [{ gapMm: doubt(61) }, { gapMm: doubt('much') }],
  }
  const migrated = migrate(older, MIGRATIONS, 6)
  expect(migrated).toMatchObject({
    ok: true,
    value: {
      version: 6,
      car: { front: { mountFaceMm: { u: 0.5 } }, rear: 'nothing' },
      parts: [{ massKg: { value: 30, u: 100 }, name: 'x' }, { kind: '__proto__' }, 7],
      setups: [{ front: { trialFit: { gapMm: { u: 60 } } }, rear: {}, wear: { pads: { lastsEvents: { u: 499.95 } } } }, null],
      fitReports: [{ gapMm: { u: 60 } }, { gapMm: { u: 'much' } }],
    },
  })
  const { car, parts } = (migrated as unknown as { value: { car: { wheelbaseMm: object }; parts: { pistonsMm: { u: number }[] }[] } }).value
  expect(fieldSchema(carFields.wheelbaseMm).isValidSync({ ...car.wheelbaseMm, value: 2500 })).toBe(true)
  expect(parts[0]!.pistonsMm.map((one) => one.u)).toEqual([expect.any(Number), 0.1])
  expect(parts[0]!.pistonsMm[0]!.u).toBeLessThan(1500)
})
test('a doubt larger than its figure can be is refused, with words for it', () => {
  const problem = (u: number) => schemaProblems(fieldSchema(carFields.wheelbaseMm), { value: 2500, u, origin: 'measured' })[0]?.message
  expect(problem(1e160)).toMatch(/^an uncertainty of more than .* means that the value is unknown: leave it out$/)
  expect(problem(20)).toBeUndefined()
})
test('version 7 says what the car is used for in more words, and has no hand lever, own drivings or read temperatures yet', () => {
  const used = (use: unknown) =>
    migrate(
      {
        version: 6,
        car: { name: 'x', ...(use === undefined ? {} : { use }) },
        setups: [{ hydraulics: { fluid: 'f' } }, { hydraulics: {} }],
      },
      MIGRATIONS,
      7,
    )
  const value = (uses: object) => ({
    ok: true,
    value: {
      version: 7,
      duties: [],
      heatReadings: [],
      car: { name: 'x', ...uses },
      setups: [{ hydraulics: { handLever: null, fluid: 'f' } }, { hydraulics: {} }],
    },
  })
  expect(used('road')).toEqual(value({ uses: ['daily'] }))
  expect(used('competition')).toEqual(value({ uses: ['circuit'] }))
  expect(used(undefined)).toEqual(value({}))
  expect(migrate({ version: 6, car: 7, setups: ['x'] }, MIGRATIONS, 7)).toMatchObject({ ok: true, value: { car: 7, setups: ['x'] } })
})
test('the real table leads from every version it knows to the current one', () => {
  expect(Object.keys(MIGRATIONS).map(Number)).toEqual(Array.from({ length: VERSION - 1 }, (_, index) => index + 1))
})

test('version 8 keeps stops, sightings, wear and work orders, of which an older file has none', () => {
  const older = { version: 7, name: 'A car', gaugeSessions: [{ id: 'g' }] }
  expect(migrate(older, MIGRATIONS, 8)).toEqual({
    ok: true,
    value: { ...older, version: 8, stopTests: [], lockSightings: [], wearReadings: [], builds: [] },
  })
})

test('version 9 keeps what figures were made of and a question, of which an older file has neither', () => {
  const older = { version: 8, name: 'A car', parts: [{ id: 'p', massKg: { value: 4, origin: 'measured' } }] }
  expect(migrate(older, MIGRATIONS, 9)).toEqual({ ok: true, value: { ...older, version: 9 } })
})

test('version 10 keeps doubts of traced points and pictures behind them, of which an older file has neither', () => {
  const older = { version: 9, name: 'A car', parts: [{ id: 'p', kind: 'caliper', outlines: [{ name: 'body', points: [[0, 100]] }] }] }
  expect(migrate(older, MIGRATIONS, 10)).toEqual({ ok: true, value: { ...older, version: 10 } })
})
