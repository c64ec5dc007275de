import { createSharedComposable } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { DEFAULT_UNITS } from '#core/quantity/units.ts'
import { AXLES, type Axle } from '#core/quantity/axle.ts'
import type { Preferences } from '#core/records/preferences.ts'
import type { Setup } from '#core/records/setup.ts'
import { sheetFor } from '#core/records/sheets.ts'
import type { FigureId } from '#core/figures/figure-ids.ts'
import type { Place } from '#core/figures/figure.ts'
import { useProjectStore } from '../stores/project.ts'
import { useReports } from './reports.ts'

export const STEPS = [
  { id: 'car', number: 1, label: 'Car' },
  { id: 'measure', number: 2, label: 'Measure' },
  { id: 'parts', number: 3, label: 'Parts' },
  { id: 'setup', number: 4, label: 'Setup' },
  { id: 'fit', number: 5, label: 'Fit' },
  { id: 'balance', number: 6, label: 'Balance' },
  { id: 'heat', number: 7, label: 'Heat' },
  { id: 'cost', number: 8, label: 'Decide' },
  { id: 'build', number: 9, label: 'Build' },
  { id: 'prove', number: 10, label: 'Prove' },
] as const
/** Where a preference is chosen, if not with the balance. */
const preferenceStep: Partial<Record<keyof Preferences, StepName>> = {
  rates: 'cost',
  taxPercent: 'cost',
  budgetMinor: 'cost',
  eventsPerSeason: 'cost',
  limits: 'fit',
  gapPolicy: 'fit',
  weightAllowanceMm: 'fit',
  instrument: 'measure',
}

export type StepName = (typeof STEPS)[number]['id']

/** What of an address says how one looks, not at what. */
const KEPT = ['view', 'duty', 'wheel'] as const

/** What is chosen on the bench: setup and axle live in the address, so that a link opens the same view. */
export const useWorkbench = createSharedComposable(() => {
  const route = useRoute()
  const router = useRouter()
  const store = useProjectStore()
  const { reports, stock, looked } = useReports()
  const openFigureId = ref<FigureId>()

  const units = computed(() => store.project?.preferences.units ?? DEFAULT_UNITS)
  const setup = computed<Setup | undefined>(() => {
    const wanted = route.query.setup
    return store.project?.setups.find((one) => one.id === wanted) ?? store.project?.setups[0]
  })
  watch(
    () => setup.value?.id,
    (id) => (looked.value = id),
    { immediate: true },
  )
  const isStock = computed(() => setup.value !== undefined && setup.value === store.project?.setups[0])
  const report = computed(() => reports.value.find((one) => one.setupId === setup.value?.id))
  const axle = computed<Axle>(() => AXLES.find((one) => one === route.query.axle) ?? 'front')
  // the printed form belongs to the step Measure
  const step = computed(() => (route.path.endsWith('/form') ? 'measure' : STEPS.find((one) => route.path.endsWith(`/${one.id}`))?.id))

  const query = (more: Record<string, string | undefined>) => {
    const all: Record<string, string | undefined> = {
      setup: setup.value?.id,
      axle: axle.value === 'front' ? undefined : axle.value,
      ...more,
    }
    return Object.fromEntries(Object.entries(all).filter((pair): pair is [string, string] => pair[1] !== undefined))
  }
  const link = (to: StepName, more: Record<string, string | undefined> = {}) => ({
    path: `/p/${store.project?.id ?? ''}/${to}`,
    query: query(more),
  })
  const go = (to: StepName, more: Record<string, string | undefined> = {}) => router.push(link(to, more))
  /** Another setup or axle is looked at in the same view. */
  const sameView = () => Object.fromEntries(KEPT.map((key) => [key, route.query[key]?.toString()]))
  const chooseSetup = (id: string) => router.replace({ path: route.path, query: query({ ...sameView(), setup: id }) })
  const chooseAxle = (to: Axle) =>
    router.replace({ path: route.path, query: query({ ...sameView(), axle: to === 'front' ? undefined : to }) })

  /** Leads to where a figure is entered. */
  function goTo(place: Place): void {
    switch (place.kind) {
      case 'part': {
        const kind = store.project?.parts.find((one) => one.id === place.partId)?.kind
        const sheet = kind === 'caliper' || kind === 'wheel' || kind === 'rotor' ? sheetFor(kind, place.field) : undefined
        if (sheet) void go('measure', { sheet, part: place.partId, field: place.field })
        else void go('parts', { part: place.partId, field: place.field })
        break
      }
      case 'car':
        void go('car', { field: place.axle ? `${place.axle}.${place.field}` : place.field })
        break
      case 'slot':
        void go('setup', { setup: place.setupId, field: place.axle ? `${place.axle}.${place.slot}` : place.slot })
        break
      case 'setup':
        if (place.field === 'trialFit' || place.field === 'byDifference')
          void go('measure', { setup: place.setupId, axle: place.axle, sheet: place.field === 'trialFit' ? 'trialFit' : 'difference' })
        else if (place.field === 'wear') void go('cost', { setup: place.setupId, view: 'season' })
        else if (place.field === 'extras') void go('cost', { setup: place.setupId, view: 'bill' })
        else if (place.field === 'spacerTrialMm') void go('fit', { setup: place.setupId, axle: place.axle })
        else void go('setup', { setup: place.setupId, field: place.axle ? `${place.axle}.${place.field}` : place.field })
        break
      case 'bundle':
        void go('parts', { view: 'bundles', bundle: place.bundleId })
        break
      case 'preference':
        void go(preferenceStep[place.field] ?? 'balance', {
          field: place.field,
          ...(place.field === 'eventsPerSeason' ? { view: 'season' } : {}),
        })
        break
      case 'figure':
        openFigureId.value = place.figureId
        return
    }
    openFigureId.value = undefined
  }

  return { units, setup, isStock, report, stock, reports, axle, step, openFigureId, link, go, chooseSetup, chooseAxle, goTo }
})
