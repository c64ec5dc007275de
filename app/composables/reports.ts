import { createSharedComposable } from '@vueuse/core'
import { computed, nextTick, reactive, shallowRef, watch } from 'vue'
import type { Project } from '#core/records/project.ts'
import type { Report } from '#core/evaluate/report.ts'
import { useProjectStore } from '../stores/project.ts'
import { figuresWorker } from '../workers/figures.ts'
import { useLiveEdit } from './live-edit.ts'

/** Of so few all figures are there at once. */
const FEW_SETUPS = 6

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error))

interface Job {
  project: Project
  /** The one setup that a hand is changing; absent: all, with full precision. */
  liveSetupId?: string
}

/**
 * The reports of the open project, computed in a worker of their own; what takes longer has another. The latest change wins: while one is being
 * computed only the newest waits, and answers for older ones are dropped.
 */
export const useReports = createSharedComposable(() => {
  const store = useProjectStore()
  const { live } = useLiveEdit()
  const reports = shallowRef<Report[]>([])
  /** What could not be computed, by what it is, in words for the head of the page. */
  const failed = reactive(new Map<string, string>())
  const troubles = computed(() => [...failed.values()])
  /** The setup that is looked at: with more than a few its figures come first. */
  const looked = shallowRef<string>()
  const quick = figuresWorker()
  const slow = figuresWorker()
  let busy = false
  let waiting: Job | undefined

  async function run(job: Job): Promise<void> {
    if (busy) {
      waiting = job
      return
    }
    busy = true
    try {
      const found = await compute(job)
      if (store.project?.id === job.project.id && !(job.liveSetupId === undefined && live.value)) reports.value = found
      failed.delete('figures')
    } catch (error) {
      failed.set(
        'figures',
        `The results could not be computed: ${messageOf(error)}. The last ones are shown; export the project and report this.`,
      )
    } finally {
      busy = false
      const next = waiting
      waiting = undefined
      if (next) void run(next)
    }
  }

  async function compute({ project, liveSetupId }: Job): Promise<Report[]> {
    if (liveSetupId === undefined) {
      if (project.setups.length > FEW_SETUPS) await lookedFirst(project)
      const found = await quick.reports(project)
      for (const key of [...failed.keys()]) if (key.startsWith('setup ')) failed.delete(key)
      for (const one of found.failed)
        failed.set(
          `setup ${one.setupId}`,
          `“${one.setupName}” could not be computed: ${one.failed}. The other setups are intact; export the project and report this.`,
        )
      return found.reports
    }
    const one = await quick.report(project, liveSetupId, 'linear')
    return reports.value.map((report) => (report.setupId === liveSetupId ? one : report))
  }

  /** The figures of the car as it stands and of what is looked at, in place of the old ones. */
  async function lookedFirst(project: Project): Promise<void> {
    // the address names by then what is shown
    await nextTick()
    const stock = project.setups[0].id
    const ids = new Set([stock, project.setups.find((one) => one.id === looked.value)?.id ?? stock])
    const now = await quick.reports(project, [...ids])
    if (store.project?.id !== project.id) return
    const before = reports.value.filter((one) => project.setups.some((setup) => setup.id === one.setupId))
    reports.value = [...now.reports, ...before.filter((one) => !ids.has(one.setupId))].sort((a, b) => at(project, a) - at(project, b))
  }
  const at = (project: Project, report: Report) => project.setups.findIndex((one) => one.id === report.setupId)

  watch(
    () => store.project,
    (project) => {
      if (project) void run({ project })
      else reports.value = []
    },
    { immediate: true },
  )
  watch(live, (moving) => {
    if (moving) void run({ project: moving.project, liveSetupId: moving.setupId })
    // let go without a change: what was shown on the way is taken back
    else if (store.project) void run({ project: store.project })
  })

  /** Something computed beside the reports; undefined where it fails, which is said at the head of the page. */
  async function withErrorReport<T>(what: string, work: () => Promise<T>): Promise<T | undefined> {
    try {
      const found = await work()
      failed.delete(what)
      return found
    } catch (error) {
      failed.set(what, `Not computed: ${what} (${messageOf(error)}). Other results are not affected. Export the project and report this.`)
      return undefined
    }
  }

  return { reports, stock: computed(() => reports.value.find((one) => one.isStock)), troubles, withErrorReport, looked, worker: () => slow }
})
