import { INSPECTIONS } from '../../model/inspection.ts'
import { BLEEDINGS, type Bleeding } from '../../model/logbook.ts'
import { AXLES, type Axle, type Part, type Project, type Setup } from '../../model/project.ts'
import { formatQuantity } from '../../quantity/format.ts'
import { OPENING_ALL, worksAt, type SetupChanges } from './changes.ts'
import type { PieceLine } from './axle-steps.ts'
import type { PiecesOf } from './pieces-of.ts'
import { step, type WorkStep } from './work-step.ts'

/** Before the car is lifted: what is read, looked over and made. */
export function benchSteps(fresh: readonly Part[], pieces: readonly PieceLine[]): WorkStep[] {
  const steps = [
    step('read', 'bench', 'Instructions of every new part read, the workshop manual of the car at hand', [15, 45], [], {
      look: 'Every torque below is filled in from them, with where it was read.',
    }),
  ]
  for (const part of fresh.filter(isUsed)) {
    const points = INSPECTIONS[part.kind] ?? []
    if (points.length === 0) continue
    const failed = points.filter((point) => part.inspection?.points[point.id] === 'failed')
    steps.push(
      step(`inspect-${part.id}`, 'bench', `${part.name} looked over`, [10, 30], ['read'], {
        parts: [part.name],
        look: points.map((point) => point.look).join('. ') + '.',
        ...(failed.length > 0 ? { caution: `Found before: ${failed.map((point) => point.fault).join('; ')}.` } : {}),
        keep: 'What was found, in the form of the part.',
      }),
    )
  }
  for (const line of pieces)
    steps.push(
      step(
        `piece-${line.id}`,
        'bench',
        line.label,
        [20, 90],
        steps.map((one) => one.id),
        { uses: [line.id], look: line.why },
      ),
    )
  steps.push(
    step(
      'lay-out',
      'bench',
      'New parts laid beside each other: sides, bolts, washers, clips',
      [10, 25],
      steps.map((one) => one.id),
      {
        parts: fresh.map((part) => part.name),
        look: 'Nothing is missing before the car cannot be driven any more.',
      },
    ),
  )
  return steps
}
const isUsed = ({ condition, inspection }: Part): boolean => condition === 'used' || inspection !== undefined

/** The car off the ground, where anything is done at its wheels or pipes. */
export const liftStep = (axles: readonly Axle[]): WorkStep =>
  step(
    'lift',
    'support',
    'Chock the wheels, loosen the wheel nuts a quarter turn, lift the car and set axle stands',
    [10, 25],
    ['lay-out'],
    {
      tool: `jack, ${axles.length > 1 ? 'four stands' : 'two stands'}, chocks`,
      caution:
        'A falling car kills. Set axle stands under the maker’s support points, on firm level ground. Never go under a car on a jack alone.',
      look:
        axles.length > 1
          ? 'Chock the axle on the ground, lift the other and set it on stands; then lift the second axle. The brakes are bled once, at the end.'
          : `The ${axles[0] ?? 'other'} axle is lifted.`,
    },
  )

/** What is done with the lines open, beside the wheels. */
export function hydraulicSteps(
  project: Project,
  changes: SetupChanges,
  pieces: PiecesOf,
  wet: readonly WorkStep[],
  dry: readonly string[],
): WorkStep[] {
  const { hydraulics, now } = changes
  const opensAll = OPENING_ALL.some((slot) => hydraulics.has(slot)) || pieces.fluid.length > 0
  const fluidNew = hydraulics.has('fluid')
  const booster = hydraulics.has('booster')
  if (wet.length === 0 && !opensAll && !fluidNew && !booster) return []
  const steps: WorkStep[] = []
  const add = (id: string, title: string, minutes: WorkStep['minutes'], more: Parameters<typeof step>[5] = {}) =>
    steps.push(step(id, 'hydraulics', title, minutes, [steps[steps.length - 1]?.id ?? ''].filter(Boolean).concat(dry), more))
  // a booster alone comes out with the lines on
  if (wet.length > 0 || opensAll || fluidNew)
    add('drain', 'Reservoir emptied, paint and hands covered', [10, 20], {
      tool: 'syringe, covers, gloves, glasses',
      caution: 'Fluid harms eyes and paint. What was drawn off is never put back.',
      look: 'Every dry trial fit has passed: from here on the car cannot be driven.',
    })
  const all: Axle[] = [...AXLES]
  const slot = (name: string) => ({ parts: [name], look: 'Ends are capped until they are joined; threads go in by hand.' })
  if (booster)
    add('booster', now.booster ? `${now.booster.name} in` : 'Booster out, its mounting plate and pushrod in', [60, 180], {
      parts: now.booster ? [now.booster.name] : [],
      puts: now.booster ? [now.booster.id] : [],
      torques: [{ id: 'booster', label: 'Booster or plate to bulkhead' }],
      look: 'The master cylinder hangs on its lines unbent. A little play between pushrod and piston: without it the brakes drag and get hot.',
    })
  const master = now.masterCylinder
  if (hydraulics.has('masterCylinder') && master) {
    add('master', `${master.name} filled on the bench, then in`, [45, 120], {
      puts: [master.id],
      torques: [
        { id: 'master', label: 'Master cylinder' },
        { id: 'masterLines', label: 'Lines at the master cylinder' },
      ],
      caution: 'A master cylinder that is not filled on the bench can keep air for hours of bleeding.',
      opens: all,
      ...slot(master.name),
      ...(master.construction === 'tandem'
        ? {
            look: 'Set the free play of the pushrod as the maker says: without it the brakes drag. Adjust the brake light switch: the light comes on with the first travel and goes out.',
            keep: 'Free play of the pushrod.',
          }
        : {}),
    })
    if (master.construction === 'twin')
      add('bar', 'Two cylinders and bar set up on the bench', [30, 90], {
        parts: [master.name],
        look: `Pushrods so long that the bar stands square to them with the brakes on; ${barWords(changes)} It swings freely to both ends, and with one circuit empty the other still works.`,
        keep: 'Turns of the knob from one end: the setting the first drive begins with.',
      })
  } else if (changes.barSet)
    add('bar', 'Balance bar set', [10, 30], { look: sentenceCase(barWords(changes)), keep: 'Turns of the knob from one end.' })
  if (hydraulics.has('valve')) {
    const { valve } = now
    add('valve', valve ? `${valve.name} into the rear line` : 'Rear valve taken out of the line', [30, 90], {
      ...(valve ? slot(valve.name) : {}),
      puts: valve ? [valve.id] : [],
      torques: [{ id: 'valve', label: 'Lines at the valve' }],
      look: 'The arrow points to the rear brakes. First setting: minimum rear pressure, as its maker says. It is raised step by step once the pads are bedded in.',
      opens: all,
    })
  }
  if (hydraulics.has('handLever')) {
    const { handLever } = now
    add('handLever', handLever ? `${handLever.name} into the rear line` : 'Hand lever taken out of the rear line', [60, 150], {
      puts: handLever ? [handLever.id] : [],
      torques: [{ id: 'handLever', label: 'Lines at the hand lever' }],
      caution: 'It is no parking brake, and many rules ask that the car keeps one.',
      opens: all,
      ...(handLever ? slot(handLever.name) : {}),
    })
  }
  for (const line of pieces.fluid) add(`piece-${line.id}`, line.label, [20, 90], { uses: [line.id], look: line.why, opens: all })
  for (const one of wet) steps.push({ ...one, needs: [...one.needs, steps[steps.length - 1]!.id] })
  return steps
}
/** Where the bar is set before the first drive. */
const barWords = ({ barFrontShare }: SetupChanges): string =>
  barFrontShare === undefined
    ? 'the bar set to the front share of the setup, lock nuts tight.'
    : `the bar set to ${formatQuantity(barFrontShare, 'share')} front, as in the setup, lock nuts tight.`

const POLICY: Record<Bleeding, string> = {
  pedal: 'One presses, one opens: press and hold, open, shut, only then let go.',
  oneMan: 'The hose stands up from the screw into the bottle; press slowly, five strokes a screw, and look again.',
  pressure: 'No more pressure than its maker states for the reservoir.',
  vacuum: 'Air may come past the thread of the screw: a last round with the pedal says more.',
}
const ORDERS: Record<NonNullable<Project['car']['bleedOrder']>, string> = {
  farthestFirst: 'the wheel farthest from the master cylinder first, the nearest last',
  nearestFirst: 'the wheel nearest to the master cylinder first, the farthest last',
  diagonal: 'rear and the front wheel across from it, then the other pair',
}

/** Fluid in, air out, and nothing leaks. */
export function bleedSteps(
  project: Project,
  setup: Setup,
  changes: SetupChanges,
  hydraulic: readonly WorkStep[],
  bleeding: Bleeding,
): WorkStep[] {
  if (hydraulic.length === 0) return []
  const { fluid } = changes.now
  const opened = AXLES.filter((axle) => hydraulic.some((one) => one.opens.includes(axle)))
  const whole = changes.hydraulics.has('fluid') || opened.length === AXLES.length
  const bleeds = whole ? [...AXLES] : opened
  if (bleeds.length === 0) return []
  const order = project.car.bleedOrder
  const where = whole ? 'All four brakes' : `The ${bleeds.join(' and ')} brakes`
  const steps = [
    step(
      'bleed',
      'bleed',
      `${where} bled: ${BLEEDINGS[bleeding]}`,
      whole ? [40, 120] : [25, 70],
      hydraulic.map((one) => one.id),
      {
        parts: fluid ? [fluid.name] : [],
        puts: changes.hydraulics.has('fluid') && fluid ? [fluid.id] : [],
        uses: [],
        tool: 'ring spanner, clear hose, bottle, fresh fluid from a sealed tin',
        torques: [{ id: 'bleedScrews', label: 'Bleed screws' }],
        caution: `${POLICY[bleeding]} The reservoir never runs empty.`,
        look: [
          order
            ? `In the order this car’s maker gives: ${ORDERS[order]}.`
            : 'In the order of the car’s maker; where nobody knows it, generally the wheel farthest from the master cylinder first.',
          'The hose rises from the screw. Clear fluid without bubbles at each.',
          whole
            ? 'Estimate: one litre fills and bleeds a whole car; have a second at hand to flush it.'
            : 'Estimate: half a litre for two wheels.',
          ...(project.car.abs && project.car.abs !== 'none'
            ? ['Bleed the anti-lock unit and its pump by the procedure of the car’s maker; some need a diagnostic tool.']
            : []),
          ...(setup.hydraulics.handLever ? ['The hand lever is worked too: it holds air of its own.'] : []),
        ].join(' '),
        bleeds,
      },
    ),
  ]
  steps.push(
    step('leak', 'bleed', 'Pedal held hard for a minute, every joint looked at', [8, 20], ['bleed'], {
      tool: 'lamp, dry paper',
      look: 'Paper stays dry at every joint; the pedal does not sink. What is wet is taken apart and made anew, never only tightened further.',
      caution: 'A pedal that sinks or a wet joint ends the work here: the car is not driven.',
      keep: 'Joints that were wet, if any.',
    }),
  )
  return steps
}

/** Wheels on, and everything before and on the first drive. */
export function lastSteps(project: Project, changes: SetupChanges, before: readonly WorkStep[]): WorkStep[] {
  if (before.every((one) => one.phase === 'bench')) return []
  const lifted = before.some((one) => one.id === 'lift')
  const steps: WorkStep[] = []
  const needs = () => [...before.map((one) => one.id), ...steps.map((one) => one.id)]
  const add = (id: string, phase: 'wheels' | 'drive', title: string, minutes: WorkStep['minutes'], more: Parameters<typeof step>[5] = {}) =>
    steps.push(step(id, phase, title, minutes, needs(), more))
  const wheels = AXLES.filter((at) => before.some((one) => one.id === `${at}.wheelOff`))
  for (const axle of wheels) {
    const { slots, now } = changes.axles[axle]
    add(`${axle}.wheelOn`, 'wheels', `${axle === 'front' ? 'Front' : 'Rear'}: wheels on, nuts crosswise by hand`, [6, 15], {
      axle,
      parts: now.wheel ? [now.wheel.name] : [],
      puts: slots.has('wheel') && now.wheel ? [now.wheel.id] : [],
      look: 'Each turns a whole turn by hand without a touch.',
    })
  }
  if (lifted)
    add('down', 'wheels', `Car down${wheels.length > 0 ? ', wheel nuts tightened crosswise on the ground' : ''}`, [8, 15], {
      tool: 'torque wrench',
      torques: wheels.length > 0 ? [{ id: 'wheelNuts', label: 'Wheel nuts or bolts' }] : [],
    })
  add('firm', 'drive', 'Pedal pumped until it is firm, before the car moves', [2, 5], {
    caution: 'The first press after work on calipers goes to the floor. A pedal that stays soft: bleed again, do not drive.',
    look: 'Firm, high, and the same each time; fluid between the marks.',
  })
  add('engine', 'drive', 'Pedal with the engine off, then running', [3, 8], {
    look: 'With a booster it sinks a little as the engine starts, and then holds.',
  })
  if (worksAt(changes.axles.rear))
    add('parking', 'drive', 'Parking brake set and tried on a slope', [10, 40], {
      caution: 'Nobody stands below the car; the foot stays over the pedal.',
      look: 'It holds on the slope that local rules ask for, and lets go freely.',
    })
  add('walk', 'drive', 'Ten stops at walking pace, where nobody is', [10, 20], {
    caution: 'Away from traffic. With the foot ready on the parking brake, someone beside who can look.',
    look: 'No pull, no noise, no smell; no wheel hot to the back of the hand.',
  })
  if (bedded(changes))
    add('bed', 'drive', 'Pads bedded in', [20, 60], {
      caution: 'On an empty road or closed ground, and never to a stand: hot pads held on a rotor leave their mark.',
      look: 'As the pads’ maker says. The table is a general outline for pads whose maker says nothing.',
      keep: 'Colour of the rotors, even all round.',
    })
  if (changes.now.masterCylinder?.construction === 'twin' && (changes.hydraulics.has('masterCylinder') || changes.barSet))
    add('frontLock', 'drive', 'Front lock-up seen before the road', [20, 60], {
      caution: 'A rear wheel that locks can spin the car. Test on closed, dry, straight ground, belts on, from 30 km/h.',
      look: 'Brake harder from stop to stop until a front wheel locks first. If a rear wheel does, turn the bar to the front and repeat.',
      keep: 'Bar position and which axle locked: enter it in Prove.',
    })
  if ((changes.hydraulics.has('valve') && changes.now.valve) || changes.kneeSet)
    add('valveSet', 'drive', 'Minimum rear pressure raised step by step', [30, 90], {
      caution: 'On closed ground, straight, with room. A rear wheel that locks can spin the car.',
      look: 'Start at minimum rear pressure and raise it one step at a time, firm stops on dry ground with someone watching the wheels. When a rear wheel locks first, go back two steps: that is the setting. Try it again wet and laden.',
      keep: 'Turns from minimum rear pressure, and each lock-up seen: enter it in Prove.',
    })
  add('again', 'drive', 'Cold again: bolts, joints and fluid looked at once more', [15, 40], {
    tool: 'torque wrench, lamp',
    torques: wheels.length > 0 ? [{ id: 'wheelNuts', label: 'Wheel nuts or bolts' }] : [],
    caution: 'Wheel nuts and caliper bolts are tried again after the first drive, cold; once more after 50 to 100 km.',
    look: 'Nothing has moved, nothing is wet, fluid stands where it stood.',
    keep: 'Pedal height, gaps, lining: the first entries of the logbook.',
  })
  return steps
}
/** New pads, rotors or shoes: those come with the drum brake. */
const bedded = ({ axles }: SetupChanges): boolean =>
  AXLES.some(
    (at) =>
      ['pad', 'rotor'].some((slot) => axles[at].slots.has(slot as 'pad')) ||
      (axles[at].now.caliper?.kind === 'drum' && axles[at].slots.has('caliper')),
  )
const sentenceCase = (text: string): string => text[0]!.toUpperCase() + text.slice(1)
