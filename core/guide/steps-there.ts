import type { Project } from '../records/project.ts'
import type { QuestionId } from '../records/start-question.ts'
import { recommend } from '../decide/recommend.ts'
import { compare } from '../decide/compare.ts'
import { workOrder } from '../work-order/work-order.ts'
import { counted } from '../figures/words.ts'
import type { HeatBrief } from '../heat/heat-brief.ts'
import { stopsReport } from '../evidence/stop-tests.ts'
import type { Report, StepId } from '../evaluate/report.ts'
import type { Answer } from './answer.ts'

/** One thing to do on the way to an answer that is more than figures. */
interface StepThere {
  id: string
  words: string
  /** What there is of it. */
  state: string
  done: boolean
  to: StepId
  view?: string
}
interface WayThere {
  steps: StepThere[]
  answer: Answer
}

const say = (verdict: Answer['verdict'], sentence: string, beside: string[] = []): Answer => ({ verdict, sentence, beside, matters: [] })

/** The way to an answer that takes setups, prices or stops, not figures alone; undefined for the others. */
export function stepsThere(
  project: Project,
  reports: readonly Report[],
  question: QuestionId,
  heats: Readonly<Record<string, HeatBrief>> = {},
  frontFirstOf100: Readonly<Record<string, number | undefined>> = {},
): WayThere | undefined {
  switch (question) {
    case 'worth':
      return worth(project, reports, heats, frontFirstOf100)
    case 'helped':
      return helped(project)
    case 'order':
      return order(project, reports)
    default:
      return undefined
  }
}

const onTheCar = (project: Project): StepThere => {
  const [stock] = project.setups
  const known = [stock.front.caliper, stock.rear.caliper, stock.hydraulics.masterCylinder].filter((one) => one !== undefined).length
  return {
    id: 'car',
    words: 'Enter the present brakes, or start from a typical car.',
    state: known === 3 ? 'brakes are there' : `${known} of 3: front, rear, master cylinder`,
    done: known === 3,
    to: 'setup',
  }
}
const choices = (project: Project): StepThere => {
  const count = project.setups.length - 1
  return {
    id: 'setups',
    words: 'Add a setup for each option, in the tabs at the top.',
    state: count === 0 ? 'none yet' : counted(count, 'setup'),
    done: count > 0,
    to: 'setup',
  }
}

function worth(
  project: Project,
  reports: readonly Report[],
  heats: Readonly<Record<string, HeatBrief>>,
  frontFirstOf100: Readonly<Record<string, number | undefined>>,
): WayThere {
  const others = reports.filter((one) => !one.isStock)
  const unpriced = others.reduce((sum, one) => sum + one.bill.unpriced, 0)
  const steps: StepThere[] = [
    onTheCar(project),
    {
      id: 'gather',
      words: 'Add kits, donors or parts with their prices.',
      state: counted(project.parts.filter((one) => one.price).length, 'part with a price', 'parts with a price'),
      done: project.parts.some((one) => one.price),
      to: 'parts',
    },
    choices(project),
    {
      id: 'prices',
      words: 'Enter the missing prices.',
      state: others.length === 0 ? 'nothing to buy yet' : unpriced === 0 ? 'all have one' : `${unpriced} without`,
      done: others.length > 0 && unpriced === 0,
      to: 'cost',
      view: 'bill',
    },
    { id: 'compare', words: 'Compare the setups.', state: '', done: false, to: 'cost', view: 'compare' },
  ]
  if (others.length === 0) return { steps, answer: say('unknown', 'Not enough data: add a setup for each option.') }
  const comparison = compare(project, reports, heats, frontFirstOf100)
  // without session and lock-up probability of every setup nothing is advised
  if (!reports.every(({ setupId }) => setupId in heats && setupId in frontFirstOf100))
    return { steps, answer: say('check', comparison.sentence) }
  const { headline, facts } = recommend(project, comparison, reports, heats, frontFirstOf100)
  return { steps, answer: say('check', [headline, ...facts].join(' ')) }
}

function helped(project: Project): WayThere {
  const bySetup = new Map<string, number>()
  for (const { setupId } of project.stopTests) bySetup.set(setupId, (bySetup.get(setupId) ?? 0) + 1)
  const [stock] = project.setups
  const before = bySetup.get(stock.id) ?? 0
  const [after] = [...bySetup].filter(([id]) => id !== stock.id).sort((a, b) => b[1] - a[1])
  const steps: StepThere[] = [
    choices(project),
    {
      id: 'plan',
      words: 'Plan how many stops are needed to show a difference.',
      state: '',
      done: false,
      to: 'prove',
      view: 'stops',
    },
    {
      id: 'before',
      words: 'Log stops of the current car.',
      state: counted(before, 'stop'),
      done: before >= 2,
      to: 'prove',
      view: 'stops',
    },
    {
      id: 'after',
      words: 'Log stops after the change, on the same road and day.',
      state: counted(after?.[1] ?? 0, 'stop'),
      done: (after?.[1] ?? 0) >= 2,
      to: 'prove',
      view: 'stops',
    },
  ]
  const [first] = project.stopTests
  if (!after || !first) return { steps, answer: say('unknown', 'Not enough data: log at least two stops before and two after.') }
  const { sentence, notes, compared } = stopsReport(project, {
    a: stock.id,
    b: after[0],
    surface: first.surface,
    load: first.load,
    targetKmh: project.preferences.stopFromKmh,
    wantedM: 2,
  })
  return { steps, answer: say(compared ? 'check' : 'unknown', sentence, notes.slice(0, 3)) }
}

function order(project: Project, reports: readonly Report[]): WayThere {
  const setup = project.setups.slice(1).find((one) => one.id === project.builds[0]?.id) ?? project.setups[1]
  const report = reports.find((one) => one.setupId === setup?.id)
  const open = report?.fit.filter((one) => one.verdict === 'unknown' || one.verdict === 'needs' || one.verdict === 'blocked').length ?? 0
  const steps: StepThere[] = [
    onTheCar(project),
    choices(project),
    {
      id: 'fit',
      words: 'Check that everything fits, and add the pieces it needs.',
      state: report ? (open === 0 ? 'nothing open' : `${open} open`) : 'no setup yet',
      done: report !== undefined && open === 0,
      to: 'fit',
      view: 'check',
    },
    { id: 'order', words: 'Order the parts by seller, and print the work order.', state: '', done: false, to: 'build', view: 'order' },
  ]
  if (!report || !setup) return { steps, answer: say('unknown', 'Nothing to order yet: add a setup first.') }
  if (report.verdict === 'blocked')
    return { steps, answer: say('blocked', `“${setup.name}” must not be built, so it has no work order. Fit shows why.`) }
  const jobs = workOrder(project, setup.id, report.fit).steps.length
  const buy = report.bill.lines.length
  return {
    steps,
    answer: say(
      open === 0 ? 'fits' : 'check',
      `“${setup.name}”: ${counted(buy, 'line')} to buy, ${counted(jobs, 'step')} in order${open === 0 ? '' : `; ${counted(open, 'question')} open before anything is ordered`}.`,
    ),
  }
}
