import { expect, test } from '@jest/globals'
import { anyCamera, numbersFrom } from '../testing/sheet-pictures.ts'
import { runs } from '../testing/runs.ts'
import { findMarks } from './marks.ts'
import { placing } from './placing.ts'
import { poseOf } from './pose.ts'
import { readSheet } from './read-sheet.ts'
import { MARKS } from './sheet.ts'
import { toPx } from './sheet-map.ts'
import { MIDDLE, seenBy, takePicture } from './simulated-camera.ts'

const [[left, bottom], , [right, top]] = MARKS
/** How high a bulged sheet stands: flat at the marks, as the simulated camera has it. */
const heightAt = (bulgeMm: number, z: number, r: number): number =>
  bulgeMm * (1 - ((z - MIDDLE[0]) / ((right - left) / 2)) ** 2) * (1 - ((r - MIDDLE[1]) / ((top - bottom) / 2)) ** 2)

function seen(seed: number, bulgeMm: number) {
  const random = numbersFrom(seed)
  const camera = { ...anyCamera(random, 0), lens4: 0 }
  const grey = takePicture(camera, { drawn: [], bulgeMm }, { blurPx: 1, noise: 3 }, random)
  const marks = findMarks(grey)
  return { camera, read: marks && readSheet(grey, marks) }
}

test('paper that stands 3 mm high in its middle is refused, wherever the camera is', () => {
  for (let seed = 1; seed <= runs(3, 20); seed += 1)
    expect([seed, seen(seed, 3).read]).toEqual([
      seed,
      expect.objectContaining({ ok: false, message: expect.stringContaining('inside the sheet') }),
    ])
})

test('where less is accepted, the dots inside widen the uncertainty enough', () => {
  const exact = { value: 100, u: 0.02 }
  let [accepted, places, beyond] = [0, 0, 0]
  for (let seed = 1; seed <= runs(3, 20); seed += 1) {
    const { camera, read } = seen(seed, 1)
    if (!read?.ok) continue
    accepted += 1
    const { reading } = read
    const focal = poseOf(reading.map, reading.spread).focal
    const scale = { by: 'sheet', reading, focal, heightMm: { value: 0, u: 0 }, printedMm: { across: exact, along: exact } } as const
    const placed = placing(scale, { by: 'sheet', laid: false, mirrored: false }, [0, 0])
    if (!placed.ok) throw new Error(placed.message)
    const { place, ways, floorMm } = placed.placing
    for (let z = -100; z <= 40; z += 20)
      for (let r = 10; r <= 220; r += 15) {
        const px = toPx(seenBy(camera, heightAt(1, z, r)), [z, r])
        const at = place(px)
        for (const [k, truth] of [z, r].entries()) {
          const u = Math.hypot(floorMm, ...ways.map((way) => way.place(px)[k]! - at[k]!))
          places += 1
          if (Math.abs(at[k]! - truth) > 2 * u) beyond += 1
        }
      }
  }
  expect(accepted).toBeGreaterThan(0)
  expect(beyond / places).toBeLessThan(0.05)
})
