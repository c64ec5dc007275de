import type { Polyline } from './maths/polyline.ts'
import type { PartOf } from '../records/part.ts'
import type { Corner } from './half-section.ts'

/** Ring and hat of a rotor in the seat frame, as far as they are known. */
export function rotorSection(rotor: PartOf<'rotor'>): Corner['rotor'] {
  const { diameterMm, thicknessMm, offsetMm, frictionInnerDiameterMm, hatThicknessMm, boreMm } = rotor
  if (!diameterMm || !thicknessMm || !offsetMm) return undefined
  const half = thicknessMm.value / 2
  const outer = diameterMm.value / 2
  const inner = frictionInnerDiameterMm ? frictionInnerDiameterMm.value / 2 : outer * 0.6
  const middle = -offsetMm.value
  const ring: Polyline = [
    [middle - half, inner],
    [middle - half, outer],
    [middle + half, outer],
    [middle + half, inner],
    [middle - half, inner],
  ]
  if (!hatThicknessMm) return { ring, hat: undefined }
  const hat = hatThicknessMm.value
  const bore = boreMm ? boreMm.value / 2 : 30
  const wall = inner - hat
  const inboard = middle - half
  return {
    ring,
    hat: [
      [-hat, bore],
      [0, bore],
      [0, inner],
      [inboard, inner],
      [inboard, wall],
      [-hat, wall],
      [-hat, bore],
    ],
  }
}
