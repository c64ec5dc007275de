import type { Rule } from '../rule.ts'
import { registerPlay } from './register-play.ts'

export const wheelRegister: Rule = {
  id: 'wheel-register',
  title: 'Wheel bore on the hub register',
  on: 'any',
  judge: (look) => registerPlay(look, look.part('wheel')),
}
