import { describe, expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { checkProject } from '../formats/project-file.ts'
import { readReports } from '../formats/fit-reports-text.ts'
import { LOG_FILES, readLogCsv, writeLogCsv, type LogFile } from '../formats/log-csv.ts'
import type { LockUpObservation, StopTest, WearReading } from '../records/logbook.ts'
import type { Project } from '../records/project.ts'
import { figure } from '../quantity/figure.ts'
import { bestWithoutLock } from '../balance/maths/limits.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { hydraulicsOf } from '../hydraulics/hydraulics-of.ts'
import { stepTitles } from '../work-order/work-order.ts'
import { lockUpReport } from './lock-up-observations.ts'
import { lastBars, timeline } from './logbook.ts'
import { stopsReport, type StopsAsked } from './stop-tests.ts'
import { wearReport } from './wear-report.ts'

const changed = (change: (project: Project) => void): Project => {
  const project = structuredClone(DEMO_PROJECT)
  Object.assign(project, { stopTests: [], lockSightings: [], wearReadings: [], gaugeSessions: [], builds: [] })
  change(project)
  const read = checkProject(project)
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return project
}
let count = 0
const stop = (setupId: string, distanceM: number, more: Partial<StopTest> = {}): StopTest => ({
  id: `stop-${(count += 1)}`,
  date: '2026-10-03',
  setupId,
  fromKmh: 100,
  distanceM,
  surface: 'dry',
  load: 'driver',
  ...more,
})
const ASKED: StopsAsked = { a: 'as-it-stands', b: 'estate-fronts', surface: 'dry', load: 'driver', targetKmh: 100, wantedM: 1 }
const withStops = (a: number[], b: number[], more: Partial<StopTest> = {}) =>
  changed((project) => {
    project.stopTests = [...a.map((one) => stop('as-it-stands', one)), ...b.map((one) => stop('estate-fronts', one, more))]
  })

describe('stops of two setups', () => {
  test('three each that scatter show nothing, say what they would have shown, and how many it takes', () => {
    const { compared, sentence, notes, plan, model } = stopsReport(withStops([51.2, 52.6, 51.9], [51.0, 51.8, 51.3]), ASKED)
    expect(compared!.verdict).toBe('notShown')
    expect(sentence).toMatch(
      /^Estate fronts against Current car: 0\.5 m shorter, between 2\.0 m shorter and 0\.9 m longer\. These runs show no difference/,
    )
    expect(notes[0]).toMatch(/driven in one block/)
    expect(plan.sentence).toMatch(
      /^To show 1\.0 m with 80% probability, drive \d+ runs with each setup, with the 0\.6 m of scatter so far\.$/,
    )
    expect(plan.order.map((one) => one.setup)).toEqual(['Current car', 'Estate fronts', 'Estate fronts', 'Current car'])
    expect(plan.order.reduce((sum, one) => sum + one.runs, 0)).toBe(2 * plan.each!)
    expect(model).toBe('The model expects 1.3 m longer. The runs disagree: check tyre grip, brake balance and what else changed.')
  })
  test('a difference that is there is said with its range, and whether the model expects it', () => {
    const { sentence, model } = stopsReport(withStops([51.2, 51.6, 51.4, 51.3], [47.1, 47.5, 47.2, 47.4]), ASKED)
    expect(sentence).toMatch(/^Estate fronts stops 4\.1 m shorter than Current car, between 4\.\d m shorter and 3\.\d m shorter/)
    expect(model).toMatch(/The runs disagree/)
  })
  test('one run is nothing yet, and one that began too fast or too slow is set aside with the reason', () => {
    const project = withStops([51.2], [51, 52])
    expect(stopsReport(project, ASKED).sentence).toMatch(
      /^Not enough runs: 1 of \d+ runs with Current car\. Estate fronts: 51\.5 m \(2 valid runs\)\.$/,
    )
    project.stopTests.push(stop('as-it-stands', 48, { fromKmh: 95 }))
    const { a } = stopsReport(project, ASKED)
    expect(a.rows.map((row) => [row.correctedM === undefined, row.excluded])).toEqual([
      [false, ''],
      [true, expect.stringMatching(/^began at 95\.0 km\/h: more than 3\.2 off 100/)],
    ])
  })
  test('traces and distances are never mixed: those of which there are more count', () => {
    const project = withStops([51, 52], [51, 52])
    const trace: [number, number][] = [
      [0, 100],
      [2, 50],
      [4, 0],
    ]
    project.stopTests.push(stop('as-it-stands', 55.6, { trace }))
    const { a } = stopsReport(project, ASKED)
    expect(a.rows.map((row) => row.excluded)).toEqual(['', '', 'a trace is not compared with distances'])
    for (const one of project.stopTests) one.trace = trace
    delete project.stopTests[0]!.trace
    expect(stopsReport(project, ASKED).a.rows[0]!.excluded).toBe('a distance alone: not mixed with traces')
  })
  test('what else changed is said, and two things at once; two blocks of each take the note away', () => {
    const { notes } = stopsReport(withStops([51, 52], [49, 50], { tyre: 'sticky', date: '2026-10-10', airC: 30, abs: true }), ASKED)
    expect(notes).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^Changed as well: tyre/),
        expect.stringMatching(/^Changed as well: day/),
        expect.stringMatching(/^The ABS worked with one/),
        expect.stringMatching(/^Several things changed/),
      ]),
    )
    const blocks = changed((project) => {
      project.stopTests = [51, 50, 51.5, 50.5].map((one, i) => stop(i % 2 ? 'estate-fronts' : 'as-it-stands', one))
    })
    expect(stopsReport(blocks, ASKED).notes).toEqual([])
  })
  test('days are blocks: old stops on a slow road move neither difference nor scatter', () => {
    const project = changed((draft) => {
      const on = (setupId: string, metres: number[], date: string) => metres.map((one) => stop(setupId, one, { date }))
      draft.stopTests = [
        ...on('as-it-stands', [48, 48.4], '2026-09-01'),
        ...on('estate-fronts', [47.1, 47.5], '2026-09-01'),
        ...on('as-it-stands', [35.2, 34.8], '2026-10-03'),
        ...on('estate-fronts', [34.1, 34.3], '2026-10-03'),
        // nothing of the other setup on that day
        ...on('as-it-stands', [60, 61], '2026-08-01'),
      ]
    })
    const { a, compared, plan, sentence } = stopsReport(project, ASKED)
    expect(compared!.differenceM).toBeCloseTo(-0.85, 6)
    expect(sentence).toMatch(/0\.8 m shorter|0\.9 m shorter/)
    expect(plan.scatterM).toBeLessThan(0.4)
    expect(plan.each!).toBeLessThan(6)
    expect(a.rows.filter((row) => row.excluded.startsWith('another day or place')).length).toBe(2)
  })
  test('places are never pooled, and without a common one nothing is compared', () => {
    const at = (track: string) => ({ track })
    const apart = changed((draft) => {
      draft.stopTests = [
        ...[48, 48.4].map((one) => stop('as-it-stands', one, at('Old road'))),
        ...[35, 35.4].map((one) => stop('estate-fronts', one, at('New road'))),
      ]
    })
    const found = stopsReport(apart, ASKED)
    expect(found.compared).toBeUndefined()
    expect(found.sentence).toMatch(/share no place: their stops cannot be compared/)
  })
  test('with itself, or with a setup that is gone, nothing is compared', () => {
    const project = withStops([51, 52], [49, 50])
    expect(stopsReport(project, { ...ASKED, b: ASKED.a }).sentence).toBe('Choose two setups.')
    expect(stopsReport(project, { ...ASKED, b: 'nobody' }).sentence).toMatch(/^Not tested yet: 0 of \d+ runs with a setup that is gone\./)
  })
})

describe('wheels that locked', () => {
  const sight = (more: Partial<LockUpObservation>): LockUpObservation => ({
    id: 'one',
    date: '2026-10-03',
    setupId: 'as-it-stands',
    surface: 'dry',
    load: 'driver',
    axle: 'front',
    atG: 0.83,
    ...more,
  })
  const report = (more: Partial<LockUpObservation>, change: (project: Project) => void = () => {}) => {
    const project = changed((draft) => {
      draft.lockSightings = [sight(more)]
      change(draft)
    })
    return { project, found: lockUpReport(project)[0]! }
  }
  test('as the model says agrees', () => {
    expect(report({}).found).toMatchObject({
      verdict: 'agrees',
      explains: [],
      sentence: expect.stringMatching(/^The model predicts front lock-up first, at 0\.83.g: as seen/),
    })
    expect(report({ axle: 'none', atG: 0.6 }).found.verdict).toBe('agrees')
  })
  test.each<[string, Partial<LockUpObservation>]>([
    ['earlier', { atG: 0.6 }],
    ['later', { atG: 0.95 }],
    ['rear, in the wet', { surface: 'wet', axle: 'rear', atG: 0.4 }],
    ['rear, dry', { axle: 'rear', atG: 0.9 }],
    ['none, where one should have', { axle: 'none', atG: 1 }],
  ])('%s: what would explain it does, once it is taken', (_, more) => {
    const { project, found } = report(more)
    expect(found.verdict).toBe('differs')
    for (const one of found.explains) {
      const taken = structuredClone(project)
      taken.car[one.field] = figure(one.value, 'estimated')
      const { system, mass } = hydraulicsOf(taken, 'as-it-stands')
      const friction = taken.car[({ dry: 'tyreDry', wet: 'tyreWet', loose: 'tyreLoose' } as const)[more.surface ?? 'dry']]!.value
      const then = bestWithoutLock(system!, mass!, friction)!
      const sighting = project.lockSightings[0]!
      if (sighting.axle !== 'none') expect(then.axle).toBe(sighting.axle)
      if (one.field !== 'cgHeightMm') expect(lockUpReport(taken)[0]!.verdict).toBe('agrees')
    }
    if (found.explains.length === 0) expect(found.sentence).toMatch(/Check next: /)
  })
  test('nothing is said where figures are missing, or the setup is gone', () => {
    expect(report({}, (project) => delete project.car.wheelbaseMm).found.verdict).toBe('unknown')
    expect(report({ setupId: 'nobody' }).found).toMatchObject({
      verdict: 'unknown',
      sentence: expect.stringMatching(/not in the project any more/),
    })
  })
})

describe('wear', () => {
  const PAD = DEMO_PROJECT.setups[0].front.pad!
  const ROTOR = DEMO_PROJECT.setups[0].front.rotor!
  const wear = (events: number, mm: number | [number, number, number, number], more: Partial<WearReading> = {}): WearReading => {
    const [a, b, c, d] = Array.isArray(mm) ? mm : [mm, mm, mm, mm]
    return {
      id: `wear-${(count += 1)}`,
      date: '2026-10-03',
      axle: 'front',
      side: 'left',
      events,
      pad: PAD,
      innerLeadingMm: a,
      innerTrailingMm: b,
      outerLeadingMm: c,
      outerTrailingMm: d,
      ...more,
    }
  }
  const minimum = (() => {
    const pad = DEMO_PROJECT.parts.find((one) => one.id === PAD)!
    return 'minThicknessMm' in pad ? pad.minThicknessMm!.value : NaN
  })()
  const season = (project: Project) => evaluate(project, 'as-it-stands').season.rows.find((one) => one.what === 'frontPads')!

  test('two readings change the season, whatever was entered; taking them away brings the entered life back', () => {
    const before = season(changed((project) => (project.wearReadings = [])))
    const one = changed((project) => (project.wearReadings = [wear(0, minimum + 10)]))
    expect([season(one).measured, season(one).lastsEvents]).toEqual([false, before.lastsEvents])
    const two = changed((project) => (project.wearReadings = [wear(0, minimum + 10), wear(5, minimum + 8)]))
    const row = season(two)
    expect([row.measured, row.lastsEvents]).toEqual([true, expect.objectContaining({ value: 25, origin: 'measured' })])
    expect(season({ ...two, wearReadings: [] }).lastsEvents).toEqual(before.lastsEvents)
    // another part's readings say nothing of this one
    expect(
      season(changed((project) => (project.wearReadings = [wear(0, 14, { pad: 'kit4-pad' }), wear(5, 12, { pad: 'kit4-pad' })]))).measured,
    ).toBe(false)
  })
  test.each([
    ['frontPads', 'front', 'pad'],
    ['rearPads', 'rear', 'pad'],
    ['frontRotors', 'front', 'rotor'],
    ['rearRotors', 'rear', 'rotor'],
  ] as const)('readings of one axle’s pads or rotors are the life of %s alone', (what, axle, slot) => {
    const id = DEMO_PROJECT.setups[0][axle][slot]!
    const project = changed((one) => {
      Object.assign(
        one.parts.find((part) => part.id === id)!,
        { minThicknessMm: { value: 5, origin: 'published' } },
      )
      const read = (events: number, mm: number): WearReading => ({
        ...{ id: `at-${events}`, date: '2026-10-03', axle, side: 'left', events },
        ...(slot === 'pad' ? { pad: id, innerLeadingMm: mm } : { rotor: id, rotorMm: mm }),
      })
      one.wearReadings = [read(0, 9), read(4, 8)]
    })
    const rows = evaluate(project, 'as-it-stands').season.rows
    expect(rows.filter((row) => row.measured).map((row) => [row.what, row.lastsEvents?.value])).toEqual([[what, 16]])
  })
  test('readings a hair of an event apart are of one event, and break nothing', () => {
    for (const apart of [1e-170, 1e-9, 0.004]) {
      const project = changed((one) => (one.wearReadings = [wear(0, minimum + 5), wear(apart, minimum + 4)]))
      expect([apart, wearReport(project).first?.line, season(project).measured]).toEqual([apart, undefined, false])
    }
  })
  test('the side that goes first counts, by its thinnest place', () => {
    const both = changed((project) => {
      project.wearReadings = [
        wear(0, minimum + 10),
        wear(5, [minimum + 6, minimum + 9, minimum + 9, minimum + 9]),
        wear(0, minimum + 10, { side: 'right' }),
        wear(5, minimum + 9, { side: 'right' }),
      ]
    })
    expect(season(both).lastsEvents!.value).toBe(12.5)
    const { forecasts } = wearReport(both)
    expect(forecasts.map((one) => [one.series.side, one.line!.usedUpAt])).toEqual([
      ['left', 12.5],
      ['right', 50],
    ])
    expect(forecasts[0]!.sentence).toMatch(/at its minimum of 7\.0.mm after event 12 \(7 more, 90% range 10–14\) at the present rate\.$/)
  })
  test('one reading with the thickness when new gives a first forecast; nothing is swapped across', () => {
    const [one] = wearReport(
      changed((project) => (project.wearReadings = [wear(4, [minimum + 3, minimum + 5, minimum + 5, minimum + 5])])),
    ).forecasts
    expect(one!.sentence).toMatch(/an event, from \d+\.\d.mm when new; at its minimum of /)
    const looks = wearReport(changed((project) => (project.wearReadings = [wear(4, [9, 12, 12, 12])]))).looks
    expect(looks[0]!.says.map((say) => say.text).join(' ')).not.toMatch(/swap/i)
  })
  test('wear that speeds up is said so, and forecast from the last readings', () => {
    const readings = [0, 2, 4, 6, 8].map((event) => wear(event, 16 - 0.3 * event - 0.05 * event ** 2))
    const [one] = wearReport(changed((project) => (project.wearReadings = readings))).forecasts
    expect(one!.line!.speedingUp).toBe(true)
    expect(one!.sentence).toMatch(/wear is speeding up, now 1\.0\d.mm an event/)
  })
  test('what is uneven is named with its cause; below the minimum is blocked', () => {
    const says = (mm: [number, number, number, number]) =>
      wearReport(changed((project) => (project.wearReadings = [wear(3, mm)]))).looks[0]!.says
    const [seen] = wearReport(changed((project) => (project.wearReadings = [wear(3, 10), wear(3, 10, { setupId: 'balanced' })]))).looks
    expect([seen!.pistonsMm.inner.length, seen!.pistonsMm.outer]).toEqual([1, []])
    expect(says([10, 10, 10, 10])).toEqual([{ tone: 'fits', text: expect.stringMatching(/^Even/) }])
    const partly = (change: (project: Project) => void) =>
      wearReport(
        changed((project) => {
          project.wearReadings = [wear(3, 10)]
          change(project)
        }),
      ).looks[0]!.says
    expect(partly((project) => delete project.wearReadings[0]!.outerLeadingMm)).toEqual([
      { tone: 'unknown', text: expect.stringMatching(/not every place was read/) },
    ])
    expect(
      partly((project) =>
        Reflect.deleteProperty(
          project.parts.find((one) => one.id === PAD)!,
          'minThicknessMm',
        ),
      ),
    ).toEqual([{ tone: 'unknown', text: expect.stringMatching(/the minimum thickness is unknown/) }])
    expect(says([9, 10.5, 10, 10])[0]!.text).toMatch(/^The inner pad is 1\.5.mm thinner at its leading end\. Check for worn guide pins/)
    expect(says([10, 8.5, 10, 10])[0]!.text).toMatch(/trailing end\. Check for a sticking leading piston/)
    expect(says([8, 8, 10, 10])[0]!.text).toMatch(/^The inner pad is 2.*guide pins stick/)
    expect(says([minimum - 0.1, 9, 9, 9])[0]).toMatchObject({ tone: 'blocked' })
  })
  test('a rotor without its minimum asks for the stamping; one below it is to be changed', () => {
    const rotors = (change: (project: Project) => void) =>
      wearReport(
        changed((project) => {
          project.wearReadings = [wear(0, 12, { rotor: ROTOR, rotorMm: 24 }), wear(10, 11, { rotor: ROTOR, rotorMm: 18 })]
          change(project)
        }),
      ).forecasts.find((one) => one.series.what === 'rotor')!
    expect(
      rotors((project) =>
        Reflect.deleteProperty(
          project.parts.find((one) => one.id === ROTOR)!,
          'minThicknessMm',
        ),
      ),
    ).toMatchObject({ tone: 'unknown', sentence: expect.stringMatching(/stamped/) })
    expect(rotors(() => {}).tone).toBe('blocked')
  })
})

describe('the logbook', () => {
  const full = changed((project) => {
    project.stopTests = [
      stop('as-it-stands', 51, {
        trace: [
          [0, 100],
          [2, 50],
          [4, 0],
        ],
        note: '=1+1, "quoted"',
        abs: false,
        airC: 12,
      }),
    ]
    project.lockSightings = [
      { id: 'l', date: '2026-10-04', setupId: 'balanced', surface: 'wet', load: 'laden', axle: 'rear', atG: 0.5, track: 'Wold Ring' },
    ]
    project.wearReadings = [{ id: 'w', date: '2026-10-05', axle: 'rear', side: 'right', events: 3, rotorMm: 9.1, outerLeadingMm: 8 }]
    project.gaugeSessions = [
      { id: 'g1', date: '2026-09-01', track: 'Wold Ring', pairs: [[4, 3]], barFrontShare: 0.58, knob: '2 turns in' },
      {
        id: 'g2',
        date: '2026-10-01',
        track: 'Wold Ring',
        pairs: [
          [4.5, 3.1],
          [6, 4],
        ],
        barFrontShare: 0.61,
      },
    ]
    project.heatReadings = [
      {
        id: 'h',
        date: '2026-10-06',
        setupId: 'balanced',
        driving: { name: 'A club day', duty: project.duties[0]!.duty },
        axle: 'front',
        lump: 'ring',
        method: 'paint',
        readC: 300,
        afterS: 0,
        airC: 15,
        parts: ['kit4-rotor'],
      },
    ]
    project.builds = [{ id: 'balanced', notes: [{ id: 'leak', doneOn: '2026-10-07', note: 'front left wept' }], torques: [] }]
  })
  test('shows everything, the latest first', () => {
    const all = timeline(full, (setupId) => stepTitles(full, setupId))
    expect(all.slice(0, 4).map((one) => [one.kind, one.date, one.setupName])).toEqual([
      ['build', '2026-10-07', 'Four-piston, rear to match'],
      ['temperature', '2026-10-06', 'Four-piston, rear to match'],
      ['wear', '2026-10-05', ''],
      ['lock', '2026-10-04', 'Four-piston, rear to match'],
    ])
    expect(all[0]).toMatchObject({ text: 'Hold the pedal hard for a minute and check every joint', note: 'front left wept' })
    expect(all.filter((one) => one.kind === 'fit')).toHaveLength(DEMO_PROJECT.fitReports.length)
  })
  test('knows how the bar stood at the last visit', () => {
    expect(lastBars(full)).toEqual([{ track: 'Wold Ring', date: '2026-10-01', barFrontShare: 0.61, knob: '', setupName: '' }])
  })
  test.each(Object.keys(LOG_FILES) as LogFile[])('%s go out as CSV and come back the same', (file) => {
    const text = writeLogCsv(full, file)
    const ids = full[file].map((one) => one.id)
    const { entries, rejected } = readLogCsv(text, file, (line) => ids[line - 2]!)
    expect(ids.length).toBeGreaterThan(0)
    expect(rejected).toEqual([])
    expect(entries).toEqual(full[file])
  })
  test('of a CSV with something wrong the good lines are taken, the others named', () => {
    const { entries, rejected, rejectedCount, notRead } = readLogCsv(
      'date,setupId,fromKmh,distanceM,surface,load,colour\n2026-10-01,a,100,40,dry,driver,red\nyesterday,a,100,40,dry,driver,\n2026-10-01,a,fast,40,dry,driver,\n',
      'stopTests',
      (line) => `l${line}`,
    )
    expect(entries).toHaveLength(1)
    expect(rejected.map((one) => [one.line, one.reasons.join()])).toEqual([
      [3, expect.stringMatching(/date/)],
      [4, 'fromKmh: “fast” is no number'],
    ])
    expect([rejectedCount, notRead]).toEqual([2, [{ line: 1, reasons: ['the column “colour” is not read'] }]])
    expect(readLogCsv('a,b\n1,2', 'stopTests', String).rejected[0]!.reasons[0]).toMatch(/no column “date”/)
    expect(readLogCsv('', 'stopTests', String).rejected[0]!.reasons[0]).toMatch(/nothing in it/)
  })
  test('what is left out is counted in full, and named as far as it is read', () => {
    const bad = Array.from({ length: 60 }, () => 'yesterday,a,100,40,dry,driver').join('\n')
    const found = readLogCsv(`date,setupId,fromKmh,distanceM,surface,load\n${bad}`, 'stopTests', (line) => `l${line}`)
    expect([found.rejectedCount, found.rejected.length, found.entries.length]).toEqual([60, 50, 0])
    const text = 'date,setupId,fromKmh,distanceM,surface,load,toString,colour\n2026-10-01,a,100,40,dry,driver,x,y,extra,more\n'
    const taken = readLogCsv(text, 'stopTests', (line) => `l${line}`)
    expect(taken.entries).toHaveLength(1)
    expect(taken.notRead).toEqual([
      { line: 1, reasons: ['the column “toString” is not read', 'the column “colour” is not read'] },
      { line: 2, reasons: ['2 cells beyond the last column are not read: extra, more'] },
    ])
    const report = 'car,axle,caliper,wheel,outcome,shoe size,hat\nA,front,B,C,clears,9,10,more\n'
    expect(readReports(report, (line) => `r${line}`)).toMatchObject({
      reports: [{ car: 'A' }],
      notRead: [
        { line: 1, reasons: ['the column “shoe size” is not read', 'the column “hat” is not read'] },
        { line: 2, reasons: ['1 cell beyond the last column is not read: more'] },
      ],
    })
  })
})
