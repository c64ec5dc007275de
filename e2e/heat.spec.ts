import { choose, chosen, expect, openDemo, pick, seriousFindings, test, fitsTheWindow } from './support.ts'

test('will it last: the stock brakes on the hill, what the options gain', async ({ page }) => {
  await openDemo(page, 'heat', 'setup=as-it-stands')
  const says = page.getByTestId('heat-says')
  // the club climbs hills: that is asked about first
  await expect(says).toContainText('Pad surface, front: beyond 350')
  await expect(says).toContainText('in run 2')
  await expect(page.getByTestId('heat-findings')).toContainText('may glaze')
  await expect(page.getByTestId('key-figure-heat')).toContainText('1 run')
  await page.getByRole('tab', { name: 'Estate fronts' }).click()
  await expect(says).toContainText('in run 4')
  await expect(page.getByTestId('key-figure-heat')).toContainText('3 runs')
  await expect(page.getByTestId('heat-lines-near').locator('tbody tr').filter({ hasText: 'Pad surface, front' })).toContainText('440')
  // the moment under the hand is read, and drawn
  await page.getByTestId('heat-chart').hover({ position: { x: 300, y: 150 } })
  await expect(page.locator('figcaption')).toContainText(/min: pad surface \d+.°C; rotor \d+.°C/)
  await expect(page.getByTestId('corner-tint')).toContainText(/rotor \d+.°C/)
  await page.getByRole('button', { name: 'Rear', exact: true }).click()
  await expect(page.getByTestId('heat-chart')).toHaveAttribute('aria-label', 'Temperatures rear over time')
  // another driving is chosen for the project: the key figures and the next visit speak of it
  await choose(page.getByTestId('duty'), 'Ten stops')
  await expect(says).toContainText(/in stop \d/)
  await expect(page.getByTestId('key-figure-heat')).toContainText('Ten stops')
  await page.reload()
  await expect(says).toContainText(/in stop \d/)
  // one that is linked to opens without being chosen
  await openDemo(page, 'heat', 'setup=estate-fronts&duty=hill')
  await expect(says).toContainText('in run 4')
  expect(await seriousFindings(page)).toEqual([])
})

test('what would help: fresh fluid and better pads, what each gains; what is taken does what was said', async ({ page }) => {
  await openDemo(page, 'heat', 'setup=as-it-stands&view=help')
  await expect(page.getByTestId('levers-say')).toContainText('The front pad surface passes its limit in run 2')
  const levers = page.getByTestId('levers').locator('tbody tr')
  await expect(levers.filter({ hasText: 'Front fast-road pads' })).toContainText('pad surface, front in run 3')
  await expect(levers.filter({ hasText: 'Front track pads' })).toContainText('nothing, with nominal values')
  // fresh fluid gains nothing where pads go first, and says so
  await page.getByText(/No gain in this session/).click()
  await expect(page.getByTestId('no-levers').locator('tbody tr').filter({ hasText: 'Brake fluid 4, fresh' })).toContainText('nothing')
  await expect(page.getByTestId('pad-curves')).toContainText(/Front track pads.*cold friction \d+% of its best/)
  await page.getByRole('button', { name: 'Apply Front fast-road pads, front' }).click()
  await expect(page.getByTestId('levers-say')).toContainText('in run 3')
  await expect(page.getByTestId('key-figure-heat')).toContainText('2 runs')
  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('levers-say')).toContainText('in run 2')
  // a hose comes on the bill, without a price
  await page.getByRole('button', { name: 'Apply Cooling ducts, front' }).click()
  await expect(page.getByTestId('key-figure-cost')).toContainText('at least')
  expect(await seriousFindings(page)).toEqual([])
})

test('a long look for what would help says how far it is, and can be ended and begun again', async ({ page }) => {
  // the worker goes on when its answers are let through
  await page.addInitScript(() => {
    const post = MessagePort.prototype.postMessage
    const held: (() => void)[] = []
    MessagePort.prototype.postMessage = function (this: MessagePort, ...all: unknown[]) {
      held.push(() => Reflect.apply(post, this, all))
    }
    Object.assign(window, {
      letOneThrough: () => held.shift()?.(),
      letAllThrough: () => {
        MessagePort.prototype.postMessage = post
        for (const send of held.splice(0)) send()
      },
    })
  })
  type Held = { letOneThrough: () => void; letAllThrough: () => void }
  await openDemo(page, 'heat', 'setup=as-it-stands&view=help')
  const bar = page.getByRole('progressbar', { name: 'Each change is being driven' })
  const further = async () => {
    await page.evaluate(() => (window as unknown as Held).letOneThrough())
    return await bar.getAttribute('aria-valuenow')
  }
  await expect.poll(further).toMatch(/^[1-9]\d?$/)
  await page.getByTestId('stop-working').click()
  await expect(page.getByTestId('levers-stopped')).toContainText('Stopped; nothing was changed.')
  await expect(bar).toHaveCount(0)
  await expect(page.getByTestId('levers')).toHaveCount(0)
  await page.evaluate(() => (window as unknown as Held).letAllThrough())
  await page.getByRole('button', { name: 'Compute all changes' }).click()
  await expect(page.getByTestId('levers')).toBeVisible()
  await expect(page.getByTestId('levers-stopped')).toHaveCount(0)
})

test('one temperature narrows the range: by the probe, which warms up first', async ({ page }) => {
  await openDemo(page, 'heat', 'setup=balanced&view=read')
  await expect(page.getByText('To narrow the range of pad surface, front')).toBeVisible()
  await page.getByTestId('hold-probe').click()
  const shown = page.getByTestId('probe-shows')
  // it is right once it moves no more
  let last = -1
  await expect
    .poll(async () => {
      const now = Number((await shown.textContent())!.replace(/[^\d-]/g, ''))
      const still = Math.abs(now - last) < 6 && now > 100
      last = now
      return still
    })
    .toBe(true)
  await page.getByTestId('send-probe').click()
  await expect(page.getByLabel('Temperature', { exact: true })).not.toHaveValue('')
  await page.getByRole('button', { name: 'Enter the value' }).click()
  await expect(page.getByTestId('heat-log')).toContainText(/cooling by speed 1\.\d+ times the nominal value, known to \d+% instead of 25%/)
  await expect(page.getByTestId('narrowed')).toContainText(/with the readings, .* without/)
  // one that cannot be is kept and not used, and a broken one is named
  await choose(page.getByTestId('read-method'), 'paint')
  await page.getByLabel('Temperature', { exact: true }).fill('warm')
  await page.getByRole('button', { name: 'Enter the value' }).click()
  await expect(page.getByRole('alert')).toContainText('Temperature:')
  await page.getByLabel('Temperature', { exact: true }).fill('60')
  await page.getByRole('button', { name: 'Enter the value' }).click()
  await expect(page.getByTestId('heat-log')).toContainText('not used')
  expect(await seriousFindings(page)).toEqual([])
})

test('a descent with a trailer in two gears: what the lower one saves', async ({ page }) => {
  await openDemo(page, 'heat', 'setup=as-it-stands')
  await choose(page.getByTestId('duty'), 'Down a pass with a trailer')
  const says = page.getByTestId('heat-says')
  await expect(says).toContainText(/Pad surface, front: beyond 350.*after \d+ s/)
  await page.getByTestId('copy-duty').click()
  const editor = page.getByTestId('duty-editor')
  await editor.getByLabel('Name of the session').fill('Home with the trailer, third gear')
  await editor.getByLabel('Engine holds').fill('350')
  await page.getByTestId('save-duty').click()
  await expect(chosen(page, 'Session')).toContainText('Home with the trailer')
  await expect(says).toContainText('after')
  const third = Number(/after (\d+) s/.exec((await says.textContent())!)![1])
  await page.getByTestId('change-duty').click()
  await editor.getByLabel('Engine holds').fill('700')
  await editor.getByLabel('Name of the session').fill('Home with the trailer, second gear')
  await page.getByTestId('save-duty').click()
  await expect(chosen(page, 'Session')).toContainText('second gear')
  await expect.poll(async () => Number(/after (\d+) s/.exec((await says.textContent())!)?.[1] ?? 9999)).toBeGreaterThan(third + 20)
  // what cannot be driven is named where it is typed
  await page.getByTestId('change-duty').click()
  await editor.getByLabel('Grade').fill('90')
  await expect(page.getByTestId('duty-problems')).toContainText('Grade: must be between 0.5 and 40')
  await expect(page.getByTestId('save-duty')).toBeDisabled()
  expect(await seriousFindings(page)).toEqual([])
})

test('zones are pasted, or taken from a speed trace; a bad file is named and loses nothing', async ({ page }) => {
  await openDemo(page, 'heat', 'setup=as-it-stands')
  await page.getByTestId('new-duty').click()
  const zones = page.getByTestId('zones').locator('tbody tr')
  await expect(zones).toHaveCount(1)
  await page.getByTestId('zones').evaluate((table) => {
    const data = new DataTransfer()
    data.setData('text', '120\t60\t0,8\t20\n90\t40\t0,6\t15\n')
    table.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }))
  })
  await expect(zones).toHaveCount(2)
  const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  const trace = page.locator('[data-test="trace"] input[type="file"]')
  await trace.setInputFiles(file('notes.csv', 'day,weather\nMonday,rain\n'))
  await expect(page.getByRole('alert')).toContainText('It needs a column "time" and a column "speed"')
  await expect(zones).toHaveCount(2)
  const rows = ['time (s),speed (km/h)']
  for (let i = 0; i <= 600; i += 1) {
    const t = i / 10
    const v =
      t < 5
        ? 140
        : t < 8
          ? 140 - 25 * (t - 5)
          : t < 30
            ? 65 + 2.5 * (t - 8)
            : t < 32
              ? 120 - 30 * (t - 30)
              : Math.min(140, 60 + 3 * (t - 32))
    rows.push(`${t},${v.toFixed(1)}`)
  }
  await trace.setInputFiles(file('lap.csv', rows.join('\n')))
  await expect(page.getByTestId('trace-says')).toContainText('2 braking zones in 1.0 min')
  await expect(zones.first().getByLabel('Zone 1: from')).toHaveValue(/^1(39|40)/)
  await page.getByLabel('Name of the session').fill('Lap of Sunday')
  await page.getByTestId('save-duty').click()
  await expect(page.getByTestId('heat-says')).toContainText(/lap|Nothing reaches/)
  await expect(chosen(page, 'Session')).toContainText('Lap of Sunday')
  await page.keyboard.press('Control+z')
  await expect(chosen(page, 'Session')).not.toContainText('Lap of Sunday')
})

test('what limits a stop: the tyres do, and larger brakes are not said to shorten it; held on the line', async ({ page }) => {
  await openDemo(page, 'heat', 'setup=balanced&view=stop')
  await expect(page.getByTestId('stop-says')).toContainText(/The tyres limit a dry stop: 0\.\d\d.g/)
  await expect(page.getByTestId('stop-worth')).toContainText('larger brakes change heat, feel and repeatability.')
  await page.getByLabel('Torque at that axle').fill('1500')
  await expect(page.getByTestId('staging-says')).toContainText(/It holds: holding needs/)
  await page.getByLabel('Torque at that axle').fill('9000')
  await expect(page.getByTestId('staging-says')).toContainText('It does not hold')
  await page.setViewportSize({ width: 390, height: 844 })
  await expect(page.getByText('Pedal force, 500 N').first()).toBeVisible()
  for (const view of ['stop', 'help', 'read', 'session']) {
    await openDemo(page, 'heat', `setup=balanced&view=${view}`)
    await expect(
      page.locator('[data-test="stop-says"], [data-test="levers-say"], [data-test="heat-log"], [data-test="heat-says"]').first(),
    ).toBeAttached({
      timeout: 15_000,
    })
    await fitsTheWindow(page)
  }
})

test('the session prints on one page', async ({ page }) => {
  await openDemo(page, 'heat', 'setup=balanced')
  await expect(page.getByTestId('heat-says')).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByTestId('copy-duty')).toBeHidden()
  await expect(page.getByTestId('heat-chart')).toBeVisible()
  const pdf = await page.pdf({ format: 'A4' })
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1)
})

test('uses of the car say what follows; a hand lever locks the rear and is no parking brake', async ({ page }) => {
  await openDemo(page, 'car', '')
  await page.getByText('Effects of the use').click()
  await expect(page.getByTestId('uses-said')).toContainText('hill climbs and sprints')
  // one is made, put in and looked at
  await openDemo(page, 'parts', '')
  await choose(page.getByTestId('add-part'), 'hydraulic hand lever')
  const write = async (label: string, value: string) => {
    await page.getByLabel(label, { exact: true }).first().fill(value)
    await page.keyboard.press('Enter')
  }
  await write('Lever ratio', '6')
  await write('Bore', '15.9')
  await write('Port thread', 'M10 x 1')
  await openDemo(page, 'setup', 'setup=balanced')
  await pick(page, 'Hydraulic hand lever', 'hydraulic hand lever')
  await openDemo(page, 'balance', 'setup=balanced&view=pedal')
  const hand = page.getByTestId('hand-lever')
  await expect(hand).toContainText('this handbrake does not hold a parked one')
  await expect(hand.locator('tbody tr').first()).toContainText(/dry, 0\.86.*(locks|keeps turning)/)
  await hand.getByRole('slider').press('Home')
  await expect(hand.locator('tbody tr').first()).toContainText('keeps turning')
  await openDemo(page, 'fit', 'setup=balanced&view=check')
  await expect(page.getByText('Hydraulic hand lever').first()).toBeVisible()
})
