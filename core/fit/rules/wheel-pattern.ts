import type { Rule } from '../rule.ts'
import { equalPattern } from './equal-pattern.ts'
import { withSpacer } from './with-spacer.ts'

export const wheelPattern: Rule = {
  id: 'wheel-pattern',
  title: 'Wheel holes on the hub',
  on: 'any',
  judge: (look) => withSpacer(look, (part) => equalPattern(look, part)),
}
