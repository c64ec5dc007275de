export interface Thread {
  diameterMm: number
  pitchMm: number
}

/**
 * A thread as it is written: "M12 x 1.5" in millimetres, "1/2-20" in inches and turns to the inch
 * (ISO 261; ASME B1.1). Undefined when it does not say both diameter and pitch.
 *
 * @example
 * parseThread('M12x1.5') // => { diameterMm: 12, pitchMm: 1.5 }
 */
export function parseThread(text: string): Thread | undefined {
  const clean = text.trim().replace(',', '.')
  const metric = /^m\s*(\d+(?:\.\d+)?)\s*[x×*]\s*(\d+(?:\.\d+)?)$/i.exec(clean)
  if (metric) return usual(Number(metric[1]), Number(metric[2]))
  const inch = /^(\d+)\s*\/\s*(\d+)\s*(?:"|in)?\s*-\s*(\d+)/.exec(clean)
  return inch ? usual((25.4 * Number(inch[1])) / Number(inch[2]), 25.4 / Number(inch[3])) : undefined
}

const usual = (diameterMm: number, pitchMm: number): Thread | undefined =>
  Number.isFinite(diameterMm) && Number.isFinite(pitchMm) && pitchMm > 0 && diameterMm > pitchMm ? { diameterMm, pitchMm } : undefined
