import { afterAll, expect, test } from '@jest/globals'
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DEMO_PROJECT } from '../core/demo/project.ts'
import { bundled } from './bundled.ts'

const folder = mkdtempSync(join(tmpdir(), 'search-'))
afterAll(() => rmSync(folder, { recursive: true }))
const good = join(folder, 'good.json')
writeFileSync(good, JSON.stringify(DEMO_PROJECT))
writeFileSync(join(folder, 'bad.json'), '{"format":"valiant-caliper/project","version":7}')

const plain = { search: bundled('search'), catalogue: bundled('catalogue') }
function run(script: keyof typeof plain, ...rest: string[]) {
  const done = spawnSync(process.execPath, [plain[script], ...rest], {
    encoding: 'utf8',
    maxBuffer: 1 << 26,
    timeout: 60_000,
    env: { ...process.env, INIT_CWD: folder },
  })
  return {
    status: done.status,
    out: done.stdout,
    says: done.stderr
      .split('\n')
      .filter((line) => !line.includes('Warning'))
      .join(' ')
      .trim(),
  }
}

test('a search from the shell: the result on stdout, what must hold kept', () => {
  const { status, out } = run('search', good, '--must', 'budget=500', '--by', 'heat,cost')
  expect(status).toBe(0)
  const { finds, counts } = JSON.parse(out) as { finds: { values: { cost: number; heat: number } }[]; counts: { combinations: number } }
  expect(counts.combinations).toBeGreaterThan(1e9)
  expect(finds.length).toBeGreaterThan(1)
  for (const { values } of finds) expect(values.cost).toBeLessThanOrEqual(50_000)
  const heats = finds.map((one) => one.values.heat)
  expect(heats).toEqual([...heats].sort((a, b) => a - b))
})
test.each<[string[], RegExp]>([
  [[], /^Which file\?/],
  [['bad.json'], /bad\.json cannot be used:/],
  [['nothing.json'], /^Cannot read .*ENOENT/],
  [[good, '--must', 'beauty'], /^--must does not know beauty/],
  [[good, '--by', 'beauty'], /What is asked cannot be used: - ask\.by\[0\] must be among/],
  [[good, '--vary', 'doors'], /^--vary knows front, rear, wheel, hydraulics, booster; not doors/],
  [[good, '--from', 'nowhere'], /names the setup nowhere/],
  [[good, '--loud'], /^--loud is no option/],
])('%j: exit 2 and a sentence', (rest, words) => {
  const { status, says } = run('search', ...rest)
  expect([status, says]).toEqual([2, expect.stringMatching(words)])
})
test('a catalogue of any size is a project file', () => {
  const { status, out } = run('catalogue', '150', '7')
  expect(status).toBe(0)
  expect((JSON.parse(out) as { parts: unknown[] }).parts.length).toBeGreaterThan(150)
  expect(run('catalogue', 'many').status).toBe(2)
})
