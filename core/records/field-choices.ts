import { count, length } from './field.ts'

/** Choices and groups that fields of several kinds of parts share. */

export const boltPattern = {
  boltCount: count('Bolt holes', 3, 8, { group: 'Bolting' }),
  boltCircleMm: length('Bolt circle', 80, 210, { group: 'Bolting', help: 'Diameter of the circle through the bolt holes.' }),
  boreMm: length('Centre bore', 30, 200, { group: 'Bolting' }),
} as const

export const MOUNT_TYPES = [
  { value: 'lug', label: 'lug: bolts along the axle' },
  { value: 'radial', label: 'radial: bolts towards the hub' },
] as const
/** Seats of brake pipes and hoses; two of a kind seal, mixed ones never do. */
export const PIPE_SEATS = [
  { value: 'banjo', label: 'banjo with washers' },
  { value: 'bubble flare', label: 'bubble flare' },
  { value: 'double flare', label: 'double flare' },
  { value: '37 degree cone', label: '37 degree cone' },
] as const
/** What rubber is made for; the wrong fluid swells it. */
export const FLUID_BASES = [
  { value: 'glycol', label: 'glycol (grades 3, 4, 5.1)' },
  { value: 'silicone', label: 'silicone (grade 5)' },
  { value: 'mineral', label: 'mineral oil' },
] as const
export const NUT_SEATS = [
  { value: 'cone', label: 'cone' },
  { value: 'ball', label: 'ball' },
  { value: 'flat', label: 'flat with washer' },
] as const
export const YES_NO = [
  { value: 'yes', label: 'yes' },
  { value: 'no', label: 'no' },
] as const
export const bolting = { group: 'Bolting' } as const
export const inlet = { group: 'Hose end' } as const
export const mounting = { group: 'Where it sits' } as const
export const heat = { group: 'Heat' } as const
export const THREE = [
  { value: 'low', label: 'little' },
  { value: 'medium', label: 'some' },
  { value: 'high', label: 'much' },
] as const
export const atCar = { group: 'Where it bolts on' } as const
export const quick = { group: 'Quick outline', when: { field: 'outlineFrom', is: 'quick' } } as const
export const takenWith = 'Measured with'

/** How a booster, or the bare bulkhead, takes the master cylinder. */
export const MOUNTINGS = [
  { value: 'yes', label: 'bolts on as it is' },
  { value: 'plate', label: 'needs an adapter plate' },
  { value: 'no', label: 'does not fit' },
] as const
export const PUSHRODS = [
  { value: 'fits', label: 'fits, with free play' },
  { value: 'other', label: 'another length is needed' },
] as const
