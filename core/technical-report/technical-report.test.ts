import { describe, expect, test } from '@jest/globals'
import { produce } from 'immer'
import { DEMO_PROJECT } from '../demo/project.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { lockUpReport } from '../evidence/lock-up-observations.ts'
import { shownFinding } from '../evaluate/step-state.ts'
import { filledOf } from '../figures/working.ts'
import type { Verdict } from '../figures/verdict.ts'
import { hydraulicsOf } from '../hydraulics/hydraulics-of.ts'
import { blankProject } from '../records/blank.ts'
import type { Project } from '../records/project.ts'
import { uncertaintyOf } from '../uncertainty/uncertainty-report.ts'
import { chainSteps } from './chain-steps.ts'
import { WHOLE_REPORT, SECTION_IDS, type ReportBlock, type TableCell, type ReportDocument, type ReportOptions } from './blocks.ts'
import { ticks } from './drawing.ts'
import { reportHtml } from './html.ts'
import { showIn } from './source.ts'
import { technicalReport } from './technical-report.ts'

const FACTS = { version: '9.9.9', madeOn: '2026-09-20' }
/** Reports of the demo that several tests look at. */
const made = new Map<string, ReportDocument>()
function of(project: Project, setupId: string, options: ReportOptions = WHOLE_REPORT): ReportDocument {
  if (project !== DEMO_PROJECT || options !== WHOLE_REPORT) return technicalReport(project, setupId, FACTS, options)
  if (!made.has(setupId)) made.set(setupId, technicalReport(project, setupId, FACTS, options))
  return made.get(setupId)!
}
const demo = (change: (draft: Project) => void): Project => produce(DEMO_PROJECT as Project, (draft) => void change(draft as Project))
const cellText = (cell: TableCell) => (typeof cell === 'string' ? cell : cell.text)
function blockText(block: ReportBlock): string {
  switch (block.kind) {
    case 'list':
      return block.items.join('\n')
    case 'table':
      return [...block.columns.map((one) => one.label), ...block.rows.flat().map(cellText)].join('\n')
    case 'formula':
      return [block.text, block.filled, block.result].join('\n')
    case 'safety':
      return `${block.note.hazard} ${block.note.action}`
    case 'blanks':
      return block.labels.join('\n')
    case 'drawing':
      return [block.caption, ...block.drawing.marks.flatMap((mark) => (mark.kind === 'text' ? [mark.text] : []))].join('\n')
    case 'picture':
      return block.caption
    default:
      return block.text
  }
}
const blocksOf = ({ sections }: ReportDocument) => sections.flatMap((one) => one.blocks)
const textOf = (report: ReportDocument) => blocksOf(report).map(blockText).join('\n')
const verdictsOf = (report: ReportDocument): Verdict[] =>
  blocksOf(report).flatMap((block) =>
    block.kind === 'verdict'
      ? [block.verdict]
      : block.kind === 'table'
        ? block.rows.flat().flatMap((cell) => (typeof cell === 'string' || !cell.verdict ? [] : [cell.verdict]))
        : [],
  )

describe('the technical report', () => {
  test.each(DEMO_PROJECT.setups.map((one) => one.id))('%s: every figure stands with its value, its formula and its numbers', (setupId) => {
    const project = DEMO_PROJECT as Project
    const report = evaluate(project, setupId)
    const blocks = blocksOf(of(project, setupId))
    const show = showIn({ project, report, uncertainty: uncertaintyOf(project, report) })
    for (const figure of Object.values(report.figures)) {
      if (figure.optional && figure.value === undefined) continue
      const at = blocks.findIndex((block) => block.kind === 'heading' && block.id === `figure-${figure.id}`)
      expect(`${figure.id} ${at}`).not.toMatch(/-1$/)
      expect(blocks[at + 1]).toEqual({
        kind: 'formula',
        text: figure.method.text,
        inWords: figure.method.inWords === true,
        filled: filledOf(figure),
        result: show.figure(figure),
      })
      const end = blocks.findIndex((block, i) => i > at && block.kind === 'heading')
      const inputs = blocks
        .slice(at, end === -1 ? undefined : end)
        .flatMap((block) => (block.kind === 'table' ? block.rows.map((row) => row.map(cellText)) : []))
      for (const input of figure.inputs)
        expect(inputs.some(([label, , value]) => label === input.label && value === show.input(input))).toBe(true)
    }
  })
  test('every check of the setup stands with its verdict, and nothing else is called OK', () => {
    for (const { id } of DEMO_PROJECT.setups) {
      const project = DEMO_PROJECT as Project
      const report = evaluate(project, id)
      const { frontFirstOf100 } = uncertaintyOf(project, report)
      const wanted = [...report.fit, ...report.findings.map((one) => shownFinding(report, one, frontFirstOf100))]
        .map((one) => one.verdict)
        .sort()
      const checks = of(project, id).sections.find((one) => one.id === 'checks')!
      expect(verdictsOf({ sections: [checks] } as unknown as ReportDocument).sort()).toEqual(wanted)
    }
  })
  test('of a car of which nothing is known nothing is OK, and every figure is "not known"', () => {
    const blank = blankProject('blank', 'Blank')
    const report = of(blank, blank.setups[0].id)
    const known = evaluate(blank, blank.setups[0].id)
    expect(known.fit.filter((one) => one.verdict === 'fits')).toEqual([])
    expect(verdictsOf(report).filter((one) => one === 'fits')).toEqual([])
    const open = Object.values(known.figures).filter((one) => one.value === undefined && !one.optional)
    expect(open.length).toBeGreaterThan(10)
    expect(blocksOf(report).filter((block) => block.kind === 'formula' && block.result === 'not known')).toHaveLength(open.length)
    expect(textOf(report)).not.toMatch(/NaN|Infinity|undefined|\[object/)
  })
  test('an input that is taken away makes no verdict of the report better', () => {
    const RANK: Record<Verdict, number> = { fits: 0, check: 1, needs: 2, unknown: 3, blocked: 4 }
    const before = of(DEMO_PROJECT as Project, 'balanced')
    const fitsBefore = verdictsOf(before).filter((one) => one === 'fits').length
    for (const take of [
      (draft: Project) => delete draft.car.cgHeightMm,
      (draft: Project) => delete draft.car.pedalRatio,
      (draft: Project) => delete draft.car.front.tyreRadiusMm,
    ]) {
      const after = of(
        demo((draft) => void take(draft)),
        'balanced',
      )
      expect(verdictsOf(after).filter((one) => one === 'fits').length).toBeLessThanOrEqual(fitsBefore)
      const [a, b] = [before, after].map((one) => one.sections[0]!.blocks.filter((block) => block.kind === 'verdict'))
      b!.forEach((block, i) => expect(RANK[block.verdict]).toBeGreaterThanOrEqual(RANK[a![i]!.verdict]))
    }
  })
  test('a rear that was seen to lock first is never OK, though the model says the same', () => {
    const sighting = {
      id: 'seen',
      date: '2026-09-18',
      setupId: 'balanced',
      axle: 'rear' as const,
      atG: 0.9,
      surface: 'dry' as const,
      load: 'driver' as const,
    }
    const project = demo((draft) => void (draft.lockSightings = [sighting]))
    const [seen] = lockUpReport(project)
    expect(seen!.mark).toBe('needs')
    const evidence = of(project, 'balanced').sections.find((one) => one.id === 'evidence')!.blocks
    const said = evidence.find((block) => block.kind === 'verdict' && block.text.includes(seen!.sentence))
    expect(said).toMatchObject({ verdict: 'needs' })
  })
  test('a clearance that is bounded from both sides has no number, no range and no nearest place', () => {
    for (const { id } of DEMO_PROJECT.setups)
      for (const axle of ['front', 'rear'] as const) {
        const project = demo((draft) => {
          for (const part of draft.parts) {
            if (part.kind === 'wheel') for (const field of ['profile', 'faceDepthMm', 'faces'] as const) Reflect.deleteProperty(part, field)
            if (part.kind === 'caliper')
              for (const field of ['tallToMm', 'faceOuterRadiusMm', 'faceInnerRadiusMm'] as const) Reflect.deleteProperty(part, field)
          }
        })
        if (evaluate(project, id).figures[`${axle}.gap`].value !== undefined) continue
        const blocks = of(project, id).sections.find((one) => one.id === 'clearance')!.blocks
        const from = blocks.findIndex((block) => block.kind === 'heading' && block.id === `clearance-${axle}`)
        const own = blocks.slice(
          from + 1,
          blocks.findIndex((block, i) => i > from && block.kind === 'heading'),
        )
        expect(own.map(blockText).join('\n')).not.toMatch(/90% range|Nearest place|Worked from/)
      }
  })
  test('an own limit stands with its unit', () => {
    const project = demo((draft) => void (draft.preferences.limits = { hoseShare: 0.25 }))
    expect(textOf(of(project, 'balanced'))).toContain('25%, own limit')
  })
  test('without prices no amount of money stands anywhere', () => {
    const text = textOf(of(DEMO_PROJECT as Project, 'balanced', { ...WHOLE_REPORT, prices: false }))
    expect(text).not.toMatch(/EUR|Budget|no price yet/)
    expect(textOf(of(DEMO_PROJECT as Project, 'balanced'))).toMatch(/EUR/)
  })
  test('parts that are left out are not there, and the summary always is', () => {
    const found = of(DEMO_PROJECT as Project, 'balanced', { ...WHOLE_REPORT, sections: ['heat'], attach: false })
    expect(found.sections.map((one) => one.id)).toEqual(['summary', 'heat'])
    expect(found.attached).toBeUndefined()
    expect(of(DEMO_PROJECT as Project, 'balanced').sections.map((one) => one.id)).toEqual(SECTION_IDS)
  })
  test('a setup that is not there is a mistake of whoever asks', () => {
    expect(() => of(DEMO_PROJECT as Project, 'nobody')).toThrow(RangeError)
  })
})

describe('the chain step by step', () => {
  /** What a pocket calculator makes of a line. */
  const worked = (numbers: string): number =>
    Number(
      new Function(
        `const min = Math.min, pi = Math.PI; return ${numbers.replace(/π/g, 'pi').replace(/·/g, '*').replace(/−/g, '-').replace(/²/g, '**2')}`,
      )(),
    )
  test.each(DEMO_PROJECT.setups.map((one) => one.id))('%s: each line comes out, and leads to pedal force and balance', (setupId) => {
    const project = DEMO_PROJECT as Project
    const { chain, figures } = evaluate(project, setupId)
    const { system, mass } = hydraulicsOf(project, setupId)
    if (!chain || !system) return expect(figures['pedal.force'].value).toBeUndefined()
    const steps = chainSteps(chain, system, mass?.massKg)
    for (const one of steps) expect(Math.abs(worked(one.numbers) / one.value - 1)).toBeLessThan(2e-3)
    expect(steps.at(-1)!.value).toBeCloseTo(figures['bias.road'].value!, 9)
    expect(steps.find((one) => one.unit === 'g')!.value).toBeCloseTo(project.preferences.referenceDecelG, 6)
    expect(worked(steps[0]!.numbers)).toBeCloseTo(figures['pedal.force'].value! * system.pedalRatio * system.pedalEfficiency, 1)
  })
})

describe('as a web page', () => {
  test('names are text, whatever stands in them, and nothing is fetched or run', () => {
    const hostile = '<script>alert(1)</script>"\'><img src=x onerror=alert(1)>'
    const page = reportHtml(
      of(
        demo((draft) => {
          draft.name = hostile
          draft.car.name = hostile
          draft.setups.find((one) => one.id === 'balanced')!.name = hostile
          for (const part of draft.parts) part.name = hostile
        }),
        'balanced',
      ),
    )
    expect(page).not.toMatch(/<script|<img src=x|onerror=alert\(1\)>/)
    expect(page.match(/(?:src|href)="(?!#|data:image\/jpeg)/g)).toBeNull()
    expect(page).toContain("default-src 'none'")
  })
  test('says what the document says', () => {
    const report = of(DEMO_PROJECT as Project, 'balanced')
    const page = reportHtml(report)
    const plain = page
      .replace(/&quot;/g, '"')
      .replace(/&#39;/g, "'")
      .replace(/&gt;/g, '>')
      .replace(/&lt;/g, '<')
      .replace(/&amp;/g, '&')
    for (const block of blocksOf(report))
      if (block.kind !== 'formula' && block.kind !== 'safety')
        for (const line of blockText(block).split('\n')) expect(plain).toContain(line)
  })
})

test('marks of an axis are round and lie within it', () => {
  for (const [low, high] of [
    [0, 1.2],
    [-123, 61],
    [0, 0.004],
    [0, 0],
  ] as const) {
    const found = ticks(low, high, 6)
    expect(found.length).toBeGreaterThan(0)
    expect(found.length).toBeLessThan(14)
    for (const value of found) {
      expect(value).toBeGreaterThanOrEqual(low)
      expect(value).toBeLessThanOrEqual(high)
    }
  }
})
