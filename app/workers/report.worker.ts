import regular from '@expo-google-fonts/inter/400Regular/Inter_400Regular.ttf?url'
import strong from '@expo-google-fonts/inter/600SemiBold/Inter_600SemiBold.ttf?url'
import { expose } from 'comlink'
import type { Project } from '../../core/records/project.ts'
import type { ReportFacts, ReportOptions } from '../../core/technical-report/blocks.ts'
import { reportHtml } from '../../core/technical-report/html.ts'
import { reportPdf, type PdfPaper } from '../../core/technical-report/pdf.ts'
import { technicalReport } from '../../core/technical-report/technical-report.ts'

/** The technical report is made away from the page: hundreds of pages take their time, and can be left. */

export interface ReportWanted extends ReportOptions {
  setupId: string
  format: 'pdf' | 'html'
  paper: PdfPaper
}

async function bytesOf(url: string): Promise<Uint8Array> {
  const answer = await fetch(url)
  if (!answer.ok) throw new Error('the fonts could not be loaded')
  return new Uint8Array(await answer.arrayBuffer())
}

const api = {
  /** @param progress called with the share that is done, 0 to 1 */
  async make(project: Project, wanted: ReportWanted, facts: ReportFacts, progress: (share: number) => void): Promise<string | Uint8Array> {
    const report = technicalReport(project, wanted.setupId, facts, wanted)
    if (wanted.format === 'html') return reportHtml(report)
    const [regularBytes, strongBytes] = await Promise.all([bytesOf(regular), bytesOf(strong)])
    return await reportPdf(report, { fonts: { regular: regularBytes, strong: strongBytes }, paper: wanted.paper, progress })
  },
}

export type ReportApi = typeof api

expose(api)
