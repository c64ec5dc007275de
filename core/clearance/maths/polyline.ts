/**
 * Outlines are polylines in the half-plane through the hub axis: pairs (z, r), mm, z outboard and r
 * from the axis. A caliper's are in the seat frame (z = 0 where the wheel bolts on, no spacer), a
 * wheel's in the wheel frame (z = 0 on its hub pad); a spacer moves the wheel outboard.
 */
export type Point = readonly [z: number, r: number]
export type Polyline = readonly Point[]
