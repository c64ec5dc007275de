import { choose, chosen, DEEP, drag, expect, exported, keyFigures, openDemo, pick, test, type } from './support.ts'

const KINDS = {
  caliper: 'caliper',
  drum: 'drum brake',
  rotor: 'rotor',
  pad: 'pad set',
  bracket: 'bracket',
  hose: 'hose or line',
  wheel: 'wheel',
  spacer: 'wheel spacer',
  masterCylinder: 'master cylinder',
  booster: 'booster',
  valve: 'rear valve',
  fluid: 'fluid',
  other: 'other part',
}

test('parts can be added, named, priced, copied and removed', async ({ page }) => {
  await openDemo(page, 'parts')
  // every kind is added in the deep run; the forms of all kinds are made from one table
  const kinds = DEEP ? Object.keys(KINDS) : ['caliper', 'wheel', 'masterCylinder', 'other']
  for (const kind of kinds.map((one) => KINDS[one as keyof typeof KINDS])) {
    await choose(page.getByTestId('add-part'), kind)
    const name = page.getByLabel('Name of the part')
    await expect(name).toHaveValue(/^New /)
    await name.fill(`Mine, ${kind}`)
    await name.press('Enter')
    await expect(page.getByRole('button', { name: new RegExp(`^Mine, ${kind}`) })).toBeVisible()
  }
  // the last one: a price that falls is refused at the field
  await type(page, 'Price, expected', '40')
  await type(page, 'Price, low', '90')
  await expect(page.getByText('low, expected and high price must rise')).toBeVisible()
  await type(page, 'Price, low', '35,50')
  await expect(page.getByText('must rise')).toHaveCount(0)
  await page.getByRole('button', { name: 'Copy', exact: true }).click()
  await expect(page.getByLabel('Name of the part')).toHaveValue('Mine, other part (copy)')
  await page.getByRole('button', { name: 'Remove', exact: true }).click()
  await expect(page.getByRole('button', { name: /Mine, other part \(copy\)/ })).toHaveCount(0)
  const parts = JSON.parse(await exported(page)).parts as { name: string; kind: string; price?: object }[]
  expect(parts.filter((part) => part.name.startsWith('Mine')).map((part) => part.kind)).toEqual(kinds)
  expect(parts.find((part) => part.name === 'Mine, other part')!.price).toMatchObject({
    lowMinor: 3550,
    likelyMinor: 4000,
    highMinor: 4000,
    currency: 'EUR',
  })
})

test('removing a part in use falls back to the current car, and undo brings it back', async ({ page }) => {
  await openDemo(page, 'parts', 'setup=big-kit&part=kit2-caliper')
  const before = await keyFigures(page)
  await expect(page.getByText('In use in: Twin-piston kit')).toBeVisible()
  await page.getByRole('button', { name: 'Remove', exact: true }).click()
  await expect(page.getByTestId('key-figure-area')).toContainText('2290')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByTestId('key-figure-area')).toContainText('3927')
  await expect.poll(() => keyFigures(page)).toEqual(before)
})

test('setups are made, filled, renamed, ordered and removed', async ({ page }) => {
  await openDemo(page, 'setup', 'setup=as-it-stands')
  await page.getByTestId('duplicate').click()
  const name = page.getByLabel('Name of the setup')
  await name.fill('Estate calipers, stock rotors')
  await name.press('Enter')
  const tab = page.getByRole('tab', { name: 'Estate calipers, stock rotors' })
  await expect(tab).toHaveAttribute('aria-selected', 'true')
  await expect(page.getByTestId('key-figure-area')).toContainText('front same, rear same')
  await pick(page, 'Caliper or drum brake, front', 'Estate front caliper')
  await expect(page.getByTestId('key-figure-area')).toContainText('front +15')
  await pick(page, 'Booster', 'none')
  await expect(page.getByTestId('key-figure-pedal')).toContainText('force +')

  // a duplicate keeps what was chosen; Alt and an arrow move the tab
  await page.getByTestId('duplicate').click()
  await page.getByLabel('Name of the setup').press('Enter')
  const copy = page.getByRole('tab', { name: 'Estate calipers, stock rotors (copy)' })
  await expect(copy).toHaveAttribute('aria-selected', 'true')
  await expect(page.getByTestId('key-figure-area')).toContainText('front +15')
  await copy.focus()
  await page.keyboard.press('Alt+ArrowRight')
  await expect(page.getByRole('tab')).toHaveText([/Current car/, /stock rotors$/, /Estate fronts/, /\(copy\)/, /Twin/, /Four/])
  // and a hand drags it; the current car stays first
  await drag(copy, page.getByRole('tab', { name: 'Twin-piston kit' }))
  await expect(page.getByRole('tab')).toHaveText([/Current car/, /stock rotors$/, /Estate fronts/, /Twin/, /\(copy\)/, /Four/])
  await drag(copy, page.getByRole('tab', { name: 'Current car' }))
  await expect(page.getByRole('tab').first()).toHaveText(/Current car/)
  await page.getByRole('button', { name: 'Remove this setup' }).click()
  await expect(page.getByRole('tab')).toHaveCount(5)
  await page.getByRole('tab', { name: 'Current car' }).click()
  await expect(page.getByRole('button', { name: 'Remove this setup' })).toHaveCount(0)
})

test('units are a way of reading: the same project in inches, pounds and psi', async ({ page }) => {
  await openDemo(page)
  const before = JSON.parse(await exported(page))
  await choose(page.getByLabel('Units'), 'in, lbf, psi')
  await expect(page.getByTestId('verdict')).toContainText('0.046 in at the back of the spokes, 0.118 in required')
  await expect(page.getByTestId('key-figure-pedal')).toContainText('23.3 lbf')
  await page.getByRole('link', { name: /Car/ }).click()
  await expect(page.getByLabel('Wheelbase', { exact: true })).toHaveValue(/^96\.06\d* in$/)
  await type(page, 'Wheelbase', '2440 mm')
  const after = JSON.parse(await exported(page))
  expect(after.car.wheelbaseMm.value).toBe(2440)
  expect({ ...after, car: 0, preferences: 0 }).toEqual({ ...before, car: 0, preferences: 0 })
})

test('keys: steps, setups, corner, spacer, list of keys', async ({ page }) => {
  await openDemo(page)
  await page.getByTestId('spacer-grip').focus()
  for (let presses = 0; presses < 6; presses += 1) await page.keyboard.press('ArrowRight')
  await expect(page.getByTestId('spacer-grip')).toHaveAttribute('aria-valuetext', /3\.0/)
  await expect(page.getByTestId('verdict')).toContainText('Clears:')
  await page.keyboard.press('Shift+ArrowLeft')
  await expect(page.getByTestId('spacer-grip')).toHaveAttribute('aria-valuenow', '2.9')
  await expect(page.getByTestId('key-figure-cost')).toContainText('1 without a price')
  await page.keyboard.press('f')
  await expect(page).toHaveURL(/axle=rear/)
  await expect(page.getByTestId('corner-drawing')).toHaveAttribute('aria-label', /rear corner/)
  await page.keyboard.press(']')
  await expect(page.getByRole('tab', { selected: true })).toHaveText(/Twin-piston kit/)
  await page.keyboard.press('8')
  await expect(page).toHaveURL(/\/cost\?/)
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('export the project to a file')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toBeHidden()
})

test('the bill: extra costs, tax and a foreign price with its rate', async ({ page }) => {
  await openDemo(page, 'cost', 'setup=estate-fronts&view=bill')
  const total = page.getByRole('heading', { level: 1 })
  await expect(total).toContainText('EUR\u00a0310')
  await page.getByRole('button', { name: 'Add a cost' }).click()
  await expect(total).toContainText('At least')
  await expect(page.getByText('1 line has no price yet')).toBeVisible()
  await page.getByLabel('Price, expected').nth(2).fill('60')
  await page.getByLabel('Price, expected').nth(2).press('Enter')
  await expect(total).toContainText('EUR\u00a0370')
  await choose(page.locator('.extra .price .el-select').nth(2), 'USD')
  await expect(total).toContainText('At least')
  // the rate is asked for where the price stands
  const rate = page.getByLabel('rate missing: 1 USD in EUR')
  await rate.fill('0,5')
  await rate.press('Enter')
  await expect(total).toContainText('EUR\u00a0340')
  await page.getByLabel('Tax on every line, %').fill('10')
  await page.getByLabel('Tax on every line, %').press('Enter')
  await expect(total).toContainText('EUR\u00a0374')
  await page.getByLabel('Tax on every line, %').fill('500')
  await page.getByLabel('Tax on every line, %').press('Enter')
  await expect(page.getByText('Tax must be between 0 and 100%.')).toBeVisible()
  await expect(total).toContainText('EUR\u00a0374')
})

test('two tabs that change at once: different places are put together, of the same place both are offered', async ({ page, context }) => {
  await openDemo(page)
  const other = await context.newPage()
  await openDemo(other)
  // this tab cannot save for a moment
  await page.evaluate(() => {
    const put = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('busy', 'AbortError')
    }
    Object.assign(window, { letSave: () => (IDBObjectStore.prototype.put = put) })
  })
  await page.getByTestId('take-spacer').click()
  const notice = page.locator('.notice')
  await expect(notice).toContainText('did not save')
  await choose(other.getByLabel('Required clearance'), '5 mm for flexible wheels and hard use')
  await expect(other.getByText('Saved here')).toBeVisible()
  await page.evaluate(() => (window as unknown as { letSave: () => void }).letSave())
  // the other tab's choice arrives, and this one's spacer stays
  await expect(chosen(page, 'Required clearance')).toContainText('5 mm for flexible wheels and hard use')
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', 'Undo: change of another tab')
  await expect(page.getByText('Saved here')).toBeVisible()

  // the same place in both: nothing is overwritten until someone chooses
  await page.evaluate(() => {
    const put = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('busy', 'AbortError')
    }
    Object.assign(window, { letSave: () => (IDBObjectStore.prototype.put = put) })
  })
  const name = (on: typeof page) => on.getByLabel('Name of the project')
  await name(page).fill('Mine')
  await name(page).press('Enter')
  await expect(notice).toContainText('did not save')
  await name(other).fill('Theirs')
  await name(other).press('Enter')
  await expect(other.getByText('Saved here')).toBeVisible()
  await expect(page.getByTestId('conflicts')).toContainText('name')
  await page.evaluate(() => (window as unknown as { letSave: () => void }).letSave())
  await page.getByRole('button', { name: 'Use this tab’s changes' }).click()
  await expect(page.getByText('Saved here')).toBeVisible()
  await expect(name(other)).toHaveValue('Mine')
})

test('a text that is typed and not taken outlasts a reload and the other tab’s save', async ({ page, context }) => {
  await openDemo(page, 'car')
  const mass = page.getByLabel('Mass, driver only', { exact: true })
  await mass.fill('1.05')
  const other = await context.newPage()
  await openDemo(other)
  await other.getByLabel('Name of the project').fill('Renamed')
  await other.getByLabel('Name of the project').press('Enter')
  await expect(page.getByLabel('Name of the project')).toHaveValue('Renamed')
  await expect(mass).toHaveValue('1.05')
  await page.reload()
  await expect(mass).toHaveValue('1.05')
  await expect(page.getByTestId('draft')).toContainText('Typed earlier and not saved')
  await mass.fill('1.05 t')
  await mass.press('Enter')
  await expect(mass).toHaveValue('1050 kg')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText(/^Undone: .*\(Car › Mass/)).toBeVisible()
})

test('an address of a project that is not here says so; the theme stays chosen', async ({ page }) => {
  await page.goto('/p/nobody/fit')
  await expect(page.getByRole('heading', { name: 'This project is not in this browser' })).toBeVisible()
  await openDemo(page)
  await page.getByRole('button', { name: 'Dark theme' }).click()
  await expect(page.locator('html')).toHaveClass(/dark/)
  await page.reload()
  await expect(page.locator('html')).toHaveClass(/dark/)
})
