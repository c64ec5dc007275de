/** The two axles of a car, front first. */
export const AXLES = ['front', 'rear'] as const
export type Axle = (typeof AXLES)[number]
