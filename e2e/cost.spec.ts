import { readFile } from 'node:fs/promises'
import type { Locator } from '@playwright/test'
import { choose, drag, expect, openDemo, row, seriousFindings, test, type } from './support.ts'

test('quotes are asked for, taken with date and seller, shipping once a seller', async ({ page }) => {
  await openDemo(page, 'cost', 'setup=balanced&view=bill')
  await page.getByTestId('ask-quotes').click()
  await expect(page.locator('[data-quotes="kit4-rotor"]')).toContainText('Hazelmere Motor Factors')
  await page.getByTestId('take-new').click()
  await expect(row(page, 'line', 'kit4-rotor')).toContainText(/(Hazelmere Motor Factors|Thornbury Brake Supply), published, 20\d\d/)
  await expect(page.locator('[data-line^="shipping."]').first()).toBeVisible()
  const shipping = await page.locator('[data-line^="shipping."]').count()
  expect(shipping).toBeLessThanOrEqual(2)
  expect(await seriousFindings(page)).toEqual([])
  await page.keyboard.press('Control+z')
  await expect(page.locator('[data-line^="shipping."]')).toHaveCount(0)
})

test('without the price desk the cost still works, and says what to do', async ({ page }) => {
  await openDemo(page, 'cost', 'setup=balanced&view=bill')
  await page.route('**/api/supply/**', (route) => route.abort())
  await page.getByTestId('ask-quotes').click()
  await expect(page.getByRole('alert')).toContainText('You can type prices instead.')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('EUR\u00a0977')
})

test('budget, sale of the old parts, a season and when the dearer option has paid for itself', async ({ page }) => {
  // what was measured outranks what is typed: this story types
  await openDemo(page, 'prove', 'setup=as-it-stands&view=wear')
  for (let left = 3; left > 0; left -= 1)
    await page
      .getByRole('button', { name: /^Remove the wear of/ })
      .first()
      .click()
  await expect(page.getByText('Saved here')).toBeAttached()
  await openDemo(page, 'cost', 'setup=balanced&view=bill')
  await type(page, 'Budget, at most', '700')
  await expect(page.getByTestId('budget')).toContainText('probability of staying within EUR')
  await expect(row(page, 'line', 'kit4-caliper')).not.toContainText('beyond the budget')
  await expect(row(page, 'line', 'adjustable-valve')).toContainText('beyond the budget')

  // what is dragged up is bought first, and the budget follows; an arrow brings it back a place
  await page.setViewportSize({ width: 1280, height: 1300 })
  const lines = page.locator('[data-line]')
  await lines.first().scrollIntoViewIfNeeded()
  const rowOf = (line: Locator) => line.locator('xpath=ancestor::tr')
  await drag(rowOf(lines.filter({ hasText: 'Adjustable rear valve' })).locator('.grip'), rowOf(lines.first()).locator('.grip'))
  await expect(lines.first()).toContainText('Adjustable rear valve')
  await expect(row(page, 'line', 'adjustable-valve')).not.toContainText('beyond the budget')
  await page.getByRole('button', { name: 'Buy Adjustable rear valve later' }).click()
  await expect(lines.nth(1)).toContainText('Adjustable rear valve')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(row(page, 'line', 'adjustable-valve')).toContainText('beyond the budget')
  await page.setViewportSize({ width: 1280, height: 800 })

  await page.getByRole('button', { name: 'Add a cost' }).click()
  const line = page.locator('[data-extra]').last()
  await line.getByLabel('What', { exact: true }).fill('Old calipers')
  await line.getByLabel('What', { exact: true }).press('Enter')
  await choose(line.getByLabel('Kind'), 'sale of removed parts')
  await line.getByLabel('Price, expected').fill('60')
  await line.getByLabel('Price, expected').press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('EUR\u00a0917')

  await page.getByRole('link', { name: 'Season', exact: true }).click()
  await row(page, 'wear', 'frontPads').getByLabel('Events that front pads last').fill('12 ± 2')
  await row(page, 'wear', 'frontPads').getByLabel('Events that front pads last').press('Enter')
  await expect(page.getByRole('heading', { name: /A season/ })).toContainText('at least EUR\u00a0109')
  await page.getByRole('tab', { name: 'Current car' }).click()
  await row(page, 'wear', 'frontPads').getByLabel('Events that front pads last').fill('4')
  await row(page, 'wear', 'frontPads').getByLabel('Events that front pads last').press('Enter')
  await row(page, 'wear', 'frontPads').getByRole('button', { name: 'no price yet' }).click()
  await row(page, 'wear', 'frontPads').getByLabel('Price, expected').fill('60')
  await row(page, 'wear', 'frontPads').getByLabel('Price, expected').press('Enter')
  await expect(page.getByTestId('payback')).toContainText(
    'Four-piston, rear to match costs more to buy than Current car and pays for itself after',
  )
})

test('fit reports: beside the figures, contradictions pointed out, entered, exchanged', async ({ page }) => {
  await openDemo(page, 'fit', 'setup=big-kit&view=reports')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('One report contradicts the calculation')
  await expect(page.getByTestId('reports-front')).toContainText('The report says contact; the calculated clearance is')
  await page.getByRole('link', { name: 'This wheel' }).click()
  await expect(page.getByTestId('contradicted')).toContainText('A report contradicts this')
  await page.getByRole('link', { name: 'Reports' }).click()
  await page.getByRole('button', { name: 'Report on the front' }).click()
  await type(page, 'Clearance measured', '9 ± 0.5')
  await page.getByLabel('Who saw it').fill('E. Larch')
  await page.getByRole('button', { name: 'Save report' }).click()
  await expect(page.getByTestId('reports-front')).toContainText('E. Larch')

  const waiting = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as JSON Lines' }).click()
  const text = await readFile((await (await waiting).path())!, 'utf8')
  expect(text.trim().split('\n')).toHaveLength(16)
  // what comes in again is here already; a new one is taken, a broken one left out with its reason
  const more = `${text}${JSON.stringify({ ...JSON.parse(text.split('\n')[0]!), by: 'F. Quince' })}\n{"car":"x"}\n`
  await page
    .getByTestId('reports-file')
    .locator('input')
    .setInputFiles({ name: 'reports.jsonl', mimeType: 'application/jsonl', buffer: Buffer.from(more) })
  await expect(page.getByTestId('reports-message')).toHaveText('1 taken, 16 were here already, 1 left out.')
  await expect(page.getByTestId('reports-rejected')).toContainText('Line 18: axle the axle is missing')
})
