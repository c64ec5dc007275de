import { createEvents, type EventAttributes } from 'ics'
import { isDay } from '../quantity/day.ts'

/** One whole day of a build. */
interface CalendarDay {
  id: string
  /** 2026-11-28 */
  date: string
  title: string
  text: string
}

/**
 * An iCalendar file of whole days (RFC 5545).
 * @returns undefined where there is nothing to write
 * @throws RangeError for a date that is none
 */
export function writeCalendar(days: readonly CalendarDay[]): string | undefined {
  if (days.length === 0) return undefined
  const events = days.map(({ id, date, title, text }): EventAttributes => {
    if (!isDay(date)) throw new RangeError(`${date} is no date`)
    const at = new Date(`${date}T00:00:00Z`)
    return {
      uid: `${id}@valiant-caliper`,
      productId: 'valiant-caliper',
      start: [at.getUTCFullYear(), at.getUTCMonth() + 1, at.getUTCDate()],
      duration: { days: 1 },
      title: oneKindOfLine(title),
      description: oneKindOfLine(text),
    }
  })
  const { error, value } = createEvents(events)
  if (error || !value) throw new RangeError(error?.message ?? 'no calendar could be made')
  return folded(value)
}

/** A carriage return by itself, or another separator of lines, would end a line of the file. */
const oneKindOfLine = (text: string): string => text.replaceAll(/\r\n?|[\u0085\u2028\u2029]/g, '\n')

const MOST_OCTETS = 75
/** Lines of at most 75 octets, none of them cut within a character (RFC 5545, 3.1). */
function folded(text: string): string {
  const encoder = new TextEncoder()
  const fold = (line: string): string => {
    const lines: string[] = []
    let [now, octets] = ['', 0]
    for (const character of line) {
      const more = encoder.encode(character).length
      if (octets + more > MOST_OCTETS) {
        lines.push(now)
        // what goes on begins with a space
        ;[now, octets] = [' ', 1]
      }
      now += character
      octets += more
    }
    return [...lines, now].join('\r\n')
  }
  return text
    .replaceAll(/\r\n[ \t]/g, '')
    .split('\r\n')
    .map(fold)
    .join('\r\n')
}
