/**
 * Of several calls that overlap only the latest counts: each takes a turn when it begins, and asks before it puts its answer
 * anywhere whether it is still the latest.
 *
 * @returns begins a call; what that gives says whether no later one has begun
 *
 * @example
 * const begin = latestCall()
 * async function load() {
 *   const isLatest = begin()
 *   const answer = await fetchAnswer()
 *   if (isLatest()) shown.value = answer
 * }
 */
export function latestCall(): () => () => boolean {
  let turn = 0
  return () => {
    turn += 1
    const mine = turn
    return () => mine === turn
  }
}
