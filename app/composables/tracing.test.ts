import { expect, test } from '@jest/globals'
import type { Px } from '#core/vision/grey.ts'
import { useTracing } from './tracing.ts'

type Tag = 'barrel' | 'face'

/** A tracer over a picture whose only line is y = 100. */
function tracer({ snap = true, line = true, tag = 'barrel' as Tag } = {}) {
  const state = { snap, line, tag }
  const asked: string[] = []
  const made = useTracing<Tag>({
    snap: ([x, y]) => Promise.resolve(state.snap && Math.abs(y - 100) < 10 ? ([x, 100] as const) : undefined),
    follow(from, to) {
      if (!state.line) return undefined
      asked.push(`${from[0]}-${to[0]}`)
      if (Math.abs(to[1] - 100) > 10) return Promise.resolve({ ok: false, message: 'There is no clear line between the two.' })
      return Promise.resolve({ ok: true, points: [[(from[0] + to[0]) / 2, 100]] as Px[] })
    },
    tag: () => state.tag,
    pointedPx: () => 3,
  })
  const at = () => made.anchors.value.map((one) => one.px.join())
  return { ...made, state, asked, at }
}

test('places are drawn to the line, and the line is followed from each to the next', async () => {
  const { add, at, stretches } = tracer()
  await add([10, 104])
  await add([50, 97])
  await add([90, 300])
  expect(at()).toEqual(['10,100', '50,100', '90,300'])
  expect(stretches.value).toHaveLength(2)
  expect(stretches.value[0]!.points).toEqual([
    { px: [10, 100], snapped: true, pointedPx: 3 },
    { px: [30, 100], snapped: true },
    { px: [50, 100], snapped: true, pointedPx: 3 },
  ])
  // off the line a place stands where it was put
  expect(stretches.value[1]!.points).toEqual([
    { px: [50, 100], snapped: true, pointedPx: 3 },
    { px: [90, 300], snapped: false, pointedPx: 3 },
  ])
})
test('says why a stretch could not be followed, and draws it straight', async () => {
  const { add, message, stretches } = tracer()
  await add([10, 100])
  await add([50, 400])
  expect(message.value).toContain('no clear line')
  expect(stretches.value[0]!.points).toHaveLength(2)
  await add([60, 100])
  expect(message.value).toBe('')
})
test('every change can be undone and done again, each by itself', async () => {
  const { add, move, insertBefore, remove, nudge, at, undo, redo, canUndo, canRedo, clear } = tracer()
  expect([canUndo.value, canRedo.value]).toEqual([false, false])
  const states = [at()]
  const does = [
    () => add([10, 100]),
    () => add([50, 100]),
    () => move(1, [70, 103]),
    () => insertBefore(1),
    () => nudge(0, 0.5, 0),
    () => remove(2),
    () => Promise.resolve(clear()),
  ]
  for (const one of does) {
    await one()
    states.push(at())
  }
  expect(states).toEqual([
    [],
    ['10,100'],
    ['10,100', '50,100'],
    ['10,100', '70,100'],
    ['10,100', '40,100', '70,100'],
    ['10.5,100', '40,100', '70,100'],
    ['10.5,100', '40,100'],
    [],
  ])
  for (const before of states.slice(0, -1).reverse()) {
    undo()
    expect(at()).toEqual(before)
  }
  for (const after of states.slice(1)) {
    redo()
    expect(at()).toEqual(after)
  }
  expect([canUndo.value, canRedo.value]).toEqual([true, false])
})
test('a place that is moved has the ways on both sides looked for anew, and no other', async () => {
  const { add, move, asked } = tracer()
  for (const x of [10, 20, 30, 40]) await add([x, 100])
  asked.length = 0
  await move(2, [33, 100])
  expect(asked).toEqual(['20-33', '33-40'])
})
test('places pointed at in haste come one after the other', async () => {
  const { add, at } = tracer()
  await Promise.all([add([10, 100]), add([20, 100]), add([30, 100])])
  expect(at()).toEqual(['10,100', '20,100', '30,100'])
})
test('what is undone while the line is looked for does not come back', async () => {
  const { add, at, undo, settled } = tracer()
  await add([10, 100])
  await add([20, 100])
  void add([30, 100])
  await Promise.resolve()
  undo()
  await settled()
  expect(at()).toEqual(['10,100'])
})
test('by arrow keys a place stands exactly where it is put, and counts as put by hand', async () => {
  const { add, nudge, anchors } = tracer()
  await add([10, 100])
  await nudge(0, 0, 3)
  expect(anchors.value[0]).toMatchObject({ px: [10, 103], snapped: false })
})
test('drawing to the line and following can be switched off', async () => {
  const { add, state, asked, at } = tracer({ snap: false, line: false })
  await add([10, 104])
  await add([50, 96])
  expect([at(), asked]).toEqual([['10,104', '50,96'], []])
  state.snap = state.line = true
  await add([90, 96])
  expect([at()[2], asked]).toEqual(['90,100', ['50-90']])
})
test('a stretch has the tag that was chosen, until another is', async () => {
  const { add, state, stretches, tagStretch, undo } = tracer()
  await add([10, 100])
  await add([20, 100])
  state.tag = 'face'
  await add([30, 100])
  expect(stretches.value.map((one) => one.tag)).toEqual(['barrel', 'face'])
  tagStretch(1, 'face')
  expect(stretches.value.map((one) => one.tag)).toEqual(['face', 'face'])
  undo()
  expect(stretches.value.map((one) => one.tag)).toEqual(['barrel', 'face'])
})
test('without its first place the line begins at the next, with no way to it', async () => {
  const { add, remove, anchors } = tracer()
  await add([10, 100])
  await add([20, 100])
  await remove(0)
  expect(anchors.value).toEqual([{ px: [20, 100], snapped: true, pointedPx: 3, tag: 'barrel', way: [] }])
})
