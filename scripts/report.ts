import { readFileSync, writeFileSync } from 'node:fs'
import { basename, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { SECTION_IDS, type ReportOptions, type SectionId } from '../core/technical-report/blocks.ts'
import { reportHtml } from '../core/technical-report/html.ts'
import { reportPdf, type PdfPaper } from '../core/technical-report/pdf.ts'
import { technicalReport } from '../core/technical-report/technical-report.ts'
import { projectFrom, stop, wordsOf } from './file-in.ts'

/** The technical report of one setup: `npm run -s report -- FILE.json --setup ID --out report.pdf`. */
const USAGE = `npm run -s report -- FILE.json --setup ID --out report.pdf|report.html [--paper a4|letter] [--parts ${SECTION_IDS.slice(1).join(',')}] [--no-prices] [--no-project] [--date YYYY-MM-DD]`

function given() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        setup: { type: 'string' },
        out: { type: 'string' },
        paper: { type: 'string', default: 'a4' },
        parts: { type: 'string' },
        'no-prices': { type: 'boolean', default: false },
        'no-project': { type: 'boolean', default: false },
        date: { type: 'string' },
      },
    })
  } catch (error) {
    return stop([wordsOf(error), USAGE])
  }
}
const { values, positionals } = given()
const [name] = positionals
if (name === undefined || values.out === undefined) stop(['A project file and --out are needed.', USAGE])
if (!/\.(pdf|html)$/i.test(values.out)) stop([`--out must end in .pdf or .html, not ${values.out}.`, USAGE])
if (values.paper !== 'a4' && values.paper !== 'letter') stop([`--paper is a4 or letter, not ${values.paper}.`, USAGE])
const sections = (values.parts?.split(',') ?? SECTION_IDS) as SectionId[]
const unknown = sections.filter((one) => !SECTION_IDS.includes(one))
if (unknown.length > 0) stop([`There is no part ${unknown.join(', ')}. Parts: ${SECTION_IDS.join(', ')}.`, USAGE])

const { date } = values
if (date !== undefined && (!/^\d{4}-\d{2}-\d{2}$/.test(date) || Number.isNaN(Date.parse(date))))
  stop([`--date is a day like 2026-09-20, not ${date}.`, USAGE])
const project = projectFrom(name)
const setupId = values.setup ?? project.setups[0].id
if (!project.setups.some((one) => one.id === setupId))
  stop([`There is no setup ${setupId}. Setups: ${project.setups.map((one) => one.id).join(', ')}.`])
const facts = {
  version: (JSON.parse(readFileSync(new URL('../package.json', import.meta.url), 'utf8')) as { version: string }).version,
  madeOn: date ?? new Date().toISOString().slice(0, 10),
}
const options: ReportOptions = { sections, prices: !values['no-prices'], attach: !values['no-project'] }
const report = technicalReport(project, setupId, facts, options)
const font = (weight: string) =>
  new Uint8Array(readFileSync(new URL(`../node_modules/@expo-google-fonts/inter/${weight}/Inter_${weight}.ttf`, import.meta.url)))
const content = /\.html$/i.test(values.out)
  ? reportHtml(report)
  : await reportPdf(report, {
      fonts: { regular: font('400Regular'), strong: font('600SemiBold') },
      paper: (values.paper === 'a4' ? 'A4' : 'LETTER') satisfies PdfPaper,
    })
const out = resolve(process.env.INIT_CWD ?? '.', values.out)
try {
  writeFileSync(out, content)
} catch (error) {
  stop([`${basename(out)} could not be written: ${wordsOf(error)}.`])
}
