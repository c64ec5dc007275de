import { drag, select } from 'd3'
import { ref, watchEffect, type Ref } from 'vue'

/** Of a hand's steps, mm: plain, and with Shift. */
const STEP_MM = 0.5
const FINE_MM = 0.1

interface SpacerDrag {
  spacerMm: Readonly<Ref<number>>
  mostMm(): number
  pxPerMm(): number
  movable(): boolean
  move(mm: number): void
  settled(): void
}

/** A spacer that follows the hand: its grip and the wheel are dragged, arrow keys step it. */
export function useSpacerDrag({ spacerMm, mostMm, pxPerMm, movable, move, settled }: SpacerDrag) {
  const grip = ref<SVGGElement>()
  const wheelShape = ref<SVGPathElement>()
  const to = (mm: number, stepMm: number) => move(Math.min(Math.max(Math.round(mm / stepMm) * stepMm, 0), mostMm()))
  let from = 0
  let moved = 0
  const dragging = () =>
    drag<SVGElement, unknown>()
      .on('start', () => {
        from = spacerMm.value
        moved = 0
      })
      .on('drag', (event: { dx: number; sourceEvent: MouseEvent }) => {
        moved += event.dx
        to(from + moved / pxPerMm(), event.sourceEvent.shiftKey ? FINE_MM : STEP_MM)
      })
      .on('end', settled)
  watchEffect(() => {
    if (!movable()) return
    if (grip.value) select<SVGElement, unknown>(grip.value).call(dragging())
    // a finger on the wheel scrolls the page; only the grip takes it
    if (wheelShape.value) select<SVGElement, unknown>(wheelShape.value).call(dragging().touchable(false))
  })
  function key(event: KeyboardEvent): void {
    const direction = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key]
    if (direction === undefined) return
    event.preventDefault()
    to(spacerMm.value + direction * (event.shiftKey ? FINE_MM : STEP_MM), FINE_MM)
    settled()
  }
  return { grip, wheelShape, key }
}
