<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { SECTION_IDS, SECTIONS, type SectionId } from '#core/technical-report/blocks.ts'
import { useTechnicalReport } from '~/composables/technical-report'
import { useWorkbench } from '~/composables/workbench'
import { useProjectStore } from '~/stores/project'

/** What goes into the technical report, and the report itself as a file. */
const store = useProjectStore()
const { report } = useWorkbench()
const { open, done, trouble, make, cancel } = useTechnicalReport()

const setupId = ref('')
const sections = ref<SectionId[]>([...SECTION_IDS])
const prices = ref(true)
const attach = ref(true)
const paper = ref<'A4' | 'LETTER'>('A4')
const format = ref<'pdf' | 'html'>('pdf')
watch(
  open,
  (now) => {
    if (now) setupId.value = report.value?.setupId ?? store.current.setups[0].id
    else cancel()
  },
  { immediate: true },
)
const setups = computed(() => store.current.setups.map(({ id, name }) => ({ value: id, label: name })))
const PAPERS = [
  { value: 'A4', label: 'A4' },
  { value: 'LETTER', label: 'Letter' },
] as const
const FORMATS = [
  { value: 'pdf', label: 'PDF' },
  { value: 'html', label: 'web page (HTML)' },
] as const
const choices = SECTION_IDS.filter((id) => id !== 'summary')
const percent = computed(() => Math.round((done.value ?? 0) * 100))
const start = () =>
  make({
    setupId: setupId.value,
    sections: [...sections.value],
    prices: prices.value,
    attach: format.value === 'pdf' && attach.value,
    paper: paper.value,
    format: format.value,
  })
</script>

<template>
  <ElDialog v-model="open" title="Technical report" width="min(560px, 94vw)" append-to-body data-test="report-dialog">
    <p class="lead">One document for a workshop, a scrutineer or an engineer: every value, formula, check and source of one setup.</p>
    <div class="fields">
      <FieldItem label="Setup"><ChoiceSelect label="Setup" :value="setupId" :options="setups" @change="setupId = $event" /></FieldItem>
      <FieldItem label="File"
        ><ChoiceSelect label="File" data-field="report-format" :value="format" :options="FORMATS" @change="format = $event"
      /></FieldItem>
      <FieldItem v-if="format === 'pdf'" label="Paper"
        ><ChoiceSelect label="Paper" data-field="report-paper" :value="paper" :options="PAPERS" @change="paper = $event"
      /></FieldItem>
    </div>
    <fieldset>
      <legend>Parts, after the summary</legend>
      <ElCheckboxGroup v-model="sections" class="parts">
        <ElCheckbox v-for="id in choices" :key="id" :value="id" :label="SECTIONS[id]" />
      </ElCheckboxGroup>
    </fieldset>
    <ElCheckbox v-model="prices" class="line" label="Show prices" />
    <template v-if="format === 'pdf'">
      <ElCheckbox v-model="attach" class="line" label="Attach the project file" />
      <p class="soft small">
        {{
          attach
            ? `Drop the PDF on the first page to open the project again. The file holds everything${prices ? '' : ', your prices too'}: notes, pictures and other setups.`
            : 'Whoever gets the PDF cannot open the project from it.'
        }}
      </p>
    </template>
    <p v-if="trouble" class="field-error" role="alert">{{ trouble }}</p>
    <ElProgress v-if="done !== undefined" :percentage="percent" :stroke-width="10" aria-label="Making the report" />
    <template #footer>
      <ElButton @click="open = false">Cancel</ElButton>
      <ElButton type="primary" :disabled="done !== undefined" data-test="make-report" @click="start">
        {{ done === undefined ? 'Make the report' : 'Making it …' }}
      </ElButton>
    </template>
  </ElDialog>
</template>

<style scoped>
.lead {
  margin-top: 0;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px;
}
.line {
  display: flex;
}
fieldset {
  margin: 14px 0 8px;
  padding: 0;
  border: 0;
}
legend {
  padding: 0;
  font-weight: 600;
}
.parts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
}
</style>
