/** Pieces of line that meet end to end become one; every piece is used once and may be turned round. */

type PiecePoints = [number, number][]

/** @param tolerance how near two ends must be to meet, in the unit of the points */
export function chainPieces(pieces: readonly PiecePoints[], tolerance: number): PiecePoints[] {
  const left = pieces.filter((piece) => piece.length >= 2).map((piece) => [...piece])
  const chains: PiecePoints[] = []
  while (left.length > 0) {
    const chain = left.shift()!
    for (let grown = true; grown;) {
      grown = false
      for (let i = 0; i < left.length; i += 1) {
        const piece = left[i]!
        const joined = join(chain, piece, tolerance)
        if (!joined) continue
        left.splice(i, 1)
        grown = true
        break
      }
    }
    chains.push(chain)
  }
  return chains
}

const meet = (a: readonly [number, number], b: readonly [number, number], tolerance: number): boolean =>
  Math.abs(a[0] - b[0]) <= tolerance && Math.abs(a[1] - b[1]) <= tolerance

/** Puts a piece before or after a chain where they meet; false where they do not. */
function join(chain: PiecePoints, piece: PiecePoints, tolerance: number): boolean {
  const head = chain[0]!
  const tail = chain[chain.length - 1]!
  const first = piece[0]!
  const last = piece[piece.length - 1]!
  // a closed chain has no end left to meet
  if (chain.length > 2 && meet(head, tail, tolerance)) return false
  if (meet(tail, first, tolerance)) chain.push(...piece.slice(1))
  else if (meet(tail, last, tolerance)) chain.push(...piece.slice(0, -1).reverse())
  else if (meet(head, last, tolerance)) chain.unshift(...piece.slice(0, -1))
  else if (meet(head, first, tolerance)) chain.unshift(...piece.slice(1).reverse())
  else return false
  return true
}
