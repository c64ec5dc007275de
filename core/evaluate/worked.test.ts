import { expect, test } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { bestDeceleration, criticalDecelG } from '../testing/constant-split.ts'
import { boost, throttle } from '../hydraulics/maths/chain.ts'
import { barShareFromGauges } from '../hydraulics/maths/bar-share.ts'
import { sameFeelBoreMm } from '../hydraulics/maths/same-feel.ts'
import { axleForcePerMpa, boreAreaMm2, torquePerMpa, type AxleBrake } from '../hydraulics/maths/system.ts'
import { strokeMm } from '../hydraulics/maths/travel.ts'

/** The examples of docs/hydraulics-worked.md, by number, as the core computes them. */
const area = boreAreaMm2(38) + boreAreaMm2(42)
const rod = 100 * 5 * 0.85
const boosted = boost(rod, { ratio: 4, assistN: 1000 })
const pressure = boosted / boreAreaMm2(20.6375)
const brake: AxleBrake = { kind: 'disc', pistonAreaMm2: area, mu: 0.4, effectiveRadiusMm: 110, sealMpa: 0.05 }
const fluid = (mm3: number) => ({
  pistonAreaMm2: 0,
  clearanceMm: 0,
  complianceMm3PerMpa: mm3 / 2,
  hoseLengthMm: 0,
  hoseSwellMm3PerMmMpa: 0,
})
const COMPUTED: Record<number, number> = {
  1: area,
  2: rod,
  3: boosted,
  4: pressure,
  5: throttle(pressure, { kneeMpa: 2.5, slope: 0.4 }),
  6: (pressure - 0.05) * torquePerMpa(brake),
  7: (pressure - 0.05) * axleForcePerMpa(brake, 280),
  8: criticalDecelG(0.75, 0.6, 0.2),
  9: bestDeceleration(0.75, 0.6, 0.2, 0.9).decelG,
  10: strokeMm({ kind: 'tandem', boreMm: 20.6375 }, { taker: fluid(5000), pressureMpa: 1 }, { taker: fluid(2000), pressureMpa: 1 }, 1.5),
  11: sameFeelBoreMm(20.6375, 3000, 3600),
  12: 100 * barShareFromGauges([[3, 2.4]], 19.05, 17.4625)!,
}

const rows = readFileSync(new URL('../../docs/hydraulics-worked.md', import.meta.url), 'utf8')
  .split('\n')
  .flatMap((line) => {
    const cells = line.split('|').map((cell) => cell.trim())
    return /^\d+$/.test(cells[1] ?? '') ? [[Number(cells[1]), cells[2]!, cells[4]!] as const] : []
  })

test('the text has at least ten examples, and each is computed', () => {
  expect(rows.length).toBeGreaterThanOrEqual(10)
  expect(rows.map(([number]) => number)).toEqual(Object.keys(COMPUTED).map(Number))
})
test.each(rows)('example %p: %s is %s', (number, _, answer) => {
  const value = Number.parseFloat(answer)
  const decimals = /\.(\d+)/.exec(answer)?.[1]?.length ?? 0
  // the last digit that the text gives
  expect(Math.abs(COMPUTED[number]! - value)).toBeLessThanOrEqual(0.5000001 * 10 ** -decimals)
})
