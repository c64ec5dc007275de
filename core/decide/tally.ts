import { RULE_TITLES } from '../figures/words.ts'
import { AXLE_RULES, CAR_RULES } from './rejections.ts'
import type { Rejection } from './search-report.ts'

export const WHOLE_KITS = 'whole-kits'
const TITLES: ReadonlyMap<string, string> = new Map([
  ...Object.entries(RULE_TITLES),
  ...[...AXLE_RULES, ...CAR_RULES].map(({ id, title }): [string, string] => [id, title]),
  [WHOLE_KITS, 'Kits and donors only whole'],
  ['budget', 'The budget'],
  ['front-first', 'The front wheels first'],
  ['pedal-band', 'The usual pedal'],
])

/** How many combinations ended at which rule. */
export class Tally {
  private readonly counts = new Map<string, number>()

  drop(rule: string, count: number): void {
    this.counts.set(rule, (this.counts.get(rule) ?? 0) + count)
  }
  /** The most first. */
  list(): Rejection[] {
    return [...this.counts].map(([rule, count]) => ({ rule, title: TITLES.get(rule) ?? rule, count })).sort((a, b) => b.count - a.count)
  }
}
