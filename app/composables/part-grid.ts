import { computed, ref, type Ref } from 'vue'
import { partColumns, type CellContext, type PartColumn } from '#core/formats/part-cells.ts'
import { partRecord } from '#core/records/part.ts'
import { recordSchema } from '#core/records/record-schema.ts'
import { schemaProblems } from '#core/records/schema-problems.ts'
import type { PartKind } from '#core/records/part-kinds.ts'
import type { Part } from '#core/records/part.ts'
import { useProjectStore } from '../stores/project.ts'

/** The table of one kind of part: rows, order, what is chosen, and the way in for what is typed or pasted. */
export function usePartGrid(kind: Ref<PartKind>, filter: Ref<string>) {
  const store = useProjectStore()
  const units = computed(() => store.current.preferences.units)
  const sortBy = ref<{ id: string; up: boolean }>()
  const chosen = ref(new Set<string>())
  const message = ref('')

  const mine = computed(() => store.current.parts.filter((part) => part.kind === kind.value))
  const all = computed(() => partColumns(kind.value, units.value).filter((column) => !column.aside))
  const context = computed<CellContext>(() => ({
    units: units.value,
    origin: 'measured',
    date: new Date().toISOString().slice(0, 10),
    currency: store.current.preferences.currency,
  }))
  /** The columns of which any part has something, and those that are always wanted. */
  const ALWAYS = new Set(['name', 'maker', 'price.likelyMinor'])
  const columns = computed(() =>
    all.value.filter((column) => ALWAYS.has(column.id) || mine.value.some((part) => column.read(part, units.value) !== '')),
  )
  const rows = computed(() => {
    const words = filter.value.trim().toLowerCase()
    const found = mine.value.filter(
      (part) => words === '' || columns.value.some((column) => column.read(part, units.value).toLowerCase().includes(words)),
    )
    const by = sortBy.value && all.value.find((column) => column.id === sortBy.value!.id)
    if (!by) return found
    const sign = sortBy.value!.up ? 1 : -1
    return [...found].sort((a, b) => {
      const [x, y] = [by.value(a), by.value(b)]
      // what is not known stands last either way
      if (x === undefined || y === undefined) return Number(x === undefined) - Number(y === undefined)
      return sign * (typeof x === 'number' && typeof y === 'number' ? x - y : String(x).localeCompare(String(y)))
    })
  })
  function sort(id: string): void {
    sortBy.value = sortBy.value?.id === id ? (sortBy.value.up ? { id, up: false } : undefined) : { id, up: true }
  }

  interface Cell {
    partId: string
    column: PartColumn
    text: string
  }
  /** Writes cells as one step, or none of them: the message then names the first that is wrong. */
  function write(label: string, cells: readonly Cell[]): boolean {
    const changed = new Map<string, Record<string, unknown>>()
    for (const { partId, column, text } of cells) {
      const part =
        changed.get(partId) ?? (JSON.parse(JSON.stringify(mine.value.find((one) => one.id === partId))) as Record<string, unknown>)
      changed.set(partId, part)
      const wrong = column.write(part, text, context.value)
      const problem = wrong ?? schemaProblems(recordSchema(partRecord(kind.value)), part)[0]?.message
      if (problem) {
        message.value = `${String(part.name ?? 'Part')}, ${column.label}: ${problem.replace(/\.$/, '')}. Nothing was changed.`
        return false
      }
    }
    const problems = store.edit(
      label,
      (draft) => {
        draft.parts.forEach((part, index) => {
          const next = changed.get(part.id)
          if (next) draft.parts[index] = next as unknown as Part
        })
      },
      { shows: true },
    )
    message.value = problems[0] ? `${problems[0].place}: ${problems[0].message}.` : ''
    return problems.length === 0
  }
  /** A block of cells, as a spreadsheet copies it, from one cell on. */
  function paste(text: string, rowAt: number, columnAt: number): boolean {
    const lines = text.replace(/\r/g, '').replace(/\n$/, '').split('\n')
    const cells: Cell[] = []
    let beyond = false
    lines.forEach((line, down) =>
      line.split('\t').forEach((cell, across) => {
        const part = rows.value[rowAt + down]
        const column = columns.value[columnAt + across]
        if (part && column) cells.push({ partId: part.id, column, text: cell })
        else beyond ||= cell.trim() !== ''
      }),
    )
    const ok = write(`Paste ${cells.length} cells`, cells)
    if (ok && beyond) message.value = 'Cells beyond the table were left out. To import new parts, paste a first row of column names too.'
    return ok
  }
  const setAll = (column: PartColumn, text: string): boolean =>
    write(
      `Set ${column.label.toLowerCase()} of ${chosen.value.size}`,
      [...chosen.value].map((partId) => ({ partId, column, text })),
    )
  /** A row is chosen or not; those that went away are no longer. */
  function toggle(id: string): void {
    const next = new Set([...chosen.value].filter((one) => mine.value.some((part) => part.id === one)))
    if (!next.delete(id)) next.add(id)
    chosen.value = next
  }
  return { units, mine, all, columns, rows, sortBy, sort, chosen, toggle, message, write, paste, setAll }
}
