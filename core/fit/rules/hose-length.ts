import type { Rule } from '../rule.ts'
import { hoseNeededMm, otherHoses } from './other-hoses.ts'
import { asRemedies } from './other-parts.ts'

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
      return { verdict: 'fits', sentence: `The hose has ${look.mm(length - path)} to spare over its path.`, ...figure }
    return {
      verdict: 'blocked',
      safety: true,
      sentence: `The hose is ${look.mm(needed - length)} short at full lock and droop: a hose must never be pulled.`,
      remedies: asRemedies('hose', otherHoses(look), 'is long enough'),
      ...figure,
    }
  },
}
