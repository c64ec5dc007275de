import type { Axle } from '../quantity/axle.ts'
import type { SafetyNote } from '../records/safety-note.ts'

/** Where in a build a step stands: the headings of a work order, in their order. */
export const PHASES = {
  bench: 'On the bench',
  support: 'Lifting the car',
  front: 'Front axle, dry',
  rear: 'Rear axle, dry',
  hydraulics: 'Hydraulics',
  bleed: 'Bleeding',
  wheels: 'Wheels on',
  drive: 'Before and during the first drive',
} as const
export type Phase = keyof typeof PHASES

export interface TorqueAsked {
  /** Which bolts: `front.caliper`. */
  id: string
  label: string
}

/** One step of a work order. */
export interface WorkStep {
  id: string
  phase: Phase
  title: string
  axle?: Axle
  /** Which side what goes, where left and right are not alike; else both sides alike. */
  sides?: string
  /** Names of the parts that are handled. */
  parts: readonly string[]
  /** Ids of the parts that this step puts on the car. */
  puts: readonly string[]
  /** Ids of the lines of the bill that it uses up. */
  uses: readonly string[]
  tool?: string
  torques: readonly TorqueAsked[]
  caution?: SafetyNote
  /** What to look at: how one sees that it is right. */
  look?: string
  /** What to note or photograph. */
  keep?: string
  /** For both sides, from a practised hand to a first time (engineering estimate). */
  minutes: readonly [low: number, high: number]
  needs: readonly string[]
  /** Axles whose hydraulics it opens. */
  opens: readonly Axle[]
  /** Axles that it bleeds. */
  bleeds: readonly Axle[]
}

/** A step from what differs from an ordinary one. */
export const step = (
  id: string,
  phase: Phase,
  title: string,
  minutes: WorkStep['minutes'],
  needs: readonly string[],
  more: Partial<Omit<WorkStep, 'id' | 'phase' | 'title' | 'minutes' | 'needs'>> = {},
): WorkStep => ({ id, phase, title, minutes, needs, parts: [], puts: [], uses: [], torques: [], opens: [], bleeds: [], ...more })
