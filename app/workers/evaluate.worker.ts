import { expose } from 'comlink'
import type { Axle } from '../../core/quantity/axle.ts'
import type { Project } from '../../core/records/project.ts'
import { balanceReport, type BalanceOptions, type BalanceReport } from '../../core/balance/balance-report.ts'
import { boreReport, type BoreOptions, type BoreReport } from '../../core/balance/bore-report.ts'
import { uncertaintyOf, type UncertaintyReport } from '../../core/uncertainty/uncertainty-report.ts'
import { heatBrief, type HeatBrief } from '../../core/heat/heat-brief.ts'
import { heatLeverSteps, type HeatAdjustments } from '../../core/heat/heat-adjustments.ts'
import { heatReport, type HeatReport } from '../../core/heat/heat-report.ts'
import { judgedAdjustments } from '../../core/evaluate/judged-adjustments.ts'
import type { AdjustmentReport } from '../../core/whatif/adjustments.ts'
import { bundleOffers, type BundleOffer } from '../../core/decide/bundle-offers.ts'
import { judgedCandidates } from '../../core/evaluate/judged-candidates.ts'
import type { Candidate } from '../../core/whatif/candidates.ts'
import { compareBrakes } from '../../core/decide/compare-brakes.ts'
import { compareWheels, smallestRim, type PairingRow, type RimHint } from '../../core/whatif/compare-wheels.ts'
import { evaluate } from '../../core/evaluate/evaluate.ts'
import { evaluateAll, isReport, remembering, type FailedReport } from '../../core/evaluate/evaluate-all.ts'
import type { Precision } from '../../core/clearance/judge.ts'
import type { Report } from '../../core/evaluate/report.ts'
import { answering } from './project-delta.ts'

/** Whether a long work goes on. */
export type Onward = (share: number) => boolean | Promise<boolean>

const evaluateChanged = remembering()

const api = {
  /** Reports of all setups, or of some, the car as it stands first; one that fails leaves the others. */
  reports: (project: Project, only?: readonly string[]): { reports: Report[]; failed: FailedReport[] } => {
    const all = (only ?? [undefined]).flatMap((id) => evaluateAll(project, id, evaluateChanged))
    return { reports: all.filter(isReport), failed: all.filter((one) => !isReport(one)) as FailedReport[] }
  },
  report: (project: Project, setupId: string, precision: Precision): Report => evaluate(project, setupId, { precision }),
  wheels: (project: Project, setupId: string, axle: Axle): { rows: PairingRow[]; rim: RimHint } => ({
    rows: compareWheels(project, setupId, axle),
    rim: smallestRim(project, setupId, axle),
  }),
  candidates: (project: Project, setupId: string): Candidate[] => judgedCandidates(project, setupId),
  balance: (project: Project, setupId: string, options: BalanceOptions): BalanceReport => balanceReport(project, setupId, options),
  bores: (project: Project, setupId: string, options: BoreOptions): BoreReport => boreReport(project, setupId, options),
  levers: (project: Project, setupId: string): AdjustmentReport => judgedAdjustments(project, setupId),
  heat: (project: Project, setupId: string, dutyId: string): HeatReport => heatReport(project, setupId, dutyId),
  /** @param onward told before each change what share of them is done; false ends it, and nothing comes back */
  heatLevers: async (project: Project, setupId: string, dutyId: string, onward: Onward): Promise<HeatAdjustments | undefined> => {
    const steps = heatLeverSteps(project, setupId, dutyId)
    for (;;) {
      const step = steps.next()
      if (step.done) return step.value
      if (!(await onward(step.value))) return undefined
    }
  },
  /** Of the setup that is looked at and the car as it stands. */
  heatBriefs: (project: Project, setupId: string): { here: HeatBrief; stock: HeatBrief } => {
    const stockId = project.setups[0].id
    const here = heatBrief(project, setupId)
    return { here, stock: setupId === stockId ? here : heatBrief(project, stockId) }
  },
  heatOfAll: (project: Project): Record<string, HeatBrief> =>
    Object.fromEntries(project.setups.map((setup) => [setup.id, heatBrief(project, setup.id)])),
  doubts: (project: Project, setupId: string): UncertaintyReport =>
    uncertaintyOf(project, evaluate(project, setupId, { precision: 'linear' })),
  bundles: (project: Project, setupId: string): BundleOffer[] => bundleOffers(project, setupId),
  brakes: (project: Project, setupId: string, axle: Axle, wheelId: string): PairingRow[] => compareBrakes(project, setupId, axle, wheelId),
}

export type EvaluateApi = typeof api

expose(answering(api))
