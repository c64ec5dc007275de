import { computed, ref, watch } from 'vue'
import { type NamedOutline, type PointDoubts, type WheelProfile, WHEEL_TAGS, type WheelTag } from '#core/records/field.ts'
import { ASSUMED_LENGTH_U_MM, type Origin } from '#core/quantity/figure.ts'
import type { InstrumentId } from '#core/quantity/instrument.ts'
import type { UnitChoice } from '#core/quantity/units.ts'
import { emptyRow, rowsOf, takeRows, type PointLine } from './point-rows.ts'

export type PointCell = 'z' | 'r'
type TablePoints = NamedOutline[] | WheelProfile | undefined

/** Two texts of one place differ by no more than their last digit, mm. */
const SAME_MM = 0.002
/**
 * What is known of points that were traced: each keeps its doubt while it stands, one that was moved or added by hand is
 * worth no more than the worst of them, nor than any that is measured; the picture stays behind all.
 */
function tracedOf(before: NamedOutline | WheelProfile | undefined, points: readonly (readonly [number, number])[]) {
  if (!before) return {}
  const { doubts, picture } = before
  const worst = (k: 0 | 1) => Math.max(ASSUMED_LENGTH_U_MM.measured, ...doubts!.map((one) => one[k]))
  const same = (one: readonly [number, number]) =>
    before.points.findIndex(([z, r]) => Math.abs(z - one[0]) < SAME_MM && Math.abs(r - one[1]) < SAME_MM)
  return {
    ...(doubts ? { doubts: points.map((one): PointDoubts => doubts[same(one)] ?? [worst(0), worst(1)]) } : {}),
    ...(picture ? { picture } : {}),
  }
}

interface PointTableOptions {
  value(): TablePoints
  profile(): boolean
  units(): UnitChoice
  /** Added to each radius that is typed, mm: half the register where radii are read from its edge. */
  addMm(): number
  /** What the first outline is called. */
  firstName(): string
  instrument: InstrumentId
  /** Where rows that are not whole yet outlast a reload. */
  draft?: { read(): string | undefined; keep(text: string): void; drop(): void }
  change(value: TablePoints): void
}

interface Waiting {
  /** The points the rows were typed over, as text: rows over other points are not put back. */
  over: string
  lines: PointLine[]
}

function waitingIn(text: string | undefined, over: string): PointLine[] | undefined {
  if (text === undefined) return undefined
  try {
    const waiting = JSON.parse(text) as Partial<Waiting>
    return waiting.over === over ? waiting.lines : undefined
  } catch {
    return undefined
  }
}

/**
 * Measured points as a table of texts: a line an outline, a row a point, a cell its readings. What is whole is handed on
 * as points; what is not waits in the table with its problems.
 */
export function usePointTable(options: PointTableOptions) {
  const lines = ref<PointLine[]>([])
  /** The outline in hand. */
  const at = ref(0)
  const instrument = ref<InstrumentId>(options.instrument)
  /** Where the points come from; what is typed beside an instrument was measured. */
  const origin = ref<Origin>('measured')
  /** The cell whose text is being typed: its half register is still to be added. */
  let typing = ''
  let sent = ''

  /** Pictures aside: they are long, and change with the points. */
  const key = (value: unknown) => JSON.stringify(value ?? null, (name, one: unknown) => (name === 'picture' ? undefined : one))
  const over = (value: TablePoints) => `${options.units().length} ${key(value)}`
  /** A figure of the table's unit as the text of a cell. */
  const cellText = (mm: number) => rowsOf([{ name: '', points: [[mm, 0]] }], options.units())[0]!.rows[0]!.z

  function load(): void {
    const value = options.value()
    lines.value = waitingIn(options.draft?.read(), over(value)) ?? rowsOf(value, options.units())
    if (lines.value.length === 0) lines.value = [{ name: options.profile() ? 'profile' : options.firstName(), rows: [] }]
    at.value = Math.min(at.value, lines.value.length - 1)
    const known = value && (Array.isArray(value) ? value[0]?.instrument : value.instrument)
    if (known) instrument.value = known
    const from = value && (Array.isArray(value) ? value[0]?.origin : value.origin)
    origin.value = value ? (from ?? 'reported') : 'measured'
  }
  watch(
    () => [options.value(), options.units()] as const,
    ([value, units], before) => {
      // what was handed on comes back: the texts stay as they were typed
      if (before && key(value) === sent && units === before[1]) return
      load()
    },
    { immediate: true },
  )

  const line = computed(() => lines.value[at.value]!)
  /** One blank row at the end, to go on. */
  const rows = computed(() => [...line.value.rows, emptyRow(line.value.rows[line.value.rows.length - 1]?.tag)])
  const taken = computed(() => lines.value.map((one, index) => takeRows(one.rows, index, options.units(), instrument.value)))
  const problems = computed(() => taken.value.flatMap((one) => one.problems))
  /** Pictures behind what is kept. */
  const pictures = computed(() => {
    const value = options.value()
    return (Array.isArray(value) ? value : value ? [value] : []).flatMap((one) => (one.picture ? [one.picture] : []))
  })
  const drawn = computed(() => lines.value.map((one, index) => ({ name: one.name, points: taken.value[index]!.taken.points })))
  const problemOf = (row: number, cell: PointCell) =>
    problems.value.find((one) => one.line === at.value && one.row === row && one.cell === cell)

  function wait(): void {
    options.draft?.keep(JSON.stringify({ over: over(options.value()), lines: lines.value } satisfies Waiting))
  }
  function hand(next: TablePoints): void {
    sent = key(next)
    options.draft?.drop()
    options.change(next)
  }
  /** Hands on what is whole, unless something cannot be read. */
  function commit(): void {
    if (problems.value.length > 0) return wait()
    const whole = lines.value
      .map((one, index) => ({ name: one.name.trim() || `outline ${index + 1}`, ...taken.value[index]!.taken, line: one, rows: one.rows }))
      .filter((one) => one.points.length >= 2)
    const value = options.value()
    const before = (at: number | undefined) => (at === undefined || !value ? undefined : Array.isArray(value) ? value[at] : value)
    let next: TablePoints
    if (whole.length === 0) next = undefined
    else if (options.profile()) {
      const { points, readings, instrument: used, rows: from } = whole[0]!
      const filled = from.filter((row) => row.z.trim() !== '' || row.r.trim() !== '')
      next = {
        points,
        tags: filled.slice(0, -1).map((row) => row.tag),
        origin: origin.value,
        ...(readings ? { readings, instrument: used! } : {}),
        ...tracedOf(before(whole[0]!.line.from), points),
      }
    } else
      next = whole.map(({ name, points, readings, instrument: used, line: one }) => ({
        name,
        points,
        origin: origin.value,
        ...(readings ? { readings, instrument: used! } : {}),
        ...tracedOf(before(one.from), points),
      }))
    // points that are still one alone wait in the table
    if (next === undefined && lines.value.some((one) => one.rows.length > 0)) return wait()
    whole.forEach(({ line: one }, index) => (one.from = index))
    for (const one of lines.value) if (!whole.some(({ line: each }) => each === one)) delete one.from
    if (key(next) !== key(options.value())) hand(next)
    else options.draft?.drop()
  }
  /** After something was taken away: with no row left there are no points. */
  const settle = () => (lines.value.every((one) => one.rows.length === 0) ? hand(undefined) : commit())

  function write(row: number, cell: PointCell, text: string): void {
    if (row === line.value.rows.length) {
      if (text.trim() === '') return
      line.value.rows.push(emptyRow(line.value.rows[row - 1]?.tag))
    }
    Object.assign(line.value.rows[row]!, { [cell]: text, read: true })
    wait()
  }
  function typed(row: number, cell: PointCell, text: string): void {
    typing = `${row}${cell}`
    write(row, cell, text)
  }
  /** A cell was left: a radius that is read from the register's edge gets its half now. */
  function left(row: number, cell: PointCell, text: string): void {
    if (text !== (line.value.rows[row]?.[cell] ?? '') || typing === `${row}${cell}`) {
      write(row, cell, cell === 'r' && text.trim() !== '' ? withRegister(text) : text)
      typing = ''
    }
    commit()
  }
  function withRegister(text: string): string {
    const addMm = options.addMm()
    if (addMm === 0) return text
    const { taken: one } = takeRows([{ z: text, r: text, tag: 'barrel', read: true }], 0, options.units(), instrument.value)
    if (!one.readings) return text
    const moved = one.readings[0]![0].map((value) => value + addMm)
    return rowsOf([{ name: '', points: [[moved[0]!, moved[0]!]], readings: [[moved, moved]] }], options.units())[0]!.rows[0]!.z
  }
  /**
   * A block from a spreadsheet fills rows from here on: z, r and for a profile the tag.
   * @returns false for a single text, which is the cell's own affair
   */
  function pasted(row: number, cell: PointCell, text: string): boolean {
    const block = text.trim()
    if (!/[\n\t]/.test(block)) return false
    typing = ''
    const texts = block.split(/\r?\n/).filter((one) => one.trim() !== '')
    texts.forEach((one, offset) => {
      const pieces = one.split('\t').map((piece) => piece.trim())
      if (pieces.length === 1) write(row + offset, cell, pieces[0]!)
      else {
        write(row + offset, 'z', pieces[0]!)
        write(row + offset, 'r', pieces[1]!)
        const known = WHEEL_TAGS.find((tagged) => tagged === pieces[2]?.toLowerCase())
        if (known) line.value.rows[row + offset]!.tag = known
      }
    })
    commit()
    return true
  }
  /** One more reading of a cell, from a gauge. */
  function read(row: number, cell: PointCell, valueMm: number): void {
    const before = line.value.rows[row]?.[cell].trim() ?? ''
    const reading = cellText(valueMm + (cell === 'r' ? options.addMm() : 0))
    write(row, cell, before ? `${before}; ${reading}` : reading)
    commit()
  }
  function setTag(row: number, to: WheelTag): void {
    const one = line.value.rows[row]
    if (one) one.tag = to
    commit()
  }
  function remove(row: number): void {
    line.value.rows.splice(row, 1)
    if (line.value.rows.length === 0 && lines.value.length > 1) removeLine()
    else settle()
  }
  /** A point halfway to the next one: it was not read. */
  function insertAfter(row: number): void {
    const here = taken.value[at.value]!.taken.points
    const [a, b] = [here[row], here[row + 1]]
    const middle = a && b ? { z: cellText((a[0] + b[0]) / 2), r: cellText((a[1] + b[1]) / 2) } : {}
    line.value.rows.splice(row + 1, 0, { ...emptyRow(line.value.rows[row]!.tag), ...middle, read: false })
    commit()
  }
  /** A point was dragged in the drawing: that is no reading. */
  function moved(point: number, z: number, r: number): void {
    const row = line.value.rows[point]
    if (row) Object.assign(row, { z: cellText(z), r: cellText(r), read: false })
  }
  function add(name: string): void {
    lines.value.push({ name: name || `outline ${lines.value.length + 1}`, rows: [] })
    at.value = lines.value.length - 1
  }
  function removeLine(): void {
    lines.value.splice(at.value, 1)
    at.value = Math.max(at.value - 1, 0)
    if (lines.value.length === 0) lines.value = [{ name: options.firstName(), rows: [] }]
    settle()
  }
  function rename(name: string): void {
    line.value.name = name.slice(0, 120)
    commit()
  }

  return {
    lines,
    at,
    line,
    rows,
    instrument,
    origin,
    problems,
    problemOf,
    drawn,
    pictures,
    commit,
    typed,
    left,
    pasted,
    read,
    setTag,
    remove,
    insertAfter,
    moved,
    add,
    removeLine,
    rename,
  }
}
