import type { NamedOutline, WheelProfile, WheelTag } from '../records/field.ts'
import { chainPieces } from './chain-pieces.ts'
import { placeLayer, type DxfLayer, type DxfPlacing } from './dxf-read.ts'

/** What is taken from a drawing once layers are chosen and placed: outlines of a caliper, or a wheel's profile. */

const MOST_POINTS = 2000
const MEET_MM = 0.02
const WORDS: Readonly<Record<WheelTag, RegExp>> = { barrel: /barrel|well|rim/i, shoulder: /shoulder|radius/i, face: /face|spoke|disc/i }

/** One outline for each line of a layer; a layer with several numbers them. */
export function outlinesFromDxf(layers: readonly DxfLayer[], placing: DxfPlacing): NamedOutline[] {
  return layers.flatMap((layer) => {
    const chains = placeLayer(layer, placing)
    return chains.map((points, i) => ({
      name: chains.length === 1 ? layer.name : `${layer.name} ${i + 1}`,
      points: points.slice(0, MOST_POINTS),
    }))
  })
}

type ProfileFromDxf = { ok: true; profile: WheelProfile } | { ok: false; message: string }

/** The wheel's profile from one connected line, tags from the layers' names or else from the slope. */
export function profileFromDxf(layers: readonly DxfLayer[], placing: DxfPlacing): ProfileFromDxf {
  const pieces = layers.flatMap((layer) => placeLayer(layer, placing).map((points) => ({ layer: layer.name, points })))
  const chains = chainPieces(
    pieces.map((piece) => piece.points),
    MEET_MM,
  )
  if (chains.length !== 1) {
    return {
      ok: false,
      message: `The chosen layers make ${chains.length} separate lines, but a profile is one, from barrel edge to mounting face. Select fewer layers or join the lines.`,
    }
  }
  let points = chains[0]!
  if (points.length > MOST_POINTS) return { ok: false, message: `The profile has more than ${MOST_POINTS} points.` }
  // the barrel's edge has the larger radius, the hub pad the smaller
  if (points[0]![1] < points[points.length - 1]![1]) points = [...points].reverse()
  const named = (a: [number, number], b: [number, number]): WheelTag | undefined => {
    const owner = pieces.find((piece) =>
      piece.points.some(
        (p, i) => i > 0 && ((same(piece.points[i - 1]!, a) && same(p, b)) || (same(piece.points[i - 1]!, b) && same(p, a))),
      ),
    )
    return (Object.keys(WORDS) as WheelTag[]).find((tag) => owner && WORDS[tag].test(owner.layer))
  }
  const guessed = guessTags(points)
  return { ok: true, profile: { points, tags: points.slice(1).map((b, i) => named(points[i]!, b) ?? guessed[i]!) } }
}

const same = (a: readonly [number, number], b: readonly [number, number]): boolean =>
  Math.abs(a[0] - b[0]) <= MEET_MM && Math.abs(a[1] - b[1]) <= MEET_MM

/**
 * Tags by shape: the barrel lasts as long as the line keeps its radius, the face begins where it falls
 * more than it runs, what lies between is the shoulder. A guess, to be looked at.
 */
export function guessTags(points: readonly (readonly [number, number])[]): WheelTag[] {
  const least = Math.min(...points.slice(0, Math.max(2, Math.ceil(points.length / 2))).map(([, r]) => r))
  let past = false
  return points.slice(1).map(([z1, r1], i) => {
    const [z0, r0] = points[i]!
    const falls = r0 - r1
    if (!past && r1 >= least - 2 && z1 >= z0) return 'barrel'
    past = true
    return falls > Math.abs(z1 - z0) || r1 < 0.85 * least ? 'face' : 'shoulder'
  })
}
