import { closest, segmentDistance } from './maths/distance.ts'
import type { Gap } from './maths/gap.ts'
import type { Point, Polyline } from './maths/polyline.ts'
import type { NamedOutline } from '../records/field.ts'
import { formatQuantity } from '../quantity/format.ts'
import type { UnitChoice } from '../quantity/units.ts'
import { PLACE_WORDS } from './words.ts'

type OutlineSegment = readonly [Point, Point]

/** The segment of a line that a point lies on. */
function segmentAt(line: Polyline, [z, r]: Point): OutlineSegment | undefined {
  const record = closest()
  let [least, found] = [Infinity, undefined as OutlineSegment | undefined]
  for (let i = 0; i + 1 < line.length; i += 1) {
    const [a, b] = [line[i]!, line[i + 1]!]
    segmentDistance(a[0], a[1], b[0], b[1], z, r, z, r, record)
    if (record.squared < least) [least, found] = [record.squared, [a, b]]
  }
  return found
}

/**
 * Where the clearance is taken, so that it can be computed again on paper: the two nearest points and the segments that they
 * lie on.
 * @param caliper outlines from the wheel mounting face
 * @param wheel profile from its own mounting face
 */
export function nearestPointsNotes(
  { caliperPoint, wheelPoint, limitingTag, limitingOutline, overlaps }: Gap,
  caliper: readonly NamedOutline[],
  wheel: Polyline,
  spacerMm: number,
  units: UnitChoice,
): string[] {
  const decimals = units.length === 'mm' ? 2 : 4
  const bare = (value: number) => formatQuantity(value, 'length', units, { bare: true, decimals })
  const whole = (value: number) => formatQuantity(value, 'length', units, { decimals })
  const at = ([z, r]: Point) => `z ${bare(z)}, r ${whole(r)}`
  const between = (segment: OutlineSegment | undefined) => (segment ? `from ${at(segment[0])} to ${at(segment[1])}` : 'unknown')
  const outline = caliper.find((one) => one.name === limitingOutline)
  const onSpacer = wheel.map(([z, r]): Point => [z + spacerMm, r])
  const moved = spacerMm === 0 ? '' : `, moved out by the ${formatQuantity(spacerMm, 'length', units)} spacer`
  return [
    `${overlaps ? 'Deepest overlap' : 'Nearest points'}: caliper ${limitingOutline} at ${at(caliperPoint)}; wheel ${PLACE_WORDS[limitingTag]} at ${at(wheelPoint)}.`,
    `Caliper segment: ${between(outline && segmentAt(outline.points, caliperPoint))}.`,
    `Wheel segment${moved}: ${between(segmentAt(onSpacer, wheelPoint))}.`,
    'z is measured outboard from the wheel mounting face on the hub, r from the wheel axis.',
  ]
}
