import { INSPECTIONS } from '../records/inspection.ts'
import { BLEEDINGS, type Bleeding } from '../records/build-log.ts'
import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Part } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import type { Setup } from '../records/setup.ts'
import { SAFETY } from '../records/safety-note.ts'
import { formatQuantity } from '../quantity/format.ts'
import { OPENING_ALL, worksAt, type SetupChanges } from './changes.ts'
import type { PieceLine } from './axle-steps.ts'
import type { PiecesOf } from './pieces-of.ts'
import { step, type WorkStep } from './work-step.ts'

/** Before the car is lifted: what is read, inspected and made. */
export function benchSteps(fresh: readonly Part[], pieces: readonly PieceLine[]): WorkStep[] {
  const steps = [
    step('read', 'bench', 'Read the instructions of every new part, and have the car’s workshop manual ready', [15, 45], [], {
      look: 'Every tightening torque below is entered with its source.',
    }),
  ]
  for (const part of fresh.filter(isUsed)) {
    const points = INSPECTIONS[part.kind] ?? []
    if (points.length === 0) continue
    const failed = points.filter((point) => part.inspection?.points[point.id] === 'failed')
    steps.push(
      step(`inspect-${part.id}`, 'bench', `Inspect ${part.name}`, [10, 30], ['read'], {
        parts: [part.name],
        look: points.map((point) => point.look).join('. ') + '.',
        ...(failed.length > 0
          ? {
              caution: {
                level: 'warning',
                hazard: `The inspection failed: ${failed.map((point) => point.fault).join(', ')}.`,
                action: 'Do not fit this part before it is repaired or replaced.',
              } as const,
            }
          : {}),
        keep: 'The inspection result, on the part’s form.',
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
      'Lay out the new parts: check sides, bolts, washers and clips',
      [10, 25],
      steps.map((one) => one.id),
      {
        parts: fresh.map((part) => part.name),
        look: 'Nothing is missing.',
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
      caution: SAFETY.jack,
      look:
        axles.length > 1
          ? 'On firm, level ground, lift one axle with the other chocked and set it on stands; then lift the second axle. Bleed once, at the end.'
          : `On firm, level ground, lift the ${axles[0] ?? 'other'} axle.`,
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
    add('drain', 'Empty the reservoir; cover the paint and wear gloves', [10, 20], {
      tool: 'syringe, covers, gloves, glasses',
      caution: {
        level: 'warning',
        hazard: 'Brake fluid harms eyes and damages paint.',
        action: 'Wear goggles. Never reuse fluid that was drawn off.',
      },
      look: 'Every trial fit has passed. From here on the car cannot be driven.',
    })
  const all: Axle[] = [...AXLES]
  const slot = (name: string) => ({ parts: [name], look: 'Ends stay capped until they are connected. Threads turn in by hand.' })
  if (booster)
    add('booster', now.booster ? `Fit ${now.booster.name}` : 'Remove the booster; fit the mounting plate and pushrod', [60, 180], {
      parts: now.booster ? [now.booster.name] : [],
      puts: now.booster ? [now.booster.id] : [],
      torques: [{ id: 'booster', label: 'Booster or plate to bulkhead' }],
      look: 'The brake pipes of the master cylinder are not bent. The pushrod has a little free play: without it the brakes drag and overheat.',
    })
  const master = now.masterCylinder
  if (hydraulics.has('masterCylinder') && master) {
    add('master', `Bench-bleed ${master.name}, then fit it`, [45, 120], {
      puts: [master.id],
      torques: [
        { id: 'master', label: 'Master cylinder' },
        { id: 'masterLines', label: 'Brake pipes at the master cylinder' },
      ],
      caution: { level: 'notice', hazard: 'A dry master cylinder traps air.', action: 'Bench-bleed it before you fit it.' },
      opens: all,
      ...slot(master.name),
      ...(master.construction === 'tandem'
        ? {
            look: 'Set the pushrod’s free play to the maker’s value. Adjust the brake light switch so that the light comes on with the first pedal travel.',
            keep: 'Free play of the pushrod.',
          }
        : {}),
    })
    if (master.construction === 'twin')
      add('bar', 'Set up the twin master cylinders and the balance bar on the bench', [30, 90], {
        parts: [master.name],
        look: `With the brakes on, the bar is square to the pushrods. ${barWords(changes)} It swings freely, and each circuit works with the other one empty.`,
        keep: 'Turns of the knob from one end, as the starting point.',
      })
  } else if (changes.barSet)
    add('bar', 'Set the balance bar', [10, 30], { look: barWords(changes), keep: 'Turns of the knob from one end.' })
  if (hydraulics.has('valve')) {
    const { valve } = now
    add(
      'valve',
      valve ? `Fit ${valve.name} into the rear brake pipe` : 'Remove the proportioning valve from the rear brake pipe',
      [30, 90],
      {
        ...(valve ? slot(valve.name) : {}),
        puts: valve ? [valve.id] : [],
        torques: [{ id: 'valve', label: 'Brake pipes at the valve' }],
        look: 'The arrow points to the rear brakes. Start at minimum rear pressure, as its maker describes. Raise it step by step once the pads are bedded in.',
        opens: all,
      },
    )
  }
  if (hydraulics.has('handLever')) {
    const { handLever } = now
    add(
      'handLever',
      handLever ? `Fit ${handLever.name} into the rear brake pipe` : 'Remove the hydraulic handbrake from the rear brake pipe',
      [60, 150],
      {
        puts: handLever ? [handLever.id] : [],
        torques: [{ id: 'handLever', label: 'Brake pipes at the hydraulic handbrake' }],
        caution: {
          level: 'warning',
          hazard: 'A hydraulic handbrake does not hold a parked car.',
          action: 'Leave the mechanical parking brake fitted; many rules require it.',
        },
        opens: all,
        ...(handLever ? slot(handLever.name) : {}),
      },
    )
  }
  for (const line of pieces.fluid) add(`piece-${line.id}`, line.label, [20, 90], { uses: [line.id], look: line.why, opens: all })
  for (const one of wet) steps.push({ ...one, needs: [...one.needs, steps[steps.length - 1]!.id] })
  return steps
}
/** Where the bar is set before the first drive. */
const barWords = ({ barFrontShare }: SetupChanges): string =>
  barFrontShare === undefined
    ? 'The bar is at the setup’s front share, lock nuts tight.'
    : `The bar is set to ${formatQuantity(barFrontShare, 'share')} front, lock nuts tight.`

const POLICY: Record<Bleeding, string> = {
  pedal: 'Press and hold the pedal, open the screw, close it, then release the pedal.',
  oneMan: 'Lead the hose upwards into the bottle. Press slowly, five strokes for each screw, then check again.',
  pressure: 'Use no more pressure than the maker allows for the reservoir.',
  vacuum: 'Air can enter past the screw’s thread. Finish with a round of pedal bleeding.',
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
  const where = whole ? 'all four brakes' : `the ${bleeds.join(' and ')} brakes`
  const steps = [
    step(
      'bleed',
      'bleed',
      `Bleed ${where}: ${BLEEDINGS[bleeding]}`,
      whole ? [40, 120] : [25, 70],
      hydraulic.map((one) => one.id),
      {
        parts: fluid ? [fluid.name] : [],
        puts: changes.hydraulics.has('fluid') && fluid ? [fluid.id] : [],
        uses: [],
        tool: 'ring spanner, clear hose, bottle, fresh fluid from a sealed tin',
        torques: [{ id: 'bleedScrews', label: 'Bleed screws' }],
        caution: {
          level: 'warning',
          hazard: 'Air in the brakes makes the pedal go to the floor.',
          action: 'Never let the reservoir run empty.',
        },
        look: [
          POLICY[bleeding],
          order
            ? `Follow the car maker’s order: ${ORDERS[order]}.`
            : 'Follow the car maker’s order. If it is unknown, start at the wheel farthest from the master cylinder.',
          'Fluid from each screw is clear and without bubbles.',
          whole ? 'Estimate: one litre for the whole car, a second one to flush it.' : 'Estimate: half a litre for two wheels.',
          ...(project.car.abs && project.car.abs !== 'none'
            ? ['Bleed the ABS unit by the car maker’s procedure; some need a diagnostic tool.']
            : []),
          ...(setup.hydraulics.handLever ? ['Bleed the hydraulic handbrake too.'] : []),
        ].join(' '),
        bleeds,
      },
    ),
  ]
  steps.push(
    step('leak', 'bleed', 'Hold the pedal hard for a minute and check every joint', [8, 20], ['bleed'], {
      tool: 'lamp, dry paper',
      look: 'Paper stays dry at every joint, and the pedal does not sink. Take a wet joint apart and make it again; do not just tighten it.',
      caution: SAFETY.leak,
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
    add(
      `${axle}.wheelOn`,
      'wheels',
      `${axle === 'front' ? 'Front' : 'Rear'}: fit the wheels and turn the nuts in crosswise by hand`,
      [6, 15],
      {
        axle,
        parts: now.wheel ? [now.wheel.name] : [],
        puts: slots.has('wheel') && now.wheel ? [now.wheel.id] : [],
        look: 'Each wheel turns fully by hand without contact.',
      },
    )
  }
  if (lifted)
    add('down', 'wheels', `Lower the car${wheels.length > 0 ? ' and tighten the wheel nuts crosswise' : ''}`, [8, 15], {
      tool: 'torque wrench',
      torques: wheels.length > 0 ? [{ id: 'wheelNuts', label: 'Wheel nuts or bolts' }] : [],
    })
  add('firm', 'drive', 'Pump the pedal until it is firm, before the car moves', [2, 5], {
    caution: {
      level: 'danger',
      hazard: 'After work on calipers the first press goes to the floor.',
      action: 'Do not move the car before the pedal is firm. If it stays soft, bleed again.',
    },
    look: 'The pedal is firm, high and the same each time. The fluid is between the marks.',
  })
  add('engine', 'drive', 'Press the pedal with the engine off, then start the engine', [3, 8], {
    look: 'With a booster the pedal sinks a little as the engine starts, and then holds.',
  })
  if (worksAt(changes.axles.rear))
    add('parking', 'drive', 'Set the parking brake and test it on a slope', [10, 40], {
      caution: { level: 'warning', hazard: 'The car can roll away.', action: 'Clear the ground below it, and be ready to brake.' },
      look: 'It holds on the slope that local rules require, and releases freely.',
    })
  add('walk', 'drive', 'Make ten stops at walking pace on empty ground', [10, 20], {
    caution: {
      level: 'warning',
      hazard: 'New brakes can fail at the first stop.',
      action: 'Stay away from traffic. Be ready with the parking brake, with a helper to watch.',
    },
    look: 'No pull, no noise, no smell, and no wheel hot to the back of the hand.',
  })
  if (bedded(changes))
    add('bed', 'drive', 'Bed in the pads', [20, 60], {
      caution: SAFETY.hot,
      look: 'Follow the pad maker’s instructions, or else the table. Use closed ground and do not stop completely: hot pads leave deposits.',
      keep: 'Whether the rotors’ colour is even all round.',
    })
  if (changes.now.masterCylinder?.construction === 'twin' && (changes.hydraulics.has('masterCylinder') || changes.barSet))
    add('frontLock', 'drive', 'Confirm that the front locks first, before you use the road', [20, 60], {
      caution: SAFETY.rearLock,
      look: 'Brake harder from stop to stop until a wheel locks. If a rear wheel locks first, turn the bar to the front and repeat.',
      keep: 'Bar position and the axle that locked. Enter them in Prove.',
    })
  if ((changes.hydraulics.has('valve') && changes.now.valve) || changes.kneeSet)
    add('valveSet', 'drive', 'Raise the rear pressure step by step', [30, 90], {
      caution: SAFETY.rearLock,
      look: 'Start at minimum rear pressure. Make firm stops with a helper watching the wheels. When a rear wheel locks first, go back two steps. Repeat wet and laden.',
      keep: 'Turns from minimum rear pressure and each lock-up. Enter them in Prove.',
    })
  add('again', 'drive', 'Check bolts, joints and fluid again when cold', [15, 40], {
    tool: 'torque wrench, lamp',
    torques: wheels.length > 0 ? [{ id: 'wheelNuts', label: 'Wheel nuts or bolts' }] : [],
    caution: {
      level: 'warning',
      hazard: 'Wheel nuts and bolts can work loose.',
      action: 'Check their torque cold after the first drive, and again after 50 to 100 km.',
    },
    look: 'Nothing has moved, nothing is wet, and the fluid level is unchanged.',
    keep: 'Pedal height, clearances and pad linings, as first entries of the logbook.',
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
