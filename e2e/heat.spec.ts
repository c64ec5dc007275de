import { expect, test } from '@playwright/test'
import { choose, openDemo, seriousFindings } from './support.ts'

test('will it last: the stock brakes on the hill, what the options gain', async ({ page }) => {
  await openDemo(page, 'heat', 'setup=as-it-stands')
  const says = page.getByTestId('heat-says')
  await expect(says).toContainText('Pads, front: beyond 350', { timeout: 15_000 })
  await choose(page.getByTestId('duty'), 'Hill climb')
  await expect(says).toContainText('in run 2')
  await page.getByRole('tab', { name: 'Estate fronts' }).click()
  await expect(says).toContainText('in run 3')
  await expect(page.getByTestId('heat-lines').locator('tbody tr').filter({ hasText: 'Pads, front' })).toContainText('420')
  // the moment under the hand is read
  await page.getByTestId('heat-chart').hover({ position: { x: 300, y: 150 } })
  await expect(page.locator('figcaption')).toContainText(/min: face \d+.°C; rotor \d+.°C/)
  await page.getByRole('button', { name: 'Rear', exact: true }).click()
  await expect(page.getByTestId('heat-chart')).toHaveAttribute('aria-label', 'Temperatures rear over time')
  // other pads are driven the same; what is put in is what was said
  await page.getByRole('tab', { name: 'As it stands' }).click()
  await expect(page.getByTestId('pads').locator('tr', { hasText: 'Front track pads' })).toContainText('nothing, by the likely figures', {
    timeout: 15_000,
  })
  await page.getByRole('button', { name: 'Put Front track pads in, front' }).click()
  await expect(says).not.toContainText('in run 2')
  await page.keyboard.press('Control+z')
  await expect(says).toContainText('in run 2')
  await page.getByRole('tab', { name: 'Estate fronts' }).click()
  await expect(says).toContainText('in run 3')
  // a driving that is linked to opens again
  await page.reload()
  await expect(says).toContainText('in run 3', { timeout: 15_000 })
  expect(await seriousFindings(page)).toEqual([])
})

test('what limits a stop: the tyres do, and larger brakes are not said to shorten it', async ({ page }) => {
  await openDemo(page, 'heat', 'setup=balanced&view=stop')
  await expect(page.getByTestId('stop-says')).toContainText(/The tyres limit a dry stop: 0\.\d\d.g/)
  await expect(page.getByTestId('stop-worth')).toContainText('Larger brakes by themselves change heat, feel and repeatability.')
  await page.setViewportSize({ width: 390, height: 844 })
  await expect(page.getByText('The foot, 500 N').first()).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})
