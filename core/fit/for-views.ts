/** What views show of the fit check beside its findings. */
export { LIMITS, type LimitId } from '../records/limits.ts'
export { checkKey } from './rule.ts'
export { VISUAL_CHECKS, visualCheckAt } from './visual-checks.ts'
