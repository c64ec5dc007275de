import { expect, test } from '@jest/globals'
import { extentOf, pathOf, sectionScale, stretches, parallelBody } from './section.ts'

const frame = { width: 400, height: 300, margin: { top: 10, right: 10, bottom: 10, left: 10 } }

test('one scale for both directions, within the frame, radius upwards', () => {
  const scale = sectionScale(frame, [-100, 50], [40, 190])
  expect(scale.z(1) - scale.z(0)).toBeCloseTo(scale.pxPerMm, 9)
  expect(scale.r(0) - scale.r(1)).toBeCloseTo(scale.pxPerMm, 9)
  for (const z of [-100, 50]) expect(scale.z(z) >= 10 && scale.z(z) <= 390).toBe(true)
  for (const r of [40, 190]) expect(scale.r(r) >= 10 && scale.r(r) <= 290).toBe(true)
  expect(
    pathOf(
      scale,
      [
        [0, 100],
        [10, 100],
      ],
      5,
    ),
  ).toBe(`M${scale.z(5).toFixed(2)},${scale.r(100).toFixed(2)}L${scale.z(15).toFixed(2)},${scale.r(100).toFixed(2)}`)
})
test('the extent of nothing is unknown', () => {
  expect(extentOf([])).toBeUndefined()
  expect(
    extentOf([
      [
        [1, 2],
        [-3, 5],
      ],
    ]),
  ).toEqual({ z: [-3, 1], r: [2, 5] })
})
test('metal lies to the left of a wheel: above the barrel, outboard of the face; and to the right of a caliper', () => {
  const body = parallelBody(
    [
      [-100, 170],
      [0, 170],
      [30, 140],
      [30, 70],
    ],
    5,
  )
  expect(body).toHaveLength(8)
  expect(body[7]).toEqual([-100, 175])
  expect(body[4]).toEqual([35, 70])
  expect(
    parallelBody(
      [
        [0, 170],
        [30, 170],
      ],
      -5,
    )[3],
  ).toEqual([0, 165])
})
test('stretches of one tag', () => {
  const line: [number, number][] = [
    [0, 0],
    [1, 0],
    [2, 0],
    [3, 0],
    [4, 0],
  ]
  expect(stretches(line, ['a', 'a', 'b', 'a'], 'a')).toEqual([
    [
      [0, 0],
      [1, 0],
      [2, 0],
    ],
    [
      [3, 0],
      [4, 0],
    ],
  ])
})
