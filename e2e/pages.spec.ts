import type { Page } from '@playwright/test'
import { DEEP, expect, openDemo, seriousFindings, strangers, test, violations } from './support.ts'

/** One page of each template. */
const TEMPLATES = [
  ['car', 'setup=estate-fronts'],
  ['measure', 'setup=estate-fronts&sheet=caliperOutline'],
  ['form', 'setup=estate-fronts'],
  ['fit', 'setup=estate-fronts'],
  ['fit', 'setup=estate-fronts&view=check'],
  ['parts', 'setup=estate-fronts&part=estate-front-caliper'],
  ['parts', 'setup=estate-fronts&view=table&kind=rotor'],
  ['setup', 'setup=estate-fronts'],
  ['balance', 'setup=balanced'],
  ['balance', 'setup=balanced&view=chain'],
  ['heat', 'setup=balanced&duty=hard'],
  ['cost', 'setup=big-kit&view=bill'],
  ['build', 'setup=balanced&view=order'],
  ['prove', 'setup=estate-fronts&view=stops'],
  ['answer', 'setup=balanced&ask=balanced'],
] as const
/** The rest, whose pieces are those of the templates. */
const OTHERS = [
  ['measure', 'setup=balanced'],
  ['measure', 'setup=estate-fronts&sheet=wheelProfile'],
  ['fit', 'setup=estate-fronts&view=wheels'],
  ['fit', 'setup=estate-fronts&view=brakes'],
  ['fit', 'setup=estate-fronts&view=card'],
  ['fit', 'setup=estate-fronts&view=reports'],
  ['parts', 'setup=estate-fronts&view=bundles&bundle=kit-q4'],
  ['heat', 'setup=balanced&view=stop'],
  ['balance', 'setup=balanced&view=pedal'],
  ['balance', 'setup=balanced&view=bores'],
  ['balance', 'setup=balanced&view=gauges'],
  ['build', 'setup=estate-fronts&view=before'],
  ['build', 'setup=balanced&view=stages'],
  ['prove', 'setup=as-it-stands&view=log'],
  ['prove', 'setup=as-it-stands&view=locks'],
  ['prove', 'setup=as-it-stands&view=wear'],
  ['answer', 'setup=estate-fronts&ask=clears'],
  ['answer', 'setup=estate-fronts&ask=worth'],
] as const
const PAGES = [...TEMPLATES, ...(DEEP ? OTHERS : [])]

/** Steps whose drawings and charts have colours of their own in the dark theme; the rest take the theme's few. */
const DRAWN = /^(fit|balance|heat|prove|working)/

/** In both themes; what does not hang on colour is looked at in one of them. */
async function inBothThemes(page: Page, what: string) {
  await page.emulateMedia({ colorScheme: 'light' })
  expect(await seriousFindings(page, 'all'), what).toEqual([])
  if (!DEEP && !DRAWN.test(what)) return
  await page.emulateMedia({ colorScheme: 'dark' })
  await expect(page.locator('html')).toHaveClass(/dark/)
  expect(await seriousFindings(page, 'colour'), `${what}, dark`).toEqual([])
}

for (const half of [0, 1])
  test(`no serious accessibility finding on any template, ${half === 0 ? 'first' : 'second'} half`, async ({ page }) => {
    const refused = violations(page)
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    await page.goto('/')
    await expect(page.getByRole('button', { name: 'Open the demo' })).toBeVisible()
    if (half === 0) await inBothThemes(page, 'projects')
    for (const [step, query] of PAGES.filter((_, i) => i % 2 === half)) {
      await openDemo(page, step, query)
      await inBothThemes(page, `${step} ${query}`)
    }
    if (half === 1) {
      await page.getByTestId('key-figure-bias').click()
      await expect(page.getByRole('dialog')).toContainText('Inputs')
      await inBothThemes(page, 'working')
      await page.goto('/how')
      await expect(page.getByRole('heading', { name: 'Where practitioners disagree' })).toBeVisible()
      await inBothThemes(page, 'how')
    }
    expect(refused).toEqual([])
  })

test('the first load is light and stays on this machine', async ({ browser, baseURL }) => {
  // a browser that holds nothing of the application yet
  const page = await browser.newPage({ baseURL })
  const asked = strangers(page)
  const sizes: Promise<number>[] = []
  page.on('response', (response) => {
    if (!/\.(js|mjs|css)(\?|$)/.test(response.url())) return
    sizes.push(
      response
        .request()
        .sizes()
        .then((size) => (response.headers()['content-encoding'] === 'gzip' ? size.responseBodySize : Number.NaN)),
    )
  })
  await page.setExtraHTTPHeaders({ 'accept-encoding': 'gzip' })
  // pages that are fetched ahead in idle moments are not part of it, and how many there are depends on the machine
  await page.addInitScript(() => Object.defineProperty(navigator, 'connection', { value: { saveData: true } }))
  await openDemo(page)
  await expect(page.getByTestId('corner-drawing')).toBeVisible()
  await expect(page.getByTestId('spacer-grip')).toBeVisible()
  const all = await Promise.all(sizes)
  const total = all.filter(Number.isFinite).reduce((sum, size) => sum + size, 0)
  console.log(`first load: ${(total / 1000).toFixed(0)} kB of gzipped JavaScript and CSS in ${all.length} files`)
  expect(total).toBeGreaterThan(50_000)
  expect(total).toBeLessThanOrEqual(400_000)
  expect(asked).toEqual([])
  await page.close()
})
