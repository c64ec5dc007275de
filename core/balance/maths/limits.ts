import { invertChain } from '../../hydraulics/maths/pedal-force.ts'
import { STANDARD_GRAVITY } from '../../quantity/units.ts'
import { adhesionOf, liftsRearAtG, loadsOf, type Extras } from './adhesion.ts'
import type { Mass } from '../../hydraulics/maths/mass.ts'
import type { BestDeceleration } from './constant-split.ts'
import type { BrakeSystem } from '../../hydraulics/maths/system.ts'

const STEP_G = 0.02
const MOST_G = 3
const PRECISION_G = 1e-9

/**
 * The best deceleration with no wheel locked on a friction, for any system: the first z at which an axle uses what the
 * tyre gives. (UN Regulation No. 13-H, Annex 5: adhesion utilised.)
 *
 * @returns undefined when the brakes give no deceleration at all
 */
export function bestWithoutLock(system: BrakeSystem, mass: Mass, friction: number, extras: Extras = {}): BestDeceleration | undefined {
  return firstLock(adhesionOf(system, mass, extras), friction)
}

/**
 * The same where one front and one rear wheel brake alone, as when one of two diagonal circuits is lost: half the
 * braking shifts half the load, so with a share b at the front each is limited by k (phi/2)/(b - k chi/2) and
 * k ((1 - phi)/2)/((1 - b) + k chi/2).
 */
export function bestOnDiagonal(system: BrakeSystem, mass: Mass, friction: number): BestDeceleration | undefined {
  const weightN = mass.massKg * STANDARD_GRAVITY
  const [stop, loads] = [invertChain(system), loadsOf(mass)]
  return firstLock((decelG) => {
    // both circuits together would give twice the force
    const at = stop(2 * weightN * decelG)
    if (!at) return undefined
    const load = loads(decelG)
    const front = at.frontN / load.front
    const rear = load.rear > 0 ? at.rearN / load.rear : Infinity
    return { front, rear, locksFirst: front > rear ? 'front' : 'rear' }
  }, friction)
}

interface AloneG {
  decelG: number
  /** Nothing is left on the rear wheels before the tyre gives out. */
  lifts: boolean
}

/**
 * What one axle braking alone reaches on a friction, g: front k phi/(1 - k chi), rear k (1 - phi)/(1 + k chi). Where
 * k chi comes near 1 the front's tyres never give out: the rear lifts.
 */
export function axleAlone(axle: 'front' | 'rear', mass: Mass, friction: number): AloneG {
  const chi = mass.cgHeightMm / mass.wheelbaseMm
  if (axle === 'rear') return { decelG: (friction * (1 - mass.staticFront)) / (1 + friction * chi), lifts: false }
  const liftG = liftsRearAtG(mass)
  const tyreG = friction * chi < 1 ? (friction * mass.staticFront) / (1 - friction * chi) : Infinity
  return tyreG < liftG ? { decelG: tyreG, lifts: false } : { decelG: liftG, lifts: true }
}

type Uses = { front: number; rear: number; locksFirst: 'front' | 'rear' }

function firstLock(adhesion: (decelG: number) => Uses | undefined, friction: number): BestDeceleration | undefined {
  const over = (decelG: number) => {
    const at = adhesion(decelG)
    return at === undefined ? undefined : { by: Math.max(at.front, at.rear) - friction, axle: at.locksFirst }
  }
  let below = 0
  for (let z = STEP_G; z <= MOST_G; z += STEP_G) {
    const here = over(z)
    if (here === undefined) return below === 0 ? undefined : done(below, friction, 'front')
    if (here.by >= 0) {
      let above = z
      while (above - below > PRECISION_G) {
        const middle = (above + below) / 2
        if ((over(middle)?.by ?? 0) >= 0) above = middle
        else below = middle
      }
      return done(below, friction, over(above)?.axle ?? here.axle)
    }
    below = z
  }
  return done(below, friction, 'front')
}

const done = (decelG: number, friction: number, axle: 'front' | 'rear'): BestDeceleration => ({
  friction,
  decelG,
  axle,
  efficiency: decelG / friction,
})

/** Named in the regulation, for cars without anti-lock; they inform and approve nothing. */
export const CRITERIA = {
  order: { name: 'Front before rear from 0.15 to 0.80 g', source: 'UN Regulation No. 13-H, Annex 5, 3.1 (A)' },
  use: { name: 'Both curves below (z + 0.04) / 0.7', source: 'UN Regulation No. 13-H, Annex 5, 3.1 (B)' },
} as const
type LockCriterionId = keyof typeof CRITERIA

export interface CriterionFound {
  id: LockCriterionId
  holds: boolean
  /** The first deceleration at which it does not, g. */
  firstG: number | undefined
}

const SCAN_G = 0.005

/**
 * The two criteria of the adhesion curves, scanned in steps of 0.005 g.
 * @returns undefined when the brakes give no deceleration
 */
export function criteria(system: BrakeSystem, mass: Mass, extras: Extras = {}): CriterionFound[] | undefined {
  const broken: Record<LockCriterionId, number | undefined> = { order: undefined, use: undefined }
  const adhesion = adhesionOf(system, mass, extras)
  let any = false
  for (let i = 0; i <= 160; i += 1) {
    const decelG = 0.15 + i * SCAN_G * 0.8125
    const at = adhesion(decelG)
    if (!at) break
    any = true
    if (broken.order === undefined && at.rear >= at.front) broken.order = decelG
    // k from 0.2 to 0.8, that is z from 0.1 to 0.52
    const k = (decelG + 0.04) / 0.7
    if (broken.use === undefined && k <= 0.8 && Math.max(at.front, at.rear) > k) broken.use = decelG
  }
  if (!any) return undefined
  return (Object.keys(CRITERIA) as LockCriterionId[]).map((id) => ({ id, holds: broken[id] === undefined, firstG: broken[id] }))
}
