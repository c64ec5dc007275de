import { AXLES } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import type { Verdict } from '../figures/verdict.ts'
import { heatBrief, type HeatBrief } from '../heat/heat-brief.ts'
import type { SearchQuery } from './search-space.ts'
import { setupFromResult, type AppliedResult } from './apply-result.ts'

/** A find looked at as a setup is: the gap by draws, the heat by the driving that is asked about. */
export interface FullEvaluation {
  verdict: Verdict
  /** The lesser of both axles by its draws, mm; undefined: not known. */
  gapMm: number | undefined
  heat: HeatBrief
}

/** What the search says by estimates, said in full: what the report will say of the setup once the find is taken. */
export function evaluateInFull(project: Project, ask: SearchQuery, find: AppliedResult): FullEvaluation {
  const setup = setupFromResult(project, ask, find, LOOKED)
  const looked: Project = { ...project, setups: [...project.setups, setup] }
  const { verdict, figures } = evaluate(looked, LOOKED)
  const gaps = AXLES.map((axle) => figures[`${axle}.gap`].value)
  return {
    verdict,
    gapMm: gaps.every((one) => one !== undefined) ? Math.min(...gaps) : undefined,
    heat: heatBrief(looked, LOOKED),
  }
}
const LOOKED = 'a-find'
