import type { Verdict } from '../figures/verdict.ts'
import type { SafetyNote } from '../records/safety-note.ts'
import type { VectorDrawing } from './drawing.ts'

/**
 * The technical report as data: sections of blocks that say what stands there and not how it looks. The PDF (pdf.ts) and the
 * web page (html.ts) are written from it, so that both say the same.
 */

/** What stands in one cell of a table. */
export type TableCell = string | { text: string; verdict?: Verdict; strong?: true }
export interface ReportColumn {
  label: string
  /** Share of the width. */
  share: number
  /** Numbers stand right. */
  number?: true
}
export interface ReportTable {
  kind: 'table'
  columns: readonly ReportColumn[]
  rows: readonly (readonly TableCell[])[]
  /** Small print: inputs of a figure, lists that are read line by line. */
  dense?: true
}

export type ReportBlock =
  | { kind: 'heading'; id: string; text: string }
  | { kind: 'text'; text: string; look?: 'soft' | 'strong' }
  | { kind: 'list'; items: readonly string[] }
  | { kind: 'verdict'; verdict: Verdict; text: string }
  | { kind: 'safety'; note: SafetyNote }
  | ReportTable
  | {
      kind: 'formula'
      /** One line as a person would type it; formula.ts sets it. */
      text: string
      /** It says the method in words. */
      inWords: boolean
      /** The right side with the numbers put in, core units. */
      filled: string | undefined
      result: string
    }
  | { kind: 'drawing'; caption: string; description: string; drawing: VectorDrawing }
  | { kind: 'picture'; caption: string; jpeg: string }
  /** Lines to be filled in by hand. */
  | { kind: 'blanks'; labels: readonly string[] }

export interface ReportSection {
  id: SectionId
  title: string
  blocks: readonly ReportBlock[]
}

/** Parts of the report, in their order; each but the summary can be left out. */
export const SECTIONS = {
  summary: 'Summary',
  parts: 'Car and parts',
  clearance: 'Wheel clearance',
  balance: 'Hydraulics and brake balance',
  heat: 'Heat',
  checks: 'Fit checks',
  work: 'Parts list and work order',
  evidence: 'Tests and observations',
  method: 'How it was computed',
} as const
export type SectionId = keyof typeof SECTIONS
export const SECTION_IDS = Object.keys(SECTIONS) as SectionId[]

export interface ReportDocument {
  title: string
  /** Car and setup. */
  subtitle: string
  /** ISO date. */
  madeOn: string
  /** Written into the PDF; undefined: it stays out. */
  attached: ProjectFile | undefined
  sections: readonly ReportSection[]
}

/** What whoever makes the report knows, and the core cannot. */
export interface ReportFacts {
  /** Of the application. */
  version: string
  /** ISO date. */
  madeOn: string
}

/** The exported project that goes with a report. */
export interface ProjectFile {
  name: string
  text: string
  /** SHA-256 (FIPS 180-4) of the text in UTF-8, hexadecimal. */
  hash: string
}

export interface ReportOptions {
  sections: readonly SectionId[]
  /** Prices, sums and the budget are left out without it. */
  prices: boolean
  /** The project goes with it, all of it: prices, notes and pictures too. */
  attach: boolean
}
export const WHOLE_REPORT: ReportOptions = { sections: SECTION_IDS, prices: true, attach: true }

export const heading = (id: string, text: string): ReportBlock => ({ kind: 'heading', id, text })
export const text = (words: string, look?: 'soft' | 'strong'): ReportBlock => ({ kind: 'text', text: words, ...(look ? { look } : {}) })
export const table = (columns: readonly ReportColumn[], rows: readonly (readonly TableCell[])[], dense?: true): ReportBlock[] =>
  rows.length === 0 ? [] : [{ kind: 'table', columns, rows, ...(dense ? { dense } : {}) }]
/** A list, or nothing where there is nothing in it. */
export const list = (items: readonly string[]): ReportBlock[] => (items.length === 0 ? [] : [{ kind: 'list', items }])
