import { chosen, expect, openDemo, pick, seriousFindings, test, type } from './support.ts'

test('anything is found by its name and gone to by keyboard', async ({ page }) => {
  await openDemo(page, 'fit', 'setup=balanced')
  await page.keyboard.press('Control+k')
  const field = page.getByRole('combobox', { name: 'Find by name' })
  await expect(field).toBeFocused()
  await field.fill('wheelbase')
  await expect(page.getByRole('option', { name: /^Wheelbase/ })).toBeVisible()
  expect(await seriousFindings(page)).toEqual([])
  await field.press('Enter')
  await expect(page.getByLabel('Wheelbase', { exact: true })).toBeFocused()

  // a figure opens its working, a part its page, a setup is chosen
  const find = async (words: string) => {
    await page.getByRole('button', { name: 'Find by name' }).click()
    await field.fill(words)
    await page.getByRole('option').first().click()
  }
  await find('pedal travel')
  await expect(page.getByRole('dialog', { name: /Pedal travel/ })).toContainText('Inputs')
  await page.keyboard.press('Escape')
  await find('four-piston caliper q4')
  await expect(page.getByLabel('Name of the part')).toHaveValue('Four-piston caliper Q4')
  await find('estate fronts')
  await expect(page.getByRole('tab', { name: /Estate fronts/ })).toHaveAttribute('aria-selected', 'true')
  await page.keyboard.press('Control+k')
  await field.fill('no such thing')
  await expect(page.getByRole('status').filter({ hasText: 'No result. Try another name.' })).toBeVisible()
})

test('what was undone is named, and its place is shown', async ({ page }) => {
  await openDemo(page, 'car', 'setup=balanced')
  await type(page, 'Wheelbase', '2500 mm')
  await page.getByRole('link', { name: /Decide/ }).click()
  await page.keyboard.press('Control+z')
  const said = page.locator('.el-message').filter({ hasText: 'Undone:' })
  await expect(said).toContainText('Wheelbase')
  await said.getByRole('button', { name: 'Show' }).click()
  await expect(page.getByLabel('Wheelbase', { exact: true })).toBeFocused()
  await expect(page.getByLabel('Wheelbase', { exact: true })).toHaveValue('2440 mm')
})

test('focus goes with the step; the first key of the page skips to it', async ({ page }) => {
  await openDemo(page, 'fit', 'setup=balanced')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('link', { name: 'Skip to the step' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.locator('main')).toBeFocused()
  await page.keyboard.press('8')
  await expect(page.getByRole('link', { name: /Decide/ })).toHaveAttribute('aria-current', 'step')
  await expect(page.locator('main')).toBeFocused()
})

test('a list of parts is searched by keyboard: what is fitted first, the rest by what it would bring', async ({ page }) => {
  await openDemo(page, 'setup', 'setup=balanced')
  const caliper = page.getByRole('combobox', { name: 'Caliper or drum brake, front', exact: true })
  await caliper.focus()
  await caliper.press('Enter')
  const list = page.getByRole('listbox')
  await expect(list).toContainText(/^\s*Now/)
  await expect(list.getByRole('option', { selected: true })).toContainText('Four-piston caliper Q4')
  await expect(list).toContainText('needs a fix, +EUR\u00a010')
  await caliper.fill('twin-piston')
  await caliper.press('ArrowDown')
  await caliper.press('Enter')
  await expect(chosen(page, 'Caliper or drum brake, front')).toContainText('Twin-piston caliper Q2')
  // nothing of a long name's end is lost
  await pick(page, 'Caliper or drum brake, front', 'Front sliding caliper (current car)')
  await expect(chosen(page, 'Caliper or drum brake, front')).toHaveAttribute('title', 'Front sliding caliper (current car)')
})
