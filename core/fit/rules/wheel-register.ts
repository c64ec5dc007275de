import type { Rule } from '../rule.ts'
import { registerPlay } from './register-play.ts'
import { withSpacer } from './with-spacer.ts'

export const wheelRegister: Rule = {
  id: 'wheel-register',
  title: 'Wheel bore on the hub register',
  on: 'any',
  judge: (look) => withSpacer(look, (part) => registerPlay(look, part)),
}
