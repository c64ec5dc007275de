import type { FixItem } from '../fix-item.ts'
import type { Rule } from '../rule.ts'
import { parseThread } from '../thread.ts'

export const wheelFastener: Rule = {
  id: 'wheel-fastener',
  title: 'Nut seat and thread',
  on: 'any',
  judge(look) {
    const wheel = look.part('wheel')
    const seat = look.wordOf(wheel, 'seatShape')
    const nut = look.carWord('nutSeat')
    const [diameter, pitch] = [look.car('threadMm'), look.car('pitchMm')]
    const written = look.carWord('holdingThread')
    const thread = written === undefined ? undefined : parseThread(written)
    if (written !== undefined && !thread)
      look.ask(
        `Thread of the nuts, or in the hub, ${look.facts.axle}`,
        { kind: 'car', axle: look.facts.axle, field: 'holdingThread' },
        `“${written}” lacks diameter or pitch: write it as M12 x 1.5.`,
      )
    const seats = (sentence: string, label: string, piece: FixItem) =>
      ({
        verdict: 'needs',
        safety: true,
        limit: nut!,
        sentence,
        remedies: [{ kind: 'piece', label, quantity: 1, piece, sentence: 'A set with the wheel’s seat, in the car’s thread.' }],
      }) as const
    if (
      thread &&
      diameter !== undefined &&
      pitch !== undefined &&
      (Math.abs(thread.diameterMm - diameter) > SAME_MM || Math.abs(thread.pitchMm - pitch) > SAME_MM)
    )
      return {
        verdict: 'blocked',
        safety: true,
        limit: written!,
        sentence: `Studs or bolts of ${look.mm(diameter)} with ${pitch} mm pitch do not go into ${written}: forced, they strip.`,
      }
    if (seat !== undefined && nut !== undefined && seat !== nut)
      return seats(
        `The wheel’s seats are ${seat}, the nuts or bolts are ${nut}: they would work loose.`,
        `Wheel nuts or bolts with ${seat} seats`,
        { id: 'wheel-nuts', of: seat },
      )
    const balls = seat === 'ball' && nut === 'ball'
    const [own, theirs] = balls ? [look.of(wheel, 'seatRadiusMm'), look.car('nutSeatRadiusMm')] : [0, 0]
    if (own !== undefined && theirs !== undefined && Math.abs(own - theirs) > look.limit('seatRadiusMm') + 1e-9)
      return seats(
        `The wheel’s ball seats have a radius of ${look.mm(own)}, the nuts or bolts ${look.mm(theirs)}: they would work loose.`,
        `Wheel nuts or bolts with a ball nut seat of ${look.mm(own)}`,
        { id: 'wheel-nuts', of: 'ball', mm: own },
      )
    if (seat === undefined || nut === undefined || !thread || own === undefined || theirs === undefined) return undefined
    return {
      verdict: 'fits',
      limit: `${nut}, ${written}`,
      sentence: `Seats are ${seat}${balls ? ` of ${look.mm(own)}` : ''} on both, the thread is ${written}.`,
    }
  },
}
/** Threads are written with two decimals; inch threads come out with more. */
const SAME_MM = 0.02
