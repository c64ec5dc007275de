import type { SheetId } from '#core/records/sheets.ts'

/**
 * The drawn figure of each measuring sheet, on a paper of 360 by 220 with y downwards: what stands at the
 * wheel, and for each dimension from where to where it goes. The street is to the right, the hub axis at
 * the foot.
 */
export interface DrawnDimension {
  from: readonly [number, number]
  to: readonly [number, number]
  /** Where the letter stands. */
  at: readonly [number, number]
  /** Straightedge or jaws, as a path. */
  tool?: string
}
export interface DrawnSheet {
  /** Parts by what they are, as paths. */
  parts: readonly { kind: 'hub' | 'rotor' | 'caliper' | 'wheel' | 'new'; d: string }[]
  /** Hub axis and wheel seat. */
  axisY?: number
  seatX?: number
  dimensions: Readonly<Record<string, DrawnDimension>>
  names: readonly { at: readonly [number, number]; text: string }[]
}

const HUB = 'M205 204V160H236V204'
const ROTOR = 'M150 70H172V204H150zM172 150H222V204H205V164H172z'
const CALIPER = 'M112 96L124 60L136 52H232L254 66L262 90V132L250 140V104L240 76H140L128 100z'

const caliperBase = {
  axisY: 204,
  seatX: 222,
  parts: [
    { kind: 'rotor', d: ROTOR },
    { kind: 'caliper', d: CALIPER },
  ],
  names: [
    { at: [22, 199], text: 'hub axis' },
    { at: [226, 216], text: 'mounting face' },
  ],
} as const

const taken = {
  takenWithHatMm: { from: [205, 176], to: [222, 176], at: [213, 168], tool: 'M205 190V170M222 190V170' },
  takenWithRotorThicknessMm: { from: [150, 84], to: [172, 84], at: [161, 96], tool: 'M150 92V78M172 92V78' },
  takenWithPadThicknessMm: { from: [172, 116], to: [186, 116], at: [196, 120], tool: 'M172 124V108M186 124V108' },
  takenWithRotorOffsetMm: { from: [161, 146], to: [222, 146], at: [192, 140] },
} satisfies DrawnSheet['dimensions']

const STRAIGHTEDGE = 'M222 24V204'
const wheelPath = 'M60 34L110 38L124 60H232L258 80L270 110V140L262 168L240 190H222V204'

export const SHEET_FIGURES: Readonly<Record<SheetId, DrawnSheet>> = {
  caliperQuick: {
    ...caliperBase,
    dimensions: {
      tallestRadiusMm: { from: [92, 204], to: [92, 52], at: [82, 128], tool: 'M86 52H140' },
      tallFromMm: { from: [136, 30], to: [222, 30], at: [180, 24], tool: STRAIGHTEDGE },
      tallToMm: { from: [222, 42], to: [232, 42], at: [244, 40], tool: STRAIGHTEDGE },
      faceMm: { from: [222, 116], to: [262, 116], at: [238, 110], tool: STRAIGHTEDGE },
      faceOuterRadiusMm: { from: [290, 204], to: [290, 90], at: [300, 130], tool: 'M262 90H296' },
      faceInnerRadiusMm: { from: [276, 204], to: [276, 132], at: [268, 178], tool: 'M262 132H282' },
      rotorEdgeToTallestMm: { from: [161, 70], to: [161, 52], at: [172, 63], tool: 'M150 70H178M150 52H178' },
      takenWithRotorDiameterMm: { from: [118, 204], to: [118, 70], at: [128, 140], tool: 'M112 70H150' },
      ...taken,
    },
  },
  caliperOutline: {
    ...caliperBase,
    dimensions: {
      ...taken,
      outlines: { from: [92, 204], to: [92, 52], at: [82, 128], tool: 'M112 96L124 60L136 52H232L254 66L262 90V132' },
    },
  },
  nearWheel: {
    ...caliperBase,
    parts: [...caliperBase.parts, { kind: 'new', d: 'M132 52V40H142V52M262 112H276V126H262' }],
    names: [...caliperBase.names, { at: [100, 34], text: 'bleed screw' }, { at: [282, 122], text: 'hose end' }],
    dimensions: { furtherOutlines: { from: [122, 204], to: [122, 40], at: [112, 128], tool: 'M116 40H148' } },
  },
  carObjects: {
    axisY: 204,
    seatX: 222,
    parts: [
      { kind: 'rotor', d: ROTOR },
      { kind: 'hub', d: HUB },
      { kind: 'new', d: 'M70 120L120 96L132 104L126 122L84 146z' },
    ],
    names: [
      { at: [34, 110], text: 'tie-rod end' },
      { at: [226, 216], text: 'mounting face' },
    ],
    dimensions: {
      objectsTakenWithHatMm: taken.takenWithHatMm,
      objects: { from: [126, 204], to: [126, 98], at: [136, 150], tool: 'M120 96H150' },
    },
  },
  wheelMarkings: {
    axisY: 204,
    seatX: 222,
    parts: [{ kind: 'wheel', d: wheelPath }],
    names: [
      { at: [2, 15], text: 'inboard flange' },
      { at: [170, 198], text: 'hub pad' },
    ],
    dimensions: {
      diameterIn: { from: [66, 204], to: [66, 34], at: [56, 120] },
      widthIn: { from: [60, 20], to: [258, 20], at: [160, 15] },
      offsetMm: { from: [159, 176], to: [222, 176], at: [190, 170], tool: 'M159 30V186' },
      barrelRadiusMm: { from: [142, 204], to: [142, 60], at: [132, 128] },
      faceDepthMm: { from: [222, 120], to: [270, 120], at: [246, 114], tool: STRAIGHTEDGE },
      faceDepthRadiusMm: { from: [300, 204], to: [300, 120], at: [310, 164], tool: 'M270 120H306' },
      weightThicknessMm: { from: [92, 37], to: [92, 46], at: [106, 50], tool: 'M82 37V46H102V38' },
      padThicknessMm: { from: [222, 196], to: [250, 196], at: [262, 200] },
    },
  },
  wheelProfile: {
    axisY: 204,
    seatX: 222,
    parts: [{ kind: 'wheel', d: wheelPath }],
    names: [
      { at: [2, 15], text: 'inboard flange' },
      { at: [150, 76], text: 'barrel' },
      { at: [262, 84], text: 'shoulder' },
      { at: [278, 142], text: 'back of spokes' },
      { at: [170, 198], text: 'hub pad' },
    ],
    dimensions: { profile: { from: [222, 150], to: [268, 150], at: [244, 144], tool: 'M60 26V30M60 28H222M222 24V204' } },
  },
  rotor: {
    axisY: 204,
    seatX: 222,
    parts: [
      { kind: 'hub', d: HUB },
      { kind: 'rotor', d: ROTOR },
    ],
    names: [{ at: [226, 216], text: 'mounting face' }],
    dimensions: {
      diameterMm: { from: [100, 204], to: [100, 70], at: [90, 138], tool: 'M94 70H150' },
      thicknessMm: { from: [150, 56], to: [172, 56], at: [161, 48], tool: 'M150 80V50M172 80V50' },
      hatThicknessMm: { from: [205, 176], to: [222, 176], at: [213, 168], tool: 'M205 190V170M222 190V170' },
      offsetMm: { from: [161, 120], to: [222, 120], at: [192, 114], tool: 'M222 110V204' },
      boreMm: { from: [270, 204], to: [270, 164], at: [282, 188], tool: 'M222 164H276' },
      frictionInnerDiameterMm: { from: [128, 204], to: [128, 150], at: [118, 180], tool: 'M122 150H150' },
    },
  },
  difference: {
    axisY: 204,
    seatX: 222,
    parts: [
      { kind: 'caliper', d: 'M130 80L142 62H216L232 80V126L222 134V96H140z' },
      { kind: 'new', d: 'M130 70L142 54H222L244 72V130L234 138V92H140z' },
      { kind: 'wheel', d: 'M60 34L110 38L124 46H236L262 70L276 110V140L266 168L240 190H222V204' },
    ],
    names: [
      { at: [140, 118], text: 'on the car now' },
      { at: [168, 48], text: 'new' },
      { at: [286, 124], text: 'back of spokes' },
    ],
    dimensions: {
      gapNowMm: { from: [232, 108], to: [276, 108], at: [256, 102] },
      radiusMm: { from: [312, 204], to: [312, 108], at: [322, 156], tool: 'M276 108H318' },
      protrusionNowMm: { from: [222, 124], to: [232, 124], at: [214, 128], tool: 'M222 40V204' },
      protrusionNewMm: { from: [222, 88], to: [244, 88], at: [212, 84], tool: 'M222 40V204' },
    },
  },
  trialFit: {
    axisY: 204,
    seatX: 222,
    parts: [
      { kind: 'caliper', d: CALIPER },
      { kind: 'wheel', d: 'M60 30L110 32L124 42H236L270 66L280 110V140L270 168L240 190H222V204' },
    ],
    names: [{ at: [286, 150], text: 'clay here' }],
    dimensions: { gapMm: { from: [262, 118], to: [280, 118], at: [271, 106] } },
  },
}
