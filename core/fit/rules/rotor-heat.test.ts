import { expect, test } from '@jest/globals'
import { demo, find, part } from '../../testing/fit.ts'
import { figure } from '../../quantity/figure.ts'
import type { Project } from '../../records/project.ts'

const ROTOR = 'stock-front-rotor'
const LEVER = {
  id: 'hand-lever',
  kind: 'handLever' as const,
  name: 'Hand lever H1',
  leverRatio: figure(6),
  boreMm: figure(15.9),
  portThread: 'M10 x 1',
  portSeat: 'bubble flare' as const,
  seals: 'glycol' as const,
}
const withLever = (more: object = {}) =>
  demo((project) => {
    project.parts.push({ ...LEVER, ...more })
    project.setups[0].hydraulics.handLever = 'hand-lever'
  })

test.each<[number | undefined, number | undefined, string | undefined]>([
  [undefined, 19.8, undefined],
  [19.8, 19.8, 'fits'],
  [19.79, 19.8, 'blocked'],
  [21, undefined, 'unknown'],
])('a rotor of %s mm now, of at least %s: %s', (now, least, verdict) => {
  const project = demo((one) => {
    const rotor = part(one, ROTOR)
    if (now !== undefined) rotor.nowThicknessMm = figure(now)
    if (least === undefined) delete rotor.minThicknessMm
    else rotor.minThicknessMm = figure(least)
  })
  expect(find(project, 'rotor-worn')?.verdict).toBe(verdict)
})
test.each<[string | undefined, number, string | undefined]>([
  ['hub', 152, undefined],
  [undefined, 152, undefined],
  ['wheel', 142, 'fits'],
  ['wheel', 142.1, 'needs'],
  ['wheel', 152, 'needs'],
])('air from the %s side with a hat of %d mm in a ring of 152: %s', (inlet, hat, verdict) => {
  const project = demo((one) => Object.assign(part(one, ROTOR), { inlet, hatOuterDiameterMm: figure(hat) }))
  expect(find(project, 'hat-inlet')?.verdict).toBe(verdict)
})
test('a hand lever is looked at where there is one, and never said to be a parking brake', () => {
  expect(find(demo(), 'hand-lever')).toBeUndefined()
  expect(find(withLever(), 'hand-lever')).toMatchObject({
    verdict: 'check',
    safety: true,
    sentence: expect.stringMatching(/does not hold a parked car/),
  })
  expect(find(withLever({ boreMm: undefined }), 'hand-lever')).toMatchObject({ verdict: 'unknown' })
  expect(find(withLever({ portThread: 'M12 x 1' }), 'hand-lever')!.verdict).not.toMatch(/fits|check/)
  expect(find(withLever({ seals: 'mineral' }), 'hand-lever')).toMatchObject({ verdict: 'blocked' })
  const taken = (key: keyof typeof LEVER) => find(withLever({ [key]: undefined }), 'hand-lever')!.verdict
  expect((['leverRatio', 'boreMm', 'portThread', 'portSeat', 'seals'] as const).map(taken)).toEqual(Array(5).fill('unknown'))
})
test('it is on the bill of the setup it goes into', async () => {
  const { evaluate } = await import('../../evaluate/evaluate.ts')
  const project: Project = demo((one) => {
    one.parts.push({ ...LEVER, price: { lowMinor: 8000, likelyMinor: 9000, highMinor: 9900, currency: 'EUR', pieces: 1 } })
    one.setups[3]!.hydraulics.handLever = 'hand-lever'
  })
  expect(evaluate(project, 'balanced').bill.lines.map((one) => one.label)).toContainEqual(expect.stringMatching(/Hand lever H1/))
})
