import { createSharedComposable } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import type { GaugeDriver } from '../gauge/driver.ts'
import { newId } from './new-id.ts'
import { keyboardGauge } from '../gauge/keyboard-gauge.ts'
import { simulatedGauge, type GaugeFault } from '../gauge/simulated-gauge.ts'

/** A field that takes readings while it has the focus, or had it last. */
interface GaugeField {
  label: string
  take(valueMm: number): void
}

/** The gauge in hand, and the field it feeds. */
export const useGauge = createSharedComposable(() => {
  const simulated = simulatedGauge(newId())
  const drivers: GaugeDriver[] = [simulated, keyboardGauge(window)]
  const driverId = ref('')
  const liveMm = ref<number>()
  const trouble = ref('')
  const note = ref('')
  /** Taken off every reading: what the closed jaws said. */
  const zeroMm = ref(0)
  const field = shallowRef<GaugeField>()
  let checkingZero = false
  let stop: (() => void) | undefined

  const shownMm = computed(() => (liveMm.value === undefined ? undefined : liveMm.value - zeroMm.value))

  function choose(id: string): void {
    stop?.()
    stop = undefined
    driverId.value = id
    liveMm.value = undefined
    trouble.value = ''
    note.value = ''
    zeroMm.value = 0
    stop = drivers.find((one) => one.id === id)?.connect({ reading, trouble: (message) => (trouble.value = message) })
  }

  function reading({ value: valueMm, sent }: { value: number; sent: boolean }): void {
    liveMm.value = valueMm
    if (!sent) return
    if (checkingZero) {
      checkingZero = false
      zeroMm.value = valueMm
      note.value = Math.abs(valueMm) < 0.1 ? '' : `Closed, the gauge showed ${valueMm.toFixed(2)} mm. Every reading is corrected by it.`
      if (Math.abs(valueMm) < 0.1) {
        zeroMm.value = 0
        note.value = `Closed, the gauge shows ${valueMm.toFixed(2)} mm: its zero is right.`
      }
      return
    }
    if (!field.value) {
      note.value = 'Select a dimension for the reading first.'
      return
    }
    note.value = ''
    field.value.take(Math.round((valueMm - zeroMm.value) * 1e4) / 1e4)
  }

  /** The next reading that is sent is that of the closed jaws. */
  function checkZero(): void {
    checkingZero = true
    zeroMm.value = 0
    note.value = 'Close the jaws and press send.'
  }

  return {
    drivers,
    driverId,
    shownMm,
    trouble,
    note,
    zeroMm,
    field,
    choose,
    checkZero,
    set: (jawMm: number, fault: GaugeFault) => simulated.set(jawMm, fault),
    send: () => simulated.send(),
  }
})
