<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { keyFigures, withoutCounts } from '#core/evaluate/key-figures.ts'
import { useProjectStore } from '~/stores/project'
import { useUncertainty } from '~/composables/uncertainty'
import { useHeatBriefs } from '~/composables/heat'
import { useWorkbench } from '~/composables/workbench'

const store = useProjectStore()
const { report, stock, units, openFigureId } = useWorkbench()
const { briefs } = useHeatBriefs()
const { doubt } = useUncertainty()
const route = useRoute()
const all = computed(() =>
  report.value && stock.value && store.project
    ? keyFigures(report.value, stock.value, units.value, store.project.preferences.currency, briefs.value, doubt.value)
    : [],
)
const entries = computed(() => (route.path.endsWith('/answer') ? withoutCounts(all.value) : all.value))
</script>

<template>
  <section class="key-figures" aria-label="Key figures: this setup against the baseline">
    <button
      v-for="entry in entries"
      :key="entry.id"
      class="cell"
      type="button"
      :data-test="`key-figure-${entry.id}`"
      @click="openFigureId = entry.figureId"
    >
      <span class="label">{{ entry.label }}</span>
      <span class="value num" :class="entry.tone === 'plain' ? '' : `tone-${entry.tone}`"
        ><VerdictMark v-if="entry.tone !== 'plain'" :verdict="entry.tone" :size="16" /> {{ entry.value }}
        <small v-if="entry.range" class="range" title="90% range">{{ entry.range }}</small></span
      >
      <span class="detail num">{{ entry.detail }}</span>
      <span class="change num">{{ entry.change }}</span>
    </button>
  </section>
</template>

<style scoped>
.key-figures {
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  min-height: 92px;
  border-top: 2px solid var(--ink);
  background: var(--paper);
}
.cell {
  display: flex;
  flex-direction: column;
  gap: 1px;
  min-width: 0;
  padding: 7px 12px 8px;
  border: 0;
  border-right: 1px solid var(--hair);
  background: none;
  color: var(--ink);
  text-align: left;
  cursor: pointer;
}
.cell:last-child {
  border-right: 0;
}
.cell:hover {
  background: var(--sheet-2);
}
.cell > span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.range {
  color: var(--ink-soft);
  font-size: 13px;
  font-weight: 400;
}
.label {
  color: var(--ink-soft);
  font-size: 12px;
}
.value {
  font-size: 18px;
  font-weight: 640;
}
.detail,
.change {
  font-size: 13px;
}
.change {
  color: var(--ink-soft);
}
@media (max-width: 760px) {
  .key-figures {
    min-height: 0;
  }
  .cell {
    padding: 4px 10px 5px;
  }
  .change {
    display: none;
  }
}
@media (max-width: 1000px) {
  .key-figures {
    grid-template-columns: none;
    grid-auto-columns: minmax(158px, 1fr);
    grid-auto-flow: column;
    overflow-x: auto;
  }
}
@media print {
  .key-figures {
    grid-template-columns: repeat(3, 1fr);
  }
}
</style>
