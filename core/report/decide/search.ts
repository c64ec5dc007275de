import { pedalFindings, stockBrakes } from '../balance/pedal-findings.ts'
import type { AxleBrake, BrakeSystem } from '../../hydraulics/system.ts'
import { systemOf } from '../brake/brake-system.ts'
import { axleBrake } from '../brake/brake.ts'
import { PER_AXLE } from '../cost/to-buy.ts'
import { combinations, join } from '../../search/join.ts'
import { Unbeaten, type Criterion, type Values } from '../../search/pareto.ts'
import type { Finding } from '../figure/finding.ts'
import type { Axle, Part, Project } from '../../model/project.ts'
import { formatMoney } from '../../quantity/format.ts'
import { resolveSetup } from '../../model/resolve.ts'
import type { Context } from '../figure/read.ts'
import { RULE_TITLES, VERDICT_RANK } from '../figure/words.ts'
import { Working } from '../figure/working.ts'
import { gapOf, rulesOf, slotsOf, walkAxle, type GapOf, type WatchedRule } from './axle-walk.ts'
import { Readings } from './by-what-it-reads.ts'
import { AXLE_RULES, CAR_RULES, drops, ruledBy, type Ruled } from './dropped.ts'
import {
  axleWeights,
  brakedBy,
  brakeOf,
  carAsked,
  FRONT_FIRST_TO_G,
  hydraulicsCost,
  weigh,
  wholeCost,
  withBarSet,
  type AxleWeights,
  type Braked,
  type Weighed,
} from './figures-of.ts'
import { criteriaOf, fewestChanges, valuesOf, type Find, type NearMiss, type SearchProgress, type SearchResult } from './found.ts'
import { brings, cameWhole, isIn, mayComeWhole, placesOf, type PlacedKit } from './kits.ts'
import { partCost } from './prices.ts'
import { CRITERIA, HYDRAULIC_NAMES, ofKitsIn, setupOf, spaceOf, type Filling, type PlaceName, type SearchAsk, type Space } from './space.ts'
export type { Dropped, Find, NearMiss, SearchCounts, SearchProgress, SearchResult } from './found.ts'

export const MOST_FINDS = 50
const MOST_NEAR = 10
/** How far over a limit is "by little": a share of the budget, of the pedal's band, of the deceleration. */
const LITTLE = { budget: 0.15, pedal: 0.25, frontFirstG: 0.7 }
const WHOLE_KITS = 'whole-kits'
/** Combinations between two words on how far it is. */
const SAY_EVERY = 4000

interface Whole {
  verdict: Ruled['verdict']
  /** The rule that it ends at; absent: none. */
  drops?: string
}

/** Those of one axle: the ones worth looking at, how many there are, and how many under each wheel. */
interface Builds {
  lean: Build[]
  count: number
  under: ReadonlyMap<Part | null | undefined, number>
}
/** What stands between the axles. */
interface Between {
  filling: Filling
  /** What tells it from others. */
  key: string
  /** The rule of the whole car that it ends at by itself. */
  ends: string | undefined
  /** As numbers, once it was asked for. */
  shell?: { system: BrakeSystem | undefined }
  costMinor: number | undefined
  /** Kits whose hydraulics are in it, and the most that they save, minor units. */
  kits: readonly PlacedKit[]
  savesMinor: number
}
/** Brakes of an axle that are alike to foot and balance, under one wheel, with the best of each of their figures. */
interface Alike {
  members: Build[]
  wheel: Part | null | undefined
  comparable: boolean
  best: AxleWeights
}
/** A brake of one axle that goes together, with what weighs. */
interface Build {
  filling: Filling
  weights: AxleWeights
  verdict: Ruled['verdict']
  cost: number
  /** What of it foot and balance see. */
  key: string
}

/**
 * Everything that can be built from the library, exactly: brakes of each axle are joined from parts that go together, pairs of
 * them with what stands between, and what something beats is left out as soon as nothing that is still open can save it.
 * Says on the way how far it is; nothing of the project is changed.
 *
 * @throws RangeError when the project has no such setup
 */
export function* searching(project: Project, ask: SearchAsk): Generator<SearchProgress, SearchResult> {
  const space = spaceOf(project, ask)
  const search = new Search(space)
  const builds = { front: search.buildsOf('front'), rear: search.buildsOf('rear') }
  yield { done: 0.1, best: undefined }
  yield* search.pairs(builds)
  return search.result(builds)
}

/**
 * What is weighed of everything that could beat another: of combinations that keep all musts those that none covers.
 * @throws RangeError when the project has no such setup
 */
export function uncovered(project: Project, ask: SearchAsk): readonly Values[] {
  const search = new Search(spaceOf(project, ask))
  for (const _ of search.pairs({ front: search.buildsOf('front'), rear: search.buildsOf('rear') }));
  return search.uncovered
}

/** The whole search at once. */
export function search(project: Project, ask: SearchAsk): SearchResult {
  const going = searching(project, ask)
  for (;;) {
    const { done, value } = going.next()
    if (done) return value
  }
}

class Search {
  private readonly readings: Readings
  private readonly axleRules: Record<Axle, WatchedRule[]>
  private readonly carRules: WatchedRule[]
  private readonly gaps: Record<Axle, GapOf>
  private readonly brakes: Record<Axle, (filling: Filling) => { value: ReturnType<typeof brakeOf> } | undefined>
  private readonly counts = new Map<string, number>()
  private readonly held: Unbeaten<Find>
  private readonly near: NearMiss[] = []
  private looked = 0
  private best: Find | undefined
  private readonly asked
  private readonly onTheCar
  private readonly criteria: Criterion[]
  /** Kits and donors of both axles, and every place that a part may be new in. */
  private readonly kits: readonly PlacedKit[]
  private readonly places: readonly PlaceName[]

  constructor(private readonly space: Space) {
    const { project, ask, base, stock } = space
    this.readings = new Readings(space)
    this.kits = [...space.kits.front, ...space.kits.rear]
    this.places = Object.keys(space.options) as PlaceName[]
    this.gaps = { front: gapOf(this.readings, 'front'), rear: gapOf(this.readings, 'rear') }
    this.axleRules = {
      front: rulesOf(this.readings, 'front', this.gaps.front, ask),
      rear: rulesOf(this.readings, 'rear', this.gaps.rear, ask),
    }
    this.carRules = CAR_RULES.map((rule) => ({ id: rule.id, of: this.readings.remember((_, facts) => ruledBy(rule, facts.front)) }))
    const brake = (axle: Axle) => this.readings.remember((context) => brakeOf(context, axle))
    this.brakes = { front: brake('front'), rear: brake('rear') }
    this.criteria = criteriaOf(ask)
    this.held = new Unbeaten<Find>(this.criteria)
    this.onTheCar = stockBrakes(project)
    this.asked = carAsked(project, { project, setup: stock, isStock: true, resolved: resolveSetup(project, base) })
  }

  get uncovered(): readonly Values[] {
    return this.held.uncovered
  }
  private drop(rule: string, count: number): void {
    this.counts.set(rule, (this.counts.get(rule) ?? 0) + count)
  }

  /**
   * Every brake of an axle whose parts go together with each other, the wheel and the car; the cheapest first. Kept are those
   * that no other of the same axle beats whatever stands beside them; the others are counted.
   */
  buildsOf(axle: Axle): Builds {
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
      rules: this.axleRules[axle],
      all: false,
      start: 'fits',
      step: (sofar, { dropped: [first], verdict }, depth) => {
        if (depth < slots.length - 1) hoses.clear()
        if (first !== undefined) {
          this.drop(first, below[depth]!)
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
        const whole = this.comesWhole(axle, filling)
        if (whole === 'no') {
          this.drop(WHOLE_KITS, 1)
          return
        }
        const price = this.hoseCost(axle, hose)
        const cheapest = hoses.get(takes)
        // beaten by the hose before it, whatever stands beside them; one of a kit costs what the kit does
        if (cheapest !== undefined && price !== undefined && !this.isInKit(axle, hose) && price - cheapest > CRITERIA.cost.tie) return
        const one = this.build(axle, filling, verdict)
        if (price !== undefined && ask.by.includes('cost') && whole === 'yes' && this.comparable(one.weights))
          hoses.set(takes, Math.min(price, cheapest ?? Infinity))
        this.keepLean(kept, axle, one, whole)
      },
    })
    return { lean: [...kept.values()].flat().sort((a, b) => a.cost - b.cost), count, under }
  }

  /** Whether what an axle has of kits came with the rest of them, as far as is asked; `elsewhere`: by what the rest of the car gets. */
  private comesWhole(axle: Axle, filling: Filling): 'yes' | 'elsewhere' | 'no' {
    if (!this.space.ask.wholeKits) return 'yes'
    const fresh = ofKitsIn(this.space, filling, Object.keys(filling) as PlaceName[])
    if (cameWhole(this.kits, filling, fresh)) return 'yes'
    return mayComeWhole(this.kits, axle, filling, fresh) ? 'elsewhere' : 'no'
  }
  private isInKit(axle: Axle, part: Part | null | undefined): boolean {
    return part !== null && part !== undefined && this.space.kits[axle].some((kit) => brings(kit, `${axle}.hose`, part))
  }
  /** Whether it has all that a kit brings to its axle, and what it costs hangs on the hydraulics. */
  private waitsForKit(axle: Axle, filling: Filling): boolean {
    return this.space.kits[axle].some((kit) => {
      const here = placesOf(kit, false)
      return kit.spans && kit.minor !== undefined && here.length > 0 && isIn({ places: here }, filling)
    })
  }
  private hoseCost(axle: Axle, hose: Part | null | undefined): number | undefined {
    const { project, stockParts } = this.space
    return partCost(hose, stockParts[axle].hose, PER_AXLE.hose, project.preferences)
  }
  private build(axle: Axle, filling: Filling, verdict: Ruled['verdict']): Build {
    const weights = axleWeights(this.space, filling, axle, this.brakes[axle](filling)!.value, this.gaps[axle](filling)!.value)
    return { filling, weights, verdict, cost: weights.costMinor ?? Number.MAX_SAFE_INTEGER, key: this.brakeKey(axle, filling, weights) }
  }
  private keepLean(kept: Map<string, Build[]>, axle: Axle, one: Build, whole: 'yes' | 'elsewhere'): void {
    // what hangs on the rest of the car neither beats nor is beaten yet
    const key =
      whole === 'yes' && !this.waitsForKit(axle, one.filling)
        ? this.likeKey(one)
        : Object.values(one.filling)
            .map((part) => part?.id)
            .join(' ')
    const alike = kept.get(key) ?? []
    if (alike.some((other) => this.out(other, one))) return
    kept.set(key, [...alike.filter((other) => !this.out(one, other)), { ...one, filling: { ...one.filling } }])
  }

  /** What stands between the axles. */
  private hydraulics(): Between[] {
    const { options } = this.space
    const all: Between[] = []
    join<Part | null | undefined>(
      HYDRAULIC_NAMES.map((name) => ({ name, options: options[name] })),
      {
        goes: () => true,
        each: (chosen) => {
          const filling = Object.fromEntries(HYDRAULIC_NAMES.map((name, i) => [name, chosen[i]])) as Filling
          const ends = this.carRules.find(({ id, of }) => {
            const found = of(filling)
            return found !== undefined && drops(found.value, id, this.space.ask)
          })
          const kits = this.kits.filter((kit) => kit.spans && kit.minor !== undefined && isIn({ places: placesOf(kit, true) }, filling))
          const savesMinor = kits.reduce((sum, kit) => sum + this.mostSaved(kit), 0)
          all.push({ filling, costMinor: hydraulicsCost(this.space, filling), key: betweenKey(filling), ends: ends?.id, kits, savesMinor })
        },
      },
    )
    return all.sort((a, b) => (a.costMinor ?? 0) - (b.costMinor ?? 0))
  }

  /** The most that a kit saves against its parts one by one, minor units. */
  private mostSaved({ places, minor }: PlacedKit): number {
    const { project } = this.space
    const alone = places.map(([place, part]) =>
      partCost(part, undefined, PER_AXLE[place.split('.')[1] as keyof typeof PER_AXLE] ?? 1, project.preferences),
    )
    return Math.max(0, alone.reduce<number>((sum, one) => sum + (one ?? 0), 0) - minor!)
  }

  *pairs({ front, rear }: Record<Axle, Builds>): Generator<SearchProgress, void> {
    const { ask } = this.space
    const all = this.hydraulics()
    const between = all.filter((one) => one.ends === undefined)
    let pairs = 0
    const leastMinor = Math.min(...all.map((one) => (one.costMinor ?? 0) - one.savesMinor))
    const mostMinor = (ask.musts.budgetMinor ?? Infinity) * (1 + LITTLE.budget)
    const alike = { front: this.alike('front', front.lean), rear: this.alike('rear', rear.lean) }
    let since = 0
    for (const [i, f] of alike.front.entries()) {
      for (const r of alike.rear) {
        // the wheel is one for the whole car where it is searched for
        if (ask.vary.wheel && f.wheel !== r.wheel) continue
        if ((f.best.costMinor ?? 0) + (r.best.costMinor ?? 0) + leastMinor > mostMinor) {
          this.drop('budget', f.members.length * r.members.length * between.length)
          continue
        }
        pairs += f.members.length * r.members.length
        for (const h of between) since += this.lookAtAlike(f, r, h)
        if (since < SAY_EVERY) continue
        since = 0
        yield { done: 0.1 + (0.9 * i) / alike.front.length, best: this.best }
      }
    }
    for (const { ends } of all) if (ends !== undefined && pairs > 0) this.drop(ends, pairs)
  }

  /** Brakes of two axles that are alike to foot and balance: their shares are reckoned once for all of them. @returns how much was done */
  private lookAtAlike(f: Alike, r: Alike, h: Between): number {
    const { braked, barFrontShare } = this.brakedWith(h, f, r)
    if (f.comparable && r.comparable) {
      // none of them can be better than the best of each together
      const least = h.costMinor === undefined ? undefined : h.costMinor - h.savesMinor
      const bound: Weighed = weigh(this.asked, { front: f.best, rear: r.best }, least, braked)
      if (this.held.outdone(valuesOf(this.space.ask, bound))) return 1
      const fails = this.failsMusts(bound, braked).find((one) => one.id !== 'budget')
      // what no other member would change
      if (fails && !fails.little) {
        this.drop(fails.id, f.members.length * r.members.length)
        return 1
      }
    }
    for (const one of f.members) for (const other of r.members) this.look(one, other, h, braked, barFrontShare)
    return 1 + f.members.length * r.members.length
  }

  private alike(axle: Axle, builds: readonly Build[]): Alike[] {
    const groups = new Map<string, Build[]>()
    for (const one of builds) {
      const key = `${this.numbersKey(one.weights.brake)}|${one.filling[`${axle}.wheel`]?.id}`
      const known = groups.get(key)
      if (known) known.push(one)
      else groups.set(key, [one])
    }
    return [...groups.values()].map((members): Alike => {
      const weights = members.map((one) => one.weights)
      const least = (of: (one: AxleWeights) => number | undefined) => Math.min(...weights.map((one) => of(one) ?? 0))
      const most = (of: (one: AxleWeights) => number | undefined) => Math.max(...weights.map((one) => of(one) ?? 0))
      return {
        members,
        wheel: members[0]!.filling[`${axle}.wheel`],
        comparable: weights.every((one) => this.comparable(one)),
        best: {
          ...weights[0]!,
          costMinor: least((one) => one.costMinor),
          gapMm: most((one) => one.gapMm),
          massKg: least((one) => one.massKg),
          ringKg: weights.every((one) => one.ringKg === undefined) ? undefined : most((one) => one.ringKg),
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
    if (by.includes('heat') && x.ringKg! < y.ringKg!) return false
    return (cost && y.costMinor! - x.costMinor! > CRITERIA.cost.tie) || (mass && y.massKg! - x.massKg! > CRITERIA.mass.tie)
  }
  /** Whether everything of a brake that is weighed is known: what is not neither beats nor is beaten. */
  private comparable({ brake, costMinor, gapMm, massKg, ringKg }: AxleWeights): boolean {
    const { by } = this.space.ask
    if (costMinor === undefined || (by.includes('gap') && gapMm === undefined) || (by.includes('mass') && massKg === undefined))
      return false
    if (by.includes('heat') && ringKg === undefined) return false
    return brake !== undefined || !(by.includes('heat') || by.includes('bias') || by.includes('pedal'))
  }
  /** What of a brake foot and balance see: its numbers, its caliper, what its hose takes of the stroke. */
  private brakeKey(axle: Axle, filling: Filling, { brake }: AxleWeights): string {
    const hose = filling[`${axle}.hose`]
    return `${this.numbersKey(brake)} ${filling[`${axle}.caliper`]?.id} ${hoseKey(hose)}`
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

  private look(f: Build, r: Build, h: Between, braked: Braked, barFrontShare: number | undefined): void {
    const { ask } = this.space
    const values = weigh(this.asked, { front: f.weights, rear: r.weights }, h.costMinor, braked)
    let filling: Filling | undefined = h.kits.length > 0 ? { ...f.filling, ...r.filling, ...h.filling } : undefined
    const priced = filling && wholeCost(this.space, filling)
    if (priced) values.cost = priced.minor
    const fails = this.failsMusts(values, braked)
    if (fails.length > 1 || fails.some((one) => !one.little)) {
      this.drop(fails[0]!.id, 1)
      return
    }
    const weighed = valuesOf(ask, values)
    if (fails.length === 0 && this.held.outdone(weighed)) return
    if (fails.length > 0 && !this.couldBeNear(values)) {
      this.drop(fails[0]!.id, 1)
      return
    }
    const key = `${f.key}|${r.key}|${h.key}|${barFrontShare}`
    const known = this.wholes.get(key)
    if (known?.drops !== undefined) {
      this.looked += 1
      this.drop(known.drops, 1)
      return
    }
    filling ??= { ...f.filling, ...r.filling, ...h.filling }
    let verdict = VERDICT_RANK[f.verdict] > VERDICT_RANK[r.verdict] ? f.verdict : r.verdict
    for (const { id, of } of this.carRules) {
      const found = of(filling)!.value
      if (drops(found, id, ask)) {
        this.drop(id, 1)
        return
      }
      if (VERDICT_RANK[found.verdict] > VERDICT_RANK[verdict]) verdict = found.verdict
    }
    if (ask.wholeKits && !cameWhole(this.kits, filling, ofKitsIn(this.space, filling, this.places))) {
      this.drop(WHOLE_KITS, 1)
      return
    }
    const found: Find = {
      parts: this.changed(filling),
      kits: priced?.kits ?? [...f.weights.kits, ...r.weights.kits],
      ...(barFrontShare === undefined ? {} : { barFrontShare }),
      values,
      pedalN: braked.pedalN,
      frontShare: braked.frontShare,
      verdict,
    }
    this.looked += 1
    const whole = known ?? this.pedalVerdict(filling, barFrontShare)
    if (!known) this.wholes.set(key, whole)
    if (whole.drops) {
      this.drop(whole.drops, 1)
      return
    }
    if (VERDICT_RANK[whole.verdict] > VERDICT_RANK[verdict]) found.verdict = whole.verdict
    if (fails.length > 0) {
      this.drop(fails[0]!.id, 1)
      this.keepNear({ fails: fails[0]!.words, ...found })
      return
    }
    this.held.add(weighed, found)
    if (!this.best || (weighed[0] ?? Infinity) * this.way < (valuesOf(ask, this.best.values)[0] ?? Infinity) * this.way) this.best = found
  }
  private get way(): 1 | -1 {
    return this.criteria[0]?.better === 'high' ? -1 : 1
  }

  /** Musts that fail, and whether by little. */
  private failsMusts({ cost }: Weighed, { pedalN, rearFirstG }: Braked): { id: string; little: boolean; words: string }[] {
    const { musts } = this.space.ask
    const fails: { id: string; little: boolean; words: string }[] = []
    if (musts.budgetMinor !== undefined && (cost === undefined || cost > musts.budgetMinor))
      fails.push({
        id: 'budget',
        little: cost !== undefined && cost <= musts.budgetMinor * (1 + LITTLE.budget),
        words:
          cost === undefined
            ? 'a price is missing'
            : `${formatMoney(cost - musts.budgetMinor, this.space.project.preferences.currency)} over the budget`,
      })
    if (musts.frontFirst && (rearFirstG === undefined ? musts.known : rearFirstG < FRONT_FIRST_TO_G))
      fails.push({
        id: 'front-first',
        little: rearFirstG !== undefined && rearFirstG >= LITTLE.frontFirstG,
        words: rearFirstG === undefined ? 'which axle locks first is not known' : `the rear first from ${rearFirstG.toFixed(2)} g`,
      })
    const { low, high } = this.asked.bandN
    if (musts.pedal && (pedalN === undefined ? musts.known : pedalN < low || pedalN > high))
      fails.push({
        id: 'pedal-band',
        little: pedalN !== undefined && pedalN >= low * (1 - LITTLE.pedal) && pedalN <= high * (1 + LITTLE.pedal),
        words: pedalN === undefined ? 'the pedal is not known' : `${Math.round(pedalN)} N at the pedal`,
      })
    return fails
  }

  /** How it brakes with the brakes of both axles in it, the bar of cylinders set that are searched for; what stands between is read once for each. */
  private brakedWith(h: Between, f: Alike, r: Alike): { braked: Braked; barFrontShare: number | undefined } {
    const { brake: front } = f.best
    const { brake: rear } = r.best
    if (!front || !rear) return { braked: NOT_BRAKED, barFrontShare: undefined }
    h.shell ??= { system: this.shell({ ...f.members[0]!.filling, ...r.members[0]!.filling, ...h.filling }) }
    const shell = h.shell.system
    if (!shell) return { braked: NOT_BRAKED, barFrontShare: undefined }
    const whole: BrakeSystem = { ...shell, front, rear }
    if (shell.master.kind !== 'twin' || !this.turnsBar(h.filling)) return { braked: brakedBy(this.asked, whole), barFrontShare: undefined }
    const { system, barFrontShare } = withBarSet(this.asked, whole)
    return { braked: brakedBy(this.asked, system), barFrontShare }
  }
  /** Cylinders that were searched for, or that the search came with, are set anew; where hydraulics stay, so does the bar. */
  private turnsBar({ masterCylinder }: Filling): boolean {
    return this.space.ask.vary.hydraulics || masterCylinder !== this.space.now.masterCylinder
  }
  /** Pedal, booster, master cylinder and valve, with whatever brakes. */
  private shell(filling: Filling): BrakeSystem | undefined {
    const context = this.contextOf(filling, this.turnsBar(filling) ? BAR_IN_THE_MIDDLE : undefined)
    const brakes = { front: axleBrake(context, 'front'), rear: axleBrake(context, 'rear') }
    return systemOf(new Working(), context, brakes)
  }
  /** A combination as a setup of its own, as it would be taken. */
  private contextOf(filling: Filling, barFrontShare: number | undefined): Context {
    const { project } = this.space
    const setup = setupOf(this.space, filling, 'search', 'Search', barFrontShare === undefined ? {} : { barFrontShare })
    return { project, setup, isStock: false, resolved: resolveSetup(project, setup) }
  }
  /** Pedal and balance with everything that is said of them; they see brakes by their numbers, and by what they take of the stroke. */
  private readonly wholes = new Map<string, Whole>()
  private pedalVerdict(filling: Filling, barFrontShare: number | undefined): Whole {
    let verdict: Ruled['verdict'] = 'fits'
    const ends = (one: Finding) => drops({ verdict: one.verdict, piece: false }, one.rule, this.space.ask)
    for (const one of pedalFindings(this.contextOf(filling, barFrontShare), this.onTheCar, ends)) {
      // what the pedal feels like is weighed, and asked for apart
      if (one.rule === 'pedal-effort') continue
      if (ends(one)) return { verdict: one.verdict, drops: one.rule }
      if (VERDICT_RANK[one.verdict] > VERDICT_RANK[verdict]) verdict = one.verdict
    }
    return { verdict }
  }

  private changed(filling: Filling): Find['parts'] {
    const { now: before } = this.space
    const parts: Find['parts'] = {}
    for (const name of Object.keys(filling) as PlaceName[]) {
      const part = filling[name]
      if (part !== undefined && part?.id !== before[name]?.id) parts[name] = part === null ? null : part.id
    }
    return parts
  }
  private couldBeNear({ cost }: Weighed): boolean {
    const worst = this.near[MOST_NEAR - 1]
    return !worst || (cost ?? Infinity) < (worst.values.cost ?? Infinity)
  }
  private keepNear(one: NearMiss): void {
    this.near.push(one)
    this.near.sort((a, b) => (a.values.cost ?? Infinity) - (b.values.cost ?? Infinity))
    this.near.splice(MOST_NEAR)
  }

  result(builds: Record<Axle, Builds>): SearchResult {
    const { ask, options } = this.space
    const all = fewestChanges(
      ask,
      this.held.result().map((one) => one.row),
    )
    const first = ask.by[0]
    const rank = (one: Find) => ((first && one.values[first]) ?? Infinity) * this.way
    all.sort((a, b) => rank(a) - rank(b))
    const names = Object.keys(options) as PlaceName[]
    // the wheel is chosen once for both axles
    const product = names.reduce(
      (count, name) => (name === 'rear.wheel' && ask.vary.wheel ? count : count * Math.max(1, options[name].length)),
      1,
    )
    return {
      ask,
      counts: {
        combinations: product,
        axles: { front: builds.front.count, rear: builds.rear.count },
        together: togetherOf(this.space, builds),
        looked: this.looked,
        found: all.length,
      },
      finds: all.slice(0, MOST_FINDS),
      more: Math.max(0, all.length - MOST_FINDS),
      dropped: [...this.counts]
        .map(([rule, count]) => ({ rule, title: TITLES.get(rule) ?? rule, count }))
        .sort((a, b) => b.count - a.count),
      near: this.near,
    }
  }
}
const NOT_BRAKED: Braked = { frontShare: undefined, pedalN: undefined, rearFirstG: undefined }
const BAR_IN_THE_MIDDLE = 0.5
/** What stands between the axles and is searched for. */
const betweenKey = ({ masterCylinder, booster, valve }: Filling): string => `${masterCylinder?.id} ${booster?.id} ${valve?.id}`
/** What a hose takes of the stroke. */
const hoseKey = (hose: Part | null | undefined): string =>
  hose?.kind === 'hose' ? `${hose.construction} ${hose.lengthMm?.value}` : `${hose?.id}`
const TITLES: ReadonlyMap<string, string> = new Map([
  ...Object.entries(RULE_TITLES),
  ...[...AXLE_RULES, ...CAR_RULES].map(({ id, title }): [string, string] => [id, title]),
  [WHOLE_KITS, 'Kits and donors only whole'],
  ['budget', 'The budget'],
  ['front-first', 'The front wheels first'],
  ['pedal-band', 'The usual pedal'],
])

function togetherOf({ ask, options }: Space, { front, rear }: Record<Axle, Builds>): number {
  const between = HYDRAULIC_NAMES.reduce((count, name) => count * options[name].length, 1)
  if (!ask.vary.wheel) return front.count * rear.count * between
  return between * [...rear.under].reduce((sum, [wheel, count]) => sum + count * (front.under.get(wheel) ?? 0), 0)
}
