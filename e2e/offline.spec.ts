import { DEEP, expect, exported, openDemo, test, type } from './support.ts'

test.use({ serviceWorkers: 'allow' })

test('a yard without a network: every page opens, a measure is kept, what needs the server says so', async ({ page, context }) => {
  await openDemo(page, 'fit')
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
    if (!navigator.serviceWorker.controller) await new Promise((done) => navigator.serviceWorker.addEventListener('controllerchange', done))
  })
  await context.setOffline(true)
  await page.reload()
  await expect(page.getByTestId('key-figure-cost')).toBeVisible()
  // pages that were not opened before, too
  for (const step of DEEP ? ['car', 'parts', 'setup', 'balance'] : ['parts', 'balance']) await openDemo(page, step)
  await openDemo(page, 'measure', 'setup=estate-fronts&sheet=rotor')
  await type(page, 'Centre bore', '62.04')
  const readings = page.getByRole('list', { name: 'Readings of Centre bore' }).getByRole('listitem')
  await expect(readings).toHaveText([/62\.04/])
  await expect(page.getByText('Saved here')).toBeAttached()
  await page.reload()
  await expect(readings).toHaveText([/62\.04/])
  await openDemo(page, 'cost', 'setup=estate-fronts&view=bill')
  await page.getByTestId('ask-quotes').click()
  await expect(page.getByText(/The price desk gives no quotes .* You can type prices instead/)).toBeVisible()
})

test('a browser that keeps nothing: said at once, and one works and exports all the same', async ({ page }) => {
  await page.addInitScript(() => {
    const refuse = () => {
      throw new DOMException('The request was denied.', 'SecurityError')
    }
    for (const name of ['indexedDB', 'localStorage', 'sessionStorage']) Object.defineProperty(window, name, { get: refuse })
    Object.defineProperty(window, 'openDatabase', { value: undefined })
  })
  await page.goto('/')
  await expect(page.getByTestId('in-memory')).toContainText('stores no data for this page')
  await page.getByRole('button', { name: 'Open the demo' }).click()
  await expect(page.getByTestId('key-figure-cost')).toBeVisible()
  await page.getByLabel('Name of the project').fill('In hand')
  await page.getByLabel('Name of the project').press('Enter')
  await expect(page.getByText('Not stored: export before you close the page')).toBeVisible()
  expect(JSON.parse(await exported(page))).toMatchObject({ name: 'In hand' })
})

test('a page that dies while one types: nothing that it called saved is lost', async ({ page, context }) => {
  await openDemo(page, 'car')
  const name = page.getByLabel('Name of the project')
  const typed: string[] = []
  const typeSome = async () => {
    for (let i = 0; i < 6; i += 1) {
      typed.push(`Typed ${typed.length}`)
      await name.fill(typed.at(-1)!)
      await name.press('Enter')
    }
  }
  await typeSome()
  await expect(page.getByText('Saved here')).toBeAttached()
  await typeSome()
  const client = await context.newCDPSession(page)
  void client.send('Page.crash').catch(() => undefined)
  await page.waitForEvent('crash')
  const next = await context.newPage()
  await openDemo(next, 'car')
  const kept = await next.getByLabel('Name of the project').inputValue()
  expect(typed.indexOf(kept)).toBeGreaterThanOrEqual(5)
})
