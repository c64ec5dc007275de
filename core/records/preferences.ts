import { INSTRUMENT_IDS } from '../quantity/instrument.ts'
import { PLUS_MINUS } from '../quantity/plus-minus.ts'
import { DIMENSIONS, type Dimension, type UnitChoice } from '../quantity/units.ts'
import { CURRENCIES, minor } from './price.ts'
import {
  date,
  defineRecord,
  group,
  isObject,
  keyOf,
  labelled,
  list,
  needed,
  number,
  oneOf,
  open,
  reference,
  type RecordRule,
  type ValueOf,
} from './record.ts'

export const GAP_POLICIES = {
  standard: { requiredMm: 3, label: '3 mm everywhere', reason: 'Covers bearing play, wheel flex and a stone.' },
  trialFit: {
    requiredMm: 1.5,
    label: '1.5 mm where a trial fit confirms it',
    reason: 'Enough when the very parts were seen turning on the very car; 3 mm until they were.',
  },
  hardUse: {
    requiredMm: 5,
    label: '5 mm for flexible wheels and hard use',
    reason: 'Light wheels and kerbs move the rim towards the caliper.',
  },
} as const
export type GapPolicy = keyof typeof GAP_POLICIES
/** Below this a wheel is not even tried, mm. */
export const TIGHT_LIMIT_MM = 1.5

export const BIAS_AIMS = {
  load: { label: 'the car’s load transfer', reason: 'Both axles then use their tyres alike; on the road never rear-first up to 0.80 g.' },
  present: { label: 'the balance it has now', reason: 'The car stays as its drivers know it.' },
  fixed: { label: 'a fixed figure', reason: 'By discipline: a paved circuit more to the front, loose surfaces more to the rear.' },
} as const
export type BiasAim = keyof typeof BIAS_AIMS

const exchangeRate = defineRecord({
  currency: needed(oneOf(CURRENCIES)),
  /** Project currency for one unit of `currency`. */
  rate: needed(number(0, 1e6, '', { exclusive: true, tooSmall: 'must be above zero' }), 'the rate is missing'),
  /** How far the rate may move either way until it is paid, per cent. */
  spreadPercent: number(0, 50, '%'),
  date: date(),
})

const symbols = (dimension: Dimension, keep: number) => needed(oneOf(DIMENSIONS[dimension].slice(0, keep).map((unit) => unit.symbol)))
const units = defineRecord({
  length: symbols('length', 2),
  force: symbols('force', 2),
  pressure: symbols('pressure', 3),
  torque: symbols('torque', 2),
  mass: symbols('mass', 2),
  temperature: symbols('temperature', 2),
  plusMinus: keyOf(PLUS_MINUS),
})

/** Names and finite numbers; which limits there are is the fit check's affair. */
const NUMBERS: RecordRule = {
  name: 'limits',
  message: 'must give each limit a number',
  holds: (value) =>
    isObject(value) &&
    Object.entries(value).length <= 60 &&
    Object.entries(value).every(
      ([key, one]) => /^[A-Za-z]{1,40}$/.test(key) && typeof one === 'number' && Number.isFinite(one) && one >= 0 && one <= 1000,
    ),
}
export const preferencesRecord = defineRecord({
  units: labelled('units', needed(group(units))),
  currency: needed(oneOf(CURRENCIES)),
  rates: labelled('exchange rates', needed(list(group(exchangeRate), 40))),
  taxPercent: needed(number(0, 100, '%')),
  /** What may be spent at most, minor units. */
  budgetMinor: minor(),
  eventsPerSeason: needed(number(0.5, 200)),
  gapPolicy: needed(keyOf(GAP_POLICIES)),
  /** Limits of the fit check that this project sets itself, by their name in limits.ts. */
  limits: open<Record<string, number>>(NUMBERS),
  /** What a next measurement would be taken with. */
  instrument: needed(oneOf(INSTRUMENT_IDS)),
  /** Thickness of stick-on weights to allow for in the barrel of wheels whose weights nobody measured. */
  weightAllowanceMm: needed(number(0, 20, ' mm')),
  effectiveRadius: needed(oneOf(['mean', 'uniformPressure'])),
  areaCounting: needed(oneOf(['oneSide', 'allPistons'])),
  /** Deceleration at which effort and biases are stated. */
  referenceDecelG: needed(number(0.1, 2, ' g')),
  /** What bias to aim for; the load's share when absent. */
  biasAim: keyOf(BIAS_AIMS),
  /** With the aim `fixed`: front share of the force at the road. */
  biasAimShare: number(0.3, 0.95),
  /** The session that heat is asked about: one of the project's or of the table; absent: what the use of the car suggests. */
  duty: reference(),
  /** Speed from which the one-stop heat is stated. */
  stopFromKmh: needed(number(10, 400, ' km/h')),
})
export type Preferences = Omit<ValueOf<typeof preferencesRecord>, 'units'> & { units: UnitChoice }
