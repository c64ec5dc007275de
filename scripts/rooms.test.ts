import { expect, test } from '@jest/globals'
import { ESLint } from 'eslint'

// the first file brings the whole of the linter in, which takes its time on a busy machine
/** The one-way rule between rooms refuses what it should, from any depth of a room: it goes by where a path leads. */
const eslint = new ESLint({ cwd: new URL('..', import.meta.url).pathname })
const RULES = ['import-x/no-restricted-paths', 'no-restricted-imports', '@typescript-eslint/no-restricted-imports']
const refused = async (file: string, from: string, kind = ''): Promise<boolean> => {
  const text = `import ${kind} { x } from '${from}'\nexport ${kind ? 'type Y = typeof x' : 'const y = x'}\n`
  const [found] = await eslint.lintText(text, { filePath: file })
  return found!.messages.some((one) => one.ruleId !== null && RULES.includes(one.ruleId))
}

test.each<[string, string]>([
  ['core/maths/x.ts', '../quantity/units.ts'],
  ['core/quantity/x.ts', '../records/project.ts'],
  ['core/records/x.ts', '../fit/rule.ts'],
  ['core/records/deeper/x.ts', '../../fit/rule.ts'],
  ['core/figures/x.ts', '../evaluate/report.ts'],
  ['core/vision/x.ts', '../clearance/maths/gap.ts'],
  ['core/hydraulics/x.ts', '../balance/grip.ts'],
  ['core/hydraulics/maths/x.ts', '../../records/project.ts'],
  ['core/hydraulics/maths/x.ts', '../hydraulics-of.ts'],
  ['core/hydraulics/maths/x.ts', '../../balance/maths/adhesion.ts'],
  ['core/fit/x.ts', '../clearance/maths/gap.ts'],
  ['core/fit/rules/deeper/x.ts', '../../../evaluate/evaluate.ts'],
  ['core/commands/x.ts', '../evaluate/evaluate.ts'],
  ['core/balance/x.ts', '../evaluate/evaluate.ts'],
  ['core/clearance/x.ts', '../heat/heat.ts'],
  ['core/stopping/x.ts', '../cost/bill.ts'],
  ['core/heat/maths/x.ts', '../../evidence/maths/student.ts'],
  ['core/evidence/x.ts', '../work-order/work-order.ts'],
  ['core/cost/x.ts', '../evaluate/evaluate.ts'],
  ['core/whatif/x.ts', '../evaluate/evaluate.ts'],
  ['core/work-order/x.ts', '../evaluate/report.ts'],
  ['core/evaluate/x.ts', '../uncertainty/values.ts'],
  ['core/uncertainty/x.ts', '../decide/search.ts'],
  ['core/decide/x.ts', '../guide/path.ts'],
  ['core/guide/x.ts', '../formats/project-file.ts'],
  ['core/formats/x.ts', '../golden/kinds.ts'],
  ['core/demo/x.ts', '../evaluate/evaluate.ts'],
  ['core/fit/x.ts', 'vue'],
  ['core/fit/x.ts', '../../app/workers/figures.ts'],
  ['app/composables/x.ts', '#core/clearance/maths/gap.ts'],
  ['app/components/balance/x.ts', '#core/hydraulics/maths/chain.ts'],
  ['app/composables/x.ts', '../../server/utils/headers.ts'],
  ['server/api/x.ts', '#core/heat/maths/session.ts'],
  ['server/api/x.ts', '../../app/workers/figures.ts'],
])('%s may not import %s', async (file, from) => {
  expect(await refused(file, from)).toBe(true)
})
test.each<[string, string]>([
  ['core/fit/rules/x.ts', '../../records/project.ts'],
  ['core/clearance/x.ts', '../fit/rule.ts'],
  ['core/cost/x.ts', '../figures/entry.ts'],
  ['core/balance/maths/x.ts', '../../hydraulics/maths/chain.ts'],
  ['core/evaluate/x.ts', '../work-order/work-order.ts'],
  ['app/composables/x.ts', '#core/evaluate/evaluate.ts'],
  ['app/composables/x.ts', '#core/heat/heat-report.ts'],
])('%s may import %s', async (file, from) => {
  expect(await refused(file, from)).toBe(false)
})
test('the interface may name a type of any room', async () => {
  expect(await refused('app/composables/x.ts', '#core/clearance/maths/gap.ts', 'type')).toBe(false)
})
