import type { AxleFigureId, CarFigureId } from '../figures/figure-ids.ts'
import { AGAINST_STOCK } from '../balance/anti-lock.ts'
import { CLAMP_BIAS, IDEAL_BIAS, PRESSURE_BIAS, ROAD_BIAS, TORQUE_BIAS } from '../balance/bias.ts'
import { CRITICAL } from '../balance/critical.ts'
import { EFFECTIVE_RADIUS, PISTON_AREA } from '../hydraulics/brake.ts'
import { MASS_CHANGE, ROTATING_CHANGE } from '../hydraulics/mass.ts'
import { OUTLINE_SHIFT } from '../clearance/caliper-outline.ts'
import { GAP_BY_DIFFERENCE } from '../clearance/gap-difference.ts'
import { BARREL_GAP, FACE_GAP, LEAST_GAP } from '../clearance/gap-figures.ts'
import { EFFECTIVE_OFFSET, REGISTER_LEFT, RIM_EDGE, STUD_ENGAGEMENT, TRACK_CHANGE } from '../clearance/wheel-place.ts'
import { COST_TOTAL } from '../cost/bill.ts'
import { SEASON_COST } from '../cost/season.ts'
import { ONE_STOP_RISE, RING_MASS } from '../heat/heat.ts'
import { STROKE_USED } from '../hydraulics/master-stroke.ts'
import { PEDAL_FORCE, PEDAL_FORCE_NO_ASSIST } from '../hydraulics/pedal-effort.ts'
import { PEDAL_TRAVEL } from '../hydraulics/pedal-travel.ts'
import { SAME_FEEL } from '../hydraulics/same-feel.ts'

/** Every figure of a report. `evaluate.test.ts` asks each report for all of them. */
export const AXLE_FIGURES = [
  PISTON_AREA,
  EFFECTIVE_RADIUS,
  LEAST_GAP,
  FACE_GAP,
  BARREL_GAP,
  OUTLINE_SHIFT,
  GAP_BY_DIFFERENCE,
  STUD_ENGAGEMENT,
  REGISTER_LEFT,
  EFFECTIVE_OFFSET,
  TRACK_CHANGE,
  RIM_EDGE,
  RING_MASS,
  ONE_STOP_RISE,
  MASS_CHANGE,
  ROTATING_CHANGE,
] as const satisfies readonly { id: AxleFigureId }[]
export const CAR_FIGURES = [
  PEDAL_FORCE,
  PEDAL_FORCE_NO_ASSIST,
  PRESSURE_BIAS,
  CLAMP_BIAS,
  TORQUE_BIAS,
  ROAD_BIAS,
  IDEAL_BIAS,
  CRITICAL,
  PEDAL_TRAVEL,
  SAME_FEEL,
  STROKE_USED,
  AGAINST_STOCK,
  COST_TOTAL,
  SEASON_COST,
] as const satisfies readonly { id: CarFigureId }[]
