<script setup lang="ts" generic="Row extends object">
/** Rows and columns as a table: sorted by a press on a head where it can be, its cells filled by slots of their column's name. */
interface TableColumn<R> {
  id: string
  label: string
  /** The label is for screen readers alone. */
  unseen?: boolean
  /** Figures stand to the right, in numerals of one width. */
  number?: boolean
  /** No narrower than this, px. */
  least?: number
  /** What it is sorted by; without it, it is not. */
  by?: (row: R) => number | string
  /** What stands in it where no slot fills it. */
  text?: (row: R) => string
}
const props = defineProps<{
  rows: readonly Row[]
  columns: readonly TableColumn<Row>[]
  rowClass?: (row: Row) => string
  /** How many columns a cell goes over, from this one on; 0 where another goes over it. */
  span?: (row: Row, columnId: string) => number
  /** Rows that say by themselves what they hold. */
  headless?: boolean
}>()
const spanOf = ({ row, columnIndex }: { row: unknown; columnIndex: number }) => ({
  rowspan: 1,
  colspan: props.span?.(row as Row, props.columns[columnIndex]!.id) ?? 1,
})
defineSlots<Record<string, (scope: { row: Row }) => unknown>>()
</script>

<template>
  <ElTable
    :data="[...rows]"
    :show-header="!headless"
    :span-method="span ? spanOf : undefined"
    :row-class-name="({ row }) => rowClass?.(row as Row) ?? ''"
  >
    <ElTableColumn
      v-for="column in columns"
      :key="column.id"
      :label="column.label"
      :align="column.number ? 'right' : 'left'"
      :class-name="column.number ? 'num' : ''"
      :min-width="column.least ?? 90"
      :sortable="column.by !== undefined"
      :sort-by="column.by as never"
    >
      <template v-if="column.unseen" #header
        ><span class="visually-hidden">{{ column.label }}</span></template
      >
      <!-- a column is drawn once without a row, to see whether columns stand in it -->
      <template #default="{ row, $index }"
        ><slot v-if="$index >= 0" :name="column.id" :row="row as Row">{{ column.text?.(row as Row) }}</slot></template
      >
    </ElTableColumn>
  </ElTable>
</template>
