import type { Page } from '@playwright/test'
import { DEMO, expect, openDemo, pick, seriousFindings, test, tick, fitsTheWindow, unfold } from './support.ts'

const box = (page: Page, step: string) => page.locator(`[data-step="${step}"]`).getByRole('checkbox')
const ids = (page: Page) => page.locator('[data-step]').evaluateAll((all) => all.map((one) => (one as HTMLElement).dataset.step!))

test('the balanced setup on a phone to the first drive: a torque is typed, a leak is found and noted', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page, 'build', 'setup=balanced&view=order')
  await expect(page.getByTestId('build-says')).toContainText('10 of 32 done. Next: 11. Front: fit the calipers dry')
  await expect(page.getByTestId('torques-open')).toContainText('7 tightening torques are not entered')
  await fitsTheWindow(page)
  // targets are large enough for a thumb
  const size = await page.locator('[data-step="front.caliper"] .el-checkbox').boundingBox()
  expect(Math.min(size!.width, size!.height)).toBeGreaterThanOrEqual(32)

  const torque = page.locator('[data-step="front.caliper"] [data-torque="front.caliper"]')
  await torque.getByLabel('Calipers, front, torque').fill('85')
  await torque.getByLabel('Calipers, front, torque').press('Enter')
  await expect(page.getByTestId('torques-open')).toContainText('6 tightening torques')
  await expect(torque).toContainText('Enter its source.')
  await torque.getByLabel('Calipers, front: read from').fill('Kit sheet, page 2')
  await torque.getByLabel('Calipers, front: read from').press('Enter')
  await expect(torque).not.toContainText('Enter its source.')

  const all = await ids(page)
  expect(all.indexOf('front.trial')).toBeLessThan(all.indexOf('drain'))
  // a phase that is done folds, and the next one opens
  for (const step of all.slice(10, all.indexOf('leak'))) await tick(box(page, step))
  await expect(page.getByTestId('build-says')).toContainText(
    `${all.indexOf('leak')} of 32 done. Next: ${all.indexOf('leak') + 1}. Hold the pedal hard`,
  )
  const leak = page.locator('[data-step="leak"]')
  await expect(leak).toContainText('Do not drive if the pedal sinks or a joint is wet')
  await leak.getByRole('button', { name: 'Note', exact: true }).click()
  await leak.getByRole('textbox').fill('Front left banjo wept; new washers, dry now')
  await leak.getByRole('textbox').blur()
  await tick(box(page, 'leak'))
  // everything survives a reload
  await expect(page.getByText('Saved here')).toBeAttached()
  await page.reload()
  await expect(page.getByTestId('build-says')).toContainText(`${all.indexOf('leak') + 1} of 32 done`)
  await expect(page.locator('[data-step="leak"]')).toContainText('Front left banjo wept')
  for (const step of all.slice(all.indexOf('leak') + 1)) await tick(box(page, step))
  await expect(page.getByTestId('build-says')).toContainText('All 32 steps are done.')
  await page.goto(`${DEMO}/prove?setup=balanced&view=log`)
  await expect(page.getByTestId('timeline')).toContainText('Front left banjo wept')
  await fitsTheWindow(page)
})

test('before ordering: what is open with its stake, what to buy, what comes along; a blocked setup has no order', async ({ page }) => {
  await openDemo(page, 'build', 'setup=estate-fronts&view=before')
  await expect(page.getByTestId('before-says')).toContainText('Do not order yet: clearance of wheel and caliper, front, needs a fix (EUR')
  await expect(page.getByTestId('find-out-first')).toContainText(/Clearance of wheel and caliper, front.*at risk/)
  await expect(page.getByTestId('seller')).toContainText('Estate front rotor 284 x 24')
  await expect(page.getByTestId('along')).toContainText('caliper brackets and their bolts')
  expect(await seriousFindings(page)).toEqual([])
  // a caliper that meets the rim
  await page.goto(`${DEMO}/setup?setup=big-kit`)
  await expect(page.getByTestId('key-figure-cost')).toBeVisible()
  await pick(page, 'Rotor, front', 'Tarn saloon rotor 284 x 24, five holes')
  await page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: /Build/ }).click()
  await page.getByRole('link', { name: 'Work order', exact: true }).click()
  await expect(page.getByTestId('build-says')).toContainText('No work order: this setup must not be built.')
  await expect(page.getByTestId('blocked-by')).toContainText(/five|5/i)
  await expect(page.locator('[data-step]')).toHaveCount(0)
})

test('in stages: ticked apart, dated, a calendar file, a stage as a setup; printed with boxes', async ({ page }) => {
  await openDemo(page, 'build', 'setup=balanced&view=stages')
  await expect(page.getByTestId('stages-say')).toContainText('in 3 stages')
  await expect(page.getByTestId('together')).toContainText('Pads cannot go alone: Pad shape, front.')
  await tick(page.getByRole('checkbox', { name: 'Work and tick it stage by stage' }))
  await page.getByLabel('Date of stage 1').fill('2026-12-05')
  await page.getByLabel('Date of stage 1').press('Enter')
  const waiting = page.waitForEvent('download')
  await page.getByTestId('calendar').click()
  const file = await waiting
  expect(file.suggestedFilename()).toMatch(/\.ics$/)
  const text = Buffer.concat((await (await file.createReadStream()).toArray()) as Buffer[]).toString()
  expect(text).toMatch(/BEGIN:VCALENDAR[\s\S]*DTSTART;VALUE=DATE:20261205/)
  await page.getByTestId('stage-1').getByRole('button', { name: 'Open as a setup' }).click()
  await expect(page.getByRole('tab', { name: /rear to match: fluid and hoses/ })).toBeVisible()
  await page.goto(`${DEMO}/build?setup=balanced&view=order`)
  await expect(page.locator('[data-stage="s1."]')).toContainText('1. Fluid and hoses, 2026-12-05')
  await tick(page.locator('[data-stage="s1."] [data-step="read"]').getByRole('checkbox'))
  await unfold(page.locator('[data-stage="s2."]'), /^On the bench/)
  await expect(page.locator('[data-stage="s2."] [data-step="read"]').getByRole('checkbox')).not.toBeChecked()
  await page.emulateMedia({ media: 'print' })
  await expect(page.locator('[data-stage="s1."] [data-torque="front.banjo"]').first()).toContainText('______ N m, read from')
  await expect(page.getByText('Leave screen on')).toBeHidden()
})

test('a picture of a step is kept small in the project; what is no picture is refused in words', async ({ page }) => {
  await openDemo(page, 'build', 'setup=estate-fronts&view=order')
  await unfold(page, /^Front axle/)
  const step = page.locator('[data-step="front.wheelOff"]')
  await step.getByRole('button', { name: 'Front: remove the wheels' }).click()
  const input = step.locator('input[type=file]')
  const png = await page.screenshot()
  await input.setInputFiles({ name: 'brake.png', mimeType: 'image/png', buffer: png })
  await expect(step.locator('img')).toHaveAttribute('src', /^data:image\/jpeg;base64,/)
  const signs = (await step.locator('img').getAttribute('src'))!.length
  expect(signs).toBeLessThan(160_000)
  for (const [name, mimeType, buffer, words] of [
    ['nothing.jpg', 'image/jpeg', Buffer.alloc(0), /nothing\.jpg: cannot be read as a picture/],
    ['cut.png', 'image/png', png.subarray(0, 60), /cut\.png: cannot be read as a picture/],
    [
      'script.svg',
      'image/svg+xml',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'),
      /a drawing, not a photograph/,
    ],
  ] as const) {
    await input.setInputFiles({ name, mimeType, buffer })
    await expect(step.locator('.field-error')).toContainText(words)
  }
  await expect(step.locator('img')).toBeVisible()
  await step.getByRole('button', { name: 'Delete picture' }).click()
  await expect(step.locator('img')).toHaveCount(0)
})

test('bedding in counts the stops and the time to cool', async ({ page }) => {
  await openDemo(page, 'build', 'setup=estate-fronts&view=order')
  await unfold(page, /^Before and during the first drive/)
  await page.getByRole('button', { name: 'Bed in the pads' }).click()
  await page.getByTestId('bedding-begin').click()
  await expect(page.getByTestId('bedding-now')).toContainText('Stop 1 of 8: 50 to 10 km/h, light')
  await page.getByTestId('bedding-done').click()
  await expect(page.getByTestId('bedding-now')).toContainText(/Cool, without stopping: (30|29|28) s/)
  await expect(page.getByTestId('bedding-done')).toBeDisabled()
})
