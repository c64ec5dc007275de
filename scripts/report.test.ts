import { afterAll, expect, test } from '@jest/globals'
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DEMO_PROJECT } from '../core/demo/project.ts'

const folder = mkdtempSync(join(tmpdir(), 'report-'))
afterAll(() => rmSync(folder, { recursive: true }))
writeFileSync(join(folder, 'club.json'), JSON.stringify(DEMO_PROJECT))

function report(...rest: string[]) {
  const script = new URL('./report.ts', import.meta.url).pathname
  const { status, stderr } = spawnSync(process.execPath, ['--import', 'tsx', script, ...rest], {
    encoding: 'utf8',
    env: { ...process.env, INIT_CWD: folder, NODE_NO_WARNINGS: '1' },
  })
  return { status, says: stderr }
}

test('a web page of chosen parts without prices', () => {
  expect(report('club.json', '--setup', 'balanced', '--out', 'r.html', '--parts', 'checks', '--no-prices', '--date', '2026-09-20')).toEqual(
    { status: 0, says: '' },
  )
  const page = readFileSync(join(folder, 'r.html'), 'utf8')
  expect(page).toContain('Fit checks')
  expect(page).not.toMatch(/Parts list|EUR/)
})
test.each([
  [['club.json', '--setup', 'nobody', '--out', 'r.pdf'], 'There is no setup nobody. Setups: as-it-stands'],
  [['club.json', '--out', 'r.txt'], '--out must end in .pdf or .html'],
  [['club.json', '--out', 'r.pdf', '--date', 'yesterday'], '--date is a day like 2026-09-20'],
  [['club.json', '--out', 'r.pdf', '--parts', 'weather'], 'There is no part weather'],
])('%j is refused in a sentence', (rest, words) => {
  const { status, says } = report(...rest)
  expect(status).toBe(2)
  expect(says).toContain(words)
})
