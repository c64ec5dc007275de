import { createSharedComposable } from '@vueuse/core'
import { computed, shallowRef, watch } from 'vue'
import { cycleFor } from '#core/heat/drive-cycles.ts'
import type { HeatReport } from '#core/heat/heat-report.ts'
import { answerOf, type Answer } from '#core/guide/answer.ts'
import { mattersLittle, pathTo, waitingFor, type Path } from '#core/guide/path.ts'
import { stepsThere } from '#core/guide/steps-there.ts'
import { useProjectStore } from '../stores/project.ts'
import { useUncertainty } from './uncertainty.ts'
import { useJudgedSetups } from './judged-setups.ts'
import { useQuestion } from './question.ts'
import { useReports } from './reports.ts'
import { useWorkbench } from './workbench.ts'
import { latestCall } from './latest-call.ts'

/** The shortest way to the answer of a question: what it asks for, and the answer as far as it goes. */
export const usePath = createSharedComposable(() => {
  const store = useProjectStore()
  const { report, reports, setup, axle } = useWorkbench()
  const { worker, withErrorReport } = useReports()
  const { doubt, last } = useUncertainty()
  const { question, onPath } = useQuestion()
  const heat = shallowRef<HeatReport>()
  const begin = latestCall()
  watch(
    () => [store.project, setup.value?.id, onPath.value && question.value === 'lasts'] as const,
    async ([project, setupId, wanted]) => {
      const isLatest = begin()
      if (!project || !setupId || !wanted) return
      const found = await withErrorReport('the heat', () => worker().heat(project, setupId, cycleFor(project).id))
      if (isLatest() && found) heat.value = found
    },
    { immediate: true },
  )
  /** What a recommendation stands on. */
  const { heats, orders } = useJudgedSetups(() => onPath.value && question.value === 'worth')
  const way = computed(() =>
    store.project && question.value && onPath.value
      ? stepsThere(store.project, reports.value, question.value, heats.value, orders.value)
      : undefined,
  )
  const path = computed<Path | undefined>(() => {
    if (!store.project || !report.value || !question.value || way.value || !onPath.value) return undefined
    const missing = question.value === 'lasts' ? heat.value?.missing : undefined
    return pathTo(store.project, report.value, question.value, axle.value, { ...(missing ? { missing } : {}), doubt: last.value })
  })
  const found = computed<Answer | undefined>(() => {
    if (!store.project || !report.value || !question.value) return undefined
    if (way.value) return way.value.answer
    if (question.value === 'lasts')
      return (
        heat.value && {
          verdict: heat.value.verdict,
          sentence: heat.value.sentence,
          beside: heat.value.notKnown ? [heat.value.notKnown] : [],
          matters: [],
        }
      )
    return answerOf(store.project, report.value, question.value, axle.value, doubt.value)
  })
  const answer = computed(() => found.value && waitingFor(found.value, path.value))
  /** With typical figures in it: what is worth entering first, and what matters little. */
  const first = computed(() => path.value?.needed.filter((one) => !mattersLittle(one)) ?? [])
  const little = computed(() => path.value?.needed.filter(mattersLittle) ?? [])
  return { path, first, little, way, answer }
})
