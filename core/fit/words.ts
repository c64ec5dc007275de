import { formatQuantity } from '../quantity/format.ts'

/** Millimetres in a finding's sentence: two decimals where one would hide the difference. */
export const mm = (value: number): string =>
  formatQuantity(value, 'length', undefined, { decimals: Math.abs(value) < 1 && value !== 0 ? 2 : 1 })
