import { describe, expect, test } from '@jest/globals'
import { boltPatternOf, threadOf, tyreOf, wheelOf } from './markings.ts'

describe('tyres', () => {
  test.each([
    ['195/50 R15', 195, 50, 15],
    ['195/50R15 82V', 195, 50, 15],
    ['205/55 ZR16', 205, 55, 16],
    ['155 R13', 155, 80, 13],
    ['185/60-14', 185, 60, 14],
    [' 225/45 R17.5 ', 225, 45, 17.5],
  ])('%s', (text, widthMm, aspectPercent, rimIn) => expect(tyreOf(text)).toEqual({ widthMm, aspectPercent, rimIn }))
  test.each(['', '195', 'R15', '195/50', '50/195 R15', '195/5 R15', '195/50 R45', '999/50 R15'])('%p is said to be none', (text) =>
    expect(typeof tyreOf(text)).toBe('string'),
  )
})

describe('wheels', () => {
  const full = { widthIn: 7, diameterIn: 17, offsetMm: 40, boltCount: 5, boltCircleMm: 112, boreMm: 57.1 }
  test.each([
    '7J x 17 ET40 5x112 57.1',
    '7J x 17 H2 ET40 5x112 57.1',
    '17x7J 5x112 ET 40 CB57.1',
    '5x112 57,1 ET40 7 x 17',
    '7Jx17, ET40, 5/112, Ø57.1 mm',
  ])('%s', (text) => expect(wheelOf(text)).toEqual(full))
  test.each([
    ['6.5J x 15 ET38', { widthIn: 6.5, diameterIn: 15, offsetMm: 38 }],
    ['6x15 ET-12', { widthIn: 6, diameterIn: 15, offsetMm: -12 }],
    ['5 1/2 J x 13 ET 20 4x100', { widthIn: 5.5, diameterIn: 13, offsetMm: 20, boltCount: 4, boltCircleMm: 100 }],
    ['8J x 18 ET35 5x4.5"', { widthIn: 8, diameterIn: 18, offsetMm: 35, boltCount: 5, boltCircleMm: 114.3 }],
  ])('%s', (text, wheel) => expect(wheelOf(text)).toEqual(wheel))
  test.each([
    ['', /has no size/],
    ['ET40', /has no size/],
    ['7J x 17', /names no offset/],
    ['7J x 71 ET40', /is not a size of wheel/],
    ['7J x 17 ET40 silver', /“silver” is not understood/],
  ])('%p: what is wrong is named', (text, words) => expect(wheelOf(text)).toMatch(words))
})

describe('holes and threads', () => {
  test.each([
    ['5x112', 5, 112],
    ['4/100', 4, 100],
    ['5 x 4.5"', 5, 114.3],
    ['6x5.5', 6, 139.7],
    ['5 on 112', 5, 112],
  ])('%s', (text, boltCount, boltCircleMm) => expect(boltPatternOf(text)).toEqual({ boltCount, boltCircleMm }))
  test.each(['112', '5x', '9x112', '5x40', '5x112 extra', '15x112'])('%p is no pattern', (text) =>
    expect(boltPatternOf(text)).toMatch(/is not a bolt pattern/),
  )
  test.each([
    ['M12x1.5', 12, 1.5],
    ['m14 x 1,25', 14, 1.25],
    ['1/2-20', 12.7, 1.27],
    ['7/16"-20 UNF', 11.1125, 1.27],
  ])('%s', (text, threadMm, pitchMm) => expect(threadOf(text)).toEqual({ threadMm, pitchMm }))
  test.each(['12', 'M12', 'half inch', '1/0-20'])('%p is no thread', (text) => expect(threadOf(text)).toMatch(/is not a thread/))
})
