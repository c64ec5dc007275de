import type { Axle, Part } from '../../model/project.ts'
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

  add('wheelOff', 'wheels off', [6, 12], {
    tool: 'wheel socket, breaker bar',
    look: 'Stands take the weight, and the car does not move when it is pushed.',
    keep: 'A photograph of each brake as it was.',
  })
  if (brakeApart && wasDrum)
    add('drumOff', 'drums off', [15, 60], {
      parts: named(was.caliper),
      tool: 'brush and brake cleaner, drum puller bolts',
      caution: 'Old linings may hold asbestos, and all brake dust harms the lungs: wet it, never blow it out; wear a mask.',
    })
  if (brakeApart && !wasDrum)
    add('aside', 'old calipers off and hung up, hoses still on', [15, 40], {
      parts: named(was.caliper),
      tool: 'sockets, a wire hook',
      caution: 'A caliper never hangs on its hose. Brake dust harms the lungs: wet it, never blow it out.',
      look: 'No hose is bent sharply or pulled.',
    })
  if (slots.has('bracket') || (newBrake && was.bracket))
    if (was.bracket) add('bracketOff', 'old brackets off', [5, 15], { parts: named(was.bracket) })
  if (slots.has('rotor') && was.rotor && !wasDrum) add('rotorOff', 'old rotors off', [5, 30], { parts: named(was.rotor) })
  for (const line of pieces.hub) add(`piece-${line.id}`, line.label, [10, 40], { uses: [line.id], look: line.why })
  if (hub)
    add('hub', 'hub faces and registers cleaned to bare metal', [8, 20], {
      tool: 'wire brush, straightedge',
      look: 'Nothing rocks under a straightedge: a speck of rust here is felt in the pedal.',
    })
  if (disc && slots.has('rotor')) {
    const handed = now.rotor?.vanes === 'directional'
    add('rotor', 'new rotors on', [8, 20], {
      parts: named(now.rotor),
      puts: ids(now.rotor),
      ...(handed ? { sides: 'Left and right differ: each on the side its maker marks.' } : {}),
      tool: 'brake cleaner, rotor screw or two nuts',
      look: 'They sit flat on the hub; oil of the shop is washed off both faces.',
    })
    add('runout', 'runout of the rotors by a dial, held by two nuts', [8, 20], {
      tool: 'dial gauge on a foot',
      look: 'Within what the maker of the rotor allows, over a whole turn.',
      keep: 'Runout of each side.',
    })
  }
  for (const line of pieces.caliper) add(`piece-${line.id}`, line.label, [10, 40], { uses: [line.id], look: line.why })
  if (now.bracket && (slots.has('bracket') || newBrake))
    add('bracket', 'brackets on', [15, 30], {
      parts: named(now.bracket),
      puts: slots.has('bracket') ? ids(now.bracket) : [],
      torques: [{ id: at('bracket'), label: `Bracket to knuckle, ${axle}` }],
      tool: 'torque wrench, what its maker asks for on the threads',
      look: 'Bolts go in by hand for all the thread they need.',
    })
  const sliding = now.caliper?.kind === 'caliper' && now.caliper.construction === 'sliding'
  const calipersOn = () => {
    if (!disc || !seat) return
    const sides = sidesOf(now.caliper)
    add('caliper', 'calipers on, dry, and tightened', [15, 35], {
      parts: named(now.caliper),
      puts: newBrake ? ids(now.caliper) : [],
      ...(sides ? { sides } : {}),
      torques: [{ id: at('caliper'), label: `Calipers, ${axle}` }],
      tool: 'torque wrench, feeler gauges, the shims of the setup',
      look: `${sliding ? 'It slides by hand on its pins, and no pad is tight' : 'The rotor runs in the middle of the slot'}${of.shims ? ', with the shims as planned' : ''}; bleed screws stand uppermost.`,
      keep: 'Gap of rotor to slot on both sides.',
    })
  }
  if (!disc && newBrake)
    add('drum', 'plates, shoes and wheel cylinders on', [40, 120], {
      parts: named(now.caliper),
      puts: ids(now.caliper),
      torques: [{ id: at('caliper'), label: 'Backing plates' }],
      look: 'Leading shoe and springs lie as on the maker’s drawing.',
    })
  const padsIn = () => {
    if (disc && (slots.has('pad') || of.padShims)) {
      const pushed = !newBrake && was.pad !== null
      add('pads', `${slots.has('pad') ? 'new pads' : 'pads'} in${of.padShims ? ', insulating shims behind them' : ''}`, [10, 25], {
        parts: named(now.pad),
        puts: slots.has('pad') ? ids(now.pad) : [],
        uses: pieces.pads.map((line) => line.id),
        ...(pushed ? { caution: 'Pistons go back slowly with the reservoir open: fluid comes up, and it eats paint.' } : {}),
        look: ['They slide by hand; no grease on the linings.', ...pieces.pads.map((line) => line.why)].join(' '),
        keep: 'Thickness of the linings.',
      })
    } else if (disc && brakeApart && !slots.has('pad'))
      add('pads', 'pads back in', [5, 15], {
        parts: named(now.pad),
        look: 'Linings are above their minimum and whole.',
      })
  }
  // a sliding caliper goes over its pads, into a fixed one they are pushed
  for (const put of sliding ? [padsIn, calipersOn] : [calipersOn, padsIn]) put()
  if (disc && brakeApart && !seat)
    add('caliper', 'calipers on again and tightened', [10, 25], {
      parts: named(now.caliper),
      torques: [{ id: at('caliper'), label: `Calipers, ${axle}` }],
      look: 'Hoses are not twisted.',
    })
  if (!disc && newBrake)
    add('shoes', 'shoes adjusted', [10, 30], { look: 'The drum turns with a light, even rub; the parking brake is off while it is done.' })
  if (of.duct)
    add('duct', 'cooling ducts to the hub side', [40, 120], { look: 'At full lock and full droop they touch neither wheel nor tyre.' })
  if (slots.has('spacer'))
    add('spacer', now.spacer === null && !now.spacerTrialMm ? 'wheel spacers off' : 'wheel spacers on', [4, 10], {
      parts: now.spacer ? named(now.spacer) : [],
      puts: slots.has('spacer') && now.spacer ? ids(now.spacer) : [],
      look: 'They sit on bare metal and are centred.',
    })
  const triedWheel = seat || slots.has('rotor') || slots.has('wheel') || slots.has('spacer')
  if (triedWheel)
    add('trial', `trial-fit the wheel with the bleed screw in place, a full turn${axle === 'front' ? ' at both locks' : ''}`, [15, 40], {
      parts: named(now.wheel),
      tool: 'clay or paper strips, feeler gauges',
      caution: 'Nothing is opened before this has passed. Fingers stay out of the spokes while it turns.',
      look: `Hold a hose end at the port: it needs room too. No contact anywhere, and the required clearance all round${axle === 'front' ? ', at both locks' : ''}.`,
      keep: 'The smallest gap and where it is: enter it as a trial fit.',
    })
  return steps
}

/** Wheels off where nothing is done but bleeding. */
export const reachStep = (axle: Axle): WorkStep =>
  step(`${axle}.wheelOff`, 'bleed', `${axle === 'front' ? 'Front' : 'Rear'}: wheels off, to reach the bleed screws`, [6, 12], ['lift'], {
    axle,
    tool: 'wheel socket, breaker bar',
  })

function sidesOf(caliper: AxleChanges['now']['caliper']): string | undefined {
  if (caliper?.kind !== 'caliper') return undefined
  if (caliper.sides === 'same') return 'Both were supplied for one side: neither bleeds right until they are swapped or re-plumbed.'
  return 'One is left, one right: each goes where its bleed screw stands uppermost.'
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
      slots.has('hose') ? `${Axle}: new hoses on` : `${Axle}: hoses from the old ${drum ? 'cylinders' : 'calipers'} to the new ones`,
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
          { id: `${axle}.line`, label: `Hose to line, ${axle}` },
        ],
        caution: 'Washers are new, one on each face. Fluid eats paint and harms eyes: glasses on, spills washed off with water at once.',
        look: ['Through lock and full droop no hose is tight, twisted or rubs.', ...pieces.hose.map((line) => line.why)].join(' '),
        keep: 'A photograph of the way each hose takes.',
        opens: [axle],
      },
    ),
  ]
}
