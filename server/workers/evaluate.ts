import { readProject } from '#core/formats/project-file.ts'
import { evaluateAll } from '#core/evaluate/evaluate-all.ts'
import { filledIn } from '#core/evaluate/filled-in.ts'
import type { Timed } from '../utils/thread-pool.ts'

/** A request as it reaches the worker. */
export interface EvaluateTask {
  text: string
  /** Only this setup. */
  setup?: string
}
/** The answer, ready to be sent. */
export interface EvaluateAnswer {
  status: number
  body: string
}

const problem = (path: string, place: string, message: string): EvaluateAnswer => ({
  status: 400,
  body: JSON.stringify({ problems: [{ path, place, message }] }),
})

/** Runs in a thread of its own: reads, checks and evaluates a project, so that no request holds another. */
export default function evaluateProject({ task: { text, setup }, begun }: Timed<EvaluateTask>): EvaluateAnswer {
  Atomics.store(begun, 0, 1)
  const read = readProject(text)
  if (!read.ok) return { status: 400, body: JSON.stringify({ problems: read.problems }) }
  const { project } = read
  if (setup !== undefined && !project.setups.some((one) => one.id === setup))
    return problem('setup', 'the address', `names the setup ${setup.slice(0, 80)}, which is not in the project.`)
  return {
    status: 200,
    body: JSON.stringify({ project: { id: project.id, name: project.name }, setups: evaluateAll(project, setup).map(filledIn) }),
  }
}
