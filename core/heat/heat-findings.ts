import { AXLES, type Axle } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import type { EntryPlace } from '../records/question.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { Verdict } from '../figures/verdict.ts'
import type { HeatLine } from './heat-lines.ts'
import type { Prepared } from './session-run.ts'

/** What a session shows of one part, with what to do about it. */
export interface HeatFinding {
  id: 'fluid-boils' | 'fluid-old' | 'silicone-water' | 'pads-over' | 'glazing' | 'drilled' | 'worn'
  axle: Axle | undefined
  verdict: Verdict
  sentence: string
  at: EntryPlace
}

/** Pads over their range for longer than this in all are likely to glaze, s. */
const GLAZES_AFTER_S = 10
/** How near to its limit a drilled ring of one piece is looked at, degC. */
const NEAR_C = 100

export function heatFindings(project: Project, prepared: Prepared, lines: readonly HeatLine[]): HeatFinding[] {
  const c = (value: number) => formatQuantity(value, 'temperature', project.preferences.units, { decimals: 0 })
  const { resolved, setup } = prepared.context
  const line = (axle: Axle, lump: HeatLine['lump']) => lines.find((one) => one.axle === axle && one.lump === lump)
  const found: HeatFinding[] = []
  const fluidAt: EntryPlace = { kind: 'slot', setupId: setup.id, slot: 'fluid' }
  const boils = lines.filter((one) => one.lump === 'fluid' && one.overAtS !== undefined)
  if (boils.length > 0)
    found.push({
      id: 'fluid-boils',
      axle: undefined,
      verdict: 'needs',
      at: fluidAt,
      sentence: `The fluid boils (${boils.map((one) => one.axle).join(' and ')}, ${c(boils[0]!.limitC)} now) and the pedal can go to the floor. Use fresh fluid with a higher boiling point, or reduce the heat.`,
    })
  if (prepared.fluid.changeNow)
    found.push({
      id: 'fluid-old',
      axle: undefined,
      verdict: 'needs',
      at: fluidAt,
      sentence: `${prepared.fluid.words}: change it now.`,
    })
  if (resolved.fluid?.base === 'silicone')
    found.push({
      id: 'silicone-water',
      axle: undefined,
      verdict: 'check',
      at: fluidAt,
      sentence:
        'Silicone fluid absorbs no water. Water collects in the caliper and boils at 100 °C, whatever the fluid’s boiling point. Bleed the calipers before a hot day.',
    })
  for (const axle of AXLES) {
    const { rotor, caliper } = resolved[axle]
    if (caliper?.kind === 'drum') continue
    const pads = line(axle, 'face')
    if (pads?.overAtS !== undefined)
      found.push({
        id: pads.beyondS > GLAZES_AFTER_S ? 'glazing' : 'pads-over',
        axle,
        verdict: 'needs',
        at: { kind: 'slot', setupId: setup.id, axle, slot: 'pad' },
        sentence:
          pads.beyondS > GLAZES_AFTER_S
            ? `The ${axle} pads are over ${c(pads.limitC)} for ${Math.round(pads.beyondS)} s in total, so they may glaze. Glazed pads also lose cold friction. Inspect pads and rotors before the next drive.`
            : `The ${axle} pads exceed their range for ${pads.beyondS.toFixed(1)} s. Use pads with a wider range, or reduce the heat.`,
      })
    const ring = line(axle, 'ring')
    if (rotor?.faces === 'drilled' && rotor.construction !== 'twoPiece' && ring && ring.highC > ring.limitC - NEAR_C)
      found.push({
        id: 'drilled',
        axle,
        verdict: ring.overAtS === undefined ? 'check' : 'needs',
        at: { kind: 'slot', setupId: setup.id, axle, slot: 'rotor' },
        sentence: `The drilled one-piece ${axle} rotors reach ${c(ring.peakC)}, up to ${c(ring.highC)} within the uncertainty; ${c(ring.limitC)} is their limit. Cracks start from the holes: check after every drive, or fit plain or slotted rotors.`,
      })
    const { nowThicknessMm: now, minThicknessMm: least } = rotor ?? {}
    if (now && least && now.value < least.value)
      found.push({
        id: 'worn',
        axle,
        verdict: 'blocked',
        at: { kind: 'slot', setupId: setup.id, axle, slot: 'rotor' },
        sentence: `The ${axle} rotors are below their minimum thickness. Replace them before you drive.`,
      })
  }
  return found
}
