import type { RuleId } from './rules.ts'

/** Rules that only a look at the car can settle. */
export const SEEN_ON_CAR: readonly RuleId[] = ['knuckle-clear', 'parking-hold', 'dust-shield']
