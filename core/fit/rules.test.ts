import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { carAxleFields, carFields } from '../records/car-fields.ts'
import { fieldsOf } from '../records/part-kinds.ts'
import { AXLE_SLOTS, type Setup } from '../records/setup.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Part, PartOf } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { projectProblems } from '../records/check.ts'
import { figure } from '../quantity/figure.ts'
import { acceptFix, dropFixItem, setVisualCheck } from '../commands/accept.ts'
import type { Verdict } from '../figures/verdict.ts'
import { LIMITS } from '../records/limits.ts'
import { fixLineId } from './rule.ts'
import { parseThread } from './thread.ts'
import { RULE_IDS, RULES, type RuleId } from './rules.ts'
import { VISUAL_CHECKS, visualCheckAt } from './visual-checks.ts'
import { demo, find, part, withField, type PartChanges } from '../testing/fit.ts'
import { runs } from '../testing/runs.ts'

const CALIPER = 'stock-front-caliper'
const ROTOR = 'stock-front-rotor'
const PAD = 'stock-front-pad'
const HOSE = 'stock-front-hose'

test('every rule is listed once, has an id and a title of its own', () => {
  expect(RULES.map((rule) => rule.id)).toEqual([...RULE_IDS])
  expect(new Set(RULES.map((rule) => rule.title)).size).toBe(RULES.length)
})

/** Each limit at its edge, just inside and just outside: where, field, value, verdict. */
const EDGES: readonly (readonly [RuleId, string, string, number | string, Verdict])[] = [
  ['hub-pattern', ROTOR, 'boltCircleMm', 104.1, 'fits'],
  ['hub-pattern', ROTOR, 'boltCircleMm', 104.11, 'blocked'],
  ['hub-pattern', ROTOR, 'boltCount', 5, 'blocked'],
  ['hub-register', ROTOR, 'boreMm', 62, 'fits'],
  ['hub-register', ROTOR, 'boreMm', 61.99, 'blocked'],
  ['hub-register', ROTOR, 'boreMm', 62.2, 'fits'],
  ['hub-register', ROTOR, 'boreMm', 62.21, 'needs'],
  ['wheel-pattern', 'club-wheel', 'boltCircleMm', 103.9, 'fits'],
  ['wheel-pattern', 'club-wheel', 'boltCircleMm', 103.89, 'blocked'],
  ['wheel-register', 'club-wheel', 'boreMm', 63, 'needs'],
  // stock: mount -38, disc at 6 - 28 = -22; a sliding caliper may be 2 mm off; the mount's inboard face shims inboard only
  ['disc-plane', CALIPER, 'mountToSlotMm', 18, 'fits'],
  ['disc-plane', CALIPER, 'mountToSlotMm', 18.01, 'needs'],
  ['disc-plane', CALIPER, 'mountToSlotMm', 22, 'needs'],
  ['disc-plane', CALIPER, 'mountToSlotMm', 22.01, 'blocked'],
  ['disc-plane', CALIPER, 'mountToSlotMm', 14, 'fits'],
  ['disc-plane', CALIPER, 'mountToSlotMm', 13.99, 'blocked'],
  ['disc-thickness', CALIPER, 'ratedFromMm', 22, 'fits'],
  // another caliper among the parts accepts it on the same mount
  ['disc-thickness', CALIPER, 'ratedFromMm', 22.01, 'needs'],
  ['disc-thickness', CALIPER, 'ratedToMm', 21.99, 'needs'],
  // rotor 22, pads 2 x 16
  ['pad-slot', CALIPER, 'slotWidthMm', 54.3, 'fits'],
  ['pad-slot', CALIPER, 'slotWidthMm', 54.29, 'needs'],
  ['pad-slot', CALIPER, 'slotWidthMm', 57, 'fits'],
  ['pad-slot', CALIPER, 'slotWidthMm', 57.01, 'needs'],
  // 55.2 - 19.8 - 2 x 7 = 21.4, all on one side
  ['piston-travel', CALIPER, 'pistonTravelMm', 21.4, 'fits'],
  ['piston-travel', CALIPER, 'pistonTravelMm', 21.39, 'needs'],
  // rotor radius 128
  ['disc-diameter', CALIPER, 'padTopRadiusMm', 128, 'fits'],
  ['disc-diameter', CALIPER, 'padTopRadiusMm', 128.01, 'check'],
  ['disc-diameter', CALIPER, 'padTopRadiusMm', 128.5, 'check'],
  ['disc-diameter', CALIPER, 'padTopRadiusMm', 128.51, 'blocked'],
  ['disc-diameter', CALIPER, 'padTopRadiusMm', 125.5, 'fits'],
  ['disc-diameter', CALIPER, 'padTopRadiusMm', 125.49, 'needs'],
  ['bridge', CALIPER, 'bridgeRadiusMm', 130, 'fits'],
  ['bridge', CALIPER, 'bridgeRadiusMm', 129.99, 'needs'],
  ['mount', CALIPER, 'mountSpacingMm', 130.2, 'fits'],
  ['mount', CALIPER, 'mountType', 'radial', 'blocked'],
  ['mount', CALIPER, 'mountThread', 'M12x1.5', 'fits'],
  ['mount', CALIPER, 'mountThread', 'M12 x 1.25', 'blocked'],
  ['pad-shape', PAD, 'shape', 't 110', 'fits'],
  ['pad-shape', PAD, 'shape', 'T-999', 'needs'],
  // 127 - height - 76
  ['pad-sweep', PAD, 'heightMm', 51, 'fits'],
  ['pad-sweep', PAD, 'heightMm', 51.01, 'needs'],
  ['pad-sweep', PAD, 'heightMm', 53, 'needs'],
  ['pad-sweep', PAD, 'heightMm', 53.01, 'blocked'],
  ['hose-caliper-end', HOSE, 'caliperThread', 'M10x1', 'fits'],
  ['hose-caliper-end', HOSE, 'caliperThread', '3/8-24', 'needs'],
  ['hose-caliper-end', HOSE, 'caliperSeat', 'double flare', 'blocked'],
  ['hose-line-end', HOSE, 'lineThread', '3/8-24', 'needs'],
  ['hose-line-end', HOSE, 'lineSeat', 'double flare', 'blocked'],
  // path 330: a tenth of it is more than 15 mm
  ['hose-length', HOSE, 'lengthMm', 363, 'fits'],
  // a hose that can be pulled blocks until the longer one is in
  ['hose-length', HOSE, 'lengthMm', 362.9, 'blocked'],
  ['handedness', CALIPER, 'bleedUppermost', 'no', 'needs'],
  ['handedness', ROTOR, 'vanes', 'directional', 'unknown'],
  ['dust-shield', 'front', 'shieldRadiusMm', 131, 'fits'],
  ['dust-shield', 'front', 'shieldRadiusMm', 130.99, 'check'],
  ['dust-shield', 'front', 'shield', 'none', 'fits'],
  ['wheel-minimum', CALIPER, 'minWheelIn', 15, 'check'],
  ['wheel-minimum', CALIPER, 'minWheelIn', 16, 'check'],
  ['wheel-fastener', 'club-wheel', 'seatShape', 'ball', 'needs'],
  // 34 - 16 = 18 in steel M12, 22 deep
  ['mount-bolts', CALIPER, 'boltLengthMm', 28, 'fits'],
  ['mount-bolts', CALIPER, 'boltLengthMm', 27.99, 'needs'],
  ['mount-bolts', CALIPER, 'boltLengthMm', 38, 'fits'],
  ['mount-bolts', CALIPER, 'boltLengthMm', 38.01, 'needs'],
  ['mount-bolts', 'front', 'knuckleMaterial', 'aluminium', 'fits'],
  // threads too shallow for any bolt
  ['mount-bolts', 'front', 'mountDepthMm', 18, 'fits'],
  ['mount-bolts', 'front', 'mountDepthMm', 11.99, 'blocked'],
  ['wheel-fastener', 'front', 'holdingThread', 'm12x1.5', 'fits'],
  ['wheel-fastener', 'front', 'holdingThread', 'M12 x 1.25', 'blocked'],
  ['wheel-fastener', 'front', 'holdingThread', '1/2-20', 'blocked'],
  ['wheel-fastener', 'front', 'holdingThread', 'fine', 'unknown'],
  // 38 - 6 - 12 = 20 past the seat, 2.5 of it without thread, 17 of thread in the nut; 12 are needed
  ['stud-engagement', 'front', 'studLengthMm', 32.5, 'fits'],
  ['stud-engagement', 'front', 'studLengthMm', 32.49, 'needs'],
  ['stud-engagement', 'front', 'tipMm', 8, 'fits'],
  ['stud-engagement', 'front', 'tipMm', 8.01, 'needs'],
  ['stud-engagement', 'front', 'holdingThreadMm', 12, 'fits'],
  ['stud-engagement', 'front', 'holdingThreadMm', 11.99, 'needs'],
  ['stud-engagement', 'front', 'pitchMm', 1.84, 'fits'],
  ['stud-engagement', 'front', 'nutEnd', 'closed', 'unknown'],
  ['stud-engagement', 'front', 'fastener', 'bolts', 'unknown'],
  // 14 high, a hat of 6
  ['register-left', 'front', 'registerHeightMm', 10, 'fits'],
  ['register-left', 'front', 'registerHeightMm', 9.99, 'needs'],
  ['hat-fit', ROTOR, 'hatInnerDiameterMm', 136, 'fits'],
  ['hat-fit', ROTOR, 'hatInnerDiameterMm', 135.99, 'blocked'],
  ['hat-fit', ROTOR, 'studHoleMm', 11.99, 'blocked'],
  ['hat-fit', ROTOR, 'hatDepthMm', 58, 'fits'],
  ['hat-fit', ROTOR, 'hatDepthMm', 58.01, 'blocked'],
  // 127 - 49 - 73 = 5
  ['hat-clearance', PAD, 'plateHeightMm', 52, 'fits'],
  ['hat-clearance', PAD, 'plateHeightMm', 52.01, 'blocked'],
  ['hat-clearance', CALIPER, 'bodyRadiusMm', 75, 'fits'],
  ['hat-clearance', CALIPER, 'bodyRadiusMm', 74.99, 'blocked'],
]
test.each(EDGES)('%s: %s %s = %p is %s', (rule, holder, field, value, verdict) => {
  expect(find(withField(holder, field, value), rule)!.verdict).toBe(verdict)
})

describe('the parking brake', () => {
  test.each([
    ['lever', 'lever', 'fits'],
    ['lever', 'none', 'blocked'],
    ['electric', 'lever', 'blocked'],
    ['shoes', 'lever', 'unknown'],
    ['separate', 'none', 'fits'],
    ['none', 'none', 'check'],
  ] as const)('a car with %s, a caliper with %s: %s', (car, caliper, verdict) => {
    const project = withField('car', 'parkingBrake', car, (one) => (part(one, 'stock-rear-caliper').parkingBrake = caliper))
    expect(find(project, 'parking-brake', 'rear')!.verdict).toBe(verdict)
  })
  test('in competition alone a lost one is a warning, and the front has none', () => {
    const lost = withField('car', 'uses', ['circuit'], (one) => (part(one, 'stock-rear-caliper').parkingBrake = 'none'))
    expect(find(lost, 'parking-brake', 'rear')).toMatchObject({ verdict: 'check', safety: true })
    expect(find(lost, 'parking-brake', 'front')).toBeUndefined()
  })
})

describe('unknown is never fits', () => {
  const rules = RULE_IDS.filter((id) => id !== 'wheel-minimum')
  test('each rule, for each thing it looks at: taking that away makes it unknown or stays bad news', () => {
    for (const setup of DEMO_PROJECT.setups) {
      for (const axle of AXLES) {
        for (const rule of rules) {
          const whole = find(DEMO_PROJECT, rule, axle, setup.id)
          if (!whole) continue
          if (!VISUAL_CHECKS.includes(rule)) expect([rule, whole.looked.length]).not.toEqual([rule, 0])
          for (const looked of whole.looked) {
            const less = demo((project) => {
              const { at } = looked
              if (at.kind === 'part') Reflect.deleteProperty(part(project, at.partId), at.field)
              else if (at.kind === 'car') Reflect.deleteProperty(at.axle ? project.car[at.axle] : project.car, at.field)
            })
            const found = find(less, rule, axle, setup.id)
            expect([rule, looked.label, found?.verdict]).not.toEqual([rule, looked.label, 'fits'])
            if (found?.verdict === 'unknown') expect(found.missing.map((one) => one.what)).toContain(looked.label)
          }
        }
      }
    }
  })
  test('a blank slot is a question with the place where it is answered', () => {
    const empty = demo((project) => Reflect.deleteProperty(project.setups[0].front, 'rotor'))
    expect(find(empty, 'hub-pattern')).toMatchObject({
      verdict: 'unknown',
      missing: [{ what: 'Rotor, front', at: { kind: 'slot', axle: 'front', slot: 'rotor' } }],
    })
  })
  test('what is known to be wrong blocks although other figures are missing', () => {
    const wrong = withField(ROTOR, 'boltCount', 5, (project) => Reflect.deleteProperty(part(project, ROTOR), 'boltCircleMm'))
    expect(find(wrong, 'hub-pattern')!.verdict).toBe('blocked')
  })
  test('a drum is asked nothing of a disc', () => {
    const drum = demo((project) => {
      project.parts.push({ id: 'drum', kind: 'drum', name: 'Drum' } as Part)
      project.setups[0].rear.caliper = 'drum'
    })
    const asked = RULE_IDS.filter((id) => find(drum, id, 'rear') !== undefined)
    const ofTheCar = RULES.filter((rule) => rule.on === 'car').map((rule) => rule.id)
    expect(asked.filter((id) => !ofTheCar.includes(id))).toEqual([
      'hose-caliper-end',
      'hose-line-end',
      'hose-length',
      'parking-brake',
      'parking-hold',
      'wheel-pattern',
      'wheel-register',
      'wheel-fastener',
      'stud-engagement',
      'register-left',
      'residual-valve',
    ])
  })
})

describe('the fluid', () => {
  const withFluid = (base: string | undefined, more: (project: Project) => void = () => {}) =>
    demo((project) => {
      const fitted: Part = { id: 'other-fluid', kind: 'fluid', name: 'Other fluid' }
      project.parts.push({ ...fitted, ...(base ? { base } : {}) } as Part)
      project.setups[1]!.hydraulics.fluid = 'other-fluid'
      more(project)
    })
  test.each<[string, string | undefined, Verdict]>([
    ['glycol on glycol', 'glycol', 'fits'],
    ['silicone where glycol was', 'silicone', 'blocked'],
    ['mineral oil where glycol was', 'mineral', 'blocked'],
    ['a fluid of which nothing is known', undefined, 'unknown'],
  ])('%s: %s is %s', (_, base, verdict) => {
    expect(find(withFluid(base), 'fluid', 'front', 'estate-fronts')).toMatchObject({ verdict })
  })
  test('silicone stays blocked until the whole system is flushed and rebuilt; mineral oil has no remedy', () => {
    const project = withFluid('silicone')
    const found = find(project, 'fluid', 'front', 'estate-fronts')!
    expect(found.axle).toBeUndefined()
    acceptFix(project, 'estate-fronts', found, found.remedies[0]!)
    expect(projectProblems(project)).toEqual([])
    expect(find(project, 'fluid', 'front', 'estate-fronts')).toMatchObject({ verdict: 'fits', accepted: true })
    dropFixItem(project, 'estate-fronts', found)
    expect(find(project, 'fluid', 'front', 'estate-fronts')!.verdict).toBe('blocked')
    expect(find(withFluid('mineral'), 'fluid', 'front', 'estate-fronts')!.remedies).toEqual([])
  })
  test('a caliper with seals for mineral oil blocks, until it is rebuilt', () => {
    const seals = withField('estate-front-caliper', 'seals', 'mineral')
    expect(find(seals, 'fluid', 'front', 'estate-fronts')).toMatchObject({
      verdict: 'blocked',
      sentence: expect.stringMatching(/Estate front caliper/),
    })
  })
  test('of two glycol grades the lower boiling point counts', () => {
    const mixed = demo((project) => (project.setups[1]!.hydraulics.fluid = 'club-fluid'))
    expect(find(mixed, 'fluid', 'front', 'estate-fronts')).toMatchObject({ verdict: 'fits', value: 240, dimension: 'temperature' })
  })
})

describe('a used part', () => {
  const used = (points: Record<string, 'passed' | 'failed'>) =>
    demo((project) => {
      Object.assign(part(project, 'estate-front-caliper'), { inspection: { points } })
    })
  const whole = {
    pistonsMove: 'passed',
    boots: 'passed',
    pitting: 'passed',
    bleed: 'passed',
    slides: 'passed',
    threads: 'passed',
    body: 'passed',
  } as const
  test.each<[string, Record<string, 'passed' | 'failed'>, Verdict]>([
    ['all points passed', whole, 'fits'],
    ['one not looked at', { ...whole, bleed: undefined } as never, 'unknown'],
    ['boots torn', { ...whole, boots: 'failed' }, 'needs'],
    ['a crack', { ...whole, body: 'failed' }, 'blocked'],
    ['a crack, and the rest not looked at', { body: 'failed' }, 'blocked'],
  ])('%s: %s', (_, points, verdict) => {
    const clean = Object.fromEntries(Object.entries(points).filter(([, found]) => found !== undefined))
    expect(find(used(clean), 'used-part', 'front', 'estate-fronts')).toMatchObject({ verdict, slot: 'caliper' })
  })
  test('a new part is not looked over, a remanufactured neither', () => {
    for (const condition of ['new', 'remanufactured'])
      expect(find(withField('estate-front-caliper', 'condition', condition), 'used-part', 'front', 'estate-fronts')).toBeUndefined()
  })
  test('the rebuild is a line of the bill of its own', () => {
    const project = used({ ...whole, boots: 'failed' })
    const found = find(project, 'used-part', 'front', 'estate-fronts')!
    acceptFix(project, 'estate-fronts', found, found.remedies[0]!)
    expect(project.setups[1]!.extras.at(-1)).toMatchObject({ id: 'fit.front.used-part.caliper', kind: 'remedy', quantity: 2 })
    expect(find(project, 'used-part', 'front', 'estate-fronts')).toMatchObject({
      verdict: 'needs',
      sentence: expect.stringMatching(/on the parts list without a price\.$/),
    })
    project.setups[1]!.extras.at(-1)!.owned = true
    expect(find(project, 'used-part', 'front', 'estate-fronts')!.verdict).toBe('fits')
  })
})

describe('another master cylinder', () => {
  const MASTER = 'master-24'
  const fitted = (field: string, value: number | string, car = false) =>
    withField(car ? 'car' : MASTER, field, value, (project) => (project.setups[1]!.hydraulics.masterCylinder = MASTER))
  const judged = (rule: RuleId, project: Project) => find(project, rule, 'front', 'estate-fronts')?.verdict
  test.each<[RuleId, string, number | string, boolean, Verdict]>([
    // pilot 42 in 42, pushrod 13.5 to a seat 14.5 deep
    ['master-mount', 'pilotMm', 42, false, 'fits'],
    ['master-mount', 'pilotMm', 42.01, false, 'blocked'],
    ['master-mount', 'pilotMm', 41.7, false, 'fits'],
    ['master-mount', 'pilotMm', 41.69, false, 'needs'],
    ['master-mount', 'flange', 'Two bolts, 82 apart', false, 'fits'],
    ['master-mount', 'flange', 'three bolts', false, 'needs'],
    ['master-mount', 'portThread', 'M12x1', false, 'needs'],
    ['master-mount', 'portSeat', 'double flare', false, 'blocked'],
    ['master-mount', 'pushrodDepthMm', 14, false, 'fits'],
    ['master-mount', 'pushrodDepthMm', 13.99, false, 'needs'],
    ['circuit-count', 'outlets', 2, false, 'fits'],
    ['circuit-count', 'outlets', 1, false, 'needs'],
    ['circuit-count', 'outlets', 4, false, 'needs'],
    ['circuit-count', 'circuits', 'single', true, 'check'],
    ['circuit-count', 'construction', 'twin', false, 'fits'],
  ])('%s: %s %p (of the car %p) is %s', (rule, field, value, car, verdict) => {
    expect(judged(rule, fitted(field, value, car))).toBe(verdict)
  })
  test('two cylinders on a diagonal car need complete re-plumbing', () => {
    const project = fitted('circuits', 'diagonal', true)
    project.setups[1]!.hydraulics.masterCylinder = 'twin-box'
    expect(find(project, 'circuit-count', 'front', 'estate-fronts')).toMatchObject({
      verdict: 'needs',
      remedies: [{ label: expect.stringMatching(/re-plumbing/) }],
    })
  })
  test('whatever of it is not known makes it unknown', () => {
    for (const field of ['flange', 'pilotMm', 'pushrodDepthMm', 'portThread', 'portSeat', 'outlets']) {
      const project = fitted('boreMm', 23.8)
      Reflect.deleteProperty(part(project, MASTER), field)
      expect([field, judged(field === 'outlets' ? 'circuit-count' : 'master-mount', project)]).toEqual([field, 'unknown'])
    }
  })
  test('the one that is on the car is not questioned', () => {
    expect(find(DEMO_PROJECT, 'master-mount')).toBeUndefined()
  })
})

describe('residual pressure', () => {
  const held = (mpa: number, axle: Axle, more: (project: Project) => void = () => {}) =>
    find(withField('stock-master', axle === 'front' ? 'frontResidualMpa' : 'rearResidualMpa', mpa, more), 'residual-valve', axle)!
  test.each<[string, number, Verdict]>([
    ['discs below the reservoir want none', 0, 'fits'],
    ['at the limit', 0.02, 'fits'],
    ['more drags', 0.021, 'needs'],
  ])('%s: %p MPa is %s', (_, mpa, verdict) => expect(held(mpa, 'front').verdict).toBe(verdict))
  test.each<[number, Verdict]>([
    [0, 'needs'],
    [0.01, 'fits'],
    [0.02, 'fits'],
    [0.021, 'needs'],
  ])('discs above their reservoir: %p MPa is %s', (mpa, verdict) => {
    expect(held(mpa, 'front', (project) => (project.car.reservoirAbove = 'no')).verdict).toBe(verdict)
  })
  test.each<[number, 'yes' | 'no', Verdict]>([
    [0, 'no', 'needs'],
    [0.04, 'no', 'fits'],
    [0.1, 'no', 'fits'],
    [0.101, 'no', 'needs'],
    [0, 'yes', 'fits'],
  ])('a drum with %p MPa, cup expanders %s: %s', (mpa, cupExpanders, verdict) => {
    const drum = held(mpa, 'rear', (project) => {
      project.parts.push({ id: 'drum', kind: 'drum', name: 'Drum', cupExpanders } as Part)
      project.setups[0].rear.caliper = 'drum'
    })
    expect(drum.verdict).toBe(verdict)
  })
})

describe('left and right', () => {
  test('staggered pistons make a pair', () => {
    const staggered = (sides: string | undefined) =>
      demo((project) => {
        Object.assign(part(project, CALIPER), { pistonsMm: [figure(34), figure(38)], ...(sides ? { sides } : {}) })
      })
    expect(find(staggered('pair'), 'handedness')).toMatchObject({
      verdict: 'fits',
      sentence: expect.stringMatching(/a left and a right caliper/),
    })
    expect(find(staggered('same'), 'handedness')!.verdict).toBe('blocked')
    expect(find(staggered(undefined), 'handedness')!.verdict).toBe('unknown')
  })
})

describe('wheel studs, nuts and bolts', () => {
  const at = (more: (front: PartChanges, project: Project) => void) =>
    find(
      demo((project) => more(project.car.front as unknown as PartChanges, project)),
      'stud-engagement',
    )!
  test.each<[number, Verdict]>([
    [20, 'fits'],
    [19.99, 'needs'],
  ])('closed nuts of %p mm inside, the stud 20 past the seat: %s', (room, verdict) => {
    const found = at((front) => Object.assign(front, { nutEnd: 'closed', endRoomMm: figure(room) }))
    expect(found.verdict).toBe(verdict)
    if (verdict === 'needs') expect(found.remedies).toMatchObject([{ label: 'Open wheel nuts', quantity: 8 }])
  })
  test.each<[number, Verdict]>([
    [20, 'fits'],
    [19.9, 'needs'],
    [11.9, 'blocked'],
  ])('bolts 20 past the seat with %p mm before they reach what lies behind: %s', (room, verdict) => {
    expect(at((front) => Object.assign(front, { fastener: 'bolts', endRoomMm: figure(room) }))).toMatchObject({
      verdict,
      safety: verdict !== 'fits',
    })
  })
  test('longer studs are a piece of the bill, of a size: another need is not cured by it', () => {
    const project = withField('front', 'studLengthMm', 30)
    const before = find(project, 'stud-engagement')!
    expect(before.remedies[0]).toMatchObject({
      label: 'Wheel studs 2.5\u00a0mm longer',
      piece: { id: 'studs-longer', of: 'studs', mm: 2.5, enough: 'atLeast' },
      quantity: 8,
    })
    acceptFix(project, 'as-it-stands', before, before.remedies[0]!)
    expect(find(project, 'stud-engagement')).toMatchObject({ verdict: 'fits', accepted: true })
    // in other units it is the same piece
    project.preferences.units.length = 'in'
    expect(find(project, 'stud-engagement')!.accepted).toBe(true)
    project.preferences.units.length = 'mm'
    project.setups[0].front.spacer = 'spacer-5'
    const more = find(project, 'stud-engagement')!
    expect(more).toMatchObject({ verdict: 'needs', accepted: false, sentence: expect.stringMatching(/does not match\.$/) })
    acceptFix(project, 'as-it-stands', more, more.remedies[0]!)
    expect(project.setups[0].extras.filter((one) => one.id.includes('stud'))).toMatchObject([{ cures: 'studs-longer|studs|7.5' }])
    expect(find(project, 'stud-engagement')!.verdict).toBe('fits')
    // studs that are long enough stay so when the need gets smaller
    Object.assign(part(project, 'spacer-5'), { thicknessMm: figure(4.7) })
    expect(find(project, 'stud-engagement')).toMatchObject({ verdict: 'fits', accepted: true })
    Object.assign(part(project, 'spacer-5'), { thicknessMm: figure(5) })
    expect(projectProblems(project)).toEqual([])
  })
  test('open nuts on the bill do not make short studs long, nor cone seats fit a ball', () => {
    const project = demo((one) => Object.assign(one.car.front, { nutEnd: 'closed', endRoomMm: figure(15) }))
    const closed = find(project, 'stud-engagement')!
    acceptFix(project, 'as-it-stands', closed, closed.remedies[0]!)
    expect(find(project, 'stud-engagement')!.accepted).toBe(true)
    project.car.front.studLengthMm = figure(26)
    expect(find(project, 'stud-engagement')).toMatchObject({ verdict: 'needs', accepted: false })
    const seats = withField('front', 'nutSeat', 'ball')
    const cone = find(seats, 'wheel-fastener')!
    acceptFix(seats, 'as-it-stands', cone, cone.remedies[0]!)
    expect(find(seats, 'wheel-fastener')!.accepted).toBe(true)
    part(seats, 'club-wheel').seatShape = 'flat'
    expect(find(seats, 'wheel-fastener')).toMatchObject({ verdict: 'needs', accepted: false })
  })
  describe('a spacer on studs of its own', () => {
    // 38 - 6 = 32 of the hub's studs stand past the hat
    const own = (thickness: number, seat: number, stud: number, more: PartChanges = {}) =>
      at((front, project) => {
        const { fastener, ...ofSpacer } = more
        if (fastener) Object.assign(front, { fastener, endRoomMm: figure(40) })
        project.parts.push({
          id: 'bolted',
          kind: 'spacer',
          name: 'Bolted spacer',
          fixing: 'ownStuds',
          register: 'own',
          thicknessMm: figure(thickness),
          seatThicknessMm: figure(seat),
          studLengthMm: figure(stud),
          ...ofSpacer,
        } as Part)
        project.setups[0].front.spacer = 'bolted'
      })
    test.each<[string, number, number, number, Verdict, RegExp]>([
      ['all inside it', 32, 14, 30, 'check', /^Thread engagement 15\.5.mm/],
      ['the hub’s studs stand out of it', 31.9, 14, 30, 'needs', /0\.10.mm from the spacer/],
      ['too little under its own nuts', 32, 18, 30, 'needs', /studs under the spacer longer/],
      ['too little for the wheel', 32, 14, 26, 'needs', /studs of the spacer longer/],
    ])('%s', (_, thickness, seat, stud, verdict, sentence) => {
      expect(own(thickness, seat, stud)).toMatchObject({ verdict, sentence: expect.stringMatching(sentence) })
    })
    // 38 - 6 - 14 = 18 under its nuts, 2.5 of it a tip; 30 - 12 = 18 under the wheel's; 12 are needed
    test.each<[string, PartChanges, Verdict, RegExp]>([
      ['nothing', {}, 'check', /with nuts and tips like the car’s own/],
      ['its nuts', { nutThreadMm: figure(12) }, 'check', /with tips like the car’s own/],
      ['its tips', { tipMm: figure(6) }, 'check', /with nuts like the car’s own/],
      ['both', { nutThreadMm: figure(12), tipMm: figure(6) }, 'fits', /^Thread engagement 12\.0.mm, 12\.0.mm required\.$/],
      ['nuts that are too short', { nutThreadMm: figure(11.9), tipMm: figure(6) }, 'needs', /nuts with more thread/],
      ['tips that are too long', { nutThreadMm: figure(12), tipMm: figure(6.1) }, 'needs', /studs of the spacer longer by 0\.10/],
      ['both, on a hub with bolts', { nutThreadMm: figure(12), tipMm: figure(2), fastener: 'bolts' }, 'check', /with bolts like/],
    ])('known of it: %s', (_, more, verdict, sentence) => {
      expect(own(32, 14, 30, more)).toMatchObject({ verdict, sentence: expect.stringMatching(sentence) })
    })
  })
  test('a ball seat fits a ball of its radius', () => {
    const ball = (mm: number | undefined) =>
      find(
        demo((project) => {
          Object.assign(project.car.front, { nutSeat: 'ball', nutSeatRadiusMm: figure(13) })
          Object.assign(part(project, 'club-wheel'), { seatShape: 'ball', ...(mm === undefined ? {} : { seatRadiusMm: figure(mm) }) })
        }),
        'wheel-fastener',
      )!.verdict
    expect([13, 13.5, 13.51, undefined].map(ball)).toEqual(['fits', 'fits', 'needs', 'unknown'])
  })
  test('a register that the spacer takes away comes back with one that carries its own', () => {
    const project = demo((one) => (one.setups[0].front.spacer = 'spacer-5'))
    const found = find(project, 'register-left')!
    expect(found).toMatchObject({ verdict: 'needs', value: 3, remedies: [{ kind: 'part', partId: 'register-spacer' }, { kind: 'piece' }] })
    acceptFix(project, 'as-it-stands', found, found.remedies[0]!)
    expect(find(project, 'register-left')!.verdict).toBe('fits')
    // tried out in the drawing, it is a plain one
    project.setups[0].front.spacerTrialMm = 4.1
    expect(find(project, 'register-left')).toMatchObject({ verdict: 'needs', value: expect.closeTo(3.9, 9) })
  })
})

test('a spacer of another pattern or bore does not go between', () => {
  const spaced = (rule: RuleId, fields: PartChanges) =>
    find(
      demo((project) => {
        Object.assign(part(project, 'spacer-3'), fields)
        project.setups[0].front.spacer = 'spacer-3'
      }),
      rule,
    )!.verdict
  expect(spaced('wheel-pattern', {})).toBe('fits')
  expect(spaced('wheel-pattern', { boltCount: figure(5) })).toBe('blocked')
  expect(spaced('wheel-pattern', { boltCircleMm: figure(112) })).toBe('blocked')
  expect(spaced('wheel-pattern', { boltCircleMm: undefined })).toBe('unknown')
  expect(spaced('wheel-register', { boreMm: figure(61.9) })).toBe('blocked')
  expect(spaced('wheel-register', { boreMm: figure(62.3) })).toBe('needs')
  expect(spaced('wheel-register', { boreMm: undefined })).toBe('unknown')
})

describe('bolts between caliper and bracket', () => {
  // 42 under the head, 24 through the caliper: 18 in aluminium, M10, 20 deep
  const bolted = (id: string, field: string, value: number | string) =>
    find(withField(id, field, value), 'mount-bolts', 'front', 'balanced')!
  test.each<[string, string, number | string, Verdict]>([
    ['kit4-caliper', 'boltLengthMm', 39, 'fits'],
    ['kit4-caliper', 'boltLengthMm', 38.99, 'needs'],
    ['kit4-caliper', 'boltLengthMm', 44, 'fits'],
    ['kit4-caliper', 'boltLengthMm', 44.01, 'needs'],
    ['kit-bracket', 'material', 'steel', 'fits'],
    ['kit-bracket', 'caliperDepthMm', 14.9, 'blocked'],
    ['kit-bracket', 'caliperThread', 'as usual', 'unknown'],
    ['kit-bracket', 'boltLengthMm', 23.9, 'needs'],
  ])('%s %s %p: %s', (id, field, value, verdict) => {
    expect(bolted(id, field, value).verdict).toBe(verdict)
  })
})

describe('parking shoes in the hat', () => {
  const shoes = (drum: number | undefined) =>
    find(
      demo((project) => {
        project.car.parkingBrake = 'shoes'
        project.car.rear.shoeDiameterMm = figure(120)
        Object.assign(part(project, 'stock-rear-rotor'), {
          parkingDrum: 'yes',
          ...(drum === undefined ? {} : { parkingDrumMm: figure(drum) }),
        })
      }),
      'hat-fit',
      'rear',
    )!.verdict
  test('the drum goes over them and is of their radius', () => {
    expect([119.9, 120, 121.5, 121.6, undefined].map(shoes)).toEqual(['blocked', 'fits', 'fits', 'blocked', 'unknown'])
  })
})

test('threads as people write them', () => {
  expect(parseThread('M12 x 1.5')).toEqual({ diameterMm: 12, pitchMm: 1.5 })
  expect(parseThread(' m14×1,5 ')).toEqual({ diameterMm: 14, pitchMm: 1.5 })
  expect(parseThread('1/2-20')).toEqual({ diameterMm: 12.7, pitchMm: 1.27 })
  expect(parseThread('7/16" - 20 UNF')).toMatchObject({ diameterMm: expect.closeTo(11.1125, 6) })
  for (const bad of ['M12', '', 'fine', 'M0 x 1', '1/0-20', 'M1 x 12']) expect([bad, parseThread(bad)]).toEqual([bad, undefined])
})

describe('used hydraulics', () => {
  const fitted = (points: Record<string, string>, more: (project: Project) => void = () => {}) =>
    find(
      demo((project) => {
        Object.assign(part(project, 'master-24'), { condition: 'used', inspection: { points } })
        project.setups[1]!.hydraulics.masterCylinder = 'master-24'
        more(project)
      }),
      'used-hydraulics',
      'front',
      'estate-fronts',
    )
  const sound = { leaks: 'passed', bore: 'passed', hold: 'passed' }
  test.each<[string, Record<string, string>, Verdict]>([
    ['all passed', sound, 'fits'],
    ['one not looked at', { leaks: 'passed', hold: 'passed' }, 'unknown'],
    ['it does not hold', { ...sound, hold: 'failed' }, 'needs'],
    ['a pitted bore', { ...sound, bore: 'failed' }, 'blocked'],
  ])('%s: %s', (_, points, verdict) => expect(fitted(points)!.verdict).toBe(verdict))
  test('what a cylinder and a booster need is one piece; a booster that fails blocks', () => {
    const booster = (shell: string) => (project: Project) =>
      Object.assign(part(project, 'stock-booster'), { owned: false, condition: 'used', inspection: { points: { hold: 'passed', shell } } })
    expect(fitted({ ...sound, hold: 'failed' }, booster('passed'))!.verdict).toBe('needs')
    expect(fitted({ ...sound, hold: 'failed' }, booster('failed'))!.verdict).toBe('blocked')
    expect(fitted(sound)!.sentence).toMatch(/all 3 points passed/)
  })
  test('new ones are not looked over', () => {
    expect(find(DEMO_PROJECT, 'used-hydraulics')).toBeUndefined()
  })
})

describe('the library helps', () => {
  test('a wrong bracket is no dead end where another one joins both', () => {
    const project = demo((one) => (one.setups[3]!.front.bracket = 'harrow-bracket'))
    expect(find(project, 'mount', 'front', 'balanced')).toMatchObject({
      verdict: 'needs',
      sentence: expect.stringMatching(/Another bracket joins both\.$/),
      remedies: [{ partId: 'kit-bracket' }],
    })
    // nor does one help whose thread is another
    part(project, 'kit-bracket').caliperThread = 'M12 x 1.5'
    expect(find(project, 'mount', 'front', 'balanced')!.verdict).toBe('blocked')
  })
  test('a pad over the edge is cured by a larger rotor of the same holes and thickness', () => {
    const project = withField(CALIPER, 'padTopRadiusMm', 129, (one) =>
      one.parts.push({
        ...one.parts.find((other) => other.id === ROTOR)!,
        id: 'wide',
        name: 'Wide rotor',
        diameterMm: figure(260),
      } as Part),
    )
    expect(find(project, 'disc-diameter')).toMatchObject({ verdict: 'needs', remedies: [{ slot: 'rotor', partId: 'wide' }] })
  })
})

describe('limits', () => {
  test('each has a reason; a project’s own counts and is shown where it counts', () => {
    for (const limit of Object.values(LIMITS)) expect(limit.reason).toMatch(/\.$/)
    const strict = withField(CALIPER, 'bridgeRadiusMm', 130.5, (project) => (project.preferences.limits = { bridgeMm: 3 }))
    expect(find(strict, 'bridge')).toMatchObject({ verdict: 'needs', ownLimits: ['bridgeMm'], limit: 'at least 3.0\u00a0mm' })
    expect(find(strict, 'hub-pattern')!.ownLimits).toEqual([])
    expect(projectProblems(strict)).toEqual([])
    expect(projectProblems(demo((project) => (project.preferences.limits = { bridgeMm: -1 }))).map((one) => one.path)).toEqual([
      'preferences.limits',
    ])
  })
  test('a finding is as good as its weakest figure', () => {
    const guessed = demo((project) => (part(project, ROTOR).diameterMm = figure(256, 'estimated')))
    expect(find(guessed, 'bridge')!.weakest).toBe('estimated')
    expect(find(DEMO_PROJECT, 'bridge')!.weakest).toBe('published')
  })
})

describe('remedies', () => {
  const loose = () => withField(ROTOR, 'boreMm', 63)
  test('a piece goes onto the bill, cures, and comes off again', () => {
    const project = loose()
    const before = find(project, 'hub-register')!
    acceptFix(project, 'as-it-stands', before, before.remedies[0]!)
    acceptFix(project, 'as-it-stands', before, before.remedies[0]!)
    expect(project.setups[0].extras.filter((line) => line.id === fixLineId({ axle: 'front', rule: 'hub-register' }))).toHaveLength(1)
    expect(find(project, 'hub-register')).toMatchObject({
      verdict: 'fits',
      accepted: true,
      sentence: expect.stringMatching(/^With centring ring/),
    })
    expect(projectProblems(project)).toEqual([])
    dropFixItem(project, 'as-it-stands', before)
    expect(find(project, 'hub-register')!.verdict).toBe('needs')
  })
  test('shims go under the mount and centre the caliper', () => {
    const project = withField(CALIPER, 'mountToSlotMm', 19.2)
    const found = find(project, 'disc-plane')!
    acceptFix(project, 'as-it-stands', found, found.remedies[0]!)
    expect(project.setups[0].front.shimMm).toBe(-3.2)
    expect(find(project, 'disc-plane')).toMatchObject({ verdict: 'fits', value: expect.closeTo(0, 6) })
  })
  test('a part of the project goes into its slot: pads of the right shape, a longer hose, a bracket that joins', () => {
    const shape = demo((project) => (project.setups[1]!.front.pad = 'stock-front-pad'))
    const wrong = find(shape, 'pad-shape', 'front', 'estate-fronts')!
    acceptFix(shape, 'estate-fronts', wrong, wrong.remedies[0]!)
    expect(shape.setups[1]!.front.pad).toBe('estate-front-pad')
    expect(find(shape, 'pad-shape', 'front', 'estate-fronts')!.verdict).toBe('fits')
    const bare = demo((project) => (project.setups[3]!.front.bracket = null))
    expect(find(bare, 'mount', 'front', 'balanced')).toMatchObject({
      verdict: 'needs',
      remedies: [{ kind: 'part', slot: 'bracket', partId: 'kit-bracket' }],
    })
    const short = withField(HOSE, 'lengthMm', 300)
    expect(find(short, 'hose-length')!.remedies).toEqual([expect.objectContaining({ partId: 'braided-front-hose' })])
    short.parts = short.parts.filter((one) => one.id !== 'braided-front-hose')
    short.setups[3]!.front.hose = 'stock-front-hose'
    expect(find(short, 'hose-length')).toMatchObject({ verdict: 'blocked', safety: true })
  })
  test('no hose of the front is proposed for the rear, whatever its ends would screw into', () => {
    const wanting = withField('stock-rear-hose', 'lengthMm', 200)
    // one more of the same, for this axle
    const rear = wanting.parts.find((one) => one.id === 'stock-rear-hose')!
    wanting.parts.push({ ...structuredClone(rear), id: 'new-rear-hose', lengthMm: { value: 330, origin: 'measured' } } as Part)
    const front = wanting.parts.find((one) => one.id === 'braided-front-hose') as PartOf<'hose'>
    Object.assign(front, {
      ...(rear as PartOf<'hose'>),
      ...{ id: front.id, name: front.name, owned: false, lengthMm: { value: 320, origin: 'measured' } },
    })
    const proposed = () => find(wanting, 'hose-length', 'rear')!.remedies.map((one) => (one.kind === 'part' ? one.partId : ''))
    expect(proposed()).not.toContain('braided-front-hose')
    expect(proposed()).toContain('new-rear-hose')
    // where a setup has it in the rear it is one of the rear's too
    wanting.setups[1]!.rear.hose = 'braided-front-hose'
    expect(proposed()).toContain('braided-front-hose')
  })
  test('only a look at the car settles what no figure says', () => {
    const project = demo((one) => delete one.setups[0].front.seen)
    expect(find(project, 'knuckle-clear')!.verdict).toBe('check')
    setVisualCheck(project, 'as-it-stands', 'front', 'knuckle-clear', true)
    expect(find(project, 'knuckle-clear')!.verdict).toBe('fits')
    expect(projectProblems(project)).toEqual([])
    setVisualCheck(project, 'as-it-stands', 'front', 'knuckle-clear', false)
    expect(project.setups[0].front.seen).toBeUndefined()
  })
  test.each<[string, (setup: Setup) => void]>([
    ['another caliper', (setup) => (setup.front.caliper = 'kit4-caliper')],
    ['other pads', (setup) => (setup.front.pad = 'kit4-pad')],
    ['a bracket taken out', (setup) => (setup.front.bracket = null)],
    ['another shim', (setup) => (setup.front.shimMm = 1)],
  ])('with %s it is to be seen again, and what was seen counts again with the old one', (_, change) => {
    const seen = (project: Project) => visualCheckAt(project, project.setups[2]!, 'front', 'knuckle-clear')
    const project = demo()
    setVisualCheck(project, 'big-kit', 'front', 'knuckle-clear', true)
    expect([find(project, 'knuckle-clear', 'front', 'big-kit')!.verdict, seen(project)]).toEqual(['fits', 'here'])
    const before = structuredClone(project.setups[2]!)
    change(project.setups[2]!)
    expect([find(project, 'knuckle-clear', 'front', 'big-kit')!.verdict, seen(project)]).toEqual(['check', 'otherBrake'])
    project.setups[2] = before
    expect(find(project, 'knuckle-clear', 'front', 'big-kit')!.verdict).toBe('fits')
  })
  test('what was seen with the current car holds in a setup that leaves that brake alone', () => {
    const project = demo()
    const [stock, , kit] = project.setups
    expect(visualCheckAt(project, kit!, 'rear', 'parking-hold')).toBe('asItStands')
    expect(visualCheckAt(project, kit!, 'front', 'knuckle-clear')).toBeUndefined()
    expect(visualCheckAt(project, stock, 'front', 'knuckle-clear')).toBe('here')
    // another rear pad: the current car has not shown that it holds
    expect(find(project, 'parking-hold', 'rear', 'balanced')!.looked.length).toBeGreaterThan(0)
  })
  test('a mark made with another brake is none, and a new one does not bring the old ones back', () => {
    const project = demo()
    setVisualCheck(project, 'big-kit', 'front', 'knuckle-clear', true)
    project.setups[2]!.front.caliper = 'kit4-caliper'
    setVisualCheck(project, 'big-kit', 'front', 'dust-shield', true)
    expect(project.setups[2]!.front.seen).toMatchObject({ rules: ['dust-shield'], parts: expect.arrayContaining(['kit4-caliper']) })
    expect(projectProblems(project)).toEqual([])
  })
})

test('whatever is put into the slots, every rule answers, and never fits with something missing', () => {
  const choose = (slot: keyof typeof AXLE_SLOTS) =>
    fc.constantFrom(
      undefined,
      ...(AXLE_SLOTS[slot].nothing ? [null] : []),
      ...DEMO_PROJECT.parts.filter((one) => (AXLE_SLOTS[slot].kinds as readonly string[]).includes(one.kind)).map((one) => one.id),
    )
  const axle = fc.record({
    caliper: choose('caliper'),
    bracket: choose('bracket'),
    rotor: choose('rotor'),
    pad: choose('pad'),
    hose: choose('hose'),
    wheel: choose('wheel'),
  })
  fc.assert(
    fc.property(axle, fc.constantFrom(...AXLES), fc.constantFrom(...RULE_IDS), (slots, which, rule) => {
      const project = demo((one) => void Object.assign(one.setups[1]![which], slots))
      const found = find(project, rule, which, 'estate-fronts')
      if (found && found.missing.length > 0) expect(['unknown', 'blocked']).toContain(found.verdict)
      if (found) expect(found.sentence).toMatch(/[.]$/)
    }),
    { numRuns: runs(300, 120) },
  )
})

test('every field that the rules name is in a table of the model', () => {
  for (const setup of DEMO_PROJECT.setups) {
    for (const which of AXLES) {
      for (const rule of RULE_IDS) {
        for (const { at } of find(DEMO_PROJECT, rule, which, setup.id)?.looked ?? []) {
          if (at.kind === 'part' && at.field !== 'inspection')
            expect(fieldsOf(DEMO_PROJECT.parts.find((one) => one.id === at.partId)!.kind)).toHaveProperty(at.field)
          else if (at.kind === 'car') expect(at.axle ? carAxleFields : carFields).toHaveProperty(at.field)
        }
      }
    }
  }
})
