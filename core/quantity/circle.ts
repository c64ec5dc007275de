/** Area of a circle by its diameter, mm2. */
export const circleAreaMm2 = (diameterMm: number): number => (Math.PI * diameterMm * diameterMm) / 4
