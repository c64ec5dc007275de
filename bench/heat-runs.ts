import { cycleSegments, owedN } from '../core/heat/maths/drive-cycle.ts'
import { IRON_HEAT, specificHeat, type CornerNodes } from '../core/heat/maths/nodes.ts'
import { session, type SessionAxle } from '../core/heat/maths/session.ts'
import { CORNER_NODES } from '../core/testing/corner-nodes.ts'

const nodes: CornerNodes = { ...CORNER_NODES, ringMassKg: 6.2, areaM2: 0.09 }
// flat friction: what is compared is the way through time
const axle = (forcePerMpaN: number): SessionAxle => ({ nodes, cheekMm: 7, sealMpa: 0, forcePerMpaN, friction: [[20, 0.42]] })
const FRONT_N = 2600
const REAR_N = 900
const segments = cycleSegments(
  { massKg: 1050, resistanceN: 180, resistancePerV2: 0.4 },
  {
    kind: 'laps',
    laps: 15,
    zones: [
      { fromKmh: 150, toKmh: 70, decelG: 0.9, secondsToNext: 18 },
      { fromKmh: 130, toKmh: 60, decelG: 0.8, secondsToNext: 14 },
      { fromKmh: 140, toKmh: 80, decelG: 0.9, secondsToNext: 16 },
      { fromKmh: 130, toKmh: 60, decelG: 0.8, secondsToNext: 22 },
    ],
  },
)

/** A session of some twenty minutes: ours, and one millisecond after the other as it is written down. */
export function heatRuns() {
  const ours = () =>
    session({ front: axle(FRONT_N), rear: axle(REAR_N) }, { rearPerFront: 1, valve: undefined, mostFrontMpa: 40 }, segments, {
      startC: 20,
      ambientC: 20,
    })
  const explicit = (): { front: number; rear: number } => ({
    front: plain(FRONT_N / (FRONT_N + REAR_N)),
    rear: plain(REAR_N / (FRONT_N + REAR_N)),
  })
  return { session: ours, explicit }
}

/** The highest temperature of a ring by explicit steps of 1 ms. */
function plain(share: number): number {
  const n = nodes
  let [ring, pad, caliper] = [20, 20, 20]
  let peak = 20
  for (const segment of segments) {
    const count = Math.max(1, Math.round(segment.seconds / 0.001))
    const dt = segment.seconds / count
    const touch = segment.forceN > 0 ? n.ringToPadWPerK : n.ringToPadReleasedWPerK
    for (let i = 0; i < count; i += 1) {
      const ms = (segment.fromKmh + ((segment.toKmh - segment.fromKmh) * (i + 0.5)) / count) / 3.6
      const powerW = (owedN(segment, ms) * ms * share) / 2
      const air = (n.h0 + n.h1 * ms ** 0.8) * n.areaM2 * (ring - 20)
      const radiates = n.emissivity * 5.670374419e-8 * n.areaM2 * ((ring + 273.15) ** 4 - 293.15 ** 4)
      const [ringPad, ringCaliper, padCaliper] = [
        touch * (ring - pad),
        n.ringToCaliperWPerK * (ring - caliper),
        n.padToCaliperWPerK * (pad - caliper),
      ]
      ring += (dt * (n.intoRotor * powerW - air - radiates - ringPad - ringCaliper)) / (n.ringMassKg * specificHeat(IRON_HEAT, ring))
      pad += (dt * ((1 - n.intoRotor) * powerW + ringPad - padCaliper - n.padCoolingWPerK * (pad - 20))) / n.padJPerK
      caliper += (dt * (padCaliper + ringCaliper - n.caliperCoolingWPerK * (caliper - 20))) / n.caliperJPerK
      peak = Math.max(peak, ring)
    }
  }
  return peak
}
