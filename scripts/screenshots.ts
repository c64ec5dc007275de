import { spawn } from 'node:child_process'
import { mkdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { chromium } from '@playwright/test'
import { DEMO_PROJECT } from '../core/demo/project.ts'
import type { Project } from '../core/records/project.ts'
import { reportHtml } from '../core/technical-report/html.ts'
import { technicalReport } from '../core/technical-report/technical-report.ts'

/** Takes the pictures of docs/screenshots from the demo, from the built application. */
const folder = fileURLToPath(new URL('../docs/screenshots/', import.meta.url))
const port = 4179
const base = `http://127.0.0.1:${port}`
mkdirSync(folder, { recursive: true })
const server = spawn(process.execPath, ['.output/server/index.mjs'], {
  env: { ...process.env, HOST: '127.0.0.1', PORT: String(port) },
  stdio: 'ignore',
})
const DEMO = '/p/larkrise-club-hatch'

interface Shot {
  name: string
  path: string
  width?: number
  height?: number
  dark?: boolean
  /** Pressed first, and what is waited for then. */
  press?: string
  until?: string
  /** Places of the 3D view that are selected, as shares of its width and height. */
  places?: [x: number, y: number][]
}
const SHOTS: Shot[] = [
  { name: 'projects', path: '/' },
  { name: 'car', path: `${DEMO}/car?setup=estate-fronts` },
  { name: 'parts', path: `${DEMO}/parts?setup=estate-fronts&part=club-wheel` },
  { name: 'answer', path: `${DEMO}/answer?setup=balanced&ask=balanced` },
  { name: 'setup', path: `${DEMO}/setup?setup=estate-fronts` },
  { name: 'fit', path: `${DEMO}/fit?setup=estate-fronts` },
  { name: 'fit-phone', path: `${DEMO}/fit?setup=estate-fronts`, width: 390, height: 844 },
  { name: 'measure', path: `${DEMO}/measure?setup=estate-fronts&sheet=caliperOutline` },
  { name: 'interfaces', path: `${DEMO}/fit?setup=big-kit&view=check` },
  {
    name: 'picture',
    path: `${DEMO}/measure?setup=estate-fronts&sheet=caliperOutline`,
    press: 'picture-example',
    until: 'picture-sheet',
  },
  { name: 'balance', path: `${DEMO}/balance?setup=balanced` },
  {
    name: 'scan',
    path: `${DEMO}/measure?setup=estate-fronts&sheet=caliperOutline`,
    press: 'scan-example',
    until: 'scan-size',
    places: [
      [0.33, 0.66],
      [0.4, 0.53],
    ],
  },
  { name: 'heat', path: `${DEMO}/heat?setup=estate-fronts&duty=hill`, dark: true },
  { name: 'cost', path: `${DEMO}/cost?setup=big-kit&view=bill` },
  { name: 'compare', path: `${DEMO}/cost?setup=balanced&view=compare` },
  { name: 'search', path: `${DEMO}/cost?setup=balanced&view=search`, press: 'search-go', until: 'search-says' },
  { name: 'build', path: `${DEMO}/build?setup=balanced&view=order` },
  { name: 'prove', path: `${DEMO}/prove?setup=estate-fronts&view=stops` },
]

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
  chromiumSandbox: false,
  args: [
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
})
try {
  for (const shot of SHOTS) {
    const page = await browser.newPage({
      viewport: { width: shot.width ?? 1280, height: shot.height ?? 800 },
      colorScheme: shot.dark ? 'dark' : 'light',
      reducedMotion: 'reduce',
    })
    await page.goto(base + shot.path)
    await page.locator(shot.path === '/' ? 'h1' : '[data-test="key-figure-cost"]').waitFor({ timeout: 15_000 })
    await page.evaluate(() => document.fonts.ready.then(() => true))
    if (shot.press) await page.locator(`[data-test="${shot.press}"]`).click()
    if (shot.until) await page.locator(`[data-test="${shot.until}"]`).waitFor({ timeout: 30_000 })
    for (const [x, y] of shot.places ?? []) {
      await page.evaluate(() => new Promise((done) => setTimeout(done, 1500)))
      const canvas = page.locator('[data-test="scan-canvas"]')
      const box = (await canvas.boundingBox())!
      await canvas.click({ position: { x: x * box.width, y: y * box.height } })
    }
    // the session comes after all else
    await page.evaluate(() => new Promise((done) => setTimeout(done, 1500)))
    await page.screenshot({ path: `${folder}${shot.name}.png` })
    await page.close()
  }
  // the report is a file: its web page is what can be photographed
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.setContent(reportHtml(technicalReport(DEMO_PROJECT as Project, 'balanced', { version: '0.13.0', madeOn: '2026-09-20' })))
  await page.locator('#balance figure').first().scrollIntoViewIfNeeded()
  await page.screenshot({ path: `${folder}report.png` })
  await page.close()
} finally {
  await browser.close()
  server.kill()
}
