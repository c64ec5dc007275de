interface Dot {
  x: number
  y: number
}

/**
 * The region of a chart where something costs more or is worse than a point of the front, as the path of a staircase; empty without
 * points. Coordinates are those of the drawing.
 *
 * @param box corners of the plot
 * @param worse to which side of a point it is worse: 1 towards larger coordinates, -1 towards smaller
 * @example
 * dominatedPath([{ x: 10, y: 50 }], { left: 0, right: 100, top: 0, bottom: 80 }, { x: 1, y: 1 }) // => 'M10,80L10,50L100,50L100,80Z'
 */
export function dominatedPath(
  points: readonly Dot[],
  box: { left: number; right: number; top: number; bottom: number },
  worse: { x: 1 | -1; y: 1 | -1 },
): string {
  if (points.length === 0) return ''
  const endX = worse.x === 1 ? box.right : box.left
  const endY = worse.y === 1 ? box.bottom : box.top
  const sorted = [...points].sort((a, b) => worse.x * (a.x - b.x))
  const corners: Dot[] = [{ x: sorted[0]!.x, y: endY }]
  // the best so far bounds the region
  let best = endY
  for (const { x, y } of sorted) {
    if (worse.y * (best - y) <= 0) continue
    corners.push({ x, y: best }, { x, y })
    best = y
  }
  corners.push({ x: endX, y: best }, { x: endX, y: endY })
  const distinct = corners.filter((one, i) => i === 0 || one.x !== corners[i - 1]!.x || one.y !== corners[i - 1]!.y)
  return `M${distinct.map(({ x, y }) => `${x},${y}`).join('L')}Z`
}
