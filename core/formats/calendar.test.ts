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
test('nothing to write, and what is no date', () => {
  expect(writeCalendar([])).toBeUndefined()
  expect(() => writeCalendar([{ id: 'a', date: '2026-19-90', title: '', text: '' }])).toThrow('no date')
})
