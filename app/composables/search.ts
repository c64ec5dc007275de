import { createSharedComposable } from '@vueuse/core'
import { proxy, wrap, type Remote } from 'comlink'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import type { Project } from '#core/records/project.ts'
import type { SearchResult, SearchProgress, SearchReport } from '#core/decide/search.ts'
import type { FullEvaluation } from '#core/decide/full-evaluation.ts'
import { DEFAULT_QUERY, type SearchQuery } from '#core/decide/search-space.ts'
import { setupFromResult } from '#core/decide/apply-result.ts'
import type { WhyNot } from '#core/decide/why-not.ts'
import { useProjectStore } from '../stores/project.ts'
import type { SearchApi } from '../workers/search.worker.ts'
import { newId } from './new-id.ts'
import { useWorkbench } from './workbench.ts'

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(toRaw(value))) as T

/** The search of the open project: what is asked, how far it is, what it found. A worker of its own, ended when it is cancelled. */
export const useSearch = createSharedComposable(() => {
  const store = useProjectStore()
  const { chooseSetup } = useWorkbench()
  const ask = ref<SearchQuery>({ ...plain(DEFAULT_QUERY), setupId: '' })
  const state = ref<'idle' | 'going' | 'done' | 'cancelled' | 'failed'>('idle')
  const progress = shallowRef<SearchProgress>()
  const result = shallowRef<SearchReport>()
  /** The project that was searched: a change of it makes the answer old. */
  const searched = shallowRef<Project>()
  const tookMs = ref(0)
  const error = ref('')
  const why = shallowRef<WhyNot>()
  /** Finds that were looked at in full, in the order of the result. */
  const looks = shallowRef<readonly FullEvaluation[]>([])
  const asking = ref('')
  let worker: Worker | undefined
  let remote: Remote<SearchApi> | undefined

  function start(): Remote<SearchApi> {
    worker ??= new Worker(new URL('../workers/search.worker.ts', import.meta.url), { type: 'module' })
    remote ??= wrap<SearchApi>(worker)
    return remote
  }
  function end(): void {
    worker?.terminate()
    worker = undefined
    remote = undefined
  }
  /** What a search looks at was changed since: another setup beside it changes nothing. */
  const isOld = computed(() => {
    const [then, now] = [searched.value, store.project]
    if (!result.value || !then || !now || then === now) return false
    const bases = (project: Project) => [project.setups[0], project.setups.find((one) => one.id === result.value!.ask.setupId)]
    return (
      then.parts !== now.parts ||
      then.bundles !== now.bundles ||
      then.car !== now.car ||
      then.preferences !== now.preferences ||
      bases(then).some((one, i) => one !== bases(now)[i])
    )
  })
  watch(
    () => store.project?.id,
    () => {
      end()
      result.value = undefined
      why.value = undefined
      state.value = 'idle'
      ask.value = { ...plain(DEFAULT_QUERY), setupId: store.project?.setups[0].id ?? '' }
      if (store.project?.preferences.budgetMinor !== undefined) ask.value.musts.budgetMinor = store.project.preferences.budgetMinor
    },
    { immediate: true },
  )

  async function run(): Promise<void> {
    const project = store.project
    if (!project || state.value === 'going') return
    const wanted = plain(ask.value)
    if (!project.setups.some((one) => one.id === wanted.setupId)) wanted.setupId = project.setups[0].id
    state.value = 'going'
    progress.value = { done: 0, best: undefined }
    error.value = ''
    why.value = undefined
    const from = performance.now()
    try {
      const found = await start().search(
        project,
        wanted,
        proxy((said: SearchProgress) => void (progress.value = said)),
      )
      if ((state.value as string) !== 'going') return
      result.value = found
      searched.value = project
      tookMs.value = performance.now() - from
      state.value = 'done'
      void lookAtAll(project, found)
    } catch (problem) {
      if ((state.value as string) !== 'going') return
      end()
      error.value = `The search could not be ended: ${problem instanceof Error ? problem.message : String(problem)}. Nothing was changed; export the project and report this.`
      state.value = 'failed'
    }
  }
  /** What stays is looked at in full, while it can be read already. */
  async function lookAtAll(project: Project, found: SearchReport): Promise<void> {
    looks.value = []
    try {
      await start().looks(
        project,
        found.ask,
        found.finds,
        proxy((at: number, look: FullEvaluation) => {
          if (result.value !== found) return false
          looks.value = [...looks.value.slice(0, at), look]
          return true
        }),
      )
    } catch (problem) {
      if (result.value === found)
        error.value = `Some results could not be evaluated in full (${problem instanceof Error ? problem.message : String(problem)}). Their figures are estimates.`
    }
  }
  /** Ends it at once; what was found before stands. */
  function cancel(): void {
    end()
    progress.value = undefined
    state.value = result.value ? 'done' : 'cancelled'
  }

  async function askWhy(partId: string): Promise<void> {
    const [project, found] = [searched.value, result.value]
    if (!project || !found) return
    asking.value = partId
    why.value = undefined
    try {
      const said = await start().whyNot(project, found.ask, partId, found)
      if (asking.value === partId) why.value = said
    } catch (problem) {
      error.value = `The reason could not be computed: ${problem instanceof Error ? problem.message : String(problem)}.`
    }
  }

  /** A find becomes a setup of the project, and is looked at. */
  function take(find: SearchResult): void {
    const project = store.project
    const found = result.value
    if (!project || !found) return
    const setup = setupFromResult(project, found.ask, find, newId())
    const names = new Set(project.setups.map((one) => one.name))
    let name = setup.name
    for (let n = 2; names.has(name); n += 1) name = `${setup.name.slice(0, 112)} (${n})`
    const problems = store.edit('Add a search result', (draft) => void draft.setups.push({ ...setup, name }), { shows: true })
    error.value = problems[0] ? `${problems[0].place} ${problems[0].message}.` : ''
    if (problems.length === 0) void chooseSetup(setup.id)
  }
  return { ask, state, progress, result, isOld, tookMs, error, why, asking, looks, run, cancel, askWhy, take }
})
