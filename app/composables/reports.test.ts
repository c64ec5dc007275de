import { afterEach, describe, expect, jest, test } from '@jest/globals'
import { nextTick } from 'vue'
import type { Project } from '#core/records/project.ts'
import { clearBench, onTheBench, turns, until, WORKER, workersAnswer } from '../testing/bench.ts'

// outside of a browser the package shares nothing; here one bench shares, and the next one starts afresh
const forget: (() => void)[] = []
jest.unstable_mockModule('@vueuse/core', () => ({
  createSharedComposable: <T>(make: () => T) => {
    let made: T | undefined
    forget.push(() => (made = undefined))
    return () => (made ??= make())
  },
}))
const { useLatestOf } = await import('./latest-of.ts')
const { useLiveEdit } = await import('./live-edit.ts')
const { useReports } = await import('./reports.ts')
const { useWorkbench } = await import('./workbench.ts')

afterEach(() => {
  clearBench()
  for (const one of forget) one()
})

/** Answers are held back until they are let go, one by one. */
function held<T>(answer: (project: Project) => T) {
  const asked: { project: Project; go(): void; fail(message: string): void }[] = []
  return {
    asked,
    answer: (project: Project) =>
      new Promise<T>((done, refuse) =>
        asked.push({ project, go: () => done(answer(project)), fail: (message) => refuse(new Error(message)) }),
      ),
  }
}
const rename = (name: string) => (draft: { name: string }) => void (draft.name = name)

describe('reports of the open project', () => {
  test('while one is computed only the newest change waits', async () => {
    const { asked, answer } = held(WORKER.reports)
    workersAnswer({ reports: answer })
    const { store, run } = await onTheBench()
    const { reports } = run(useReports)
    await until(() => asked.length === 1, 'the first question')
    for (const name of ['one', 'two', 'three']) {
      store.edit('Rename', rename(name))
      await nextTick()
    }
    asked[0]!.go()
    await until(() => asked.length === 2, 'the second question')
    expect(asked[1]!.project.name).toBe('three')
    asked[1]!.go()
    await until(() => reports.value.length > 0, 'reports')
    expect(asked).toHaveLength(2)
  })
  test('an error is said, the last figures stand, and the next change is computed again', async () => {
    const { asked, answer } = held(WORKER.reports)
    workersAnswer({ reports: answer })
    const { store, run } = await onTheBench()
    const { reports, troubles } = run(useReports)
    await until(() => asked.length === 1, 'a question')
    asked[0]!.go()
    await until(() => reports.value.length > 0, 'reports')
    const before = reports.value
    store.edit('Rename', rename('worse'))
    await until(() => asked.length === 2, 'a question')
    asked[1]!.fail('out of memory')
    await until(() => troubles.value.length > 0, 'the trouble')
    expect(troubles.value[0]).toMatch(/could not be computed: out of memory\. The last ones are shown; export the project/)
    expect(reports.value).toBe(before)
    store.edit('Rename', rename('better'))
    await until(() => asked.length === 3, 'a question')
    asked[2]!.go()
    await until(() => troubles.value.length === 0, 'no trouble')
    expect(reports.value).not.toBe(before)
  })
  test('one setup that fails is named, and the others are there', async () => {
    workersAnswer({
      ...WORKER,
      reports: (project: Project) => {
        const { reports } = WORKER.reports(project)
        return {
          reports: reports.filter((one) => one.setupId !== 'big-kit'),
          failed: [{ setupId: 'big-kit', setupName: 'Big kit', isStock: false, failed: 'a broken promise' }],
        }
      },
    })
    const { run } = await onTheBench()
    const { reports, troubles } = run(useReports)
    await until(() => reports.value.length > 0, 'reports')
    expect(reports.value.some((one) => one.setupId === 'balanced')).toBe(true)
    expect(troubles.value).toEqual([
      expect.stringMatching(/^“Big kit” could not be computed: a broken promise\. The other setups are intact/),
    ])
  })
  test('a closed project has none, and an answer that comes late for it is dropped', async () => {
    const { asked, answer } = held(WORKER.reports)
    workersAnswer({ reports: answer })
    const { store, run } = await onTheBench()
    const { reports } = run(useReports)
    await until(() => asked.length === 1, 'a question')
    await store.close()
    asked[0]!.go()
    await turns(20)
    expect(reports.value).toEqual([])
  })
})

describe('a change that a hand is making', () => {
  const moving = async () => {
    const precisions: string[] = []
    workersAnswer({
      ...WORKER,
      report: (...asked: Parameters<typeof WORKER.report>) => {
        precisions.push(asked[2])
        return WORKER.report(...asked)
      },
    })
    const bench = await onTheBench()
    const { reports } = bench.run(useReports)
    await until(() => reports.value.length > 0, 'reports')
    const spacer = (mm: number) => (draft: { setups: { id: string; front: { spacerTrialMm?: number } }[] }) => {
      draft.setups.find((one) => one.id === 'estate-fronts')!.front.spacerTrialMm = mm
    }
    const gap = () => reports.value.find((one) => one.setupId === 'estate-fronts')!.figures['front.gap'].value!
    return { ...bench, ...bench.run(useLiveEdit), reports, precisions, spacer, gap }
  }
  test('is shown at once for its setup alone, is not yet in the project, and is one step when the hand lets go', async () => {
    const { store, live, project, move, settle, reports, precisions, spacer, gap } = await moving()
    const [before, first, others] = [store.project, gap(), reports.value.filter((one) => one.setupId !== 'estate-fronts')]
    for (const mm of [4, 6, 8]) move('estate-fronts', 'Move the spacer', spacer(mm))
    expect(project.value).not.toBe(before)
    expect(store.project).toBe(before)
    await until(() => gap() !== first, 'a gap on the way')
    expect(precisions.every((one) => one === 'linear')).toBe(true)
    expect(reports.value.filter((one) => one.setupId !== 'estate-fronts')).toEqual(others)
    settle()
    expect(live.value).toBeUndefined()
    expect([store.past.length, store.undoLabel]).toEqual([1, 'Move the spacer'])
    store.undo()
    expect(store.project).toEqual(before)
  })
  test('let go where it began, it leaves no step', async () => {
    const { store, move, settle } = await moving()
    move('estate-fronts', 'Move the spacer', () => {})
    settle()
    settle()
    expect(store.past).toEqual([])
  })
  test('what would break the project is shown on the way and not kept', async () => {
    const { store, move, settle, spacer } = await moving()
    const before = store.project
    move('estate-fronts', 'Move the spacer', spacer(9999))
    settle()
    expect([store.project === before, store.past.length]).toEqual([true, 0])
  })
})

describe('the latest answer', () => {
  const asking = async () => {
    workersAnswer()
    const bench = await onTheBench()
    const { asked, answer } = held((project) => project.name)
    const latest = bench.run(() => useLatestOf('a test', 'nothing', answer))
    return { ...bench, asked, ...latest, ...bench.run(useWorkbench) }
  }
  test('counts: while one is computed only the newest waits, and what is old by then is not shown', async () => {
    const { store, asked, found, working } = await asking()
    expect(working.value).toBe(true)
    store.edit('Rename', rename('newer'))
    store.edit('Rename', rename('newest'))
    await turns(20)
    expect(asked.length).toBe(1)
    asked[0]!.go()
    await until(() => asked.length === 2, 'the newest question')
    expect(found.value).toBe('nothing')
    asked[1]!.go()
    await until(() => found.value === 'newest', 'the newest answer')
    expect(asked.length).toBe(2)
    await until(() => !working.value, 'rest')
  })
  test('stands while the next is computed; one that fails leaves nothing', async () => {
    const { asked, found, chooseSetup, run } = await asking()
    asked[0]!.go()
    await until(() => found.value !== 'nothing', 'an answer')
    await chooseSetup('big-kit')
    await until(() => asked.length === 2, 'the next question')
    expect(found.value).toBe('Larkrise club hatchback')
    asked[1]!.fail('no')
    await until(() => found.value === 'nothing', 'nothing')
    expect(run(useReports).troubles.value).toEqual([expect.stringMatching(/^Not computed: a test \(no\)\./)])
  })
})
