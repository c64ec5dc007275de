import { readProject, writeProject } from '../formats/project-file.ts'
import { atItsLimits, EVERY_DOOR, notSaid } from './every-door.ts'
import type { FuzzTarget } from './fuzz.ts'

/** These doors draw hundreds of cars or drive whole sessions; one project in so many goes through them too. */
const SLOW_DOORS: ReadonlySet<string> = new Set(['recommendation', 'compare', 'heat', 'uncertainty'])
const SLOW_EVERY = 20

/**
 * Projects with a figure or a few at their limits, through every public door: each says something, and nothing of NaN or
 * Infinity.
 */
export const LIMITS_TARGET: FuzzTarget = {
  name: 'limits',
  // the slow doors of one project are seconds of work on a slow machine
  longestMs: Infinity,
  make: (next) => writeProject(atItsLimits(next).project),
  read(text) {
    const read = readProject(text)
    if (!read.ok) throw new Error(`refused: ${read.problems[0]?.message}`)
    const { id } = read.project.setups[text.length % read.project.setups.length]!
    const slowToo = text.length % SLOW_EVERY === 0
    for (const [door, of] of Object.entries(EVERY_DOOR)) {
      if (SLOW_DOORS.has(door) && !slowToo) continue
      const found = notSaid(of(read.project, id))
      if (found) throw new Error(`${door} of ${id}: ${found}`)
    }
  },
}
