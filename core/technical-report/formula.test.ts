import { describe, expect, test } from '@jest/globals'
import { blankProject } from '../records/blank.ts'
import { evaluate } from '../evaluate/evaluate.ts'
import { formulaBox } from './formula-boxes.ts'
import { formulaTree, mathMl, type FormulaNode } from './formula.ts'

const blank = blankProject('x', 'X')
const TEXTS = [
  ...new Set(Object.values(evaluate(blank, blank.setups[0].id).figures).flatMap(({ method }) => (method.inWords ? [] : [method.text]))),
]

/** Everything that stands in a tree, in the order of the line. */
function signs(node: FormulaNode): string {
  switch (node.kind) {
    case 'row':
      return node.of.map(signs).join('')
    case 'word':
      return node.text
    case 'fraction':
      return `${signs(node.over)}/${signs(node.under)}`
    case 'index':
      return `${signs(node.base)}_${node.index}`
    case 'power':
      return `${signs(node.base)}${node.power === '2' ? '²' : '³'}`
    case 'root':
      return `√(${signs(node.of)})`
    case 'brackets':
      return `(${signs(node.of)})`
  }
}
const pen = { widthOf: (text: string, size: number) => text.length * size * 0.5, word: () => undefined, line: () => undefined }

describe('formulas from one line', () => {
  test('a bar takes the whole product before it; close to a sign only that sign', () => {
    expect(mathMl(formulaTree('a · b / c'))).toBe('<mfrac><mrow><mi>a</mi><mo>·</mo><mi>b</mi></mrow><mi>c</mi></mfrac>')
    expect(mathMl(formulaTree('π/4 · d²'))).toBe(
      '<mrow><mfrac><mi>π</mi><mn>4</mn></mfrac><mo>·</mo><msup><mi>d</mi><mn>2</mn></msup></mrow>',
    )
    expect(mathMl(formulaTree('a + b / c'))).toBe('<mrow><mi>a</mi><mo>+</mo><mfrac><mi>b</mi><mi>c</mi></mfrac></mrow>')
    expect(mathMl(formulaTree('(r_o + r_i) / 2'))).toBe(
      '<mfrac><mrow><msub><mi>r</mi><mtext>o</mtext></msub><mo>+</mo><msub><mi>r</mi><mtext>i</mtext></msub></mrow><mn>2</mn></mfrac>',
    )
    expect(mathMl(formulaTree('√(a / b)'))).toBe('<msqrt><mfrac><mi>a</mi><mi>b</mi></mfrac></msqrt>')
  })
  test('nothing of any formula of a figure is lost', () => {
    expect(TEXTS.length).toBeGreaterThan(10)
    for (const text of TEXTS)
      // brackets that a bar makes needless are gone
      expect(signs(formulaTree(text)).replace(/[()]/g, '')).toBe(text.replace(/[\s()]/g, ''))
  })
  test('each has a size on paper, and a taller one where something stands over a bar', () => {
    const boxes = TEXTS.map((text) => ({ text, box: formulaBox(formulaTree(text), 10, pen) }))
    for (const { box } of boxes) {
      expect(box.width).toBeGreaterThan(10)
      expect(box.above).toBeGreaterThan(0)
      expect(box.below).toBeGreaterThan(0)
    }
    const plain = formulaBox(formulaTree('a + b'), 10, pen)
    const fraction = formulaBox(formulaTree('a / b'), 10, pen)
    expect(fraction.above + fraction.below).toBeGreaterThan(1.5 * (plain.above + plain.below))
  })
  test('what is set stays inside the room that is said', () => {
    for (const text of [...TEXTS, 'ΔT = ½ · m · (v / 3.6)² / (2 · m_ring)']) {
      const inked: [x: number, top: number, bottom: number][] = []
      const box = formulaBox(formulaTree(text), 10, {
        widthOf: pen.widthOf,
        word: (word, x, baseY, size) => {
          inked.push([x, baseY - size * 0.74, baseY + size * 0.22])
          inked.push([x + pen.widthOf(word, size), baseY - size * 0.74, baseY + size * 0.22])
        },
        line: (from, to) => inked.push([from[0], from[1], from[1]], [to[0], to[1], to[1]]),
      })
      box.draw(0, 0)
      for (const [x, top, bottom] of inked) {
        expect(x).toBeGreaterThanOrEqual(-1e-6)
        expect(x).toBeLessThanOrEqual(box.width + 1e-6)
        expect(-top).toBeLessThanOrEqual(box.above + 1e-6)
        expect(bottom).toBeLessThanOrEqual(box.below + 1e-6)
      }
    }
  })
  test('signs of mark-up are only signs', () => {
    expect(mathMl(formulaTree('a<b'))).toBe('<mrow><mi>a</mi><mo>&lt;</mo><mi>b</mi></mrow>')
  })
})
