import { afterEach, expect, test } from '@jest/globals'
import type { Project } from '#core/records/project.ts'
import { VERDICT_RANK } from '#core/figures/words.ts'
import { clearBench, onTheBench, until, workersAnswer } from '../testing/bench.ts'
import { useFitRows } from './fit-rows.ts'

afterEach(clearBench)

async function groups(setupId: string, change: (project: Project) => void = () => {}) {
  workersAnswer()
  const { run } = await onTheBench(`fit?setup=${setupId}&view=check`, change)
  const { groups: found } = run(useFitRows)
  await until(() => found.value.some((one) => one.rows.length > 0), 'the report')
  return found.value
}

test('every finding stands once, in its group, the worst first', async () => {
  const found = await groups('balanced')
  const keys = found.flatMap((group) => group.rows.map((row) => row.key))
  expect(new Set(keys).size).toBe(keys.length)
  for (const { id, rows } of found) {
    const ranks = rows.map((row) => VERDICT_RANK[row.verdict])
    expect(ranks).toEqual([...ranks].sort((a, b) => b - a))
    for (const row of rows) expect((row.fit ?? row.own)!.axle ?? 'car').toBe(id)
  }
})
test('the group with the worst stands first; what is only to be seen leaves front, rear and car in their order', async () => {
  expect((await groups('as-it-stands')).map((one) => one.id)).toEqual(['front', 'rear', 'car'])
  // the kit's pistons ask more of the master cylinder than it has
  expect((await groups('big-kit')).map((one) => one.id)).toEqual(['car', 'front', 'rear'])
  const rear = await groups('as-it-stands', (project) => (project.setups[0].rear.pad = 'stock-front-pad'))
  expect(rear[0]).toMatchObject({ id: 'rear', label: 'Rear' })
  expect(rear.map((one) => one.id).slice(1)).toEqual(['front', 'car'])
})
