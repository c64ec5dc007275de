import type { Page } from '@playwright/test'
import { Hands, typicalCar } from './hands.ts'
import { expect, exported, test } from './support.ts'

/**
 * Twenty things that people come for, each from an empty profile, with the presses, fields and keys that it may take. A field
 * that is typed into and taken with Enter counts as two.
 */
const task = (name: string, most: number, work: (hands: Hands, page: Page) => Promise<void>) =>
  test(`${name}: in ${most} actions at most`, { tag: '@deep' }, async ({ page }) => {
    const hands = new Hands(page)
    await work(hands, page)
    console.log(`${name}: ${hands.actions} of ${most}`)
    expect(hands.actions).toBeLessThanOrEqual(most)
  })

task('clearance of a wheel from three figures', 10, async (hands, page) => {
  await hands.ask('clears')
  await hands.enter('Marking of Wheel to try', '7.5J x 17 ET42 5x112 57.1')
  await hands.enter('Back of spokes beyond mounting face of Wheel to try', '52')
  await hands.enter('Tallest radius of Caliper to try', '165')
  await hands.enter('Outer face beyond mounting face of Caliper to try', '38')
  await hands.press(page.getByText('the rotor and pads that stay on'))
  await expect(hands.answer).toContainText(/Clears|Too close|Touches|Not enough data/)
  await expect(hands.answer).toContainText(/mm/)
})
task('clearance by difference', 10, async (hands, page) => {
  await hands.ask('clears')
  await hands.press(page.getByTestId('by-difference'))
  const take = async (label: string, text: string) => {
    await hands.fill(page.getByRole('textbox', { name: label, exact: true }), text)
    await hands.key('Enter')
  }
  await take('Clearance now', '26')
  await take('At radius', '104')
  await take('Present caliper beyond mounting face', '17.5')
  await take('New caliper beyond mounting face', '43')
  await expect(page.getByTestId('difference')).toContainText('90% range')
})
task('front share of the clamp from pistons and bores', 10, async (hands, page) => {
  await hands.ask('balanced')
  await hands.enter('Pistons on one side of Front caliper', '38.1; 41.3')
  await hands.enter('Pistons on one side of Rear caliper', '28.6')
  await hands.press(page.getByText('two cylinders with a balance bar'))
  await hands.enter('Front bore of Master cylinder', '15.9')
  await hands.enter('Rear bore of Master cylinder', '17.8')
  await expect(hands.answer).toContainText(/Front share of the clamp force: at least \d+\.\d%/)
})
task('share of the pressures from gauges', 12, async (hands, page) => {
  await hands.openDemo()
  await hands.step('Balance')
  await hands.view('Gauges')
  await hands.fill(page.getByLabel('Front pressure'), '10; 20; 40 bar')
  await hands.fill(page.getByLabel('Rear pressure'), '10; 20; 34')
  await hands.press(page.getByRole('button', { name: 'Add the pair' }))
  await expect(page.getByTestId('pairs').locator('tbody tr')).toHaveCount(3)
  await expect(page.getByTestId('gauge-says')).not.toContainText('Enter three pairs')
})
task('pedal force without the booster', 14, async (hands, page) => {
  await hands.ask('balanced')
  await hands.press(typicalCar(page, /small hatchback/))
  await hands.press(page.getByRole('link', { name: 'Show everything' }).first())
  await hands.step('Balance')
  await hands.view('Pedal')
  await expect(page.getByTestId('stops').getByRole('columnheader', { name: 'Without' })).toBeVisible()
  await expect(page.getByTestId('stops').locator('tbody tr').first()).toContainText(/\d+.N/)
})
task('another rear piston', 8, async (hands, page) => {
  await hands.ask('balanced')
  await hands.press(typicalCar(page, /mid-size saloon/))
  await hands.press(page.getByRole('button', { name: 'Other rear calipers' }))
  await hands.enter('Pistons on one side of Other rear caliper', '42')
  await hands.enter('Top edge of the pad lining of Other rear caliper', '125')
  await expect(page.getByLabel('The answer so far')).toContainText(/\d+% probability|Front locks first|Rear locks first/)
})
task('the best setup for EUR 500', 8, async (hands, page) => {
  await hands.openDemo()
  await hands.step('Decide')
  await hands.view('Search')
  await hands.fill(page.getByLabel('Budget of the search'), '500')
  await hands.press(page.getByTestId('search-go'))
  await expect(page.getByTestId('finds').locator('tbody tr').first()).toContainText('EUR')
})
task('down a pass with a trailer', 8, async (hands, page) => {
  await hands.ask('lasts')
  await hands.press(typicalCar(page, /^van/))
  await hands.press(page.getByRole('link', { name: 'Show everything' }).first())
  await hands.step('Heat')
  await hands.choose(page.getByTestId('duty'), 'Down a pass with a trailer')
  await expect(page.getByTestId('heat-says')).toContainText(/°C|after/)
})
task('twenty minutes on track with old fluid', 12, async (hands, page) => {
  await hands.ask('lasts')
  await hands.press(typicalCar(page, /small hatchback/))
  await hands.press(page.getByRole('link', { name: 'Show everything' }).first())
  await hands.step('Heat')
  await hands.choose(page.getByTestId('duty'), 'Larkrise Short, hard on brakes')
  await hands.step('Parts')
  await hands.press(page.getByRole('button', { name: /fluid/i }).first())
  await hands.enter('Months in service', '36')
  await hands.step('Heat')
  await expect(page.getByTestId('heat-says')).toContainText(/°C|after|lap/)
})
task('did it help, three stops against one, in mph and feet', 14, async (hands, page) => {
  await hands.openDemo()
  await hands.step('Prove')
  const stop = async (from: string, distance: string) => {
    await hands.fill(page.getByLabel('From, km/h'), from)
    await hands.fill(page.getByLabel('Stopped in, m'), distance)
    await hands.press(page.getByRole('button', { name: 'Log stop' }))
    await expect(page.getByLabel('Stopped in, m')).toHaveValue('')
  }
  for (const feet of ['171 ft', '169 ft', '172 ft']) await stop('62.1 mph', feet)
  await expect(page.getByTestId('stops-say')).toContainText(/runs|Not tested yet|difference/)
})
task('pad life', 12, async (hands, page) => {
  await hands.openDemo()
  await hands.step('Prove')
  await hands.view('Wear')
  await hands.fill(page.getByLabel('Events since new'), '20')
  for (const where of ['inner, leading', 'inner, trailing', 'outer, leading', 'outer, trailing'])
    await hands.fill(page.getByLabel(`Pad ${where}`), '9')
  await hands.choose(page.getByTestId('pad-measured'), 'backing plate and lining')
  await hands.press(page.getByRole('button', { name: 'Save reading' }))
  await expect(page.getByTestId('wear-say')).toContainText(/mm an event/)
})
task('the work order printed, and a tightening torque found', 6, async (hands, page) => {
  await hands.openDemo()
  await hands.setup(/Four-piston/)
  await hands.step('Build')
  await hands.view('Work order')
  await page.evaluate(() => (window.print = () => void (document.title = 'printed')))
  await hands.press(page.getByRole('button', { name: 'Print', exact: true }))
  expect(await page.title()).toBe('printed')
  await expect(page.locator('[data-torque]').first()).toContainText(/torque|N.m/i)
})
task('a wheel’s profile on a phone', 26, async (hands, page) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await hands.openDemo()
  await hands.step('Measure')
  await hands.choose(page.getByTestId('sheet').first(), 'Wheel, barrel and back of the spokes')
  const points = ['-110 168', '-60 168', '20 167 barrel', '36 150 shoulder', '40 120 face', '36 90 face']
  await hands.press(page.getByRole('textbox', { name: /^Point \d+, z$/ }).last())
  await page.evaluate((text) => {
    const data = new DataTransfer()
    data.setData('text/plain', text)
    document.activeElement!.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
  }, points.join('\n'))
  hands.actions += 1
  await expect(page.getByTestId('measure-verdict')).toContainText(/Clears|Too close|Touches|Not enough data/)
})
task('an outline from the example picture', 9, async (hands, page) => {
  await hands.openDemo()
  await hands.step('Measure')
  await hands.press(page.getByRole('button', { name: /Caliper, full outline/ }))
  await hands.press(page.getByTestId('picture-example'))
  await expect(page.getByTestId('picture-sheet')).toBeVisible()
  await hands.key('Escape')
})
task('a donor with a torn boot, its price in the total', 9, async (hands, page) => {
  await hands.openDemo()
  await hands.setup(/Estate fronts/)
  await hands.step('Parts')
  await hands.press(page.getByRole('button', { name: /Estate front caliper/ }).first())
  await hands.press(page.locator('[data-point="boots"]').getByText('failed'))
  await hands.step('Fit')
  await hands.view('All checks')
  await hands.press(page.locator('[data-rule="front.used-part.caliper"]').getByRole('button', { name: 'Use it' }))
  await expect(page.getByTestId('key-figure-cost')).toContainText(/EUR/)
})
task('the rear locked in the wet', 10, async (hands, page) => {
  await hands.openDemo()
  await hands.step('Prove')
  await hands.view('Lock-up')
  await hands.choose(page.getByLabel('Locked first'), 'rear')
  await hands.fill(page.getByLabel('At, g'), '0.5')
  await hands.choose(page.getByLabel('On', { exact: true }), 'wet')
  await hands.press(page.getByRole('button', { name: /^Add to “/ }))
  await expect(page.getByTestId('locks-say')).toContainText(/Do not drive|not agree|rear/i)
})
task('a table with odd headings', 14, async (hands, page) => {
  await hands.openDemo()
  await hands.step('Parts')
  await hands.view('Table')
  await page
    .getByTestId('parts-file')
    .locator('input[type=file]')
    .setInputFiles({
      name: 'rotors.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('Bezeichnung;Durchmesser;Dicke neu;Topfhöhe\nRotor A;280;22;6\nRotor B;300;24;7\n'),
    })
  hands.actions += 2
  await hands.choose(page.getByLabel('Kind of part', { exact: true }), 'rotors')
  await hands.choose(page.getByLabel('What Bezeichnung is'), 'Name')
  await hands.choose(page.getByLabel('What Durchmesser is'), 'Diameter (mm)')
  await hands.press(page.getByTestId('import-take'))
  expect(await exported(page)).toContain('"Rotor A"')
})
task('undo, and a damaged file', 10, async (hands, page) => {
  await hands.openDemo()
  await hands.fill(page.getByLabel('Name of the project'), 'Wrong name')
  await hands.key('Enter')
  await hands.press(page.getByRole('button', { name: 'Undo' }))
  await expect(page.getByLabel('Name of the project')).not.toHaveValue('Wrong name')
  await hands.press(page.getByRole('link', { name: 'All projects' }))
  await page.setInputFiles('input[type=file]', {
    name: 'torn.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"valiant-'),
  })
  hands.actions += 2
  await expect(page.getByRole('dialog')).toContainText('is not JSON')
  await hands.key('Escape')
})
task('a verdict with the keyboard alone', 60, async (hands, page) => {
  await page.goto('/')
  await expect(page.getByTestId('ask-clears')).toBeVisible()
  const focusOn = async (what: () => Promise<boolean>) => {
    for (let i = 0; i < 30 && !(await what()); i += 1) await hands.key('Tab')
  }
  await focusOn(() =>
    page.getByTestId('ask-clears').evaluate((one) => one === document.activeElement || one.contains(document.activeElement)),
  )
  await hands.key('Enter')
  await expect(hands.answer).toBeVisible()
  const field = async (label: string, text: string) => {
    const at = page.getByLabel(label, { exact: true })
    await focusOn(() => at.evaluate((one) => one === document.activeElement))
    await page.keyboard.type(text)
    hands.actions += 1
    await hands.key('Enter')
  }
  await field('Marking of Wheel to try', '7J x 15 ET35 4x100 57.1')
  await field('Back of spokes beyond mounting face of Wheel to try', '48')
  await field('Tallest radius of Caliper to try', '155')
  await field('Outer face beyond mounting face of Caliper to try', '34')
  const radio = page.getByRole('radiogroup', { name: 'Outline measured with' }).getByRole('radio').first()
  await focusOn(() => radio.evaluate((one) => one === document.activeElement || one.contains(document.activeElement)))
  await hands.key('Space')
  await expect(hands.answer).toContainText(/Clears:/)
})
task('where a number comes from, and what to measure next', 3, async (hands, page) => {
  await hands.openDemo()
  await hands.press(page.getByTestId('key-figure-bias'))
  await expect(page.getByRole('heading', { name: 'Inputs' })).toBeVisible()
  await expect(page.getByTestId('figure-matters').getByRole('button').first()).toBeVisible()
})
