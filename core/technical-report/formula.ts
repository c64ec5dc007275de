import { escaped } from '../formats/mark-up.ts'

/**
 * Formulas are kept as one line that a person can type ("A = π/4 · Σ d²"). Here such a line becomes a tree, which a page sets
 * with fraction bars, roots and indices.
 */
export type FormulaNode =
  | { kind: 'row'; of: FormulaNode[] }
  /** `letter`: a quantity, set in italics by who can. */
  | { kind: 'word'; text: string; letter?: true }
  | { kind: 'fraction'; over: FormulaNode; under: FormulaNode }
  | { kind: 'index'; base: FormulaNode; index: string }
  | { kind: 'power'; base: FormulaNode; power: string }
  | { kind: 'root'; of: FormulaNode }
  | { kind: 'brackets'; of: FormulaNode }

const POWERS: Readonly<Record<string, string>> = { '²': '2', '³': '3' }
const TOKEN = /\s+|(\d+(?:\.\d+)?(?:e[-−]?\d+)?)|(\p{L}[\p{L}\d]*(?:_[\p{L}\d]+)?)|(.)/gu

interface Token {
  text: string
  kind: 'number' | 'name' | 'sign'
  /** A blank stands before it. */
  apart: boolean
}
function tokensOf(text: string): Token[] {
  const found: Token[] = []
  let apart = false
  for (const [all, number, name, sign] of text.matchAll(TOKEN)) {
    const value = number ?? name ?? sign
    if (value === undefined) {
      apart = all.length > 0
      continue
    }
    found.push({ text: value, kind: number !== undefined ? 'number' : name !== undefined ? 'name' : 'sign', apart })
    apart = false
  }
  return found
}

/** The product that a bar divides reaches back to one of these. */
const ENDS_PRODUCT = new Set(['=', '+', '-', '−', '±', '(', ')', ',', '≥', '≤', '>', '<'])

/**
 * A line as a tree. A slash with blanks divides all of the product before it, a slash without them the sign beside it.
 *
 * @example
 * formulaTree('a / b') // => { kind: 'fraction', over: { kind: 'word', text: 'a', letter: true }, under: { kind: 'word', text: 'b', letter: true } }
 */
export function formulaTree(text: string): FormulaNode {
  const tokens = tokensOf(text)
  let at = 0
  const peek = () => tokens[at]

  /** One factor, with its powers. */
  function factor(): FormulaNode {
    const token = tokens[at++]!
    let node: FormulaNode
    if (token.text === '√' && peek()?.text === '(') {
      at += 1
      node = { kind: 'root', of: row(')') }
      at += 1
    } else if (token.text === '(') {
      node = { kind: 'brackets', of: row(')') }
      at += 1
    } else if (token.kind === 'name') node = named(token.text)
    else node = { kind: 'word', text: token.text }
    while (peek() && !peek()!.apart && POWERS[peek()!.text] !== undefined)
      node = { kind: 'power', base: node, power: POWERS[tokens[at++]!.text]! }
    return node
  }
  function row(end?: string): FormulaNode {
    const of: FormulaNode[] = []
    /** Where the product begins that a bar would divide. */
    let product = 0
    while (at < tokens.length && peek()!.text !== end) {
      const token = peek()!
      if (token.text === '/' && of.length > 0 && at + 1 < tokens.length) {
        at += 1
        const from = token.apart ? product : of.length - 1
        const over = unwrapped(joined(of.splice(from)))
        of.push({ kind: 'fraction', over, under: unwrapped(factor()) })
        continue
      }
      const node = factor()
      of.push(node)
      if (node.kind === 'word' && ENDS_PRODUCT.has(node.text)) product = of.length
    }
    return joined(of)
  }
  return row()
}
const joined = (of: FormulaNode[]): FormulaNode => (of.length === 1 ? of[0]! : { kind: 'row', of })
/** A bar holds together what brackets held. */
const unwrapped = (node: FormulaNode): FormulaNode => (node.kind === 'brackets' ? node.of : node)

/** One letter, or one with an index, is a quantity; a longer word is a word. */
function named(name: string): FormulaNode {
  const [base, index] = name.split('_') as [string, string?]
  const letter = [...base].length <= 2
  const word: FormulaNode = { kind: 'word', text: base, ...(letter ? { letter: true } : {}) }
  return index === undefined ? word : { kind: 'index', base: word, index }
}

/**
 * The tree as presentation MathML (MathML Core, W3C), which browsers set without a script.
 *
 * @example
 * mathMl(formulaTree('d²')) // => '<msup><mi>d</mi><mn>2</mn></msup>'
 */
export function mathMl(node: FormulaNode): string {
  switch (node.kind) {
    case 'row':
      return `<mrow>${node.of.map(mathMl).join('')}</mrow>`
    case 'word':
      return /^[\d.½]/.test(node.text)
        ? `<mn>${escaped(node.text)}</mn>`
        : node.letter
          ? `<mi>${escaped(node.text)}</mi>`
          : /^\p{L}/u.test(node.text)
            ? `<mtext>${escaped(node.text)}</mtext>`
            : `<mo>${escaped(node.text)}</mo>`
    case 'fraction':
      return `<mfrac>${mathMl(node.over)}${mathMl(node.under)}</mfrac>`
    case 'index':
      return `<msub>${mathMl(node.base)}<mtext>${escaped(node.index)}</mtext></msub>`
    case 'power':
      return `<msup>${mathMl(node.base)}<mn>${escaped(node.power)}</mn></msup>`
    case 'root':
      return `<msqrt>${mathMl(node.of)}</msqrt>`
    case 'brackets':
      return `<mrow><mo>(</mo>${mathMl(node.of)}<mo>)</mo></mrow>`
  }
}
