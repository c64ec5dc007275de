import { PER_AXLE } from '../cost/to-buy.ts'
import type { AxleBrake } from '../hydraulics/maths/system.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Part } from '../records/part.ts'
import { combinations } from './maths/join.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import { gapOf, rulesOf, slotsOf, walkAxle, type GapOf, type WatchedRule } from './axle-walk.ts'
import type { DependencyMemo } from './dependency-memo.ts'
import type { Ruled } from './rejections.ts'
import { axleWeights, brakeOf, packedIn, type AxleWeights } from './figures-of.ts'
import { brings, cameWhole, isIn, mayComeWhole, placesOf, type PlacedKit } from './kits.ts'
import { partCost } from './prices.ts'
import { CRITERIA } from './criteria.ts'
import { isCurrentCar, ofKitsIn, type Assignment, type SlotId, type SearchSpace } from './search-space.ts'
import { WHOLE_KITS, type Tally } from './tally.ts'

/** A brake of one axle that goes together, with what weighs. */
export interface Build {
  filling: Assignment
  weights: AxleWeights
  verdict: Ruled['verdict']
  cost: number
  /** What of it foot and balance see. */
  key: string
  /** Parts that may come from one pack with those of the other axle. */
  packed: readonly string[]
  /** Nothing of the current car's brake is changed: with nothing else changed it takes no consumables. */
  asNow: boolean
}

/** Those of one axle: the ones worth looking at, how many there are, and how many under each wheel. */
export interface Builds {
  lean: Build[]
  count: number
  under: ReadonlyMap<Part | null | undefined, number>
}
/** Brakes of an axle that are alike to foot and balance, under one wheel, with the best of each of their figures. */
export interface EquivalenceClass {
  members: Build[]
  wheel: Part | null | undefined
  comparable: boolean
  best: AxleWeights
  packed: ReadonlySet<string>
  /** One of them is that of the current car. */
  asNow: boolean
}

/** The brakes of one axle that a library builds. */
export class AxleBuilds {
  private readonly rules: WatchedRule[]
  private readonly gap: GapOf
  private readonly brake: (filling: Assignment) => { value: ReturnType<typeof brakeOf> } | undefined
  /** Kits and donors of both axles. */
  private readonly kits: readonly PlacedKit[]

  constructor(
    private readonly space: SearchSpace,
    private readonly axle: Axle,
    private readonly tally: Tally,
    readings: DependencyMemo,
  ) {
    this.kits = [...space.kits.front, ...space.kits.rear]
    this.gap = gapOf(readings, axle)
    this.rules = rulesOf(readings, axle, this.gap, space.ask)
    this.brake = readings.remember((context) => brakeOf(context, axle))
  }

  /**
   * Every brake of an axle whose parts go together with each other, the wheel and the car; the cheapest first. Kept are those
   * that no other of the same axle beats whatever stands beside them; the others are counted.
   */
  all(): Builds {
    const { axle } = this
    const { ask, options } = this.space
    const slots = slotsOf(axle, options)
    /** How many there are below each depth. */
    const below = slots.map((_, depth) => combinations(slots.slice(depth + 1)))
    const kept = new Map<string, Build[]>()
    const under = new Map<Part | null | undefined, number>()
    let count = 0
    /** Of hoses that take the same, the cheapest of each with the parts before. */
    const hoses = new Map<string, number>()
    walkAxle<Ruled['verdict']>({
      axle,
      options,
      ask,
      rules: this.rules,
      all: false,
      start: 'fits',
      step: (sofar, { dropped: [first], verdict }, depth) => {
        if (depth < slots.length - 1) hoses.clear()
        if (first !== undefined) {
          this.tally.drop(first, below[depth]!)
          return undefined
        }
        return VERDICT_RANK[verdict] > VERDICT_RANK[sofar] ? verdict : sofar
      },
      each: (filling, verdict) => {
        count += 1
        const wheel = filling[`${axle}.wheel`]
        under.set(wheel, (under.get(wheel) ?? 0) + 1)
        const hose = filling[`${axle}.hose`]
        const takes = `${hoseKey(hose)} ${verdict}`
        const whole = this.comesWhole(filling)
        if (whole === 'no') {
          this.tally.drop(WHOLE_KITS, 1)
          return
        }
        const price = this.hoseCost(hose)
        const cheapest = hoses.get(takes)
        // beaten by the hose before it, whatever stands beside them; one of a kit costs what the kit does
        if (
          cheapest !== undefined &&
          price !== undefined &&
          !this.isInKit(hose) &&
          !this.space.packs.has(hose?.id ?? '') &&
          price - cheapest > CRITERIA.cost.tolerance
        )
          return
        const one = this.build(filling, verdict)
        if (price !== undefined && ask.by.includes('cost') && whole === 'yes' && this.comparable(one.weights))
          hoses.set(takes, Math.min(price, cheapest ?? Infinity))
        this.keepLean(kept, one, whole)
      },
    })
    return { lean: [...kept.values()].flat().sort((a, b) => a.cost - b.cost), count, under }
  }

  /** Whether what it has of kits came with the rest of them, as far as is asked; `elsewhere`: by what the rest of the car gets. */
  private comesWhole(filling: Assignment): 'yes' | 'elsewhere' | 'no' {
    if (!this.space.ask.wholeKits) return 'yes'
    const fresh = ofKitsIn(this.space, filling, Object.keys(filling) as SlotId[])
    if (cameWhole(this.kits, filling, fresh)) return 'yes'
    return mayComeWhole(this.kits, this.axle, filling, fresh) ? 'elsewhere' : 'no'
  }
  private isInKit(part: Part | null | undefined): boolean {
    return part !== null && part !== undefined && this.space.kits[this.axle].some((kit) => brings(kit, `${this.axle}.hose`, part))
  }
  /** Whether it has all that a kit brings to its axle, and what it costs hangs on the hydraulics. */
  private waitsForKit(filling: Assignment): boolean {
    return this.space.kits[this.axle].some((kit) => {
      const here = placesOf(kit, false)
      return kit.spans && kit.minor !== undefined && here.length > 0 && isIn({ places: here }, filling)
    })
  }
  private hoseCost(hose: Part | null | undefined): number | undefined {
    const { project, stockParts } = this.space
    return partCost(hose, stockParts[this.axle].hose, PER_AXLE.hose, project.preferences)
  }
  private build(filling: Assignment, verdict: Ruled['verdict']): Build {
    const weights = axleWeights(this.space, filling, this.axle, this.brake(filling)!.value, this.gap(filling)!.value)
    return {
      filling,
      weights,
      verdict,
      cost: weights.costMinor ?? Number.MAX_SAFE_INTEGER,
      key: this.brakeKey(filling, weights),
      packed: packedIn(this.space, filling),
      asNow: isCurrentCar(this.space, filling),
    }
  }
  private keepLean(kept: Map<string, Build[]>, one: Build, whole: 'yes' | 'elsewhere'): void {
    // what hangs on the rest of the car neither beats nor is beaten yet
    const key =
      whole === 'yes' && one.packed.length === 0 && !this.waitsForKit(one.filling) && !one.asNow
        ? this.likeKey(one)
        : Object.values(one.filling)
            .map((part) => part?.id)
            .join(' ')
    const alike = kept.get(key) ?? []
    if (alike.some((other) => this.out(other, one))) return
    kept.set(key, [...alike.filter((other) => !this.out(one, other)), { ...one, filling: { ...one.filling } }])
  }

  /** Those that are reckoned once for foot and balance, together. */
  alike(builds: readonly Build[]): EquivalenceClass[] {
    const groups = new Map<string, Build[]>()
    for (const one of builds) {
      const key = `${this.numbersKey(one.weights.brake)}|${one.filling[`${this.axle}.wheel`]?.id}`
      const known = groups.get(key)
      if (known) known.push(one)
      else groups.set(key, [one])
    }
    return [...groups.values()].map((members): EquivalenceClass => {
      const weights = members.map((one) => one.weights)
      const least = (of: (one: AxleWeights) => number | undefined) => Math.min(...weights.map((one) => of(one) ?? 0))
      const most = (of: (one: AxleWeights) => number | undefined) => Math.max(...weights.map((one) => of(one) ?? 0))
      return {
        members,
        wheel: members[0]!.filling[`${this.axle}.wheel`],
        comparable: weights.every((one) => this.comparable(one)),
        packed: new Set(members.flatMap((one) => one.packed)),
        asNow: members.some((one) => one.asNow),
        best: {
          ...weights[0]!,
          costMinor: least((one) => one.costMinor),
          gapMm: most((one) => one.gapMm),
          massKg: least((one) => one.massKg),
          ringIronKg: weights.every((one) => one.ringIronKg === undefined) ? undefined : most((one) => one.ringIronKg),
        },
      }
    })
  }

  /**
   * Whether a brake beats another of the same axle whatever stands beside them, both being alike to the foot, the balance and
   * the rules of the whole car: nowhere worse, and cheaper or lighter by more than the tie.
   */
  private out({ weights: x }: Build, { weights: y }: Build): boolean {
    const { by, musts } = this.space.ask
    if (!this.comparable(x) || !this.comparable(y)) return false
    const [cost, mass, gap] = [by.includes('cost'), by.includes('mass'), by.includes('gap')]
    if (x.costMinor! > y.costMinor! && (cost || musts.budgetMinor !== undefined)) return false
    if ((gap && x.gapMm! < y.gapMm!) || (mass && x.massKg! > y.massKg!)) return false
    if (by.includes('heat') && x.ringIronKg! < y.ringIronKg!) return false
    return (cost && y.costMinor! - x.costMinor! > CRITERIA.cost.tolerance) || (mass && y.massKg! - x.massKg! > CRITERIA.mass.tolerance)
  }
  /** Whether everything of a brake that is weighed is known: what is not neither beats nor is beaten. */
  private comparable({ brake, costMinor, gapMm, massKg, ringIronKg }: AxleWeights): boolean {
    const { by } = this.space.ask
    if (costMinor === undefined || (by.includes('gap') && gapMm === undefined) || (by.includes('mass') && massKg === undefined))
      return false
    if (by.includes('heat') && ringIronKg === undefined) return false
    return brake !== undefined || !(by.includes('heat') || by.includes('bias') || by.includes('pedal'))
  }
  /** What of a brake foot and balance see: its numbers, its caliper, what its hose takes of the stroke. */
  private brakeKey(filling: Assignment, { brake }: AxleWeights): string {
    const hose = filling[`${this.axle}.hose`]
    return `${this.numbersKey(brake)} ${filling[`${this.axle}.caliper`]?.id} ${hoseKey(hose)}`
  }
  private readonly numbers = new Map<AxleBrake | undefined, string>()
  private numbersKey(brake: AxleBrake | undefined): string {
    const known = this.numbers.get(brake)
    if (known !== undefined) return known
    const key = JSON.stringify(brake)
    this.numbers.set(brake, key)
    return key
  }
  /** What of a brake all else sees: foot and balance, the wheel over it, and how well it goes together. */
  private likeKey(one: Build): string {
    return `${one.key}|${(one.filling['front.wheel'] ?? one.filling['rear.wheel'])?.id}|${one.verdict}`
  }
}
/** What a hose takes of the stroke. */
const hoseKey = (hose: Part | null | undefined): string =>
  hose?.kind === 'hose' ? `${hose.construction} ${hose.lengthMm?.value}` : `${hose?.id}`
