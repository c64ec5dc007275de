import type { Project } from '../records/project.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { Verdict } from '../figures/verdict.ts'
import { nearestLine } from './heat-lines.ts'
import { heatReport } from './heat-report.ts'

/** A session in a few words, for the key figures and for lists. */
export interface HeatBrief {
  dutyId: string
  duty: string
  verdict: Verdict
  /** "run 2", "42 °C left", "not known" */
  value: string
  /** What goes, or what is nearest. */
  detail: string
  sentence: string
  /** Least room to a limit by the likely figures, degC; negative: beyond it. Undefined: not known. */
  leftC: number | undefined
  /** So many entries are missing. */
  missingCount: number
  /** When something goes, s; undefined: nothing does, or it is not known. */
  goesAtS: number | undefined
}

export function heatBrief(project: Project, setupId: string, dutyId?: string): HeatBrief {
  const { duty, verdict, sentence, lines, goneAtS, marks, missing } = heatReport(project, setupId, dutyId, { brief: true })
  const leftC = lines.length === 0 ? undefined : Math.min(...lines.map((one) => one.limitC - one.peakC))
  const base = { dutyId: duty.id, duty: duty.label, verdict, sentence, leftC, missingCount: missing.length, goesAtS: undefined }
  if (lines.length === 0) return { value: 'not known', detail: `${missing.length} to enter`, ...base }
  const [first] = lines.filter((one) => one.overAtS !== undefined).sort((a, b) => a.overAtS! - b.overAtS!)
  const atS = Math.min(first?.overAtS ?? Infinity, goneAtS ?? Infinity)
  if (atS < Infinity) {
    const what = first && first.overAtS === atS ? first.label.toLowerCase() : 'pedal force'
    const { each } = duty
    // whole ones that were driven before it
    const whole = each ? Math.max(0, marks.filter((mark) => mark <= atS).length - 1) : undefined
    const value = whole === undefined ? `${Math.round(atS)} s` : `${whole} ${each!.word}${whole === 1 ? '' : 's'}`
    return { ...base, value, detail: `then ${what}`, goesAtS: atS }
  }
  const near = nearestLine(lines)!
  const left = formatQuantity(near.limitC - near.peakC, 'temperatureRise', project.preferences.units, { decimals: 0 })
  return { value: `${left} left`, detail: near.label.toLowerCase(), ...base }
}
