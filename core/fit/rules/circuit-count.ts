import type { Rule } from '../rule.ts'

/** Whether the lines of the car find as many outlets as before. */
export const circuitCount: Rule = {
  id: 'circuit-count',
  title: 'Circuits and outlets',
  on: 'car',
  judge(look) {
    const master = look.hydraulic('masterCylinder')
    const stock = look.hydraulic('masterCylinder', 'stock')
    if (!master) return undefined
    const circuits = look.wholeCarWord('circuits')
    if (circuits === 'single')
      return {
        verdict: 'check',
        safety: true,
        sentence: 'One circuit for all wheels: when it fails nothing is left. Local rules may not allow it.',
      }
    if (stock && master.id === stock.id)
      return circuits === undefined ? undefined : { verdict: 'fits', sentence: 'The circuits are left as they are.' }
    const construction = look.wordOf(master, 'construction')
    const outlets = look.of(master, 'outlets')
    const lines = look.wholeCar('outlets')
    const replumbing = (sentence: string) =>
      ({
        verdict: 'needs',
        safety: true,
        sentence,
        remedies: [
          {
            kind: 'piece',
            label: 'Complete re-plumbing, front and rear circuits',
            quantity: 1,
            piece: { id: 're-plumbing' },
            sentence: 'New hard lines for a front and a rear circuit.',
          },
        ],
      }) as const
    if (construction === 'twin' && circuits === 'diagonal')
      return replumbing('Two cylinders work front and rear, the car is plumbed diagonally.')
    if (construction === undefined || outlets === undefined || lines === undefined || circuits === undefined) return undefined
    const figure = { value: outlets, dimension: 'count', limit: `${lines} lines` } as const
    if (outlets === lines) return { verdict: 'fits', sentence: `${outlets} outlets for ${lines} lines, circuits as before.`, ...figure }
    if (outlets < lines)
      return {
        verdict: 'needs',
        sentence: `${outlets} outlets for ${lines} lines.`,
        remedies: [
          {
            kind: 'piece',
            label: `Tee for the brake pipe`,
            quantity: lines - outlets,
            piece: { id: 'tee' },
            sentence: 'A tee within the same circuit for each line too many.',
          },
        ],
        ...figure,
      }
    return {
      verdict: 'needs',
      sentence: `${outlets} outlets for ${lines} lines: the rest must be closed.`,
      remedies: [
        {
          kind: 'piece',
          label: 'Plug for an outlet',
          quantity: outlets - lines,
          piece: { id: 'outlet-plug' },
          sentence: 'A plug that matches the port seat.',
        },
      ],
      ...figure,
    }
  },
}
