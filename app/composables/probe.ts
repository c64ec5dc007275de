import { onBeforeUnmount, ref } from 'vue'
import { newId } from './new-id.ts'
import { simulatedProbe, type SimulatedProbeFault } from '../gauge/simulated-probe.ts'

/** The temperature probe in hand: what it shows, and what it sends. */
export function useProbe(taken: (readC: number) => void) {
  const probe = simulatedProbe(newId())
  const on = ref(false)
  const shownC = ref<number>()
  const trouble = ref('')
  let stop: (() => void) | undefined
  function turn(to: boolean): void {
    stop?.()
    stop = undefined
    on.value = to
    shownC.value = undefined
    trouble.value = ''
    if (to)
      stop = probe.connect({
        reading({ value, sent }) {
          shownC.value = value
          if (sent) taken(value)
        },
        trouble: (message) => (trouble.value = message),
      })
  }
  async function tell(work: () => Promise<unknown>): Promise<void> {
    try {
      await work()
    } catch {
      trouble.value = 'The simulated probe on the server does not answer. Type the temperature.'
    }
  }
  onBeforeUnmount(() => stop?.())
  return {
    on,
    shownC,
    trouble,
    turn,
    hold: (truthC: number, fault: SimulatedProbeFault) => tell(() => probe.hold(truthC, fault)),
    send: () => tell(() => probe.send()),
  }
}
