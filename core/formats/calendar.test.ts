import { expect, test } from '@jest/globals'
import { writeCalendar } from './calendar.ts'

test('each stage is a whole day, with what is done; commas, semicolons and lines are kept as text', () => {
  const text = writeCalendar([
    { id: 'balanced-0', date: '2026-11-28', title: 'Brakes: fluid, hoses; bleeding', text: '14 steps\nthen a test' },
    { id: 'balanced-1', date: '2026-12-05', title: 'Brakes: front', text: '' },
  ])!
  expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2)
  expect(text).toContain('DTSTART;VALUE=DATE:20261128')
  expect(text).toContain('SUMMARY:Brakes: fluid\\, hoses\\; bleeding')
  expect(text).toContain('UID:balanced-1@valiant-caliper')
  expect(text.startsWith('BEGIN:VCALENDAR\r\n')).toBe(true)
})
test('a carriage return in a name ends no line, and no line is longer than 75 octets or cut within a character', () => {
  const title = `Brakes of \r\nX-EVIL:1\r${'ä€😀'.repeat(40)}\u2028end`
  const text = writeCalendar([{ id: 'a', date: '2026-11-28', title, text: 'x'.repeat(500) }])!
  expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/)
  for (const line of text.split('\r\n')) {
    expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75)
    expect(line).not.toMatch(/^X-EVIL|\ufffd/)
  }
  // unfolded it is what was given
  const whole = text.replaceAll(/\r\n[ \t]/g, '')
  expect(whole).toContain(`SUMMARY:Brakes of \\nX-EVIL:1\\n${'ä€😀'.repeat(40)}\\nend`)
})
test('nothing to write, and what is no date', () => {
  expect(writeCalendar([])).toBeUndefined()
  for (const date of ['2026-19-90', '2026-99-99', '2026-02-30'])
    expect(() => writeCalendar([{ id: 'a', date, title: '', text: '' }])).toThrow('no date')
})
