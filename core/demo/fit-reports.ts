import type { FitReport } from '../records/fit-report.ts'
import { figure } from '../quantity/figure.ts'

const CAR = 'Pellin Sprig, club car 7'
type ReportRow = [
  car: string,
  axle: FitReport['axle'],
  caliper: string,
  wheel: string,
  outcome: FitReport['outcome'],
  gapMm?: number,
  spacerMm?: number,
  by?: string,
  note?: string,
]

const ROWS: ReportRow[] = [
  [CAR, 'front', 'Front sliding caliper', 'Club wheel 6.5J x 15 ET 35', 'clears', 13, 0, 'club log'],
  [CAR, 'front', 'Estate front caliper', 'Club wheel 6.5J x 15 ET 35', 'clears', 6, 5, 'A. Wren'],
  [CAR, 'front', 'Estate front caliper', 'Winter steel wheel 5.5J x 14 ET 38', 'touches', undefined, 0, 'A. Wren', 'Rubs on the barrel.'],
  [
    CAR,
    'front',
    'Twin-piston caliper Q2',
    'Club wheel 6.5J x 15 ET 35',
    'touches',
    undefined,
    0,
    'noticeboard',
    'Said to touch the spoke; nobody knows with which spacer.',
  ],
  [CAR, 'front', 'Four-piston caliper Q4', 'Club wheel 6.5J x 15 ET 35', 'clears', 11, 0, 'club log'],
  ['Pellin Sprig GT', 'front', 'Estate front caliper', 'Club wheel 6.5J x 15 ET 35', 'clears', 1, 0, 'B. Sorrel'],
  ['Pellin Sprig GT', 'front', 'Four-piston caliper Q4', 'Hill wheel 7J x 15 ET 30', 'clears', 7, 0, 'B. Sorrel'],
  ['Pellin Sprig GT', 'front', 'Twin-piston caliper Q2', 'Track-day wheel 7J x 16 ET 38', 'clears', 11, 0, 'C. Fallow'],
  ['Bramble estate', 'front', 'Estate front caliper', 'Forest wheel 6J x 15 ET 25', 'clears', 4, 0, 'C. Fallow'],
  ['Bramble estate', 'front', 'Estate front caliper', 'Gravel wheel 6J x 14 ET 36', 'touches', undefined, 0, 'C. Fallow'],
  ['Fennel Harrow van', 'front', 'Harrow van front caliper', 'Gravel wheel 6J x 14 ET 36', 'touches', undefined, 0, 'noticeboard'],
  ['Fennel Harrow van', 'front', 'Harrow van front caliper', 'Forest wheel 6J x 15 ET 25', 'clears', 3, 0, 'noticeboard'],
  [CAR, 'rear', 'Rear sliding caliper', 'Club wheel 6.5J x 15 ET 35', 'clears', 10, 0, 'club log'],
  [CAR, 'rear', 'Twin-piston rear caliper R2', 'Club wheel 6.5J x 15 ET 35', 'clears', 10, 0, 'D. Teasel'],
  [CAR, 'rear', 'Rear sliding caliper', 'Wet wheel 5J x 13 ET 35', 'clears', 5, 0, 'D. Teasel'],
]

/** What people say of wheels over calipers; some of it contradicts the figures. Everything is invented. */
export const DEMO_FIT_REPORTS: FitReport[] = ROWS.map(([car, axle, caliper, wheel, outcome, gapMm, spacerMm, by, note], index) => ({
  id: `report-${index + 1}`,
  car,
  axle,
  caliper,
  wheel,
  ...(spacerMm === undefined ? {} : { spacerMm }),
  outcome,
  ...(gapMm === undefined ? {} : { gapMm: figure(gapMm, 'reported', { u: 1 }) }),
  ...(by === undefined ? {} : { by }),
  date: `2026-0${1 + (index % 8)}-1${index % 9}`,
  ...(note === undefined ? {} : { note }),
}))
