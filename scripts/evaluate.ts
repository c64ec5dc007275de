import { evaluateAll } from '../core/evaluate/evaluate-all.ts'
import { filledIn } from '../core/evaluate/filled-in.ts'
import { heatBrief } from '../core/heat/heat-brief.ts'
import { projectFrom, stop, write } from './file-in.ts'

/** An exported project in, the reports of its setups as JSON on stdout: `npm run -s evaluate -- FILE.json`. */
const name = process.argv[2]
if (name === undefined) stop(['Which file? npm run -s evaluate -- FILE.json'])
const project = projectFrom(name)
const report = {
  project: { id: project.id, name: project.name },
  setups: evaluateAll(project).map(filledIn),
  /** The driving that is chosen, for each setup. */
  heat: project.setups.map((setup) => ({ setupId: setup.id, ...heatBrief(project, setup.id) })),
}
write(`${JSON.stringify(report, undefined, 2)}\n`)
