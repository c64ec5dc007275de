import { expect, test } from '@jest/globals'
import { DEMO_PROJECT } from '../demo/project.ts'
import { mutateValue } from '../testing/fuzz.ts'
import { stream } from '../testing/heavy.ts'
import { runs } from '../testing/runs.ts'
import { isGoodMember } from './quick-check.ts'
import type { PartKind } from './part-kinds.ts'
import { anyPart, partRecord } from './part.ts'
import { recordSchema } from './record-schema.ts'
import { schemaProblems } from './schema-problems.ts'

test('nearly all parts of the demo are good beyond doubt', () => {
  expect(DEMO_PROJECT.parts.filter((part) => isGoodMember(anyPart, part)).length / DEMO_PROJECT.parts.length).toBeGreaterThan(0.9)
})
test('nothing passes that the schema refuses, and what it takes passes nearly always', () => {
  const next = stream(20261126)
  let [passed, good] = [0, 0]
  for (let i = 0; i < runs(1500, 600); i += 1) {
    const part = DEMO_PROJECT.parts[i % DEMO_PROJECT.parts.length]!
    const changed = JSON.parse(JSON.stringify(mutateValue({ part }, next))) as { part?: { kind?: unknown } }
    const one = changed.part
    const quick = isGoodMember(anyPart, one)
    if (typeof one !== 'object' || one === null || one.kind !== part.kind) {
      if (quick) expect(schemaProblems(recordSchema(partRecord(one!.kind as PartKind)), one)).toEqual([])
      continue
    }
    const slow = schemaProblems(recordSchema(partRecord(part.kind)), one).length === 0
    if (quick) expect(schemaProblems(recordSchema(partRecord(part.kind)), one)).toEqual([])
    if (slow) good += 1
    if (slow && quick) passed += 1
  }
  expect(good).toBeGreaterThan(runs(50, 20))
  expect(passed / good).toBeGreaterThan(0.85)
})
