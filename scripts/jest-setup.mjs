import { configureGlobal } from 'fast-check'

// the same cases every day, so that what lands once lands again; FUZZ_SEED=NUMBER (or "any") looks at others
const seed = process.env.FUZZ_SEED ?? 20261126
configureGlobal(seed === 'any' ? {} : { seed: Number(seed) })

// the core knows no environment: `runs()` reads this
globalThis.TEST_DEEP = process.env.TEST_DEEP === '1'

// a channel that listens would keep the test process alive
globalThis.BroadcastChannel = class extends globalThis.BroadcastChannel {
  constructor(name) {
    super(name)
    this.unref()
  }
}
