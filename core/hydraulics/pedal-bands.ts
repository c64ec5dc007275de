export interface Band {
  low: number
  high: number
}
/** What feels right at 0.9 g, by use: R. Limpert, Brake Design and Safety, ch. 5, rounded; road with assist, competition without. */
export const BANDS = {
  road: { forceN: { low: 100, high: 250 }, travelMm: { low: 40, high: 90 } },
  competition: { forceN: { low: 300, high: 500 }, travelMm: { low: 20, high: 50 } },
} as const
