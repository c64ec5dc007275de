import { expose } from 'comlink'
import { createPinia, setActivePinia } from 'pinia'
import { createApp, effectScope, nextTick } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { DEMO_PROJECT } from '#core/demo/project.ts'
import type { Project } from '#core/records/project.ts'
import { evaluate } from '#core/evaluate/evaluate.ts'
import type { FailedReport } from '#core/evaluate/evaluate-all.ts'
import type { Precision } from '#core/clearance/judge.ts'
import { saveProject } from '../storage/projects.ts'
import { useProjectStore } from '../stores/project.ts'
import { answering } from '../workers/project-delta.ts'

let count = 0
const open: (() => void)[] = []

/** For tests: the demo open on a bench of its own, with an address and a worker that answers from this process. */
export async function onTheBench(address = 'fit?setup=estate-fronts', change: (project: Project) => void = () => {}) {
  const id = `bench-${(count += 1)}`
  const project = { ...structuredClone(DEMO_PROJECT), id }
  change(project)
  const saved = await saveProject(project, undefined, new Date('2026-09-12T10:00:00Z'))
  if (!saved.ok) throw new Error('the test’s project is not one')
  const app = createApp({ render: () => null })
  const pinia = createPinia()
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/p/:project/:step', component: { render: () => null } }],
  })
  app.use(pinia).use(router)
  setActivePinia(pinia)
  await router.push(`/p/${id}/${address}`)
  const store = useProjectStore()
  await store.open(id)
  const scope = effectScope()
  open.push(() => scope.stop())
  return {
    id,
    store,
    router,
    /** Runs a composable as a page of the application would. */
    run: <T>(make: () => T): T => app.runWithContext(() => scope.run(make)!),
    address: () => router.currentRoute.value.fullPath.replace(`/p/${id}/`, ''),
  }
}

export const WORKER = {
  reports: (project: Project) => ({ reports: project.setups.map((setup) => evaluate(project, setup.id)), failed: [] as FailedReport[] }),
  report: (project: Project, setupId: string, precision: Precision) => evaluate(project, setupId, { precision }),
}

/** Every worker that is started answers with these functions. */
export function workersAnswer(api: object = WORKER): void {
  globalThis.Worker = function () {
    const { port1, port2 } = new MessageChannel()
    expose({ ...api, ...answering(api as Parameters<typeof answering>[0]) }, port1)
    open.push(() => (port1.close(), port2.close()))
    return port2
  } as unknown as typeof Worker
}

/** Waits until something holds; a test that waits in vain fails with its own words. */
export async function until(holds: () => boolean, what: string, ms = 4000): Promise<void> {
  const late = Date.now() + ms
  while (!holds()) {
    if (Date.now() > late) throw new Error(`in vain waited for: ${what}`)
    await new Promise((done) => setTimeout(done, 5))
  }
  await nextTick()
}

/** Lets the event loop go round so often: what storage and channels have to say comes through meanwhile. */
export async function turns(count: number): Promise<void> {
  for (let i = 0; i < count; i += 1) await new Promise((done) => setImmediate(done))
}
/** What `jest.useFakeTimers` must leave alone so that storage and channels go on answering. */
export const NEVER_FAKED = ['setImmediate', 'nextTick', 'queueMicrotask', 'performance'] as const

/** Clears the bench; after each test. */
export function clearBench(): void {
  for (const close of open.splice(0)) close()
}

/** The browser's small store, as a map that is seen into. */
export function smallStore(mostCharacters = Infinity): Map<string, string> {
  const held = new Map<string, string>()
  const put = (key: string, value: string) => {
    if (value.length > mostCharacters) throw new DOMException('no room', 'QuotaExceededError')
    held.set(key, value)
  }
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => held.get(key) ?? null,
      setItem: put,
      removeItem: (key: string) => void held.delete(key),
    },
  })
  return held
}
