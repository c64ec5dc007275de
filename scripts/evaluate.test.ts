import { afterAll, expect, test } from '@jest/globals'
import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DEMO_PROJECT } from '../core/demo/project.ts'
import { bundled } from './bundled.ts'

const folder = mkdtempSync(join(tmpdir(), 'evaluate-'))
afterAll(() => rmSync(folder, { recursive: true }))
const good = join(folder, 'good.json')
writeFileSync(good, JSON.stringify(DEMO_PROJECT))
writeFileSync(join(folder, '-bad.json'), JSON.stringify({ ...DEMO_PROJECT, parts: [{ id: 'x', kind: 'pad', name: { toString: 1 } }] }))

const plain = bundled('evaluate')
/** Through a shell, as it is called. */
function evaluate(rest: string) {
  const command = `"${process.execPath}" "${plain}" ${rest}`
  const done = spawnSync('bash', ['-c', command], {
    encoding: 'utf8',
    maxBuffer: 1 << 26,
    timeout: 60_000,
    env: { ...process.env, INIT_CWD: folder },
  })
  return {
    status: done.status,
    out: done.stdout,
    says: done.stderr
      .trim()
      .split('\n')
      .filter((line) => !line.includes('Warning')),
  }
}

test('a good file: the report on stdout, and nothing else', () => {
  const { status, out, says } = evaluate(good)
  expect([status, says.join('')]).toEqual([0, ''])
  expect(JSON.parse(out)).toMatchObject({
    project: { id: DEMO_PROJECT.id },
    setups: DEMO_PROJECT.setups.map((one) => ({
      setupId: one.id,
      figures: { 'front.effectiveRadius': { filled: expect.stringMatching(/^\([\d.]+ \+ [\d.]+\) \/ 2$/) } },
    })),
  })
})
test.each<[string, string, RegExp]>([
  ['no file is named', '', /^Which file\?/],
  ['the file is not there', join(folder, 'nothing.json'), /^Cannot read .*nothing\.json: ENOENT/],
  ['it is a folder', folder, /^Cannot read .*EISDIR/],
  ['it is no project, and its name begins with a hyphen', '-bad.json', /-bad\.json cannot be used: - Parts/],
  ['it has no end', '/dev/zero', /cannot be used:.*larger than 64 MB/],
  ['the disk is full', `${good} > /dev/full`, /^The report could not be written to the end: ENOSPC/],
  [
    'whoever reads goes away',
    `${good} | head -c 10 > /dev/null; exit \${PIPESTATUS[0]}`,
    /^The report could not be written to the end: EPIPE/,
  ],
])('%s: exit 2 and a sentence', (_, rest, words) => {
  if (rest.includes('/dev/full') && !existsSync('/dev/full')) return
  const { status, says } = evaluate(rest)
  expect([status, says.join(' ')]).toEqual([2, expect.stringMatching(words)])
})
