import type { Part, Price } from '../model/project.ts'
import { figure, type Figure } from '../quantity/figure.ts'

/**
 * Invented parts for an invented car: a hill-climb club's shared hatchback. No figure here belongs to
 * a real car or part.
 */

const TAKEN_ON = '2026-09-12'
const READ_ON = '2026-09-03'
const measured = (value: number, u?: number): Figure => figure(value, 'measured', { date: TAKEN_ON, ...(u === undefined ? {} : { u }) })
const published = (value: number): Figure => figure(value, 'published', { date: READ_ON })
const reported = (value: number): Figure => figure(value, 'reported', { date: READ_ON })
const price = (low: number, likely: number, high: number, pieces = 1): Price => ({
  lowMinor: low * 100, likelyMinor: likely * 100, highMinor: high * 100, currency: 'EUR', pieces, origin: 'published', date: READ_ON,
})

const stock: Part[] = [
  {
    id: 'stock-front-caliper', kind: 'caliper', name: 'Front sliding caliper', maker: 'Pellin', number: 'PL-4402', owned: true,
    construction: 'sliding', pistonsMm: [published(54)], padTopRadiusMm: measured(127), frame: 'seat',
    takenWithRotorOffsetMm: measured(28), takenWithRotorThicknessMm: measured(21.6), takenWithPadThicknessMm: measured(14.2),
    outlineFrom: 'quick', tallestRadiusMm: measured(149.5), tallFromMm: measured(-98), tallToMm: measured(2), faceMm: measured(17.5),
    faceOuterRadiusMm: measured(131), faceInnerRadiusMm: measured(90), corner: 'chamfer', uAxialMm: measured(0.4), uRadialMm: measured(0.4),
    massKg: measured(4.1),
  },
  {
    id: 'stock-front-rotor', kind: 'rotor', name: 'Front rotor 256 x 22', maker: 'Pellin', number: 'PL-2256', owned: true,
    diameterMm: published(256), thicknessMm: published(22), minThicknessMm: published(19.8), hatThicknessMm: measured(6), offsetMm: measured(28),
    frictionInnerDiameterMm: measured(152), ventilation: 'vented', boltCount: published(4), boltCircleMm: published(104), boreMm: published(62), massKg: measured(5.2),
  },
  {
    id: 'stock-front-pad', kind: 'pad', name: 'Front road pads', maker: 'Tamsin Friction', number: 'TF-110', owned: true,
    friction: published(0.4), heightMm: measured(46), thicknessMm: published(16), shape: 'T-110',
  },
  {
    id: 'stock-rear-caliper', kind: 'caliper', name: 'Rear sliding caliper', maker: 'Pellin', number: 'PL-4418', owned: true,
    construction: 'sliding', pistonsMm: [published(30)], padTopRadiusMm: measured(115), frame: 'seat',
    takenWithRotorOffsetMm: measured(24), takenWithRotorThicknessMm: measured(8.8), takenWithPadThicknessMm: measured(11.5),
    outlineFrom: 'quick', tallestRadiusMm: measured(134), tallFromMm: measured(-92), tallToMm: measured(-6), faceMm: measured(10),
    faceOuterRadiusMm: measured(119), faceInnerRadiusMm: measured(84), corner: 'chamfer', uAxialMm: measured(0.4), uRadialMm: measured(0.4),
    massKg: measured(2.6),
  },
  {
    id: 'stock-rear-rotor', kind: 'rotor', name: 'Rear rotor 232 x 9', maker: 'Pellin', number: 'PL-2232', owned: true,
    diameterMm: published(232), thicknessMm: published(9), minThicknessMm: published(7.5), hatThicknessMm: measured(6), offsetMm: measured(24),
    frictionInnerDiameterMm: measured(150), ventilation: 'solid', boltCount: published(4), boltCircleMm: published(104), boreMm: published(62), massKg: measured(2.9),
  },
  {
    id: 'stock-rear-pad', kind: 'pad', name: 'Rear road pads', maker: 'Tamsin Friction', number: 'TF-061', owned: true,
    friction: published(0.38), heightMm: measured(34), thicknessMm: published(13), shape: 'T-061',
  },
  { id: 'stock-front-hose', kind: 'hose', name: 'Front rubber hose', maker: 'Pellin', owned: true, lengthMm: measured(390), construction: 'rubber' },
  { id: 'stock-rear-hose', kind: 'hose', name: 'Rear rubber hose', maker: 'Pellin', owned: true, lengthMm: measured(310), construction: 'rubber' },
  {
    id: 'stock-master', kind: 'masterCylinder', name: 'Tandem master 20.64', maker: 'Pellin', number: 'PL-5120', owned: true,
    construction: 'tandem', boreMm: published(20.6375), strokeMm: published(34),
  },
  { id: 'stock-booster', kind: 'booster', name: 'Vacuum booster', maker: 'Pellin', number: 'PL-5301', owned: true, supply: 'vacuum', ratio: published(4), assistN: reported(2300) },
  { id: 'stock-valve', kind: 'valve', name: 'Fixed rear valve', maker: 'Pellin', number: 'PL-5410', owned: true, action: 'fixed', kneeMpa: reported(2.9), slope: reported(0.4) },
]

const wheels: Part[] = [
  {
    id: 'club-wheel', kind: 'wheel', name: 'Club wheel 6.5J x 15 ET 35', maker: 'Osmere', owned: true,
    diameterIn: published(15), widthIn: published(6.5), offsetMm: published(35), barrel: 'plain', face: 'convex',
    boltCount: published(4), boltCircleMm: published(104), boreMm: published(62), massKg: measured(6.7),
    uBarrelRadialMm: measured(0.2), uFaceAxialMm: measured(0.1),
    profile: {
      points: [
        [-117.5, 183.2], [-88, 181.6], [-75, 168], [22, 166.6], [33, 161], [37.4, 153.5], [41.8, 141],
        [44.6, 128], [45.4, 115], [44, 102], [38.6, 89], [28, 79], [6, 72], [0, 66],
      ],
      tags: ['barrel', 'barrel', 'barrel', 'shoulder', 'shoulder', 'face', 'face', 'face', 'face', 'face', 'face', 'face', 'face'],
    },
  },
  {
    id: 'winter-wheel', kind: 'wheel', name: 'Winter steel wheel 5.5J x 14 ET 38', maker: 'Osmere', owned: true, condition: 'used',
    diameterIn: published(14), widthIn: published(5.5), offsetMm: published(38), barrel: 'plain', face: 'convex',
    boltCount: published(4), boltCircleMm: published(104), boreMm: published(62), massKg: measured(7.4),
    note: 'Spoke back not measured yet.',
  },
]

const spacers: Part[] = [
  [3, 14, 16, 19], [5, 18, 21, 26], [10, 24, 29, 36], [15, 34, 39, 48],
].map(([thickness, low, likely, high]): Part => ({
  id: `spacer-${thickness}`, kind: 'spacer', name: `Spacer ${thickness} mm`, maker: 'Osmere', number: `OS-SP${thickness}`, condition: 'new',
  thicknessMm: published(thickness!), boltCount: published(4), boltCircleMm: published(104), boreMm: published(62), price: price(low!, likely!, high!, 2),
}))

const donor: Part[] = [
  {
    id: 'estate-front-caliper', kind: 'caliper', name: 'Estate front caliper', maker: 'Bramble', number: 'BR-7731', condition: 'used',
    provenance: 'Bramble estate, breaker’s yard', construction: 'fixed', pistonsMm: [published(41), published(41)], padTopRadiusMm: measured(141), frame: 'seat',
    takenWithHatMm: measured(6), outlineFrom: 'points', uAxialMm: measured(0.1), uRadialMm: measured(0.3), massKg: measured(4.6),
    outlines: [
      { name: 'body', points: [[-104, 146], [-92, 158.5], [-78, 160.4], [14, 160], [27, 156], [36.5, 147], [41.45, 134], [43.05, 122], [43.05, 104], [38, 94]] },
      { name: 'bleed screw', points: [[-90, 158], [-88, 162.5], [-81, 162.5], [-79, 160]] },
    ],
    price: price(70, 95, 140, 2),
  },
  {
    id: 'estate-front-rotor', kind: 'rotor', name: 'Estate front rotor 284 x 24', maker: 'Bramble', number: 'BR-2284', condition: 'new', provenance: 'Parts counter',
    diameterMm: published(284), thicknessMm: published(24), minThicknessMm: published(22), hatThicknessMm: published(6), offsetMm: published(29),
    frictionInnerDiameterMm: published(176), ventilation: 'vented', boltCount: published(4), boltCircleMm: published(104), boreMm: published(62), massKg: published(6.6), price: price(58, 66, 84, 1),
  },
  {
    id: 'estate-front-pad', kind: 'pad', name: 'Estate front pads', maker: 'Tamsin Friction', number: 'TF-284', condition: 'new',
    friction: published(0.4), heightMm: published(48), thicknessMm: published(16.5), shape: 'T-284', price: price(42, 49, 60, 1),
  },
]

const bigKit: Part[] = [
  {
    id: 'kit2-caliper', kind: 'caliper', name: 'Twin-piston caliper Q2', maker: 'Quernhill', number: 'Q2-276', condition: 'new', provenance: 'Kit Q2',
    construction: 'sliding', pistonsMm: [published(50), published(50)], padTopRadiusMm: published(137.5), frame: 'seat',
    takenWithRotorOffsetMm: published(30), takenWithRotorThicknessMm: published(26), takenWithPadThicknessMm: published(16),
    outlineFrom: 'quick', tallestRadiusMm: published(157.5), tallFromMm: published(-106), tallToMm: published(14), faceMm: published(28), faceOuterRadiusMm: published(140),
    faceInnerRadiusMm: published(96), corner: 'round', uAxialMm: published(0.5), uRadialMm: published(0.5), massKg: published(6.2), price: price(420, 455, 500, 2),
  },
  {
    id: 'kit2-rotor', kind: 'rotor', name: 'Slotted rotor 276 x 26', maker: 'Quernhill', number: 'QR-27626', condition: 'new', provenance: 'Kit Q2',
    diameterMm: published(276), thicknessMm: published(26), minThicknessMm: published(24), hatThicknessMm: published(7), offsetMm: published(30),
    frictionInnerDiameterMm: published(182), ventilation: 'vented', boltCount: published(4), boltCircleMm: published(104), boreMm: published(62), massKg: published(5.9), price: price(165, 180, 205, 2),
  },
  {
    id: 'kit2-pad', kind: 'pad', name: 'Pads Q2', maker: 'Tamsin Friction', number: 'TF-Q2', condition: 'new', provenance: 'Kit Q2',
    friction: published(0.38), heightMm: published(43), thicknessMm: published(16), shape: 'Q2', price: price(70, 78, 90, 1),
  },
  {
    id: 'kit-bracket', kind: 'bracket', name: 'Bracket for 276 rotors', maker: 'Quernhill', number: 'QB-12', condition: 'new', provenance: 'Kit Q2 or Q4',
    axialMm: published(-4), radialMm: published(14), price: price(70, 78, 90, 2),
  },
]

const balanced: Part[] = [
  {
    id: 'kit4-caliper', kind: 'caliper', name: 'Four-piston caliper Q4', maker: 'Quernhill', number: 'Q4-276', condition: 'new', provenance: 'Kit Q4',
    construction: 'fixed', pistonsMm: [published(36), published(36)], padTopRadiusMm: published(137.5), frame: 'seat', takenWithHatMm: published(7),
    outlineFrom: 'quick', tallestRadiusMm: published(155), tallFromMm: published(-88), tallToMm: published(14), faceMm: published(27), faceOuterRadiusMm: published(138),
    faceInnerRadiusMm: published(98), corner: 'round', uAxialMm: published(0.5), uRadialMm: published(0.5), massKg: published(2.7), price: price(410, 445, 490, 2),
  },
  {
    id: 'kit4-rotor', kind: 'rotor', name: 'Plain rotor 276 x 24', maker: 'Quernhill', number: 'QR-27624', condition: 'new', provenance: 'Kit Q4',
    diameterMm: published(276), thicknessMm: published(24), minThicknessMm: published(22), hatThicknessMm: published(7), offsetMm: published(30),
    frictionInnerDiameterMm: published(182), ventilation: 'vented', boltCount: published(4), boltCircleMm: published(104), boreMm: published(62), massKg: published(5.6), price: price(150, 162, 180, 2),
  },
  {
    id: 'kit4-pad', kind: 'pad', name: 'Fast-road pads Q4', maker: 'Tamsin Friction', number: 'TF-Q4', condition: 'new', provenance: 'Kit Q4',
    friction: published(0.42), heightMm: published(42), thicknessMm: published(16), shape: 'Q4', price: price(78, 86, 98, 1),
  },
  {
    id: 'rear-fast-pad', kind: 'pad', name: 'Rear fast-road pads', maker: 'Tamsin Friction', number: 'TF-061F', condition: 'new',
    friction: published(0.43), heightMm: published(34), thicknessMm: published(13), shape: 'T-061', price: price(52, 58, 66, 1),
  },
  {
    id: 'adjustable-valve', kind: 'valve', name: 'Adjustable rear valve', maker: 'Quernhill', number: 'QV-1', condition: 'new',
    action: 'adjustable', kneeMpa: measured(3.1), slope: published(0.43), price: price(62, 70, 85, 1),
  },
  {
    id: 'braided-front-hose', kind: 'hose', name: 'Braided front hose', maker: 'Quernhill', condition: 'new', lengthMm: published(400), construction: 'braided', price: price(38, 44, 52, 2),
  },
  { id: 'club-fluid', kind: 'fluid', name: 'Brake fluid 5.1', maker: 'Tamsin Friction', condition: 'new', grade: '5.1', price: price(14, 16, 19, 1) },
]

export const DEMO_PARTS: Part[] = [...stock, ...wheels, ...spacers, ...donor, ...bigKit, ...balanced]
