import { fieldAt } from '../records/entry.ts'
import { hardLimits } from '../records/field.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import type { Figure } from '../quantity/figure.ts'
import type { UncertainInput } from './uncertain-inputs.ts'

type DraftNode = Record<string, unknown>

/** What the fields of leaves can hold: leaves are few, and are set thousands of times. */
const limits = new WeakMap<UncertainInput, readonly [number, number]>()
function limitsOf(project: Project, leaf: UncertainInput): readonly [number, number] {
  const known = limits.get(leaf)
  if (known) return known
  const field = fieldAt(project, leaf.at)
  const found =
    field && (field.type === 'figure' || field.type === 'figures') ? hardLimits(field) : ([1e-3 * leaf.value, Infinity] as const)
  limits.set(leaf, found)
  return found
}
/** A value within what the field can hold: a draw of a doubtful figure is still a figure. */
function held(project: Project, leaf: UncertainInput, value: number): number {
  const [least, most] = limitsOf(project, leaf)
  return Math.min(most, Math.max(least > 0 ? least : Math.min(least, value), value))
}

/** The project with other values in the places of some leaves; what is shared stays shared. */
export function withValues(project: Project, leaves: readonly UncertainInput[], values: readonly number[]): Project {
  let car: DraftNode | undefined
  const axles: Partial<Record<Axle, DraftNode>> = {}
  const parts = new Map<string, DraftNode>()
  const setups = new Map<string, DraftNode>()
  leaves.forEach((leaf, i) => {
    const { at } = leaf
    const value = held(project, leaf, values[i]!)
    const put = (holder: DraftNode): void => {
      const now = holder[at.field] as Figure | Figure[] | undefined
      if (Array.isArray(now)) holder[at.field] = now.map((one, n) => (n === leaf.index ? { ...one, value } : one))
      else holder[at.field] = { ...(now ?? { origin: 'estimated' }), value }
    }
    if (at.kind === 'car') {
      if (at.axle) put((axles[at.axle] ??= { ...project.car[at.axle] } as DraftNode))
      else put((car ??= { ...project.car } as unknown as DraftNode))
    } else if (at.kind === 'part') {
      const part = parts.get(at.partId) ?? ({ ...project.parts.find((one) => one.id === at.partId)! } as unknown as DraftNode)
      parts.set(at.partId, part)
      put(part)
    } else if (at.kind === 'setup') {
      const setup = setups.get(at.setupId) ?? ({ ...project.setups.find((one) => one.id === at.setupId)! } as unknown as DraftNode)
      setups.set(at.setupId, setup)
      const room = at.axle ?? 'hydraulics'
      const inside = { ...(setup[room] as DraftNode) }
      setup[room] = inside
      put(inside)
    }
  })
  return {
    ...project,
    ...(car || axles.front || axles.rear
      ? {
          car: {
            ...(car ?? project.car),
            ...(axles.front && { front: axles.front }),
            ...(axles.rear && { rear: axles.rear }),
          } as Project['car'],
        }
      : {}),
    ...(parts.size > 0 ? { parts: project.parts.map((one) => (parts.get(one.id) as unknown as typeof one) ?? one) } : {}),
    ...(setups.size > 0
      ? { setups: project.setups.map((one) => (setups.get(one.id) as unknown as typeof one) ?? one) as Project['setups'] }
      : {}),
  }
}
