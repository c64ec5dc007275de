import type { Page } from '@playwright/test'
import { choose, expect, openDemo, pick, seriousFindings, test, tick, type, fitsTheWindow, unfold, showAllFields } from './support.ts'

/** Another address, once the change is saved. */
async function leave(page: Page, address: string): Promise<void> {
  await expect(page.getByText('Saved here')).toBeAttached()
  await page.goto(`/p/larkrise-club-hatch/${address}`)
  await expect(page.getByTestId('key-figure-cost')).toBeVisible()
}

test('every interface: needs and unknowns are named, measured, accepted; the bill follows', async ({ page }) => {
  await openDemo(page, 'setup', 'setup=estate-fronts')
  await pick(page, 'Pads, front', 'Front road pads')
  await page.getByRole('link', { name: /^\s*5?\s*Fit/ }).click()
  await page.getByRole('link', { name: 'All checks' }).click()
  const rule = (id: string) => page.locator(`[data-rule="${id}"]`)
  await expect(rule('front.pad-shape')).toContainText('The pads are shape T-110, the caliper needs T-284.')
  await rule('front.pad-shape').getByRole('button', { name: 'Use it' }).click()
  await expect(rule('front.pad-shape')).toContainText('as the caliper needs')

  // a figure that nobody knows is a question for the yard, and leads to its field
  await leave(page, 'parts?setup=estate-fronts&part=estate-front-caliper')
  await showAllFields(page)
  const slot = page.getByLabel('Slot width', { exact: true })
  await slot.fill('')
  await slot.press('Enter')
  await leave(page, 'fit?setup=estate-fronts&view=check')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Not enough data')
  await page.getByTestId('yard-list').getByRole('button', { name: 'Slot width of Estate front caliper' }).click()
  await expect(slot).toBeFocused()
  await type(page, 'Slot width', '58.2')
  await page.getByLabel('Name of the part').click()

  // a bore that is too large: a ring on the bill
  await leave(page, 'parts?setup=estate-fronts&part=estate-front-rotor')
  await type(page, 'Centre bore', '63.4 mm')
  await leave(page, 'fit?setup=estate-fronts&view=check')
  await expect(rule('front.hub-register')).toContainText('a centring ring is needed')
  await rule('front.hub-register').getByRole('button', { name: 'Use it' }).click()
  await expect(rule('front.hub-register')).toContainText('On the parts list')
  await expect(page.getByTestId('key-figure-cost')).toContainText('1 without a price')
  await rule('front.hub-register')
    .getByRole('button', { name: /Inputs of/ })
    .click()
  await expect(rule('front.hub-register')).toContainText('Centre bore of Estate front rotor')

  // only the car says it
  await tick(rule('front.knuckle-clear').getByLabel('checked on the car'))
  await expect(rule('front.knuckle-clear')).toContainText('Seen on the car')
  await page.keyboard.press('Control+z')
  await expect(rule('front.knuckle-clear').getByLabel('checked on the car')).not.toBeChecked()
  // the message that names what was undone has come in altogether
  await expect(page.locator('.el-message')).toHaveCSS('opacity', '1')
  expect(await seriousFindings(page)).toEqual([])
})

test('the yard checklist on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page, 'setup', 'setup=balanced')
  await pick(page, 'Caliper or drum brake, front', 'Estate front caliper')
  await leave(page, 'fit?setup=balanced&view=check')
  await expect(page.getByTestId('fit-counts')).toContainText('to fix')
  await fitsTheWindow(page)
  await expect(page.locator('[data-rule="front.mount"]')).toContainText('do not build')
  await expect(page.locator('[data-rule="front.hub-pattern"]')).toBeHidden()
  await unfold(page.getByTestId('ok-front'), /checks? OK$/)
  await expect(page.locator('[data-rule="front.hub-pattern"]')).toBeVisible()
})

test('a change in the last moment before the page goes is not lost', async ({ page }) => {
  await openDemo(page, 'fit', 'setup=estate-fronts')
  await page.getByTestId('take-spacer').click()
  await page.reload()
  await expect(page.getByTestId('verdict')).toContainText('Clears:')
})

test('what each part would bring is said before it is chosen; what bolts on is listed', async ({ page }) => {
  await openDemo(page, 'setup', 'setup=as-it-stands')
  const caliper = page.getByRole('combobox', { name: 'Caliper or drum brake, front', exact: true })
  await caliper.click()
  const entry = (name: string) => page.locator('.el-select-dropdown__item:visible').filter({ hasText: name })
  await expect(entry('Sprig GT front caliper, piston 57')).toContainText(/OK, \+EUR.55/)
  await caliper.fill('Estate front')
  await expect(entry('Estate front caliper')).toContainText(/do not build, \+EUR.95/)
  await caliper.press('Escape')
  await page.goto('/p/larkrise-club-hatch/parts?setup=as-it-stands')
  await choose(page.getByTestId('order'), 'what bolts on, front')
  const first = page.getByTestId('bolts-on').getByRole('button').first()
  await expect(first).toContainText('OK')
  await expect(page.getByTestId('bolts-on').getByRole('button', { name: /Winter steel wheel/ })).toContainText('Not enough data')
  // a spacer is judged by the thread and the register that it leaves
  await expect(page.getByTestId('bolts-on').getByRole('button', { name: /^\s*Spacer 10 mm/ })).toContainText('studs longer by 4.5')
})

test('shims: entered in the setup, counted and on the bill, taken back', async ({ page }) => {
  await openDemo(page, 'setup', 'setup=balanced')
  const shims = page.getByLabel('Shims under the caliper, front')
  await shims.fill('thick')
  await shims.press('Enter')
  await expect(page.getByText('"thick" is not a figure')).toBeVisible()
  await shims.fill('-0.4')
  await shims.press('Enter')
  await expect(page.getByTestId('key-figure-cost')).toContainText('at least')
  await leave(page, 'fit?setup=balanced&view=check')
  const plane = page.locator('[data-rule="front.disc-plane"]')
  await expect(plane).toContainText('with shims of 0.40')
  await plane.getByRole('button', { name: 'Undo' }).click()
  await expect(plane).not.toContainText('shims')
  await expect(page.getByTestId('key-figure-cost')).not.toContainText('at least')
  await leave(page, 'setup?setup=balanced')
  await expect(shims).toHaveValue('')
})
