import { FINDING_SHORT } from '../figures/words.ts'
import { escaped } from '../formats/mark-up.ts'
import { SIGNAL_WORDS } from '../records/safety-note.ts'
import type { ReportBlock, TableCell, ReportDocument } from './blocks.ts'
import { INKS, SHADES, type VectorDrawing, type DrawingMark } from './drawing.ts'
import { formulaTree, mathMl } from './formula.ts'

type StyleSheet = Readonly<Record<string, Readonly<Record<string, string>>>>
const STYLE: StyleSheet = {
  body: {
    font: '15px/1.5 system-ui,sans-serif',
    color: '#111',
    background: '#fff',
    'max-width': '190mm',
    margin: '12mm auto',
    padding: '0 6mm',
  },
  h1: { 'font-size': '26px', margin: '0' },
  h2: { 'font-size': '21px', 'border-bottom': '2px solid #111', margin: '36px 0 10px', 'break-after': 'avoid' },
  h3: { 'font-size': '16px', margin: '22px 0 6px', 'break-after': 'avoid' },
  p: { margin: '6px 0' },
  '.soft': { color: '#555' },
  table: { 'border-collapse': 'collapse', width: '100%', margin: '8px 0' },
  'th,td': {
    'text-align': 'left',
    'vertical-align': 'top',
    'border-bottom': '1px solid #bbb',
    padding: '3px 8px 3px 0',
    'overflow-wrap': 'anywhere',
  },
  th: { 'border-bottom': '1.5px solid #111' },
  '.number': { 'text-align': 'right' },
  '.dense': { 'font-size': '12.5px' },
  tr: { 'break-inside': 'avoid' },
  '.verdict b': { border: '1.5px solid #111', padding: '0 6px', 'margin-right': '6px', 'white-space': 'nowrap' },
  '.safety': { border: '2px solid #111', padding: '6px 10px', margin: '8px 0' },
  figure: { margin: '12px 0', 'break-inside': 'avoid' },
  figcaption: { 'font-size': '13px', color: '#333' },
  'svg,img': { 'max-width': '100%', height: 'auto' },
  '.formula': { 'border-left': '3px solid #111', padding: '4px 12px', margin: '8px 0', 'overflow-x': 'auto' },
  math: { 'font-size': '1.15em' },
  '.blank': { display: 'inline-block', 'min-width': '45mm', 'border-bottom': '1px solid #111', margin: '14mm 6mm 0 0' },
  'nav ol': { columns: '2' },
}
const PRINTED: StyleSheet = {
  body: { margin: '0', 'max-width': 'none' },
  h2: { 'break-before': 'page' },
  'h2:first-of-type': { 'break-before': 'auto' },
}
const css = (style: StyleSheet): string =>
  Object.entries(style)
    .map(
      ([selector, lines]) =>
        `${selector}{${Object.entries(lines)
          .map((one) => one.join(':'))
          .join(';')}}`,
    )
    .join('')
/** Nothing is fetched and nothing runs, whatever stands in a name. */
const POLICY = ["default-src 'none'", "style-src 'unsafe-inline'", 'img-src data:'].join('; ')

/** The report as one web page of its own: no script, nothing fetched. */
export function reportHtml({ title, subtitle, madeOn, sections }: ReportDocument): string {
  const contents = sections.map((one) => `<li><a href="#${one.id}">${escaped(one.title)}</a></li>`).join('')
  const body = sections
    .map((one, i) => `<section id="${one.id}"><h2>${i + 1}. ${escaped(one.title)}</h2>\n${one.blocks.map(blockHtml).join('\n')}</section>`)
    .join('\n')
  const head = [
    '<meta charset="utf-8">',
    '<meta name="viewport" content="width=device-width, initial-scale=1">',
    `<meta http-equiv="Content-Security-Policy" content="${POLICY}">`,
    `<title>${escaped(title)}</title>`,
    `<style>${css(STYLE)}@media print{${css(PRINTED)}}</style>`,
  ]
  const top = [
    `<h1>${escaped(title)}</h1>`,
    `<p>${escaped(subtitle)}</p>`,
    `<p class="soft">Made on ${escaped(madeOn)}</p>`,
    `<nav aria-label="Contents"><ol>${contents}</ol></nav>`,
  ]
  return ['<!doctype html>', '<html lang="en"><head>', ...head, '</head><body>', ...top, body, '</body></html>', ''].join('\n')
}

const safeId = (id: string) => escaped(id.replace(/[^A-Za-z0-9._-]/g, '-'))
function blockHtml(block: ReportBlock): string {
  switch (block.kind) {
    case 'heading':
      return `<h3 id="${safeId(block.id)}">${escaped(block.text)}</h3>`
    case 'text':
      return block.look === 'strong'
        ? `<p><strong>${escaped(block.text)}</strong></p>`
        : `<p${block.look ? ' class="soft"' : ''}>${escaped(block.text)}</p>`
    case 'list':
      return `<ul>${block.items.map((one) => `<li>${escaped(one)}</li>`).join('')}</ul>`
    case 'verdict':
      return `<p class="verdict"><b>${FINDING_SHORT[block.verdict]}</b>${escaped(block.text)}</p>`
    case 'safety':
      return `<p class="safety"><strong>${SIGNAL_WORDS[block.note.level]}</strong> ${escaped(block.note.hazard)} ${escaped(block.note.action)}</p>`
    case 'table': {
      const side = (i: number) => (block.columns[i]?.number ? ' class="number"' : '')
      const head = block.columns.map(
        (one, i) => `<th scope="col"${side(i)} style="width:${(one.share * 100).toFixed(0)}%">${escaped(one.label)}</th>`,
      )
      const rows = block.rows.map((row) => `<tr>${row.map((cell, i) => `<td${side(i)}>${cellHtml(cell)}</td>`).join('')}</tr>`)
      return `<table${block.dense ? ' class="dense"' : ''}><thead><tr>${head.join('')}</tr></thead><tbody>${rows.join('')}</tbody></table>`
    }
    case 'formula': {
      const line = block.inWords ? `<p>${escaped(block.text)}</p>` : mathHtml(block.text)
      const filled = block.filled ? mathHtml(`= ${block.filled}`) : ''
      return `<div class="formula">${line}${filled}<p>= <strong>${escaped(block.result)}</strong></p></div>`
    }
    case 'drawing':
      return `<figure>${drawingSvg(block.drawing, block.description)}<figcaption>${escaped(block.caption)}</figcaption></figure>`
    case 'picture':
      return `<figure><img alt="${escaped(block.caption)}" src="${escaped(block.jpeg)}"><figcaption>${escaped(block.caption)}</figcaption></figure>`
    case 'blanks':
      return `<p>${block.labels.map((one) => `<span class="blank">${escaped(one)}:</span>`).join('')}</p>`
  }
}
const mathHtml = (text: string) => `<p><math display="inline">${mathMl(formulaTree(text))}</math></p>`
function cellHtml(cell: TableCell): string {
  if (typeof cell === 'string') return escaped(cell)
  const words =
    cell.verdict && !cell.text.startsWith(FINDING_SHORT[cell.verdict]) ? `${FINDING_SHORT[cell.verdict]}: ${cell.text}` : cell.text
  return cell.strong || cell.verdict ? `<strong>${escaped(words)}</strong>` : escaped(words)
}

/** A drawing as SVG. */
function drawingSvg({ width, height, marks }: VectorDrawing, description: string): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height.toFixed(1)}" width="${width * 1.4}" role="img" aria-label="${escaped(description)}">${marks.map(markSvg).join('')}</svg>`
}
function markSvg(mark: DrawingMark): string {
  if (mark.kind === 'dot') return `<circle cx="${at(mark.at[0])}" cy="${at(mark.at[1])}" r="${mark.radius}"/>`
  if (mark.kind === 'text')
    return `<text x="${at(mark.at[0])}" y="${at(mark.at[1])}" font-size="${mark.size}"${mark.anchor ? ` text-anchor="${mark.anchor}"` : ''}${mark.strong ? ' font-weight="600"' : ''}>${escaped(mark.text)}</text>`
  const { width, dash } = INKS[mark.ink]
  const d = mark.points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${at(x)} ${at(y)}`).join('')
  return `<path d="${d}${mark.closed ? 'Z' : ''}" fill="${SHADES[mark.shade ?? 'none'] ?? 'none'}" stroke="#111" stroke-width="${width}"${dash ? ` stroke-dasharray="${dash.join(' ')}"` : ''}/>`
}
const at = (value: number) => value.toFixed(2)
