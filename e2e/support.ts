import { AxeBuilder } from '@axe-core/playwright'
import { expect, test as base, type BrowserContext, type Locator, type Page } from '@playwright/test'

export const DEMO = '/p/larkrise-club-hatch'
/** Whether all is looked at: `npm run test:deep`. */
export const DEEP = process.env.TEST_DEEP === '1'

interface Kept {
  context: BrowserContext
  /** Everything that the stories before have stored is gone. */
  empty: () => Promise<void>
}

/**
 * The stories' own `test`: stories that run one after the other share a browser context, whose cache holds the application's
 * files. What they store is cleared between them. A story with a touch screen or a service worker has a context of its own.
 */
export const test = base.extend<object, { kept: Kept }>({
  kept: [
    async ({ browser }, use, { project }) => {
      const context = await browser.newContext(project.use)
      // as on a metered line: pages are not fetched ahead, which would take a fifth of each story's time
      if (!DEEP) await context.addInitScript(() => Object.defineProperty(navigator, 'connection', { value: { saveData: true } }))
      const client = await context.newCDPSession(await context.newPage())
      const origin = new URL(project.use.baseURL!).origin
      await use({
        context,
        empty: async () => {
          await Promise.all(
            context
              .pages()
              .slice(1)
              .map((page) => page.close()),
          )
          await client.send('Storage.clearDataForOrigin', { origin, storageTypes: 'local_storage,indexeddb,cache_storage' })
        },
      })
      await context.close()
    },
    { scope: 'worker' },
  ],
  context: async ({ kept, browser, hasTouch, serviceWorkers, viewport }, use, { project }) => {
    if (hasTouch || serviceWorkers === 'allow') {
      const own = await browser.newContext({ ...project.use, hasTouch, serviceWorkers, viewport })
      await use(own)
      await own.close()
    } else {
      await use(kept.context)
      await kept.empty()
    }
  },
})
export { expect }

const COLOUR = ['color-contrast', 'link-in-text-block']

/**
 * Serious findings of an accessibility check of the page current car. In the middle of a story the rules of colour, which
 * take most of the time, are left to `npm run test:deep`: the story of all pages looks at the colours of each template.
 */
export async function seriousFindings(page: Page, rules: 'all' | 'colour' | 'story' = DEEP ? 'all' : 'story'): Promise<string[]> {
  const builder = new AxeBuilder({ page }).options({ resultTypes: ['violations'] })
  if (rules === 'colour') builder.withRules(COLOUR)
  if (rules === 'story') builder.disableRules(COLOUR)
  // without frames of other origins there is nothing to gather in a page of its own
  const found = await builder.setLegacyMode(true).analyze()
  return found.violations
    .filter((one) => one.impact === 'serious' || one.impact === 'critical')
    .map((one) => `${one.id}: ${one.nodes.map((node) => node.target.join(' ')).join(', ')}`)
}

/** Every address the page asks for that is not this machine. */
export function strangers(page: Page): string[] {
  const found: string[] = []
  page.on('request', (request) => {
    const { protocol, hostname } = new URL(request.url())
    if ((protocol === 'http:' || protocol === 'https:') && hostname !== '127.0.0.1') found.push(request.url())
  })
  return found
}

/** What the page tried and its content policy refused. */
export function violations(page: Page): string[] {
  const found: string[] = []
  page.on('console', (message) => {
    if (/Content Security Policy/i.test(message.text())) found.push(message.text())
  })
  return found
}

/** Types a figure into the field with this label and takes it. */
export async function type(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true })
  await field.fill(text)
  await field.press('Enter')
}

/** The six cells of the key figures as text. */
export async function keyFigures(page: Page): Promise<string[]> {
  await expect(page.getByTestId('key-figure-cost')).toBeVisible()
  // the session comes after all else
  await expect(page.getByTestId('key-figure-heat')).not.toContainText('one stop')
  // and so do the ranges, where there is a figure
  const bias = page.getByTestId('key-figure-bias')
  if (/\d/.test(await bias.locator('.value').innerText())) await expect(bias).toContainText('\u2013')
  return await page.locator('[data-test^="key-figure-"]').allInnerTexts()
}

/** Opens the demo at a step and waits for its figures. */
export async function openDemo(page: Page, step = 'fit', query = 'setup=estate-fronts'): Promise<void> {
  await page.goto(`${DEMO}/${step}?${query}`)
  await expect(page.getByTestId('key-figure-cost')).toBeVisible()
}

/** The page is no wider than its window, once all has been laid out. */
export async function fitsTheWindow(page: Page): Promise<void> {
  const tooWide = () => page.evaluate((width) => document.documentElement.scrollWidth - width, page.viewportSize()!.width)
  await expect.poll(tooWide, `${page.url()} is wider than its window, in px`).toBeLessThanOrEqual(0)
}

/** Exports the open project and gives the file's text. */
export async function exported(page: Page): Promise<string> {
  const waiting = page.waitForEvent('download')
  await page.keyboard.press('Control+s')
  const stream = await (await waiting).createReadStream()
  const chunks: Buffer[] = []
  for await (const chunk of stream) chunks.push(chunk as Buffer)
  return Buffer.concat(chunks).toString('utf8')
}

/** Chooses one of a list by its words, as a person does: opens it, types where it can be searched, presses the entry. */
export async function choose(field: Locator, words: string): Promise<void> {
  const page = field.page()
  const select = field.locator('xpath=ancestor-or-self::*[contains(concat(" ", @class, " "), " el-select ")]').last()
  const entries = page.locator('.el-select-dropdown__item:visible')
  // a list that was open before has gone
  await expect(entries).toHaveCount(0)
  await select.locator('.el-select__wrapper').click()
  const input = select.locator('input')
  if (await input.isEditable()) {
    await input.fill(words)
    await expect(entries.filter({ hasNotText: words })).toHaveCount(0)
  }
  const entry = entries.filter({ hasText: words }).first()
  await entry.click()
  await expect(entries).toHaveCount(0)
}

/** Ticks a box, chooses one of several, or takes a tick away, at its label. */
export async function tick(field: Locator, on = true): Promise<void> {
  const label = field.locator('xpath=ancestor-or-self::label')
  if ((await label.locator('input').isChecked()) !== on) await label.click()
}

/** Takes hold of something at its middle, once it has come to rest. @returns where the hand is */
export async function grab(what: Locator): Promise<{ x: number; y: number }> {
  await what.scrollIntoViewIfNeeded()
  const seen: string[] = []
  await expect
    .poll(async () => {
      seen.push(JSON.stringify(await what.boundingBox()))
      return seen.at(-1) === seen.at(-2)
    })
    .toBe(true)
  const { x, y, width, height } = (await what.boundingBox())!
  const at = { x: x + width / 2, y: y + height / 2 }
  const { mouse } = what.page()
  await mouse.move(at.x, at.y)
  await mouse.down()
  return at
}

/** Waits until the page has drawn so many frames. */
export const frames = (page: Page, count: number): Promise<void> =>
  page.evaluate(async (left) => {
    for (let i = 0; i < left; i += 1) await new Promise((drawn) => requestAnimationFrame(drawn))
  }, count)

/** Drags something onto something else, as a hand does: taken, moved over it, let go. */
export async function drag(what: Locator, onto: Locator): Promise<void> {
  const middle = async (of: Locator) => {
    const { x, y, width, height } = (await of.boundingBox())!
    return [x + width / 2, y + height / 2] as const
  }
  const page = what.page()
  const { mouse } = page
  await what.hover()
  // what drags is loaded when the hand comes near
  await expect(what.locator('xpath=ancestor-or-self::*[@data-sortable]').first()).toBeAttached()
  await mouse.down()
  const [x, y] = await middle(onto)
  await mouse.move(x, y + 3, { steps: 12 })
  await mouse.move(x, y, { steps: 3 })
  // where it would go is looked at between frames: a dozen of them are drawn before the hand lets go
  await frames(page, 12)
  // several moves of one frame are one: a last small one is heard for itself
  await mouse.move(x, y - 1)
  await frames(page, 6)
  await mouse.up()
}

/** Opens a folded part by its title. */
export async function unfold(at: Page | Locator, title: string | RegExp): Promise<void> {
  const head = at.getByRole('button', { name: title })
  if ((await head.getAttribute('aria-expanded')) !== 'true') await head.click()
  await expect(head).toHaveAttribute('aria-expanded', 'true')
}

/** All groups of the forms stand open. */
export const showAllFields = (page: Page): Promise<void> => tick(page.getByLabel('Show all fields'))

/** Moves a slider to a value by its keys, from its least value on. */
export async function slide(slider: Locator, steps: number): Promise<void> {
  await slider.getByRole('slider').press('Home')
  for (let i = 0; i < steps; i += 1) await slider.getByRole('slider').press('ArrowRight')
}

/** The row of a table that holds an entry: `data-line`, `data-wear`. */
export const row = (page: Page, what: string, id: string): Locator => page.locator('tr', { has: page.locator(`[data-${what}="${id}"]`) })

/** What a list has chosen. */
export const chosen = (page: Page, label: string): Locator =>
  page.locator('.el-select').filter({ has: page.getByLabel(label, { exact: true }) })

/** Chooses a part by its name; what it would bring stands behind the name once that is known. */
export async function pick(page: Page, label: string, name: string): Promise<void> {
  await choose(page.getByLabel(label, { exact: true }), name)
}

/**
 * What the machine takes just now for fixed work of the kind a step does: objects made, then 200 rows built, laid out and
 * taken away, in ms of the page's own time. About 100 ms where little else runs.
 */
export const yardstick = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const start = performance.now()
    for (let round = 0; round < 3; round += 1) {
      const rows = Array.from({ length: 200 }, (_, i) => ({ name: `row ${i}`, parts: [i, i * 2, String(i)] }))
      const box = document.createElement('div')
      box.style.cssText = 'position:fixed;inset:0 auto auto 0;width:300px;height:600px;contain:strict;visibility:hidden'
      for (const row of JSON.parse(JSON.stringify(rows)) as typeof rows) {
        const line = document.createElement('p')
        for (const word of [row.name, ...row.parts]) {
          const span = document.createElement('span')
          span.textContent = `${word} `
          line.append(span)
        }
        box.append(line)
      }
      document.body.append(box)
      box.getBoundingClientRect()
      box.remove()
    }
    return performance.now() - start
  })

/**
 * Something takes at most so many yardsticks: the longer of the two around it counts, and of three tries the best, since
 * a machine that others share is slow in one moment and quick in the next.
 */
export async function withinYardsticks(page: Page, most: number, act: () => Promise<number>): Promise<string> {
  const tried: string[] = []
  for (let i = 0; i < 3; i += 1) {
    const before = await yardstick(page)
    const ms = await act()
    const yard = Math.max(before, await yardstick(page))
    const ratio = ms / yard
    tried.push(`${ms.toFixed(0)} ms, ${ratio.toFixed(1)} yardsticks`)
    if (ratio <= most) return tried.at(-1)!
  }
  throw new Error(`more than ${most} yardsticks in each of three tries: ${tried.join('; ')}`)
}
