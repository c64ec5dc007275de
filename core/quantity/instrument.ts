/**
 * What a length was taken with. Resolution is the least step that can be read, limit of error what the
 * maker allows the scale to be off, repeatability the scatter (one standard deviation) of one person
 * doing the same thing again at a wheel. Defaults for workshop instruments in workshop hands; a
 * figure may carry an uncertainty of its own instead.
 */
export interface Instrument {
  label: string
  resolutionMm: number
  limitOfErrorMm: number
  repeatabilityMm: number
}

export const INSTRUMENTS = {
  digitalCaliper: { label: 'digital caliper', resolutionMm: 0.01, limitOfErrorMm: 0.03, repeatabilityMm: 0.05 },
  steelRule: { label: 'steel rule', resolutionMm: 0.5, limitOfErrorMm: 0.15, repeatabilityMm: 0.5 },
  straightedge: { label: 'straightedge and rule', resolutionMm: 0.5, limitOfErrorMm: 0.2, repeatabilityMm: 0.7 },
  tape: { label: 'tape', resolutionMm: 1, limitOfErrorMm: 0.5, repeatabilityMm: 1 },
  feeler: { label: 'feeler gauges', resolutionMm: 0.05, limitOfErrorMm: 0.02, repeatabilityMm: 0.1 },
  clay: { label: 'clay, cut and measured', resolutionMm: 0.1, limitOfErrorMm: 0.1, repeatabilityMm: 0.3 },
} as const satisfies Record<string, Instrument>

export type InstrumentId = keyof typeof INSTRUMENTS
export const INSTRUMENT_IDS = Object.keys(INSTRUMENTS) as InstrumentId[]
