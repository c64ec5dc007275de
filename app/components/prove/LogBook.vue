<script setup lang="ts">
import { computed, ref } from 'vue'
import { LOG_FILES, readLogCsv, writeLogCsv, type LogFile } from '#core/formats/log-csv.ts'
import { LOG_KINDS, timeline, type LogEntry, type LogKind } from '#core/evidence/logbook.ts'
import { stepTitles } from '#core/work-order/work-order.ts'
import { counted } from '#core/figures/words.ts'
import { newId } from '~/composables/new-id'
import { download } from '~/composables/project-files'
import { useProjectStore } from '~/stores/project'
import { useWorkbench } from '~/composables/workbench'

/** Everything that was done, measured and felt, by date; and tables of each kind in and out. */
const store = useProjectStore()
const { link } = useWorkbench()
const kind = ref<LogKind | 'all'>('all')
const setupId = ref('all')
const track = ref('all')
const all = computed(() => timeline(store.current, (setupId) => stepTitles(store.current, setupId)))
const shown = computed(() =>
  all.value.filter(
    (one) =>
      (kind.value === 'all' || one.kind === kind.value) &&
      (setupId.value === 'all' || one.setupId === setupId.value) &&
      (track.value === 'all' || one.track === track.value),
  ),
)
/** A long log is shown from its end. */
const AT_ONCE = 200
const most = ref(AT_ONCE)
const kinds = computed(() => (Object.keys(LOG_KINDS) as LogKind[]).filter((one) => all.value.some((entry) => entry.kind === one)))
const tracks = computed(() => [...new Set(all.value.flatMap((one) => one.track || []))])
const columns = [
  { id: 'date', label: 'Day', least: 96, text: (one: LogEntry) => one.date.slice(0, 10) || 'no day', by: (one: LogEntry) => one.date },
  { id: 'what', label: 'What', least: 120, text: (one: LogEntry) => LOG_KINDS[one.kind] },
  { id: 'text', label: 'Entry', least: 320 },
  { id: 'setup', label: 'Setup', least: 140, text: (one: LogEntry) => one.setupName },
]
const VIEW_OF: Partial<Record<LogKind, string>> = {
  stop: 'stops',
  lock: 'locks',
  gauge: 'gauges',
  wear: 'wear',
  temperature: 'temperatures',
  fit: 'reports',
}
const to = (one: LogEntry) =>
  one.kind === 'build'
    ? link('build', { view: 'order', ...(one.setupId === undefined ? {} : { setup: one.setupId }) })
    : link('prove', {
        view: VIEW_OF[one.kind]!,
        ...(one.setupId && store.current.setups.some((other) => other.id === one.setupId) ? { setup: one.setupId } : {}),
      })
const said = ref('')
const error = ref<string[]>([])
/** So many lines of a file are named one by one. */
const MOST_SHOWN = 8
const files = computed(() => Object.keys(LOG_FILES) as LogFile[])
const save = (file: LogFile) => download(`${store.current.name}, ${LOG_FILES[file]}.csv`, writeLogCsv(store.current, file), 'text/csv')
async function read(file: LogFile, picked: File) {
  said.value = ''
  const { entries, rejected, rejectedCount, notRead } = readLogCsv(await picked.text(), file, () => newId())
  const shown = [...rejected.slice(0, MOST_SHOWN), ...notRead.slice(0, MOST_SHOWN)]
  const more = rejectedCount - Math.min(rejected.length, MOST_SHOWN)
  error.value = [
    ...shown.map((one) => `${picked.name}, line ${one.line}: ${one.reasons.join('; ')}`),
    ...(more > 0 ? [`${counted(more, 'more line was', 'more lines were')} left out, ${rejectedCount} in all.`] : []),
    ...(notRead.length > MOST_SHOWN ? [`${notRead.length - MOST_SHOWN} more lines hold cells that are not read.`] : []),
  ]
  if (entries.length === 0) return
  const problems = store.edit(`Import ${LOG_FILES[file]} from a table`, (draft) => void (draft[file] as unknown[]).push(...entries), {
    shows: true,
  })
  if (problems[0]) error.value = [`${problems[0].place}: ${problems[0].message}.`]
  else said.value = `${counted(entries.length, 'entry', 'entries')} added to ${LOG_FILES[file]}.`
}
</script>

<template>
  <div class="book">
    <h1 data-test="log-says">
      {{
        all.length === 0
          ? 'No entries yet'
          : `${counted(all.length, 'entry', 'entries')}, the last of ${all[0]!.date.slice(0, 10) || 'no day'}`
      }}
    </h1>
    <p v-if="all.length === 0" class="soft">
      The logbook lists stops, lock-ups, pressures, temperatures, wear, fit reports and build steps by date. Start with
      <NuxtLink :to="link('prove', { view: 'stops' })">three stops of the current car</NuxtLink>.
    </p>
    <template v-else>
      <div class="entry no-print">
        <FieldItem label="Kind"
          ><ChoiceSelect
            label="Kind"
            :value="kind"
            :options="[{ value: 'all' as const, label: 'everything' }, ...kinds.map((value) => ({ value, label: LOG_KINDS[value] }))]"
            @change="kind = $event as typeof kind"
        /></FieldItem>
        <FieldItem label="Setup"
          ><ChoiceSelect
            label="Setup"
            :value="setupId"
            :options="[{ value: 'all', label: 'all setups' }, ...store.current.setups.map((one) => ({ value: one.id, label: one.name }))]"
            @change="setupId = $event"
        /></FieldItem>
        <FieldItem v-if="tracks.length > 0" label="Place"
          ><ChoiceSelect
            label="Place"
            :value="track"
            :options="[{ value: 'all', label: 'all places' }, ...tracks.map((value) => ({ value, label: value }))]"
            @change="track = $event"
        /></FieldItem>
      </div>
      <NothingYet v-if="shown.length === 0" text="Nothing of that kind." />
      <DataTable v-else :rows="shown.slice(0, most)" :columns="columns" data-test="timeline">
        <template #text="{ row }"
          ><NuxtLink :to="to(row)">{{ row.text }}</NuxtLink
          ><span v-if="row.note || row.track" class="soft small">; {{ [row.track, row.note].filter(Boolean).join('; ') }}</span></template
        >
      </DataTable>
      <ElButton v-if="shown.length > most" class="no-print" @click="most += AT_ONCE"
        >Show {{ Math.min(AT_ONCE, shown.length - most) }} older ones</ElButton
      >
    </template>
    <FoldedPart class="no-print" title="Tables in and out">
      <p class="soft small">
        CSV of one kind each: lengths in mm, distances in m, pressures in MPa, temperatures in °C. Fit reports have their own, with JSON
        Lines, in their view.
      </p>
      <ul class="tables">
        <li v-for="file in files" :key="file">
          <span>{{ LOG_FILES[file] }}</span>
          <ElButton :disabled="store.current[file].length === 0" :data-test="`csv-out-${file}`" @click="save(file)"
            >Save {{ store.current[file].length }}</ElButton
          >
          <FilePick label="Read" accept=".csv,.txt,.tsv" :name="`csv-in-${file}`" @pick="read(file, $event)" />
        </li>
      </ul>
      <p v-if="said" class="small tone-fits" role="status">{{ said }}</p>
      <p v-for="one in error" :key="one" class="field-error" role="alert">{{ one }}</p>
    </FoldedPart>
  </div>
</template>

<style scoped>
.book {
  display: grid;
  gap: 8px;
  max-width: 980px;
}
.book > * {
  min-width: 0;
}
.tables {
  margin: 0;
  padding: 0;
  list-style: none;
}
.tables li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 3px 0;
}
.tables li > span:first-child {
  width: 160px;
}
</style>
