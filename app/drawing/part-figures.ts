import type { PartKind } from '#core/records/part-kinds.ts'
import { SHEET_FIGURES, type DrawnSheet } from './sheet-figures.ts'

/** The drawn figure of a kind of part, on the same paper as the measuring sheets. */
const ROTOR_HALF = 'M120 40H150V196H120zM150 130H226V196H206V148H150z'

export const PART_FIGURES: Partial<Record<PartKind, DrawnSheet>> = {
  rotor: {
    axisY: 206,
    seatX: 226,
    parts: [{ kind: 'rotor', d: ROTOR_HALF }],
    names: [
      { at: [22, 200], text: 'hub axis' },
      { at: [232, 216], text: 'mounting face' },
    ],
    dimensions: {
      diameterMm: { from: [78, 206], to: [78, 40], at: [66, 120] },
      frictionInnerDiameterMm: { from: [104, 206], to: [104, 130], at: [94, 168] },
      thicknessMm: { from: [120, 28], to: [150, 28], at: [135, 18] },
      hatThicknessMm: { from: [206, 170], to: [226, 170], at: [250, 168] },
      hatDepthMm: { from: [150, 162], to: [206, 162], at: [164, 172] },
      offsetMm: { from: [135, 108], to: [226, 108], at: [186, 100] },
      hatOuterDiameterMm: { from: [176, 206], to: [176, 130], at: [186, 138] },
      hatInnerDiameterMm: { from: [192, 206], to: [192, 148], at: [198, 190] },
    },
  },
  pad: {
    parts: [
      { kind: 'caliper', d: 'M70 50H250L262 176H58z' },
      { kind: 'rotor', d: 'M84 50H236L244 146H76z' },
      { kind: 'caliper', d: 'M300 50H312V176H300z' },
      { kind: 'rotor', d: 'M284 50H300V146H284z' },
    ],
    names: [
      { at: [132, 196], text: 'along the axle' },
      { at: [272, 196], text: 'edge-on' },
    ],
    dimensions: {
      heightMm: { from: [160, 50], to: [160, 146], at: [172, 98] },
      plateHeightMm: { from: [40, 50], to: [40, 176], at: [30, 112] },
      thicknessMm: { from: [284, 34], to: [312, 34], at: [298, 24] },
    },
  },
  bracket: {
    axisY: 206,
    parts: [
      { kind: 'caliper', d: 'M150 60H186V150H150z' },
      { kind: 'hub', d: 'M110 150H150V196H110z' },
      { kind: 'caliper', d: 'M240 84H320L308 170H252z' },
      ...[
        [252, 96],
        [308, 96],
        [262, 158],
        [298, 158],
      ].map(([x, y]) => ({ kind: 'hub' as const, d: `M${x! - 4} ${y}a4 4 0 1 0 8 0a4 4 0 1 0 -8 0z` })),
    ],
    names: [
      { at: [62, 178], text: 'knuckle' },
      { at: [104, 84], text: 'caliper' },
      { at: [22, 200], text: 'hub axis' },
      { at: [246, 52], text: 'along the axle' },
    ],
    dimensions: {
      axialMm: { from: [150, 40], to: [186, 40], at: [168, 30] },
      radialMm: { from: [204, 172], to: [204, 84], at: [216, 128] },
      caliperSpacingMm: { from: [252, 74], to: [308, 74], at: [280, 64] },
      knuckleSpacingMm: { from: [262, 182], to: [298, 182], at: [280, 192] },
    },
  },
  hose: {
    parts: [{ kind: 'caliper', d: 'M60 96H120C180 96 180 150 240 150H300V162H240C172 162 172 108 120 108H60z' }],
    names: [
      { at: [28, 84], text: 'caliper' },
      { at: [288, 184], text: 'car' },
    ],
    dimensions: { lengthMm: { from: [60, 60], to: [300, 60], at: [180, 50] } },
  },
  spacer: {
    axisY: 206,
    parts: [{ kind: 'rotor', d: 'M160 60H184V196H160z' }],
    names: [{ at: [22, 200], text: 'hub axis' }],
    dimensions: {
      thicknessMm: { from: [160, 44], to: [184, 44], at: [172, 34] },
      boltCircleMm: { from: [120, 206], to: [120, 100], at: [108, 152] },
      boreMm: { from: [212, 206], to: [212, 190], at: [226, 196] },
    },
  },
  masterCylinder: {
    axisY: 130,
    parts: [
      { kind: 'caliper', d: 'M110 92H290V108H126V152H290V168H110z' },
      { kind: 'hub', d: 'M110 70V190' },
      { kind: 'rotor', d: 'M140 110H160V150H140zM220 110H240V150H220z' },
    ],
    names: [
      { at: [70, 62], text: 'flange' },
      { at: [34, 146], text: 'pushrod' },
    ],
    dimensions: {
      boreMm: { from: [268, 108], to: [268, 152], at: [282, 130] },
      strokeMm: { from: [160, 196], to: [220, 196], at: [190, 206] },
      pilotMm: { from: [96, 100], to: [96, 160], at: [84, 122] },
      pushrodDepthMm: { from: [110, 80], to: [140, 80], at: [150, 72] },
    },
  },
  caliper: SHEET_FIGURES.caliperQuick,
  wheel: SHEET_FIGURES.wheelMarkings,
}
