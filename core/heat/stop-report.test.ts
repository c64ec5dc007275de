import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'
import { stopReport } from './stop-report.ts'

const changed = (change: (project: Project) => void): Project => {
  const project = structuredClone(DEMO_PROJECT)
  change(project)
  return project
}

test('the demo’s tyres limit a stop before and after: larger brakes by themselves are said to shorten nothing', () => {
  for (const { id } of DEMO_PROJECT.setups) {
    const { rows, sentence, worth } = stopReport(DEMO_PROJECT, id)
    expect(rows.map((row) => [row.surface, row.limit])).toEqual([
      ['dry', 'tyre'],
      ['wet', 'tyre'],
    ])
    expect(sentence).toMatch(/^The tyres limit a dry stop: 0\.\d\d.g/)
    expect(worth).toContain('larger brakes change heat, feel and repeatability.')
    // said is what the rows hold
    const dry = rows[0]!
    if (dry.stock && dry.stock.distanceM! - dry.distanceM! > 0.5) expect(worth).toMatch(/^This setup stops \d+\.\d m shorter/)
  }
})
test('without its booster the foot limits, and more clamp or assist is named', () => {
  const bare = changed((project) => {
    project.setups[0].hydraulics.booster = null
    project.car.tyreDry = figure(1.3)
  })
  const { rows, sentence, worth } = stopReport(bare, 'as-it-stands')
  expect(rows[0]!.limit).toBe('driver')
  // a light foot is not the pads' fault, though cold they give less still
  expect(rows[0]!.padsG).toBeLessThan(rows[0]!.driverG)
  expect(rows[0]!.decelG).toBe(rows[0]!.padsG)
  expect(sentence).toMatch(/^Pedal force limits a dry stop/)
  expect(worth).toMatch(/More clamp force, friction or assist/)
})
test('with anti-lock the tyres count whole; whether there is one is asked for', () => {
  const abs = stopReport(
    changed((project) => (project.car.abs = 'abs')),
    'balanced',
  )
  expect(abs.rows[0]).toMatchObject({ tyreG: abs.rows[0]!.friction, locksFirst: undefined })
  const unknown = stopReport(
    changed((project) => delete project.car.abs),
    'balanced',
  )
  expect([unknown.rows, unknown.missing.map((one) => one.what)]).toEqual([[], expect.arrayContaining(['Whether the car has ABS'])])
})

test('each of the four is a deceleration, and the smallest that is known is named', () => {
  for (const { id } of DEMO_PROJECT.setups)
    for (const row of stopReport(DEMO_PROJECT, id).rows) {
      const known = [row.driverG, row.strokeG, row.padsG, row.tyreG].filter((one) => one !== undefined)
      expect(known).toHaveLength(4)
      expect(row.decelG).toBe(Math.min(...known))
      expect({ driver: row.driverG, stroke: row.strokeG, pads: row.padsG, tyre: row.tyreG }[row.limit]).toBe(row.decelG)
      expect(row.distancesM[row.limit]).toBe(row.distanceM)
      expect(Math.max(...Object.values(row.distancesM).filter((one) => one !== undefined))).toBe(row.distanceM)
    }
})
test('a short master cylinder, and pads that do not bite cold, limit a stop and are named', () => {
  const short = changed((project) => {
    for (const part of project.parts) if (part.kind === 'masterCylinder') part.strokeMm = figure(9)
  })
  const { rows, sentence } = stopReport(short, 'as-it-stands')
  expect([rows[0]!.limit, sentence]).toEqual(['stroke', expect.stringMatching(/^Pedal travel or master cylinder stroke limits a dry stop/)])
  const glass = changed((project) => {
    for (const part of project.parts) if (part.kind === 'pad') part.frictionThere![0] = figure(0.05)
  })
  const cold = stopReport(glass, 'as-it-stands')
  expect([cold.rows[0]!.limit, cold.sentence]).toEqual(['pads', expect.stringMatching(/^Cold pads limit a dry stop/)])
})
test('a stroke or a bite that nobody knows is said, and never counted as enough', () => {
  const unknown = changed((project) => {
    for (const part of project.parts) {
      if (part.kind === 'masterCylinder') delete part.strokeMm
      if (part.kind === 'pad') delete part.frictionAtC
      if (part.kind === 'pad') delete part.frictionThere
    }
  })
  const { rows, sentence } = stopReport(unknown, 'balanced')
  expect([rows[0]!.strokeG, rows[0]!.padsG]).toEqual([undefined, undefined])
  expect(sentence).toMatch(/The master cylinder’s stroke is not checked: values are missing\. Cold friction of the pads is unknown\./)
})

test('a booster of which nobody knows what it gives makes the foot a most, and is asked for', () => {
  const bare = changed((project) => {
    for (const part of project.parts) if (part.kind === 'booster') delete part.assistN
  })
  const { sentence, missing, footAtMost } = stopReport(bare, 'balanced')
  expect([footAtMost, sentence, missing.map((one) => one.what)]).toEqual([
    true,
    expect.stringMatching(/would allow at most .* may limit the stop before the tyres do/),
    [expect.stringMatching(/^Assist of /)],
  ])
})
