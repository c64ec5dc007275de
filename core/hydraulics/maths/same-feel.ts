/** Bores that master cylinders are sold in, mm. */
export const STOCK_BORES_MM = [
  12.7, 14.2875, 15.875, 17.4625, 17.78, 19.05, 20.6375, 22.225, 23.8125, 25.4, 26.9875, 28.575, 31.75,
] as const

/**
 * The master-cylinder bore that keeps pedal travel and clamp per pedal force when the pistons change:
 * master area in proportion to piston area. Deceleration per force still changes with friction and radii.
 *
 * @param oldPistonAreaMm2 front plus rear, one side
 *
 * @example
 * sameFeelBoreMm(20, 1000, 4000) // => 40
 */
export function sameFeelBoreMm(boreMm: number, oldPistonAreaMm2: number, newPistonAreaMm2: number): number {
  return boreMm * Math.sqrt(newPistonAreaMm2 / oldPistonAreaMm2)
}

/**
 * The stock bore nearest by diameter; a tie takes the smaller.
 *
 * @example
 * nearestStockBoreMm(22) // => 22.225
 */
export function nearestStockBoreMm(boreMm: number): number {
  return STOCK_BORES_MM.reduce((best: number, bore) => (Math.abs(bore - boreMm) < Math.abs(best - boreMm) ? bore : best), STOCK_BORES_MM[0])
}
