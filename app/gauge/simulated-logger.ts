/**
 * What a speed logger is to the step Prove: one function that listens to a stop and says each sample as it comes. Another
 * kind (a serial line, a satellite receiver) is another such function.
 */
interface LoggerListener {
  sample(seconds: number, kmh: number): void
  /** The stop is over: nothing comes any more. */
  ended(): void
  trouble(message: string): void
}
/** Starts listening. @returns how to stop */
type LoggerDriver = (listener: LoggerListener) => () => void

export const LOGGER_FAULTS = [
  { id: 'none', label: 'none' },
  { id: 'lateTrigger', label: 'triggered late' },
  { id: 'dropOut', label: 'drops out' },
  { id: 'lockedWheel', label: 'its wheel locks' },
] as const
export type SimulatedLoggerFault = (typeof LOGGER_FAULTS)[number]['id']

/** The logger that ships with the server: a stop from a speed at a deceleration, with noise and faults. */
export function simulatedLogger(stop: { fromKmh: number; decelG: number; fault: SimulatedLoggerFault; pace?: number }): LoggerDriver {
  return (listener) => {
    const query = new URLSearchParams(Object.entries(stop).map(([key, value]) => [key, String(value)]))
    const source = new EventSource(`/api/logger/stream?${query.toString()}`)
    source.onmessage = (event: MessageEvent<string>) => {
      const [seconds, kmh] = JSON.parse(event.data) as [number, number]
      listener.sample(seconds, kmh)
    }
    source.addEventListener('end', () => {
      source.close()
      listener.ended()
    })
    source.onerror = () => {
      source.close()
      listener.trouble('The logger on the server does not answer. Type the stop, or import it from a file.')
    }
    return () => source.close()
  }
}
