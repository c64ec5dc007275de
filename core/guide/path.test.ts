import { describe, expect, test } from '@jest/globals'
import { produce } from 'immer'
import { beginQuestion, chooseMaster, tryCalipers } from '../commands/begin.ts'
import { putAt } from '../commands/put-at.ts'
import { DEMO_PROJECT } from '../demo/project.ts'
import { blankProject } from '../records/blank.ts'
import { projectProblems } from '../records/check.ts'
import { QUESTION_IDS, type QuestionId } from '../records/start-question.ts'
import type { Project } from '../records/project.ts'
import { figuresFrom } from '../records/ways.ts'
import { figure, type Figure } from '../quantity/figure.ts'
import { CLASS_IDS } from './classes.ts'
import { fillFromClass } from './fill.ts'
import { uncertaintyOf } from '../uncertainty/uncertainty-report.ts'
import { heatReport } from '../heat/heat-report.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { answerOf } from './answer.ts'
import { heldAt } from '../records/entry.ts'
import { mattersLittle, needsOf, pathTo, STATIONS, waitingFor, type Ask } from './path.ts'
import { heatBrief } from '../heat/heat-brief.ts'
import { stepsThere } from './steps-there.ts'

const begun = (question: QuestionId): { project: Project; setupId: string } => {
  let setupId = ''
  const project = produce(blankProject('a', 'A'), (draft) => void (setupId = beginQuestion(draft, question)))
  return { project, setupId }
}
const asked = (project: Project, setupId: string, question: QuestionId) => pathTo(project, evaluate(project, setupId), question, 'front')

/** What someone would enter: a class's figure of the same kind of part, or something that can be. */
const typical = produce(blankProject('t', 'T'), (draft) => void fillFromClass(draft, 'middleSaloon'))
function reply(project: Project, ask: Ask): Project {
  return produce(project, (draft) => {
    const { at } = ask
    if (at.kind === 'slot') {
      const setup = draft.setups.find((one) => one.id === at.setupId)!
      Object.assign(at.axle ? setup[at.axle] : setup.hydraulics, { [at.slot]: null })
      return
    }
    if (!('field' in at)) return
    if (ask.way) {
      putAt(draft, at, figuresFrom(ask.way, { marking: '7J x 15 ET35 4x100 57.1' }) as Record<string, Figure>)
      return
    }
    if (at.field === 'construction') {
      chooseMaster(draft, (at as { partId: string }).partId, 'tandem')
      return
    }
    const part = at.kind === 'part' ? project.parts.find((one) => one.id === at.partId) : undefined
    const axle = /rear/i.test(part?.name ?? '') ? 'Rear' : 'Front'
    const alike = typical.parts.filter((one) => one.kind === part?.kind)
    const like = alike.find((one) => one.name.startsWith(axle)) ?? alike[0]
    const own: Record<string, unknown> = { takenAs: 'asBuilt', tallestRadiusMm: figure(150), faceMm: figure(30), faceDepthMm: figure(48) }
    const known = own[at.field] ?? (at.kind === 'car' ? heldAt(typical, at) : like?.[at.field as never])
    putAt(draft, at, { [at.field]: known })
  })
}

describe.each(['clears', 'balanced'] as const)('the way to "%s"', (question) => {
  const start = begun(question)
  let project = start.project
  let steps = 0
  for (; steps < 80; steps += 1) {
    const next = asked(project, start.setupId, question).needed.find((one) => one.open)
    if (!next) break
    project = reply(project, next)
  }
  test('begins with a project that a file can hold, and ends with an answer', () => {
    expect(projectProblems(start.project)).toEqual([])
    expect(projectProblems(project)).toEqual([])
    expect(steps).toBeGreaterThan(4)
    expect(steps).toBeLessThan(30)
    const answer = answerOf(project, evaluate(project, start.setupId), question, 'front')!
    expect(answer.verdict).not.toBe('unknown')
    expect(answer.sentence).not.toMatch(/Cannot say|not known/)
  })
  test('asks for nothing that it could do without', () => {
    for (const ask of asked(project, start.setupId, question).needed) {
      if (!('field' in ask.at)) continue
      const { at } = ask
      const less = produce(project, (draft) => putAt(draft, at, { [at.field]: undefined }))
      const answer = answerOf(less, evaluate(less, start.setupId), question, 'front')!
      expect([ask.label, answer.verdict]).toEqual([ask.label, 'unknown'])
      expect([ask.label, asked(less, start.setupId, question).needed.some((one) => one.key === ask.key && one.open)]).toEqual([
        ask.label,
        true,
      ])
    }
  })
  test('goes round the car, a marking first', () => {
    const { needed } = asked(project, start.setupId, question)
    const order = needed.map((one) => STATIONS.indexOf(one.station))
    expect(order).toEqual([...order].sort((a, b) => a - b))
    if (question === 'clears') expect(needed[0]).toMatchObject({ way: 'wheelMarking', label: 'Marking of Wheel to try' })
  })
})

test.each(['clears', 'balanced'] as const)('an unknown answer to "%s" counts what is open on its page', (question) => {
  const { project, setupId } = begun(question)
  const report = evaluate(project, setupId)
  const path = pathTo(project, report, question, 'front')
  const open = path.needed.filter((one) => one.open)
  const { sentence, verdict } = waitingFor(answerOf(project, report, question, 'front')!, path)
  expect(verdict).toBe('unknown')
  expect(sentence).toMatch(new RegExp(`^Not enough data: enter .* first; ${open.length} to enter\\.$`))
  expect(sentence.toLowerCase()).toContain(open[0]!.label.toLowerCase())
  // an answer that is there is left as it is
  expect(waitingFor({ sentence: 'Clears' }, path).sentence).toBe('Clears')
  expect(waitingFor({ sentence: 'Front share of the clamp force: at least 80%' }, path).sentence).toMatch(/^Front share/)
})

describe('a typical car', () => {
  const { project: bare } = begun('balanced')
  const project = produce(bare, (draft) => void fillFromClass(draft, 'smallHatchback'))
  const report = evaluate(project, 'as-it-stands')
  const doubt = uncertaintyOf(project, report, 200)
  test('takes the place of brakes of which nothing was known, and leaves nothing open', () => {
    expect(projectProblems(project)).toEqual([])
    const { needed } = pathTo(project, report, 'balanced', 'front', { doubt })
    expect(needed.filter((one) => one.open)).toEqual([])
    expect(needed.every((one) => one.typical)).toBe(true)
  })
  test.each(CLASS_IDS)('a %s is asked for few figures before the rest, which matters little', (id) => {
    const car = produce(bare, (draft) => void fillFromClass(draft, id))
    const now = evaluate(car, 'as-it-stands')
    const { needed } = pathTo(car, now, 'balanced', 'front', { doubt: uncertaintyOf(car, now, 60) })
    const first = needed.filter((one) => !mattersLittle(one))
    expect(first.length).toBeGreaterThanOrEqual(5)
    expect(first.length).toBeLessThanOrEqual(16)
    expect(needed.filter(mattersLittle).every((one) => one.typical && one.share! < 0.03)).toBe(true)
  })
  test('answers in cases of 100, never flatly, and names what matters most', () => {
    const answer = answerOf(project, report, 'balanced', 'front', doubt)!
    expect(answer.verdict).toBe('check')
    expect(answer.sentence).toMatch(/^Not confirmed: \d+% probability/)
    expect(answer.beside.join(' ')).toMatch(/90% range/)
    expect(answer.matters[0]!.share).toBeGreaterThan(0.1)
  })
  test('is enough to say whether the brakes last', () => {
    for (const id of CLASS_IDS) {
      const car = produce(begun('lasts').project, (draft) => void fillFromClass(draft, id))
      const heat = heatReport(car, 'as-it-stands')
      expect([id, heat.missing]).toEqual([id, []])
      const { needed } = pathTo(car, evaluate(car, 'as-it-stands'), 'lasts', 'front', { missing: heat.missing })
      expect([id, needed.filter((one) => one.open)]).toEqual([id, []])
    }
    // what the heat misses and no other figure reads is asked for too
    const less = produce(project, (draft) => {
      for (const one of draft.parts) if (one.kind === 'caliper') delete one.massKg
    })
    const { missing } = heatReport(less, 'as-it-stands')
    const { needed } = pathTo(less, evaluate(less, 'as-it-stands'), 'lasts', 'front', { missing })
    expect(needed.filter((one) => one.open).map((one) => one.label)).toEqual(['Mass of Front caliper'])
  })
  test('with other calipers only their own figures are open', () => {
    let setupId = ''
    const other = produce(project, (draft) => void (setupId = tryCalipers(draft, 'front')))
    const open = asked(other, setupId, 'balanced').needed.filter((one) => one.open)
    expect(open.map((one) => one.label)).toEqual([
      'Pistons on one side of Other front caliper',
      'Top edge of the pad lining of Other front caliper',
    ])
  })
  test('what a form is told is needed or surer is what the report reads', () => {
    const needs = needsOf(project, report, 'balanced', 'front', doubt)
    expect(needs.get('car////massKg') ?? [...needs.keys()].find((key) => key.includes('massKg'))).toBeDefined()
    expect([...needs.values()].some((one) => one.share !== undefined && one.share > 0.05)).toBe(true)
  })
})

describe('ways that take more than figures', () => {
  const reports = DEMO_PROJECT.setups.map((one) => evaluate(DEMO_PROJECT, one.id))
  test('a blank project is told what to do first; the demo gets its answers', () => {
    const blank = begun('worth').project
    for (const question of ['worth', 'helped', 'order'] as const) {
      expect(stepsThere(blank, [evaluate(blank, 'as-it-stands')], question)!.answer.verdict).toBe('unknown')
      const there = stepsThere(DEMO_PROJECT, reports, question)!
      expect(there.steps.filter((one) => one.done).length).toBeGreaterThan(0)
      expect(there.answer.sentence.length).toBeGreaterThan(20)
    }
    expect(QUESTION_IDS.filter((one) => stepsThere(blank, [], one) === undefined)).toEqual(['clears', 'balanced', 'lasts'])
  })
  test('the upgrade worth its price is advised only once session and lock-up order of all setups are known', () => {
    const heats = Object.fromEntries(DEMO_PROJECT.setups.map(({ id }) => [id, heatBrief(DEMO_PROJECT, id)]))
    const say = (...more: [typeof heats?, Record<string, number>?]) => stepsThere(DEMO_PROJECT, reports, 'worth', ...more)!.answer.sentence
    expect(say()).not.toMatch(/^(Choose|Keep|Do not buy)/)
    expect(say(heats)).not.toMatch(/^(Choose|Keep|Do not buy)/)
    const likely = Object.fromEntries(DEMO_PROJECT.setups.map(({ id }) => [id, id === 'balanced' ? 48 : 99]))
    expect(say(heats, likely)).toMatch(/^Do not buy yet/)
  })
  test('there is no order for a setup that is blocked', () => {
    const blocked = reports.map((one) => (one.isStock ? one : { ...one, verdict: 'blocked' as const }))
    expect(stepsThere(DEMO_PROJECT, blocked, 'order')!.answer).toMatchObject({ verdict: 'blocked' })
  })
})
