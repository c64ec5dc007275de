import { describe, expect, test } from '@jest/globals'
import type { Project } from '../../records/project.ts'
import { figure } from '../../quantity/figure.ts'
import { demo, find, part } from '../../testing/fit.ts'
import type { RuleId } from '../rules.ts'

/** The kit of the demo on its bracket; further parts are copies of the library's with something changed. */
const SETUP = 'big-kit'
function copyOf(project: Project, id: string, changed: object): void {
  const from = project.parts.find((one) => one.id === id)!
  project.parts.push({ ...structuredClone(from), id: 'other', name: 'Other', ...changed } as typeof from)
}
const judged = (rule: RuleId, change: (project: Project) => void) => {
  const found = find(demo(change), rule, 'front', SETUP)!
  return [found.verdict, found.remedies.flatMap((one) => (one.kind === 'part' ? [one.partId] : []))]
}

describe('a bracket of the library', () => {
  // the slot stands 0.4 mm outboard on a bracket of -4; 8 mm further out nothing shims back
  const tooFarOut = (project: Project) => Object.assign(part(project, 'kit-bracket'), { axialMm: figure(4) })
  test.each([
    ['as far in as is needed', { axialMm: figure(-4) }, ['needs', ['other']]],
    ['at the edge of what a sliding caliper may be off', { axialMm: figure(-6.4) }, ['needs', ['other']]],
    ['beyond it', { axialMm: figure(-6.41) }, ['blocked', []]],
    ['too far out as well', { axialMm: figure(3) }, ['blocked', []]],
    ['of which the offset is not known', { axialMm: undefined }, ['blocked', []]],
    ['for other bolts', { axialMm: figure(-4), caliperSpacingMm: figure(140) }, ['blocked', []]],
    ['with another thread', { axialMm: figure(-4), knuckleThread: 'M12 x 1.25' }, ['blocked', []]],
  ])('brings the caliper over the disc: %s', (_, changed, expected) => {
    expect(
      judged('disc-plane', (project) => {
        copyOf(project, 'kit-bracket', changed)
        tooFarOut(project)
      }),
    ).toEqual(expected)
  })

  // kept from its mount, the pad ends 0.5 mm below the rotor's edge on a bracket that lifts by 14: 110 + 14 + 13.5 under 138
  const fromMount = (project: Project) => {
    project.car.front.mountRadiusMm = figure(110)
    Object.assign(part(project, 'kit2-caliper'), { frame: 'mount', padTopRadiusMm: figure(13.5) })
  }
  test.each([
    [20, 14, 'needs'],
    [20, 14.5, 'needs'],
    [20, 14.6, 'blocked'],
    [20, 12, 'needs'],
    [20, 11.9, 'blocked'],
  ])('brings the pad down from a lift of %p to %p mm: %s', (fitted, other, verdict) => {
    const change = (project: Project) => {
      fromMount(project)
      copyOf(project, 'kit-bracket', { radialMm: figure(other) })
      Object.assign(part(project, 'kit-bracket'), { radialMm: figure(fitted) })
    }
    expect(judged('disc-diameter', change)).toEqual([verdict, verdict === 'needs' ? ['other'] : []])
  })
  test('brings the pad up; a spacer is offered beside it', () => {
    const found = find(
      demo((project) => {
        fromMount(project)
        copyOf(project, 'kit-bracket', { radialMm: figure(14) })
        Object.assign(part(project, 'kit-bracket'), { radialMm: figure(8) })
      }),
      'disc-diameter',
      'front',
      SETUP,
    )!
    expect(found.remedies.map((one) => one.kind)).toEqual(['part', 'piece'])
  })
  test.each([
    [14, 'fits'],
    [17, 'check'],
    [undefined, 'unknown'],
  ])('moves what was read on a car with a bracket that lifted by 14: one of %p now is %s', (lift, verdict) => {
    const found = find(
      demo((project) => {
        // 137.8 under 138.3 when it was read
        Object.assign(part(project, 'kit2-caliper'), { padTopRadiusMm: figure(135.5) })
        if (lift === undefined) Reflect.deleteProperty(part(project, 'kit2-caliper'), 'takenWithLiftMm')
        else Object.assign(part(project, 'kit-bracket'), { radialMm: figure(lift) })
      }),
      'disc-diameter',
      'front',
      SETUP,
    )!
    expect([found.verdict, found.missing.length]).toEqual([verdict, lift === undefined ? 1 : 0])
  })
  test('joins a caliper that does not meet the knuckle, the one that moves it least first', () => {
    const found = find(
      demo((project) => {
        copyOf(project, 'kit-bracket', { axialMm: figure(0), radialMm: figure(14) })
        project.setups.find((one) => one.id === SETUP)!.front.bracket = null
      }),
      'mount',
      'front',
      SETUP,
    )!
    expect([found.verdict, found.remedies.map((one) => one.kind === 'part' && one.partId)]).toEqual(['needs', ['other', 'kit-bracket']])
  })
})

describe('a rotor of the library', () => {
  // the pad's foot runs 3.5 mm inside a friction ring from 182
  test.each([
    [{}, 'needs'],
    [{ diameterMm: figure(270) }, 'blocked'],
    [{ thicknessMm: figure(24) }, 'blocked'],
    [{ boltCount: figure(5) }, 'blocked'],
    [{ frictionInnerDiameterMm: undefined }, 'blocked'],
  ])('whose ring reaches further in, with %p: %s', (changed, verdict) => {
    const change = (project: Project) => {
      copyOf(project, 'kit2-rotor', changed)
      Object.assign(part(project, 'kit2-rotor'), { frictionInnerDiameterMm: figure(200) })
    }
    expect(judged('pad-sweep', change)).toEqual([verdict, verdict === 'needs' ? ['other'] : []])
  })
  // 3 mm between caliper and a hat of 174
  test.each([
    [176, 'needs'],
    [176.1, 'blocked'],
  ])('with a hat of %p where 2 mm must be left: %s', (hat, verdict) => {
    const change = (project: Project) => {
      copyOf(project, 'kit2-rotor', { hatOuterDiameterMm: figure(hat) })
      Object.assign(part(project, 'kit2-rotor'), { hatOuterDiameterMm: figure(190) })
    }
    expect(judged('hat-clearance', change)).toEqual([verdict, verdict === 'needs' ? ['other'] : []])
  })
})
