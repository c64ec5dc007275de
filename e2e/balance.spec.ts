import { expect, test, type Page } from '@playwright/test'
import { openDemo, pick, seriousFindings, type } from './support.ts'

const saved = (page: Page) => expect(page.getByText('Saved here')).toBeAttached()

test('a larger rear piston: the rear locks first; an offered lever solves it', async ({ page }) => {
  await openDemo(page, 'setup', 'setup=estate-fronts')
  await pick(page, 'Caliper or drum brake, rear', 'Sprig GT rear caliper, piston 33')
  await pick(page, 'Pads, rear', 'Rear fast-road pads')
  await pick(page, 'Caliper or drum brake, front', 'Front sliding caliper')
  await pick(page, 'Rotor, front', 'Front rotor 256 x 22')
  await pick(page, 'Pads, front', 'Front road pads')
  await page.getByRole('link', { name: /^\s*6?\s*Balance/ }).click()
  await expect(page.getByTestId('lock-order')).toContainText('Rear locks first above')
  await expect(page.getByTestId('cases').locator('tbody tr').first()).toContainText('front to 0.')
  // it is a blocker of the fit check too
  await page.getByRole('link', { name: /^\s*5?\s*Fit/ }).click()
  await page.getByRole('link', { name: 'Every interface' }).click()
  await expect(page.locator('[data-rule="car.lock-order"]')).toContainText('Rear locks first above')
  await page.getByRole('link', { name: /^\s*6?\s*Balance/ }).click()
  const lever = page.locator('[data-lever="valveKnee"]')
  await expect(lever).toContainText('Adjustable rear valve, set to')
  await lever.getByRole('button', { name: 'New setup with Adjustable rear valve' }).click()
  await expect(page.getByTestId('lock-order')).toContainText('Front locks first', { timeout: 15_000 })
  await expect(page.getByRole('tab', { name: /Adjustable rear valve/ })).toBeVisible()
  expect(await seriousFindings(page)).toEqual([])

  // the knee is moved in the curve; the order follows, and one step takes it back
  const knee = page.getByTestId('knee')
  const before = await knee.getAttribute('aria-valuenow')
  await knee.focus()
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('ArrowUp')
  const nudged = String(Math.round((Number(before) + 0.3) * 100) / 100)
  await expect(knee).toHaveAttribute('aria-valuenow', nudged)
  await expect(page.getByTestId('lock-order')).toContainText('Rear locks first above')
  const box = (await knee.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2, box.y - 60, { steps: 6 })
  await page.mouse.up()
  await expect(knee).not.toHaveAttribute('aria-valuenow', nudged)
  await expect(page.getByTestId('lock-order')).toContainText('Rear locks first')
  await page.keyboard.press('Control+z')
  await expect(knee).toHaveAttribute('aria-valuenow', nudged)
})

test('the booster taken off: bores that keep the pedal under 450 N', async ({ page }) => {
  await openDemo(page, 'balance', 'setup=balanced&view=bores')
  await expect(page.getByTestId('best-bore')).toContainText('keeps the pedal at')
  await page.getByTestId('without-booster').check()
  await type(page, 'Pedal force at most', '450 N')
  await expect(page.getByTestId('best-bore')).toContainText('15.88 mm keeps the pedal at')
  await expect(page.getByTestId('bore-table').locator('tr', { hasText: '20.64 mm' })).toContainText('pedal too heavy')
  await page.getByRole('button', { name: /^Front 15\.88 mm, rear 15\.88 mm: bar/ }).click()
  await expect(page.getByTestId('pair-shown')).toContainText('Front 15.88 mm, rear 15.88 mm')
  expect(await seriousFindings(page)).toEqual([])
})

test('the chain as a picture follows the foot; the car as it stands beside it', async ({ page }) => {
  await openDemo(page, 'balance', 'setup=balanced&view=chain')
  const slider = page.getByTestId('pedal-force')
  const road = page.locator('[data-stage="road"]')
  const before = await road.innerText()
  await slider.fill('300')
  await expect(road).not.toHaveText(before)
  await expect(page.locator('[data-stage="booster"]')).toContainText('at runout')
  await page.locator('[data-stage="road"]').getByRole('button', { name: 'Road, both wheels' }).click()
  await expect(page.getByRole('dialog')).toContainText('F_f / (F_f + F_r)')
  await page.keyboard.press('Escape')
  // a stage is changed in place, and undone
  const pressure = page.locator('[data-stage="master"]')
  const was = await pressure.innerText()
  await page.getByLabel('Change the master cylinder').selectOption({ label: 'Tandem master 23.8' })
  await expect(pressure).not.toHaveText(was, { useInnerText: true })
  await page.keyboard.press('Control+z')
  await expect(pressure).toHaveText(was, { useInnerText: true })
  await expect(page.getByTestId('areas')).toContainText('staggered')
})

test('gauge pairs are entered and read; the bar position is taken over and kept by track', async ({ page }) => {
  await openDemo(page, 'setup', 'setup=balanced')
  await pick(page, 'Master cylinder', 'Twin cylinders 15.9 and 17.8')
  await page.getByLabel('Booster', { exact: true }).selectOption('-')
  await page.getByLabel('Rear valve', { exact: true }).selectOption('-')
  await saved(page)
  await page.goto('/p/larkrise-club-hatch/balance?setup=balanced&view=gauges')
  await expect(page.getByTestId('gauge-says')).toContainText('Three pairs at different efforts are needed', { timeout: 15_000 })
  await page.getByLabel('Front pressure').fill('20 bar')
  await page.getByLabel('Rear pressure').fill('a lot')
  await page.getByRole('button', { name: 'Add the pair' }).click()
  await expect(page.getByRole('alert')).toContainText('"a lot" is not a figure')
  for (let i = 0; i < 7; i += 1) {
    await page.getByTestId('read-pair').click()
    await expect(page.getByTestId('pairs').locator('tr')).toHaveCount(i + 1)
  }
  await expect(page.getByTestId('gauge-says')).toContainText(/The bar stands at 5[12]\.\d.% front; the setup is entered with 50\.0/)
  await page.getByRole('button', { name: /over as the bar position/ }).click()
  await expect(page.getByTestId('gauge-says')).toContainText('as entered')
  await page.getByLabel('Track or place').fill('Larkrise hill')
  await page.getByRole('button', { name: 'Keep these readings' }).click()
  await expect(page.getByTestId('gauge-log')).toContainText('Larkrise hill')
  await page.getByRole('button', { name: 'Start from there' }).click()
  await expect(page.getByTestId('pairs').locator('tr')).toHaveCount(7)

  // air in the line is noticed
  for (let i = 7; i > 0; i -= 1) await page.getByRole('button', { name: `Leave out pair ${i}` }).click()
  await page.getByLabel('Pedal effort of the simulated reading').fill('60')
  await page.getByLabel('Fault').selectOption('air')
  for (let i = 0; i < 8; i += 1) {
    await page.getByTestId('read-pair').click()
    await expect(page.getByTestId('pairs').locator('tr')).toHaveCount(i + 1)
  }
  await expect(page.getByTestId('gauge-says')).toContainText('there is air in a line')
})

test('pedal: what fails is said, one measured travel calibrates', async ({ page }) => {
  await openDemo(page, 'balance', 'setup=balanced&view=pedal')
  await expect(page.getByTestId('failures')).toContainText('Front circuit lost')
  await type(page, 'Pedal travel that was measured', '80')
  await type(page, '… at a pedal force of', '131')
  await expect(page.getByText(/Calibrated by one measured pedal travel/)).toBeVisible()
  expect(await seriousFindings(page)).toEqual([])
})
