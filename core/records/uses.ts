/** What a car is used for, each with what follows from it: the driving asked about first, the usual pedal, the aim of the bias. */
export interface Use {
  label: string
  /** On the public road: what approval and inspection ask for holds. */
  road: boolean
  /** The driving that heat is asked about first, by its id in the table of drivings. */
  duty: string
  pedal: 'road' | 'competition'
  /** Where the bias is best put, and why. */
  aim: string
  caution: string
}

export const USE_NAMES = ['daily', 'towing', 'trackDays', 'circuit', 'hillClimb', 'drag', 'loose'] as const
type UseName = (typeof USE_NAMES)[number]

export const USES: Record<UseName, Use> = {
  daily: {
    label: 'every day on the road',
    road: true,
    duty: 'fade',
    pedal: 'road',
    aim: 'Front wheels lock first up to hard braking, laden and empty, also in the rain.',
    caution: 'Track pads may have little cold friction. On the road the first stop counts.',
  },
  towing: {
    label: 'mountains or a trailer',
    road: true,
    duty: 'descent',
    pedal: 'road',
    aim: 'Front wheels lock first when loaded: a trailer lifts the front.',
    caution: 'Use a low gear to save the brakes. Year-old fluid boils well below fresh fluid.',
  },
  trackDays: {
    label: 'track days, driven there',
    road: true,
    duty: 'kind',
    pedal: 'road',
    aim: 'As on the road: the car is driven home in any weather.',
    caution: 'Use fresh fluid and pads with more than half their lining. Stop if the pedal gets soft.',
  },
  circuit: {
    label: 'racing on a circuit',
    road: false,
    duty: 'hard',
    pedal: 'competition',
    aim: 'Slightly more to the front than the ideal balance: tyres are hot and grip hardly changes.',
    caution: 'Class rules and the scrutineer decide which changes are allowed.',
  },
  hillClimb: {
    label: 'hill climbs and sprints',
    road: false,
    duty: 'hill',
    pedal: 'competition',
    aim: 'Close to the ideal balance: the first corner comes with cold pads and cold tyres.',
    caution: 'Pads need cold friction. The way back down heats them again with little cooling air.',
  },
  drag: {
    label: 'drag strip',
    road: false,
    duty: 'stop',
    pedal: 'competition',
    aim: 'Towards the front: one stop from high speed with a light rear axle.',
    caution: 'Holding on the start line and stopping after the finish are separate questions.',
  },
  loose: {
    label: 'loose surfaces',
    road: false,
    duty: 'fade',
    pedal: 'competition',
    aim: 'More to the rear than on asphalt: little load transfers forward, and the car turns more easily.',
    caution: 'A car set up for loose ground can spin on wet asphalt. Reset the balance before you drive home.',
  },
}

/** Uses that are on the list and were meant: files may hold anything. */
export const usesOf = (uses: readonly string[] | undefined): UseName[] => USE_NAMES.filter((one) => uses?.includes(one))

/** Whether the car is only ever in competition; nobody says: then it is on the road, where more is asked. */
export function inCompetitionOnly(uses: readonly string[] | undefined): boolean {
  const known = usesOf(uses)
  return known.length > 0 && known.every((one) => !USES[one].road)
}

/** The pedal that is usual: of competition only where nobody drives it on the road. */
export const pedalOf = (uses: readonly string[] | undefined): Use['pedal'] => (inCompetitionOnly(uses) ? 'competition' : 'road')

/** What asks most of the brakes is asked about first. */
const HARDEST_FIRST: readonly UseName[] = ['circuit', 'hillClimb', 'trackDays', 'towing', 'drag', 'loose', 'daily']
/** The driving that the uses suggest, by id. */
export function dutyOf(uses: readonly string[] | undefined): string {
  const known = usesOf(uses)
  return USES[HARDEST_FIRST.find((one) => known.includes(one)) ?? 'daily'].duty
}
