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
  ['core/quantity/x.ts', '../model/project.ts'],
  ['core/model/x.ts', '../fit/rule.ts'],
  ['core/model/deeper/x.ts', '../../fit/rule.ts'],
  ['core/clearance/x.ts', '../fit/rule.ts'],
  ['core/picture/x.ts', '../clearance/gap.ts'],
  ['core/picture/x.ts', '../model/field.ts'],
  ['core/clearance/x.ts', '../picture/marks.ts'],
  ['core/fit/x.ts', '../clearance/gap.ts'],
  ['core/fit/rules/x.ts', '../../clearance/gap.ts'],
  ['core/fit/rules/deeper/x.ts', '../../../report/evaluate.ts'],
  ['core/hydraulics/x.ts', '../balance/adhesion.ts'],
  ['core/balance/x.ts', '../report/evaluate.ts'],
  ['core/cost/x.ts', '../report/cost/bill.ts'],
  ['core/heat/x.ts', '../balance/limits.ts'],
  ['core/stopping/x.ts', '../cost/total.ts'],
  ['core/evidence/x.ts', '../clearance/gap.ts'],
  ['core/edit/x.ts', '../report/evaluate.ts'],
  ['core/report/x.ts', '../formats/project-file.ts'],
  ['core/report/corner/deeper/x.ts', '../../../golden/kinds.ts'],
  ['core/formats/x.ts', '../hydraulics/chain.ts'],
  ['core/demo/x.ts', '../report/evaluate.ts'],
  ['core/typical/x.ts', '../report/evaluate.ts'],
  ['core/report/doubt/x.ts', '../offer/outcome.ts'],
  ['core/report/path/x.ts', '../corner/corner.ts'],
  ['core/report/figure/x.ts', '../brake/brake.ts'],
  ['core/report/brake/x.ts', '../pedal/pedal-travel.ts'],
  ['core/report/pedal/x.ts', '../balance/grip.ts'],
  ['core/report/balance/x.ts', '../corner/corner.ts'],
  ['core/report/heat/x.ts', '../cost/bill.ts'],
  ['core/report/fit/x.ts', '../corner/corner.ts'],
  ['core/report/corner/x.ts', '../offer/candidates.ts'],
  ['core/report/cost/x.ts', '../evaluate.ts'],
  ['core/report/evidence/x.ts', '../balance/grip.ts'],
  ['core/report/offer/x.ts', '../ledger.ts'],
  ['core/report/build/x.ts', '../heat/heat-report.ts'],
  ['core/report/prove/x.ts', '../offer/outcome.ts'],
  ['core/fit/x.ts', 'vue'],
  ['core/fit/x.ts', '../../app/workers/figures.ts'],
  ['app/composables/x.ts', '#core/clearance/gap.ts'],
  ['app/components/balance/x.ts', '#core/hydraulics/chain.ts'],
  ['app/composables/x.ts', '../../server/utils/headers.ts'],
  ['server/api/x.ts', '#core/fit/rule.ts'],
  ['server/api/x.ts', '../../app/workers/figures.ts'],
])('%s may not import %s', async (file, from) => {
  expect(await refused(file, from)).toBe(true)
})
test.each<[string, string]>([
  ['core/fit/rules/x.ts', '../../model/project.ts'],
  ['core/report/corner/x.ts', '../../fit/rule.ts'],
  ['core/report/cost/x.ts', '../figures.ts'],
  ['core/balance/x.ts', '../hydraulics/chain.ts'],
  ['app/composables/x.ts', '#core/report/evaluate.ts'],
])('%s may import %s', async (file, from) => {
  expect(await refused(file, from)).toBe(false)
})
test('the interface may name a type of any room', async () => {
  expect(await refused('app/composables/x.ts', '#core/clearance/gap.ts', 'type')).toBe(false)
})
