import type { Rule } from '../rule.ts'
import { asRemedies } from './other-parts.ts'

/** Free length that a hose needs for a path at full droop and full lock, mm. */
export const hoseNeededMm = (pathMm: number, share: number, slackMm: number): number => pathMm + Math.max(share * pathMm, slackMm)

export const hoseLength: Rule = {
  id: 'hose-length',
  title: 'Hose length at full lock and droop',
  on: 'any',
  judge(look) {
    const hose = look.part('hose')
    const length = look.of(hose, 'lengthMm')
    const path = look.car('hosePathMm')
    if (length === undefined || path === undefined) return undefined
    const needed = hoseNeededMm(path, look.limit('hoseShare'), look.limit('hoseSlackMm'))
    const figure = { value: length, dimension: 'length', limit: `at least ${look.mm(needed)}` } as const
    if (length >= needed - 1e-9)
      return { ...figure, verdict: 'fits', sentence: `The hose has ${look.mm(length - path)} to spare over its path.` }
    const longer = look
      .library('hose')
      .filter(
        (one) =>
          one.id !== hose?.id &&
          (one.lengthMm?.value ?? 0) >= needed &&
          one.caliperThread === hose?.caliperThread &&
          one.caliperSeat === hose?.caliperSeat &&
          one.lineThread === hose?.lineThread &&
          one.lineSeat === hose?.lineSeat,
      )
    return {
      ...figure,
      // a hose that can be pulled is no need but a blocker, until another is in
      verdict: 'blocked',
      safety: true,
      sentence: `The hose is ${look.mm(needed - length)} short at full lock and droop: a hose must never be pulled.`,
      remedies: asRemedies('hose', longer, 'is long enough'),
    }
  },
}
