import type { BrakeSystem } from '../hydraulics/maths/system.ts'
import { resolveSetup } from '../records/resolve.ts'
import { pedalFindings, stockBrakes } from '../balance/pedal-findings.ts'
import { axleBrake } from '../hydraulics/brake.ts'
import { systemOf } from '../hydraulics/brake-system.ts'
import type { FigureCheck } from '../figures/check-result.ts'
import type { Context } from '../figures/read.ts'
import { VERDICT_RANK } from '../figures/words.ts'
import { Working } from '../figures/working.ts'
import type { EquivalenceClass } from './axle-builds.ts'
import type { Between } from './between.ts'
import { rejects, type Ruled } from './rejections.ts'
import { brakedBy, carAsked, withBarSet, type AssignedBrakes, type CarAsked } from './figures-of.ts'
import { setupOf, type Assignment, type SearchSpace } from './search-space.ts'

const NOT_BRAKED: AssignedBrakes = { frontShare: undefined, pedalN: undefined, rearFirstG: undefined }
const BAR_IN_THE_MIDDLE = 0.5

interface Whole {
  verdict: Ruled['verdict']
  /** The rule that it ends at; absent: none. */
  drops?: string
}

/** A car with the brakes of both axles and what stands between: foot and balance. */
export class WholeCar {
  readonly asked: CarAsked
  private readonly onTheCar
  private readonly wholes = new Map<string, Whole>()

  constructor(private readonly space: SearchSpace) {
    const { project, base, stock } = space
    this.onTheCar = stockBrakes(project)
    this.asked = carAsked(project, { project, setup: stock, isStock: true, resolved: resolveSetup(project, base) })
  }

  /** How it brakes with the brakes of both axles in it, the bar of cylinders set that are searched for; what stands between is read once for each. */
  brakedWith(h: Between, f: EquivalenceClass, r: EquivalenceClass): { braked: AssignedBrakes; barFrontShare: number | undefined } {
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
  private turnsBar({ masterCylinder }: Assignment): boolean {
    return this.space.ask.vary.hydraulics || masterCylinder !== this.space.now.masterCylinder
  }
  /** Pedal, booster, master cylinder and valve, with whatever brakes. */
  private shell(filling: Assignment): BrakeSystem | undefined {
    const context = this.contextOf(filling, this.turnsBar(filling) ? BAR_IN_THE_MIDDLE : undefined)
    const brakes = { front: axleBrake(context, 'front'), rear: axleBrake(context, 'rear') }
    return systemOf(new Working(), context, brakes)
  }
  /** A combination as a setup of its own, as it would be taken. */
  private contextOf(filling: Assignment, barFrontShare: number | undefined): Context {
    const { project } = this.space
    const setup = setupOf(this.space, filling, 'search', 'Search', barFrontShare === undefined ? {} : { barFrontShare })
    return { project, setup, isStock: false, resolved: resolveSetup(project, setup) }
  }
  /** What was found of a combination that foot and balance see as the same. */
  known(key: string): Whole | undefined {
    return this.wholes.get(key)
  }
  /** Pedal and balance with everything that is said of them; they see brakes by their numbers, and by what they take of the stroke. */
  verdictOf(key: string, filling: Assignment, barFrontShare: number | undefined): Whole {
    const whole = this.pedalVerdict(filling, barFrontShare)
    this.wholes.set(key, whole)
    return whole
  }
  private pedalVerdict(filling: Assignment, barFrontShare: number | undefined): Whole {
    let verdict: Ruled['verdict'] = 'fits'
    const ends = (one: FigureCheck) => rejects({ verdict: one.verdict, piece: false }, one.rule, this.space.ask)
    for (const one of pedalFindings(this.contextOf(filling, barFrontShare), this.onTheCar, ends)) {
      if (ends(one)) return { verdict: one.verdict, drops: one.rule }
      if (VERDICT_RANK[one.verdict] > VERDICT_RANK[verdict]) verdict = one.verdict
    }
    return { verdict }
  }
}
