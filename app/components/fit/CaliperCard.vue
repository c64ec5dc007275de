<script setup lang="ts">
import { computed, ref } from 'vue'
import { PAPERS, template, type Paper } from '#core/formats/template.ts'
import { templateSvg } from '#core/formats/template-svg.ts'
import { resolveSetup } from '#core/records/resolve.ts'
import { useProjectStore } from '~/stores/project'
import { useFormats } from '~/composables/formats'
import { writePointsCsv } from '#core/formats/points-text.ts'
import { download } from '~/composables/project-files'
import { useWorkbench } from '~/composables/workbench'

/** The caliper's outline in true size on paper, to cut out and turn inside a wheel, and as a drawing. */
const store = useProjectStore()
const { setup, axle, report, chooseAxle } = useWorkbench()
const formats = useFormats()
const paper = ref<Paper>('a4')
const papers = (Object.keys(PAPERS) as Paper[]).map((value) => ({ value, label: PAPERS[value].label }))
const page = ref(0)
const trouble = ref('')

const corner = computed(() => report.value?.corners[axle.value])
const caliperName = computed(() =>
  setup.value ? (resolveSetup(store.current, setup.value)[axle.value].caliper?.name ?? 'caliper') : 'caliper',
)
const options = computed(() => ({
  title: `${caliperName.value}, ${axle.value}, ${store.current.car.name}`,
  date: new Date().toISOString().slice(0, 10),
  paper: paper.value,
}))
const made = computed(() => (corner.value?.caliper ? template(corner.value.caliper, options.value) : undefined))
const at = computed(() => Math.min(page.value, (made.value?.pages.length ?? 1) - 1))
const preview = computed(() =>
  made.value ? `data:image/svg+xml;charset=utf-8,${encodeURIComponent(templateSvg(made.value, at.value))}` : '',
)
const fileName = computed(
  () =>
    `${caliperName.value}-${axle.value}`
      .normalize('NFKD')
      .replace(/[^\w-]+/g, '-')
      .toLowerCase()
      .slice(0, 60) || 'caliper',
)

async function guarded(work: () => Promise<void> | void) {
  try {
    await work()
    trouble.value = ''
  } catch (error) {
    trouble.value = `The file could not be made: ${error instanceof Error ? error.message : String(error)}.`
  }
}
const pdf = () =>
  guarded(async () => download(`${fileName.value}.pdf`, await formats.pdf(corner.value!.caliper!, options.value), 'application/pdf'))
const svg = () => guarded(() => download(`${fileName.value}-${at.value + 1}.svg`, templateSvg(made.value!, at.value), 'image/svg+xml'))
const drawing = () =>
  guarded(async () => {
    const lines = [
      ...corner.value!.caliper!,
      ...(corner.value!.wheel ? [{ name: 'wheel, own frame', points: corner.value!.wheel.points }] : []),
    ]
    download(`${fileName.value}.dxf`, await formats.write(lines), 'application/dxf')
  })
const points = () => guarded(() => download(`${fileName.value}.csv`, writePointsCsv(corner.value!.caliper!), 'text/csv'))
</script>

<template>
  <div class="card">
    <section>
      <h1>Full-size template of the {{ axle }} caliper</h1>
      <template v-if="made">
        <p>
          Cut the true-size outline out of card. Put its straight edge on the wheel mounting face, its corner on the hub axis, and turn it.
        </p>
        <div class="row">
          <FieldItem label="Paper"
            ><ChoiceSelect data-test="paper" :value="paper" :options="papers" label="Paper" @change="paper = $event"
          /></FieldItem>
          <FieldItem v-if="made.pages.length > 1" label="Sheet"
            ><ChoiceSelect
              :value="page"
              :options="made!.pages.map((_, i) => ({ value: i, label: `${i + 1} of ${made!.pages.length}` }))"
              label="Sheet"
              @change="page = $event"
          /></FieldItem>
          <ElButton @click="chooseAxle(axle === 'front' ? 'rear' : 'front')"> {{ axle === 'front' ? 'Rear' : 'Front' }} instead </ElButton>
        </div>
        <div class="row">
          <ElButton type="primary" data-test="pdf" @click="pdf">PDF to print</ElButton>
          <ElButton data-test="svg" @click="svg">SVG</ElButton>
          <ElButton data-test="dxf" @click="drawing">DXF with the wheel</ElButton>
          <ElButton data-test="csv" @click="points">Points as CSV</ElButton>
        </div>
        <p v-if="trouble" class="field-error" role="alert">{{ trouble }}</p>
        <p>Print at 100%: the bar at the bottom must measure 100.0 mm. A card does not replace a trial fit.</p>
        <SafetyNote
          :note="{
            level: 'warning',
            hazard: 'A caliper or wheel that was ground can break.',
            action: 'Never grind either to gain clearance.',
          }"
        />
        <p class="soft small">{{ made.pages.length === 1 ? 'One sheet.' : `${made.pages.length} sheets that overlap by 10 mm.` }}</p>
      </template>
      <template v-else>
        <p class="soft">The card needs the caliper’s outline and where it sits on this car.</p>
        <ToFindOut v-if="corner" :missing="corner.missing" />
      </template>
    </section>
    <figure v-if="made">
      <img :src="preview" :alt="`Preview of the card on ${PAPERS[paper].label}`" data-test="card-preview" />
    </figure>
  </div>
</template>

<style scoped>
.card {
  display: grid;
  grid-template-columns: minmax(280px, 400px) minmax(0, 1fr);
  gap: 24px;
  overflow: auto;
}
h1 {
  margin-bottom: 6px;
  font-size: 18px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: flex-end;
  margin: 10px 0;
}
figure {
  display: flex;
  justify-content: center;
  min-height: 0;
  margin: 0;
}
img {
  max-width: 100%;
  max-height: 100%;
  background: #fff;
  border: 1px solid var(--line);
}
@media (max-width: 760px) {
  .card {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
