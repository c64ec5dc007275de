import type { Judgement, Fix } from '../interface-check.ts'

/** A thread as it is written, however it is spaced: "M10 x 1" is "m10x1". */
export const plainThread = (text: string): string => text.toLowerCase().replace(/\s+/g, '').replace(/[×*]/g, 'x').replace(',', '.')

export const sameThread = (a: string | undefined, b: string | undefined): boolean =>
  a !== undefined && b !== undefined && plainThread(a) === plainThread(b)

interface PipeEnd {
  thread: string
  seat: string
}

/**
 * Two ends of a brake pipe or hose: the same thread and the same seat. Another thread takes an adapter;
 * another seat never seals, whatever is done to it, and blocks until another hose is in.
 *
 * @param others hoses that would do
 */
export function sameEnd(a: PipeEnd, b: PipeEnd, what: string, others: () => Fix[]): Judgement {
  const limit = `${b.thread}, ${b.seat}`
  if (a.seat !== b.seat)
    return {
      verdict: 'blocked',
      limit,
      safety: true,
      sentence: `${what}: a ${a.seat} on a ${b.seat} does not seal. Mixed seats must not be assembled; tape or force does not help.`,
      remedies: others(),
    }
  if (plainThread(a.thread) === plainThread(b.thread))
    return { verdict: 'fits', limit, sentence: `${what}: ${b.thread}, ${b.seat} on both.` }
  return {
    verdict: 'needs',
    limit,
    sentence: `${what}: ${a.thread} meets ${b.thread}; an adapter certified for brakes is needed.`,
    remedies: [
      ...others(),
      {
        kind: 'piece',
        label: `Brake adapter ${a.thread} to ${b.thread}`,
        quantity: 2,
        piece: { id: 'brake-adapter', of: `${plainThread(a.thread)} ${plainThread(b.thread)}` },
        sentence: 'One adapter on each side, matching both port seats.',
      },
    ],
  }
}
