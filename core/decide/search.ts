import { ParetoFront, type Criterion, type CriterionValues } from './maths/pareto.ts'
import type { Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import { AxleBuilds, type EquivalenceClass, type Build, type Builds } from './axle-builds.ts'
import type { WatchedRule } from './axle-walk.ts'
import { betweenOf, type Between } from './between.ts'
import { enoughOf, type Enough } from './criteria.ts'
import { DependencyMemo } from './dependency-memo.ts'
import { CAR_RULES, rejects, ruledBy } from './rejections.ts'
import { weigh, wholeCost, type AssignedBrakes, type Weighed } from './figures-of.ts'
import {
  criteriaOf,
  fewestChanges,
  valuesOf,
  type SearchResult,
  type NearMiss,
  type SearchProgress,
  type SearchReport,
} from './search-report.ts'
import { cameWhole, type PlacedKit } from './kits.ts'
import { failedConstraint, LITTLE } from './constraints.ts'
import {
  HYDRAULIC_NAMES,
  isCurrentCar,
  ofKitsIn,
  spaceOf,
  type Assignment,
  type SlotId,
  type SearchQuery,
  type SearchSpace,
} from './search-space.ts'
import { Tally, WHOLE_KITS } from './tally.ts'
import { consumablesCost } from './consumables.ts'
import { WholeCar } from './whole-car.ts'
export type { Rejection, SearchResult, NearMiss, SearchCounts, SearchProgress, SearchReport } from './search-report.ts'

export const MOST_FINDS = 50
const MOST_NEAR = 10
/** Combinations between two words on how far it is. */
const SAY_EVERY = 4000

/**
 * Everything that can be built from the library, exactly: brakes of each axle are joined from parts that go together, pairs of
 * them with what stands between, and what something beats is left out as soon as nothing that is still open can save it.
 * Says on the way how far it is; nothing of the project is changed.
 *
 * @throws RangeError when the project has no such setup
 */
export function* searching(project: Project, ask: SearchQuery): Generator<SearchProgress, SearchReport> {
  const space = spaceOf(project, ask)
  const search = new Search(space)
  const builds = { front: search.builds.front.all(), rear: search.builds.rear.all() }
  yield { done: 0.1, best: undefined }
  yield* search.pairs(builds)
  return search.result(builds)
}

/**
 * What is weighed of everything that could beat another: of combinations that keep all musts those that none covers.
 * @throws RangeError when the project has no such setup
 */
export function uncovered(project: Project, ask: SearchQuery): readonly CriterionValues[] {
  const search = new Search(spaceOf(project, ask))
  for (const _ of search.pairs({ front: search.builds.front.all(), rear: search.builds.rear.all() }));
  return search.uncovered
}

/** The whole search at once. */
export function search(project: Project, ask: SearchQuery): SearchReport {
  const going = searching(project, ask)
  for (;;) {
    const { done, value } = going.next()
    if (done) return value
  }
}

class Search {
  readonly builds: Record<Axle, AxleBuilds>
  private readonly tally = new Tally()
  private readonly car: WholeCar
  private readonly carRules: WatchedRule[]
  private readonly held: ParetoFront<SearchResult>
  private readonly near: NearMiss[] = []
  private looked = 0
  private best: SearchResult | undefined
  private readonly criteria: Criterion[]
  private readonly enough: Enough
  /** Kits and donors of both axles, and every place that a part may be new in. */
  private readonly kits: readonly PlacedKit[]
  private readonly places: readonly SlotId[]

  constructor(private readonly space: SearchSpace) {
    const { ask, kits, options } = space
    const readings = new DependencyMemo(space)
    this.kits = [...kits.front, ...kits.rear]
    this.places = Object.keys(options) as SlotId[]
    const of = (axle: Axle) => new AxleBuilds(space, axle, this.tally, readings)
    this.builds = { front: of('front'), rear: of('rear') }
    this.carRules = CAR_RULES.map((rule) => ({ id: rule.id, of: readings.remember((_, facts) => ruledBy(rule, facts.front)) }))
    this.criteria = criteriaOf(ask)
    this.enough = enoughOf(space.project)
    this.held = new ParetoFront<SearchResult>(this.criteria)
    this.car = new WholeCar(space)
  }

  get uncovered(): readonly CriterionValues[] {
    return this.held.uncovered
  }

  *pairs({ front, rear }: Record<Axle, Builds>): Generator<SearchProgress, void> {
    const { ask } = this.space
    const all = betweenOf(this.space, this.carRules)
    const between = all.filter((one) => one.ends === undefined)
    let pairs = 0
    const leastMinor = Math.min(...all.map((one) => (one.costMinor ?? 0) - one.savesMinor))
    const mostMinor = (ask.musts.budgetMinor ?? Infinity) * (1 + LITTLE.budget)
    const alike = { front: this.builds.front.alike(front.lean), rear: this.builds.rear.alike(rear.lean) }
    let since = 0
    for (const [i, f] of alike.front.entries()) {
      for (const r of alike.rear) {
        // the wheel is one for the whole car where it is searched for
        if (ask.vary.wheel && f.wheel !== r.wheel) continue
        if (
          (f.best.costMinor ?? 0) + (r.best.costMinor ?? 0) + leastMinor - this.mostShared(f, r) + this.leastConsumables(f, r) >
          mostMinor
        ) {
          this.tally.drop('budget', f.members.length * r.members.length * between.length)
          continue
        }
        pairs += f.members.length * r.members.length
        for (const h of between) since += this.lookAtAlike(f, r, h)
        if (since < SAY_EVERY) continue
        since = 0
        yield { done: 0.1 + (0.9 * i) / alike.front.length, best: this.best }
      }
    }
    for (const { ends } of all) if (ends !== undefined && pairs > 0) this.tally.drop(ends, pairs)
  }

  /** Brakes of two axles that are alike to foot and balance: their shares are reckoned once for all of them. @returns how much was done */
  private lookAtAlike(f: EquivalenceClass, r: EquivalenceClass, h: Between): number {
    const { braked, barFrontShare } = this.car.brakedWith(h, f, r)
    if (f.comparable && r.comparable) {
      // none of them can be better than the best of each together
      const least = h.costMinor === undefined ? undefined : h.costMinor - h.savesMinor - this.mostShared(f, r) + this.leastConsumables(f, r)
      const bound: Weighed = weigh(this.car.asked, { front: f.best, rear: r.best }, least, braked)
      if (this.held.isDominated(valuesOf(this.space.ask, bound, this.enough))) return 1
      const fails = failedConstraint(this.space, this.car.asked.bandN, bound, braked).find((one) => one.id !== 'budget')
      // what no other member would change
      if (fails && !fails.little) {
        this.tally.drop(fails.id, f.members.length * r.members.length)
        return 1
      }
    }
    for (const one of f.members) for (const other of r.members) this.look(one, other, h, braked, barFrontShare)
    return 1 + f.members.length * r.members.length
  }

  /** The least that consumables cost, minor units: the current car takes none. */
  private leastConsumables(f: EquivalenceClass, r: EquivalenceClass): number {
    return f.asNow && r.asNow ? 0 : this.space.consumablesMinor
  }

  /** The most that both axles save by packs that serve both, minor units: one pack of each part. */
  private mostShared(f: EquivalenceClass, r: EquivalenceClass): number {
    let minor = 0
    for (const id of f.packed) if (r.packed.has(id)) minor += this.space.packs.get(id)!
    return minor
  }

  private look(f: Build, r: Build, h: Between, braked: AssignedBrakes, barFrontShare: number | undefined): void {
    const { ask } = this.space
    const values = weigh(this.car.asked, { front: f.weights, rear: r.weights }, h.costMinor, braked)
    const shares = f.packed.some((id) => r.packed.includes(id))
    let filling: Assignment | undefined = h.kits.length > 0 || shares ? { ...f.filling, ...r.filling, ...h.filling } : undefined
    const priced = filling && wholeCost(this.space, filling)
    if (priced) values.cost = priced.minor
    const asNow = f.asNow && r.asNow && isCurrentCar(this.space, h.filling)
    if (values.cost !== undefined && !asNow) values.cost += this.space.consumablesMinor
    const fails = failedConstraint(this.space, this.car.asked.bandN, values, braked)
    if (fails.length > 1 || fails.some((one) => !one.little)) {
      this.tally.drop(fails[0]!.id, 1)
      return
    }
    const weighed = valuesOf(ask, values, this.enough)
    if (fails.length === 0 && this.held.isDominated(weighed)) return
    if (fails.length > 0 && !this.couldBeNear(values)) {
      this.tally.drop(fails[0]!.id, 1)
      return
    }
    const key = `${f.key}|${r.key}|${h.key}|${barFrontShare}`
    const known = this.car.known(key)
    if (known?.drops !== undefined) {
      this.looked += 1
      this.tally.drop(known.drops, 1)
      return
    }
    filling ??= { ...f.filling, ...r.filling, ...h.filling }
    let verdict = VERDICT_RANK[f.verdict] > VERDICT_RANK[r.verdict] ? f.verdict : r.verdict
    for (const { id, of } of this.carRules) {
      const found = of(filling)!.value
      if (rejects(found, id, ask)) {
        this.tally.drop(id, 1)
        return
      }
      if (VERDICT_RANK[found.verdict] > VERDICT_RANK[verdict]) verdict = found.verdict
    }
    if (ask.wholeKits && !cameWhole(this.kits, filling, ofKitsIn(this.space, filling, this.places))) {
      this.tally.drop(WHOLE_KITS, 1)
      return
    }
    const found: SearchResult = {
      parts: this.changed(filling),
      kits: priced?.kits ?? [...f.weights.kits, ...r.weights.kits],
      ...(barFrontShare === undefined ? {} : { barFrontShare }),
      values,
      pedalN: braked.pedalN,
      frontShare: braked.frontShare,
      verdict,
    }
    this.looked += 1
    const whole = known ?? this.car.verdictOf(key, filling, barFrontShare)
    if (whole.drops) {
      this.tally.drop(whole.drops, 1)
      return
    }
    if (VERDICT_RANK[whole.verdict] > VERDICT_RANK[verdict]) found.verdict = whole.verdict
    if (fails.length > 0) {
      this.tally.drop(fails[0]!.id, 1)
      this.keepNear({ fails: fails[0]!.words, ...found })
      return
    }
    this.held.add(weighed, found)
    if (!this.best || (weighed[0] ?? Infinity) * this.way < (valuesOf(ask, this.best.values, this.enough)[0] ?? Infinity) * this.way)
      this.best = found
  }
  private get way(): 1 | -1 {
    return this.criteria[0]?.better === 'high' ? -1 : 1
  }

  private changed(filling: Assignment): SearchResult['parts'] {
    const { now: before } = this.space
    const parts: SearchResult['parts'] = {}
    for (const name of Object.keys(filling) as SlotId[]) {
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

  result(builds: Record<Axle, Builds>): SearchReport {
    const { ask, options } = this.space
    const all = fewestChanges(
      ask,
      this.held.result().map((one) => one.row),
      this.enough,
    )
    const first = ask.by[0]
    const rank = (one: SearchResult) => ((first && one.values[first]) ?? Infinity) * this.way
    all.sort((a, b) => rank(a) - rank(b))
    const names = Object.keys(options) as SlotId[]
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
      dropped: this.tally.list(),
      consumables: {
        labels: this.space.consumables.map((line) => line.label),
        ...consumablesCost(this.space.consumables, this.space.project.preferences),
      },
      near: this.near,
    }
  }
}
function togetherOf({ ask, options }: SearchSpace, { front, rear }: Record<Axle, Builds>): number {
  const between = HYDRAULIC_NAMES.reduce((count, name) => count * options[name].length, 1)
  if (!ask.vary.wheel) return front.count * rear.count * between
  return between * [...rear.under].reduce((sum, [wheel, count]) => sum + count * (front.under.get(wheel) ?? 0), 0)
}
