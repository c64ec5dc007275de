import { writeFile } from 'node:fs/promises'
import { encode } from 'fast-png'
import type { Locator, Page } from '@playwright/test'
import { apply, homographyOf, type Homography, type Pair } from '../core/vision/homography.ts'
import { MARKS, type Mm } from '../core/vision/sheet.ts'
import { takePicture, type Camera, type CameraLight, type Scene } from '../core/vision/simulated-camera.ts'
import type { WheelProfile } from '../core/records/field.ts'
import {
  choose,
  expect,
  exported,
  openDemo,
  seriousFindings,
  strangers,
  test,
  type,
  violations,
  yardstick,
  fitsTheWindow,
} from './support.ts'

const CAMERA: Camera = { width: 1600, height: 1200, focal35Mm: 26, distanceMm: 420, tiltDeg: 18, azimuthDeg: 240, turnDeg: 122, lens: 0.02 }
const LIGHT: CameraLight = { blurPx: 0.9, noise: 3, slope: 0.15 }
/** Grain without a generator: the same each time. */
function grain(): () => number {
  let seed = 11
  return () => (seed = (seed * 48271) % 2147483647) / 2147483647
}
function png(scene: Scene, camera = CAMERA, light = LIGHT): Buffer {
  const { width, height, data } = takePicture(camera, scene, light, grain())
  return Buffer.from(encode({ width, height, data, channels: 1, depth: 8 }))
}
const BODY: readonly Mm[] = [
  [-92, 118],
  [-84, 133],
  [-66, 139],
  [6, 139],
  [16, 134],
  [30, 118],
  [33, 112],
  [33, 78],
]

const field = (page: Page) => page.getByTestId('picture-import')
const dialog = (page: Page) => page.getByRole('dialog', { name: /^Outline from/ })
const give = (page: Page, name: string, buffer: Buffer, mimeType = 'image/png') =>
  field(page).getByTestId('picture-file').locator('input').setInputFiles({ name, mimeType, buffer })
const openSheet = (page: Page, sheet: string) => openDemo(page, 'measure', `setup=estate-fronts&sheet=${sheet}`)

/** Where places of the sheet are on the screen: told by the four marks that were found. */
async function onScreen(page: Page): Promise<(at: Mm) => Pair> {
  await expect(page.getByTestId('picture-sheet')).toContainText('Four marks found')
  await atRest(page)
  const middles = await Promise.all(
    MARKS.map(async (_, i) => {
      const { x, y, width, height } = (await dialog(page).locator(`[data-handle="mark-${i}"] .reach`).boundingBox())!
      return [x + width / 2, y + height / 2] as Pair
    }),
  )
  const h: Homography = homographyOf(MARKS, middles)!
  return (at) => apply(h, at)
}
const press = (page: Page, [x, y]: Pair) => (page.viewportSize()!.width < 500 ? page.touchscreen.tap(x, y) : page.mouse.click(x, y))
/** A dialog that is still coming up is not yet where it will be. */
const atRest = (page: Page) => dialog(page).getByRole('button', { name: 'Cancel' }).click({ trial: true })
const places = (page: Page): Locator => dialog(page).locator('[data-handle^="place-"]')
async function trace(page: Page, at: (mm: Mm) => Pair, line: readonly Mm[]): Promise<void> {
  const before = await places(page).count()
  for (const [i, mm] of line.entries()) {
    await press(page, at(mm))
    await expect(places(page)).toHaveCount(before + i + 1)
  }
}

async function measureBars(page: Page) {
  await choose(page.getByTestId('picture-bars'), 'digital caliper')
  await type(page, 'Bar across', '100')
  await type(page, 'Bar along', '100')
}

test('a line on the sheet becomes an outline with its doubt and its picture, and decides', async ({ page }) => {
  const [foreign, refused] = [strangers(page), violations(page)]
  await openSheet(page, 'caliperOutline')
  await expect(field(page)).toContainText('all four rings in the picture')
  await give(page, 'card.png', png({ drawn: [{ points: BODY, lineMm: 0.5 }] }))
  const at = await onScreen(page)
  await expect(page.getByTestId('picture-sheet')).toContainText(/\d\d places of the sheet agree to within 0\.0\d.mm/)
  await choose(page.getByTestId('picture-lies'), 'Drawn on the sheet itself')
  // how large the sheet came out of the printer is asked before anything is traced
  await expect(page.getByTestId('picture-bars-first')).toBeVisible()
  await expect(page.getByTestId('picture-next')).toBeDisabled()
  await choose(page.getByTestId('picture-bars'), 'not possible')
  await expect(dialog(page)).toContainText('may then be off by up to 5%')
  await expect(page.getByTestId('picture-next')).toBeEnabled()
  await choose(page.getByTestId('picture-bars'), 'digital caliper')
  await type(page, 'Bar across', '3.94 in')
  await expect(page.getByLabel('Bar along', { exact: true })).toHaveValue('')
  await expect(page.getByLabel('Bar across', { exact: true })).toHaveValue(/^100\.076.mm$/)
  await type(page, 'Bar across', '1000')
  await expect(dialog(page)).toContainText(/Must be between 90.* and 110.*100\.1.* is unchanged/)
  await type(page, 'Bar along', '92')
  await expect(page.getByTestId('picture-bars-wrong')).toContainText('Measure both again')
  await type(page, 'Bar across', '100')
  await type(page, 'Bar along', '100')
  await expect(page.getByTestId('picture-bars-wrong')).toHaveCount(0)
  expect(await seriousFindings(page)).toEqual([])
  await page.getByTestId('picture-next').click()
  await trace(page, at, [BODY[0]!, BODY[3]!, BODY[7]!])
  const said = page.getByTestId('picture-outline')
  await expect(said).toContainText(/3 places, \d+ points\. Uncertainty: z ±0\.\d\d.mm, r ±0\.\d\d.mm/)
  await expect(said).toContainText('Made of: width of the line 0.14')

  // keys of the page behind do nothing there
  await page.keyboard.press('3')
  await expect(page).toHaveURL(/\/measure\?/)
  // undo and again, by keys and by buttons, stay in the picture
  await page.keyboard.press('Control+z')
  await expect(places(page)).toHaveCount(2)
  await page.keyboard.press('Control+Shift+z')
  await expect(places(page)).toHaveCount(3)
  await page.getByTestId('picture-undo').click()
  await trace(page, at, [BODY[7]!])

  // arrow keys move the place in hand, the loupe shows it
  await places(page).nth(2).focus()
  const stood = await places(page).nth(2).getAttribute('transform')
  await page.keyboard.press('Shift+ArrowDown')
  await expect(places(page).nth(2)).not.toHaveAttribute('transform', stood!)
  await expect(places(page).nth(2)).toHaveAccessibleName('Place 3')
  await page.keyboard.press('Control+z')
  await expect(places(page).nth(2)).toHaveAccessibleName('Place 3, on the line')
  expect(await seriousFindings(page)).toEqual([])

  // left by mistake, the line is still there
  await page.keyboard.press('Escape')
  await expect(dialog(page)).toBeHidden()
  await page.getByTestId('picture-go-on').click()
  await expect(places(page)).toHaveCount(3)

  await page.getByTestId('picture-take').click()
  await expect(dialog(page)).toBeHidden()
  await expect(page.getByTestId('picture-behind')).toHaveCount(1)
  const project = JSON.parse(await exported(page))
  const { caliper } = project.setups[1].front
  const [body] = project.parts.find((one: { id: string }) => one.id === caliper).outlines
  expect(body).toMatchObject({ name: 'body', origin: 'measured' })
  expect(body.doubts).toHaveLength(body.points.length)
  expect(body.picture.jpeg).toMatch(/^data:image\/jpeg;base64,/)
  expect(body.picture.jpeg.length).toBeLessThan(160_000)
  const most = (k: 0 | 1) => Math.max(...body.points.map((one: Pair) => one[k]))
  expect(most(1)).toBeGreaterThan(138.6)
  expect(most(1)).toBeLessThan(139.4)
  expect(Math.abs(most(0) - 33)).toBeLessThan(0.4)

  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('picture-behind')).toHaveCount(0)
  await page.keyboard.press('Control+Shift+z')
  // at any later look the picture is there
  await expect(page.getByTestId('picture-behind')).toHaveCount(1)
  await page.reload()
  await expect(page.getByTestId('picture-behind')).toHaveCount(1)
  expect([foreign, refused]).toEqual([[], []])
})

test('a wheel is traced stretch by stretch, each with its tag; a further object is an outline of its own', async ({ page }) => {
  await openSheet(page, 'wheelProfile')
  const line: Mm[] = [
    [-116, 182],
    [-30, 170],
    [22, 168],
    [40, 150],
    [44, 110],
    [30, 82],
  ]
  await give(page, 'section.png', png({ drawn: [{ points: line, lineMm: 0.5 }] }))
  const at = await onScreen(page)
  await choose(page.getByTestId('picture-lies'), 'Drawn on the sheet itself')
  await measureBars(page)
  await page.getByTestId('picture-next').click()
  await trace(page, at, [line[0]!, line[2]!])
  await dialog(page).getByTestId('picture-tag').getByText('Shoulder').click()
  await trace(page, at, [line[3]!])
  await dialog(page).getByTestId('picture-tag').getByText('Back of the spokes').click()
  await trace(page, at, [line[5]!])
  await page.getByTestId('picture-take').click()
  await expect(dialog(page)).toBeHidden()
  const project = JSON.parse(await exported(page))
  const wheel = project.parts.find((one: { id: string; profile?: WheelProfile }) => one.profile?.doubts)
  const { points, tags } = wheel.profile as WheelProfile
  expect(new Set(tags)).toEqual(new Set(['barrel', 'shoulder', 'face']))
  expect(tags).toHaveLength(points.length - 1)
  expect(tags[0]).toBe('barrel')
  expect(tags[tags.length - 1]).toBe('face')
  expect(points[0]![0]).toBeLessThan(-114)

  await openSheet(page, 'nearWheel')
  await give(
    page,
    'screw.png',
    png({
      drawn: [
        {
          points: [
            [-40, 150],
            [-36, 156],
            [-30, 156],
          ],
          lineMm: 0.5,
        },
      ],
    }),
  )
  const there = await onScreen(page)
  await choose(page.getByTestId('picture-lies'), 'Drawn on the sheet itself')
  await measureBars(page)
  await page.getByTestId('picture-next').click()
  await expect(dialog(page).getByLabel('Which outline')).toHaveValue('bleed screw')
  await trace(page, there, [
    [-40, 150],
    [-30, 156],
  ])
  await dialog(page).getByRole('button', { name: 'Add and trace another' }).click()
  await expect(places(page)).toHaveCount(0)
  await expect(dialog(page).getByLabel('Which outline')).toHaveValue('hose')
  await dialog(page).getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByTestId('picture-behind')).toHaveCount(1)
})

test('a mark that is hidden is asked for; put by hand under the loupe the sheet is read', async ({ page }) => {
  await openSheet(page, 'caliperOutline')
  // something lies on the dot of the fourth mark
  await give(
    page,
    'hidden.png',
    png({
      drawn: [
        { points: BODY, lineMm: 0.5 },
        {
          points: [
            [-129, 238],
            [-124, 238],
          ],
          lineMm: 5,
          shade: 225,
        },
      ],
    }),
  )
  await expect(page.getByTestId('picture-refused')).toContainText('not found: put each on the middle of its ring')
  await expect(page.getByTestId('picture-next')).toBeDisabled()
  await atRest(page)
  // where they are is known here from a picture in which all are seen
  const { seenBy } = await import('../core/vision/simulated-camera.ts')
  const { toPx } = await import('../core/vision/sheet-map.ts')
  const at = async (mm: Mm): Promise<Pair> => {
    const box = (await page.getByTestId('picture').boundingBox())!
    const by = Math.min(box.width / CAMERA.width, box.height / CAMERA.height)
    const [x, y] = toPx(seenBy(CAMERA), mm)
    return [box.x + (box.width - CAMERA.width * by) / 2 + x * by, box.y + (box.height - CAMERA.height * by) / 2 + y * by]
  }
  for (const [i, mark] of MARKS.entries()) {
    await dialog(page).locator('.places button').nth(i).click()
    await press(page, await at(mark))
    await expect
      .poll(async () => {
        const { x, y, width, height } = (await dialog(page).locator(`[data-handle="mark-${i}"] .reach`).boundingBox())!
        const [toX, toY] = await at(mark)
        return Math.hypot(x + width / 2 - toX, y + height / 2 - toY)
      })
      .toBeLessThan(3)
  }
  await expect(page.getByTestId('picture-sheet')).toContainText('Four marks found')
  await choose(page.getByTestId('picture-bars'), 'not possible')
  await expect(page.getByTestId('picture-next')).toBeEnabled()
  // dragged far off, the picture is refused, with the reason; nothing was changed so far
  const handle = dialog(page).locator('[data-handle="mark-0"]')
  await handle.focus()
  for (let i = 0; i < 6; i += 1) await page.keyboard.press('Shift+ArrowUp')
  await expect(page.getByTestId('picture-refused')).toBeVisible()
  await expect(page.getByTestId('picture-next')).toBeDisabled()
  await dialog(page).getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByTestId('picture-behind')).toHaveCount(0)
})

test('a drawing as a page of a PDF takes its scale from two places', async ({ page }) => {
  await openSheet(page, 'caliperOutline')
  const waiting = page.waitForEvent('download')
  await page.getByTestId('picture-sheet-print').click()
  await page.getByRole('menuitem', { name: 'Letter, PDF' }).click()
  const stream = await (await waiting).createReadStream()
  const chunks: Buffer[] = []
  for await (const chunk of stream) chunks.push(chunk as Buffer)
  const pdf = Buffer.concat(chunks)
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
  // the sheet to print is a drawing too
  await give(page, 'drawing.pdf', pdf, 'application/pdf')
  const at = await onScreen(page)
  await choose(page.getByTestId('picture-lies'), 'A drawing or scan')
  const put = async (name: string, mm: Mm) => {
    await dialog(page).locator('.places').getByRole('button', { name, exact: true }).click()
    await press(page, at(mm))
  }
  await put('Scale, place 1', [-84, -12])
  await put('Scale, place 2', [16, -12])
  await put('Axis, place 1', [-110, 0])
  await put('Axis, place 2', [40, 0])
  await put('Seat, place 1', [0, 10])
  await put('Seat, place 2', [0, 220])
  // without its length a scale is none
  await expect(page.getByTestId('picture-next')).toBeDisabled()
  await type(page, 'Their distance', '100')
  await page.getByTestId('picture-next').click()
  await dialog(page).getByText('an edge, light against dark').click()
  // along the long bar, on the side of the sheet's middle
  await trace(page, at, [
    [-125, 70],
    [-125, 155],
  ])
  await page.getByTestId('picture-take').click()
  await expect(dialog(page)).toBeHidden()
  const project = JSON.parse(await exported(page))
  const { caliper } = project.setups[1].front
  const [body] = project.parts.find((one: { id: string }) => one.id === caliper).outlines
  for (const [z] of body.points as Pair[]) expect(Math.abs(z + 125)).toBeLessThan(1.2)
  expect(Math.abs(body.points[0][1] - 70)).toBeLessThan(1.8)
  // nobody points better than what is seen
  expect(Math.max(...(body.doubts as Pair[]).flat())).toBeGreaterThan(0.2)
})

test('hostile and broken pictures get a message with what to do, and nothing is lost', async ({ page }) => {
  await openSheet(page, 'caliperOutline')
  const before = await exported(page)
  const good = png({ drawn: [{ points: BODY, lineMm: 0.5 }] })
  const huge = Buffer.from(good)
  huge.writeUInt32BE(10_000, 16)
  huge.writeUInt32BE(10_000, 20)
  const jpeg = Buffer.from(
    await page.evaluate(async () => {
      const canvas = new OffscreenCanvas(800, 600)
      const paper = canvas.getContext('2d')!
      for (let i = 0; i < 400; i += 1) paper.fillRect((i * 37) % 800, (i * 61) % 600, 9, 9)
      return [...new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg' })).arrayBuffer())]
    }),
  )
  const cases: [string, string, Buffer, RegExp][] = [
    ['empty.jpg', 'image/jpeg', Buffer.alloc(0), /0 bytes/],
    ['words.png', 'image/png', Buffer.from('no picture'), /not a readable picture/],
    ['huge.png', 'image/png', huge, /100 million pixels/],
    [
      'script.svg',
      'image/svg+xml',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>document.title="taken"</script></svg>'),
      /SVG.*programs/,
    ],
    ['half.jpg', 'image/jpeg', jpeg.subarray(0, jpeg.length >> 1), /half\.jpg is cut short/],
    ['half.png', 'image/png', good.subarray(0, good.length >> 1), /half\.png is damaged or cut short/],
    ['half.pdf', 'application/pdf', Buffer.from('%PDF-1.7\n1 0 obj\n<<'), /half\.pdf (is damaged|cannot be drawn)/],
    ['<img src=x onerror=alert(1)>.jpg', 'image/jpeg', Buffer.from('x'), /<img src=x/],
  ]
  for (const [name, mime, bytes, why] of cases) {
    await give(page, name, bytes, mime)
    await expect(page.getByTestId('picture-message')).toContainText(why)
    await expect(dialog(page)).toBeHidden()
  }
  expect(await page.title()).not.toContain('taken')
  expect(await exported(page)).toBe(before)
  // after all that a good one is read
  await give(page, 'good.png', good)
  await onScreen(page)
  // a picture without the sheet is asked for its marks, and can be left
  await dialog(page).getByRole('button', { name: 'Cancel' }).click()
  await give(page, 'table.jpg', jpeg, 'image/jpeg')
  await expect(page.getByTestId('picture-refused')).toContainText('not found')
})

test('a picture comes by drop and from the clipboard too', async ({ page }) => {
  await openSheet(page, 'caliperOutline')
  const bytes = png({ drawn: [{ points: BODY, lineMm: 0.5 }] }).toString('base64')
  for (const [how, target] of [
    ['drop', 'main'],
    ['paste', 'body'],
  ] as const) {
    await page.evaluate(
      async ([event, on, text]) => {
        const data = new DataTransfer()
        const file = await (await fetch(`data:image/png;base64,${text}`).catch(() => undefined))?.blob()
        const raw = file ?? new Blob([Uint8Array.from(atob(text!), (sign) => sign.charCodeAt(0))], { type: 'image/png' })
        data.items.add(new File([raw], 'held.png', { type: 'image/png' }))
        document
          .querySelector(on!)!
          .dispatchEvent(
            event === 'drop'
              ? new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true })
              : new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
          )
      },
      [how, target, bytes] as const,
    )
    await onScreen(page)
    await dialog(page).getByRole('button', { name: 'Cancel' }).click()
    await expect(dialog(page)).toBeHidden()
  }
})

test('a picture of 12 million pixels holds no frame up', { tag: '@deep' }, async ({ page }, info) => {
  await openSheet(page, 'caliperOutline')
  // from the disk: what is handed over in memory is work for the page
  const large = info.outputPath('large.png')
  const bytes = png({ drawn: [{ points: BODY, lineMm: 0.5 }] }, { ...CAMERA, width: 4000, height: 3000 })
  await writeFile(large, bytes)
  await page.evaluate(() => {
    const kept = window as unknown as { longest: number }
    kept.longest = 0
    new PerformanceObserver((list) => {
      for (const one of list.getEntries()) kept.longest = Math.max(kept.longest, one.duration)
    }).observe({ entryTypes: ['longtask'] })
  })
  await field(page).getByTestId('picture-file').locator('input').setInputFiles(large)
  await expect(page.getByTestId('picture-sheet')).toContainText('Four marks found')
  const longest = await page.evaluate(() => (window as unknown as { longest: number }).longest)
  const yard = await yardstick(page)
  info.annotations.push({ type: 'measured', description: `longest task ${longest} ms, a yardstick ${yard.toFixed(0)} ms` })
  expect(longest / yard).toBeLessThan(4)
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })
  test('the example is traced with a finger, a place dragged, and taken', async ({ page }) => {
    await openSheet(page, 'caliperOutline')
    await page.getByTestId('picture-example').click()
    const at = await onScreen(page)
    await fitsTheWindow(page)
    await page.getByTestId('picture-next').click()
    // the picture stays in sight while what is below it is scrolled
    await page.getByTestId('picture').evaluate((one) => one.closest('.el-overlay-dialog')!.scrollTo(0, 0))
    const line: Mm[] = [
      [-92, 158.5],
      [14, 160],
      [43, 110],
    ]
    await trace(page, at, line)
    await expect(page.getByTestId('picture-outline')).toContainText('3 places')
    const [x, y] = at(line[1]!)
    const { x: x1, y: y1 } = { x: x - 18, y: y + 1 }
    const client = await page.context().newCDPSession(page)
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', points: { x: number; y: number }[]) =>
      client.send('Input.dispatchTouchEvent', { type, touchPoints: points })
    const stood = await places(page).nth(1).getAttribute('transform')
    await touch('touchStart', [{ x, y }])
    for (let i = 1; i <= 6; i += 1) await touch('touchMove', [{ x: x + ((x1 - x) * i) / 6, y: y + ((y1 - y) * i) / 6 }])
    await touch('touchEnd', [])
    await expect(places(page).nth(1)).not.toHaveAttribute('transform', stood!)
    await expect(places(page)).toHaveCount(3)
    await page.getByTestId('picture-take').click()
    await expect(dialog(page)).toBeHidden()
    await expect(page.getByTestId('picture-behind')).toHaveCount(1)
  })
})
