import { LIMITS, type LimitId } from '../records/limits.ts'
import { blankProject } from '../records/blank.ts'
import { BIAS_AIMS, GAP_POLICIES } from '../records/preferences.ts'
import { formatQuantity } from '../quantity/format.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import type { Formula } from '../figures/figure.ts'

/** A question that practitioners answer in more than one way, with the answer taken unless someone chooses another. */
interface School {
  question: string
  ways: { label: string; reason: string; taken: boolean }[]
}
interface HowItDecides {
  schools: School[]
  limits: { id: LimitId; label: string; value: string; reason: string }[]
  formulas: Formula[]
}

const way = (label: string, reason: string, taken = false) => ({ label, reason, taken })

const SCHOOLS: readonly School[] = [
  {
    question: 'Clearance between wheel and caliper',
    ways: Object.values(GAP_POLICIES).map(({ label, reason }) => way(label, reason, label === GAP_POLICIES.standard.label)),
  },
  {
    question: 'Piston area of opposed calipers',
    ways: [
      way('one side is counted', 'Each pad is pressed by one side; a sliding caliper then compares like with like.', true),
      way('all pistons are counted', 'As some sellers state it; the factor is halved later.'),
    ],
  },
  {
    question: 'Meaning of brake balance',
    ways: [way('brake force at the tyres', 'Line pressure, clamp force and brake torque are always shown beside it.', true)],
  },
  {
    question: 'Balance to aim for',
    ways: Object.values(BIAS_AIMS).map(({ label, reason }) => way(label, reason, label === BIAS_AIMS.load.label)),
  },
  {
    question: 'Effective radius of a pad',
    ways: [
      way('mean of the swept ring', 'A bedded pad presses evenly; for usual pads the two agree within 1%.', true),
      way('uniform pressure', 'A new, stiff pad.'),
    ],
  },
  {
    question: 'Feeling of the pedal',
    ways: [way('neither short and heavy nor long and light', 'A band for force and one for travel, by what the car is used for.', true)],
  },
  {
    question: 'Bleeding order',
    ways: [
      way('its maker’s own, where it is known', 'Diagonal circuits and control units have theirs.', true),
      way('farthest wheel first', 'Used when the car maker’s order is unknown.'),
    ],
  },
  {
    question: 'First setting of an adjustable valve',
    ways: [
      way('closed, opened in steps', 'A front that locks early is safer than a rear.', true),
      way('open, closed in steps', 'Reaches the best stop sooner, but a rear wheel can lock first.'),
    ],
  },
  {
    question: 'Booster and ABS',
    ways: [way('road cars need both', 'Taking them off a road car is a warning that defers to local rules.', true)],
  },
  {
    question: 'How sure a figure is',
    ways: [
      way('from its readings and instrument', 'Scatter, resolution and limit of error together (GUM, JCGM 100:2008).', true),
      way('as it was stated with ±', 'It replaces the usual uncertainty of its source.'),
      way(
        'from experience with values of that source',
        'Measured, published, reported, estimated: each is less certain than the one before.',
      ),
    ],
  },
]

/** How verdicts come about, in words and from the tables that decide: schools, limits, formulas with their sources. */
export function howItDecides(): HowItDecides {
  const methods = new Map<string, Formula>()
  const blank = blankProject('how', 'How')
  for (const { method } of Object.values(evaluate(blank, blank.setups[0].id).figures)) methods.set(method.id, method)
  return {
    schools: [...SCHOOLS],
    limits: (Object.keys(LIMITS) as LimitId[]).map((id) => {
      const { value, label, reason } = LIMITS[id]
      return { id, label, value: limitWords(id, value), reason }
    }),
    formulas: [...methods.values()].sort((a, b) => a.name.localeCompare(b.name)),
  }
}

/**
 * A limit of the fit check in words: lengths, pressures and shares with their unit.
 *
 * @example
 * limitWords('hoseShare', 0.1) // => '10%'
 */
export const limitWords = (id: LimitId, value: number): string =>
  id.endsWith('Mpa')
    ? formatQuantity(value, 'pressure')
    : id.endsWith('Share')
      ? formatQuantity(value, 'share', undefined, { decimals: 0 })
      : id === 'absPoints'
        ? `${(value * 100).toFixed(0)} points`
        : id.endsWith('Mm')
          ? formatQuantity(value, 'length')
          : String(value)
