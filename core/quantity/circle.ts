/**
 * Area of a circle by its diameter, mm2.
 *
 * @example
 * Math.round(circleAreaMm2(54)) // => 2290
 */
export const circleAreaMm2 = (diameterMm: number): number => (Math.PI * diameterMm * diameterMm) / 4
