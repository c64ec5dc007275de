import { readFileSync } from 'node:fs'
import { exported, expect, fitsTheWindow, openDemo, seriousFindings, test } from './support.ts'

/** The report goes out as one file, and comes back as the project. */

test('a report is made, saved, and dropped on an empty browser to go on', async ({ page, browser }) => {
  await openDemo(page, 'fit', 'setup=balanced')
  const before = await exported(page)
  await page.getByTestId('open-report').click()
  const dialog = page.getByRole('dialog', { name: 'Technical report' })
  await expect(dialog.getByText('Drop the PDF on the first page')).toBeVisible()
  expect(await seriousFindings(page)).toEqual([])
  await dialog.getByText('Show prices').click()
  await expect(dialog.getByText('your prices too')).toBeVisible()
  await dialog.getByText('Show prices').click()
  const waiting = page.waitForEvent('download')
  await dialog.getByTestId('make-report').click()
  const file = await waiting
  expect(file.suggestedFilename()).toBe('larkrise-club-hatchback-balanced-report.pdf')
  const pdf = readFileSync(await file.path())
  await expect(dialog).toBeHidden()

  const elsewhere = await browser.newContext()
  const other = await elsewhere.newPage()
  await other.goto('/')
  await other.evaluate((bytes) => {
    const data = new DataTransfer()
    data.items.add(new File([Uint8Array.from(atob(bytes), (one) => one.charCodeAt(0))], 'report.pdf', { type: 'application/pdf' }))
    for (const kind of ['dragover', 'drop'])
      document.dispatchEvent(new DragEvent(kind, { dataTransfer: data, bubbles: true, cancelable: true }))
  }, pdf.toString('base64'))
  await expect(other.getByTestId('key-figure-cost')).toBeVisible()
  expect(JSON.parse(await exported(other))).toEqual(JSON.parse(before))
  await elsewhere.close()
})

test('a web page without prices, chosen parts, on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page, 'build', 'setup=balanced&view=order')
  await page.getByTestId('report-of-build').click()
  const dialog = page.getByRole('dialog', { name: 'Technical report' })
  await dialog.locator('[data-field=report-format]').click()
  await page.getByRole('option', { name: 'web page (HTML)' }).click()
  await dialog.getByText('Show prices').click()
  await dialog.getByText('Tests and observations').click()
  await fitsTheWindow(page)
  const waiting = page.waitForEvent('download')
  await dialog.getByTestId('make-report').click()
  const html = readFileSync(await (await waiting).path(), 'utf8')
  expect(html).toContain('Hydraulics and brake balance')
  expect(html).not.toContain('Tests and observations')
  expect(html).not.toMatch(/EUR/)
})

test('a PDF that holds no project is refused in a sentence, and so is a damaged one', async ({ page }) => {
  await page.goto('/')
  const open = (name: string, text: string) =>
    page.setInputFiles('input[type=file]', { name, mimeType: 'application/pdf', buffer: Buffer.from(text, 'latin1') })
  await open(
    'bill.pdf',
    '%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj 2 0 obj<</Type/Pages/Kids[]/Count 0>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF',
  )
  await expect(page.getByRole('dialog')).toContainText('holds no project')
  await page.keyboard.press('Escape')
  await open('torn.pdf', '%PDF-1.4\n1 0 obj<</Type')
  await expect(page.getByRole('dialog')).toContainText(/damaged|holds no project/)
})
