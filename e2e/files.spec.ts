import type { Page } from '@playwright/test'
import { DEMO_PROJECT } from '../core/demo/project.ts'
import { expect, exported, keyFigures, openDemo, test } from './support.ts'

async function drop(page: Page, name: string, text: string): Promise<void> {
  const transfer = await page.evaluateHandle(
    ([fileName, content]) => {
      const data = new DataTransfer()
      data.items.add(new File([content!], fileName!, { type: 'application/json' }))
      return data
    },
    [name, text],
  )
  await page.dispatchEvent('main', 'drop', { dataTransfer: transfer })
}

/** The places of a project that the files below are spoiled at. */
interface Spoilable {
  version: number
  car: { massKg: { value: unknown } }
  parts: { thicknessMm?: { value: unknown } }[]
  setups: { front: { wheel?: string } }[]
}

test('five broken files are refused with places, and nothing changes', async ({ page }) => {
  await openDemo(page)
  const before = await keyFigures(page)
  const good = await exported(page)
  const spoil = (change: (project: Spoilable) => void): string => {
    const copy = JSON.parse(good)
    change(copy)
    return JSON.stringify(copy)
  }
  const broken: [string, string, RegExp[]][] = [
    ['cut off', good.slice(0, 900), [/not JSON/, /line \d+/]],
    ['another format', '{"format":"other/thing","version":1}', [/not a project of this application/]],
    ['newer', spoil((project) => (project.version = 99)), [/version 99/, /newer/]],
    [
      'wrong figures',
      spoil((project) => {
        project.parts[1]!.thicknessMm!.value = 'thick'
        project.car.massKg.value = -3
      }),
      [/Parts › Front rotor 256 x 22 › Thickness, new/, /Car › Mass, driver only/, /must be between/],
    ],
    [
      'lost part',
      spoil((project) => (project.setups[0]!.front.wheel = 'nobody')),
      [/Setups › Current car › front › Wheel/, /not in the file/],
    ],
  ]
  for (const [name, text, expected] of broken) {
    await drop(page, `<b>${name}</b>.json`, text)
    const dialog = page.getByRole('dialog', { name: 'This file was not opened' })
    await expect(dialog).toContainText(`<b>${name}</b>.json`)
    for (const words of expected) await expect(dialog).toContainText(words)
    await dialog.getByRole('button', { name: 'Close', exact: true }).click()
    await expect(dialog).toBeHidden()
  }
  await expect.poll(() => keyFigures(page)).toEqual(before)
  expect(await exported(page)).toBe(good)
  await drop(page, 'good.json', good)
  await expect(page.getByRole('dialog', { name: 'This file was not opened' })).toBeHidden()
  await page.waitForURL((url) => !url.pathname.startsWith('/p/larkrise-club-hatch'))
})

test('the server evaluates the same project, and refuses what is wrong', async ({ page, request }) => {
  await openDemo(page)
  const project = await exported(page)
  const good = await request.post('/api/evaluate?setup=estate-fronts', { data: project, headers: { 'content-type': 'application/json' } })
  expect(good.status()).toBe(200)
  const [report] = (await good.json()).setups
  expect(report.corners.front.sentence).toBe(await page.getByTestId('verdict').innerText())

  const bad = await request.post('/api/evaluate', {
    data: '{"format":"valiant-caliper/project","version":1}',
    headers: { 'content-type': 'application/json' },
  })
  expect(bad.status()).toBe(400)
  expect((await bad.json()).problems.map((one: { path: string }) => one.path)).toEqual(expect.arrayContaining(['parts', 'setups']))

  const large = await request.post('/api/evaluate', { data: 'x'.repeat(5_100_000), headers: { 'content-type': 'application/json' } })
  expect(large.status()).toBe(413)
  expect(
    (await request.post('/api/evaluate?setup=nobody', { data: project, headers: { 'content-type': 'application/json' } })).status(),
  ).toBe(400)
})

test('a file that takes a while can be left, and is opened all the same when one waits', async ({ page }) => {
  // a reader that waits until it is let go
  await page.addInitScript(() => {
    const Plain = window.Worker
    window.Worker = class extends Plain {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options)
        if (!String(url).includes('formats')) return
        const send = this.postMessage.bind(this) as (...all: unknown[]) => void
        const held: unknown[][] = []
        this.postMessage = (...all: unknown[]) => void held.push(all)
        Object.assign(window, {
          letRead: () => {
            this.postMessage = send
            for (const all of held.splice(0)) send(...all)
          },
        })
      }
    }
  })
  await page.goto('/')
  const file = { name: 'slow.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify({ ...DEMO_PROJECT, id: 'slow' })) }
  await page.setInputFiles('input[type=file]', file)
  const dialog = page.getByRole('dialog', { name: 'Reading the file' })
  await expect(dialog).toContainText('slow.json')
  await page.getByTestId('leave-file').click()
  await expect(page.getByText('slow.json was left. Nothing was changed.')).toBeVisible()
  await expect(dialog).toBeHidden()
  await expect(page.getByText('No projects yet.')).toBeVisible()
  await page.setInputFiles('input[type=file]', file)
  await expect(dialog).toContainText('slow.json')
  await page.evaluate(() => (window as unknown as { letRead: () => void }).letRead())
  await expect(page.getByTestId('key-figure-cost')).toBeVisible()
  expect(page.url()).toContain('/p/slow/')
})
