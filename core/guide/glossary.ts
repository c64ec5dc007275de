/** The terms of the trade as the application uses them; ARCHITECTURE.md has the same. */
export const GLOSSARY = {
  range: ['90% range', 'The interval that holds a value with 90% probability, given the uncertainty of all inputs.'],
  adhesion: [
    'adhesion utilisation',
    'The share of the tyre grip that one axle uses at a given deceleration. The axle that uses more locks first.',
  ],
  backingPlate: ['backing plate', 'The steel plate of a pad that carries the pad lining. Wear limits apply to the lining alone.'],
  backplate: ['backplate', 'The plate that carries the shoes and the wheel cylinder of a drum brake.'],
  balanceBar: ['balance bar', 'A bar between twin master cylinders. Moving its pivot changes the brake balance.'],
  barrel: ['barrel', 'The inside of the rim between its two edges. It limits calipers in the radial direction.'],
  baseline: ['baseline', 'The current car before any change. Comparisons show every setup against it.'],
  bed: ['bed in', 'To heat new pads and rotors with repeated stops until friction is even. The pad maker states how.'],
  boosterRunOut: ['booster run-out', 'The point where the booster gives its greatest assistance. Beyond it only the driver adds force.'],
  bracket: ['bracket', 'The part between knuckle and caliper. It sets where the caliper sits.'],
  balance: [
    'brake balance',
    'The front share of the brake force, in per cent. It can also be given for line pressure, clamp force or brake torque.',
  ],
  carrier: ['carrier', 'The fixed frame of a sliding caliper. It holds the pads and the guide pins.'],
  clamp: ['clamp force', 'The force with which each pad presses on the rotor.'],
  clearance: [
    'clearance',
    'The distance between wheel and caliper. Spoke clearance is measured along the axle, barrel clearance along the radius.',
  ],
  coldFriction: ['cold friction', 'The friction of a pad before it has warmed up. It decides the first stop on the road.'],
  compliance: ['compliance', 'How much parts flex and hoses expand under pressure. It lengthens the pedal travel.'],
  ebd: ['EBD', 'Electronic brake-force distribution. It limits rear pressure through the ABS.'],
  depth: ['effective offset', 'The wheel offset (ET) minus the thickness of a spacer.'],
  effectiveRadius: ['effective radius', 'The distance from the hub axis at which the friction of a pad acts.'],
  fade: ['fade', 'Loss of friction when pads get too hot. The pedal stays firm but the car slows less.'],
  glazing: ['glazing', 'A hard, smooth pad surface after overheating. Friction stays low even when cold.'],
  hat: ['hat', 'The centre of the rotor, also called bell. It sits between hub and wheel.'],
  hubRegister: ['hub register', 'The shoulder that centres the wheel on the hub, also called pilot or spigot.'],
  ideal: ['ideal balance', 'The brake balance that loads both axles up to the same share of their grip.'],
  knee: ['knee pressure', 'The pressure above which a proportioning valve reduces the rise of rear pressure.'],
  knuckle: ['knuckle', 'The part that carries the hub and the brake, also called upright.'],
  lockUp: ['lock-up order', 'Which axle locks first when the driver brakes harder and harder. The front axle must lock first on the road.'],
  mountingFace: ['mounting face', 'The surface where wheel, rotor and hub touch. Axial positions are measured from it.'],
  nutSeat: ['nut seat', 'The conical, spherical or flat surface on which a wheel nut or bolt presses.'],
  offset: [
    'offset (ET)',
    'The distance from the centre line of the rim to the wheel mounting face. Positive means that the face is outboard.',
  ],
  lining: ['pad lining', 'The friction material of a pad, without its backing plate.'],
  overhang: ['pad overhang', 'How far a pad extends past the edge of the rotor. Pad inset is how far it stays inside.'],
  pedalRatio: ['pedal ratio', 'The lever ratio of the brake pedal: force at the pushrod divided by force at the pedal pad.'],
  proportioning: ['proportioning valve', 'A valve that reduces rear pressure above its knee pressure.'],
  runOut: ['rotor run-out', 'The side-to-side wobble of a turning rotor, measured with a dial gauge.'],
  session: ['session', 'A set of runs, laps or stops, or a descent, for which heat is computed.'],
  setup: ['setup', 'One option for the car: the parts and settings that replace those of the current car.'],
  swept: ['swept area', 'The part of the friction ring that the pads touch.'],
  taper: ['taper wear', 'Uneven wear along one pad. It points to a flexing caliper or sticking guide pins.'],
  threadEngagement: ['thread engagement', 'The length of thread between stud and nut, or bolt and hub, that carries load.'],
} as const satisfies Record<string, readonly [term: string, meaning: string]>

export type TermId = keyof typeof GLOSSARY

/** A text in pieces: those with a term's id are that term. */
interface TermPiece {
  text: string
  term?: TermId
}
/** Words that mean too much outside brakes to be marked in any sentence. */
const TOO_COMMON: ReadonlySet<TermId> = new Set([
  'setup',
  'session',
  'offset',
  'baseline',
  'clearance',
  'bracket',
  'hat',
  'barrel',
] as const)
const MARKED = (Object.keys(GLOSSARY) as TermId[])
  .filter((id) => !TOO_COMMON.has(id))
  .map((id) => ({ id, term: GLOSSARY[id][0] }))
  // "proportioning valve" before "valve"
  .sort((a, b) => b.term.length - a.term.length)
const PATTERN = new RegExp(`\\b(${MARKED.map(({ term }) => term.replace(/[.*+?^${}()|[\]\\%]/g, '\\$&')).join('|')})\\b`, 'gi')

/**
 * The terms of the glossary in a text, each where it first stands.
 *
 * @example
 * termsIn('Measure from the mounting face.').map((one) => one.term ?? one.text) // => ['Measure from the ', 'mountingFace', '.']
 */
export function termsIn(text: string): TermPiece[] {
  const pieces: TermPiece[] = []
  const met = new Set<TermId>()
  let from = 0
  for (const match of text.matchAll(PATTERN)) {
    const { id } = MARKED.find(({ term }) => term.toLowerCase() === match[0].toLowerCase())!
    if (met.has(id)) continue
    met.add(id)
    if (match.index > from) pieces.push({ text: text.slice(from, match.index) })
    pieces.push({ text: match[0], term: id })
    from = match.index + match[0].length
  }
  if (from < text.length) pieces.push({ text: text.slice(from) })
  return pieces
}
