/** Every limit of the fit check with its reason, in one table. A project may set its own; whoever does is shown it wherever it counts. */
export const LIMITS = {
  patternMm: { value: 0.1, label: 'Bolt circles equal within', reason: 'Drilling is better than this; more means another pattern.' },
  registerPlayMm: { value: 0.2, label: 'Play in the register at most', reason: 'More play leaves centring to the nuts.' },
  planeFixedMm: {
    value: 0.5,
    label: 'Fixed caliper off centre of the rotor, at most',
    reason: 'More causes taper wear of the pads.',
  },
  planeSlidingMm: {
    value: 2,
    label: 'Sliding caliper off centre of the rotor, at most',
    reason: 'The housing centres itself; the carrier must not touch the rotor.',
  },
  shimMostMm: { value: 6, label: 'Shims at most', reason: 'A taller stack bends its bolts.' },
  slotLeastMm: { value: 0.3, label: 'Play of pads and rotor in the slot at least', reason: 'Less drags when hot.' },
  slotMostMm: {
    value: 3,
    label: 'Play of pads and rotor in the slot at most',
    reason: 'More lets pads tilt and pistons protrude too far.',
  },
  edgeMostMm: { value: 2.5, label: 'Pad inset, at most', reason: 'More leaves a rusty rim and unused lining.' },
  edgeOverMm: { value: 0.5, label: 'Pad overhang, at most', reason: 'More wears a step that hangs over.' },
  edgeWantedMm: { value: 1, label: 'Pad inset after a radial spacer', reason: 'Target position with a radial spacer.' },
  bridgeMm: { value: 2, label: 'Rotor to caliper bridge at least', reason: 'Heat and flex of the hub reduce it.' },
  mountSpacingMm: { value: 0.2, label: 'Mount spacings equal within', reason: 'Bolts must go in by hand.' },
  sweepTrimMm: { value: 2, label: 'Pad inside the friction ring at most', reason: 'The pad maker may trim this much; never trim by hand.' },
  hoseShare: { value: 0.1, label: 'Hose longer than its path by a share of', reason: 'Slack for tolerance of the path.' },
  hoseSlackMm: { value: 15, label: 'Hose longer than its path by', reason: 'A hose must never be pulled.' },
  shieldMm: { value: 3, label: 'Rotor to dust shield at least', reason: 'Stones and bent sheet.' },
  threadSteel: { value: 1, label: 'Bolt thread in steel, diameters', reason: 'The bolt breaks before the thread strips.' },
  threadAluminium: { value: 1.5, label: 'Bolt thread in aluminium, diameters', reason: 'The softer thread needs more length.' },
  hatGapMm: { value: 2, label: 'Pad and caliper to the hat at least', reason: 'Hats are cast, not turned.' },
  hatInletMm: { value: 5, label: 'Friction ring to hat at the air inlet, at least', reason: 'Less lets little air into the vanes.' },
  shoePlayMm: { value: 1.5, label: 'Parking drum wider than its shoes at most', reason: 'Shoes of another radius contact on a line.' },
  parkingGradeShare: {
    value: 0.2,
    label: 'Grade the parking brake holds, laden',
    reason: 'Usual in approval rules; a local rule may require another.',
  },
  pilotPlayMm: { value: 0.3, label: 'Play of the master cylinder’s pilot at most', reason: 'More lets its rod push askew.' },
  freePlayMm: { value: 0.5, label: 'Free play at the pushrod at least', reason: 'Without it the brakes drag and heat.' },
  residualDiscMostMpa: { value: 0.02, label: 'Residual pressure for disc brakes, at most', reason: 'More makes the pads drag.' },
  residualLowLeastMpa: {
    value: 0.01,
    label: 'Residual pressure for disc brakes above the reservoir, at least',
    reason: 'Fluid runs back to a reservoir below.',
  },
  residualLowMostMpa: {
    value: 0.02,
    label: 'Residual pressure for disc brakes above the reservoir, at most',
    reason: 'More makes the pads drag.',
  },
  residualDrumLeastMpa: { value: 0.04, label: 'Residual pressure for drums at least', reason: 'Cups without expanders draw air.' },
  residualDrumMostMpa: { value: 0.1, label: 'Residual pressure for drums at most', reason: 'The return springs must overcome it.' },
  studDiameters: {
    value: 1,
    label: 'Thread engagement of the wheel, diameters',
    reason: 'In steel the stud breaks before its thread strips.',
  },
  studTurns: {
    value: 6.5,
    label: 'Thread engagement of the wheel, turns',
    reason: 'A fine thread needs its turns, whatever its diameter.',
  },
  registerMm: { value: 4, label: 'Hub register length left, at least', reason: 'Less than a chamfer and a little rust does not centre.' },
  seatRadiusMm: { value: 0.5, label: 'Ball seats equal within', reason: 'A ball in another radius sits on a line and works loose.' },
  strokeShare: {
    value: 0.75,
    label: 'Share of the master cylinder’s stroke used at 8 MPa at most',
    reason: 'The rest is needed for worn pads, fade and hose expansion.',
  },
  absPoints: {
    value: 0.05,
    label: 'Change of brake balance against the baseline with ABS, at most',
    reason: 'The control unit is calibrated for the standard brake balance.',
  },
} as const satisfies Record<string, { value: number; label: string; reason: string }>

export type LimitId = keyof typeof LIMITS
export type LimitOverrides = Partial<Record<LimitId, number>>
