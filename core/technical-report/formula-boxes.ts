import type { FormulaNode } from './formula.ts'

/** What a formula needs of a page: widths of words, words put down, lines drawn. y downwards; `at` is the base line. */
export interface FormulaPen {
  widthOf(text: string, size: number): number
  word(text: string, x: number, baseY: number, size: number): void
  line(from: readonly [number, number], to: readonly [number, number], width: number): void
}

/** A piece of a formula with its room above and below the base line. */
interface FormulaBox {
  width: number
  above: number
  below: number
  draw(x: number, baseY: number): void
}

/** Of the size of the letters. */
const ABOVE = 0.74
const BELOW = 0.22
const SMALLER = 0.7
const BAR = 0.055
const GAP = 0.16
/** Where a bar stands: the middle of the small letters. */
const AXIS = 0.27

/**
 * A formula laid out: fractions over bars, indices and powers smaller, roots under their bar (D. E. Knuth, The TeXbook,
 * appendix G, in its simplest form).
 */
export function formulaBox(node: FormulaNode, size: number, pen: FormulaPen): FormulaBox {
  const box = (one: FormulaNode, of = size) => formulaBox(one, of, pen)
  switch (node.kind) {
    case 'word': {
      const wide = /^[=+−±·≥≤<>-]$/.test(node.text)
      const side = wide ? size * 0.24 : node.text === ',' ? 0 : 0
      const after = node.text === ',' ? size * 0.24 : side
      const width = pen.widthOf(node.text, size)
      return {
        width: width + side + after,
        above: size * ABOVE,
        below: size * BELOW,
        draw: (x, baseY) => pen.word(node.text, x + side, baseY, size),
      }
    }
    case 'row': {
      const boxes = node.of.map((one) => box(one))
      // words side by side are apart as in a sentence
      const apart = node.of.map((one, i) => (i > 0 && isLetters(one) && isLetters(node.of[i - 1]!) ? size * 0.26 : 0))
      const width = boxes.reduce((sum, one, i) => sum + one.width + apart[i]!, 0)
      return {
        width,
        above: Math.max(size * ABOVE, ...boxes.map((one) => one.above)),
        below: Math.max(size * BELOW, ...boxes.map((one) => one.below)),
        draw(x, baseY) {
          let at = x
          boxes.forEach((one, i) => {
            one.draw(at + apart[i]!, baseY)
            at += one.width + apart[i]!
          })
        },
      }
    }
    case 'fraction': {
      const [over, under] = [box(node.over, size * 0.92), box(node.under, size * 0.92)]
      const width = Math.max(over.width, under.width) + size * 0.3
      const up = size * AXIS
      const thick = size * BAR
      return {
        width,
        above: up + thick + size * GAP + over.below + over.above,
        below: under.above + under.below + size * GAP + thick - up,
        draw(x, baseY) {
          const bar = baseY - up
          pen.line([x + size * 0.06, bar], [x + width - size * 0.06, bar], thick)
          over.draw(x + (width - over.width) / 2, bar - size * GAP - over.below)
          under.draw(x + (width - under.width) / 2, bar + size * GAP + under.above)
        },
      }
    }
    case 'index':
    case 'power': {
      const base = box(node.base)
      const small = box({ kind: 'word', text: node.kind === 'index' ? node.index : node.power }, size * SMALLER)
      const lift = node.kind === 'index' ? size * 0.22 : -Math.max(size * 0.38, base.above - size * 0.36)
      return {
        width: base.width + small.width + size * 0.03,
        above: Math.max(base.above, small.above - lift),
        below: Math.max(base.below, small.below + lift),
        draw(x, baseY) {
          base.draw(x, baseY)
          small.draw(x + base.width + size * 0.03, baseY + lift)
        },
      }
    }
    case 'root': {
      const inner = box(node.of)
      const hook = size * 0.55
      const top = inner.above + size * 0.12
      return {
        width: inner.width + hook + size * 0.1,
        above: top + size * BAR,
        below: inner.below,
        draw(x, baseY) {
          const thick = size * BAR
          pen.line([x, baseY - size * 0.3], [x + hook * 0.3, baseY - size * 0.36], thick)
          pen.line([x + hook * 0.3, baseY - size * 0.36], [x + hook * 0.6, baseY + inner.below], thick)
          pen.line([x + hook * 0.6, baseY + inner.below], [x + hook, baseY - top], thick)
          pen.line([x + hook, baseY - top], [x + hook + inner.width + size * 0.06, baseY - top], thick)
          inner.draw(x + hook + size * 0.03, baseY)
        },
      }
    }
    case 'brackets': {
      const inner = box(node.of)
      const tall = Math.max((inner.above + inner.below) / (size * (ABOVE + BELOW)), 1)
      const signSize = size * Math.min(tall, 2.4)
      const width = pen.widthOf('(', signSize)
      const shift = (inner.below - inner.above) / 2 + signSize * ((ABOVE - BELOW) / 2)
      return {
        width: inner.width + 2 * width,
        above: Math.max(inner.above, signSize * ABOVE - shift),
        below: Math.max(inner.below, signSize * BELOW + shift),
        draw(x, baseY) {
          pen.word('(', x, baseY + shift, signSize)
          inner.draw(x + width, baseY)
          pen.word(')', x + width + inner.width, baseY + shift, signSize)
        },
      }
    }
  }
}
const isLetters = (node: FormulaNode): boolean =>
  node.kind === 'word' ? /^[\p{L}\d½Σ]/u.test(node.text) : node.kind === 'index' || node.kind === 'power' ? isLetters(node.base) : false
