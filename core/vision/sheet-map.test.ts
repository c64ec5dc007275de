import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { focalPx, MIDDLE, seenBy, type Camera } from './simulated-camera.ts'
import { lensOver, raised } from './pose.ts'
import { mmOf, mmPerPx, toPx } from './sheet-map.ts'

const camera: fc.Arbitrary<Camera> = fc.record({
  width: fc.constant(2000),
  height: fc.constant(1500),
  focal35Mm: fc.double({ min: 24, max: 50, noNaN: true }),
  distanceMm: fc.double({ min: 350, max: 800, noNaN: true }),
  tiltDeg: fc.double({ min: 0, max: 40, noNaN: true }),
  azimuthDeg: fc.double({ min: 0, max: 360, noNaN: true }),
  turnDeg: fc.double({ min: 0, max: 360, noNaN: true }),
  lens: fc.double({ min: -0.06, max: 0.06, noNaN: true }),
})
const place = fc.tuple(fc.double({ min: -110, max: 50, noNaN: true }), fc.double({ min: 0, max: 220, noNaN: true }))

test('a place of the sheet comes back from its pixel, however the lens bends', () => {
  fc.assert(
    fc.property(camera, place, (of, at) => {
      const map = seenBy(of)
      const [z, r] = mmOf(map)(toPx(map, at))
      expect(Math.hypot(z - at[0], r - at[1])).toBeLessThan(1e-4)
    }),
  )
})
test('a pixel is as large as the distance and the focal length make it', () => {
  const straight: Camera = { width: 2000, height: 1500, focal35Mm: 26, distanceMm: 500, tiltDeg: 0, azimuthDeg: 0, turnDeg: 30 }
  expect(mmPerPx(seenBy(straight), [1000, 750])).toBeCloseTo(500 / focalPx(straight), 6)
})
test('the height and tilt of the lens are read from the view', () => {
  fc.assert(
    fc.property(camera, (of) => {
      const { heightMm, tiltDeg } = lensOver(seenBy({ ...of, lens: 0 }), focalPx(of))
      expect(heightMm).toBeCloseTo(of.distanceMm * Math.cos((of.tiltDeg * Math.PI) / 180), 3)
      expect(tiltDeg).toBeCloseTo(of.tiltDeg, 3)
    }),
  )
})
test('what lies higher is seen where the camera sees it', () => {
  fc.assert(
    fc.property(camera, place, fc.double({ min: 0, max: 12, noNaN: true }), (of, at, heightMm) => {
      const [x, y] = toPx(raised(seenBy(of), heightMm, focalPx(of)), at)
      const [u, v] = toPx(seenBy(of, heightMm), at)
      expect(Math.hypot(x - u, y - v)).toBeLessThan(1e-3)
    }),
  )
})
test('below the lens nothing moves for being higher, seen straight down', () => {
  const straight: Camera = { width: 2000, height: 1500, focal35Mm: 26, distanceMm: 500, tiltDeg: 0, azimuthDeg: 0, turnDeg: 0 }
  const map = seenBy(straight)
  const [x, y] = toPx(raised(map, 8, focalPx(straight)), MIDDLE)
  const [u, v] = toPx(map, MIDDLE)
  expect(Math.hypot(x - u, y - v)).toBeLessThan(1e-6)
})
