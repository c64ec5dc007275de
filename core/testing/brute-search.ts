import { unbeaten } from '../search/pareto.ts'

import { AXLES, type Part, type Project } from '../model/project.ts'
import { resolveSetup } from '../model/resolve.ts'
import type { Context } from '../report/figure/read.ts'
import { worstVerdict } from '../report/figure/words.ts'
import { Working } from '../report/figure/working.ts'
import { systemOf } from '../report/brake/brake-system.ts'
import { axleBrake } from '../report/brake/brake.ts'
import { pedalFindings } from '../report/balance/pedal-findings.ts'
import { gapAsItIs } from '../report/corner/corner.ts'
import { AXLE_RULES, CAR_RULES, drops, ruledBy } from '../report/decide/dropped.ts'
import { factsOf } from '../report/fit/fit-check.ts'
import { axleWeights, brakedBy, brakeOf, carAsked, FRONT_FIRST_TO_G, weigh, wholeCost, withBarSet } from '../report/decide/figures-of.ts'
import { criteriaOf, fewestChanges, valuesOf, type Find } from '../report/decide/found.ts'
import { AXLE_ORDER, HYDRAULIC_NAMES, setupOf, spaceOf, type Filling, type PlaceName, type SearchAsk } from '../report/decide/space.ts'

/**
 * The same question without joining, remembering or leaving out: each combination is made into a setup, and that setup is
 * looked at. For small libraries.
 */
export function bruteSearch(project: Project, ask: SearchAsk): { finds: Find[]; together: number } {
  const space = spaceOf(project, ask)
  const { options, base, stock } = space
  const asked = carAsked(project, { project, setup: stock, isStock: true, resolved: resolveSetup(project, base) })
  const names: PlaceName[] = [
    ...AXLE_ORDER.map((slot): PlaceName => `front.${slot}`),
    ...AXLE_ORDER.map((slot): PlaceName => `rear.${slot}`),
    ...HYDRAULIC_NAMES,
  ]
  const finds: Find[] = []
  let together = 0
  /** Where the bar of cylinders is set that are searched for. */
  const barFor = (filling: Filling): number | undefined => {
    const { masterCylinder } = filling
    if (masterCylinder?.kind !== 'masterCylinder' || masterCylinder.construction !== 'twin') return undefined
    if (masterCylinder.id === space.now.masterCylinder?.id && !ask.vary.hydraulics) return undefined
    const setup = setupOf(space, filling, 'search', 'Search', { barFrontShare: 0.5 })
    const context: Context = { project, setup, isStock: false, resolved: resolveSetup(project, setup) }
    const system = systemOf(new Working(), context, { front: axleBrake(context, 'front'), rear: axleBrake(context, 'rear') })
    return system && withBarSet(asked, system).barFrontShare
  }
  const inKits = new Set([...space.kits.front, ...space.kits.rear].flatMap(({ bundle }) => bundle.parts))
  /** Whether all that is new and of a kit came with one that is in whole: asked of the bundles themselves. */
  const allCameWhole = (filling: Filling): boolean => {
    const holds = (place: PlaceName, id: string) => filling[place]?.id === id
    const whole = project.bundles.filter((bundle) =>
      bundle.parts.every((id) => names.some((place) => (!place.includes('.') || place.startsWith(bundle.axle)) && holds(place, id))),
    )
    return names.every((place) => {
      const part = filling[place]
      const [axle, slot] = place.split('.') as ['front' | 'rear', 'caliper' | undefined]
      const before = slot
        ? [space.baseParts[axle][slot], space.stockParts[axle][slot]]
        : [space.now[place], space.stockParts[place as 'valve']]
      if (!part || !inKits.has(part.id) || part.owned || before.some((one) => one?.id === part.id)) return true
      return whole.some((bundle) => bundle.parts.includes(part.id) && (!slot || bundle.axle === axle || place.endsWith('wheel')))
    })
  }
  const look = (filling: Filling) => {
    const barFrontShare = barFor(filling)
    const setup = setupOf(space, filling, 'search', 'Search', barFrontShare === undefined ? {} : { barFrontShare })
    const context: Context = { project, setup, isStock: false, resolved: resolveSetup(project, setup) }
    const gaps = { front: gapAsItIs(context, 'front'), rear: gapAsItIs(context, 'rear') }
    const ruled = [
      ...AXLES.flatMap((axle) => AXLE_RULES.map((rule) => ({ id: rule.id as string, ...ruledBy(rule, factsOf(context, axle)) }))),
      ...AXLES.map((axle) => ({ id: 'wheel-clearance', verdict: gaps[axle].verdict, piece: false })),
    ]
    if (ruled.some((one) => drops(one, one.id, ask))) return
    together += 1
    const ofCar = CAR_RULES.map((rule) => ({ id: rule.id as string, ...ruledBy(rule, factsOf(context, 'front')) }))
    const pedal = pedalFindings(context).map((one) => ({ id: one.rule as string, verdict: one.verdict, piece: false }))
    if ([...ofCar, ...pedal].some((one) => drops(one, one.id, ask))) return
    if (ask.wholeKits && !allCameWhole(filling)) return
    const brakes = { front: axleBrake(context, 'front'), rear: axleBrake(context, 'rear') }
    const braked = brakedBy(asked, systemOf(new Working(), context, brakes))
    const weights = (axle: 'front' | 'rear') => axleWeights(space, filling, axle, brakeOf(context, axle), gaps[axle])
    const both = { front: weights('front'), rear: weights('rear') }
    const cost = wholeCost(space, filling)
    const values = { ...weigh(asked, both, 0, braked), cost: cost.minor }
    const { musts } = ask
    const { low, high } = asked.bandN
    if (musts.budgetMinor !== undefined && (values.cost === undefined || values.cost > musts.budgetMinor)) return
    if (musts.frontFirst && (braked.rearFirstG === undefined ? musts.known : braked.rearFirstG < FRONT_FIRST_TO_G)) return
    if (musts.pedal && (braked.pedalN === undefined ? musts.known : braked.pedalN < low || braked.pedalN > high)) return
    const parts: Find['parts'] = {}
    for (const name of names) {
      const part = filling[name]
      if (part !== undefined && part?.id !== options[name][0]?.id) parts[name] = part === null ? null : part.id
    }
    const verdict = worstVerdict([...ruled, ...ofCar, ...pedal].map((one) => one.verdict))
    finds.push({
      parts,
      kits: cost.kits,
      ...(barFrontShare === undefined ? {} : { barFrontShare }),
      values,
      pedalN: braked.pedalN,
      frontShare: braked.frontShare,
      verdict,
    })
  }
  const fill = (depth: number, filling: Filling) => {
    const name = names[depth]
    if (!name) return look(filling)
    for (const part of options[name] as (Part | null | undefined)[]) {
      if (ask.vary.wheel && name === 'rear.wheel' && part?.id !== filling['front.wheel']?.id) continue
      fill(depth + 1, { ...filling, [name]: part })
    }
  }
  fill(0, {})
  return {
    finds: fewestChanges(
      ask,
      unbeaten(finds, (one) => valuesOf(ask, one.values), criteriaOf(ask)),
    ),
    together,
  }
}
