import { createEvents, type EventAttributes } from 'ics'

/** One whole day of a build. */
export interface CalendarDay {
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
    const at = new Date(`${date.slice(0, 10)}T00:00:00Z`)
    if (Number.isNaN(at.getTime())) throw new RangeError(`${date} is no date`)
    return {
      uid: `${id}@valiant-caliper`,
      productId: 'valiant-caliper',
      start: [at.getUTCFullYear(), at.getUTCMonth() + 1, at.getUTCDate()],
      duration: { days: 1 },
      title,
      description: text,
    }
  })
  const { error, value } = createEvents(events)
  if (error || !value) throw new RangeError(error?.message ?? 'no calendar could be made')
  return value
}
