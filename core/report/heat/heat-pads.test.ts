import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../../demo/project.ts'
import { heatReport } from './heat-report.ts'
import { padTries } from './heat-pads.ts'

describe('other pads', () => {
  test.each(['as-it-stands', 'balanced'])('are what the session says once they are put in: %s', (setupId) => {
    const tries = padTries(DEMO_PROJECT, setupId, 'hill')
    expect(tries.filter((one) => one.fitted).map((one) => one.axle)).toEqual(['front', 'rear'])
    for (const { axle, partId, first, faceC } of tries) {
      const done = structuredClone(DEMO_PROJECT)
      done.setups.find((one) => one.id === setupId)![axle].pad = partId
      const { lines } = heatReport(done, setupId, 'hill')
      const over = lines.filter((one) => one.overAtS !== undefined).sort((a, b) => a.overAtS! - b.overAtS!)
      expect([over[0]?.label, over[0]?.overAtS]).toEqual([first?.label, first?.seconds])
      const face = lines.find((one) => one.axle === axle && one.lump === 'face')
      if (face) expect(face.peakC).toBeCloseTo(faceC, 9)
    }
  })
  test('only pads of the fitted shape are tried, and one of a wider range lasts', () => {
    const shapes = new Map(DEMO_PROJECT.parts.flatMap((part) => (part.kind === 'pad' ? [[part.id, part.shape]] : [])))
    const tries = padTries(DEMO_PROJECT, 'as-it-stands', 'hill')
    for (const axle of ['front', 'rear'] as const) {
      const mine = tries.filter((one) => one.axle === axle)
      expect(new Set(mine.map((one) => shapes.get(one.partId))).size).toBe(1)
    }
    expect(tries.find((one) => one.partId === 'front-track-pad')?.first).toBeUndefined()
  })
  test('without a shape nobody is proposed; a setup that is not there is named', () => {
    const bare = structuredClone(DEMO_PROJECT)
    for (const part of bare.parts) if (part.kind === 'pad') delete part.shape
    expect(padTries(bare, 'balanced')).toEqual([])
    expect(() => padTries(bare, 'nowhere')).toThrow(/no setup nowhere/)
  })
})
