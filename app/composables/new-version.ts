import { createSharedComposable } from '@vueuse/core'
import { ref } from 'vue'
import { Workbox } from 'workbox-window'
import { useProjectStore } from '../stores/project.ts'

/** How often the server is asked whether there is a newer build, ms. */
const ASK_EVERY_MS = 60 * 60 * 1000

/**
 * The application as it is kept in the browser, and whether a newer build waits to take its place. It waits until
 * somebody says so: a page that changes under one's hands is no help.
 */
export const useNewVersion = createSharedComposable(() => {
  const ready = ref(false)
  const store = useProjectStore()
  let kept: Workbox | undefined

  /** Browsers allow it on localhost and over https only. */
  async function keep(): Promise<void> {
    if (kept || !('serviceWorker' in navigator)) return
    kept = new Workbox('/sw.js')
    kept.addEventListener('waiting', () => (ready.value = true))
    await kept.register()
    setInterval(() => void kept?.update().catch(() => undefined), ASK_EVERY_MS)
  }
  /** Saves what waits to be saved, then opens the page with the newer build. */
  async function take(): Promise<void> {
    await store.flush()
    if (store.saveState !== 'saved' && store.project) store.rescue()
    kept?.addEventListener('controlling', () => location.reload())
    kept?.messageSkipWaiting()
  }
  return { ready, keep, take }
})
