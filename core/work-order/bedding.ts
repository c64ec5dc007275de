/** A general outline of bedding in, for pads whose maker says nothing. */
export const BEDDING = [
  { fromKmh: 50, toKmh: 10, times: 8, coolSeconds: 30, how: 'light' },
  { fromKmh: 80, toKmh: 20, times: 8, coolSeconds: 45, how: 'firm' },
  { fromKmh: 100, toKmh: 30, times: 4, coolSeconds: 60, how: 'hard, short of locking' },
  { fromKmh: 60, toKmh: 60, times: 1, coolSeconds: 600, how: 'no braking: cooling down' },
] as const
