import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import {
  choose,
  chosen,
  drag,
  expect,
  exported,
  keyFigures,
  openDemo,
  seriousFindings,
  test,
  tick,
  type,
  showAllFields,
} from './support.ts'

const saved = (page: Page) => expect(page.getByText('Saved here')).toBeAttached()
const rule = (page: Page, id: string) => page.locator(`[data-rule="${id}"]`)
/** Puts a text on the clipboard by pasting it where the cursor is. */
async function paste(page: Page, text: string): Promise<void> {
  await page.evaluate((words) => {
    const data = new DataTransfer()
    data.setData('text', words)
    document.activeElement!.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
  }, text)
}

test('a donor’s front brakes: three needs and one unknown; measured, accepted; verdict, cost and thread follow', async ({ page }) => {
  // the donor's rotor is thicker under the wheel, its bore larger, its hoses another shape; the slot nobody measured
  await openDemo(page, 'parts', 'setup=as-it-stands&part=estate-front-rotor')
  await showAllFields(page)
  await type(page, 'Centre bore', '63.4 mm')
  await saved(page)
  await page.goto('/p/larkrise-club-hatch/parts?setup=as-it-stands&part=estate-front-caliper')
  const slot = page.getByLabel('Slot width', { exact: true })
  await slot.fill('')
  await slot.press('Enter')
  await tick(page.locator('[data-point="boots"]').getByLabel('failed'))
  await saved(page)

  await page.goto('/p/larkrise-club-hatch/parts?setup=as-it-stands&view=bundles')
  const donor = page.getByTestId('bundles').locator('li').filter({ hasText: 'Bramble estate, front' })
  await expect(donor).toContainText(/Alone: not enough data \(2 unknown, 3 needs\)/)
  await page.getByRole('button', { name: 'Add Bramble estate, front alone' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Not enough data')
  await expect(rule(page, 'front.hub-register')).toContainText('a centring ring is needed')
  await expect(rule(page, 'front.used-part.caliper')).toContainText('a dust boot is torn')
  await expect(rule(page, 'front.wheel-clearance')).toContainText('Too close')
  await expect(rule(page, 'front.stud-engagement')).toContainText(/Thread engagement 17\.0.mm/)
  const before = await keyFigures(page)

  // the unknown leads to its field
  await page.getByTestId('yard-list').getByRole('button', { name: 'Slot width of Estate front caliper' }).click()
  await expect(slot).toBeFocused()
  await type(page, 'Slot width', '58.2')
  await saved(page)
  await page.goBack()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Too close')

  await rule(page, 'front.hub-register').getByRole('button', { name: 'Use it' }).click()
  await rule(page, 'front.used-part.caliper').getByRole('button', { name: 'Use it' }).click()
  await expect(rule(page, 'front.used-part.caliper')).toContainText('On the parts list')
  await rule(page, 'front.wheel-clearance').getByRole('link', { name: 'Open Fit drawing' }).click()
  await page.getByTestId('take-spacer').click()
  await expect(page.getByTestId('verdict')).toContainText('Clears:')
  // three millimetres of spacer are three millimetres of thread, of which the nut used not all
  await expect(page.getByTestId('effects')).toContainText(/Thread engagement, nut.*14\.5.mm/)
  const after = await keyFigures(page)
  expect(after[0]).not.toBe(before[0])
  expect(after[5]).not.toBe(before[5])
  await expect(page.getByTestId('key-figure-cost')).toContainText('without a price')
})

test('forty parts pasted from a spreadsheet, three of them bad', async ({ page }) => {
  await openDemo(page, 'parts', 'setup=as-it-stands&view=table&kind=rotor')
  const rows = Array.from({ length: 40 }, (_, i) => `Catalogue rotor ${i + 1}\tPellin\tCR-${i}\t${250 + i}\t22\t6\t28`)
  rows[3] = 'Catalogue rotor 4\tPellin\tCR-3\twide\t22\t6\t28'
  rows[19] = '\tPellin\tCR-19\t270\t22\t6\t28'
  rows[33] = 'Catalogue rotor 34\tPellin\tCR-33\t283\tabout 22\t6\t28'
  rows[35] = 'Catalogue rotor 36\tPellin\tCR-35\t28.5\t22\t6\t28'
  await page.locator('[data-cell="0.0"]').focus()
  await paste(page, `Name\tMaker\tNumber\tDiameter\tThickness, new\tHat thickness\tRotor offset\n${rows.join('\n')}`)
  await expect(page.getByTestId('import-answer')).toContainText('37 will be imported; 3 will not')
  await expect(page.getByTestId('rejected')).toContainText('Row 5, Catalogue rotor 4: Diameter: "wide" is not a figure')
  await expect(page.getByTestId('rejected')).toContainText('Row 21: a name is missing')
  // one is taken, but looks like centimetres
  await expect(page.getByText('Meant is perhaps 285.0 mm (entered in cm).')).toBeVisible()
  // a column that was not recognised is said what it is
  await choose(page.getByLabel('What Rotor offset is'), 'Offset (mm)')
  expect(await seriousFindings(page)).toEqual([])
  await page.getByTestId('import-take').click()
  await expect(chosen(page, 'Kind of part in the table')).toContainText('rotors (48)')
  await page.keyboard.press('Control+z')
  await expect(chosen(page, 'Kind of part in the table')).toContainText('rotors (11)')
  await page.keyboard.press('Shift+Control+z')

  // out as CSV, and the figures are in it
  const waiting = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as CSV' }).click()
  const csv = await readFile((await (await waiting).path())!, 'utf8')
  expect(csv.split('\n')[0]).toContain('Diameter (mm)')
  expect(csv).toContain('Catalogue rotor 40,Pellin,CR-39,289')
  const project = JSON.parse(await exported(page)) as { parts: { name: string; offsetMm?: { value: number; origin: string } }[] }
  expect(project.parts.find((one) => one.name === 'Catalogue rotor 1')!.offsetMm).toMatchObject({ value: 28, origin: 'published' })
})

test('the table by keyboard: move, type, refuse, paste cells, sort, change many at once', async ({ page }) => {
  await openDemo(page, 'parts', 'setup=as-it-stands&view=table&kind=pad')
  const cell = (row: number, column: number) => page.locator(`[data-cell="${row}.${column}"]`)
  await cell(0, 0).focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await expect(cell(0, 3)).toBeFocused()
  await page.keyboard.type('0.45')
  await page.keyboard.press('Enter')
  await expect(cell(0, 3)).toHaveText('0.45')
  await expect(cell(1, 3)).toBeFocused()
  await page.keyboard.type('much')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('grid-message')).toContainText('Friction coefficient: "much" is not a figure')
  await page.keyboard.press('Escape')
  await expect(cell(1, 3)).toHaveText('0.38')
  // two rows of two cells
  await paste(page, '0.41\t44\n0.42\t45')
  await expect(cell(1, 3)).toHaveText('0.41')
  await expect(cell(2, 4)).toHaveText('45')
  await page.keyboard.press('Control+z')
  await expect(cell(1, 3)).toHaveText('0.38')

  await page.getByRole('button', { name: 'Friction coefficient' }).click()
  await expect(page.getByRole('columnheader', { name: /Friction coefficient/ })).toHaveAttribute('aria-sort', 'ascending')
  await page.getByLabel('Only rows with').fill('cinderlane')
  await expect(page.locator('[data-cell$=".0"]')).toHaveCount(2)
  await tick(page.getByLabel('Choose Front track pads'))
  await tick(page.getByLabel('Choose Track pads Q4'))
  await choose(page.getByLabel('Column to change'), 'Already have it')
  await page.getByLabel('To this').fill('yes')
  await page.getByRole('button', { name: 'Set in all 2' }).click()
  await expect(page.getByRole('row', { name: /Front track pads/ })).toContainText('yes')
})

test('what bolts on, by part and by kit; two parts compared; a doubtful figure is asked about', async ({ page }) => {
  await openDemo(page, 'parts', 'setup=as-it-stands&view=bundles')
  const first = page.getByTestId('bundles').locator('li').first()
  await expect(first).toContainText('OK')
  await expect(page.getByTestId('bundles').locator('li').last()).toContainText('do not build')
  // a donor that lacks a spacer is offered with one of the library
  const donor = page.getByTestId('bundles').locator('li').filter({ hasText: 'Bramble estate, front' })
  await expect(donor.getByTestId('alone')).toContainText('Too close')
  await donor.getByRole('button', { name: /^Add Bramble estate, front with / }).click()
  await expect(page.getByRole('heading', { level: 1 })).not.toContainText('Cannot be built')
  await expect(rule(page, 'front.wheel-clearance')).toContainText('Clears')
  await page.goto('/p/larkrise-club-hatch/parts?setup=as-it-stands&part=stock-front-caliper')
  await choose(page.getByLabel('Compare with'), 'Sprig GT front caliper, piston 57')
  await expect(page.getByTestId('part-compare').locator('tbody tr').first()).toContainText('Piston area, one side')
  await expect(page.getByTestId('part-compare')).toContainText('+11')
  await page.goto('/p/larkrise-club-hatch/parts?setup=as-it-stands&part=stock-front-rotor')
  await type(page, 'Diameter', '28')
  await expect(page.getByTestId('doubts')).toContainText('Meant is perhaps 280.0 mm (entered in cm). Is that so?')
  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('doubts')).toHaveCount(0)
})

test('a kit is taken whole, priced whole, and dragged parts go where they belong', async ({ page }) => {
  await openDemo(page, 'parts', 'setup=as-it-stands&view=bundles')
  await page.getByRole('button', { name: 'Add Kit Q4, front' }).click()
  await expect(page.getByTestId('key-figure-cost')).toContainText('EUR\u00a0765')
  await page.getByRole('link', { name: /^\s*4?\s*Setup/ }).click()
  await expect(page.getByTestId('bought-whole')).toContainText('Kit Q4, front is bought whole')
  await page.getByTestId('show-shelf').click()
  await page.getByLabel('Search the parts').fill('track pads q4')
  const pads = page.getByTestId('shelf').locator('[data-part="q4-track-pad"]')
  await drag(pads.locator('.what'), page.locator('[data-slot="front.pad"]'))
  await expect(chosen(page, 'Pads, front')).toContainText('Track pads Q4')
  // no longer whole: its parts are priced one by one
  await expect(page.getByTestId('bought-whole')).toHaveCount(0)
  // pads do not go where a rotor belongs
  await drag(pads.locator('.what'), page.locator('[data-slot="rear.rotor"]'))
  await expect(chosen(page, 'Rotor, rear')).toContainText('current car')
  await page.getByRole('button', { name: 'Track pads Q4 to the rear' }).click()
  await expect(chosen(page, 'Pads, rear')).toContainText('Track pads Q4')
})

test('a project’s own limit is set, counts, and is shown where it counts', async ({ page }) => {
  await openDemo(page, 'fit', 'setup=balanced&view=check')
  await page
    .getByTestId('limits')
    .getByRole('button', { name: /^Limits/ })
    .click()
  const bridge = page.getByLabel('Rotor to caliper bridge at least')
  await bridge.fill('6')
  await bridge.press('Enter')
  await expect(rule(page, 'front.bridge')).toContainText('Limit set by this project: rotor to caliper bridge at least')
  await expect(page.getByTestId('limits').getByRole('button', { name: /^Limits/ })).toContainText('1 set by this project')
  await expect(rule(page, 'front.bridge').getByRole('img', { name: 'Pad on the rotor' })).toBeVisible()
  await bridge.fill('')
  await bridge.press('Enter')
  await expect(page.getByTestId('limits').getByRole('button', { name: /^Limits/ })).toHaveText(/^\s*Limits\s*$/)
})
