import { computed, ref, type Ref } from 'vue'
import { headerOf } from '#core/formats/parts-csv.ts'
import type { usePartGrid } from './part-grid.ts'

type Grid = Pick<ReturnType<typeof usePartGrid>, 'units' | 'columns' | 'rows' | 'chosen' | 'toggle' | 'message' | 'write'>

const STEPS: Record<string, readonly [down: number, across: number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}
const within = (index: number, count: number): number => Math.max(0, Math.min(index, count - 1))

/**
 * The cell of a table that the keys speak to: moved by arrows, opened by Enter or by typing, closed by Enter, Tab or Escape.
 *
 * @param focus brings the focus to the cell, or into its field while it is open
 */
export function useGridCursor(grid: Grid, focus: () => void) {
  const { units, columns, rows, chosen, toggle, message, write } = grid
  const place = ref({ row: 0, column: 0 })
  /** Where it stands; a table that became smaller pulls it in. */
  const at = computed({
    get: () => ({ row: within(place.value.row, rows.value.length), column: within(place.value.column, columns.value.length) }),
    set: (next) => (place.value = next),
  })
  const editing = ref(false)
  const draft = ref('')

  /** The part and column under it; undefined in an empty table. */
  function here() {
    const part = rows.value[at.value.row]
    const column = columns.value[at.value.column]
    return part && column ? { part, column, text: column.read(part, units.value) } : undefined
  }
  function move(down: number, across: number): void {
    const { row, column } = at.value
    at.value = { row: within(row + down, rows.value.length), column: within(column + across, columns.value.length) }
    focus()
  }
  function begin(text?: string): void {
    const cell = here()
    if (!cell) return
    draft.value = text ?? cell.text
    editing.value = true
    focus()
  }
  /** Takes what was typed and goes on; what cannot be taken stays open, with its message. */
  function finish(down = 0, across = 0): void {
    const cell = here()
    if (!editing.value || !cell) return
    const { part, column, text } = cell
    if (draft.value !== text && !write(`Edit ${part.name}`, [{ partId: part.id, column, text: draft.value }])) return focus()
    editing.value = false
    move(down, across)
  }
  function cancel(): void {
    editing.value = false
    message.value = ''
    focus()
  }
  function clear(): void {
    const cell = here()
    if (cell) write(`Clear ${cell.column.label.toLowerCase()}`, [{ partId: cell.part.id, column: cell.column, text: '' }])
  }
  /** @returns whether the key was one of its own */
  function key({ key: name, shiftKey, ctrlKey, metaKey, altKey }: KeyboardEvent): boolean {
    if (editing.value) {
      if (name === 'Enter') finish(shiftKey ? -1 : 1)
      else if (name === 'Tab') finish(0, shiftKey ? -1 : 1)
      else if (name === 'Escape') cancel()
      else return false
      return true
    }
    const step = STEPS[name]
    if (step) move(...step)
    else if (name === 'Enter' || name === 'F2') begin()
    else if (name === 'Delete') clear()
    else if (name === ' ') {
      const cell = here()
      if (cell) toggle(cell.part.id)
    } else if (name.length === 1 && !ctrlKey && !metaKey && !altKey) begin(name)
    else return false
    return true
  }
  /** What Ctrl+C takes: the chosen rows with their column names, else the cell. */
  function copied(): string | undefined {
    const marked = rows.value.filter((part) => chosen.value.has(part.id))
    if (marked.length === 0) return here()?.text
    return [columns.value.map(headerOf), ...marked.map((part) => columns.value.map((column) => column.read(part, units.value)))]
      .map((row) => row.join('\t'))
      .join('\n')
  }
  function restart(): void {
    at.value = { row: 0, column: 0 }
    editing.value = false
  }
  return { at, editing: editing as Readonly<Ref<boolean>>, draft, begin, finish, key, copied, restart }
}
