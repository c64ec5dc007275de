/**
 * Whether a text is a day of the calendar, year first.
 *
 * @example
 * [isDay('2028-02-29'), isDay('2026-02-30'), isDay('2026-99-99')] // => [true, false, false]
 */
export function isDay(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false
  const at = new Date(`${text}T00:00:00Z`)
  return !Number.isNaN(at.getTime()) && at.toISOString().slice(0, 10) === text
}
