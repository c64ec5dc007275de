import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { WHEEL_TAGS, type WheelTag } from '#core/records/field.ts'
import type { Px } from '#core/vision/grey.ts'
import type { FourMarks } from '#core/vision/marks.ts'
import type { TracedOutline } from '#core/vision/outline.ts'
import type { Datum } from '#core/vision/placing.ts'
import { barsDisagree, type Printed } from '#core/vision/printed.ts'
import { BAR_MM } from '#core/vision/sheet.ts'
import { ofDrawing, printedBar, USUAL_HEIGHT } from '#core/vision/sentences.ts'
import type { Traced } from '#core/vision/snap.ts'
import type { DrawnScene } from '#core/vision/simulated-camera.ts'
import type { PictureRequest, AskedScale, OpenPicture, Outlined, ReadMarks } from '../workers/picture.worker.ts'
import { usePicture } from './picture.ts'
import { useTracing } from './tracing.ts'
import { latestCall } from './latest-call.ts'

/** What is in the picture. */
export const LIES = {
  sheet: 'Drawn on the sheet itself',
  card: 'A card on the sheet',
  gauge: 'A profile gauge on the sheet',
  drawing: 'A drawing or scan, no sheet',
} as const
export type Lies = keyof typeof LIES

/** From a picture to an outline: what millimetres are told by, where axis and seat are, and the line as it is traced. */
export function usePictureSession(profile: () => boolean) {
  const picture = usePicture()
  const stage = ref<'scale' | 'trace'>('scale')
  const message = ref('')
  const state = reactive({
    lies: 'card' as Lies,
    thickMm: USUAL_HEIGHT.card.value as number,
    // asked before the line is traced: an unknown printer may be off by some millimetres in 100
    barWith: '' as '' | 'digitalCaliper' | 'steelRule' | 'not',
    acrossMm: undefined as number | undefined,
    alongMm: undefined as number | undefined,
    datumBy: 'sheet' as 'sheet' | 'clicks',
    mirrored: false,
    scaleBy: 'two' as 'two' | 'corners',
    apartMm: undefined as number | undefined,
    wideMm: undefined as number | undefined,
    highMm: undefined as number | undefined,
    what: 'line' as Traced,
    lineMm: 0.5,
    snapOn: true,
    followOn: true,
    tag: WHEEL_TAGS[0] as WheelTag,
  })
  /** So many pixels of the picture are one on the screen: how far a finger may miss a line by. */
  const pxOnScreen = ref(1)
  const current = ref<string>()
  const marks = shallowRef<FourMarks>()
  const found = shallowRef<ReadMarks>()
  const scalePx = shallowRef<Px[]>([])
  const axisPx = shallowRef<Px[]>([])
  const seatPx = shallowRef<Px[]>([])
  /** How well scale, axis and seat were pointed at: the worst of them counts. */
  const pointed = shallowRef<Record<string, number>>({})
  const pointedPx = computed(() => Math.max(1, ...Object.values(pointed.value)))
  const looking = ref(false)

  watch(
    () => state.lies,
    (lies) => {
      state.thickMm = USUAL_HEIGHT[lies].value
      state.what = lies === 'gauge' ? 'edge' : 'line'
      if (lies === 'drawing') state.datumBy = 'clicks'
    },
  )

  /** Where a hand begins: in the picture, far apart. */
  function spread(): void {
    const size = picture.shown.value
    if (!size) return
    const at = (x: number, y: number): Px => [x * size.width, y * size.height]
    scalePx.value = [at(0.2, 0.85), at(0.8, 0.85), at(0.8, 0.15), at(0.2, 0.15)]
    axisPx.value = [at(0.2, 0.9), at(0.8, 0.9)]
    seatPx.value = [at(0.6, 0.8), at(0.6, 0.2)]
    pointed.value = {}
  }
  async function begin(opened: OpenPicture): Promise<void> {
    if (!opened.ok) return void (message.value = opened.message)
    message.value = ''
    stage.value = 'scale'
    marks.value = found.value = current.value = undefined
    tracing.forget()
    spread()
    await look()
  }
  /** Looks for the marks of the sheet. */
  async function look(): Promise<void> {
    if (state.lies === 'drawing' || !picture.shown.value) return
    looking.value = true
    const four = await picture.findMarks()
    marks.value = four ?? (scalePx.value as unknown as FourMarks)
    found.value = four
      ? await picture.readMarks(four, false)
      : { ok: false, message: 'The four marks were not found: put each on the middle of its ring.' }
    if (found.value.ok) {
      marks.value = found.value.marks
      axisPx.value = [...found.value.axis]
      seatPx.value = [...found.value.seat]
    }
    looking.value = false
  }
  watch(
    () => state.lies === 'drawing',
    (drawing) => void (!drawing && !found.value && look()),
  )
  const open = async (file: File, page?: number): Promise<void> => begin(await picture.open(file, page))
  const example = async (drawn: DrawnScene[]): Promise<void> => {
    // its printer is exact
    Object.assign(state, { lies: 'sheet', barWith: 'digitalCaliper', acrossMm: BAR_MM, alongMm: BAR_MM })
    await begin(await picture.example(drawn))
  }

  const put = (list: readonly Px[], i: number, px: Px): Px[] => list.map((one, k) => (k === i ? px : one))
  /** A handle was put somewhere; by arrow keys exactly there. */
  async function place(id: string, px: Px, exact = false): Promise<void> {
    const [of, at] = id.split('-') as [string, string]
    const i = Number(at)
    if (of === 'place') return exact ? undefined : tracing.move(i, px)
    if (of === 'scale' || of === 'axis' || of === 'seat') pointed.value = { ...pointed.value, [id]: pxOnScreen.value }
    if (of === 'scale') scalePx.value = put(scalePx.value, i, px)
    if (of === 'axis') axisPx.value = put(axisPx.value, i, px)
    if (of === 'seat') seatPx.value = put(seatPx.value, i, px)
    if (of !== 'mark' || !marks.value) return
    const next = put(marks.value, i, px) as unknown as FourMarks
    marks.value = next
    const read = await picture.readMarks(next, exact)
    if (marks.value !== next) return
    found.value = read
    if (!read.ok) return
    marks.value = read.marks
    // which of them is which was told by the sheet
    const near = read.marks.findIndex((one) => Math.hypot(one[0] - px[0], one[1] - px[1]) < 60)
    if (near >= 0) current.value = `mark-${near}`
  }
  async function nudge(id: string, dx: number, dy: number): Promise<void> {
    const by = Math.max(0.5 * pxOnScreen.value, 0.25)
    if (id.startsWith('place-')) return tracing.nudge(Number(id.slice(6)), dx * by, dy * by)
    const px = handles.value.find((one) => one.id === id)?.px
    if (px) await place(id, [px[0] + dx * by, px[1] + dy * by], true)
  }
  /** A place while a hand drags it: nothing is worked out yet. */
  const held = shallowRef<{ id: string; px: Px }>()

  const linePx = computed(() => {
    const per = state.lies === 'drawing' ? drawingMmPerPx() : found.value?.ok ? found.value.mmPerPx : 0.2
    return state.lineMm / Math.max(per, 1e-3)
  })
  function drawingMmPerPx(): number {
    const [a, b] = scalePx.value
    if (!a || !b) return 0.2
    return ((state.scaleBy === 'two' ? state.apartMm : state.wideMm) ?? 100) / Math.max(Math.hypot(a[0] - b[0], a[1] - b[1]), 1)
  }
  const tracing = useTracing<WheelTag>({
    async snap(px) {
      if (!state.snapOn) return undefined
      const reach = Math.min(Math.max(11 * pxOnScreen.value, 4), 60)
      return (await picture.snap(px, reach, state.what, linePx.value))?.px
    },
    follow: (from, to) => (state.followOn ? picture.follow(from, to, state.what, linePx.value) : undefined),
    tag: () => state.tag,
    pointedPx: () => pxOnScreen.value,
  })

  const printed = computed((): Printed => {
    const { barWith } = state
    const instrument = barWith === '' || barWith === 'not' ? undefined : barWith
    return { across: printedBar(state.acrossMm, instrument), along: printedBar(state.alongMm, instrument) }
  })
  const barsMeasured = computed(
    () => state.barWith !== '' && state.barWith !== 'not' && state.acrossMm !== undefined && state.alongMm !== undefined,
  )
  const barsSaid = computed(() => barsMeasured.value || state.barWith === 'not')
  /** What is wrong where the bars as entered cannot both be right. */
  const barsWrong = computed(() => (barsMeasured.value && found.value?.ok ? barsDisagree(printed.value, found.value.uneven) : undefined))
  const scale = computed((): AskedScale => {
    const [a, b] = scalePx.value
    if (state.lies !== 'drawing')
      return {
        by: 'sheet',
        heightMm: { value: state.thickMm, u: USUAL_HEIGHT[state.lies].u },
        printedMm: printed.value,
      }
    return state.scaleBy === 'two'
      ? { by: 'two', from: a!, to: b!, apartMm: ofDrawing(state.apartMm ?? NaN) }
      : {
          by: 'corners',
          corners: scalePx.value as unknown as FourMarks,
          wideMm: ofDrawing(state.wideMm ?? NaN),
          highMm: ofDrawing(state.highMm ?? NaN),
        }
  })
  const datum = computed((): Datum =>
    state.datumBy === 'sheet' && state.lies !== 'drawing'
      ? { by: 'sheet', laid: state.lies !== 'sheet', mirrored: state.mirrored }
      : { by: 'clicks', axis: axisPx.value as unknown as [Px, Px], seat: seatPx.value as unknown as [Px, Px], mirrored: state.mirrored },
  )
  const asked = computed((): PictureRequest<WheelTag> => ({
    scale: scale.value,
    datum: datum.value,
    stretches: tracing.stretches.value,
    lineMm: state.what === 'line' ? state.lineMm : 0,
    pointedPx: pointedPx.value,
    profile: profile(),
  }))
  /** A drawing has no scale before its lengths are typed. */
  const lengthsSaid = computed(() =>
    state.scaleBy === 'two' ? state.apartMm !== undefined : state.wideMm !== undefined && state.highMm !== undefined,
  )
  const ready = computed(
    () => picture.shown.value !== undefined && (state.lies === 'drawing' ? lengthsSaid.value : found.value?.ok === true && barsSaid.value),
  )
  const outlined = shallowRef<Outlined<WheelTag>>()
  const outline = computed((): TracedOutline<WheelTag> | undefined => (outlined.value?.ok ? outlined.value.outline : undefined))
  const beginOutline = latestCall()
  watch([asked, ready, found], async () => {
    const isLatest = beginOutline()
    if (!ready.value || asked.value.stretches.length === 0) return void (outlined.value = undefined)
    const next = (await picture.outline(asked.value)) as Outlined<WheelTag>
    if (isLatest()) outlined.value = next
  })

  const NAMES = ['inboard, below', 'outboard, below', 'outboard, above', 'inboard, above'] as const
  const handles = computed(() => {
    const hand = held.value
    const at = (id: string, px: Px): Px => (hand?.id === id ? hand.px : px)
    if (stage.value === 'trace')
      return tracing.anchors.value.map((one, i) => ({
        id: `place-${i}`,
        px: at(`place-${i}`, one.px),
        kind: 'place' as const,
        snapped: one.snapped,
        label: `Place ${i + 1}${one.snapped ? ', on the line' : ''}`,
      }))
    const list = (of: string, places: readonly Px[], kind: 'mark' | 'line', label: (i: number) => string) =>
      places.map((px, i) => ({ id: `${of}-${i}`, px: at(`${of}-${i}`, px), kind, label: label(i) }))
    const lines =
      datum.value.by === 'clicks'
        ? [
            ...list('axis', axisPx.value, 'line', (i) => `Axis, place ${i + 1}`),
            ...list('seat', seatPx.value, 'line', (i) => `Seat, place ${i + 1}`),
          ]
        : []
    if (state.lies !== 'drawing') return [...list('mark', marks.value ?? [], 'mark', (i) => `Mark ${i + 1}, ${NAMES[i]}`), ...lines]
    const some = state.scaleBy === 'two' ? scalePx.value.slice(0, 2) : scalePx.value
    return [...list('scale', some, 'mark', (i) => (state.scaleBy === 'two' ? `Scale, place ${i + 1}` : `Corner ${i + 1}`)), ...lines]
  })
  const strokes = computed(() => {
    const hand = held.value
    const at = (of: string, places: readonly Px[]) => places.map((px, i): Px => (hand?.id === `${of}-${i}` ? hand.px : px))
    const [axis, seat] = [
      { kind: 'axis' as const, px: at('axis', axisPx.value) },
      { kind: 'axis' as const, px: at('seat', seatPx.value) },
    ]
    if (state.lies !== 'drawing' && !found.value?.ok) return []
    if (stage.value === 'scale') return [axis, seat]
    const drawn = tracing.shown.value
    return [
      axis,
      seat,
      ...drawn.slice(1).map((one, i) => {
        const from = hand?.id === `place-${i}` ? hand.px : drawn[i]!.px
        const to = hand?.id === `place-${i + 1}` ? hand.px : one.px
        const way = hand?.id === `place-${i}` || hand?.id === `place-${i + 1}` ? [] : one.way
        return { kind: profile() ? one.tag : ('traced' as const), px: [from, ...way, to] }
      }),
    ]
  })
  watch(tracing.current, (at) => void (stage.value === 'trace' && (current.value = at === undefined ? undefined : `place-${at}`)))
  watch(stage, () => (current.value = undefined))
  function pick(id: string): void {
    current.value = id
    if (id.startsWith('place-')) tracing.current.value = Number(id.slice(6))
  }
  /** The picture was pointed at: a further place of the line, or where the handle in hand should be. */
  async function point(px: Px): Promise<void> {
    if (stage.value === 'trace') await tracing.add(px)
    else if (current.value) await place(current.value, px)
  }

  return {
    picture,
    stage,
    message,
    state,
    pxOnScreen,
    current,
    marks,
    found,
    looking,
    held,
    tracing,
    handles,
    strokes,
    ready,
    barsSaid,
    barsWrong,
    outlined,
    outline,
    open,
    example,
    pick,
    place,
    nudge,
    point,
    async move(id: string, px: Px) {
      held.value = { id, px }
      await place(id, px)
      held.value = undefined
    },
    behind: (points: [number, number][]) => picture.behind(asked.value, points),
  }
}
export type PictureSession = ReturnType<typeof usePictureSession>
