import { expect, test } from '@jest/globals'
import { oneStopRiseC, ringMassKg } from './one-stop.ts'

test('a ring of 256 x 152 x 22 mm with a third of air weighs about 3.5 kg', () => {
  // pi/4 (256^2 - 152^2) 22 (1 - 0.333) 7.1e-6, by hand
  expect(ringMassKg(256, 152, 22, 1 / 3)).toBeCloseTo(3.4705, 3)
})
test('half the mass of iron doubles the rise; double the speed gives four times as much', () => {
  const rise = oneStopRiseC(1000, 100, 0.8, 3.5)
  // work 405 kJ, of which 80 % x 95 % into two rings of 3.5 kg
  expect(rise).toBeCloseTo((0.5 * 1050 * (100 / 3.6) ** 2 * 0.76) / 2 / (3.5 * 510), 9)
  expect(oneStopRiseC(1000, 100, 0.8, 1.75)).toBeCloseTo(2 * rise, 9)
  expect(oneStopRiseC(1000, 200, 0.8, 3.5)).toBeCloseTo(4 * rise, 9)
})
