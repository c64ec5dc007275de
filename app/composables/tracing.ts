import { computed, ref, shallowRef } from 'vue'
import type { Followed } from '#core/vision/follow.ts'
import type { Px } from '#core/vision/grey.ts'
import type { Stretch } from '#core/vision/outline.ts'
import { latestCall } from './latest-call.ts'

/** A place that was pointed at, and the way to it from the one before. */
interface Anchor<Tag extends string> {
  px: Px
  snapped: boolean
  /** How well it was pointed at, px of the picture. */
  pointedPx: number
  /** What the stretch that ends here is part of. */
  tag: Tag
  /** Places on the line between, where it was followed. */
  way: readonly Px[]
}
type Anchors<Tag extends string> = readonly Anchor<Tag>[]

interface TracingOptions<Tag extends string> {
  /** The strongest line or edge near a place; undefined where there is none, or none is wanted. */
  snap(px: Px): Promise<Px | undefined>
  /** The line from one place to another; undefined where it is not to be followed. */
  follow(from: Px, to: Px): Promise<Followed> | undefined
  tag(): Tag
  /** How many pixels of the picture are one on the screen: nobody points better than that. */
  pointedPx(): number
}

const same = (a: Px, b: Px) => a[0] === b[0] && a[1] === b[1]

/** A line that is traced place by place: with a way back and forth again through all that was done. */
export function useTracing<Tag extends string>(options: TracingOptions<Tag>) {
  const history = shallowRef<Anchors<Tag>[]>([[]])
  const at = ref(0)
  const message = ref('')
  /** The place in hand. */
  const current = ref<number>()
  /** A place while a hand drags it. */
  const held = shallowRef<{ index: number; px: Px }>()
  const anchors = computed(() => history.value[at.value]!)
  const shown = computed(() => {
    const hand = held.value
    return hand
      ? anchors.value.map((one, i): Anchor<Tag> =>
          i === hand.index ? { ...one, px: hand.px, way: [] } : i === hand.index + 1 ? { ...one, way: [] } : one,
        )
      : anchors.value
  })

  function put(next: Anchors<Tag>): void {
    history.value = [...history.value.slice(0, at.value + 1), next]
    at.value += 1
  }
  /** What was done while the worker looked is not undone by what it found: only the newest answer is taken. */
  const begin = latestCall()
  async function change(make: (from: Anchors<Tag>) => Promise<Anchors<Tag>>): Promise<void> {
    const isLatest = begin()
    message.value = ''
    const next = await make(anchors.value)
    if (isLatest()) put(next)
    held.value = undefined
  }

  async function way(from: Px | undefined, to: Px): Promise<readonly Px[]> {
    const found = from && !same(from, to) && (await options.follow(from, to))
    if (!found) return []
    if (found.ok) return found.points
    message.value = found.message
    return []
  }
  async function anchorAt(px: Px, tag: Tag): Promise<Anchor<Tag>> {
    const near = await options.snap(px)
    return { px: near ?? px, snapped: near !== undefined, pointedPx: options.pointedPx(), tag, way: [] }
  }
  /** The anchors with the ways to some of them looked for anew. */
  async function withWays(list: Anchors<Tag>, indices: readonly number[]): Promise<Anchors<Tag>> {
    const next = [...list]
    for (const i of indices) if (next[i]) next[i] = { ...next[i], way: await way(next[i - 1]?.px, next[i].px) }
    return next
  }

  // one after the other: a place that is pointed at while the last one is looked for comes after it
  let waiting: Promise<unknown> = Promise.resolve()
  const queued = (work: () => Promise<void>): Promise<void> => {
    const next = waiting.then(work)
    waiting = next.catch(() => undefined)
    return next
  }

  const add = (px: Px): Promise<void> =>
    queued(() =>
      change(async (from) => {
        const one = await anchorAt(px, options.tag())
        const next = await withWays([...from, one], [from.length])
        current.value = from.length
        return next
      }),
    )
  const move = (index: number, px: Px): Promise<void> => {
    held.value = { index, px }
    return queued(() =>
      change(async (from) => {
        const before = from[index]
        if (!before) return from
        const one = await anchorAt(px, before.tag)
        return withWays(
          from.map((other, i) => (i === index ? one : other)),
          [index, index + 1],
        )
      }),
    )
  }
  /** By so much exactly, whatever lies near: what arrow keys are for. */
  const nudge = (index: number, dx: number, dy: number): Promise<void> =>
    queued(() =>
      change(async (from) => {
        const before = from[index]
        if (!before) return from
        const px: Px = [before.px[0] + dx, before.px[1] + dy]
        return withWays(
          from.map((other, i) => (i === index ? { ...other, px, snapped: false, pointedPx: options.pointedPx() } : other)),
          [index, index + 1],
        )
      }),
    )
  /** A place between a place and the one before it. */
  const insertBefore = (index: number): Promise<void> =>
    queued(() =>
      change(async (from) => {
        const [a, b] = [from[index - 1], from[index]]
        if (!a || !b) return from
        const middle = b.way[b.way.length >> 1] ?? ([(a.px[0] + b.px[0]) / 2, (a.px[1] + b.px[1]) / 2] as const)
        const one = await anchorAt(middle, b.tag)
        const next = await withWays([...from.slice(0, index), one, ...from.slice(index)], [index, index + 1])
        current.value = index
        return next
      }),
    )
  const remove = (index: number): Promise<void> =>
    queued(() =>
      change(async (from) => {
        if (!from[index]) return from
        const next = await withWays(
          from.filter((_, i) => i !== index),
          [index],
        )
        current.value = next.length === 0 ? undefined : Math.min(index, next.length - 1)
        return index === 0 && next[0] ? [{ ...next[0], way: [] }, ...next.slice(1)] : next
      }),
    )
  function tagStretch(index: number, tag: Tag): void {
    if (anchors.value[index]) put(anchors.value.map((one, i) => (i === index ? { ...one, tag } : one)))
  }
  function clear(): void {
    begin()
    if (anchors.value.length > 0) put([])
    current.value = undefined
  }
  function go(to: number): void {
    begin()
    at.value = Math.min(Math.max(to, 0), history.value.length - 1)
    current.value = anchors.value.length === 0 ? undefined : Math.min(current.value ?? anchors.value.length - 1, anchors.value.length - 1)
    message.value = ''
  }
  function forget(): void {
    begin()
    history.value = [[]]
    at.value = 0
    current.value = undefined
    message.value = ''
  }

  /** The line as the outline is made of: from place to place. */
  const stretches = computed((): Stretch<Tag>[] =>
    anchors.value.slice(1).map((one, i) => {
      const from = anchors.value[i]!
      return {
        tag: one.tag,
        points: [
          { px: from.px, snapped: from.snapped, pointedPx: from.pointedPx },
          ...one.way.map((px) => ({ px, snapped: true })),
          { px: one.px, snapped: one.snapped, pointedPx: one.pointedPx },
        ],
      }
    }),
  )

  return {
    anchors,
    shown,
    current,
    held,
    message,
    stretches,
    add,
    move,
    nudge,
    insertBefore,
    remove,
    tagStretch,
    clear,
    forget,
    canUndo: computed(() => at.value > 0),
    canRedo: computed(() => at.value + 1 < history.value.length),
    undo: () => go(at.value - 1),
    redo: () => go(at.value + 1),
    settled: () => waiting,
  }
}
