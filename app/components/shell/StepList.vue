<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { QUESTIONS } from '#core/records/start-question.ts'
import { useQuestion } from '~/composables/question'
import { STEPS, useWorkbench, type StepName } from '~/composables/workbench'
import type { StepState } from '#core/evaluate/report.ts'
import { withLaterResults } from '#core/evaluate/step-state.ts'
import { useUncertainty } from '~/composables/uncertainty'
import { useHeatBriefs } from '~/composables/heat'

const { step, report, link } = useWorkbench()
const { question, onPath } = useQuestion()
const { briefs } = useHeatBriefs()
const { doubt } = useUncertainty()
const states = computed(
  () => report.value && withLaterResults(report.value, { heat: briefs.value?.here, frontFirstOf100: doubt.value?.frontFirstOf100 }),
)
/** On a phone the card is a strip: the step one is at stands in it. */
const list = ref<HTMLElement>()
watch(
  step,
  async () => {
    await nextTick()
    list.value?.querySelector('.here')?.scrollIntoView({ block: 'nearest', inline: 'center' })
  },
  { immediate: true },
)

function stateOf(id: StepName): StepState | undefined {
  const steps = states.value
  return steps && id in steps ? steps[id as keyof typeof steps] : undefined
}
/** What takes longer than the figures may still change these: until it is there, none of them is done. */
const WAIT_FOR_MORE: readonly StepName[] = ['fit', 'balance', 'heat', 'cost', 'build']
const isPending = (id: StepName): boolean =>
  WAIT_FOR_MORE.includes(id) && stateOf(id)?.state === 'settled' && (doubt.value === undefined || briefs.value === undefined)
const lookOf = (id: StepName) => (isPending(id) ? 'nothing' : (stateOf(id)?.state ?? 'nothing'))
function words(state: StepState | undefined): string {
  switch (state?.state) {
    case 'fix':
      return `${state.count} to fix`
    case 'open':
      return `${state.count} to enter`
    case 'check':
      return `${state.count} to check`
    case 'todo':
      return `${state.count} to do`
    case 'settled':
      return 'done'
    case 'blocked':
      return 'do not build'
    default:
      return 'not started'
  }
}
</script>

<template>
  <nav class="card" aria-label="Steps">
    <LazyPathCard v-if="onPath" />
    <NuxtLink v-else-if="question" class="asked small" :to="{ path: link('car').path.replace(/car$/, 'answer'), query: link('car').query }">
      Your question: {{ QUESTIONS[question] }}
    </NuxtLink>
    <ol v-if="!onPath" ref="list">
      <li v-for="one in STEPS" :key="one.id">
        <NuxtLink :to="link(one.id)" class="step" :class="{ here: step === one.id }" :aria-current="step === one.id ? 'step' : undefined">
          <span class="n num">{{ one.number }}</span>
          <span class="label">{{ one.label }}</span>
          <span class="state small" :class="`s-${lookOf(one.id)}`"
            ><i aria-hidden="true" /> {{ isPending(one.id) ? 'computing' : words(stateOf(one.id)) }}</span
          >
        </NuxtLink>
      </li>
    </ol>
  </nav>
</template>

<style scoped>
.card {
  padding: 6px 0;
  overflow: auto;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
.step {
  display: grid;
  grid-template-columns: 24px 1fr;
  column-gap: 8px;
  padding: 6px 10px 6px 12px;
  color: var(--ink);
  text-decoration: none;
  border-left: 3px solid transparent;
}
a.step:hover {
  background: var(--sheet-2);
}
.asked {
  display: block;
  margin: 4px 0 8px;
  padding: 0 12px;
  color: var(--ink-soft);
}
a.asked {
  color: var(--accent);
}
.step.here {
  border-left-color: var(--ink);
  background: var(--sheet);
}
.here .label {
  font-weight: 680;
}
.n {
  grid-row: span 2;
  color: var(--ink-soft);
  font-size: 18px;
  line-height: 1.15;
  text-align: right;
}
.state {
  color: var(--ink-soft);
  font-size: 12px;
}
/* shapes: empty ring, half, full, square */
i {
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 2px;
  border: 1.5px solid currentColor;
  border-radius: 50%;
}
.s-open,
.s-todo {
  color: var(--unknown);
}
.s-fix {
  color: var(--needs);
}
.s-check {
  color: var(--check);
}
.s-open i,
.s-todo i,
.s-fix i,
.s-check i {
  background: linear-gradient(90deg, currentColor 50%, transparent 50%);
}
.s-settled {
  color: var(--fits);
}
.s-settled i {
  background: currentColor;
}
.s-blocked {
  color: var(--blocked);
}
.s-blocked i {
  border-radius: 0;
  background: currentColor;
}
@media (max-width: 760px) {
  .card {
    padding: 0 6px;
    border-bottom: 1px solid var(--hair);
  }
  ol {
    display: flex;
    gap: 2px;
  }
  .step {
    grid-template-columns: auto;
    padding: 4px 8px 6px;
    border-left: 0;
    border-bottom: 3px solid transparent;
  }
  .step.here {
    border-bottom-color: var(--ink);
  }
  .n {
    display: none;
  }
  .state {
    white-space: nowrap;
  }
}
</style>
