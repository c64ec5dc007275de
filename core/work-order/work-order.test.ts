import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { DEMO_PROJECT } from '../demo/project.ts'
import { fixItemKey } from '../fit/fix-item.ts'
import { AXLES } from '../quantity/axle.ts'
import type { ExtraLine } from '../records/setup.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'
import { randomSetup, SETUP, withSetup } from '../testing/setups.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { buildReport } from './build-report.ts'
import { changesOf } from './changes.ts'
import { hoursWords, workOrder, type WorkOrder } from './work-order.ts'
import { runs } from '../testing/runs.ts'

const PIECES: ExtraLine[] = (
  [
    ['fit.front.stud-engagement', 'Longer studs', 'studs-longer'],
    ['fit.rear.mount', 'Radial spacers', 'radial-spacers'],
    ['fit.front.hose-caliper-end', 'Adapter', 'brake-adapter'],
    ['fit.front.pad-slot', 'Thinner pads', 'pads-thinner'],
    ['fit.car.fluid', 'Flush', 'flush'],
    ['fit.front.used-part.caliper', 'Rebuild kit', 'rebuild'],
    ['fit.car.circuit-count', 'Re-plumbing', 're-plumbing'],
  ] as const
).map(([id, label, piece]) => ({ id, label, kind: 'remedy', quantity: 1, cures: fixItemKey({ id: piece }) }))

const place = ({ steps }: WorkOrder) => new Map(steps.map((one, at) => [one.id, at]))

describe('over random setups', () => {
  const projects: Project[] = []
  const each = (check: (order: WorkOrder, project: Project) => void) => {
    if (projects.length === 0)
      fc.assert(
        fc.property(randomSetup, fc.subarray(PIECES), fc.boolean(), (parts, pieces, bar) => {
          const project = withSetup(parts)
          const setup = project.setups.find((one) => one.id === SETUP)!
          setup.extras = [...pieces]
          if (bar) setup.hydraulics.barFrontShare = figure(0.6)
          projects.push(project)
        }),
        { numRuns: runs(1000, 300) },
      )
    for (const project of projects) check(workOrder(project, SETUP), project)
  }

  test('no step comes before what it needs, numbers go up by one, and every step is there once', () => {
    each((order) => {
      const at = place(order)
      expect(at.size).toBe(order.steps.length)
      expect(order.steps.map((one) => one.number)).toEqual(order.steps.map((_, i) => i + 1))
      const early = order.steps.flatMap((one, i) =>
        one.needs.filter((need) => !(at.get(need)! < i)).map((need) => `${one.id} before ${need}`),
      )
      expect(early).toEqual([])
    })
  })
  test('no wheel comes off twice, each that is off is put on again, and stands before the car comes down', () => {
    each((order) => {
      const at = place(order)
      for (const axle of AXLES) {
        const off = order.steps.filter((one) => one.axle === axle && /remove the wheels/.test(one.title))
        expect(off.length).toBeLessThanOrEqual(1)
        expect(at.has(`${axle}.wheelOn`)).toBe(off.length === 1)
        if (off.length === 0) continue
        expect(at.get(`${axle}.wheelOn`)!).toBeGreaterThan(
          Math.max(...order.steps.filter((one) => one.axle === axle && !one.id.endsWith('wheelOn')).map((one) => one.number - 1)),
        )
        expect(at.get('lift')!).toBeLessThan(off[0]!.number)
        expect(at.get('down')!).toBeGreaterThan(at.get(`${axle}.wheelOn`)!)
      }
    })
  })
  test('every part that changes is put on in one step, and every piece that was accepted is used in one', () => {
    each((order, project) => {
      const setup = project.setups.find((one) => one.id === SETUP)!
      const { axles, hydraulics, now } = changesOf(project, setup)
      const fresh = [
        ...AXLES.flatMap((axle) => [...axles[axle].slots].map((slot) => axles[axle].now[slot]?.id)),
        ...[...hydraulics].map((slot) => now[slot]?.id),
      ].filter((id) => id !== undefined)
      const puts = order.steps.flatMap((one) => one.puts)
      expect(new Set(puts)).toEqual(new Set(fresh))
      const uses = order.steps.flatMap((one) => one.uses)
      expect([...uses].sort()).toEqual(setup.extras.map((one) => one.id).sort())
    })
  })
  test('nothing is opened before every dry trial, and what is opened is bled and looked at for leaks', () => {
    each((order) => {
      const at = place(order)
      const opening = order.steps.filter((one) => one.opens.length > 0)
      for (const one of opening) {
        for (const axle of AXLES) if (at.has(`${axle}.trial`)) expect(at.get(`${axle}.trial`)!).toBeLessThan(one.number - 1)
        for (const axle of one.opens) {
          const bled = order.steps.find((other) => other.bleeds.includes(axle))
          expect(bled!.number).toBeGreaterThan(one.number)
          expect(at.get('leak')!).toBeGreaterThan(bled!.number - 1)
        }
      }
      if (order.steps.length > 0 && order.steps.some((one) => one.phase !== 'bench'))
        expect(at.get('firm')!).toBeGreaterThan(at.get('leak') ?? 0)
    })
  })
  test('no torque that nobody entered', () => {
    each((order) => {
      for (const one of order.steps) for (const torque of one.torques) expect(torque.torque).toBeUndefined()
      expect(JSON.stringify(order.steps)).not.toMatch(/\d+(\.\d+)? ?(N ?m|Nm|ft)/)
    })
  })
})

describe('a work order', () => {
  test('of the current car is empty, and says no work', () => {
    const order = workOrder(DEMO_PROJECT, 'as-it-stands')
    expect([order.steps, hoursWords(order.minutes)]).toEqual([[], 'no work'])
    expect(buildReport(DEMO_PROJECT, evaluate(DEMO_PROJECT, 'as-it-stands')).nothing).toBe(true)
  })
  test('takes a torque that was read, with where', () => {
    const project = structuredClone(DEMO_PROJECT)
    project.builds = []
    const before = workOrder(project, 'balanced')
    const torque = { ...figure(85, 'published'), note: 'Kit sheet, page 2' }
    project.builds = [{ id: 'balanced', notes: [], torques: [{ id: 'front.caliper', torque }] }]
    const order = workOrder(project, 'balanced')
    expect(order.torquesOpen).toBe(before.torquesOpen - 1)
    expect(order.steps.find((one) => one.id === 'front.caliper')!.torques).toEqual([
      { id: 'front.caliper', label: 'Calipers, front', torque },
    ])
  })
  test('a valve brings its opening procedure, a used part its inspection, new pads their bedding; nothing else does', () => {
    const ids = (id: string) => workOrder(DEMO_PROJECT, id).steps.map((one) => one.id)
    expect(ids('balanced')).toEqual(expect.arrayContaining(['valve', 'valveSet', 'bed', 'front.hose', 'parking']))
    expect(ids('estate-fronts')).toEqual(expect.arrayContaining(['inspect-estate-front-caliper', 'bed']))
    expect(ids('estate-fronts')).not.toEqual(expect.arrayContaining(['valveSet']))
    expect(ids('big-kit').filter((id) => id.startsWith('inspect') || id === 'parking' || id === 'bar')).toEqual([])
  })
  test('a sliding caliper goes over its pads, into a fixed one they are pushed', () => {
    const front = (id: string) =>
      workOrder(DEMO_PROJECT, id)
        .steps.map((one) => one.id)
        .filter((one) => /^front\.(pads|caliper)$/.test(one))
    expect(front('big-kit')).toEqual(['front.pads', 'front.caliper'])
    expect(front('balanced')).toEqual(['front.caliper', 'front.pads'])
  })
  test('two cylinders are set up on the bench, and both axles bled', () => {
    const project = structuredClone(DEMO_PROJECT)
    const master = project.parts.find((one) => one.id === 'stock-master') as { construction?: string }
    project.parts.push({ ...structuredClone(master), id: 'twins', name: 'Two cylinders', construction: 'twin' } as Project['parts'][number])
    project.setups[1]!.hydraulics.masterCylinder = 'twins'
    const { steps } = workOrder(project, project.setups[1]!.id)
    const bar = steps.find((one) => one.id === 'bar')!
    expect(bar.look).toMatch(/each circuit works with the other one empty/)
    expect(steps.find((one) => one.id === 'bleed')!.bleeds).toEqual(['front', 'rear'])
  })
  test('a booster alone is changed with the lines on and the wheels too; a knee or a bar alone is set', () => {
    const only = (change: (setup: Project['setups'][number]) => void) => {
      const project = structuredClone(DEMO_PROJECT)
      const setup = { ...structuredClone(project.setups[0]), id: 'only', front: {}, rear: {}, hydraulics: {}, extras: [] }
      change(setup)
      project.setups.push(setup)
      return workOrder(project, 'only').steps.map((one) => one.id)
    }
    const booster = only((setup) => (setup.hydraulics.booster = null))
    expect(booster).toEqual(expect.arrayContaining(['booster', 'firm', 'engine']))
    expect(booster.filter((id) => /drain|lift|bleed|wheel/.test(id))).toEqual([])
    expect(only((setup) => (setup.hydraulics.valveKneeMpa = figure(3)))).toEqual(expect.arrayContaining(['knee', 'valveSet']))
    expect(only((setup) => (setup.hydraulics.barFrontShare = figure(0.6)))).toEqual(expect.arrayContaining(['bar', 'walk']))
    // new fluid reaches all four screws
    const fluid = only(
      (setup) =>
        (setup.hydraulics.fluid = DEMO_PROJECT.parts.find(
          (one) => one.kind === 'fluid' && one.id !== DEMO_PROJECT.setups[0].hydraulics.fluid,
        )!.id),
    )
    expect(fluid).toEqual(
      expect.arrayContaining(['drain', 'front.wheelOff', 'rear.wheelOff', 'bleed', 'leak', 'front.wheelOn', 'rear.wheelOn']),
    )
  })
  test('is refused for a setup that is not there', () => {
    expect(() => workOrder(DEMO_PROJECT, 'nobody')).toThrow('no setup nobody')
  })
  test.each([
    [[0, 0], 'no work'],
    [[45, 100], '1 to 1.5 h'],
    [[270, 720], '4.5 to 12 h'],
  ] as const)('hours of %j: %s', (minutes, words) => expect(hoursWords(minutes as readonly [number, number])).toBe(words))
})

describe('what hurts when it comes in another order', () => {
  const changed = (change: (project: Project) => void): Project => {
    const project = structuredClone(DEMO_PROJECT)
    change(project)
    return project
  }
  const step = (project: Project, id: string) => workOrder(project, 'balanced').steps.find((one) => one.id === id)
  test('pads are bedded in before the rear valve is raised to a rear lock-up', () => {
    const at = place(workOrder(DEMO_PROJECT, 'balanced'))
    expect(at.get('bed')!).toBeLessThan(at.get('valveSet')!)
  })
  test('wheels are chocked before anything is loosened or lifted', () => {
    expect(step(DEMO_PROJECT, 'lift')!.title).toMatch(/^Chock the wheels, loosen .*, lift/)
    expect(step(DEMO_PROJECT, 'lift')!.look).toMatch(/lift one axle with the other chocked and set it on stands; then lift the second/)
  })
  test('the dry trial needs no hose that is moved later', () => {
    const { steps } = workOrder(DEMO_PROJECT, 'balanced')
    expect(
      steps
        .filter((one) => one.id.endsWith('.trial'))
        .map((one) => one.title)
        .join(),
    ).not.toMatch(/hose/)
  })
  test('a new tandem cylinder: free play and brake light; twin ones: the share of the setup and a front lock-up before the road', () => {
    const tandem = changed((project) => {
      const other = project.parts.find(
        (one) => one.kind === 'masterCylinder' && one.construction === 'tandem' && one.id !== project.setups[0].hydraulics.masterCylinder,
      )!
      project.setups[3]!.hydraulics.masterCylinder = other.id
    })
    expect(step(tandem, 'master')!.look).toMatch(/pushrod’s free play.*brake light/i)
    const twin = changed((project) => {
      Object.assign(project.setups[3]!.hydraulics, { masterCylinder: 'twin-box', booster: null, barFrontShare: figure(0.52) })
    })
    expect(step(twin, 'bar')!.look).toMatch(/set to 52\.0% front/)
    expect(step(twin, 'frontLock')!.caution!.action).toMatch(/closed, dry, straight ground/)
  })
  test('an anti-lock unit is bled by the procedure of the car’s maker', () => {
    expect(
      step(
        changed((project) => void (project.car.abs = 'abs')),
        'bleed',
      )!.look,
    ).toMatch(/ABS unit/)
    expect(
      step(
        changed((project) => void (project.car.abs = 'none')),
        'bleed',
      )!.look,
    ).not.toMatch(/ABS/)
  })
  test('new shoes are bedded in', () => {
    const project = changed((draft) => {
      draft.parts.push({ id: 'new-drum', kind: 'drum', name: 'Drum brake with new shoes' })
      draft.setups.push({ id: 'drums', name: 'Drums', front: {}, rear: { caliper: 'new-drum' }, hydraulics: {}, extras: [] })
    })
    expect(workOrder(project, 'drums').steps.map((one) => one.id)).toContain('bed')
  })
  test('the first line says what is still wrong', () => {
    const { fit } = evaluate(DEMO_PROJECT, 'estate-fronts')
    expect(buildReport(DEMO_PROJECT, evaluate(DEMO_PROJECT, 'estate-fronts')).order.stillWrong).toMatch(/^Do not start yet: 1 to fix\. /)
    expect(workOrder(DEMO_PROJECT, 'estate-fronts', fit).stillWrong).toBe('')
  })
})

describe('before the work', () => {
  test('what blocks stands there, and there is no order', () => {
    const project = structuredClone(DEMO_PROJECT)
    const rotor = project.parts.find((one) => one.id === 'estate-front-rotor') as { boltCount?: unknown }
    rotor.boltCount = figure(5)
    const build = buildReport(project, evaluate(project, 'estate-fronts'))
    expect(build.blockedBy.length).toBeGreaterThan(0)
    expect([build.order.steps, build.blockedBy[0]!.sentence.length > 10]).toEqual([[], true])
  })
  test('what is not known is to be found out, the dearest first, and only what the report leaves open', () => {
    const project = structuredClone(DEMO_PROJECT)
    const setup = project.setups.find((one) => one.id === 'balanced')!
    for (const id of [setup.front.caliper, setup.rear.pad]) {
      const part = project.parts.find((one) => one.id === id) as unknown as Record<string, unknown>
      for (const key of ['mountSpacingMm', 'shape', 'thicknessMm']) Reflect.deleteProperty(part, key)
    }
    const report = evaluate(project, 'balanced')
    const { findOutFirst } = buildReport(project, report)
    const unknown = [...report.fit, ...report.findings].filter((one) => one.verdict === 'unknown')
    expect(findOutFirst).toHaveLength(unknown.length)
    expect(findOutFirst.length).toBeGreaterThan(1)
    const stakes = findOutFirst.map((one) => one.stakeMinor ?? 0)
    expect(stakes).toEqual([...stakes].sort((a, b) => b - a))
    expect(stakes[0]).toBeGreaterThan(0)
  })
  test('what is bought stands under its seller, once, and adds up to the bill', () => {
    const project = structuredClone(DEMO_PROJECT)
    const price = project.parts.find((one) => one.id === 'kit4-caliper')!.price!
    price.seller = 'Copse End'
    const report = evaluate(project, 'balanced')
    const { shopping } = buildReport(project, report)
    expect(shopping.map((one) => one.seller)).toEqual(['Copse End', ''])
    expect(shopping.reduce((sum, one) => sum + one.likelyMinor, 0)).toBe(report.bill.total.likely)
    expect(buildReport(DEMO_PROJECT, evaluate(DEMO_PROJECT, 'estate-fronts')).along).toEqual([
      {
        donor: 'Bramble estate, front',
        parts: ['Estate front caliper'],
        along: expect.arrayContaining(['caliper brackets and their bolts']),
      },
    ])
  })
})

describe('stages', () => {
  test('each is a car whose findings are no worse than before or after; together they are the whole build', () => {
    for (const id of ['estate-fronts', 'big-kit', 'balanced']) {
      const { stages, together } = buildReport(DEMO_PROJECT, evaluate(DEMO_PROJECT, id)).stages
      const [before, after] = ['as-it-stands', id].map((one) => evaluate(DEMO_PROJECT, one))
      for (const stage of stages.slice(0, -1)) {
        const now = evaluate({ ...DEMO_PROJECT, setups: [...DEMO_PROJECT.setups, { ...stage.setup, id: 'stage' }] }, 'stage')
        for (const one of now.fit.filter((found) => found.verdict === 'blocked' || found.verdict === 'needs')) {
          const same = (report: typeof now) => report.fit.find((other) => other.rule === one.rule && other.axle === one.axle)?.verdict
          expect([same(before!), same(after!)]).toContain(one.verdict)
        }
      }
      const put = new Set(stages.flatMap((one) => one.order.steps.flatMap((step) => step.puts)))
      expect(put).toEqual(new Set(workOrder(DEMO_PROJECT, id).steps.flatMap((one) => one.puts)))
      if (id === 'balanced')
        expect([stages.map((one) => one.name), together]).toEqual([
          ['Fluid and hoses', 'Pads, front brakes', 'Master cylinder, booster and valve'],
          ['Pads cannot go alone: Pad shape, front.'],
        ])
    }
  })
})
