import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../../demo/project.ts'
import type { Project } from '../../model/project.ts'
import { figure } from '../../quantity/figure.ts'
import { stopReport } from './stop-report.ts'

const changed = (change: (project: Project) => void): Project => {
  const project = structuredClone(DEMO_PROJECT)
  change(project)
  return project
}

test('the demo’s tyres limit a stop before and after: larger brakes by themselves are said to shorten nothing', () => {
  for (const { id } of DEMO_PROJECT.setups) {
    const { rows, sentence, worth } = stopReport(DEMO_PROJECT, id)
    expect(rows.map((row) => [row.surface, row.limit])).toEqual([['dry', 'tyre'], ['wet', 'tyre']]) // prettier-ignore
    expect(sentence).toMatch(/^The tyres limit a dry stop: 0\.\d\d.g/)
    expect(worth).toContain('Larger brakes by themselves change heat, feel and repeatability.')
    // said is what the rows hold
    const dry = rows[0]!
    if (dry.stock && dry.stock.distanceM - dry.distanceM > 0.5) expect(worth).toMatch(/^This setup stops \d+\.\d m shorter/)
  }
})
test('without its booster the foot limits, and more clamp or assist is named', () => {
  const bare = changed((project) => {
    project.setups[0].hydraulics.booster = null
    project.car.tyreDry = figure(1.3)
  })
  const { rows, sentence, worth } = stopReport(bare, 'as-it-stands')
  expect(rows[0]!.limit).toBe('driver')
  expect(sentence).toMatch(/^The foot limits a dry stop/)
  expect(worth).toMatch(/more clamp, friction or assist/)
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
  expect([unknown.rows, unknown.missing.map((one) => one.what)]).toEqual([[], expect.arrayContaining(['Whether the car has anti-lock'])])
})

test('a booster of which nobody knows what it gives makes the foot a most, and is asked for', () => {
  const bare = changed((project) => {
    for (const part of project.parts) if (part.kind === 'booster') delete part.assistN
  })
  const { sentence, missing, footAtMost } = stopReport(bare, 'balanced')
  expect([footAtMost, sentence, missing.map((one) => one.what)]).toEqual([
    true,
    expect.stringMatching(/could give at most .* may give less than the tyres hold/),
    [expect.stringMatching(/^Assist of /)],
  ])
})
