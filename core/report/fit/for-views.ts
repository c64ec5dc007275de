/** What views show of the fit check beside its findings. */
export { LIMITS, type LimitId } from '../../fit/limits.ts'
export { findingKey } from '../../fit/rule.ts'
export { SEEN_ON_CAR, seenWhere } from '../../fit/seen.ts'
