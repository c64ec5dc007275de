// a channel that listens would keep the test process alive
globalThis.BroadcastChannel = class extends globalThis.BroadcastChannel {
  constructor(name) {
    super(name)
    this.unref()
  }
}
