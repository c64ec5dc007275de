/**
 * What a digital gauge is to the measuring sheets. To add a kind (a serial line, say), write a driver that
 * turns what arrives into readings and list it in `drivers.ts`; nothing else knows how a gauge speaks.
 */
export interface GaugeReading {
  /** In the unit of the driver: millimetres of a caliper, degrees Celsius of a probe. */
  value: number
  /** Someone pressed the gauge's button: take it. Otherwise it only shows what the jaws or the tip say. */
  sent: boolean
}

export interface GaugeListener {
  reading(reading: GaugeReading): void
  /** Something is wrong with the gauge or the way to it: what, and what to do. Empty: all is well again. */
  trouble(message: string): void
}

export interface GaugeDriver {
  id: string
  label: string
  /** Starts listening. @returns how to stop */
  connect(listener: GaugeListener): () => void
}
