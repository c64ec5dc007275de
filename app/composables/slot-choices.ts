import { AXLE_SLOTS, HYDRAULIC_SLOTS, type Slot, type SlotPlace } from '#core/records/setup.ts'
import type { Part } from '#core/records/part.ts'
import { PART_KINDS } from '#core/records/part-kinds.ts'
import type { Verdict } from '#core/figures/verdict.ts'
import { useProjectStore } from '../stores/project.ts'
import { useCandidates } from './candidates.ts'
import { useWorkbench } from './workbench.ts'

/** What stands in a slot as a choice: '' as it stands or unknown, '-' none, else a part's id. */
export const slotValue = (slot: Slot): string => (slot === undefined ? '' : (slot ?? '-'))

const GROUPS: Readonly<Record<Verdict | 'open', string>> = {
  fits: 'OK',
  check: 'Check on the car',
  needs: 'Needs a fix',
  unknown: 'Not enough data',
  blocked: 'Do not build',
  open: 'Parts',
}

/** What can be put into a slot: what is fitted first, then what fits best, each with its verdict and what it costs more. */
export function useSlotChoices() {
  const store = useProjectStore()
  const { setup, isStock } = useWorkbench()
  const { of, words } = useCandidates()

  const partNamed = (slot: Slot): string =>
    slot === null ? 'none' : (store.current.parts.find((part) => part.id === slot)?.name ?? 'not known')
  const inSlot = (where: typeof setup.value, place: SlotPlace): Slot =>
    place.axle ? where?.[place.axle][place.slot] : where?.hydraulics[place.slot]

  function choices(place: SlotPlace) {
    const spec = place.axle ? AXLE_SLOTS[place.slot] : HYDRAULIC_SLOTS[place.slot]
    const column = place.axle ?? 'hydraulics'
    const stock = inSlot(store.current.setups[0], place)
    const chosen = inSlot(setup.value, place)
    const known = (part: Part) => of(column, place.slot, part.id)
    const parts = store.current.parts
      .filter((part) => (spec.kinds as readonly string[]).includes(part.kind))
      .map((part) => ({ part, candidate: known(part) }))
      .sort((a, b) => (a.candidate?.rank ?? 0) - (b.candidate?.rank ?? 0))
    const fitted = store.current.parts.find((part) => part.id === (chosen ?? stock))
    const made = [
      ...spec.kinds.map((kind) => ({ value: `+${kind}`, label: `new ${PART_KINDS[kind].one} here …`, group: 'New' })),
      ...(fitted ? [{ value: `~${fitted.id}`, label: `one like ${fitted.name}, but …`, group: 'New' }] : []),
    ]
    return [
      { value: '', label: isStock.value ? 'not known' : `${partNamed(stock)} (current car)`, group: 'Now' },
      ...(spec.nothing ? [{ value: '-', label: 'none', group: 'Now' }] : []),
      ...parts.filter(({ part }) => part.id === chosen).map(({ part }) => ({ value: part.id, label: part.name, group: 'Now' })),
      ...parts
        .filter(({ part }) => part.id !== chosen)
        .map(({ part, candidate }) => ({
          value: part.id,
          label: part.name,
          group: GROUPS[candidate?.worst ?? 'open'],
          ...(candidate ? { verdict: candidate.worst, detail: words(column, place.slot, part.id) } : {}),
        })),
      ...made,
    ]
  }
  return { choices, of }
}
