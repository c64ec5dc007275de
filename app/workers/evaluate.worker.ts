import { expose } from 'comlink'
import type { Project } from '../../core/model/project.ts'
import { evaluate } from '../../core/report/evaluate.ts'
import type { Report } from '../../core/report/types.ts'

/** Reports of all setups, the car as it stands first. */
const api = { reports: (project: Project): Report[] => project.setups.map((setup) => evaluate(project, setup.id)) }

export type EvaluateApi = typeof api

expose(api)
