import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { ring } from './maths/ring.ts'
import type { PartOf } from '../records/part.ts'
import { figure } from '../quantity/figure.ts'
import { evaluate } from '../evaluate/evaluate.ts'

const SETUP = 'balanced'
/** Mass of the front ring and its rise in one stop with some figures of the rotor changed. */
function ringWith(change: Partial<PartOf<'rotor'>>) {
  const project = structuredClone(DEMO_PROJECT)
  const rotorId = project.setups.find((one) => one.id === SETUP)!.front.rotor ?? project.setups[0].front.rotor
  const rotor = project.parts.find((part): part is PartOf<'rotor'> => part.id === rotorId && part.kind === 'rotor')!
  Object.assign(rotor, change)
  const { figures } = evaluate(project, SETUP)
  return { rotor, massKg: figures['front.ringMass'].value!, riseC: figures['front.heat'].value!, figure: figures['front.ringMass'] }
}
const iron = ringWith({})

test('a carbon ring is as light as carbon is, and gets hotter for it', () => {
  const carbon = ringWith({ material: 'carbon' })
  expect(carbon.massKg / iron.massKg).toBeCloseTo(1.8 / 7.1, 6)
  expect(carbon.riseC / iron.riseC).toBeCloseTo((7.1 * 510) / (1.8 * 1080), 6)
})
test('a ring that was weighed has that mass, whatever its shape says', () => {
  const weighed = ringWith({ ringMassKg: figure(6, 'measured') })
  expect(weighed.massKg).toBe(6)
  expect(weighed.riseC).toBeCloseTo((iron.riseC * iron.massKg) / 6, 6)
  // and its shape need not be known
  expect(ringWith({ ringMassKg: figure(6, 'measured'), frictionInnerDiameterMm: undefined } as never).massKg).toBe(6)
})
test('a worn ring has the mass of its thickness now', () => {
  const { rotor } = iron
  const worn = ringWith({ nowThicknessMm: figure(rotor.thicknessMm!.value - 2, 'measured') })
  expect(worn.massKg / iron.massKg).toBeCloseTo((rotor.thicknessMm!.value - 2) / rotor.thicknessMm!.value, 6)
})
test('the session and the single stop take the same mass', () => {
  const { rotor, massKg } = ringWith({ material: 'stainless' })
  const of = (figure: { value: number } | undefined) => figure!.value
  const shape = {
    outerDiameterMm: of(rotor.diameterMm),
    innerDiameterMm: of(rotor.frictionInnerDiameterMm),
    thicknessMm: of(rotor.thicknessMm),
    voidShare: rotor.ventilation === 'vented' ? (rotor.voidShare?.value ?? 0.35) : 0,
  }
  expect(ring(shape, 'stainless').massKg).toBeCloseTo(massKg, 9)
})
