import { computed } from 'vue'
import type { InterfaceCheck } from '#core/fit/interface-check.ts'
import { checkKey } from '#core/fit/for-views.ts'
import { AXLES, type Axle } from '#core/quantity/axle.ts'
import type { FigureCheck } from '#core/figures/check-result.ts'
import type { Verdict } from '#core/figures/verdict.ts'
import { RULE_TITLES, VERDICT_RANK } from '#core/figures/words.ts'
import { shownFinding } from '#core/evaluate/step-state.ts'
import { useUncertainty } from './uncertainty.ts'
import { useWorkbench } from './workbench.ts'

/** One line of the fit check: a rule's finding, or one that has a figure of its own. */
export interface FitRow {
  key: string
  verdict: Verdict
  title: string
  sentence: string
  fit?: InterfaceCheck
  own?: FigureCheck
}

/** After a number. */
export const COUNT_WORDS: Record<Verdict, string> = {
  blocked: 'not to be built',
  unknown: 'with missing data',
  needs: 'to fix',
  check: 'to check',
  fits: 'OK',
}
const GROUPS: readonly { id: Axle | 'car'; label: string }[] = [
  ...AXLES.map((id) => ({ id, label: id === 'front' ? 'Front' : 'Rear' })),
  { id: 'car', label: 'Hydraulics and the whole car' },
]

/** How early a group stands: what fits and what is to be seen leave the order of the car. */
const weight = (rows: readonly FitRow[]): number =>
  Math.max(VERDICT_RANK.check, ...rows.slice(0, 1).map((row) => VERDICT_RANK[row.verdict]))

const textOf = ({ verdict, sentence }: FigureCheck) => ({ verdict, sentence })
/** Every finding of the setup that is looked at, by axle, the worst first, and the axle with the worst first. */
export function useFitRows() {
  const { report } = useWorkbench()
  const { doubt } = useUncertainty()
  const groups = computed(() =>
    GROUPS.map(({ id, label }) => {
      const here = (axle: Axle | undefined) => (axle ?? 'car') === id
      const rows: FitRow[] = [
        ...(report.value?.findings ?? [])
          .filter((one) => here(one.axle))
          .map((own) => ({
            key: `${id}.${own.rule}`,
            title: RULE_TITLES[own.rule],
            own,
            ...textOf(shownFinding(report.value!, own, doubt.value?.frontFirstOf100)),
          })),
        ...(report.value?.fit ?? [])
          .filter((one) => here(one.axle))
          .map((fit) => ({ key: checkKey(fit), verdict: fit.verdict, title: fit.title, sentence: fit.sentence, fit })),
      ]
      return { id, label, rows: rows.sort((a, b) => VERDICT_RANK[b.verdict] - VERDICT_RANK[a.verdict]) }
    }).sort((a, b) => weight(b.rows) - weight(a.rows)),
  )
  return { groups }
}
