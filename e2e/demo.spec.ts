import { DEMO, expect, exported, grab, keyFigures, openDemo, strangers, test, fitsTheWindow } from './support.ts'

test('from the list of projects to the verdict of the demo', async ({ page }) => {
  const asked = strangers(page)
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Valiant Caliper' })).toBeVisible()
  await page.getByRole('button', { name: 'Open the demo' }).click()
  await expect(page.getByTestId('verdict')).toContainText('Too close: 1.2 mm at the back of the spokes, 3.0 mm required.')
  await expect(page.getByTestId('corner-drawing')).toBeVisible()
  // the tour of the bench, left at once
  await expect(page.locator('.el-tour__content')).toContainText('The answer first')
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'All projects' }).click()
  await expect(page.getByRole('link', { name: /Larkrise club hatchback/ })).toBeVisible()
  expect(asked).toEqual([])
})

test('drag the spacer until it clears, undo, export, import, same figures', async ({ page }) => {
  await openDemo(page)
  const verdict = page.getByTestId('verdict')
  const before = await keyFigures(page)
  const grip = page.getByTestId('spacer-grip')
  const from = await grab(grip.locator('circle'))
  for (let dx = 1; dx <= 40 && !/^Clears/.test(await verdict.innerText()); dx += 1) {
    await page.mouse.move(from.x + dx, from.y)
    await page.waitForFunction(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => done(true)))))
  }
  await page.mouse.up()
  await expect(verdict).toContainText('Clears:')
  const spacerMm = Number(await grip.getAttribute('aria-valuenow'))
  expect(spacerMm).toBeGreaterThan(1.5)
  expect(spacerMm).toBeLessThanOrEqual(4)
  const dragged = await keyFigures(page)
  expect(dragged[0]).not.toBe(before[0])
  expect(dragged[0]).toContain('Clears')

  // one gesture is one step back
  await page.keyboard.press('Control+z')
  await expect(verdict).toContainText('Too close')
  await expect.poll(() => keyFigures(page)).toEqual(before)
  await page.keyboard.press('Control+Shift+z')
  await expect(verdict).toContainText('Clears:')

  // a stock size is a part with a price
  await page.getByLabel('Thickness, front', { exact: true }).fill('5 mm')
  await page.getByLabel('Thickness, front', { exact: true }).press('Enter')
  await expect(page.getByTestId('key-figure-cost')).toContainText('331')
  const settled = await keyFigures(page)

  const text = await exported(page)
  await page.waitForFunction(() => document.body.innerText.includes('Saved here'))
  await page.reload()
  await expect(page.getByTestId('key-figure-cost')).toContainText('331')
  await expect.poll(() => keyFigures(page)).toEqual(settled)

  await page.goto('/')
  await page.locator('input[type=file]').setInputFiles({ name: 'again.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  await page.waitForURL((url) => url.pathname.endsWith('/fit') && !url.pathname.startsWith(DEMO))
  await page.getByRole('tab', { name: 'Estate fronts' }).click()
  await expect(page.getByTestId('key-figure-cost')).toContainText('331')
  await expect.poll(() => keyFigures(page)).toEqual(settled)
  expect(JSON.parse(await exported(page)).setups).toEqual(JSON.parse(text).setups)
})

test('the other setups teach what they are made for', async ({ page }) => {
  await openDemo(page, 'fit', 'setup=big-kit')
  await expect(page.getByTestId('verdict')).toContainText('Clears:')
  await expect(page.getByTestId('key-figure-pedal')).toContainText('travel +12')
  await expect(page.getByTestId('key-figure-bias')).toContainText('points to the front')
  await page.getByRole('tab', { name: 'Four-piston, rear to match' }).click()
  await expect(page.getByTestId('key-figure-bias')).toContainText('points to the rear')
  await page.keyboard.press('6')
  await expect(page.getByTestId('lock-order')).toContainText('Front locks first up to 0.8')
  await page
    .getByTestId('balance-facts')
    .getByRole('button', { name: /^8\d\.\d%$/ })
    .click()
  const drawer = page.getByRole('dialog')
  await expect(drawer).toContainText('F_f / (F_f + F_r)')
  await expect(drawer).toContainText('T. Gillespie')
})

test('the working of a figure leads to where each number is entered', async ({ page }) => {
  await openDemo(page, 'fit', 'setup=big-kit')
  await page.getByTestId('key-figure-area').click()
  const drawer = page.getByRole('dialog')
  await expect(drawer).toContainText('π/4 · (50² + 50²)')
  // what matters most comes in later, above it, with the same names
  await drawer.getByRole('button', { name: 'Piston 1 of Twin-piston caliper Q2' }).last().click()
  await expect(page.getByRole('textbox', { name: 'Pistons on one side' })).toBeFocused()
  await page.getByRole('textbox', { name: 'Pistons on one side' }).fill('44; 1-3/8"')
  await page.getByRole('textbox', { name: 'Pistons on one side' }).press('Enter')
  await expect(page.getByTestId('key-figure-area')).toContainText('2479')
})

test('a second tab shows what the first one saved', async ({ page, context }) => {
  await openDemo(page)
  const other = await context.newPage()
  await openDemo(other)
  await page.getByTestId('take-spacer').click()
  await expect(page.getByTestId('verdict')).toContainText('Clears:')
  await expect(other.getByTestId('verdict')).toContainText('Clears:')
  await other.getByLabel('Thickness, front', { exact: true }).fill('10')
  await other.getByLabel('Thickness, front', { exact: true }).press('Enter')
  await expect(page.getByTestId('spacer-grip')).toHaveAttribute('aria-valuenow', '10')
})

test('at phone width the verdict comes first and the figures can be edited', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page)
  const verdict = (await page.getByTestId('verdict').boundingBox())!
  const drawing = (await page.getByTestId('corner-drawing').boundingBox())!
  expect(verdict.y).toBeLessThan(drawing.y)
  await fitsTheWindow(page)
  await page.getByTestId('take-spacer').click()
  await expect(page.getByTestId('verdict')).toContainText('Clears:')
})

test('a full disk is said, and nothing is lost', async ({ page }) => {
  await openDemo(page)
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('no room', 'QuotaExceededError')
    }
  })
  await page.getByTestId('take-spacer').click()
  await expect(page.getByRole('alert')).toContainText('This browser’s storage is full. Export the project to a file')
  await expect(page.getByTestId('verdict')).toContainText('Clears:')
  expect(JSON.parse(await exported(page)).setups[1].front.spacer).toBe('spacer-3')
})
