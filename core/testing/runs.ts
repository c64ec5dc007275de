/**
 * How often a property is tried. `npm run test:deep` tries all of them; `npm test` tries a part where all would take
 * seconds. Both start from the same seed, so the quick runs are the first of the full ones.
 */
export const DEEP: boolean = Boolean((globalThis as { TEST_DEEP?: boolean }).TEST_DEEP)

/**
 * @param full runs in `npm run test:deep`
 * @param quick runs in `npm test`
 * @example
 * runs(200, 200) // => 200
 */
export const runs = (full: number, quick: number): number => (DEEP ? full : Math.min(full, quick))
