import { describe, expect, test } from '@jest/globals'
import type { Px } from './grey.ts'
import { findMarks, orderedMarks, type FourMarks } from './marks.ts'
import { poseOf } from './pose.ts'
import { readSheet } from './read-sheet.ts'
import { MARKS, type Mm } from './sheet.ts'
import { mmOf, toPx } from './sheet-map.ts'
import { focalPx, seenBy, takePicture, type Camera, type Scene } from './simulated-camera.ts'

const CAMERA: Camera = { width: 1600, height: 1200, focal35Mm: 30, distanceMm: 470, tiltDeg: 22, azimuthDeg: 240, turnDeg: 122, lens: 0.03 }
const picture = (scene: Scene = { drawn: [] }, camera = CAMERA) => takePicture(camera, scene, { blurPx: 0.7 })
const whole = picture()
const truth = MARKS.map((mark) => toPx(seenBy(CAMERA), mark)) as unknown as FourMarks
const moved = (by: readonly [number, number], which = 0) =>
  truth.map((one, i): Px => (i === which ? [one[0] + by[0], one[1] + by[1]] : one)) as unknown as FourMarks
const read = (marks: FourMarks, exact = false, grey = whole) => {
  const found = readSheet(grey, marks, exact)
  if (!found.ok) throw new Error(found.message)
  return found.reading
}

test('the whole sheet is read to some hundredths of a millimetre, with the lens', () => {
  const { map, residualMm, seen, leftOut } = read(findMarks(whole)!)
  expect([seen.length, leftOut]).toEqual([41, 0])
  expect(residualMm).toBeLessThan(0.05)
  expect(map.lens).toBeCloseTo(0.03, 2)
  const back = mmOf(map)
  for (const place of [
    [-100, 20],
    [0, 120],
    [40, 210],
  ] as const satisfies Mm[]) {
    const [z, r] = back(toPx(seenBy(CAMERA), place))
    expect(Math.hypot(z - place[0], r - place[1])).toBeLessThan(0.05)
  }
})
test('from marks that a hand put some pixels beside the rings it comes to the same', () => {
  const exact = read(truth)
  const beside = read(moved([4, -3]))
  MARKS.forEach((mark) => {
    const [a, b] = [toPx(exact.map, mark), toPx(beside.map, mark)]
    expect(Math.hypot(a[0] - b[0], a[1] - b[1])).toBeLessThan(0.1)
  })
})
test('whichever order they were pointed at, the sheet says which is which', () => {
  const turned = [truth[2], truth[3], truth[0], truth[1]] as const
  expect(orderedMarks(whole, turned)).toEqual([...truth])
  expect(orderedMarks(whole, [truth[1], truth[3], truth[0], truth[2]])).toEqual([...truth])
})
test('from straight above the picture says nothing of its focal length, aslant it does', () => {
  const straight = { ...CAMERA, tiltDeg: 0, lens: 0 }
  const flat = picture({ drawn: [] }, straight)
  const { map, spread } = read(findMarks(flat)!, false, flat)
  expect(poseOf(map, spread).focal.uLn).toBeGreaterThan(0.15)
  expect(poseOf(map, spread, 30).focal).toMatchObject({ from: 'file' })
  const aslant = read(truth)
  const focal = poseOf(aslant.map, aslant.spread).focal
  expect(focal.from).toBe('picture')
  expect(Math.abs(Math.log(focal.px / focalPx(CAMERA)))).toBeLessThan(3 * focal.uLn)
  expect(focal.uLn).toBeLessThan(0.05)
})

describe('what is hidden, wrong or too small is said', () => {
  test('a dot that is covered in part is left out or not seen, and the rest holds', () => {
    const covered = picture({
      drawn: [
        {
          points: [
            [57.4, 85],
            [57.4, 91],
          ],
          lineMm: 2,
          shade: 235,
        },
        {
          points: [
            [-101, 239],
            [-99, 239],
          ],
          lineMm: 2,
          shade: 235,
        },
      ],
    })
    const { seen, residualMm, map } = read(findMarks(covered)!, false, covered)
    expect(seen.length).toBeLessThan(41)
    expect(residualMm).toBeLessThan(0.15)
    const [z, r] = mmOf(map)(toPx(seenBy(CAMERA), [-30, 120]))
    expect(Math.hypot(z + 30, r - 120)).toBeLessThan(0.08)
  })
  test('a mark without its dot is not found, and then asked for', () => {
    expect(
      findMarks(
        picture({
          drawn: [
            {
              points: [
                [-129, 238],
                [-124, 238],
              ],
              lineMm: 5,
              shade: 235,
            },
          ],
        }),
      ),
    ).toBeUndefined()
  })
  test('marks that are put off by more than half a millimetre are refused, with how far', () => {
    const found = readSheet(whole, moved([7, 0]), true)
    expect(found.ok).toBe(false)
    if (!found.ok) {
      expect(found.residualMm).toBeGreaterThan(0.5)
      expect(found.message).toMatch(/off by up to \d\.\d\d mm, more than 0\.5 mm/)
    }
  })
  test('a lens that one coefficient does not describe is refused', () => {
    const bent = picture({ drawn: [], printed: [1, 1] }, { ...CAMERA, lens: 0.03, lens4: 1.3 })
    const marks = findMarks(bent)
    const found = marks && readSheet(bent, marks)
    expect(found).toMatchObject({ ok: false, message: expect.stringContaining('Weigh the paper down flat') })
  })
  test('four places that are no rectangle seen from anywhere', () => {
    expect(readSheet(whole, [truth[0], truth[2], truth[1], truth[3]], true)).toMatchObject({
      ok: false,
      message: expect.stringContaining('cannot be the four marks'),
    })
    expect(readSheet(whole, [truth[0], truth[0], truth[0], truth[0]], true).ok).toBe(false)
  })
  test('a sheet that is small in the picture', () => {
    const [cx, cy] = [800, 600]
    const small = truth.map(([x, y]): Px => [cx + (x - cx) / 4, cy + (y - cy) / 4]) as unknown as FourMarks
    expect(readSheet(whole, small, true)).toMatchObject({ ok: false, message: expect.stringContaining('too small') })
  })
  test('a picture in which no more than four rings can be seen says nothing of how true it is', () => {
    const bare = { ...whole, data: whole.data.map(() => 200) }
    expect(readSheet(bare, truth, true)).toMatchObject({ ok: false, message: expect.stringContaining('Too few dots') })
    expect(findMarks(bare)).toBeUndefined()
  })
})
