import { expect, test } from '@jest/globals'
import type { Project } from '../../records/project.ts'
import { figure } from '../../quantity/figure.ts'
import { demo, find, part } from '../../testing/fit.ts'
import { acceptFix } from '../../commands/accept.ts'
import type { RuleId } from '../rules.ts'

/** The demo's front hose has something wrong with it; a copy that is right lies in the library. */
const HOSE = 'stock-front-hose'
function withOther(fitted: object, other: object = {}, more: (project: Project) => void = () => {}): Project {
  return demo((project) => {
    project.parts = project.parts.filter((one) => one.kind !== 'hose' || one.id === HOSE || one.id === 'stock-rear-hose')
    for (const setup of project.setups) delete setup.front.hose
    project.setups[0].front.hose = HOSE
    project.parts.push({ ...structuredClone(project.parts.find((one) => one.id === HOSE)!), id: 'other', name: 'Other', ...other } as never)
    Object.assign(part(project, HOSE), fitted)
    more(project)
  })
}
const offered = (project: Project, rule: RuleId) =>
  find(project, rule)!.remedies.map((one) => (one.kind === 'part' ? one.partId : one.kind))

test.each<[RuleId, object, string, string[]]>([
  ['hose-caliper-end', { caliperThread: '3/8-24' }, 'needs', ['other', 'piece']],
  ['hose-line-end', { lineThread: '3/8-24' }, 'needs', ['other', 'piece']],
  // mixed seats block until the hose that fits is in
  ['hose-caliper-end', { caliperSeat: 'double flare' }, 'blocked', ['other']],
  ['hose-line-end', { lineSeat: 'double flare' }, 'blocked', ['other']],
  ['hose-length', { lengthMm: figure(300) }, 'blocked', ['other']],
  // wrong at both ends and short: one hose cures it all
  ['hose-length', { lengthMm: figure(300), lineThread: '3/8-24', caliperSeat: 'double flare' }, 'blocked', ['other']],
])('%s of a hose with %j: %s, and the right one is offered', (rule, fitted, verdict, expected) => {
  const project = withOther(fitted)
  const found = find(project, rule)!
  expect([found.verdict, offered(project, rule)]).toEqual([verdict, expected])
  acceptFix(project, 'as-it-stands', found, found.remedies[0]!)
  for (const one of ['hose-caliper-end', 'hose-line-end', 'hose-length'] as const) expect(find(project, one)!.verdict).toBe('fits')
})

test.each([
  ['another thread at the brake', { caliperThread: 'M12 x 1' }],
  ['another seat at the brake', { caliperSeat: '37 degree cone' }],
  ['another thread at the line', { lineThread: 'M12 x 1' }],
  ['a seat at the line that nobody knows', { lineSeat: undefined }],
  ['no length', { lengthMm: undefined }],
  // 330 and a tenth of it
  ['too little length', { lengthMm: figure(362.9) }],
])('a hose with %s is not offered', (_, other) => {
  expect(offered(withOther({ lineThread: '3/8-24' }, other), 'hose-line-end')).toEqual(['piece'])
})
test('where the path is not known, one that is not shorter is offered; where the line is not known, one that ends alike', () => {
  const noPath = (lengthMm: number) =>
    withOther({ lineThread: '3/8-24' }, { lengthMm: figure(lengthMm) }, (project) => delete project.car.front.hosePathMm)
  const length = (part(demo(), HOSE).lengthMm as { value: number }).value
  expect(offered(noPath(length), 'hose-line-end')).toEqual(['other', 'piece'])
  expect(offered(noPath(length - 1), 'hose-line-end')).toEqual(['piece'])
  const noLine = withOther({ lengthMm: figure(300) }, {}, (project) => delete project.car.front.lineThread)
  expect(offered(noLine, 'hose-length')).toEqual(['other'])
})
