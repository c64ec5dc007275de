import type { Page } from '@playwright/test'
import { writeStl } from '../core/formats/scan-file.ts'
import { scaled } from '../core/vision/scan/mesh.ts'
import { CALIPER_SECTION, turned } from '../core/testing/scan-bodies.ts'
import { choose, expect, exported, fitsTheWindow, openDemo, test, tick, unfold } from './support.ts'

const CALIPER = turned(CALIPER_SECTION, -0.5, 0.5, 40)
const pickFile = (page: Page, name: string, bytes: Uint8Array) =>
  page
    .getByTestId('scan-file')
    .locator('input[type=file]')
    .setInputFiles({ name, mimeType: 'model/stl', buffer: Buffer.from(bytes) })
const line = (page: Page) => page.getByTestId('scan-line')
/** Places the mesh with its own origin and z as the mounting face and the way outboard. */
async function byNumbers(page: Page, u: string) {
  await page.getByText('enter numbers').click()
  // nothing is assumed of a position that nobody entered
  await expect(page.getByTestId('scan-take')).toBeDisabled()
  for (const one of ['x', 'y', 'z']) await page.getByLabel(`Centre of the mounting face, ${one}`).fill('0')
  await page.getByLabel('Standard uncertainty of the position').fill(u)
  await choose(page.getByLabel('Outboard direction'), '+z')
}
/** Selects a place of the view, as shares of its width and height. */
async function select(page: Page, x: number, y: number) {
  const canvas = page.getByTestId('scan-canvas')
  // the dialog has come to rest
  let box = (await canvas.boundingBox())!
  await expect
    .poll(async () => {
      const before = box
      box = (await canvas.boundingBox())!
      return box.x === before.x && box.y === before.y && box.width === before.width
    })
    .toBe(true)
  await canvas.click({ position: { x: x * box.width, y: y * box.height } })
}

test('a scanned caliper: face and bore are selected, the line is seen, imported and decides', async ({ page }) => {
  await openDemo(page, 'measure', 'sheet=caliperOutline')
  await page.getByTestId('scan-example').click()
  await expect(page.getByTestId('scan-size')).toContainText('1,474 triangles, 208.6 x 180.6 x 102.7 mm')
  await expect(page.getByTestId('scan-take')).toBeDisabled()
  // a facet of the bore is no mounting face
  await select(page, 0.4, 0.53)
  await expect(page.getByTestId('scan-trouble')).toContainText(/too narrow|no flat face/)
  await select(page, 0.33, 0.66)
  await expect(page.getByTestId('scan-says')).toContainText('Face: scatter 0.00 mm. Select a bore')
  await select(page, 0.4, 0.53)
  await expect(page.getByTestId('scan-says')).toContainText('diameter 57.00 mm')
  await expect(line(page)).toContainText('safe side of the mesh by up to 0.02 mm')
  // a diameter that is known checks the scale
  await page.getByLabel('Known diameter, if there is one').fill('58')
  await expect(page.getByText('The scan is 1.72% off the known diameter.')).toBeVisible()
  await expect(page.getByText('is no measurement')).toBeVisible()
  await page.getByLabel('Known diameter, if there is one').fill('57')
  await expect(page.getByText('is no measurement')).toHaveCount(0)
  await page.getByTestId('scan-take').click()
  await expect(page.getByTestId('scan-line')).toHaveCount(0)
  await expect(page.getByTestId('measure-verdict')).toContainText(/Clears|Too close|Contact|Tight/)
  const project = JSON.parse(await exported(page)) as {
    parts: { id: string; note?: string; outlines?: { name: string; origin: string; points: [number, number][] }[] }[]
  }
  const part = project.parts.find((one) => one.note?.includes('example-caliper.stl'))!
  expect(part.note).toMatch(/Scan: example-caliper\.stl, 73 kB, SHA-256 [0-9a-f]{16}\./)
  const body = part.outlines!.find((one) => one.name === 'body')!
  expect(body.origin).toBe('measured')
  expect(Math.max(...body.points.map(([, r]) => r))).toBeCloseTo(133, 1)
  expect(Math.max(...body.points.map(([z]) => z))).toBeCloseTo(24, 1)
})

test('a mesh in inches, one with a hole, and files that are no scan', async ({ page }) => {
  await openDemo(page, 'measure', 'sheet=caliperOutline')
  await pickFile(page, 'caliper.stl', writeStl(scaled(CALIPER, 1 / 25.4)))
  await expect(page.getByTestId('scan-unit')).toContainText('inch')
  await byNumbers(page, '0.5')
  await expect(line(page)).toContainText('Standard uncertainty up to 0.50 mm')
  await choose(page.getByLabel('Unit of the file'), 'm')
  await expect(page.getByTestId('scan-trouble')).toContainText('which no caliper or wheel is')
  await page.getByRole('button', { name: 'Cancel' }).click()
  const holed: number[] = []
  for (let i = 0; i < CALIPER.length; i += 9) {
    const z = [CALIPER[i + 2]!, CALIPER[i + 5]!, CALIPER[i + 8]!]
    const r = Math.min(...[0, 3, 6].map((k) => Math.hypot(CALIPER[i + k]!, CALIPER[i + k + 1]!)))
    if (!(r > 132 && Math.min(...z) >= -30 && Math.max(...z) <= -10)) holed.push(...CALIPER.subarray(i, i + 9))
  }
  await pickFile(page, 'holed.stl', writeStl(Float64Array.from(holed)))
  await byNumbers(page, '0.1')
  await expect(page.getByTestId('scan-holes')).toContainText(/holes over 2\d\.\d\smm of the line\. What is there is unknown/)
  await page.getByRole('button', { name: 'Cancel' }).click()
  const cut = writeStl(CALIPER).slice(0, 4000)
  for (const [name, bytes, message] of [
    ['cut.stl', cut, 'ends before its last triangle'],
    ['text.ply', Uint8Array.from([104, 105]), 'has no head'],
    ['a.step', cut, 'Export it as STL, PLY, OBJ, glTF or GLB'],
  ] as const) {
    await pickFile(page, name, bytes)
    await expect(page.getByTestId('scan-message')).toContainText(message)
    await page.getByRole('button', { name: 'Cancel' }).click()
  }
})

test('a scanned wheel on a phone, placed by numbers', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page, 'measure', 'sheet=wheelProfile')
  await page.getByTestId('scan-example').click()
  await expect(page.getByTestId('scan-size')).toContainText('1,896 triangles')
  await byNumbers(page, '0.2')
  await expect(line(page)).toContainText('Standard uncertainty up to 0.20 mm')
  await fitsTheWindow(page)
  await page.getByTestId('scan-take').click()
  await expect(page.getByTestId('measure-verdict')).toContainText(/Clears|Too close|Contact|Tight|Not enough/)
})

test('a part of a scan is circled and left out: what was under it is unknown, until the whole scan is used again', async ({ page }) => {
  await openDemo(page, 'measure', 'sheet=caliperOutline')
  await pickFile(page, 'caliper.stl', writeStl(CALIPER))
  await expect(page.getByTestId('scan-size')).toContainText('triangles')
  await byNumbers(page, '0.2')
  await expect(line(page)).toContainText('points')
  await unfold(page, 'Set parts of the scan apart')
  await tick(page.getByTestId('scan-lasso').getByRole('checkbox'), true)
  const canvas = page.getByTestId('scan-canvas')
  const box = (await canvas.boundingBox())!
  const at = (x: number, y: number) => [box.x + x * box.width, box.y + y * box.height] as const
  await page.mouse.move(...at(0.1, 0.1))
  await page.mouse.down()
  for (const [x, y] of [
    [0.55, 0.1],
    [0.55, 0.9],
    [0.1, 0.9],
    [0.1, 0.15],
  ] as const)
    await page.mouse.move(...at(x, y), { steps: 4 })
  await page.mouse.up()
  await expect(page.getByTestId('scan-circled')).toContainText('triangles')
  await page.getByTestId('scan-leave-out').click()
  await expect(page.getByTestId('scan-pieces')).toContainText('triangles left out')
  await expect(page.getByTestId('scan-holes')).toContainText('unknown')
  await page.getByRole('button', { name: 'Use the whole scan' }).click()
  await expect(page.getByTestId('scan-holes')).toHaveCount(0)
  await expect(line(page)).toContainText('points')
})

test('a scan that is placed by numbers is moved against the line that is there', async ({ page }) => {
  await openDemo(page, 'measure', 'sheet=caliperOutline')
  await pickFile(page, 'caliper.stl', writeStl(CALIPER))
  await expect(page.getByTestId('scan-size')).toContainText('triangles')
  await byNumbers(page, '0.2')
  await expect(line(page)).toContainText('points')
  await page.getByTestId('scan-outboard').click()
  await expect(page.getByLabel('Centre of the mounting face, z')).toHaveValue('-0.5 mm')
  await page.getByTestId('scan-inboard').click()
  await page.getByTestId('scan-up').click()
  await expect(page.getByLabel('Centre of the mounting face, z')).toHaveValue('0 mm')
  await expect(page.getByLabel('Centre of the mounting face, x')).toHaveValue('-0.5 mm')
  await expect(line(page)).toContainText('points')
})

test('wheel and caliper in 3D: shown on a press, turned by keys, and back to the half section', async ({ page }) => {
  await openDemo(page, 'fit', 'setup=estate-fronts')
  await page.getByTestId('show-3d').click()
  const view = page.getByTestId('corner-3d')
  await expect(view).toHaveAttribute('aria-label', /Wheel and caliper in 3D, front\. Too close/)
  await expect(view).toBeVisible()
  const before = await view.screenshot()
  await view.press('ArrowLeft')
  await view.press('ArrowUp')
  expect((await view.screenshot()).equals(before)).toBe(false)
  await page.getByTestId('show-3d').click()
  await expect(page.getByTestId('corner-drawing')).toBeVisible()
})
