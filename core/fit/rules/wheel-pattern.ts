import type { Rule } from '../rule.ts'
import { equalPattern } from './equal-pattern.ts'

export const wheelPattern: Rule = {
  id: 'wheel-pattern',
  title: 'Wheel holes on the hub',
  on: 'any',
  judge: (look) => equalPattern(look, look.part('wheel')),
}
