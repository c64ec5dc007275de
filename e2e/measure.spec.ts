import type { Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import {
  choose,
  expect,
  exported,
  grab,
  keyFigures,
  openDemo,
  seriousFindings,
  test,
  tick,
  yardstick,
  fitsTheWindow,
  unfold,
} from './support.ts'

const reading = (page: Page, label: string) => page.getByLabel(label, { exact: true })
async function take(page: Page, label: string, text: string): Promise<void> {
  await reading(page, label).fill(text)
  await reading(page, label).press('Enter')
}
async function downloaded(page: Page, press: () => Promise<void>): Promise<{ name: string; bytes: Buffer }> {
  const waiting = page.waitForEvent('download')
  await press()
  const file = await waiting
  return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) }
}
const partOf = async (page: Page, id: string) =>
  (JSON.parse(await exported(page)).parts as { id: string }[]).find((one) => one.id === id) as unknown as Record<string, never>

test('at the car with a phone: five figures, cannot say, the named measurement from the gauge, clears', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page, 'fit', 'setup=balanced&view=wheels')
  await page.getByRole('button', { name: 'Fit Hill wheel 7J x 15 ET 30' }).click()
  await expect(page.getByTestId('verdict')).toContainText('Clears:')

  await page.getByRole('link', { name: /Measure/ }).click()
  await expect(page.getByTestId('sheet')).toContainText('five figures')
  await fitsTheWindow(page)
  await take(page, 'Tallest radius', '155; 155.4; 154.8')
  await expect(reading(page, 'Top, inboard end')).toBeFocused()
  await take(page, 'Top, inboard end', '-88')
  await take(page, 'Top, outboard end', '14')
  await expect(reading(page, 'Outer face beyond mounting face')).toBeFocused()
  // a fraction, then a reading that stands apart: pointed out, kept, taken out by hand
  await take(page, 'Outer face beyond mounting face', '1-9/16 in; 39.6; 39.5; 45')
  await expect(page.getByText(/45\.00\u00a0mm differs from the others/)).toBeVisible()
  await page.getByRole('button', { name: 'Remove the reading 45.00' }).click()
  await expect(page.getByText(/stands apart/)).toHaveCount(0)
  const verdict = page.getByTestId('measure-verdict')
  await expect(verdict).toContainText('Not enough data: ')

  await verdict.getByRole('link').click()
  const spoke = page.getByTestId('measure-next').getByRole('button', { name: /^Measure back of the spokes of Hill wheel/ })
  await expect(spoke).toContainText('of the uncertainty')
  await spoke.click()
  await expect(reading(page, 'Back of spokes beyond mounting face')).toBeFocused()
  await choose(page.getByTestId('gauge'), 'simulated gauge')
  await page.getByLabel('Jaws at, mm').fill('44.5')
  await reading(page, 'Back of spokes beyond mounting face').focus()
  for (const count of [1, 2, 3]) {
    await page.getByTestId('gauge-send').click()
    await expect(page.getByRole('list', { name: 'Readings of Back of spokes beyond mounting face' }).getByRole('listitem')).toHaveCount(
      count,
    )
  }
  await expect(page.getByTestId('measure-verdict')).toContainText('Clears:')

  const wheel = await partOf(page, 'hill-wheel')
  expect(wheel.faceDepthMm).toMatchObject({
    origin: 'measured',
    instrument: 'digitalCaliper',
    readings: [expect.closeTo(44.5, 0), expect.anything(), expect.anything()],
  })
  expect((await partOf(page, 'kit4-caliper')).faceMm).toMatchObject({ readings: [39.6875, 39.6, 39.5], instrument: 'straightedge' })
})

test('the gauge’s faults are noticed: inches, a zero that is off, silence', async ({ page }) => {
  await openDemo(page, 'measure', 'setup=estate-fronts&sheet=rotor')
  const name = 'Hat thickness'
  const readings = page.getByRole('list', { name: `Readings of ${name}` }).getByRole('listitem')
  await expect(readings).toHaveCount(3)
  await choose(page.getByTestId('gauge'), 'simulated gauge')
  await page.getByLabel('Jaws at, mm').fill('6')
  await reading(page, name).focus()
  await choose(page.getByLabel('Fault'), 'switched to inches')
  await page.getByTestId('gauge-send').click()
  await expect(page.getByText(/Is the\s+gauge set to another unit\?/)).toBeVisible()
  await expect(readings).toHaveCount(3)
  await page.getByRole('button', { name: /^(Use|Add) (5\.9|6\.0)/ }).click()
  await expect(readings).toHaveCount(4)

  await choose(page.getByLabel('Fault'), 'zero is off')
  await page.getByRole('button', { name: 'Check zero' }).click()
  await expect(page.getByText(/Closed, the gauge showed 0\.[2-4]\d mm. Every reading is corrected by it/)).toBeVisible()
  await page.getByTestId('gauge-send').click()
  await expect(readings).toHaveCount(5)
  await expect(readings.last()).toContainText(/^(5\.9|6\.0)/)

  await choose(page.getByLabel('Fault'), 'drops out')
  await expect(page.getByText('No readings arrive from the gauge')).toBeVisible()
  await expect(readings).toHaveCount(5)
})

test('a gauge that types feeds the field, and a pasted column becomes readings', async ({ page }) => {
  await openDemo(page, 'measure', 'setup=estate-fronts&sheet=rotor')
  await choose(page.getByTestId('gauge'), 'gauge that types')
  await unfold(page, /1 reading of each/)
  await choose(page.getByLabel('Readings of each'), '3')
  await reading(page, 'Centre bore').focus()
  await page.keyboard.type('62.04\n', { delay: 2 })
  const readings = page.getByRole('list', { name: 'Readings of Centre bore' }).getByRole('listitem')
  await expect(readings).toHaveText([/62\.04/])
  // no field has the focus: the keys are the gauge's all the same, and no shortcut
  await page.locator('h2').first().click()
  await page.evaluate(() => {
    for (const key of [...'62.06', 'Enter'])
      document.activeElement!.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
  })
  await expect(readings).toHaveCount(2)
  await expect(page).toHaveURL(/\/measure\?/)
  await reading(page, 'Friction ring, inner diameter').focus()
  await page.evaluate(() => {
    const data = new DataTransfer()
    data.setData('text', '176.0\n176.5\n175.5\n')
    document.activeElement!.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
  })
  await expect(page.getByRole('list', { name: 'Readings of Friction ring, inner diameter' }).getByRole('listitem')).toHaveCount(3)
  await expect(page.getByText(/spread 1\.00/)).toBeVisible()
  await reading(page, 'Centre bore').fill('62.')
  await page.reload()
  await expect(reading(page, 'Centre bore')).toHaveValue('62.')
})

test('points: typed, pasted, dragged in the drawing, undone', async ({ page }) => {
  await openDemo(page, 'measure', 'setup=estate-fronts&sheet=caliperOutline')
  const before = await keyFigures(page)
  const cell = page.getByLabel('Point 9, z')
  await expect(cell).toHaveValue('43.05')
  const handle = page.getByRole('button', { name: /^Point 9:/ })
  const from = await grab(handle)
  for (let step = 1; step <= 12; step += 1) await page.mouse.move(from.x - step * 2, from.y)
  await page.mouse.up()
  await expect(cell).not.toHaveValue('43.05')
  await expect.poll(async () => (await keyFigures(page))[0]).not.toBe(before[0])
  await page.keyboard.press('Control+z')
  await expect(cell).toHaveValue('43.05')
  await expect.poll(async () => (await keyFigures(page))[0]).toBe(before[0])

  // a slip in a cell is named and changes nothing
  await cell.fill('abc')
  await cell.press('Enter')
  await expect(page.getByText(/Point 9, z: "abc" is not a figure/)).toBeVisible()
  // and is still there after a reload, as is a reading in the middle of its typing
  await page.reload()
  await expect(cell).toHaveValue('abc')
  await cell.fill('43.05')
  await cell.press('Enter')
  await expect(page.getByText(/is not a figure/)).toHaveCount(0)

  // a further object by its name
  await page.getByRole('button', { name: 'Objects on the caliper' }).click()
  await expect(page.getByLabel('Point 2, z')).toHaveCount(0)
  await page.getByLabel('Point 1, z').focus()
  await expect(page.getByLabel('Point 1, z')).toBeFocused()
  await page.evaluate(() => {
    const data = new DataTransfer()
    data.setData('text', '-40\t160\n-38\t166.4\n-34\t160')
    document.activeElement!.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
  })
  await expect(page.getByTestId('measure-verdict')).toContainText('(bleed screw)')
})

test('card and drawing out, drawing in; a damaged and a curved drawing are refused', async ({ page }) => {
  await openDemo(page, 'fit', 'setup=estate-fronts&view=card')
  await expect(page.getByTestId('card-preview')).toBeVisible()
  const pdf = await downloaded(page, () => page.getByTestId('pdf').click())
  expect(pdf.name).toBe('estate-front-caliper-front.pdf')
  expect(pdf.bytes.subarray(0, 5).toString()).toBe('%PDF-')
  const svg = await downloaded(page, () => page.getByTestId('svg').click())
  expect(svg.bytes.toString()).toContain('width="210mm"')
  const dxf = await downloaded(page, () => page.getByTestId('dxf').click())
  const csv = await downloaded(page, () => page.getByTestId('csv').click())
  expect(csv.bytes.toString().split('\n')[1]).toBe('body,-104,146')

  await openDemo(page, 'measure', 'setup=big-kit&sheet=caliperOutline')
  const before = (await partOf(page, 'kit2-caliper')).outlines
  const file = page.getByTestId('dxf-file').locator('input')
  const put = (name: string, text: string) => file.setInputFiles({ name, mimeType: 'application/dxf', buffer: Buffer.from(text) })
  await put('cut.dxf', dxf.bytes.toString().slice(0, 900))
  await expect(page.getByTestId('dxf-message')).toContainText('cut.dxf: The DXF cannot be read')
  await put('notes.txt', 'not a drawing')
  await expect(page.getByTestId('dxf-message')).toContainText('This is not a DXF file')
  const spline =
    '0\nSECTION\n2\nENTITIES\n0\nSPLINE\n8\nface\n70\n8\n0\nLINE\n8\nbody\n10\n-80\n20\n140\n11\n30\n21\n140\n0\nENDSEC\n0\nEOF\n'
  await put('curve.dxf', spline)
  const dialog = page.getByRole('dialog', { name: /^From / })
  await expect(dialog).toContainText('holds a spline, which cannot be imported')
  await expect(page.getByTestId('dxf-trouble')).toContainText('does not state its unit')
  await expect(page.getByTestId('dxf-take')).toBeDisabled()
  await choose(dialog.getByLabel('Unit of the drawing'), 'mm')
  await expect(page.getByTestId('dxf-take')).toBeEnabled()
  expect(await seriousFindings(page)).toEqual([])
  await dialog.getByRole('button', { name: 'Cancel' }).click()
  expect((await partOf(page, 'kit2-caliper')).outlines).toEqual(before)

  await put('estate.dxf', dxf.bytes.toString())
  await tick(dialog.getByLabel(/^wheel/), false)
  await dialog.getByLabel('Origin x').fill('1')
  await expect(dialog).toContainText('2 lines, 14 points')
  await page.getByTestId('dxf-take').click()
  const taken = (await partOf(page, 'kit2-caliper')) as unknown as { outlines: { name: string; points: number[][] }[]; outlineFrom: string }
  expect(taken.outlineFrom).toBe('points')
  expect(taken.outlines.map((one) => one.name)).toEqual(['body', 'bleed screw'])
  expect(taken.outlines[0]!.points[0]).toEqual([-105, 146])
})

test('all wheels and all brakes at once; face heights; the spacer’s price in thread', async ({ page }) => {
  await openDemo(page, 'fit', 'setup=estate-fronts&view=wheels')
  const rows = page.getByTestId('comparison').locator('tbody tr')
  await expect(rows).toHaveCount(8)
  await expect(rows.first()).toContainText('Clears')
  await expect(rows.filter({ hasText: 'Wet wheel' })).toContainText('Contact')
  await expect(page.getByTestId('rim-hint')).toContainText('First hint: a plain 15 inch rim')
  await page.getByRole('link', { name: 'All brakes' }).click()
  await choose(page.getByTestId('customer-wheel'), 'Club wheel 6.5J')
  await expect(page.getByTestId('comparison').locator('tbody tr').filter({ hasText: 'Estate front caliper' })).toContainText('Too close')
  // one that is in no setup is looked at in its own company
  const loose = page.getByTestId('comparison').locator('tbody tr').filter({ hasText: 'Harrow van front caliper' })
  await expect(loose).toContainText('with Slotted rotor 276 x 26, Harrow van pads, Bracket for Harrow van calipers')
  await expect(loose).toContainText(/Not enough data\s*Enter inspection of Harrow van front caliper/)
  // it is the wheel that was asked for which stands over each: one whose spokes nobody measured clears nothing
  await expect(page.getByTestId('comparison').locator('tbody')).toContainText('Clears')
  await choose(page.getByTestId('customer-wheel'), 'Winter steel wheel')
  await expect(page.getByTestId('comparison').locator('tbody')).toContainText('Not enough data')
  await expect(page.getByTestId('comparison').locator('tbody')).not.toContainText('Clears')
  await page.getByRole('link', { name: 'All wheels' }).click()
  // the wheel in use wants a spacer of the library, another one its third face: both as the row said
  await page.getByRole('button', { name: 'Fit Club wheel 6.5J' }).click()
  await expect(page.getByTestId('verdict')).toContainText('Clears:')
  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('verdict')).toContainText('Too close')
  await page.getByRole('link', { name: 'All wheels' }).click()
  await page.getByRole('button', { name: 'Fit Hill wheel' }).click()
  await expect(page.getByTestId('verdict')).toContainText('Clears:')
  await page.getByRole('button', { name: 'Use F1' }).click()
  await expect(page.getByTestId('verdict')).toContainText('Too close')
  await expect(page.getByTestId('faces')).toContainText('the least that clears')
  await page.getByRole('button', { name: 'Use F3' }).click()
  await expect(page.getByTestId('verdict')).toContainText('Clears:')
  await page.getByLabel('Thickness, front', { exact: true }).fill('10')
  await page.getByLabel('Thickness, front', { exact: true }).press('Enter')
  await expect(page.getByTestId('effects')).toContainText('a spacer with a register of its own')
  await page.getByTestId('effects').getByRole('button', { name: 'Thread engagement, nut' }).click()
  await expect(page.getByRole('dialog')).toContainText('min(l − h − s − p − t, n)')
})

test('a trial fit and a gap by difference are entered and compared with the figures', async ({ page }) => {
  await openDemo(page, 'measure', 'setup=estate-fronts&sheet=difference')
  await take(page, 'Clearance now', '26')
  await take(page, 'At radius', '104')
  await take(page, 'Present caliper beyond mounting face', '17.5')
  await take(page, 'New caliper beyond mounting face', '43')
  await expect(page.getByTestId('difference')).toContainText('90% range')
  await expect(page.getByTestId('difference')).toContainText('This agrees with the spoke clearance from the outlines')
  await page.getByRole('button', { name: 'Trial fit', exact: true }).click()
  await take(page, 'Minimum clearance measured', '9; 9.1; 9')
  await expect(page.getByText(/The trial fit measured 9\.0.*one of them is wrong/)).toBeVisible()
  await expect(page.getByTestId('measure-verdict')).toContainText('trial fit and calculation disagree')
  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('measure-verdict')).toContainText('Too close')
})

test('a move of the hand takes less than a frame', { tag: '@deep' }, async ({ page }) => {
  await openDemo(page, 'fit', 'setup=estate-fronts')
  const grip = page.getByTestId('spacer-grip')
  const from = await grab(grip.locator('circle'))
  const times = await page.evaluate(async ({ x, y }) => {
    const found: number[] = []
    for (let step = 1; step <= 60; step += 1) {
      await new Promise((done) => requestAnimationFrame(done))
      const at = performance.now()
      window.dispatchEvent(new MouseEvent('mousemove', { clientX: x + step, clientY: y, view: window, bubbles: true }))
      // the drawing is brought up to date before the next task
      await Promise.resolve().then(() => Promise.resolve())
      document.body.getBoundingClientRect()
      found.push(performance.now() - at)
    }
    return found
  }, from)
  await page.mouse.up()
  const sorted = [...times].sort((a, b) => a - b)
  const yard = await yardstick(page)
  console.log(
    `a move of the hand: median ${sorted[30]!.toFixed(1)} ms, slowest of 60 ${sorted[59]!.toFixed(1)} ms; a yardstick ${yard.toFixed(0)} ms`,
  )
  // a frame of 16 ms where a yardstick takes 100; of the slowest the rest of the machine is as much to blame
  expect(sorted[30]! / yard).toBeLessThan(0.16)
  // what the drawing said under the hand is what the report says after it
  const shown = await page.getByTestId('corner-drawing').locator('.gap text').textContent()
  await expect(page.getByTestId('verdict')).toContainText('Clears:')
  await expect(page.getByTestId('corner-drawing').locator('.gap text')).toHaveText(shown!)
})

test('the blank form has a place for every dimension of every sheet', async ({ page }) => {
  await openDemo(page, 'form', 'setup=estate-fronts')
  await expect(page.getByRole('heading', { name: 'Measuring form' })).toBeVisible()
  for (const words of [
    'Tallest radius',
    'Back of spokes beyond mounting face',
    'Hat thickness',
    'Clearance now',
    'Minimum clearance measured',
    'barrel, shoulder, face',
  ])
    await expect(page.getByText(words).first()).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByTestId('key-figure-cost')).toBeHidden()
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
})
