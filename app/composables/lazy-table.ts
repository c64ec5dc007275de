import { defineAsyncComponent } from 'vue'
import type DataTable from '../components/said/DataTable.vue'

/** The table where the first page does without it: it loads when it is shown, and knows its rows' type all the same. */
export const LazyTable = defineAsyncComponent(() => import('../components/said/DataTable.vue')) as unknown as typeof DataTable
