/** Every limit of the fit check with its reason, in one table. A project may set its own; whoever does is shown it wherever it counts. */
export const LIMITS = {
  patternMm: { value: 0.1, label: 'Bolt circles equal within', reason: 'Drilling is better than this; more means another pattern.' },
  registerPlayMm: { value: 0.2, label: 'Play in the register at most', reason: 'More play leaves centring to the nuts.' },
  planeFixedMm: {
    value: 0.5,
    label: 'Fixed caliper off the disc at most',
    reason: 'Pistons make up for little more before pads wear askew.',
  },
  planeSlidingMm: {
    value: 2,
    label: 'Sliding caliper off the disc at most',
    reason: 'The housing finds its place; the carrier must not touch.',
  },
  shimMostMm: { value: 6, label: 'Shims at most', reason: 'A taller stack bends its bolts.' },
  slotLeastMm: { value: 0.3, label: 'Play of pads and rotor in the slot at least', reason: 'Less drags when hot.' },
  slotMostMm: { value: 3, label: 'Play of pads and rotor in the slot at most', reason: 'More lets pads tilt and pistons stand far out.' },
  edgeMostMm: { value: 2.5, label: 'Pad below the rotor’s edge at most', reason: 'More leaves a rusty rim and unused lining.' },
  edgeOverMm: { value: 0.5, label: 'Pad over the rotor’s edge at most', reason: 'More wears a step that hangs over.' },
  edgeWantedMm: { value: 1, label: 'Pad below the edge after a spacer', reason: 'Where a radial spacer should put it.' },
  bridgeMm: { value: 2, label: 'Rotor to caliper bridge at least', reason: 'Heat and flex of the hub reduce it.' },
  mountSpacingMm: { value: 0.2, label: 'Mount spacings equal within', reason: 'Bolts must go in by hand.' },
  sweepTrimMm: { value: 2, label: 'Pad inside the friction ring at most', reason: 'So much a pad maker may trim; never by hand.' },
  hoseShare: { value: 0.1, label: 'Hose longer than its path by a share of', reason: 'Slack for tolerance of the path.' },
  hoseSlackMm: { value: 15, label: 'Hose longer than its path by', reason: 'A hose must never be pulled.' },
  shieldMm: { value: 3, label: 'Rotor to dust shield at least', reason: 'Stones and bent sheet.' },
  threadSteel: { value: 1, label: 'Bolt thread in steel, diameters', reason: 'The bolt breaks before the thread strips.' },
  threadAluminium: { value: 1.5, label: 'Bolt thread in aluminium, diameters', reason: 'The softer thread needs more length.' },
  hatGapMm: { value: 2, label: 'Pad and caliper to the hat at least', reason: 'Hats are cast, not turned.' },
  hatInletMm: { value: 5, label: 'Ring to hat where the air goes in at least', reason: 'Less lets little air into the vanes.' },
  shoePlayMm: { value: 1.5, label: 'Parking drum wider than its shoes at most', reason: 'Shoes of another radius touch on a line.' },
  parkingGradeShare: {
    value: 0.2,
    label: 'Grade the parking brake holds, laden',
    reason: 'Usual in approval rules; a local rule may ask for another.',
  },
  pilotPlayMm: { value: 0.3, label: 'Play of the master cylinder’s pilot at most', reason: 'More lets its rod push askew.' },
  freePlayMm: { value: 0.5, label: 'Free play at the pushrod at least', reason: 'Without it the brakes drag and heat.' },
  residualDiscMostMpa: { value: 0.02, label: 'Residual pressure for discs at most', reason: 'More keeps pads on the rotor.' },
  residualLowLeastMpa: {
    value: 0.01,
    label: 'Residual pressure for discs above the reservoir at least',
    reason: 'Fluid runs back to a reservoir below.',
  },
  residualLowMostMpa: {
    value: 0.02,
    label: 'Residual pressure for discs above the reservoir at most',
    reason: 'More keeps pads on the rotor.',
  },
  residualDrumLeastMpa: { value: 0.04, label: 'Residual pressure for drums at least', reason: 'Cups without expanders draw air.' },
  residualDrumMostMpa: { value: 0.1, label: 'Residual pressure for drums at most', reason: 'The return springs must win.' },
  studDiameters: { value: 1, label: 'Wheel thread engaged, diameters', reason: 'In steel the stud breaks before its thread strips.' },
  studTurns: { value: 6.5, label: 'Wheel thread engaged, turns', reason: 'A fine thread needs its turns, whatever its diameter.' },
  registerMm: { value: 4, label: 'Register left for the wheel at least', reason: 'Less than a chamfer and a little rust does not centre.' },
  seatRadiusMm: { value: 0.5, label: 'Ball seats equal within', reason: 'A ball in another radius sits on a line and works loose.' },
  strokeShare: {
    value: 0.75,
    label: 'Share of the master cylinder’s stroke used at 8 MPa at most',
    reason: 'The rest is needed for worn pads, fade and hose expansion.',
  },
  absPoints: {
    value: 0.05,
    label: 'Bias against stock with anti-lock, off by at most',
    reason: 'The control unit was set up for the stock split.',
  },
} as const satisfies Record<string, { value: number; label: string; reason: string }>

export type LimitId = keyof typeof LIMITS
export type LimitOverrides = Partial<Record<LimitId, number>>
