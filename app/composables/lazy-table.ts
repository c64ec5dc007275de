import { defineAsyncComponent } from 'vue'
import { whenIdle } from './idle.ts'
import type DataTable from '../components/ui/DataTable.vue'

/** The table where the first page does without it: it loads when it is shown, and knows its rows' type all the same. */
export const LazyTable = defineAsyncComponent(load) as unknown as typeof DataTable

function load() {
  return import('../components/ui/DataTable.vue')
}
/** Fetches it in an idle moment, so that a list shows at once. */
export const fetchTableAhead = (): void => whenIdle(() => void load())
