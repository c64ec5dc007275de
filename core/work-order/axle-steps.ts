import type { Axle } from '../quantity/axle.ts'
import type { Part } from '../records/part.ts'
import { SAFETY } from '../records/safety-note.ts'
import type { AxleChanges } from './changes.ts'
import { opensAt, worksAt } from './changes.ts'
import { step, type WorkStep } from './work-step.ts'

const named = (...parts: (Part | null | undefined)[]) => parts.flatMap((part) => (part ? [part.name] : []))
const ids = (...parts: (Part | null | undefined)[]) => parts.flatMap((part) => (part ? [part.id] : []))

/** What is done at one axle before anything is opened: old off, new on dry, tried with the wheel. */
export function drySteps(of: AxleChanges, pieces: AxlePieces): WorkStep[] {
  if (!worksAt(of)) return []
  const { axle, now, was, slots } = of
  const at = (name: string) => `${axle}.${name}`
  const Axle = axle === 'front' ? 'Front' : 'Rear'
  const steps: WorkStep[] = []
  let last = 'lift'
  /** Each follows the one before it at this axle. */
  const add = (name: string, title: string, minutes: WorkStep['minutes'], more: Parameters<typeof step>[5] = {}, needs: string[] = []) => {
    steps.push(step(at(name), axle, `${Axle}: ${title}`, minutes, [last, ...needs], { axle, ...more }))
    last = at(name)
  }
  const disc = now.caliper?.kind !== 'drum'
  const wasDrum = was.caliper?.kind === 'drum'
  const newBrake = slots.has('caliper')
  const seat = newBrake || slots.has('bracket') || of.shims
  const hub = slots.has('rotor') || slots.has('wheel') || slots.has('spacer') || newBrake
  const brakeApart = seat || slots.has('rotor') || slots.has('pad') || of.padShims

  add('wheelOff', 'remove the wheels', [6, 12], {
    tool: 'wheel socket, breaker bar',
    look: 'The stands carry the weight, and the car does not move when you push it.',
    keep: 'A photograph of each brake before work.',
  })
  if (brakeApart && wasDrum)
    add('drumOff', 'remove the drums', [15, 60], {
      parts: named(was.caliper),
      tool: 'brush and brake cleaner, drum puller bolts',
      caution: {
        level: 'warning',
        hazard: 'Brake dust harms your lungs, and old linings may contain asbestos.',
        action: 'Wear a mask and wipe the dust wet; do not blow it off.',
      },
    })
  if (brakeApart && !wasDrum)
    add('aside', 'remove the old calipers and hang them on a hook, with their hoses on', [15, 40], {
      parts: named(was.caliper),
      tool: 'sockets, a wire hook',
      caution: SAFETY.dust,
      look: 'No caliper hangs by its hose, and no hose is kinked.',
    })
  if (slots.has('bracket') || (newBrake && was.bracket))
    if (was.bracket) add('bracketOff', 'remove the old brackets', [5, 15], { parts: named(was.bracket) })
  if (slots.has('rotor') && was.rotor && !wasDrum) add('rotorOff', 'remove the old rotors', [5, 30], { parts: named(was.rotor) })
  for (const line of pieces.hub) add(`piece-${line.id}`, line.label, [10, 40], { uses: [line.id], look: line.why })
  if (hub)
    add('hub', 'clean hub faces and hub registers to bare metal', [8, 20], {
      tool: 'wire brush, straightedge',
      look: 'Nothing rocks under a straightedge. A speck of rust here causes rotor run-out.',
    })
  if (disc && slots.has('rotor')) {
    const handed = now.rotor?.vanes === 'directional'
    add('rotor', 'fit the new rotors', [8, 20], {
      parts: named(now.rotor),
      puts: ids(now.rotor),
      ...(handed ? { sides: 'Left and right differ. Fit each on the side that its maker marks.' } : {}),
      tool: 'brake cleaner, rotor screw or two nuts',
      look: 'They sit flat on the hub, and both faces are clean of oil.',
    })
    add('runout', 'measure rotor run-out with a dial gauge, the rotor held by two nuts', [8, 20], {
      tool: 'dial gauge with a magnetic stand',
      look: 'Within the rotor maker’s limit over a full turn.',
      keep: 'Rotor run-out of each side.',
    })
  }
  for (const line of pieces.caliper) add(`piece-${line.id}`, line.label, [10, 40], { uses: [line.id], look: line.why })
  if (now.bracket && (slots.has('bracket') || newBrake))
    add('bracket', 'fit the brackets', [15, 30], {
      parts: named(now.bracket),
      puts: slots.has('bracket') ? ids(now.bracket) : [],
      torques: [{ id: at('bracket'), label: `Bracket to knuckle, ${axle}` }],
      tool: 'torque wrench, thread locking as the maker specifies',
      look: 'Every bolt turns in by hand over its full thread engagement.',
    })
  const sliding = now.caliper?.kind === 'caliper' && now.caliper.construction === 'sliding'
  const calipersOn = () => {
    if (!disc || !seat) return
    const sides = sidesOf(now.caliper)
    add('caliper', 'fit the calipers dry and tighten them', [15, 35], {
      parts: named(now.caliper),
      puts: newBrake ? ids(now.caliper) : [],
      ...(sides ? { sides } : {}),
      torques: [{ id: at('caliper'), label: `Calipers, ${axle}` }],
      tool: 'torque wrench, feeler gauges, the shims of the setup',
      look: `${sliding ? 'The caliper slides on its pins by hand, and no pad is tight' : 'The rotor runs in the middle of the slot'}${of.shims ? ', with the planned shims' : ''}. Bleed screws are uppermost.`,
      keep: 'Clearance between rotor and slot on both sides.',
    })
  }
  if (!disc && newBrake)
    add('drum', 'fit backplates, shoes and wheel cylinders', [40, 120], {
      parts: named(now.caliper),
      puts: ids(now.caliper),
      torques: [{ id: at('caliper'), label: 'Backplates' }],
      look: 'Leading shoe and springs match the maker’s drawing.',
    })
  const padsIn = () => {
    if (disc && (slots.has('pad') || of.padShims)) {
      const pushed = !newBrake && was.pad !== null
      add(
        'pads',
        `fit ${slots.has('pad') ? 'the new pads' : 'the pads'}${of.padShims ? ' with insulating shims behind them' : ''}`,
        [10, 25],
        {
          parts: named(now.pad),
          puts: slots.has('pad') ? ids(now.pad) : [],
          uses: pieces.pads.map((line) => line.id),
          ...(pushed
            ? {
                caution: {
                  level: 'caution',
                  hazard: 'Pressing pistons back can overflow the reservoir, and fluid damages paint.',
                  action: 'Open the reservoir and press the pistons back slowly.',
                } as const,
              }
            : {}),
          look: ['Pads slide by hand, and no grease is on the pad linings.', ...pieces.pads.map((line) => line.why)].join(' '),
          keep: 'Thickness of the pad linings.',
        },
      )
    } else if (disc && brakeApart && !slots.has('pad'))
      add('pads', 'refit the pads', [5, 15], {
        parts: named(now.pad),
        look: 'Pad linings are undamaged and above their minimum thickness.',
      })
  }
  // a sliding caliper goes over its pads, into a fixed one they are pushed
  for (const put of sliding ? [padsIn, calipersOn] : [calipersOn, padsIn]) put()
  if (disc && brakeApart && !seat)
    add('caliper', 'refit the calipers and tighten them', [10, 25], {
      parts: named(now.caliper),
      torques: [{ id: at('caliper'), label: `Calipers, ${axle}` }],
      look: 'No hose is twisted.',
    })
  if (!disc && newBrake)
    add('shoes', 'adjust the shoes with the parking brake off', [10, 30], { look: 'The drum turns with a light, even rub.' })
  if (of.duct)
    add('duct', 'fit the cooling ducts', [40, 120], { look: 'At full lock and full droop the ducts touch neither wheel nor tyre.' })
  if (slots.has('spacer'))
    add('spacer', now.spacer === null && !now.spacerTrialMm ? 'remove the wheel spacers' : 'fit the wheel spacers', [4, 10], {
      parts: now.spacer ? named(now.spacer) : [],
      puts: slots.has('spacer') && now.spacer ? ids(now.spacer) : [],
      look: 'Spacers sit on bare metal and are centred.',
    })
  const triedWheel = seat || slots.has('rotor') || slots.has('wheel') || slots.has('spacer')
  if (triedWheel)
    add(
      'trial',
      `trial-fit the wheel with the bleed screw in place, and turn it fully${axle === 'front' ? ' at both locks' : ''}`,
      [15, 40],
      {
        parts: named(now.wheel),
        tool: 'clay or paper strips, feeler gauges',
        caution: {
          level: 'caution',
          hazard: 'Turning spokes trap fingers.',
          action: 'Do not reach into the wheel. Open no hose before this trial fit has passed.',
        },
        look: `The required clearance all round${axle === 'front' ? ', at both locks' : ''}, also for a hose end held at the port.`,
        keep: 'The minimum clearance and its place. Enter them as a trial fit.',
      },
    )
  return steps
}

/** Wheels removed where nothing is done but bleeding. */
export const reachStep = (axle: Axle): WorkStep =>
  step(
    `${axle}.wheelOff`,
    'bleed',
    `${axle === 'front' ? 'Front' : 'Rear'}: remove the wheels to reach the bleed screws`,
    [6, 12],
    ['lift'],
    {
      axle,
      tool: 'wheel socket, breaker bar',
    },
  )

function sidesOf(caliper: AxleChanges['now']['caliper']): string | undefined {
  if (caliper?.kind !== 'caliper') return undefined
  if (caliper.sides === 'same') return 'Both calipers are for the same side. One of them traps air until it is exchanged or re-plumbed.'
  return 'Fit the left and right calipers so that the bleed screws are uppermost.'
}

/** Pieces of the bill that belong to a place of this axle, with the sentence they stand for. */
export interface AxlePieces {
  hub: PieceLine[]
  caliper: PieceLine[]
  pads: PieceLine[]
  hose: PieceLine[]
}
export interface PieceLine {
  id: string
  label: string
  why: string
}

/** What is opened at the wheels of an axle, once nothing dry is left to find out. */
export function wetSteps(of: AxleChanges, pieces: AxlePieces, after: readonly string[]): WorkStep[] {
  if (!opensAt(of)) return []
  const { axle, now, slots } = of
  const Axle = axle === 'front' ? 'Front' : 'Rear'
  const drum = now.caliper?.kind === 'drum'
  return [
    step(
      `${axle}.hose`,
      'hydraulics',
      slots.has('hose')
        ? `${Axle}: fit the new hoses`
        : `${Axle}: move the hoses from the old ${drum ? 'wheel cylinders' : 'calipers'} to the new ones`,
      [20, 50],
      after,
      {
        axle,
        parts: named(now.hose),
        puts: slots.has('hose') ? ids(now.hose) : [],
        uses: pieces.hose.map((line) => line.id),
        tool: 'line wrench, caps for open ends, a tray',
        torques: [
          { id: `${axle}.banjo`, label: `Hose to ${drum ? 'wheel cylinder' : 'caliper'}, ${axle}` },
          { id: `${axle}.line`, label: `Hose to brake pipe, ${axle}` },
        ],
        caution: {
          level: 'warning',
          hazard: 'Brake fluid harms eyes and damages paint.',
          action: 'Wear goggles. Rinse spills with water at once.',
        },
        look: [
          'A new sealing washer is on each face of the banjo. At full lock and full droop no hose is tight, twisted or rubbing.',
          ...pieces.hose.map((line) => line.why),
        ].join(' '),
        keep: 'A photograph of each hose’s route.',
        opens: [axle],
      },
    ),
  ]
}
