import { spawn } from 'node:child_process'
import { build, ensurePackages, root } from './ensure.mjs'

/** Everything from a fresh clone to the running application with the demo project. */
ensurePackages()
build()
const port = process.env.PORT ?? '4170'
const server = spawn(process.execPath, ['.output/server/index.mjs'], {
  cwd: root,
  stdio: ['ignore', 'inherit', 'inherit'],
  env: { ...process.env, HOST: '127.0.0.1', PORT: port, NODE_ENV: 'production' },
})
const address = `http://127.0.0.1:${port}/p/larkrise-club-hatch/fit?setup=estate-fronts`
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
server.on('exit', (code) => process.exit(code ?? 0))
for (let tries = 0; tries < 100; tries += 1) {
  try {
    await fetch(`http://127.0.0.1:${port}/`)
    console.log(`\nThe demo is open at ${address}\nStop it with Ctrl+C.`)
    break
  } catch {
    await new Promise((done) => setTimeout(done, 100))
  }
}
