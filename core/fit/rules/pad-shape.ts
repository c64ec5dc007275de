import type { Rule } from '../rule.ts'
import { asRemedies } from './other-parts.ts'

const plain = (text: string): string => text.toLowerCase().replace(/[\s-]+/g, '')

export const padShape: Rule = {
  id: 'pad-shape',
  title: 'Pad shape',
  on: 'disc',
  judge(look) {
    const pad = look.pad()
    const has = look.wordOf(pad, 'shape')
    const wants = look.wordOf(look.caliper(), 'padShape')
    if (has === undefined || wants === undefined) return undefined
    if (plain(has) === plain(wants)) return { verdict: 'fits', sentence: `Shape ${has}, as the caliper needs.`, limit: wants }
    const others = look.library('pad').filter((one) => one.shape !== undefined && plain(one.shape) === plain(wants))
    const sentence = `The pads are shape ${has}, the caliper needs ${wants}.`
    if (others.length === 0)
      return {
        verdict: 'needs',
        limit: wants,
        sentence,
        remedies: [
          {
            kind: 'piece',
            label: `Pads of shape ${wants}`,
            quantity: 1,
            piece: { id: 'pads-of-shape', of: plain(wants) },
            sentence: 'Pads of the caliper’s shape.',
          },
        ],
      }
    return {
      verdict: 'needs',
      limit: wants,
      sentence,
      remedies: asRemedies('pad', others, 'have it'),
    }
  },
}
