import { boosterMount } from './rules/booster-mount.ts'
import { bridge } from './rules/bridge.ts'
import { circuitCount } from './rules/circuit-count.ts'
import { discDiameterRule } from './rules/disc-diameter.ts'
import { discPlaneRule } from './rules/disc-plane.ts'
import { discThickness } from './rules/disc-thickness.ts'
import { dustShield } from './rules/dust-shield.ts'
import { fluid } from './rules/fluid.ts'
import { handedness } from './rules/handedness.ts'
import { handLever } from './rules/hand-lever.ts'
import { hatClearance } from './rules/hat-clearance.ts'
import { hatFit } from './rules/hat-fit.ts'
import { hatInlet } from './rules/hat-inlet.ts'
import { hoseCaliperEnd } from './rules/hose-caliper-end.ts'
import { hoseLength } from './rules/hose-length.ts'
import { hoseLineEnd } from './rules/hose-line-end.ts'
import { hubPattern } from './rules/hub-pattern.ts'
import { hubRegister } from './rules/hub-register.ts'
import { knuckleClear } from './rules/knuckle-clear.ts'
import { masterMount } from './rules/master-mount.ts'
import { mount } from './rules/mount.ts'
import { mountBolts } from './rules/mount-bolts.ts'
import { padShape } from './rules/pad-shape.ts'
import { padSlotRule } from './rules/pad-slot.ts'
import { padSweep } from './rules/pad-sweep.ts'
import { parkingBrake } from './rules/parking-brake.ts'
import { parkingHold } from './rules/parking-hold.ts'
import { pistonTravel } from './rules/piston-travel.ts'
import { registerLeft } from './rules/register-left.ts'
import { residualValve } from './rules/residual-valve.ts'
import { rotorWorn } from './rules/rotor-worn.ts'
import { studEngagementRule } from './rules/stud-engagement.ts'
import { usedHydraulics } from './rules/used-hydraulics.ts'
import { usedPart } from './rules/used-part.ts'
import { wheelFastener } from './rules/wheel-fastener.ts'
import { wheelMinimum } from './rules/wheel-minimum.ts'
import { wheelPattern } from './rules/wheel-pattern.ts'
import { wheelRegister } from './rules/wheel-register.ts'
import type { Rule } from './rule.ts'

/**
 * Every interface that is looked at, in the order in which a car is built. To add one: a file in `rules/`
 * and a line here. The wheel's clearance and the order of locking are found with their own figures and
 * join in the report; so do the stroke of the master cylinder and the bias with anti-lock.
 */
export const RULE_IDS = [
  'hub-pattern',
  'hub-register',
  'disc-plane',
  'disc-thickness',
  'rotor-worn',
  'pad-slot',
  'piston-travel',
  'disc-diameter',
  'bridge',
  'mount',
  'pad-shape',
  'pad-sweep',
  'hat-fit',
  'hat-clearance',
  'hat-inlet',
  'handedness',
  'dust-shield',
  'mount-bolts',
  'knuckle-clear',
  'hose-caliper-end',
  'hose-line-end',
  'hose-length',
  'parking-brake',
  'parking-hold',
  'wheel-pattern',
  'wheel-register',
  'wheel-minimum',
  'wheel-fastener',
  'stud-engagement',
  'register-left',
  'used-part',
  'residual-valve',
  'master-mount',
  'booster-mount',
  'circuit-count',
  'fluid',
  'hand-lever',
  'used-hydraulics',
] as const
export type RuleId = (typeof RULE_IDS)[number]

export const RULES: readonly Rule[] = [
  hubPattern,
  hubRegister,
  discPlaneRule,
  discThickness,
  rotorWorn,
  padSlotRule,
  pistonTravel,
  discDiameterRule,
  bridge,
  mount,
  padShape,
  padSweep,
  hatFit,
  hatClearance,
  hatInlet,
  handedness,
  dustShield,
  mountBolts,
  knuckleClear,
  hoseCaliperEnd,
  hoseLineEnd,
  hoseLength,
  parkingBrake,
  parkingHold,
  wheelPattern,
  wheelRegister,
  wheelMinimum,
  wheelFastener,
  studEngagementRule,
  registerLeft,
  usedPart,
  residualValve,
  masterMount,
  boosterMount,
  circuitCount,
  fluid,
  handLever,
  usedHydraulics,
]
