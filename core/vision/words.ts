import { formatQuantity } from '../quantity/format.ts'
import type { UnitChoice } from '../quantity/units.ts'
import type { DoubtOf } from './outline.ts'
import { MOST_RESIDUAL_MM } from './sheet.ts'

const mm = (value: number, units: UnitChoice) => formatQuantity(value, 'length', units, { decimals: units.length === 'mm' ? 2 : 4 })

/** What a sheet that was read is worth, in a sentence. */
export function residualWords(found: { residualMm: number; places: number; leftOut: number }, units: UnitChoice): string {
  const hidden =
    found.leftOut === 0
      ? ''
      : found.leftOut === 1
        ? ' One was left out: hidden in part.'
        : ` ${found.leftOut} were left out: hidden in part.`
  return `${found.places} places of the sheet agree to within ${mm(found.residualMm, units)}; more than ${mm(MOST_RESIDUAL_MM, units)} would be refused.${hidden}`
}

const OF: Readonly<Record<DoubtOf, string>> = {
  pixel: 'pixels',
  line: 'width of the line',
  marks: 'marks of the sheet',
  thickness: 'thickness and lens',
  print: 'printer’s scale',
  laid: 'laying to the lines',
  scale: 'scale',
  lines: 'axis and mounting face as marked',
}
/** What would make it smaller. */
const BETTER: Readonly<Partial<Record<DoubtOf, string>>> = {
  line: 'Draw with a sharper pencil, or trace a cut edge.',
  print: 'Measure the printed bars.',
  laid: 'Draw axis and mounting face on the card and mark them.',
  thickness: 'Go further away and photograph from straight above.',
  pixel: 'Go nearer, so that the sheet fills the picture.',
  scale: 'Use two points further apart.',
  lines: 'Point further apart on each line, zoomed in.',
}

/** What the doubt of a traced line is made of, largest first, and what would make the largest smaller. */
export function doubtWords(
  made: Readonly<Partial<Record<DoubtOf, number>>>,
  units: UnitChoice,
): { parts: string; better: string | undefined } {
  const all = (Object.entries(made) as [DoubtOf, number][]).filter(([, u]) => u >= 0.005).sort((a, b) => b[1] - a[1])
  return {
    parts: all.map(([of, u]) => `${OF[of]} ${mm(u, units)}`).join(', '),
    better: all[0] && BETTER[all[0][0]],
  }
}
