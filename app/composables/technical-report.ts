import { proxy, wrap } from 'comlink'
import { createSharedComposable } from '@vueuse/core'
import { ref, toRaw } from 'vue'
import { version } from '../../package.json'
import { fileNameOf } from '#core/formats/project-file.ts'
import { useProjectStore } from '../stores/project.ts'
import type { ReportApi, ReportWanted } from '../workers/report.worker.ts'
import { download } from './project-files.ts'

/** The technical report of the open project, made in a worker that ends with it. */
export const useTechnicalReport = createSharedComposable(() => {
  const store = useProjectStore()
  /** Whether its dialog is open. */
  const open = ref(false)
  /** The share that is done, 0 to 1, while one is made. */
  const done = ref<number>()
  const trouble = ref('')
  let stop: (() => void) | undefined

  async function make(wanted: ReportWanted): Promise<void> {
    stop?.()
    trouble.value = ''
    done.value = 0
    const worker = new Worker(new URL('../workers/report.worker.ts', import.meta.url), { type: 'module' })
    const cancelled = new Promise<undefined>((resolve) => {
      stop = () => {
        worker.terminate()
        done.value = undefined
        stop = undefined
        resolve(undefined)
      }
    })
    // a worker that cannot start or runs out of memory says so only by this
    const failed = new Promise<never>((_, reject) => worker.addEventListener('error', () => reject(new Error('the browser stopped it'))))
    try {
      const facts = { version, madeOn: new Date().toISOString().slice(0, 10) }
      const project = JSON.parse(JSON.stringify(toRaw(store.current))) as typeof store.current
      const progress = proxy((share: number) => void (done.value = share))
      const content = await Promise.race([wrap<ReportApi>(worker).make(project, wanted, facts, progress), failed, cancelled])
      if (content === undefined) return
      const name = `${fileNameOf(store.current).replace(/(\.brakes)?\.json$/, '')}-${wanted.setupId}-report`
      download(`${name}.${wanted.format}`, content, wanted.format === 'pdf' ? 'application/pdf' : 'text/html')
      open.value = false
    } catch (error) {
      trouble.value = `The report was not made: ${error instanceof Error ? error.message.replace(/\.+$/, '') : 'an unknown fault'}. Nothing was changed. Leave a part out and try again.`
    } finally {
      stop?.()
    }
  }
  return { open, done, trouble, make, cancel: () => stop?.() }
})
