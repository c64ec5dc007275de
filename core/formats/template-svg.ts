import { escaped } from './mark-up.ts'
import type { TemplateMark, Style, Template } from './template.ts'

const STROKES: Readonly<Record<Style, string>> = {
  cut: 'stroke-width="0.6"',
  outline: 'stroke-width="0.25"',
  axis: 'stroke-width="0.2" stroke-dasharray="6 1.5 1 1.5"',
  bar: 'stroke-width="0.3"',
  tile: 'stroke-width="0.15" stroke-dasharray="1 1"',
  faint: 'stroke-width="0.15" stroke-opacity="0.4"',
}
/** A tenth of a micrometre: more digits are noise. */
const digits = (value: number): string => String(Math.round(value * 1e4) / 1e4)

/** One page of a template as SVG in true size; seat and hub axis are said in data attributes, so that points can be read back. */
export function templateSvg({ width, height, pages }: Template, page = 0): string {
  const { marks, seatX, hubY } = pages[page]!
  const draw = (mark: TemplateMark): string => {
    if (mark.kind === 'text')
      return `<text x="${digits(mark.x)}" y="${digits(height - mark.y)}" font-size="${mark.sizeMm}" font-family="sans-serif">${escaped(mark.text)}</text>`
    if (mark.kind === 'disc')
      return `<circle cx="${digits(mark.x)}" cy="${digits(height - mark.y)}" r="${digits(mark.radius)}" fill="${mark.shade === 'black' ? '#000' : '#fff'}"/>`
    if (mark.kind === 'box')
      return `<rect x="${digits(mark.x)}" y="${digits(height - mark.y - mark.height)}" width="${digits(mark.width)}" height="${digits(mark.height)}"/>`
    const d = mark.points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${digits(x)} ${digits(height - y)}`).join(' ')
    return `<path ${mark.name === undefined ? '' : `data-name="${escaped(mark.name)}" `}d="${d}" fill="none" stroke="#000" stroke-linejoin="round" ${STROKES[mark.style]}/>`
  }
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}" data-seat-x="${digits(seatX)}" data-hub-y="${digits(height - hubY)}">`,
    ...marks.map(draw),
    '</svg>',
    '',
  ].join('\n')
}
