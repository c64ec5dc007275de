import type { Axle } from '../quantity/axle.ts'
import type { TrialFit } from '../records/setup.ts'
import type { Context } from '../figures/read.ts'
import type { Corner } from './half-section.ts'

/** A trial fit counts for the very parts it was made with, whichever setup it was entered in. */
export function matchingTrialFit(context: Context, axle: Axle, spacerMm: number | undefined): TrialFit | undefined {
  const { caliper, wheel, rotor, pad, bracket, shimMm } = context.resolved[axle]
  if (spacerMm === undefined) return undefined
  const matches = (fit: TrialFit) =>
    fit.caliper === caliper?.id &&
    fit.wheel === wheel?.id &&
    Math.abs(fit.spacerMm - spacerMm) < 0.05 &&
    (fit.rotor === undefined || fit.rotor === rotor?.id) &&
    (fit.pad === undefined || fit.pad === pad?.id) &&
    (fit.bracket === undefined || fit.bracket === (bracket?.id ?? null)) &&
    (fit.shimMm === undefined || fit.shimMm === shimMm) &&
    fit.face === wheel?.faceChosen &&
    Math.abs((fit.weightsMm ?? 0) - (wheel?.weightThicknessMm?.value ?? 0)) < 0.05
  const own = context.setup[axle].trialFit
  if (own && matches(own)) return own
  return context.project.setups.map((setup) => setup[axle].trialFit).find((fit) => fit && matches(fit))
}

/** What is said of a trial fit of this setup that was made with something else. */
export function staleTrial(context: Context, axle: Axle, spacerMm: number | undefined): Corner['trial'] {
  const own = context.setup[axle].trialFit
  if (!own || matchingTrialFit(context, axle, spacerMm)) return undefined
  return {
    sentence: 'The trial fit was made with other parts, another face height, other weights or another spacer and does not count here.',
    agree: true,
  }
}
