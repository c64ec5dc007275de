import { compareCsv } from '../formats/compare-csv.ts'
import { LOG_FILES, writeLogCsv, type LogFile } from '../formats/log-csv.ts'
import {
  balanceReport,
  boreReport,
  compareSetups,
  evaluate,
  gaugeReport,
  heatReport,
  adjustmentReport,
  recommendation,
  stopTests,
  uncertaintyReport,
  wearReport,
  workOrder,
} from '../index.ts'
import { carAxleFields, carFields } from '../records/car-fields.ts'
import { projectProblems } from '../records/check.ts'
import type { FieldTable } from '../records/field.ts'
import { fieldsOf } from '../records/part-kinds.ts'
import { AXLES } from '../quantity/axle.ts'
import type { Project } from '../records/project.ts'
import { DEMO_PROJECT } from '../demo/project.ts'
import { stopReport } from '../heat/stop-report.ts'
import { keyFigures } from '../evaluate/key-figures.ts'

/** What each public door of the core says of one setup. */
export const EVERY_DOOR: Readonly<Record<string, (project: Project, setupId: string) => unknown>> = {
  evaluate,
  keyFigures: (project, setupId) =>
    keyFigures(
      evaluate(project, setupId),
      evaluate(project, project.setups[0].id),
      project.preferences.units,
      project.preferences.currency,
    ),
  balance: balanceReport,
  bores: (project, setupId) => boreReport(project, setupId, { decelG: project.preferences.referenceDecelG }),
  levers: adjustmentReport,
  gauges: (project, setupId) =>
    gaugeReport(project, setupId, [
      [0, 0],
      [1, 0.9],
      [2, 1.9],
      [4, 3],
    ]),
  heat: (project, setupId) => heatReport(project, setupId),
  stop: stopReport,
  stops: (project, setupId) =>
    stopTests(project, { a: project.setups[0].id, b: setupId, surface: 'dry', load: 'driver', targetKmh: 60, wantedM: 1 }),
  wear: wearReport,
  compare: (project, setupId) => {
    const found = compareSetups(project, [project.setups[0].id, setupId])
    return [found, compareCsv(found)]
  },
  recommendation: (project) => recommendation(project),
  order: workOrder,
  logs: (project) => Object.keys(LOG_FILES).map((file) => writeLogCsv(project, file as LogFile)),
  uncertainty: uncertaintyReport,
}

const NO_WORD = /(?<![A-Za-z])(NaN|Infinity|undefined|null|\[object Object\])(?![A-Za-z])/

/**
 * The first thing of an answer that is no answer: a sentence with NaN, Infinity or undefined in it, or a figure that is no
 * number. Inside the core an infinite limit is a number like others; a figure with a value is not.
 */
export function notSaid(answer: unknown, path = ''): string | undefined {
  if (typeof answer === 'string') return NO_WORD.test(answer) ? `${path}: ${answer.slice(0, 160)}` : undefined
  if (typeof answer === 'number') return Number.isNaN(answer) ? `${path} is NaN` : undefined
  if (typeof answer !== 'object' || answer === null) return undefined
  if (answer instanceof Map) return notSaid([...answer.values()], path)
  for (const [key, value] of Object.entries(answer)) {
    if (key === 'figures' && typeof value === 'object' && value !== null)
      for (const [id, figure] of Object.entries(value as Record<string, { value?: number; u?: number }>))
        for (const name of ['value', 'u'] as const)
          if (figure?.[name] !== undefined && !Number.isFinite(figure[name])) return `${path}.figures.${id}.${name} is ${figure[name]}`
    const found = notSaid(value, `${path}.${key}`)
    if (found) return found
  }
  return undefined
}

/** Figures of a table with their least and largest value. */
const endsOf = (table: FieldTable): { key: string; min: number; max: number; list: boolean }[] =>
  Object.entries(table).flatMap(([key, field]) =>
    field.type === 'figure' || field.type === 'figures' ? [{ key, min: field.min, max: field.max, list: field.type === 'figures' }] : [],
  )
const pick = <T>(next: () => number, from: readonly T[]): T => from[Math.floor(next() * from.length)]!

/** The demo with one or a few figures at their least or largest, as long as the file would be accepted. */
export function atItsLimits(next: () => number): { project: Project; said: string } {
  const project = structuredClone(DEMO_PROJECT) as Project
  const said: string[] = []
  const put = (holder: object, name: string, table: FieldTable) => {
    const { key, min, max, list } = pick(next, endsOf(table))
    const before = (holder as Record<string, unknown>)[key]
    const figure = { value: next() < 0.5 ? min : max, origin: 'measured' as const }
    Object.assign(holder, { [key]: list ? [figure] : figure })
    if (projectProblems(project).length === 0) said.push(`${name}.${key} = ${figure.value}`)
    else if (before === undefined) Reflect.deleteProperty(holder, key)
    else Object.assign(holder, { [key]: before })
  }
  const inUse = new Set(project.setups.flatMap((setup) => [setup.front, setup.rear, setup.hydraulics].flatMap((of) => Object.values(of))))
  const parts = project.parts.filter((part) => inUse.has(part.id))
  for (let times = 1 + Math.floor(3 * next() * next()); times > 0; times -= 1) {
    const which = next()
    if (which < 0.35) put(project.car, 'car', carFields)
    else if (which < 0.5) {
      const axle = pick(next, AXLES)
      put(project.car[axle], `car.${axle}`, carAxleFields)
    } else {
      const part = pick(next, parts)
      put(part, part.id, fieldsOf(part.kind))
    }
  }
  return { project, said: said.join(', ') }
}
