import type { Rule } from '../rule.ts'
import { equalPattern } from './equal-pattern.ts'

export const hubPattern: Rule = {
  id: 'hub-pattern',
  title: 'Rotor holes on the hub',
  on: 'disc',
  judge: (look) => equalPattern(look, look.rotor()),
}
