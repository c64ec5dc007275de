/** What views show of the fit check beside its findings. */
export { LIMITS, type LimitId } from '../records/limits.ts'
export { findingKey } from './rule.ts'
export { SEEN_ON_CAR, seenWhere } from './seen.ts'
