import { defineNuxtPlugin, onNuxtReady } from '#imports'

/** Once the first page stands, the application is kept in the browser; browsers allow that on localhost and over https only. */
export default defineNuxtPlugin(() => {
  if (import.meta.dev || !('serviceWorker' in navigator)) return
  onNuxtReady(() => {
    navigator.serviceWorker.register('/sw.js').catch((reason: unknown) => console.warn('Not kept for use without a network:', reason))
  })
})
