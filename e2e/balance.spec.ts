import { expect, test, type Page } from '@playwright/test'
import { choose, openDemo, pick, seriousFindings, slide, tick, type } from './support.ts'

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
  await expect(page.getByTestId('cases').locator('tbody tr').first()).toContainText('front first to 0.')
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
  await tick(page.getByTestId('without-booster'))
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
  const drawing = page.getByTestId('chain-drawing')
  const road = drawing.locator('[data-stage="road-front"]')
  await expect(road).toContainText('as it stands')
  const before = await road.textContent()
  // the foot under the hand, and a press that is watched
  const foot = (await page.getByTestId('foot').boundingBox())!
  await page.mouse.move(foot.x + foot.width / 2, foot.y + foot.height / 2)
  await page.mouse.down()
  await page.mouse.move(foot.x + foot.width / 2 + 12, foot.y + foot.height / 2, { steps: 4 })
  await page.mouse.up()
  await expect(road).not.toHaveText(before!)
  const dragged = (await road.textContent())!
  await page.getByTestId('press').click()
  await expect(road).not.toHaveText(dragged)
  await expect(road).toHaveText(dragged, { timeout: 10_000 })
  await slide(slider, 60)
  await expect(drawing.locator('[data-stage="booster"]')).toContainText('at runout')
  // a part is changed in place, and undone
  const pressure = drawing.locator('[data-stage="line-front"]')
  const was = (await pressure.textContent())!
  await choose(page.getByLabel('Change the master cylinder'), 'Tandem master 23.8')
  await expect(pressure).not.toHaveText(was)
  await page.keyboard.press('Control+z')
  await expect(pressure).toHaveText(was)
  // the same as figures
  await page.getByText('Table', { exact: true }).click()
  await expect(page.getByTestId('chain').locator('tbody tr')).toHaveCount(8)
  await page.getByRole('button', { name: 'Road, both wheels' }).click()
  await expect(page.getByRole('dialog')).toContainText('F_f / (F_f + F_r)')
  await page.keyboard.press('Escape')
  await expect(page.getByTestId('areas')).toContainText('staggered')
})

test('gauge pairs are entered and read; the bar position is taken over and kept by track', async ({ page }) => {
  await openDemo(page, 'setup', 'setup=balanced')
  await pick(page, 'Master cylinder', 'Twin cylinders 15.9 and 17.8')
  await pick(page, 'Booster', 'none')
  await pick(page, 'Rear valve', 'none')
  await type(page, 'Balance bar, front share', '50/50')
  await saved(page)
  await page.goto('/p/larkrise-club-hatch/balance?setup=balanced&view=gauges')
  await expect(page.getByTestId('gauge-says')).toContainText('Three pairs at different efforts are needed', { timeout: 15_000 })
  await page.getByLabel('Front pressure').fill('20 bar')
  await page.getByLabel('Rear pressure').fill('a lot')
  await page.getByRole('button', { name: 'Add the pair' }).click()
  await expect(page.getByRole('alert')).toContainText('"a lot" is not a figure')
  await page.getByLabel('Front pressure').fill('')
  await page.getByLabel('Rear pressure').fill('')
  // a whole session, from rest to hard, at the efforts that tell most
  await page.getByTestId('read-session').click()
  await expect(page.getByTestId('gauge-says')).toContainText(/The bar stands at 5[12]\.\d.% front; the setup is entered with 50\.0/, {
    timeout: 15_000,
  })
  await expect(page.getByTestId('pairs').locator('tbody tr')).toHaveCount(14)
  // neither a look at another view nor a reload loses them
  await page.getByRole('link', { name: 'Bores' }).click()
  await page.getByRole('link', { name: 'Gauges' }).click()
  await expect(page.getByTestId('pairs').locator('tbody tr')).toHaveCount(14)
  await page.reload()
  await expect(page.getByTestId('pairs').locator('tbody tr')).toHaveCount(14, { timeout: 15_000 })
  await page.getByRole('button', { name: /as the bar position/ }).click()
  await expect(page.getByTestId('gauge-says')).toContainText('as entered')
  await expect(page.getByRole('button', { name: /as the bar position/ })).toHaveCount(0)
  await page.getByLabel('Track or place').fill('Larkrise hill')
  await page.getByRole('button', { name: 'Keep these readings' }).click()
  await expect(page.getByTestId('gauge-log')).toContainText('Larkrise hill')
  await page.getByRole('button', { name: 'Start from there' }).click()
  await expect(page.getByTestId('pairs').locator('tbody tr')).toHaveCount(14)

  // air in the line is noticed
  for (let i = 14; i > 0; i -= 1) await page.getByRole('button', { name: `Leave out pair ${i}`, exact: true }).click()
  await choose(page.getByLabel('Fault'), 'air in the rear line')
  await page.getByTestId('read-session').click()
  await expect(page.getByTestId('pairs').locator('tbody tr')).toHaveCount(14, { timeout: 15_000 })
  await expect(page.getByTestId('gauge-says')).toContainText('air in a line')
})

test('pedal: what fails is said, one measured travel calibrates', async ({ page }) => {
  await openDemo(page, 'balance', 'setup=balanced&view=pedal')
  await expect(page.getByTestId('stops').locator('tbody tr').first()).toContainText('everyday', { timeout: 15_000 })
  await expect(page.getByTestId('stops')).toContainText(/cannot be reached: with the driver only, dry tyres give out at 0\.86.g/)
  await expect(page.getByTestId('failures')).toContainText('Front circuit lost')
  await type(page, 'Pedal travel that was measured', '80')
  await type(page, '… at a pedal force of', '131')
  await expect(page.getByText(/Calibrated by one measured pedal travel/)).toBeVisible()
  expect(await seriousFindings(page)).toEqual([])
})
