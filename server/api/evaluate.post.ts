import { MAX_BODY_BYTES, readProject } from '#core/formats/project-file.ts'
import { evaluateAll } from '#core/report/evaluate-all.ts'
import { readBounded } from '../utils/read-bounded.ts'

/**
 * A project in, the reports of its setups out: the same core as in the browser.
 * `?setup=ID` asks for one setup. 413 for a body that is too large, 400 with the list of problems.
 */
export default defineEventHandler(async (event) => {
  const text = await readBounded(event.node.req, MAX_BODY_BYTES)
  if (text === undefined) {
    setResponseStatus(event, 413)
    return { problems: [{ path: '', place: 'the request', message: `is larger than ${MAX_BODY_BYTES / 1e6} MB.` }] }
  }
  const read = readProject(text)
  if (!read.ok) {
    setResponseStatus(event, 400)
    return { problems: read.problems }
  }
  const { project } = read
  const wanted = getQuery(event).setup
  if (wanted !== undefined && !project.setups.some((setup) => setup.id === wanted)) {
    setResponseStatus(event, 400)
    return {
      problems: [
        { path: 'setup', place: 'the address', message: `names the setup ${String(wanted).slice(0, 80)}, which is not in the project.` },
      ],
    }
  }
  const setups = evaluateAll(project).filter((one) => wanted === undefined || one.setupId === wanted)
  return { project: { id: project.id, name: project.name }, setups }
})
