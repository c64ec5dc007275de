import type { FixItem } from '../fix-item.ts'
import type { Rule } from '../rule.ts'
import { plainThread } from './same-thread.ts'

/** Whether another master cylinder goes on the car's flange, takes its lines and leaves its pushrod free play. */
export const masterMount: Rule = {
  id: 'master-mount',
  title: 'Master cylinder on its flange',
  on: 'car',
  judge(look) {
    const master = look.hydraulic('masterCylinder')
    const stock = look.hydraulic('masterCylinder', 'stock')
    if (!master) return undefined
    // the one that is on the car is on the car
    if (stock && master.id === stock.id) return undefined
    const flange = look.wordOf(master, 'flange')
    const carFlange = look.wholeCarWord('masterFlange')
    const pilot = look.of(master, 'pilotMm')
    const carPilot = look.wholeCar('masterPilotMm')
    const depth = look.of(master, 'pushrodDepthMm')
    const reach = look.wholeCar('pushrodReachMm')
    const thread = look.wordOf(master, 'portThread')
    const carThread = look.wholeCarWord('masterLineThread')
    const seat = look.wordOf(master, 'portSeat')
    const carSeat = look.wholeCarWord('masterLineSeat')
    const adapter = (sentence: string, label: string, piece: FixItem) =>
      ({
        verdict: 'needs',
        sentence,
        remedies: [{ kind: 'piece', label, quantity: 1, piece, sentence: `${label}, made by a machine shop.` }],
      }) as const
    if (flange !== undefined && carFlange !== undefined && plain(flange) !== plain(carFlange))
      return adapter(`The flange is ${flange}, the car has ${carFlange}.`, 'Adapter plate for the master cylinder', {
        id: 'master-plate',
        of: `${plain(flange)} ${plain(carFlange)}`,
      })
    if (pilot !== undefined && carPilot !== undefined) {
      if (pilot > carPilot + 1e-9)
        return {
          verdict: 'blocked',
          sentence: `The pilot of ${look.mm(pilot)} does not go into ${look.mm(carPilot)}.`,
          value: pilot,
          dimension: 'length',
          limit: look.mm(carPilot),
        }
      if (carPilot - pilot > look.limit('pilotPlayMm') + 1e-9)
        return adapter(`The pilot of ${look.mm(pilot)} is loose in ${look.mm(carPilot)}.`, 'Centring ring for the master cylinder', {
          id: 'master-ring',
          of: `${pilot.toFixed(1)} ${carPilot.toFixed(1)}`,
        })
    }
    if (seat !== undefined && carSeat !== undefined && seat !== carSeat)
      return {
        verdict: 'blocked',
        safety: true,
        sentence: `The ports seat a ${seat}, the lines end in a ${carSeat}: unequal port seats leak.`,
      }
    if (thread !== undefined && carThread !== undefined && plainThread(thread) !== plainThread(carThread))
      return adapter(`The ports are ${thread}, the lines ${carThread}.`, `Adapters ${carThread} to ${thread}`, {
        id: 'line-adapter',
        of: `${plainThread(carThread)} ${plainThread(thread)}`,
      })
    if (
      depth === undefined ||
      reach === undefined ||
      [flange, carFlange, pilot, carPilot, thread, carThread, seat, carSeat].includes(undefined)
    )
      return undefined
    const play = depth - reach
    const figure = { value: play, dimension: 'length', limit: `at least ${look.mm(look.limit('freePlayMm'))}` } as const
    if (play < look.limit('freePlayMm') - 1e-9)
      return {
        verdict: 'needs',
        safety: true,
        sentence: `The pushrod reaches ${look.mm(reach)}, the piston sits ${look.mm(depth)} deep: without free play the brakes drag.`,
        remedies: [
          {
            kind: 'piece',
            label: 'Shorter or adjustable pushrod',
            quantity: 1,
            piece: { id: 'pushrod' },
            sentence: 'A pushrod that leaves free play.',
          },
        ],
        ...figure,
      }
    return { verdict: 'fits', sentence: `Flange, pilot and ports as on the car; ${look.mm(play)} of free play at the pushrod.`, ...figure }
  },
}

const plain = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]+/g, '')
