import { expect, jest, test } from '@jest/globals'
import { ESLint } from 'eslint'

// the first file brings the whole of the linter in, which takes its time on a busy machine
jest.setTimeout(60_000)

/** The one-way rule between rooms refuses what it should, from any depth of a room. */
const eslint = new ESLint({ cwd: new URL('..', import.meta.url).pathname })
const refused = async (file: string, from: string): Promise<boolean> => {
  const [found] = await eslint.lintText(`import { x } from '${from}'\nexport const y = x\n`, { filePath: file })
  return found!.messages.some((one) => one.ruleId === 'no-restricted-imports')
}

test.each<[string, string]>([
  ['core/quantity/x.ts', '../model/project.ts'],
  ['core/model/x.ts', '../fit/rule.ts'],
  ['core/clearance/x.ts', '../fit/rule.ts'],
  ['core/fit/x.ts', '../clearance/gap.ts'],
  ['core/fit/rules/x.ts', '../../clearance/gap.ts'],
  ['core/fit/rules/deeper/x.ts', '../../../report/evaluate.ts'],
  ['core/hydraulics/x.ts', '../balance/adhesion.ts'],
  ['core/balance/x.ts', '../report/evaluate.ts'],
  ['core/cost/x.ts', '../report/bill.ts'],
  ['core/heat/x.ts', '../hydraulics/chain.ts'],
  ['core/evidence/x.ts', '../clearance/gap.ts'],
  ['core/report/x.ts', '../formats/project-file.ts'],
  ['core/report/deeper/x.ts', '../../golden/kinds.ts'],
  ['core/formats/x.ts', '../hydraulics/chain.ts'],
  ['core/demo/x.ts', '../report/evaluate.ts'],
  ['core/fit/x.ts', 'vue'],
])('%s may not import %s', async (file, from) => {
  expect(await refused(file, from)).toBe(true)
})
test.each<[string, string]>([
  ['core/fit/rules/x.ts', '../../model/project.ts'],
  ['core/report/x.ts', '../fit/rule.ts'],
  ['core/balance/x.ts', '../hydraulics/chain.ts'],
])('%s may import %s', async (file, from) => {
  expect(await refused(file, from)).toBe(false)
})
