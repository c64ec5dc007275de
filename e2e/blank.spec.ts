import { choose, expect, pick, showAllFields, test, type } from './support.ts'

test('from blank to a first verdict by typing', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByLabel('Name of the project')).toBeVisible()
  await page.getByRole('button', { name: 'Create project' }).click()
  await expect(page.getByText('Enter a name for the project')).toBeVisible()
  await page.getByLabel('Name of the project').fill('Hill-climb spare')
  await page.getByRole('button', { name: 'Create project' }).click()
  await expect(page.getByRole('heading', { name: 'The car' })).toBeVisible()

  // a limit is named at the field, and nothing wrong is taken
  await type(page, 'Wheelbase', '24 mm')
  await expect(page.getByText('Wheelbase must be between 1500.0 mm and 4500.0 mm')).toBeVisible()
  await type(page, 'Wheelbase', '96 in')
  await expect(page.getByLabel('Wheelbase', { exact: true })).toHaveValue('2438.4 mm')

  // nothing is known yet, and nothing is said to fit
  await page.getByRole('link', { name: /Fit/ }).click()
  await expect(page.getByTestId('verdict')).toContainText('Not enough data')
  for (const [view, what] of [
    ['Bores', 'the bores'],
    ['Pedal', 'the pedal force'],
    ['Pedal to road', 'the path from pedal to road'],
  ] as const) {
    await page.getByRole('link', { name: /Balance/ }).click()
    await page.getByRole('link', { name: view, exact: true }).click()
    await expect(page.getByTestId('cannot-say')).toHaveText(new RegExp(`Not enough data for ${what}: \\d+ to enter`))
    await expect(page.getByRole('button', { name: 'Pedal ratio' }).first()).toBeVisible()
  }

  await page.getByRole('link', { name: /Parts/ }).click()
  const add = page.getByTestId('add-part')
  await choose(add, 'caliper')
  await page.getByLabel('Name of the part').fill('Four-pot')
  await page.getByLabel('Name of the part').press('Enter')
  await showAllFields(page)
  await choose(page.getByLabel('Construction'), 'fixed')
  await type(page, 'Pistons on one side', '1-1/2"; 38')
  await choose(page.getByLabel('Datum of the outline'), 'hub centre and mounting face')
  await type(page, 'Rotor hat thickness', '6')
  await choose(page.getByLabel('Outline given as'), 'five figures')
  await type(page, 'Tallest radius', '150,5')
  await type(page, 'Top, inboard end', '-90')
  await type(page, 'Top, outboard end', '5')
  await type(page, 'Outer face beyond mounting face', '20 ± 0.3 mm')
  await type(page, 'Face, outer radius', '132')
  await type(page, 'Face, inner radius', '95')
  await type(page, 'Standard uncertainty, axial', '0.3')
  await type(page, 'Standard uncertainty, radial', '0.3')

  await choose(add, 'rotor')
  await type(page, 'Hat thickness', '6 mm')
  await choose(add, 'wheel')
  await type(page, 'Diameter code', '15')
  await type(page, 'Width', '6.5')
  await type(page, 'Offset ET', '35')

  await page.getByRole('link', { name: /Setup/ }).click()
  await pick(page, 'Caliper or drum brake, front', 'Four-pot')
  await pick(page, 'Rotor, front', 'New rotor')
  await pick(page, 'Wheel, front', 'New wheel')

  // markings say nothing of the spokes: the barrel clears, the face stays open
  await page.getByRole('link', { name: /Fit/ }).click()
  await expect(page.getByTestId('verdict')).toContainText('measure the back of the spokes of New wheel 1. The barrel clears.')
  await page.getByRole('button', { name: 'Back of spokes beyond mounting face of New wheel 1' }).click()
  await expect(page.getByLabel('Back of spokes beyond mounting face', { exact: true })).toBeFocused()
  await type(page, 'Back of spokes beyond mounting face', '42')
  await type(page, '… measured at radius', '120')
  await page.getByRole('link', { name: /Fit/ }).click()
  await expect(page.getByTestId('verdict')).toContainText('Clears: ')
  await expect(page.getByText('wheel, from its markings')).toBeVisible()

  // it is all there after the tab was closed
  await page.waitForFunction(() => document.body.innerText.includes('Saved here'))
  await page.reload()
  await expect(page.getByTestId('verdict')).toContainText('Clears: ')
})

test('measured points pasted with a slip name the line', async ({ page }) => {
  await page.goto('/p/larkrise-club-hatch/parts?part=estate-front-caliper')
  await showAllFields(page)
  const points = page.getByLabel(/Measured points/)
  await expect(points).toBeVisible()
  const good = await points.inputValue()
  await points.fill('body\n-104\t146\n-92\tabc')
  await points.blur()
  await expect(page.getByText(/Line 3: r: "abc" is not a figure/)).toBeVisible()
  await points.fill(good)
  await points.blur()
  await expect(page.getByText(/Line 3/)).toHaveCount(0)
})
