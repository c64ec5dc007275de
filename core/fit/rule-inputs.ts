import { carAxleFields, carFields } from '../records/car-fields.ts'
import type { FieldTable } from '../records/field.ts'
import { fieldsOf, type PartKind } from '../records/part-kinds.ts'
import { AXLE_SLOTS, HYDRAULIC_SLOTS, type AxleSlot, type HydraulicSlot, type Setup } from '../records/setup.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Part, PartOf } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import { questionKey, type EntryPlace, type InputRecord, type Question } from '../records/question.ts'
import type { ResolvedAxle, ResolvedSetup } from '../records/resolve.ts'
import { isTypical } from '../records/way-ids.ts'
import { ORIGINS, type Figure } from '../quantity/figure.ts'
import { formatQuantity } from '../quantity/format.ts'
import { LIMITS, type LimitId } from '../records/limits.ts'

/** What a rule may look at. */
export interface Facts {
  project: Project
  setup: Setup
  axle: Axle
  resolved: ResolvedAxle
  /** The whole setup and the car as it stands, for what concerns both axles. */
  whole: ResolvedSetup
  stock: ResolvedSetup
  /** The slot that is looked at, for rules that look at each alone. */
  slot?: AxleSlot
  /** Rules that someone has seen to hold on the car. */
  seen: readonly string[]
}

type FilledSlots<S extends AxleSlot> = NonNullable<ResolvedAxle[S]>

/**
 * The eyes of a rule: whatever it looks at is noted, and what is not there becomes a question. So a rule
 * cannot find that something fits while a figure it names is absent.
 */
export class RuleInputs {
  readonly looked: InputRecord[] = []
  readonly missing: Question[] = []
  readonly ownLimits: LimitId[] = []
  /** The slots it looked into. */
  readonly slots: AxleSlot[] = []
  /** The watched part had a hand in it. */
  touched = false
  /** A figure it went by that is a class's, not this car's. */
  typical: string | undefined

  /**
   * @param watched a part's id: then only what is not there and whether this part was looked at is noted, which is
   * all that a list of hundreds of parts asks for
   */
  constructor(
    readonly facts: Facts,
    private readonly watched?: string,
  ) {}

  /** Forgets what it saw, for the next rule. */
  restart(): this {
    this.looked.length = this.missing.length = this.ownLimits.length = this.slots.length = 0
    this.touched = false
    this.typical = undefined
    return this
  }

  /** What is fitted in a slot; null: nothing on purpose; undefined: not known, and asked for. */
  part<S extends AxleSlot>(slot: S): FilledSlots<S> | null | undefined {
    const { axle, setup, resolved } = this.facts
    this.slots.push(slot)
    const found = resolved[slot]
    if (found) this.touch(found)
    if (found === undefined)
      this.ask(`${AXLE_SLOTS[slot].label}, ${axle}`, { kind: 'slot', setupId: setup.id, axle, slot }, 'Choose a part in the step Setup.')
    return found as FilledSlots<S> | null | undefined
  }
  /** What is fitted in the hydraulics, in this setup or in the car as it stands. */
  hydraulic<S extends HydraulicSlot>(slot: S, of: 'whole' | 'stock' = 'whole'): NonNullable<ResolvedSetup[S]> | null | undefined {
    const found = this.facts[of][slot]
    if (found && of === 'whole') this.touch(found)
    const setupId = of === 'stock' ? this.facts.project.setups[0].id : this.facts.setup.id
    if (found === undefined) this.ask(HYDRAULIC_SLOTS[slot].label, { kind: 'slot', setupId, slot }, 'Choose a part in the step Setup.')
    return found as NonNullable<ResolvedSetup[S]> | null | undefined
  }
  /** The caliper where there is one; a drum is none. */
  caliper(): PartOf<'caliper'> | undefined {
    const found = this.part('caliper')
    return found?.kind === 'caliper' ? found : undefined
  }
  rotor(): PartOf<'rotor'> | undefined {
    return this.part('rotor') ?? undefined
  }
  pad(): PartOf<'pad'> | undefined {
    return this.part('pad') ?? undefined
  }

  /** Notes that a part has a hand in it. */
  touch(part: Part): void {
    if (part.id === this.watched) this.touched = true
  }
  /** A figure of a part. */
  of<K extends PartKind>(part: PartOf<K> | undefined | null, field: keyof PartOf<K> & string): number | undefined {
    if (!part) return undefined
    const known = (part as unknown as Record<string, Figure | undefined>)[field]
    this.touch(part)
    if (isTypical(known)) this.typical ??= `${fieldsOf(part.kind)[field]?.label ?? field} of ${part.name}`
    if (this.watched !== undefined && known) return known.value
    return this.read(known, fieldsOf(part.kind), field, ` of ${part.name}`, {
      kind: 'part',
      partId: part.id,
      field,
    })
  }
  /** The figures of a list: pistons, as they are. */
  list<K extends PartKind>(part: PartOf<K> | undefined | null, field: keyof PartOf<K> & string): number[] | undefined {
    if (!part) return undefined
    const known = (part as unknown as Record<string, Figure[] | undefined>)[field]
    this.touch(part)
    const at = { kind: 'part', partId: part.id, field } as const
    const entry = fieldsOf(part.kind)[field]
    const label = `${entry?.label ?? field} of ${part.name}`
    const dimension = entry?.type === 'figures' ? entry.dimension : 'number'
    if (!known || known.length === 0) {
      this.looked.push({ label, value: undefined, dimension: 'words', at })
      this.ask(label, at, entry?.help)
      return undefined
    }
    if (known.some(isTypical)) this.typical ??= label
    const values = known.map((figure) => formatQuantity(figure.value, dimension, this.facts.project.preferences.units))
    const weakest = known.reduce((a, b) => (ORIGINS.indexOf(b.origin) > ORIGINS.indexOf(a.origin) ? b : a))
    this.looked.push({ label, value: values.join(' and '), dimension: 'words', at, origin: weakest.origin })
    return known.map((figure) => figure.value)
  }
  /** A choice or words of a part. */
  wordOf<K extends PartKind>(part: PartOf<K> | undefined | null, field: keyof PartOf<K> & string): string | undefined {
    if (!part) return undefined
    this.touch(part)
    return this.word((part as unknown as Record<string, unknown>)[field], fieldsOf(part.kind), field, ` of ${part.name}`, {
      kind: 'part',
      partId: part.id,
      field,
    })
  }
  car(field: keyof typeof carAxleFields): number | undefined {
    const { axle, project } = this.facts
    const known = project.car[axle][field] as Figure | undefined
    if (isTypical(known)) this.typical ??= `${carAxleFields[field].label}, ${axle}`
    if (this.watched !== undefined && known) return known.value
    return this.read(known, carAxleFields, field, `, ${axle}`, { kind: 'car', axle, field })
  }
  carWord(field: keyof typeof carAxleFields): string | undefined {
    const { axle, project } = this.facts
    return this.word(project.car[axle][field], carAxleFields, field, `, ${axle}`, { kind: 'car', axle, field })
  }
  wholeCar(field: keyof typeof carFields): number | undefined {
    const known = this.facts.project.car[field]
    if (isTypical(known as Figure | undefined)) this.typical ??= carFields[field].label
    return this.read(known, carFields, field, '', { kind: 'car', field })
  }
  wholeCarWord(field: keyof typeof carFields): string | undefined {
    return this.word(this.facts.project.car[field], carFields, field, '', { kind: 'car', field })
  }

  /** A length in a finding's sentence, in the units the project reads: a digit more where one less would hide the difference. */
  mm(value: number): string {
    // where a part is watched nobody reads the sentence
    if (this.watched !== undefined) return ''
    const { units } = this.facts.project.preferences
    const decimals = units.length === 'mm' ? (Math.abs(value) < 1 && value !== 0 ? 2 : 1) : 3
    return formatQuantity(value, 'length', units, { decimals })
  }

  /** Shims between mount and caliper, mm, + outboard; none is no question. */
  shimMm(): number {
    const { axle, setup, resolved } = this.facts
    const { shimMm } = resolved
    if (shimMm !== 0) {
      const at = { kind: 'setup', setupId: setup.id, axle, field: 'shimMm' } as const
      this.looked.push({ label: `Shims, ${axle}`, value: shimMm, dimension: 'length', at })
    }
    return shimMm
  }

  limit(id: LimitId): number {
    const own = this.facts.project.preferences.limits?.[id]
    if (own === undefined) return LIMITS[id].value
    if (!this.ownLimits.includes(id)) this.ownLimits.push(id)
    return own
  }
  /** Whether someone has seen on the car what figures cannot say. */
  seen(rule: string): boolean {
    return this.facts.seen.includes(rule)
  }
  /** Parts of the project that could take a slot, in the order of the project. */
  library<K extends PartKind>(kind: K): PartOf<K>[] {
    return this.facts.project.parts.filter((part: Part): part is Part & PartOf<K> => part.kind === kind)
  }

  /** A test on the car answers it, whatever figures are missing. */
  waive(): void {
    this.missing.length = 0
  }

  /** Asks for something that no field holds by itself. */
  ask(what: string, at: EntryPlace, how?: string): void {
    const key = questionKey({ at, what })
    if (!this.missing.some((one) => questionKey(one) === key)) this.missing.push({ what, at, ...(how === undefined ? {} : { how }) })
  }
  private read(value: unknown, table: FieldTable, field: string, suffix: string, at: EntryPlace): number | undefined {
    const entry = table[field]
    const figure = value as Figure | undefined
    const label = `${entry?.label ?? field}${suffix}`
    const seen: InputRecord = { label, value: figure?.value, dimension: entry?.type === 'figure' ? entry.dimension : 'number', at }
    if (figure) seen.origin = figure.origin
    if (figure?.date !== undefined) seen.date = figure.date
    this.looked.push(seen)
    if (!figure) this.ask(label, at, entry?.help)
    return figure?.value
  }
  private word(value: unknown, table: FieldTable, field: string, suffix: string, at: EntryPlace): string | undefined {
    const entry = table[field]
    const label = `${entry?.label ?? field}${suffix}`
    const known = typeof value === 'string' && value.trim() !== '' ? value.trim() : undefined
    if (this.watched !== undefined && known !== undefined) return known
    const shown = entry?.type === 'choice' ? entry.options.find((one) => one.value === known)?.label : known
    this.looked.push({ label, value: shown ?? known, dimension: 'words', at })
    if (known === undefined) this.ask(label, at, entry?.help)
    return known
  }
}
