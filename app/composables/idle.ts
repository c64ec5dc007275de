/** Runs something in an idle moment, for what is fetched ahead; not at all where data is to be saved. */
export function whenIdle(work: () => void): void {
  const { connection } = navigator as Navigator & { connection?: { saveData?: boolean } }
  if (!connection?.saveData) globalThis.requestIdleCallback?.(work)
}
