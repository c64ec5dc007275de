import { frontFirstUntil, type LockOrder } from './maths/lock-order.ts'
import { carFigure, type CarFigure } from '../figures/entry.ts'
import type { ReportFigure } from '../figures/figure.ts'
import { rearFirstWords } from './lock-finding.ts'

/** Where the order in which the axles lock turns; no number where it never does. */
export const CRITICAL: CarFigure<'balance.critical', { force: ReportFigure; order: LockOrder | undefined }> = carFigure(
  'balance.critical',
  {
    label: 'Front locks first up to',
    dimension: 'deceleration',
    formula: {
      id: 'critical-deceleration',
      inWords: true,
      name: 'Deceleration at which the lock order turns',
      text: 'least z with F_r / load_r ≥ F_f / load_f',
      source: 'UN Regulation No. 13-H, Annex 5',
    },
    read(work, { force, order }) {
      work.include(force)
      if (order) work.notes.push(`${rearFirstWords(order)}.`)
      return { order }
    },
    value: ({ order }) => (order.kind === 'rearAbove' ? frontFirstUntil(order) : undefined),
  },
)
