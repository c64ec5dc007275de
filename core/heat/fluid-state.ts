import { GRADES, gradeOf, presentBoil, waterAfter, WET_AT_PERCENT } from './maths/fluid.ts'
import type { PartOf } from '../records/part.ts'
import type { Project } from '../records/project.ts'
import type { Working } from '../figures/working.ts'
import { readPart } from '../figures/read.ts'

/** Said of a fluid beyond its wet boiling point. */
const TOO_WET = '; its boiling point is below the wet boiling point, so change it'
/** Months that a fluid is taken to have been in service where nobody says. */
const ASSUMED_MONTHS = 12
/** What a strip or a refractometer may be off by, % of water. */
const READING_OFF = 0.4
/** How much faster or slower than usual a fluid may have taken water, by its months. */
const MONTHS_OFF = 0.5

export interface FluidNow {
  boilC: number
  /** Where it may boil already, by the doubt of its water. */
  leastBoilC: number
  /** At its worst, where nobody says how old it is. */
  worstBoilC: number | undefined
  waterPercent: number | undefined
  changeNow: boolean
  /** "Club fluid: 14 months, 2.3 % water" */
  words: string
}

/** Where a fluid boils now: by its water, read or reckoned from its age. */
export function fluidNow(work: Working, project: Project, fluid: PartOf<'fluid'>): FluidNow | undefined {
  const grade = gradeOf(fluid.grade)
  const of = (field: 'dryBoilC' | 'wetBoilC', least: 'dryC' | 'wetC') =>
    fluid[field] || !grade
      ? readPart(work, fluid, field)
      : work.assume(GRADES[grade][least], {
          label: `Boiling point of ${fluid.name}, the least of its grade`,
          dimension: 'temperature',
          at: { kind: 'part', partId: fluid.id, field },
        })
  const dryC = of('dryBoilC', 'dryC')
  const wetC = of('wetBoilC', 'wetC')
  if (dryC === undefined || wetC === undefined) return undefined
  const at = (percent: number) => presentBoil(dryC, wetC, percent)
  if (fluid.base === 'silicone')
    return {
      boilC: dryC,
      leastBoilC: wetC,
      worstBoilC: undefined,
      waterPercent: undefined,
      changeNow: false,
      words: `${fluid.name}: absorbs no water; drops of water boil at 100 °C`,
    }
  const read = fluid.waterPercent?.value
  if (read !== undefined)
    return {
      boilC: at(read).boilC,
      leastBoilC: beyondWet(read) ? WATER_BOILS_C : at(read + READING_OFF).boilC,
      worstBoilC: undefined,
      waterPercent: read,
      changeNow: at(read).changeNow,
      words: `${fluid.name}: ${percent(read)} water, read${beyondWet(read) ? TOO_WET : ''}`,
    }
  const climate = project.car.climate ?? 'humid'
  const months = fluid.serviceMonths?.value
  const water = waterAfter(months ?? ASSUMED_MONTHS, climate)
  const humid = project.car.climate === undefined ? ', humid air assumed' : climate === 'humid' ? ', humid air' : ''
  return {
    boilC: at(water).boilC,
    leastBoilC: beyondWet(water) ? WATER_BOILS_C : at(water * (1 + MONTHS_OFF)).boilC,
    worstBoilC: months === undefined ? wetC : undefined,
    waterPercent: water,
    changeNow: months !== undefined && at(water).changeNow,
    words: `${fluid.name}: ${months === undefined ? `${ASSUMED_MONTHS} months assumed` : `${months.toFixed(0)} months`} in service${humid}, estimated water ${percent(water)}${beyondWet(water) ? TOO_WET : ''}`,
  }
}
/** Nobody states a boiling point of a fluid with more water than the wet one is stated for; water itself boils here, degC. */
const WATER_BOILS_C = 100
const beyondWet = (waterPercent: number): boolean => waterPercent > WET_AT_PERCENT
const percent = (value: number) => `${value.toFixed(1)}%`
