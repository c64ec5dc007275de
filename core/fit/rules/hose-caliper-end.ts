import type { Rule } from '../rule.ts'
import { otherHoses } from './other-hoses.ts'
import { asRemedies } from './other-parts.ts'
import { sameEnd } from './same-thread.ts'

export const hoseCaliperEnd: Rule = {
  id: 'hose-caliper-end',
  title: 'Hose on the caliper',
  on: 'any',
  judge(look) {
    const hose = look.part('hose')
    const fitted = look.part('caliper')
    const [thread, seat] = [look.wordOf(hose, 'caliperThread'), look.wordOf(hose, 'caliperSeat')]
    const inlet =
      fitted?.kind === 'drum'
        ? [look.wordOf(fitted, 'inletThread'), look.wordOf(fitted, 'inletSeat')]
        : [look.wordOf(look.caliper(), 'inletThread'), look.wordOf(look.caliper(), 'inletSeat')]
    if (!thread || !seat || !inlet[0] || !inlet[1]) return undefined
    return sameEnd({ thread, seat }, { thread: inlet[0], seat: inlet[1] }, 'Hose on caliper', () =>
      asRemedies('hose', otherHoses(look), 'meets both'),
    )
  },
}
