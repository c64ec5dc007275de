import { expect, test } from '@jest/globals'
import { latestCall } from './latest-call.ts'

test('of overlapping calls only the latest counts, whichever ends first', async () => {
  const begin = latestCall()
  const shown: string[] = []
  const ends: (() => void)[] = []
  const call = async (name: string) => {
    const isLatest = begin()
    await new Promise<void>((resolve) => ends.push(resolve))
    if (isLatest()) shown.push(name)
  }
  const all = [call('first'), call('second')]
  ends[1]!()
  ends[0]!()
  await Promise.all(all)
  expect(shown).toEqual(['second'])
})
test('beginning anew ends what is under way, and two helpers know nothing of each other', () => {
  const [begin, other] = [latestCall(), latestCall()]
  const isLatest = begin()
  other()
  expect(isLatest()).toBe(true)
  begin()
  expect(isLatest()).toBe(false)
})
