import { Hands, typicalCar } from './hands.ts'
import { expect, exported, openDemo, test, fitsTheWindow, showAllFields } from './support.ts'

test('a wheel over a caliper, from a marking and four figures', async ({ page }) => {
  const hands = new Hands(page)
  await hands.ask('clears')
  await hands.enter('Marking of Wheel to try', '7J x 15 ET35 4x100 57.1')
  await expect(page.getByLabel('Back of spokes beyond mounting face of Wheel to try', { exact: true })).toBeFocused()
  await hands.enter('Back of spokes beyond mounting face of Wheel to try', '48')
  await hands.enter('Tallest radius of Caliper to try', '155')
  await hands.enter('Outer face beyond mounting face of Caliper to try', '34')
  await expect(hands.answer).toContainText('Not enough data')
  await hands.press(page.getByText('the rotor and pads that stay on'))
  await expect(hands.answer).toContainText(/Clears: .* or more/)
  const before = await hands.answer.innerText()
  await hands.enter('Barrel radius over the caliper of Wheel to try', '166')
  await expect(hands.answer).not.toHaveText(before)
  await expect(hands.answer).toContainText(/Clears:/)
  expect(hands.actions).toBeLessThanOrEqual(12)
  // the front's answer stands in the key figures while nothing is known of the rear
  await expect(page.getByTestId('key-figure-verdict')).toContainText(/Clears.*rear unknown/s)
  // away to the full bench, and back
  await page.getByRole('link', { name: 'Show everything' }).first().click()
  await expect(page.getByRole('heading', { name: 'The car' })).toBeVisible()
  await page.getByRole('link', { name: /^Your question/ }).click()
  await expect(page.getByLabel('Marking of Wheel to try', { exact: true })).toHaveValue('7J x 15 ET35 4x100 57.1')
  await expect(hands.answer).toContainText('Clears:')
})

test('the front share of the clamp of a car with two cylinders, from six figures', async ({ page }) => {
  const hands = new Hands(page)
  await hands.ask('balanced')
  await hands.enter('Pistons on one side of Front caliper', '38.1; 41.3')
  await hands.enter('Pistons on one side of Rear caliper', '28.6; 28.6')
  await hands.press(page.getByText('two cylinders with a balance bar'))
  await hands.enter('Front bore of Master cylinder', '15.9')
  await hands.enter('Rear bore of Master cylinder', '17.8')
  const front = (38.1 ** 2 + 41.3 ** 2) / 15.9 ** 2
  const share = (100 * front) / (front + (2 * 28.6 ** 2) / 17.8 ** 2)
  await expect(hands.answer).toContainText(new RegExp(`Front share of the clamp force: at least ${share.toFixed(1)}%`))
  expect(hands.actions).toBeLessThanOrEqual(10)
})

test('pedal and order of locking of a typical car with other front calipers', async ({ page }) => {
  const hands = new Hands(page)
  await hands.ask('balanced')
  await hands.press(typicalCar(page, /small hatchback/))
  await expect(page.getByLabel('The answer so far')).toContainText(/\d+% probability/)
  await expect(page.getByTestId('answer-typical')).toContainText(/typical of a class of cars/)
  await hands.press(page.getByRole('button', { name: 'Other front calipers' }))
  await hands.enter('Pistons on one side of Other front caliper', '38.1; 41.3')
  await hands.enter('Top edge of the pad lining of Other front caliper', '123')
  await expect(page.getByLabel('The answer so far')).toContainText(/\d+% probability/)
  await expect(page.getByText(/^Pedal force at 0\.90.g: \d+.N, 90% range/)).toBeVisible()
  expect(hands.actions).toBeLessThanOrEqual(8)
  // what matters most leads to its field; measured, it matters less
  const first = page.getByTestId('matters').getByRole('button').first()
  const name = await first.innerText()
  await first.click()
  const field = page.getByLabel(name, { exact: true })
  await expect(field).toBeFocused()
  await field.fill('61 ± 0.5 %')
  await field.press('Enter')
  await expect(page.getByTestId('matters').getByRole('button').first()).not.toHaveText(name)
})

test('a whole car current car, from a list that is typed in', async ({ page }) => {
  const hands = new Hands(page)
  await hands.ask('balanced')
  for (const [label, text] of [
    ['Tyre rolling radius, front', '195/50 R15'],
    ['Tyre rolling radius, rear', '195/50 R15'],
    ['Pistons on one side of Front caliper', '54'],
    ['Top edge of the pad lining of Front caliper', '118'],
    ['Lining height of Front pads', '46'],
    ['Diameter of Front rotor', '239'],
    ['Friction ring, inner diameter of Front rotor', '140'],
    ['Friction coefficient of Front pads', '0.38'],
    ['Pistons on one side of Rear caliper', '30'],
    ['Top edge of the pad lining of Rear caliper', '115'],
    ['Lining height of Rear pads', '34'],
    ['Diameter of Rear rotor', '232'],
    ['Friction ring, inner diameter of Rear rotor', '152'],
    ['Friction coefficient of Rear pads', '0.36'],
  ] as const)
    await hands.enter(label, text)
  await hands.press(page.getByText('tandem (one bore, both circuits)'))
  await hands.enter('Bore of Master cylinder', '20.6')
  const slot = (name: string) => page.locator('.slot', { hasText: name })
  await hands.press(slot('Booster').getByRole('button', { name: 'There is one' }))
  await hands.enter('Boost ratio of Booster', '4')
  await hands.press(slot('Rear valve').getByRole('button', { name: 'There is one' }))
  await hands.enter('Knee pressure of Rear valve', '25 bar')
  await hands.enter('Slope above the knee of Rear valve', '0.3')
  await hands.enter('Pedal ratio', '4.2')
  for (const [label, text] of [
    ['Mass, driver only', '1010'],
    ['Front share of the mass', '63'],
    ['Height of the centre of gravity', '510'],
    ['Wheelbase', '2440'],
    ['Mass, fully laden', '1340'],
    ['Front share, fully laden', '55'],
  ] as const)
    await hands.enter(label, text)
  await expect(page.getByTestId('path-count')).toHaveText('All values are entered.')
  await expect(hands.answer).toContainText(/Front locks first|100 cases/)
  await expect(page.getByTestId('key-figure-bias')).toContainText(/\d+\.\d% front/)
  expect(hands.actions).toBeLessThanOrEqual(60)
  const project = JSON.parse(await exported(page)) as { car: { front: { tyreRadiusMm: object } }; question: string }
  expect(project.car.front.tyreRadiusMm).toMatchObject({ madeOf: { way: 'tyreMarking', given: { marking: '195/50 R15' } } })
  expect(project.question).toBe('balanced')
})

test('markings and figures that make others, on the bench: typed, shown, corrected, undone', async ({ page }) => {
  await openDemo(page, 'car', 'setup=estate-fronts')
  await showAllFields(page)
  const radius = page.locator('[data-field="front.tyreRadiusMm"]')
  await radius.locator('input').fill('195/50 R15')
  await radius.locator('input').press('Enter')
  await expect(radius.getByTestId('made-of')).toHaveText('from the tyre’s marking: 195/50 R15')
  await page.locator('[data-field="front.boltCircleMm"] input').fill('5x112')
  await page.locator('[data-field="front.boltCircleMm"] input').press('Enter')
  await expect(page.locator('[data-field="front.boltCount"] input')).toHaveValue('5')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('[data-field="front.boltCount"] input')).toHaveValue('4')
  await page.locator('[data-field="front.threadMm"] input').fill('M14x1.5')
  await page.locator('[data-field="front.threadMm"] input').press('Enter')
  await expect(page.locator('[data-field="front.threadMm"] input')).toHaveValue(/^14/)
  // what cannot be a marking is said, and nothing is lost
  await radius.locator('input').fill('nonsense R')
  await radius.locator('input').press('Enter')
  await expect(radius).toContainText('A marking is written 195/50 R15.')
  await radius.locator('input').press('Escape')

  await page.getByLabel('Search the fields').fill('gravity')
  const height = page.locator('[data-field="cgHeightMm"]')
  await expect(page.locator('[data-field="massKg"]')).toHaveCount(0)
  await height.getByRole('button', { name: /^Origin, date and note/ }).click()
  await height.getByRole('button', { name: 'Work it out from the tilt method' }).click()
  const dialog = page.getByRole('dialog', { name: /tilt method/ })
  await dialog.getByLabel('Front axle on the scales, level').fill('636')
  await dialog.getByLabel('Front axle on the scales, rear raised').fill('658')
  await dialog.getByLabel('Whole car').fill('1010')
  await dialog.getByLabel('Wheelbase').fill('2440')
  await dialog.getByLabel('Rear axle raised by').fill('500')
  await dialog.getByRole('button', { name: 'Use value' }).click()
  await expect(dialog.getByRole('alert')).toContainText('Height of the axles above the ground, level is missing.')
  await dialog.getByLabel('Height of the axles above the ground, level').fill('285')
  const above = (22 * Math.sqrt(2440 ** 2 - 500 ** 2) * 2440) / (1010 * 500)
  await expect(dialog.getByTestId('way-result')).toContainText((285 + above).toFixed(2))
  await dialog.getByRole('button', { name: 'Use value' }).click()
  await expect(height.getByTestId('made-of')).toContainText('from the tilt method')
  // it stands in the working of what it went into
  await page.getByTestId('key-figure-bias').click()
  await expect(page.getByRole('dialog')).toContainText('90% range')
  await expect(page.getByTestId('figure-matters').getByRole('listitem').first()).toContainText('of the uncertainty')
})

test('a form folded by an answer: needed, surer, the rest', async ({ page }) => {
  await openDemo(page, 'car', 'setup=estate-fronts')
  await page.locator('.lens .el-select__wrapper').click()
  await page.getByRole('option', { name: 'Which axle locks first, and how heavy is the pedal?' }).click()
  await expect(page.getByRole('button', { name: /^Needed for this answer \d+ of \d+ entered$/ }).first()).toBeVisible()
  await expect(page.getByRole('button', { name: /^Makes the result more certain \d+ of \d+ entered$/ })).toBeVisible()
  await expect(page.locator('[data-field="massKg"]')).toBeVisible()
  await expect(page.locator('[data-field="dragAreaM2"]')).toHaveCount(0)
  await page
    .getByRole('button', { name: /^Everything else/ })
    .first()
    .click()
  await expect(page.locator('[data-field="dragAreaM2"]')).toBeVisible()
})

test('a part made in its place, pasted as a line, and one like another', async ({ page }) => {
  await openDemo(page, 'setup', 'setup=estate-fronts')
  const slot = page.locator('[data-field="front.caliper"]')
  await slot.locator('.el-select__wrapper').click()
  await page.keyboard.type('new caliper')
  await page.getByRole('option', { name: /new caliper here/ }).click()
  const drawer = page.getByRole('dialog', { name: /caliper in its place/ })
  await drawer
    .getByLabel('The part as text')
    .fill('Six-piston caliper H6, fixed, pistons on one side 30; 34; 38, slot width 36 mm, colour red 3')
  await drawer.getByRole('button', { name: 'Import' }).click()
  await expect(drawer.getByTestId('pasted')).toContainText('3 imported')
  await expect(drawer).toContainText('“colour red 3” names no figure of a caliper.')
  await expect(slot).toContainText('H6')
  await expect(page.getByTestId('key-figure-area')).toContainText('2749')
  await drawer.getByRole('button', { name: 'Close this dialog' }).click()
  await slot.locator('.el-select__wrapper').click()
  await page.keyboard.type('one like')
  await page.getByRole('option', { name: /one like Six-piston caliper H6, but/ }).click()
  await expect(page.getByRole('dialog', { name: /H6 \(copy\).*in its place/ })).toBeVisible()
})

test('what is measured of a new caliper is offered to the setup that is looked at', async ({ page }) => {
  await openDemo(page, 'measure', 'setup=estate-fronts&sheet=caliperQuick')
  await page.getByTestId('measured-part').locator('.el-select__wrapper').click()
  await page.keyboard.type('new caliper')
  await page.getByRole('option', { name: /^new caliper/ }).click()
  await page.locator('[data-field="tallestRadiusMm"] input').first().fill('140')
  await page.locator('[data-field="tallestRadiusMm"] input').first().press('Enter')
  await page.getByTestId('offer-fit').getByRole('button', { name: 'Put it in, front' }).click()
  await expect(page.getByTestId('measure-verdict')).toContainText('Not enough data')
  await expect(page.getByTestId('offer-fit')).toHaveCount(0)
})

test('the tour is shown once, and again when asked for; how it decides can be read', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Open the demo' }).click()
  const stop = (name: string) => page.locator('.el-tour__content', { hasText: name })
  await expect(stop('The answer first')).toBeVisible()
  let at = 'The answer first'
  for (const name of ['Setups are tabs', 'The corner to scale', 'Steps', 'Key figures']) {
    // the button of the stop that is shown, not of one that is on its way out
    await stop(at).getByRole('button', { name: 'Next' }).press('Enter')
    await expect(stop(name)).toBeVisible()
    at = name
  }
  await stop(at).getByRole('button', { name: 'Finish' }).press('Enter')
  await expect(stop('Key figures')).toHaveCount(0)
  await page.getByRole('link', { name: 'All projects' }).click()
  await page.getByRole('button', { name: 'Open the demo' }).click()
  await expect(page.getByTestId('verdict')).toBeVisible()
  await expect(stop('The answer first')).toHaveCount(0)
  await page.keyboard.press('Control+k')
  // any project can be asked a question
  await page.getByRole('combobox', { name: 'Find by name' }).fill('did the upgrade help')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Did the upgrade help?' })).toBeVisible()
  await expect(page.getByTestId('answer')).toContainText('log at least two stops before and two after')
  await page.getByRole('link', { name: 'Show everything' }).first().click()
  await page.keyboard.press('Control+k')
  await page.getByRole('combobox', { name: 'Find by name' }).fill('tour')
  await page.keyboard.press('Enter')
  await expect(stop('The answer first')).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'All projects' }).click()
  await page.getByRole('link', { name: 'How it decides' }).click()
  await expect(page.getByRole('heading', { name: 'Clearance between wheel and caliper' })).toBeVisible()
  await expect(page.getByText('Covers bearing play, wheel flex and a stone.')).toBeVisible()
})

test('on a phone, by touch: the questions that take more than figures say what comes next', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const hands = new Hands(page)
  await hands.ask('order')
  await expect(hands.answer).toContainText('add a setup first')
  await hands.ask('helped')
  await expect(hands.answer).toContainText('log at least two stops before and two after')
  await hands.ask('worth')
  await expect(hands.answer).toContainText('add a setup for each option')
  await hands.ask('lasts')
  await hands.press(typicalCar(page, /^van/))
  await expect(hands.answer).not.toContainText('Not enough data: enter pedal ratio')
  await fitsTheWindow(page)
})
