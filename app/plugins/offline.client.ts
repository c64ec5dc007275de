import { defineNuxtPlugin, onNuxtReady } from '#imports'
import { useNewVersion } from '../composables/new-version'

/** Once the first page stands, the application is kept in the browser; browsers allow that on localhost and over https only. */
export default defineNuxtPlugin((nuxtApp) => {
  if (import.meta.dev) return
  onNuxtReady(() => {
    void nuxtApp.vueApp
      .runWithContext(() => useNewVersion())
      .keep()
      .catch((reason: unknown) => console.warn('Not kept for use without a network:', reason))
  })
})
