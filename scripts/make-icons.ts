import { chromium } from '@playwright/test'
import { readFileSync, writeFileSync } from 'node:fs'

/** Draws the icons of the installed application from its two drawings, after either was changed: `node scripts/run.mjs make-icons`. */
const ICONS = [
  { from: 'icon.svg', to: 'icons/192.png', px: 192 },
  { from: 'icon.svg', to: 'icons/512.png', px: 512 },
  { from: 'icons/maskable.svg', to: 'icons/maskable-512.png', px: 512 },
  { from: 'icons/maskable.svg', to: 'icons/touch-180.png', px: 180 },
]
const publicFile = (name: string) => new URL(`../public/${name}`, import.meta.url)
const browser = await chromium.launch({ executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium', chromiumSandbox: false })
for (const { from, to, px } of ICONS) {
  const page = await browser.newPage({ viewport: { width: px, height: px } })
  await page.setContent(
    `<style>body{margin:0}svg{display:block;width:${px}px;height:${px}px}</style>${readFileSync(publicFile(from), 'utf8')}`,
  )
  writeFileSync(publicFile(to), await page.screenshot({ omitBackground: true }))
  await page.close()
}
await browser.close()
