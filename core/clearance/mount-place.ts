import type { Car } from '../records/project.ts'
import type { ResolvedAxle } from '../records/resolve.ts'

/** Where a caliper's mount is on this car, for a scan of the caliper alone; undefined: a value is not known. */
export interface MountPlace {
  mount: 'axial' | 'radial'
  /** From the hub axis to the mounting holes, mm. */
  toAxisMm: number | undefined
  /** From the caliper's mount face outboard to the wheel mounting face, mm. */
  toMountingFaceMm: number | undefined
}

/**
 * From the values of the car, the bracket, the shims and the rotor's hat: the wheel mounting face is the hub face and the hat
 * on it.
 *
 * @example
 * mountPlace({ mountFaceMm: { value: -38, origin: 'measured' }, mountRadiusMm: { value: 98, origin: 'measured' } }, { bracket: null, rotor: undefined, caliper: undefined, shimMm: 0 })
 * // => { mount: 'axial', toAxisMm: 98, toMountingFaceMm: undefined }
 */
export function mountPlace(
  car: Pick<Car['front'], 'mountFaceMm' | 'mountRadiusMm'>,
  { bracket, rotor, caliper, shimMm }: Pick<ResolvedAxle, 'bracket' | 'rotor' | 'caliper' | 'shimMm'>,
): MountPlace {
  const plus = (...all: (number | undefined)[]): number | undefined =>
    all.some((one) => one === undefined) ? undefined : all.reduce<number>((sum, one) => sum + one!, 0)
  const of = (field: 'axialMm' | 'radialMm') => (bracket === null ? 0 : bracket?.[field]?.value)
  const face = plus(car.mountFaceMm?.value, of('axialMm'), shimMm)
  const hat = rotor?.hatThicknessMm?.value
  return {
    mount: caliper?.kind === 'caliper' && caliper.mountType === 'radial' ? 'radial' : 'axial',
    toAxisMm: plus(car.mountRadiusMm?.value, of('radialMm')),
    toMountingFaceMm: face === undefined || hat === undefined ? undefined : hat - face,
  }
}

/**
 * Points of the half section as a caliper states them whose outline is measured from its mount: along the axle from the middle
 * of its slot, upwards from its mounting holes.
 *
 * @example
 * fromMount([[10, 150]], { toAxisMm: 98, toMountingFaceMm: 45 }, 20) // => [[35, 52]]
 */
export const fromMount = (
  points: readonly (readonly [z: number, r: number])[],
  { toAxisMm, toMountingFaceMm }: { toAxisMm: number; toMountingFaceMm: number },
  mountToSlotMm: number,
): [z: number, r: number][] => points.map(([z, r]) => [z + toMountingFaceMm - mountToSlotMm, r - toAxisMm])
