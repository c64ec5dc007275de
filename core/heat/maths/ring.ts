import { circleAreaMm2 } from '../../quantity/circle.ts'
import { CARBON_J_PER_KG_K, IRON_J_PER_KG_K, IRON_KG_PER_MM3, ringMassKg } from './one-stop.ts'

/** The friction ring of a rotor, mm; `voidShare` is the air between the cheeks, 0 for a solid one. */
export interface RingFigures {
  outerDiameterMm: number
  innerDiameterMm: number
  thicknessMm: number
  voidShare: number
}

/** What rings are made of, kg/mm3. */
export const RING_KG_PER_MM3 = { iron: IRON_KG_PER_MM3, stainless: 7.9e-6, carbon: 1.8e-6 } as const
export type RingMaterial = keyof typeof RING_KG_PER_MM3
/** Mean specific heat of a ring in one stop, J/(kg K). */
export const RING_J_PER_KG_K: Readonly<Record<RingMaterial, number>> = {
  iron: IRON_J_PER_KG_K,
  stainless: IRON_J_PER_KG_K,
  carbon: CARBON_J_PER_KG_K,
}

export interface Ring {
  massKg: number
  /** Both rubbing faces. */
  faceAreaM2: number
  /** What heat crosses from a face: a cheek of a vented ring, half of a solid one, mm. */
  cheekMm: number
}

/**
 * What a ring stores heat in and gives it off from (R. Limpert, Brake Design and Safety, ch. 3).
 *
 * @example
 * ring({ outerDiameterMm: 300, innerDiameterMm: 200, thicknessMm: 20, voidShare: 0 }).cheekMm // => 10
 */
export function ring({ outerDiameterMm, innerDiameterMm, thicknessMm, voidShare }: RingFigures, material: RingMaterial = 'iron'): Ring {
  return {
    massKg: ringMassKg(outerDiameterMm, innerDiameterMm, thicknessMm, voidShare, RING_KG_PER_MM3[material]),
    faceAreaM2: (2 * (circleAreaMm2(outerDiameterMm) - circleAreaMm2(innerDiameterMm))) / 1e6,
    cheekMm: (thicknessMm * (1 - voidShare)) / 2,
  }
}
