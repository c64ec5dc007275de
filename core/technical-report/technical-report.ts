import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import { balanceReport } from '../balance/balance-report.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { heatReport } from '../heat/heat-report.ts'
import { fileNameOf, writeProject } from '../formats/project-file.ts'
import type { Project } from '../records/project.ts'
import { findSetup, stockSetup } from '../records/resolve.ts'
import { uncertaintyOf } from '../uncertainty/uncertainty-report.ts'
import { workOrder } from '../work-order/work-order.ts'
import {
  SECTION_IDS,
  SECTIONS,
  WHOLE_REPORT,
  type ReportBlock,
  type ProjectFile,
  type ReportDocument,
  type ReportFacts,
  type ReportOptions,
  type SectionId,
} from './blocks.ts'
import { balance } from './sections/balance.ts'
import { carAndParts } from './sections/car-and-parts.ts'
import { checks } from './sections/checks.ts'
import { clearance } from './sections/clearance.ts'
import { evidence } from './sections/evidence.ts'
import { heat } from './sections/heat.ts'
import { method } from './sections/method.ts'
import { summary } from './sections/summary.ts'
import { work } from './sections/work.ts'
import type { ReportSource } from './source.ts'

const WRITERS: Readonly<Record<SectionId, (source: ReportSource) => ReportBlock[]>> = {
  summary,
  parts: carAndParts,
  clearance,
  balance,
  heat,
  checks,
  work,
  evidence,
  method,
}

/** The project as it is exported, with the hash by which a reader knows that it is the same. */
function projectFile(project: Project): ProjectFile {
  const text = writeProject(project)
  return { name: fileNameOf(project), text, hash: bytesToHex(sha256(utf8ToBytes(text))) }
}

/**
 * One setup of a project as a document that others can check: what the screens say, with every input, formula and source.
 * @param facts what the core cannot know: version and date
 * @throws RangeError when the project has no such setup
 *
 * @example
 * technicalReport(DEMO_PROJECT, 'balanced', { version: '1', madeOn: '2026-09-12' }).sections[0].title // => 'Summary'
 */
export function technicalReport(
  project: Project,
  setupId: string,
  facts: ReportFacts,
  options: ReportOptions = WHOLE_REPORT,
): ReportDocument {
  const setup = findSetup(project, setupId)
  if (!setup) throw new RangeError(`no setup ${setupId} in project ${project.id}`)
  const report = evaluate(project, setupId)
  const source: ReportSource = {
    project,
    setup,
    report,
    baseline: evaluate(project, stockSetup(project).id),
    uncertainty: uncertaintyOf(project, report),
    balance: balanceReport(project, setupId),
    heat: heatReport(project, setupId),
    order: workOrder(project, setupId, report.fit),
    facts,
    file: projectFile(project),
    options,
  }
  const wanted = SECTION_IDS.filter((id) => id === 'summary' || options.sections.includes(id))
  return {
    title: `Technical report: ${project.name}`,
    subtitle: `${project.car.name}, ${setup.name}`,
    madeOn: facts.madeOn,
    attached: options.attach ? source.file : undefined,
    sections: wanted.map((id) => ({ id, title: SECTIONS[id], blocks: WRITERS[id](source) })),
  }
}
