import type { Field, FieldTable } from '../records/field.ts'
import { fieldSchema } from '../records/record-schema.ts'
import { fieldsOf, type PartKind } from '../records/part-kinds.ts'
import { schemaProblems } from '../records/schema-problems.ts'
import { WAY_IDS } from '../records/way-ids.ts'
import { figuresFrom, WAYS, type Derivation } from '../records/ways.ts'
import type { Figure } from '../quantity/figure.ts'
import { parseQuantity } from '../quantity/parse.ts'
import type { UnitChoice } from '../quantity/units.ts'

/** What a line of text says of a part, and what of it was not understood. */
interface PartLine {
  name?: string
  /** Fields as a part holds them. */
  values: Record<string, Figure | Figure[] | string>
  /** Pieces that say nothing that is known, or something that cannot be, each with the reason. */
  left: string[]
}

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\d]+/gu, ' ')
    .trim()

/** A key as people read it: `slotWidthMm` is "slot width". */
const keyWords = (key: string): string => plain(key.replace(/(Mm2|Mm|Kg|Mpa|In|C|N)$/, '').replace(/([A-Z])/g, ' $1'))

/** The field that words name: its label, its key, or the beginning of one of them; the longest wins. */
function fieldNamed(table: FieldTable, words: string): string | undefined {
  const wanted = plain(words)
  if (wanted === '') return undefined
  let best: { key: string; score: number } | undefined
  for (const [key, field] of Object.entries(table))
    for (const known of [plain(field.label), keyWords(key)]) {
      const fits = known === wanted || known.startsWith(`${wanted} `) || wanted.startsWith(`${known} `) || known.startsWith(wanted)
      const score =
        known === wanted ? 1000 : fits ? Math.min(known.length, wanted.length) - Math.abs(known.length - wanted.length) / 100 : 0
      if (score > (best?.score ?? 0)) best = { key, score }
    }
  return best?.key
}

/** "Slot width 32 mm" in words and value: the value begins with the first number. */
const NUMBERED = /^(.*?)[\s:=]*([-+\u2212]?(?:\d|[½¼¾⅛⅜⅝⅞])[^]*)$/u

/**
 * Reads a part from one line of text, or from the head and one row of a spreadsheet: pieces parted by commas, tabs or line
 * ends, each a field by its label and a value: `Four-piston caliper, fixed, pistons on one side 38.1; 41.3, slot width 32 mm`.
 * A wheel's or a part's marking is understood as a whole. What is no field is left, with the reason.
 *
 * @param units assumed where none is typed
 * @param date ISO date that the figures get
 */
export function readPartLine(kind: PartKind, text: string, units: UnitChoice, date?: string): PartLine {
  const table = fieldsOf(kind)
  const found: PartLine = { values: {}, left: [] }
  for (const piece of piecesOf(text)) {
    if (takeMarking(kind, piece, found, date) || takeChoice(table, piece, found)) continue
    const numbered = NUMBERED.exec(piece)
    const key = numbered ? fieldNamed(table, numbered[1]!) : undefined
    if (numbered && key) take(key, table[key]!, numbered[2]!, piece)
    else if (!numbered && found.name === undefined && !fieldNamed(table, piece)) found.name = piece.slice(0, 120)
    else if (found.name === undefined && Object.keys(found.values).length === 0) found.name = piece.slice(0, 120)
    else found.left.push(`“${piece.slice(0, 60)}” names no figure of a ${kind}.`)
  }
  return found

  function take(key: string, field: Field, value: string, piece: string): void {
    if (field.type === 'text') {
      found.values[key] = value.trim().slice(0, field.maxLength)
      return
    }
    if (field.type !== 'figure' && field.type !== 'figures') {
      found.left.push(`“${piece.slice(0, 60)}”: ${field.label} is not typed in a line.`)
      return
    }
    const figures: Figure[] = []
    for (const one of field.type === 'figures' ? value.split(/[;+]/) : [value]) {
      const parsed = parseQuantity(one, field.dimension, units)
      if (!parsed.ok) {
        found.left.push(`${field.label}: ${parsed.message}`)
        return
      }
      const u = parsed.u === undefined ? {} : { u: parsed.u }
      figures.push({ value: parsed.value, ...u, origin: 'reported', ...(date === undefined ? {} : { date }) })
    }
    const held = field.type === 'figures' ? figures : figures[0]!
    const [problem] = schemaProblems(fieldSchema(field, units), held)
    if (problem) found.left.push(`${field.label} ${problem.message}.`)
    else found.values[key] = held
  }
}

/** Head and row of a spreadsheet are joined column by column; else tabs, line ends and commas part the pieces. */
function piecesOf(text: string): string[] {
  const rows = text
    .split(/\r?\n/)
    .map((row) => row.trim())
    .filter(Boolean)
    .map((row) => row.split('\t').map((cell) => cell.trim()))
  const [head, row] = rows
  const pieces =
    rows.length === 2 && head!.length > 1 && head!.length >= row!.length
      ? row!.map((cell, i) => (cell === '' ? '' : /^(name|part)$/i.test(head![i]!) ? cell : `${head![i]} ${cell}`))
      : rows.flat().flatMap((cell) => cell.split(/,\s+(?=\D)/))
  return pieces.map((piece) => piece.trim()).filter(Boolean)
}

function takeMarking(kind: PartKind, piece: string, found: PartLine, date: string | undefined): boolean {
  for (const id of WAY_IDS) {
    const way: Derivation = WAYS[id]
    const [name, asked] = Object.entries(way.asks)[0]!
    if (!way.on.includes(kind) || asked.type !== 'text') continue
    const made = figuresFrom(id, { [name]: piece }, date)
    if (typeof made === 'string') continue
    Object.assign(found.values, made)
    return true
  }
  return false
}

/** "fixed", "construction fixed, pistons on both sides", "vented". */
function takeChoice(table: FieldTable, piece: string, found: PartLine): boolean {
  const said = plain(piece)
  for (const [key, field] of Object.entries(table)) {
    if (field.type !== 'choice' || found.values[key] !== undefined) continue
    const label = plain(field.label)
    const word = said.startsWith(`${label} `) ? said.slice(label.length + 1) : said
    // yes and no say nothing without their question
    if (word === said && /^(yes|no|none)$/.test(word)) continue
    const option = field.options.find(
      (one) => plain(one.value) === word || plain(one.label) === word || plain(one.label).split(' ')[0] === word,
    )
    if (!option) continue
    found.values[key] = option.value
    return true
  }
  return false
}
