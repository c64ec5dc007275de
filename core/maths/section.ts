/**
 * Parts in the half section through the wheel's axis: z along the axle, positive outboard, and r from the axle, both in mm.
 */

/** One closed outline of a part. */
export interface Outline {
  name: string
  points: [z: number, r: number][]
}

/** What a stretch of a wheel's inside is. */
export const WHEEL_TAGS = ['barrel', 'shoulder', 'face'] as const
export type WheelTag = (typeof WHEEL_TAGS)[number]

/** The inside of a wheel as a line from the inboard rim edge to the hub; a tag for each stretch but the last point's. */
export interface Profile {
  points: [z: number, r: number][]
  tags: WheelTag[]
}
