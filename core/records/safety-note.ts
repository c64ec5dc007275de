/** Signal words by what may happen (ISO 3864-2): death or injury will, or could; a minor injury or damage; damage alone. */
export const SIGNAL_WORDS = { danger: 'DANGER', warning: 'WARNING', caution: 'CAUTION', notice: 'NOTICE' } as const

/** One hazard, at the place where someone acts. */
export interface SafetyNote {
  level: keyof typeof SIGNAL_WORDS
  /** The hazard and what comes of it. */
  hazard: string
  /** What to do about it. */
  action: string
}

/** What is said in more than one place. */
export const SAFETY = {
  jack: {
    level: 'danger',
    hazard: 'A falling car kills.',
    action: 'Chock the wheels, lift, then set axle stands under the maker’s support points. Never go under a car on a jack alone.',
  },
  leak: { level: 'danger', hazard: 'Brakes that leak fail.', action: 'Do not drive if the pedal sinks or a joint is wet.' },
  hot: {
    level: 'warning',
    hazard: 'Hot brakes burn and start fires.',
    action: 'Let them cool; no water, do not hold the pedal, do not set the parking brake.',
  },
  rearLock: {
    level: 'warning',
    hazard: 'A rear wheel that locks can spin the car.',
    action: 'Test on closed, dry, straight ground, belts on, from 30 km/h.',
  },
  dust: { level: 'warning', hazard: 'Brake dust harms your lungs.', action: 'Wipe it wet; do not blow it off.' },
  hose: { level: 'caution', hazard: 'A hanging caliper damages its hose.', action: 'Do not hang a caliper by its hose.' },
} as const satisfies Record<string, SafetyNote>

/** What the application is not: on the first page, on the build page and on every print-out, in the same words. */
export const NO_APPROVAL =
  'This application does not approve a modification. Trial-fit every part, follow the makers’ instructions and local rules, and have a qualified technician check the brakes before you drive.'
