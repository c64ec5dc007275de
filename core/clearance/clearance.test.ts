import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { AXLES } from '../quantity/axle.ts'
import type { Part, PartOf } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { figure, figureFromReadings } from '../quantity/figure.ts'
import { compareBrakes } from '../decide/compare-brakes.ts'
import { compareWheels, smallestRim } from '../whatif/compare-wheels.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { liveGap } from './live-gap.ts'
import { filledOf } from '../figures/working.ts'
import { VERDICT_RANK } from '../figures/words.ts'

function demo(change: (project: Project) => void): Project {
  const copy = structuredClone(DEMO_PROJECT)
  change(copy)
  return copy
}
const part = <K extends Part['kind']>(project: Project, id: string): PartOf<K> => project.parts.find((one) => one.id === id) as PartOf<K>
const front = (project: Project, setupId = 'estate-fronts') => evaluate(project, setupId).corners.front
const u = (value: number, sure: number) => figure(value, 'measured', { u: sure })

/** The four-piston kit on the hill wheel, whose spoke back is published to a millimetre and guessed in shape. */
const open = (change: (project: Project) => void = () => {}) =>
  demo((project) => {
    project.setups[1]!.front = { ...project.setups[1]!.front, wheel: 'hill-wheel' }
    part<'wheel'>(project, 'hill-wheel').faceDepthMm = figure(46, 'reported')
    change(project)
  })

describe('an outline that was taken on a car moves with what is put under the caliper', () => {
  // fixed, on a bracket of -4 axial and 14 radial, as it was taken
  const kit = (change: (project: Project) => void = () => {}) => {
    const report = evaluate(demo(change), 'balanced')
    return { shift: report.figures['front.shift'], corner: report.corners.front, radius: report.figures['front.effectiveRadius'].value }
  }
  const onBracket = (axialMm: number, radialMm: number) => (project: Project) =>
    void Object.assign(part<'bracket'>(project, 'kit-bracket'), { axialMm: figure(axialMm), radialMm: figure(radialMm) })
  const as = kit()
  test('the same bracket moves nothing, however well it is known', () => {
    const vague = kit((project) => {
      part<'bracket'>(project, 'kit-bracket').axialMm = figure(-4, 'estimated')
      part<'caliper'>(project, 'kit4-caliper').takenWithStackMm = figure(-4, 'estimated')
    })
    expect([vague.shift.value, vague.corner.gap!.u]).toEqual([as.shift.value, as.corner.gap!.u])
  })
  test('shims and another bracket move it outboard, and the doubt of both counts', () => {
    const shimmed = kit((project) => (project.setups[3]!.front.shimMm = 2))
    expect(shimmed.shift.value! - as.shift.value!).toBeCloseTo(2, 9)
    expect(shimmed.corner.gap!.faceGapMm!).toBeCloseTo(as.corner.gap!.faceGapMm! - 2, 6)
    const further = kit(onBracket(-1, 14))
    expect(further.shift.value! - as.shift.value!).toBeCloseTo(3, 9)
    const vague = kit((project) => (part<'bracket'>(project, 'kit-bracket').axialMm = figure(-1, 'estimated')))
    expect(vague.corner.gap!.u).toBeGreaterThan(further.corner.gap!.u)
  })
  test('a bracket that lifts less brings body and pads down', () => {
    const lower = kit(onBracket(-4, 11))
    expect(lower.corner.gap!.barrelGapMm!).toBeCloseTo(as.corner.gap!.barrelGapMm! + 3, 6)
    expect(lower.radius! - as.radius!).toBeCloseTo(-3, 9)
    // taken out, the pads sit 14 mm lower: the caliper does not go on the knuckle, which is another finding
    expect(kit((project) => (project.setups[3]!.front.bracket = null)).shift.value! - as.shift.value!).toBeCloseTo(4, 9)
  })
  test('what it was taken with is asked for as soon as something stands there, and never before', () => {
    const unknown = kit((project) => {
      delete part<'caliper'>(project, 'kit4-caliper').takenWithStackMm
      delete part<'caliper'>(project, 'kit4-caliper').takenWithLiftMm
    })
    expect([unknown.corner.verdict, unknown.radius]).toEqual(['measure', undefined])
    expect(unknown.corner.missing.map((one) => one.what)).toEqual([
      'Bracket lift under the outline of Four-piston caliper Q4',
      'Bracket and shim offset under the outline of Four-piston caliper Q4',
    ])
    // the estate's caliper stands on the knuckle itself
    const bare = (shimMm: number) => front(demo((project) => (project.setups[1]!.front.shimMm = shimMm)))
    expect([bare(0).verdict, bare(-1).verdict]).toEqual(['tooClose', 'measure'])
    const known = front(
      demo((project) => {
        project.setups[1]!.front.shimMm = -1
        part<'caliper'>(project, 'estate-front-caliper').takenWithStackMm = figure(0)
      }),
    )
    expect(known.gap!.faceGapMm! - bare(0).gap!.faceGapMm!).toBeCloseTo(1, 6)
  })
  test('the housing of a sliding caliper follows the disc: shims do not move it, a lift does', () => {
    const sliding = (change: (project: Project) => void) => evaluate(demo(change), 'big-kit')
    const [before, shimmed, lifted] = [
      sliding(() => {}),
      sliding((project) => (project.setups[2]!.front.shimMm = 2)),
      sliding(onBracket(-4, 15)),
    ]
    expect(shimmed.figures['front.shift'].value).toBe(before.figures['front.shift'].value)
    expect(lifted.corners.front.gap!.barrelGapMm!).toBeCloseTo(before.corners.front.gap!.barrelGapMm! - 1, 6)
  })
})

describe('how sure a gap is comes from every figure in it', () => {
  test('a hat nobody measured well widens the range of a caliper taken from the seat', () => {
    const sure = front(DEMO_PROJECT).gap!
    const less = front(demo((project) => (part<'rotor'>(project, 'estate-front-rotor').hatThicknessMm = figure(6, 'estimated')))).gap!
    expect(less.u).toBeGreaterThan(sure.u * 3)
  })
  test('readings of points count as they were read; a sheet of them outranks a guess', () => {
    const withReadings = demo((project) => {
      const caliper = part<'caliper'>(project, 'estate-front-caliper')
      delete caliper.uAxialMm
      delete caliper.uRadialMm
      caliper.outlines = caliper.outlines!.map((line) => ({
        ...line,
        instrument: 'tape',
        readings: line.points.map(([z, r]) => [[z], [r]]),
      }))
    })
    // one reading with a tape: repeatability 1, resolution 1, limit of error 0.5
    expect(front(withReadings).shifts!.caliperAxialMm).toBeCloseTo(Math.hypot(1, 1 / Math.sqrt(12), 0.5 / Math.sqrt(3), 0.031, 0.031), 1)
  })
  test('a spacer’s own thickness is part of the uncertainty', () => {
    const loose = demo((project) => {
      project.setups[1]!.front.spacer = 'spacer-5'
      part<'spacer'>(project, 'spacer-5').thicknessMm = figure(5, 'estimated')
    })
    expect(front(loose).shifts!.caliperAxialMm).toBeGreaterThan(0.99)
  })
})

describe('what to measure next', () => {
  test('names the figure, where it is, what it brings; the first is the spoke back', () => {
    const { verdict, measureNext } = front(open())
    expect(verdict).toBe('measure')
    const [first] = measureNext
    expect(first!.what).toMatch(/^Back of the spokes of Hill wheel|^Trial fit/)
    const spoke = measureNext.find((one) => one.what.startsWith('Back of the spokes'))!
    expect(spoke.at).toEqual({ kind: 'part', partId: 'hill-wheel', field: 'faceDepthMm' })
    expect(spoke.sentence).toMatch(/3 readings with a digital caliper\. It causes \d+% of the uncertainty/)
    expect(spoke.effect).toMatch(/known to ± \d\.\d\u00a0mm\. \d+% probability that/)
    expect(measureNext.map((one) => one.settles)).toEqual(
      [...measureNext.map((one) => one.settles)].sort((a, b) => Math.round(b * 20) - Math.round(a * 20)),
    )
  })
  test('taking the named measurement settles it', () => {
    const measured = open((project) => {
      const wheel = part<'wheel'>(project, 'hill-wheel')
      wheel.faceDepthMm = figureFromReadings([52, 52.1, 51.9], 'digitalCaliper')
    })
    expect(front(measured).verdict).toBe('clears')
    expect(front(measured).measureNext).toEqual([])
  })
  test('nothing is proposed where nothing is in doubt', () => {
    expect(front(DEMO_PROJECT).measureNext).toEqual([])
    expect(front(DEMO_PROJECT, 'balanced').measureNext).toEqual([])
  })
})

describe('a trial fit', () => {
  const fit = (gapMm: number, more: object = {}) =>
    open((project) => {
      project.preferences.gapPolicy = 'trialFit'
      project.setups[1]!.front.trialFit = {
        gapMm: u(gapMm, 0.2),
        caliper: 'estate-front-caliper',
        wheel: 'hill-wheel',
        spacerMm: 0,
        ...more,
      }
    })
  test('joins the figures, makes them surer and lets its own limit apply', () => {
    const before = front(open())
    const after = front(fit(2.3))
    expect(after.gap!.u).toBeLessThan(0.2)
    expect(after.gap!.u).toBeLessThan(before.gap!.u)
    expect(after.requiredMm).toBe(1.5)
    expect(after.verdict).toBe('clears')
    expect(after.trial!.sentence).toMatch(/agrees with the calculation/)
  })
  test('until one was made the limit that holds everywhere holds', () => {
    expect(front(open((project) => (project.preferences.gapPolicy = 'trialFit'))).requiredMm).toBe(3)
  })
  test('one that contradicts the figures settles nothing and says so', () => {
    const found = front(fit(14))
    expect(found.verdict).toBe('measure')
    expect(found.sentence).toMatch(/trial fit and calculation disagree/)
    expect(found.trial).toMatchObject({ agree: false })
  })
  test('it counts with the bracket and shims it was made with, noted or not', () => {
    expect(front(fit(2.3, { bracket: null, shimMm: 0 })).gap!.u).toBeCloseTo(front(fit(2.3)).gap!.u, 9)
  })
  test.each([{ spacerMm: 5 }, { wheel: 'club-wheel' }, { pad: 'stock-front-pad' }, { bracket: 'kit-bracket' }, { shimMm: -1 }])(
    'with other parts it does not count: %j',
    (more) => {
      const found = front(fit(2.3, more))
      expect(found.gap!.u).toBeCloseTo(front(open((project) => (project.preferences.gapPolicy = 'trialFit'))).gap!.u, 6)
      expect(found.trial!.sentence).toMatch(/other parts, another face height, other weights or another spacer/)
    },
  )
  test('it counts in another setup with the very same parts', () => {
    const twice = fit(2.3)
    twice.setups.push({ ...structuredClone(twice.setups[1]!), id: 'twin', name: 'Twin', front: { ...twice.setups[1]!.front } })
    delete twice.setups[4]!.front.trialFit
    expect(front(twice, 'twin').gap!.u).toBeCloseTo(front(twice).gap!.u, 9)
  })
})

describe('the gap by difference', () => {
  const by = (gapNow: number, protrusionNew: number, more: (project: Project) => void = () => {}) =>
    demo((project) => {
      project.setups[1]!.front.byDifference = {
        gapNowMm: u(gapNow, 0.2),
        protrusionNowMm: u(17.5, 0.2),
        protrusionNewMm: u(protrusionNew, 0.2),
        radiusMm: u(104, 1),
      }
      more(project)
    })
  const noProfile = (project: Project) => {
    const wheel = part<'wheel'>(project, 'club-wheel')
    delete wheel.profile
    delete wheel.diameterIn
  }
  test('is what is there less what stands out further', () => {
    const report = evaluate(by(26, 43), 'estate-fronts')
    expect(report.figures['front.gapByDifference'].value).toBeCloseTo(0.5, 9)
    expect(report.figures['front.gapByDifference'].u).toBeCloseTo(Math.hypot(0.2, 0.2, 0.2), 9)
    expect(report.corners.front.difference!.agrees).toMatch(/agrees with the spoke clearance/)
    expect(front(by(40, 43)).difference!.agrees).toMatch(/This differs from/)
  })
  test('without a profile it can say too close, but never clears', () => {
    expect(front(by(26, 43, noProfile)).verdict).toBe('tooClose')
    expect(front(by(60, 43, noProfile)).verdict).toBe('measure')
    expect(front(by(60, 43, noProfile)).difference!.sentence).toMatch(/other points were not measured/)
    expect(front(by(60, 43, noProfile)).difference!.sentence).not.toMatch(/spacer/)
  })
  test('a spacer of a size that is sold is named, and with it the gap is enough', () => {
    const { sentence } = front(by(26, 43, noProfile)).difference!
    const [, spacer] = /A (\d+\.\d).mm spacer/.exec(sentence)!
    // on the wheel that stands so much further out
    const after = front(by(26 + Number(spacer), 43, noProfile)).difference!.sentence
    expect(after).toMatch(/Enough at this point/)
    expect(after).not.toMatch(/spacer/)
    const smaller = [3, 5, 8, 10, 12].filter((one) => one < Number(spacer)).pop()!
    expect(front(by(26 + smaller, 43, noProfile)).difference!.sentence).toMatch(/A [\d.]+.mm spacer/)
  })
  test('a measure that is missing is asked for', () => {
    const half = demo((project) => (project.setups[1]!.front.byDifference = { gapNowMm: u(26, 0.2) }))
    expect(front(half).difference!.sentence).toMatch(/2 of 3 measurements/)
    expect(evaluate(half, 'estate-fronts').figures['front.gapByDifference'].value).toBeUndefined()
  })
})

describe('objects that are not the caliper', () => {
  test('a hose end that stands out further is what limits, by its name', () => {
    const found = front(
      demo((project) => {
        part<'caliper'>(project, 'estate-front-caliper').furtherOutlines = [
          {
            name: 'hose end',
            points: [
              [-40, 160],
              [-38, 166.5],
              [-34, 160],
            ],
          },
        ]
      }),
    )
    expect(found.gap).toMatchObject({ limitingOutline: 'hose end', limitingTag: 'barrel' })
  })
  test('what is fixed to the car stays when the caliper changes, and needs the hat it was taken with', () => {
    const withRod = (more: (project: Project) => void = () => {}) =>
      demo((project) => {
        project.car.front.objects = [
          {
            name: 'tie-rod end',
            points: [
              [-100, 160],
              [-96, 177.6],
              [-84, 160],
            ],
          },
        ]
        more(project)
      })
    expect(front(withRod()).missing.map((one) => one.what)).toContain('Hat thickness during that measurement, front')
    expect(front(withRod()).verdict).toBe('measure')
    const known = withRod((project) => (project.car.front.objectsTakenWithHatMm = figure(6)))
    expect(front(known).gap!.limitingOutline).toBe('tie-rod end')
    expect(front(known, 'balanced').gap!.limitingOutline).toBe('tie-rod end')
  })
})

describe('wheels: weights and face heights', () => {
  test('an allowance counts until the weights are measured', () => {
    const allow = (change: (wheel: PartOf<'wheel'>) => void) =>
      front(
        demo((project) => {
          project.preferences.weightAllowanceMm = 4
          change(part<'wheel'>(project, 'club-wheel'))
        }),
        'balanced',
      ).gap!.barrelGapMm!
    const none = front(DEMO_PROJECT, 'balanced').gap!.barrelGapMm!
    const unmeasured = allow((wheel) => {
      delete wheel.weightThicknessMm
    })
    expect(none - unmeasured).toBeCloseTo(4, 6)
    expect(allow(() => {})).toBeCloseTo(none, 9)
  })
  test('not looked at is noted, not taken as none in silence', () => {
    const report = evaluate(open(), 'estate-fronts')
    expect(report.figures['front.gap'].notes.join()).toMatch(/weights.*neither measured nor allowed for/)
  })
  test('each face height has its verdict, the least that clears is found, a name that is not listed is a question', () => {
    const wheel = (face?: string) =>
      demo((project) => {
        project.setups[1]!.front.wheel = 'hill-wheel'
        if (face) part<'wheel'>(project, 'hill-wheel').faceChosen = face
      })
    const { faces } = front(wheel())
    expect(faces.map((face) => face.name)).toEqual(['F1', 'F2', 'F3', 'F4'])
    expect(faces.filter((face) => face.leastThatClears).map((face) => face.name)).toEqual(['F3'])
    expect(front(wheel('F3')).verdict).toBe('clears')
    expect(front(wheel('F3')).faces.find((face) => face.fitted)!.name).toBe('F3')
    // nine millimetres further outboard are nine millimetres more
    expect(front(wheel('F3')).gap!.faceGapMm! - front(wheel('F1')).gap!.faceGapMm!).toBeCloseTo(9, 9)
    expect(front(wheel('F9')).missing.map((one) => one.what)).toEqual(['Face height F9 of Hill wheel 7J x 15 ET 30'])
  })
})

describe('what a spacer brings', () => {
  const rows = (project: Project) => Object.fromEntries(front(project).consequences.map((one) => [one.label, one]))
  const spaced = (spacer: string, change: (project: Project) => void = () => {}) =>
    demo((project) => {
      project.setups[1]!.front.spacer = spacer
      change(project)
    })
  test('thread, register, offset, track and poke', () => {
    const found = rows(spaced('spacer-5'))
    expect(found['Thread engagement, nut']!.text).toBe('12.5\u00a0mm, at least 12.0\u00a0mm')
    expect(found['Hub register length left']!).toMatchObject({ verdict: 'needs', text: '3.0\u00a0mm, at least 4.0\u00a0mm' })
    expect(found['Effective offset']!.text).toBe('30.0\u00a0mm')
    expect(found['Track']!.text).toBe('+10.0\u00a0mm')
    expect(found['Rim edge, each side']!.text).toBe('+5.0\u00a0mm')
  })
  test('the figure behind the thread is the one that is shown, by spacer after spacer', () => {
    for (const [spacer, mm] of [
      ['spacer-3', 14.5],
      ['spacer-5', 12.5],
      ['spacer-10', 7.5],
    ] as const) {
      const report = evaluate(spaced(spacer), 'estate-fronts')
      const figure = report.figures['front.studEngagement']
      expect([figure.value, report.fit.find((one) => one.rule === 'stud-engagement' && one.axle === 'front')!.value]).toEqual([
        expect.closeTo(mm, 9),
        expect.closeTo(mm, 9),
      ])
      expect(filledOf(figure)).toMatch(/^min\(38 − 6 − \d+ − 12 − 2\.5, 17\)$/)
    }
  })
  test('too little of either makes the setup need more, however wide the gap', () => {
    const report = evaluate(spaced('spacer-5'), 'estate-fronts')
    expect(report.corners.front.verdict).toBe('clears')
    expect(report.verdict).toBe('needs')
    expect(report.fit.find((one) => one.rule === 'register-left')).toMatchObject({ sentence: expect.stringMatching(/register of its own/) })
    const short = spaced('spacer-3', (project) => (project.car.front.studLengthMm = figure(30)))
    expect(rows(short)['Thread engagement, nut']!.sentence).toBe(
      'Thread engagement 6.5\u00a0mm, 12.0\u00a0mm required: studs longer by 5.5\u00a0mm.',
    )
  })
  test('a stud nobody measured is unknown, with a spacer and without', () => {
    const unknown = (spacer: string | null) =>
      demo((project) => {
        delete project.car.front.studLengthMm
        project.setups[1]!.front.spacer = spacer
      })
    for (const spacer of ['spacer-3', null]) {
      const found = evaluate(unknown(spacer), 'estate-fronts').fit.find((one) => one.rule === 'stud-engagement' && one.axle === 'front')!
      expect([found.verdict, found.missing.map((one) => one.what)]).toEqual(['unknown', ['Stud or bolt length, front']])
    }
  })
})

describe('the tallest radius two ways', () => {
  test.each([
    [18, true],
    [21, false],
  ])('over the rotor’s edge %p mm: agrees %p', (edge, agree) => {
    const found = front(
      demo((project) => {
        const caliper = part<'caliper'>(project, 'kit4-caliper')
        caliper.tallestRadiusMm = u(155, 0.4)
        caliper.rotorEdgeToTallestMm = u(edge, 0.2)
        caliper.takenWithRotorDiameterMm = u(274, 0.2)
      }),
      'balanced',
    )
    expect(found.twoWays!.agree).toBe(agree)
    expect(found.twoWays!.sentence).toMatch(agree ? /The two methods agree/ : /Measure both again/)
  })
})

describe('many at once', () => {
  test('wheels are sorted by sureness and gap, each with its own verdict', () => {
    const rows = compareWheels(DEMO_PROJECT, 'estate-fronts', 'front')
    expect(rows).toHaveLength(DEMO_PROJECT.parts.filter((one) => one.kind === 'wheel').length)
    const order = ['clears', 'tight', 'measure', 'tooClose', 'hits']
    const places = rows.map((row) => VERDICT_RANK[row.whole] * 10 + order.indexOf(row.verdict))
    expect(places).toEqual([...places].sort((a, b) => a - b))
    expect(rows.find((row) => row.id === 'hill-wheel')!.detail).toBe('with face F3, the least that clears')
    expect(rows.filter((row) => row.inUse).map((row) => row.id)).toEqual(['club-wheel'])
  })
  test.each(DEMO_PROJECT.setups.flatMap((setup) => AXLES.map((axle) => [setup.id, axle] as const)))(
    'a wheel fitted as its row says is what the row said, with its face and its spacer: %s, %s',
    (setupId, axle) => {
      const before = compareWheels(DEMO_PROJECT, setupId, axle)
      for (const row of before) {
        const fitted = demo((project) => {
          const setup = project.setups.find((one) => one.id === setupId)!
          setup[axle].wheel = row.id
          if (row.fit.face !== undefined) part<'wheel'>(project, row.id).faceChosen = row.fit.face
          if (row.fit.spacer === undefined) return
          setup[axle].spacer = row.fit.spacer
          delete setup[axle].spacerTrialMm
        })
        const { corners, fit } = evaluate(fitted, setupId)
        expect([row.id, corners[axle].verdict, corners[axle].gap?.meanMm]).toEqual([row.id, row.verdict, row.meanMm])
        const ofWheel = fit.filter((one) => one.axle === axle && /^(wheel|stud)/.test(one.rule)).map((one) => VERDICT_RANK[one.verdict])
        expect(Math.max(...ofWheel)).toBeLessThanOrEqual(Math.max(VERDICT_RANK[row.whole], VERDICT_RANK.check))
      }
    },
  )
  test('a wheel that the spacer of the setup does not clear has one of the library that does; without any it stays blocked', () => {
    const row = (project: Project) => compareWheels(project, 'estate-fronts', 'front').find((one) => one.id === 'club-wheel')!
    expect(row(DEMO_PROJECT)).toMatchObject({ whole: 'fits', detail: 'with Spacer 3 mm', fit: { spacer: 'spacer-3' } })
    const none = demo((project) => (project.parts = project.parts.filter((one) => one.kind !== 'spacer')))
    expect(row(none)).toMatchObject({ whole: 'needs', detail: '', fit: {} })
  })
  test('a wheel with other holes than the hub stands last, however wide its gap, and says why', () => {
    const five = demo((project) => {
      const wheel = structuredClone(project.parts.find((one) => one.id === 'hill-wheel')!)
      project.parts.unshift({ ...wheel, id: 'five-hole', name: 'Five-hole wheel', boltCount: u(5, 0) } as never)
    })
    const rows = compareWheels(five, 'estate-fronts', 'front')
    const row = rows.find((one) => one.id === 'five-hole')!
    expect(row).toMatchObject({ whole: 'blocked', why: expect.stringMatching(/^5 holes on a hub for 4/) })
    const after = rows.slice(rows.indexOf(row))
    expect(after.every((one) => one.whole === 'blocked')).toBe(true)
    expect(rows[0]!.whole).not.toBe('blocked')
  })
  test('rear calipers and what does not go on are not said to clear in front', () => {
    const rows = compareBrakes(DEMO_PROJECT, 'estate-fronts', 'front', 'hill-wheel')
    const rear = rows.find((row) => row.name === 'Rear sliding caliper')!
    expect(rear.whole).not.toBe('fits')
    expect(rear.why).not.toBe('')
    const blocked = rows.findIndex((row) => row.whole === 'blocked')
    if (blocked >= 0) expect(rows.slice(blocked).every((row) => row.whole === 'blocked')).toBe(true)
  })
  test('a customer’s wheel over every brake: those of the setups, then loose calipers', () => {
    const rows = compareBrakes(DEMO_PROJECT, 'estate-fronts', 'front', 'hill-wheel')
    const calipers = DEMO_PROJECT.parts.filter((one) => one.kind === 'caliper').map((one) => one.name)
    expect([...new Set(rows.map((row) => row.name))].sort()).toEqual([...calipers].sort())
    expect(rows.find((row) => row.inUse)!.name).toBe('Estate front caliper')
    expect(rows.find((row) => row.name === 'Rear sliding caliper')!.detail).toMatch(/rotor and pads of this setup/)
    // the same parts on other shims are another row
    const shimmed = demo((project) => {
      project.setups.push({ ...structuredClone(project.setups[3]!), id: 'shimmed', name: 'Shimmed' })
      project.setups[4]!.front.shimMm = 2
    })
    const both = compareBrakes(shimmed, 'balanced', 'front', 'hill-wheel').filter((row) => row.name === 'Four-piston caliper Q4')
    expect(both).toHaveLength(2)
    expect(() => compareBrakes(DEMO_PROJECT, 'estate-fronts', 'front', 'spacer-3')).toThrow(RangeError)
  })
  test('the smallest rim is a hint and says so; a taller caliper needs a larger one', () => {
    expect(smallestRim(DEMO_PROJECT, 'balanced', 'front')).toMatchObject({
      diameterIn: 15,
      sentence: expect.stringMatching(/^First hint:.*Measure the wheel/),
    })
    // what it takes for granted is said
    const assuming = (change: (project: Project) => void) => smallestRim(demo(change), 'balanced', 'front').sentence
    expect(assuming(() => {})).not.toMatch(/assumed|taken without/)
    expect(assuming((project) => delete project.setups[0].front.spacer)).toMatch(
      /inch rim, 6\.5 wide, ET 35, without a spacer, could clear/,
    )
    expect(assuming((project) => delete project.setups[0].front.wheel)).toMatch(/7 wide \(assumed\), ET 35 \(assumed\)/)
    const tall = demo((project) => (part<'caliper'>(project, 'kit4-caliper').tallestRadiusMm = u(190, 0.5)))
    expect(smallestRim(tall, 'balanced', 'front').diameterIn).toBe(17)
    expect(
      smallestRim(
        demo((project) => delete part<'caliper'>(project, 'kit4-caliper').faceMm),
        'balanced',
        'front',
      ).diameterIn,
    ).toBeUndefined()
  })
})

test('the drag says what the report will say: the same gap, the same verdict by the linear estimate', () => {
  const corner = front(DEMO_PROJECT)
  const follow = liveGap(corner, 'standard')!
  for (const spacerMm of [0, 1.5, 3, 7.5]) {
    const settled = evaluate(
      demo((project) => (project.setups[1]!.front.spacerTrialMm = spacerMm)),
      'estate-fronts',
      { precision: 'linear' },
    ).corners.front
    expect(follow(spacerMm).minGapMm).toBeCloseTo(settled.gap!.minGapMm, 9)
    expect(follow(spacerMm).p05Mm).toBeCloseTo(settled.gap!.p05Mm, 9)
    expect(follow(spacerMm).verdict).toBe(settled.verdict)
  }
  expect(liveGap(front(demo((project) => delete part<'caliper'>(project, 'estate-front-caliper').outlines)), 'standard')).toBeUndefined()
})

test('a caliper whose body was removed is unknown, whatever stands on it', () => {
  const without = demo((project) => {
    const caliper = part<'caliper'>(project, 'estate-front-caliper')
    expect(caliper.outlines!.map((one) => one.name)).toEqual(['body', 'bleed screw'])
    caliper.outlines = caliper.outlines!.filter((one) => one.name !== 'body')
  })
  expect(front(demo(() => {})).verdict).toBe('tooClose')
  expect(front(without)).toMatchObject({ verdict: 'measure', gap: undefined })
  expect(evaluate(without, 'estate-fronts').verdict).toBe('unknown')
  expect(evaluate(without, 'estate-fronts').figures['front.gap'].missing.map((one) => one.what)).toContain(
    'Outline of the body of Estate front caliper',
  )
})
