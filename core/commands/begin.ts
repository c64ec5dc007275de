import type { Draft } from 'immer'
import { blankSetup } from '../records/blank.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import type { QuestionId } from '../records/start-question.ts'

/** Ids of what a question puts into a new project; in an existing one they are told apart by a number. */
function free(taken: readonly { id: string }[], wanted: string): string {
  let id = wanted
  for (let n = 2; taken.some((one) => one.id === id); n += 1) id = `${wanted}-${n}`
  return id
}
function addPart(draft: Draft<Project>, wanted: string, part: object): string {
  const id = free(draft.parts, wanted)
  draft.parts.push({ id, ...part } as Draft<Part>)
  return id
}
function addSetup(draft: Draft<Project>, wanted: string, name: string): string {
  const id = free(draft.setups, wanted)
  draft.setups.push(blankSetup(id, name))
  return id
}

/**
 * Puts into a project what a question is about, so that its figures can be asked for one after the other: a caliper and a
 * wheel to try, or the brakes of a car with nothing known of them yet.
 *
 * @param draft changed in place
 * @returns the setup that the question is about
 */
export function beginQuestion(draft: Draft<Project>, question: QuestionId): string {
  draft.question = question
  const stock = draft.setups[0]
  if (question === 'clears') {
    const setupId = addSetup(draft, 'to-try', 'To try')
    const setup = draft.setups.find((one) => one.id === setupId)!
    setup.front.wheel = addPart(draft, 'wheel', { kind: 'wheel', name: 'Wheel to try' })
    setup.front.caliper = addPart(draft, 'caliper', { kind: 'caliper', name: 'Caliper to try', frame: 'seat', outlineFrom: 'quick' })
    return setupId
  }
  if (question === 'balanced' || question === 'lasts') beginBrakes(draft)
  return stock.id
}

/** Brakes of which nothing is known yet, wherever the car as it stands has an open place. */
function beginBrakes(draft: Draft<Project>): void {
  const stock = draft.setups[0]
  for (const axle of ['front', 'rear'] as const) {
    const name = axle === 'front' ? 'Front' : 'Rear'
    const slots = stock[axle]
    slots.caliper ??= addPart(draft, `${axle}-caliper`, { kind: 'caliper', name: `${name} caliper`, owned: true })
    if (draft.parts.find((one) => one.id === slots.caliper)?.kind !== 'caliper') continue
    slots.rotor ??= addPart(draft, `${axle}-rotor`, { kind: 'rotor', name: `${name} rotor`, owned: true })
    slots.pad ??= addPart(draft, `${axle}-pads`, { kind: 'pad', name: `${name} pads`, owned: true })
  }
  stock.hydraulics.masterCylinder ??= addPart(draft, 'master', { kind: 'masterCylinder', name: 'Master cylinder', owned: true })
}

/** A setup that has other calipers at one end, of which nothing is known yet, with those parts kept that the car has. */
export function tryCalipers(draft: Draft<Project>, axle: Axle): string {
  const name = axle === 'front' ? 'Other front calipers' : 'Other rear calipers'
  const setupId = addSetup(draft, `other-${axle}-calipers`, name)
  draft.setups.find((one) => one.id === setupId)![axle].caliper = addPart(draft, `other-${axle}-caliper`, {
    kind: 'caliper',
    name: `Other ${axle} caliper`,
    frame: 'seat',
  })
  return setupId
}

/**
 * Whether the car has one cylinder or two. Two are joined by a bar; until someone says how it is set it stands in the middle,
 * as an estimate.
 */
export function chooseMaster(draft: Draft<Project>, partId: string, construction: 'tandem' | 'twin'): void {
  const part = draft.parts.find((one) => one.id === partId)
  if (part?.kind !== 'masterCylinder') return
  part.construction = construction
  if (construction === 'twin')
    draft.setups[0].hydraulics.barFrontShare ??= { value: 0.5, u: 0.05, origin: 'estimated', note: 'in the middle, until it is measured' }
}
