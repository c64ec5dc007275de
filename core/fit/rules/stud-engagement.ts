import { capital } from '../../quantity/format.ts'
import type { Judgement } from '../interface-check.ts'
import type { RuleInputs } from '../rule-inputs.ts'
import type { FixItem } from '../fix-item.ts'
import type { Rule } from '../rule.ts'
import { LIMITS } from '../../records/limits.ts'
import { hatThicknessMm, spacerInUse } from './on-the-hub.ts'

/** Thread that a wheel nut or bolt needs: one diameter in steel, and at least so many turns, mm. */
export const threadNeededMm = (
  threadMm: number,
  pitchMm: number,
  diameters: number = LIMITS.studDiameters.value,
  turns: number = LIMITS.studTurns.value,
): number => Math.max(diameters * threadMm, turns * pitchMm)

interface ThreadHold {
  /** Thread that holds: what stands past the seat less its tip, as far as the other thread reaches, mm. */
  engagedMm: number
  /** By how much longer the stud or bolt must be, mm; 0: long enough. */
  longerByMm: number
  /** By how much it is too long for the room behind, mm; 0: it does not bottom. */
  shorterByMm: number
}

/**
 * @param pastMm stud or bolt past its seat
 * @param tipMm thread missing at its end
 * @param holdingMm length of the thread it goes into
 * @param roomMm how far it may go; Infinity for open nuts
 */
export function threadHold(pastMm: number, tipMm: number, holdingMm: number, roomMm: number, neededMm: number): ThreadHold {
  return {
    engagedMm: Math.min(pastMm - tipMm, holdingMm),
    longerByMm: Math.max(neededMm - (pastMm - tipMm), 0),
    shorterByMm: Math.max(pastMm - roomMm, 0),
  }
}

export const studEngagementRule: Rule = {
  id: 'stud-engagement',
  title: 'Thread of the wheel studs or bolts',
  on: 'any',
  judge(look) {
    const hat = hatThicknessMm(look)
    const spacer = spacerInUse(look)
    const length = look.car('studLengthMm')
    const pad = look.of(look.part('wheel'), 'padThicknessMm')
    const needed = neededBy(look)
    const count = look.car('boltCount')
    const fastener = look.carWord('fastener')
    const holding = look.car('holdingThreadMm')
    const tip = look.car('tipMm')
    const closed = fastener === 'studs' ? look.carWord('nutEnd') : 'open'
    const room = fastener === 'bolts' || closed === 'closed' ? look.car('endRoomMm') : Infinity
    const own = spacer?.part && look.wordOf(spacer.part, 'fixing') === 'ownStuds' ? spacer.part : undefined
    const seat = own && look.of(own, 'seatThicknessMm')
    const ownStud = own && look.of(own, 'studLengthMm')
    if (
      hat === undefined ||
      spacer === undefined ||
      length === undefined ||
      pad === undefined ||
      needed === undefined ||
      count === undefined ||
      fastener === undefined ||
      holding === undefined ||
      tip === undefined ||
      room === undefined ||
      (own && (seat === undefined || ownStud === undefined))
    )
      return undefined
    const bolts = fastener === 'bolts'
    const held = (past: number, what: HeldThread) =>
      hold(look, threadHold(past, tip, holding, room, needed), { needed, room, holding, ...what })
    const quantity = 2 * count
    if (!own) return held(length - hat - spacer.thicknessMm - pad, { who: bolts ? 'bolts' : 'studs', bolts, quantity })
    const proud = length - hat - spacer.thicknessMm
    if (!bolts && proud > 1e-9)
      return {
        verdict: 'needs',
        safety: true,
        value: proud,
        dimension: 'length',
        limit: 'not above 0',
        sentence: `The hub’s studs protrude ${look.mm(proud)} from the spacer and keep the wheel off it: fit a thicker spacer or shorter studs.`,
        remedies: [
          {
            kind: 'piece',
            label: `Wheel studs ${look.mm(proud)} shorter`,
            quantity,
            piece: { id: 'studs-shorter', mm: proud, enough: 'atLeast' },
            sentence: 'Studs that end inside the spacer.',
          },
        ],
      }
    // the spacer's own nuts hold it on the hub, the car's hold the wheel on the spacer's studs
    const ownNut = own.nutThreadMm ? look.of(own, 'nutThreadMm') : undefined
    const ownTip = own.tipMm ? look.of(own, 'tipMm') : undefined
    const under = ownNut ?? holding
    // they sink into it and are open; what stands proud was looked at above
    const inner = hold(look, threadHold(length - hat - seat!, tip, under, ownNut === undefined ? room : Infinity, needed), {
      who: bolts ? 'bolts under the spacer' : 'studs under the spacer',
      bolts,
      quantity,
      needed,
      room,
      holding: under,
    })
    const outer = hold(look, threadHold(ownStud! - pad, ownTip ?? tip, holding, closed === 'closed' ? room : Infinity, needed), {
      who: 'studs of the spacer',
      bolts: false,
      quantity,
      needed,
      room,
      holding,
    })
    const weaker = inner.verdict === 'fits' ? outer : inner
    // of a spacer whose nuts and tips nobody measured the car's own say nothing certain
    const assumed = [...(bolts ? ['bolts'] : ownNut === undefined ? ['nuts'] : []), ...(ownTip === undefined ? ['tips'] : [])]
    return weaker.verdict === 'fits' && assumed.length > 0
      ? {
          ...weaker,
          verdict: 'check',
          safety: true,
          sentence: `${weaker.sentence} That is with ${assumed.join(' and ')} like the car’s own: measure those of the spacer.`,
        }
      : weaker
  },
}

function neededBy(look: RuleInputs): number | undefined {
  const thread = look.car('threadMm')
  const pitch = look.car('pitchMm')
  return thread === undefined || pitch === undefined
    ? undefined
    : threadNeededMm(thread, pitch, look.limit('studDiameters'), look.limit('studTurns'))
}

interface HeldThread {
  who: string
  bolts: boolean
  quantity: number
}

function hold(
  look: RuleInputs,
  { engagedMm, longerByMm, shorterByMm }: ThreadHold,
  { who, bolts, quantity, needed, room, holding }: HeldThread & { needed: number; room: number; holding: number },
): Judgement {
  const figure = { value: engagedMm, dimension: 'length', limit: `at least ${look.mm(needed)}` } as const
  const Who = capital(who)
  const piece = (what: FixItem, label: string, sentence: string) =>
    [{ kind: 'piece', label, quantity, piece: { of: who, ...what }, sentence }] as const
  if (shorterByMm > 1e-9) {
    const into = bolts ? 'what lies behind the hub' : 'the bottom of their closed nuts'
    const sentence = `${Who} reach ${look.mm(shorterByMm)} into ${into}: they would turn tight and hold nothing.`
    const unsafe = { verdict: 'needs', safety: true, sentence, ...figure } as const
    if (!bolts)
      return {
        remedies: piece({ id: 'open-nuts' }, 'Open wheel nuts', 'Open nuts with the same nut seat and thread.'),
        ...unsafe,
      }
    return room < needed
      ? {
          ...unsafe,
          verdict: 'blocked',
          sentence: `${sentence} No length both holds with ${look.mm(needed)} and stays within ${look.mm(room)}.`,
        }
      : {
          remedies: piece(
            { id: 'bolts-shorter', mm: shorterByMm, enough: 'atLeast', mostMm: shorterByMm + room - needed },
            `Wheel bolts ${look.mm(shorterByMm)} shorter`,
            'Shorter bolts of the same grade and seat.',
          ),
          ...unsafe,
        }
  }
  const short = `Thread engagement ${look.mm(Math.max(engagedMm, 0))}, ${look.mm(needed)} required`
  if (longerByMm > 1e-9)
    return {
      verdict: 'needs',
      safety: true,
      sentence: `${short}: ${who} longer by ${look.mm(longerByMm)}.`,
      remedies: piece(
        {
          id: bolts ? 'bolts-longer' : 'studs-longer',
          mm: longerByMm,
          enough: 'atLeast',
          ...(room < Infinity ? { mostMm: longerByMm + room - needed } : {}),
        },
        `Wheel ${bolts ? 'bolts' : 'studs'} ${look.mm(longerByMm)} longer`,
        `Longer ${bolts ? 'bolts' : 'studs'} of the same grade, fitted as their maker describes.`,
      ),
      ...figure,
    }
  if (holding < needed - 1e-9)
    return bolts
      ? { verdict: 'blocked', safety: true, sentence: `${short}: the thread in the hub is too short.`, ...figure }
      : {
          verdict: 'needs',
          safety: true,
          sentence: `${short}: nuts with more thread.`,
          remedies: piece(
            { id: 'nuts-with-thread', mm: needed, enough: 'atLeast' },
            `Wheel nuts with ${look.mm(needed)} of thread`,
            'Nuts with more thread, of the same seat.',
          ),
          ...figure,
        }
  return { verdict: 'fits', sentence: `Thread engagement ${look.mm(engagedMm)}, ${look.mm(needed)} required.`, ...figure }
}
