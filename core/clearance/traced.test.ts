import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import type { WheelProfile, WheelTag } from '../records/field.ts'
import type { PartOf } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { resolveSetup } from '../records/resolve.ts'
import { inOrder, type TracedOutline } from '../vision/outline.ts'
import type { Mm } from '../vision/sheet.ts'
import { anyPicture, numbersFrom, outlined, traced } from '../testing/sheet-pictures.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { GapInputs } from './gap-inputs.ts'
import { partSection } from './part-section.ts'
import { wheelSection } from './wheel-profile.ts'
import { runs } from '../testing/runs.ts'
import { Working } from '../figures/working.ts'

const BAR = { value: 100, u: 0.15 }
/** A line drawn on card, photographed and traced: what comes of it. */
function fromPicture(line: readonly Mm[], seed: number): TracedOutline<string> {
  const one = anyPicture(seed, line)
  const hand = traced(one, numbersFrom(seed))
  const usual = { sheet: { value: 0, u: 0 }, card: { value: 1, u: 0.2 }, gauge: { value: 8, u: 0.5 } }[one.kind]
  return outlined(hand, { heightMm: usual, printedMm: { across: BAR, along: BAR }, laid: one.kind !== 'sheet' })!.outline
}

/** Seeds of small pictures: a card, and the sheet itself. */
const SEEDS = { caliper: [1, 7, 13, 31], wheel: [3, 15, 27, 33] }

// one of them in the quick run: a picture of one line takes seconds
test.each(DEMO_PROJECT.setups.map((setup, i) => [setup.name, setup.id, i] as const).slice(0, runs(DEMO_PROJECT.setups.length, 1)))(
  '%s: the least gap of traced outlines holds the true one in its doubt',
  (_name, id, i) => {
    const project = structuredClone(DEMO_PROJECT) as Project
    const { caliper, wheel } = resolveSetup(project, project.setups[i]!).front as { caliper: PartOf<'caliper'>; wheel: PartOf<'wheel'> }
    const body = partSection(caliper)[0]!
    const { profile } = wheelSection(new Working(), wheel, new GapInputs('digitalCaliper'), 0)
    // the shapes as they are: nothing is guessed of them
    Object.assign(caliper, {
      outlineFrom: 'points',
      outlines: [{ name: 'body', points: body, origin: 'measured' }],
      furtherOutlines: undefined,
    })
    Object.assign(wheel, {
      profile: { ...profile!, origin: 'measured' },
      faces: undefined,
      faceChosen: undefined,
      weightThicknessMm: undefined,
    })
    Object.assign(caliper, { uAxialMm: undefined, uRadialMm: undefined })
    Object.assign(wheel, { uBarrelRadialMm: undefined, uFaceAxialMm: undefined })
    const truth = evaluate(project, id).corners.front.gap!.meanMm

    const outline = inOrder(fromPicture(body, SEEDS.caliper[i]!), false)
    caliper.outlines = [{ name: 'body', points: outline.points, doubts: outline.doubts, origin: 'measured' }]
    const of = inOrder(fromPicture(profile!.points, SEEDS.wheel[i]!), true)
    const tags = of.tags.map((stretch): WheelTag => profile!.tags[Number(stretch)]!)
    wheel.profile = { points: of.points, doubts: of.doubts, tags, origin: 'measured' } satisfies WheelProfile
    const gap = evaluate(project, id).corners.front.gap!
    expect(gap.p05Mm).toBeLessThan(truth)
    expect(gap.p95Mm).toBeGreaterThan(truth)
    expect(Math.abs(gap.meanMm - truth)).toBeLessThan(1)
    // and better known than an outline of which nobody says how it was taken
    for (const one of [...outline.doubts, ...of.doubts]) expect(Math.max(...one)).toBeLessThan(0.7)
  },
)
