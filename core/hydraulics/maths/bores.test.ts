import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { barPivotMm, barTiltDeg, boreTable, pairMatrix } from './bores.ts'
import { chain } from './chain.ts'
import { pedalForceForRoadForce } from './pedal-force.ts'
import { failures } from './failures.ts'
import { STOCK_BORES_MM } from './same-feel.ts'
import { boreAreaMm2, type BrakeSystem } from './system.ts'
import { axleFluidMm3, strokeMm } from './travel.ts'

const taker = (pistonAreaMm2: number) => ({
  pistonAreaMm2,
  clearanceMm: 0.15,
  complianceMm3PerMpa: 100,
  hoseLengthMm: 400,
  hoseSwellMm3PerMmMpa: 0.1,
})
const takers = { front: taker(2000), rear: taker(700) }
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const anySystem = fc
  .record({
    ratio: number(3, 7),
    booster: fc.option(fc.record({ ratio: number(1.5, 6), assistN: fc.option(number(500, 4000), { nil: undefined }) }), { nil: undefined }),
    valve: fc.option(fc.record({ kneeMpa: number(0.5, 6), slope: number(0.1, 0.9) }), { nil: undefined }),
    frontMu: number(0.3, 0.5),
    rearDrum: fc.boolean(),
  })
  .map(({ ratio, booster, valve, frontMu, rearDrum }): BrakeSystem => ({
    pedalRatio: ratio,
    pedalEfficiency: 1,
    booster,
    master: { kind: 'tandem', boreMm: 20.6375 },
    valve,
    front: { kind: 'disc', pistonAreaMm2: 2000, mu: frontMu, effectiveRadiusMm: 110, sealMpa: 0.05 },
    rear: rearDrum
      ? { kind: 'drum', pistonAreaMm2: 285, brakeFactor: 2, drumRadiusMm: 101, sealMpa: 0.3 }
      : { kind: 'disc', pistonAreaMm2: 700, mu: 0.4, effectiveRadiusMm: 98, sealMpa: 0.05 },
    tyreRadiusMm: { front: 283, rear: 284 },
  }))

describe('the bore table', () => {
  test('each row is the chain with that bore; force rises and travel falls with the bore', () => {
    fc.assert(
      fc.property(anySystem, (system) => {
        const rows = boreTable(system, takers, 8000, 1.5)
        expect(rows.map((row) => row.boreMm)).toEqual([...STOCK_BORES_MM])
        for (const row of rows) {
          const stage = chain({ ...system, master: { kind: 'tandem', boreMm: row.boreMm } }, row.pedalForceN)
          expect(stage.front.forceN + stage.rear.forceN).toBeCloseTo(8000, 4)
        }
        for (const [i, row] of rows.slice(1).entries()) {
          expect(row.pedalForceN).toBeGreaterThan(rows[i]!.pedalForceN)
          expect(row.pedalTravelMm).toBeLessThan(rows[i]!.pedalTravelMm)
        }
      }),
    )
  })
})

describe('the pair matrix', () => {
  test('agrees with the chain at each cell: the force, and the share that was wanted', () => {
    fc.assert(
      fc.property(anySystem, number(0.6, 0.9), (system, frontShare) => {
        const cells = pairMatrix(system, takers, { roadForceN: 8000, frontShare }, 1.5)
        expect(cells.length === 0 || cells.length === 169).toBe(true)
        for (const cell of cells.filter((_, i) => i % 17 === 0)) {
          const paired: BrakeSystem = {
            ...system,
            master: { kind: 'twin', frontBoreMm: cell.frontBoreMm, rearBoreMm: cell.rearBoreMm, frontShare: cell.barShare },
          }
          const stage = chain(paired, cell.pedalForceN)
          expect(stage.front.forceN + stage.rear.forceN).toBeCloseTo(8000, 3)
          expect(stage.bias.road).toBeCloseTo(frontShare, 6)
          expect(cell.frontMpa).toBeCloseTo(stage.front.pressureMpa, 6)
          const stroke = strokeMm(
            paired.master,
            { taker: takers.front, pressureMpa: stage.front.pressureMpa },
            { taker: takers.rear, pressureMpa: stage.rear.pressureMpa },
            1.5,
          )
          expect(cell.pedalTravelMm).toBeCloseTo(stroke * system.pedalRatio, 6)
        }
      }),
      { numRuns: 40 },
    )
  })
})

test('unlike strokes tilt the bar: 5 mm over 50 mm are 5.7 degrees, to the side that moves further', () => {
  expect(barTiltDeg({ frontStrokeMm: 15, rearStrokeMm: 10 }, 50)).toBeCloseTo(5.7106, 4)
  expect(barTiltDeg({ frontStrokeMm: 10, rearStrokeMm: 15 }, 50)).toBeCloseTo(-5.7106, 4)
})

test('the pivot stands off the middle by the share: 3 mm towards the front of 60 for 55 %', () => {
  expect(barPivotMm(0.55, 60)).toBeCloseTo(3, 9)
  expect(barPivotMm(0.45, 60)).toBeCloseTo(-3, 9)
})

describe('effort inverts the chain', () => {
  test('for any system with valve, runout, seals and drums', () => {
    fc.assert(
      fc.property(anySystem, number(20, 900), (system, pedalForceN) => {
        const stage = chain(system, pedalForceN)
        const roadForceN = stage.front.forceN + stage.rear.forceN
        fc.pre(roadForceN > 1)
        expect(pedalForceForRoadForce(system, roadForceN)).toBeCloseTo(pedalForceN, 6)
      }),
    )
  })
})

describe('energy', () => {
  test('the work of the foot is the work of the fluid, with efficiency 1 and without a booster or valve', () => {
    fc.assert(
      fc.property(number(3, 7), number(15, 30), fc.boolean(), (pedalRatio, boreMm, twin) => {
        const master = twin
          ? ({ kind: 'twin', frontBoreMm: boreMm, rearBoreMm: boreMm * 0.9, frontShare: 0.55 } as const)
          : ({ kind: 'tandem', boreMm } as const)
        let [foot, fluid] = [0, 0]
        const at = (forceN: number) => {
          const pushed = forceN * pedalRatio
          const front =
            master.kind === 'tandem' ? pushed / boreAreaMm2(boreMm) : (master.frontShare * pushed) / boreAreaMm2(master.frontBoreMm)
          const rear = master.kind === 'tandem' ? front : ((1 - master.frontShare) * pushed) / boreAreaMm2(master.rearBoreMm)
          const travel =
            strokeMm(master, { taker: takers.front, pressureMpa: front }, { taker: takers.rear, pressureMpa: rear }, 0) * pedalRatio
          return { front, rear, travel, volumes: [axleFluidMm3(takers.front, front), axleFluidMm3(takers.rear, rear)] as const }
        }
        let before = at(0)
        for (let i = 1; i <= 200; i += 1) {
          const here = at(i * 2)
          foot += (i * 2 - 1) * (here.travel - before.travel)
          fluid +=
            ((here.front + before.front) / 2) * (here.volumes[0] - before.volumes[0]) +
            ((here.rear + before.rear) / 2) * (here.volumes[1] - before.volumes[1])
          before = here
        }
        expect(foot / fluid).toBeCloseTo(1, 6)
      }),
    )
  })
})

describe('when something fails', () => {
  const system: BrakeSystem = {
    pedalRatio: 4,
    pedalEfficiency: 1,
    booster: { ratio: 4, assistN: 2000 },
    master: { kind: 'tandem', boreMm: 20 },
    valve: undefined,
    front: { kind: 'disc', pistonAreaMm2: 2000, mu: 0.4, effectiveRadiusMm: 110, sealMpa: 0 },
    rear: { kind: 'disc', pistonAreaMm2: 700, mu: 0.4, effectiveRadiusMm: 98, sealMpa: 0 },
    tyreRadiusMm: { front: 283, rear: 284 },
  }
  const found = failures(system, takers, 500, 'frontRear', { front: 18, rear: 14 }, 1.5)
  const of = (lost: string) => found.find((one) => one.lost === lost)!
  test('what is left of front and rear is the whole; without assist it is less', () => {
    const stage = chain(system, 500)
    expect(of('front').roadForceN + of('rear').roadForceN).toBeCloseTo(stage.front.forceN + stage.rear.forceN, 6)
    expect(of('frontAndAssist').roadForceN).toBeLessThan(of('front').roadForceN)
    expect(of('assist').roadForceN).toBeCloseTo(
      chain({ ...system, booster: undefined }, 500).front.forceN + chain({ ...system, booster: undefined }, 500).rear.forceN,
      6,
    )
  })
  test('a lost chamber is run through before the other works', () => {
    const stage = chain(system, 500)
    expect(of('front').pedalTravelMm).toBeCloseTo((18 + axleFluidMm3(takers.rear, stage.rear.pressureMpa) / boreAreaMm2(20) + 1.5) * 4, 6)
    expect(failures(system, takers, 500, 'frontRear', { front: undefined, rear: 14 }, 1.5)[0]!.pedalTravelMm).toBeUndefined()
  })
  test('a diagonal half leaves half', () => {
    const stage = chain(system, 500)
    expect(failures(system, takers, 500, 'diagonal', { front: 18, rear: 14 }, 1.5)[0]).toMatchObject({
      lost: 'diagonal',
      roadForceN: expect.closeTo((stage.front.forceN + stage.rear.forceN) / 2, 6),
    })
  })
})
