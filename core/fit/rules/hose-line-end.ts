import type { Rule } from '../rule.ts'
import { otherHoses } from './other-hoses.ts'
import { asRemedies } from './other-parts.ts'
import { sameEnd } from './same-thread.ts'

export const hoseLineEnd: Rule = {
  id: 'hose-line-end',
  title: 'Hose on the car’s line',
  on: 'any',
  judge(look) {
    const hose = look.part('hose')
    const [thread, seat] = [look.wordOf(hose, 'lineThread'), look.wordOf(hose, 'lineSeat')]
    const [carThread, carSeat] = [look.carWord('lineThread'), look.carWord('lineSeat')]
    if (!thread || !seat || !carThread || !carSeat) return undefined
    return sameEnd({ thread, seat }, { thread: carThread, seat: carSeat }, 'Hose on line', () =>
      asRemedies('hose', otherHoses(look), 'meets both'),
    )
  },
}
