import { wrap, type Remote } from 'comlink'
import type { Project } from '#core/records/project.ts'
import type { EvaluateApi } from './evaluate.worker.ts'
import { deltaOf, type Answering } from './project-delta.ts'

type OtherFigures<F> = F extends (project: Project, ...rest: infer R) => unknown ? R : never
type WorkerAnswer<F> = F extends (...all: never[]) => infer R ? Awaited<R> : never
/** What is computed of a project, away from the page. */
export type WorkerFigures = {
  [K in keyof EvaluateApi]: (project: Project, ...rest: OtherFigures<EvaluateApi[K]>) => Promise<WorkerAnswer<EvaluateApi[K]>>
}

/** A worker that computes figures. It holds the project it saw last; each call tells it what has changed. */
export function figuresWorker(): WorkerFigures {
  let remote: Remote<Answering> | undefined
  let sent: Project | undefined
  const call = (name: keyof EvaluateApi, project: Project, rest: unknown[]) => {
    remote ??= wrap<Answering>(new Worker(new URL('./evaluate.worker.ts', import.meta.url), { type: 'module' }))
    const delta = deltaOf(sent, project)
    sent = project
    return remote.run(delta, name, ...rest)
  }
  return new Proxy({} as WorkerFigures, {
    get:
      (_, name) =>
      (project: Project, ...rest: unknown[]) =>
        call(name as keyof EvaluateApi, project, rest),
  })
}
