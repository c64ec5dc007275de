import { formatQuantity } from '../../quantity/format.ts'
import type { Rule } from '../rule.ts'

/** What a circuit must hold when the pedal is let go: nothing for discs below the reservoir, some for drum cups. */
export const residualValve: Rule = {
  id: 'residual-valve',
  title: 'Residual pressure',
  on: 'any',
  judge(look) {
    const { axle } = look.facts
    const brake = look.part('caliper')
    const master = look.hydraulic('masterCylinder')
    if (!brake || !master) return undefined
    const held = look.of(master, axle === 'front' ? 'frontResidualMpa' : 'rearResidualMpa')
    const expanders = brake.kind === 'drum' ? look.wordOf(brake, 'cupExpanders') : undefined
    const above = brake.kind === 'drum' ? 'yes' : look.wholeCarWord('reservoirAbove')
    if (held === undefined || above === undefined || (brake.kind === 'drum' && expanders === undefined)) return undefined
    const show = (mpa: number) => formatQuantity(mpa, 'pressure', look.facts.project.preferences.units, { decimals: 2 })
    const [low, high] =
      brake.kind === 'drum'
        ? expanders === 'yes'
          ? [0, look.limit('residualDrumMostMpa')]
          : [look.limit('residualDrumLeastMpa'), look.limit('residualDrumMostMpa')]
        : above === 'yes'
          ? [0, look.limit('residualDiscMostMpa')]
          : [look.limit('residualLowLeastMpa'), look.limit('residualLowMostMpa')]
    const figure = { value: held, dimension: 'pressure', limit: `${show(low)} to ${show(high)}` } as const
    const what = brake.kind === 'drum' ? 'drum' : above === 'yes' ? 'disc' : 'disc brake with the reservoir below it'
    if (held >= low - 1e-9 && held <= high + 1e-9)
      return { verdict: 'fits', sentence: `The ${axle} circuit holds ${show(held)}, as a ${what} wants.`, ...figure }
    const more = held < low
    return {
      verdict: 'needs',
      safety: true,
      sentence: more
        ? `The ${axle} circuit holds ${show(held)}; a ${what} wants ${show(low)} or more, or the pedal sinks at the first push.`
        : `The ${axle} circuit holds ${show(held)}: pads of a ${what} would drag and run hot.`,
      remedies: [
        more
          ? {
              kind: 'piece',
              label: `Residual pressure valve ${show(low)} to ${show(high)}`,
              quantity: 1,
              piece: { id: 'residual-valve', of: brake.kind },
              sentence: `A residual pressure valve in the ${axle} circuit.`,
            }
          : {
              kind: 'piece',
              label: 'Residual pressure valve removed',
              quantity: 1,
              piece: { id: 'residual-valve-out' },
              sentence: `Remove the residual valve from the ${axle} circuit, if the master cylinder’s maker allows it.`,
            },
      ],
      ...figure,
    }
  },
}
