import type { Rule } from '../rule.ts'
import { registerPlay } from './register-play.ts'

export const hubRegister: Rule = {
  id: 'hub-register',
  title: 'Rotor bore on the hub register',
  on: 'disc',
  judge: (look) => registerPlay(look, look.rotor()),
}
