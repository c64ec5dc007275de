import { createSharedComposable } from '@vueuse/core'
import { computed, ref } from 'vue'
import { partColumns, type CellContext } from '#core/formats/part-cells.ts'
import { guessMapping, MAX_TABLE_BYTES, partsFromTable, readTable, type PlainTable } from '#core/formats/parts-csv.ts'
import { PART_KINDS, type PartKind } from '#core/records/part-kinds.ts'
import type { Part } from '#core/records/part.ts'
import type { Origin } from '#core/quantity/figure.ts'
import { newId } from './new-id.ts'
import { useProjectStore } from '../stores/project.ts'

const today = (): string => new Date().toISOString().slice(0, 10)

/** A table of parts on its way in: what was pasted or opened, which column is what, and what will become of each row. */
export const useTableImport = createSharedComposable(() => {
  const store = useProjectStore()
  const table = ref<PlainTable>()
  const kind = ref<PartKind>('caliper')
  const origin = ref<Origin>('published')
  /** Rows whose name, maker and number are there already change that part. */
  const update = ref(false)
  const mapping = ref<(string | null)[]>([])
  const problem = ref('')
  let ids: string[] = []

  const units = computed(() => store.current.preferences.units)
  const columns = computed(() => partColumns(kind.value, units.value))
  const context = computed<CellContext>(() => ({
    units: units.value,
    origin: origin.value,
    date: today(),
    currency: store.current.preferences.currency,
  }))
  const taken = computed(
    () => table.value && partsFromTable(table.value, mapping.value, kind.value, context.value, (row) => ids[row] ?? newId()),
  )
  const known = (part: Part) =>
    store.current.parts.find(
      (one) => one.kind === part.kind && one.name === part.name && one.maker === part.maker && one.number === part.number,
    )
  const changes = computed(() => (update.value ? (taken.value?.parts.filter((part) => known(part)).length ?? 0) : 0))

  function guess(): void {
    mapping.value = table.value ? guessMapping(table.value.header, columns.value) : []
  }
  /** @returns whether it is a table; if not, `problem` says why */
  function start(text: string, as: PartKind): boolean {
    const read = readTable(text)
    problem.value = read.ok ? '' : read.message
    if (!read.ok) return false
    table.value = read.table
    kind.value = as
    ids = read.table.rows.map(() => newId())
    guess()
    return true
  }
  async function startFile(file: File, as: PartKind): Promise<boolean> {
    if (file.size > MAX_TABLE_BYTES) {
      problem.value = `${file.name.slice(0, 60)} is larger than ${MAX_TABLE_BYTES / 1e6} MB. Split it.`
      return false
    }
    try {
      return start(await file.text(), as)
    } catch {
      problem.value = `${file.name.slice(0, 60)} cannot be read. Was it moved?`
      return false
    }
  }
  function choose(as: PartKind): void {
    kind.value = as
    guess()
  }
  /** Whether a pasted text is a table with a header of this kind, and not a block of cells. */
  function looksLikeTable(text: string, as: PartKind): boolean {
    const read = readTable(text)
    return read.ok && guessMapping(read.table.header, partColumns(as, units.value)).filter((one) => one !== null).length >= 2
  }
  /** Takes the rows that are in order, as one step. Returns what kept it from being done. */
  function take(): string {
    const found = taken.value
    if (!found || found.parts.length === 0) return 'No row can be imported.'
    const problems = store.edit(
      `Import ${found.parts.length} ${PART_KINDS[kind.value].many}`,
      (draft) => {
        for (const part of found.parts) {
          const at = update.value ? draft.parts.findIndex((one) => one.id === known(part)?.id) : -1
          if (at < 0) draft.parts.push(part)
          // what the table does not name stays as it was
          else draft.parts[at] = { ...draft.parts[at]!, ...part, id: draft.parts[at]!.id } as Part
        }
      },
      { shows: true },
    )
    if (problems[0]) return `${problems[0].place}: ${problems[0].message}.`
    close()
    return ''
  }
  function close(): void {
    table.value = undefined
    problem.value = ''
  }
  return { table, kind, origin, update, mapping, columns, taken, changes, problem, start, startFile, choose, looksLikeTable, take, close }
})
