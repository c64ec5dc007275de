import { CornerHeat } from './corner-heat.ts'
import { steps, workJ, type CycleSegment } from './drive-cycle.ts'
import { fluidC, type CornerNodes, type Temperatures } from './nodes.ts'

interface CornerRun {
  /** At the end of each segment. */
  ends: Temperatures[]
  peakRingC: number
  peakPadC: number
  peakCaliperC: number
  peakFluidC: number
}

/** One corner over segments whose forces are its own, N: what a session does with both axles. */
export function cornerRun(
  {
    nodes,
    start,
    ambientC,
    segments,
  }: { nodes: CornerNodes; start: Temperatures; ambientC: number; segments: readonly Omit<CycleSegment, 'kind'>[] },
  mostStepS?: number,
): CornerRun {
  const heat = new CornerHeat(nodes, start, ambientC)
  const peak = { peakRingC: start.ringC, peakPadC: start.padC, peakCaliperC: start.caliperC, peakFluidC: fluidC(start, nodes) }
  const ends = segments.map((segment) => {
    const braking = segment.forceN > 0
    const { count, seconds, ms } = steps({ kind: braking ? 'brake' : 'roll', ...segment }, mostStepS)
    for (let i = 0; i < count; i += 1) {
      const [from, to] = [ms(i), ms(i + 1)]
      const stepS = seconds(i)
      heat.step(stepS, (from + to) / 2, workJ(segment, from, to, stepS), braking)
      peak.peakRingC = Math.max(peak.peakRingC, heat.ringC)
      peak.peakPadC = Math.max(peak.peakPadC, heat.padC)
      peak.peakCaliperC = Math.max(peak.peakCaliperC, heat.caliperC)
      peak.peakFluidC = Math.max(peak.peakFluidC, fluidC(heat, nodes))
    }
    return heat.now()
  })
  return { ends, ...peak }
}
