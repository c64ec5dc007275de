import type { Judgement } from '../interface-check.ts'
import type { RuleInputs } from '../rule-inputs.ts'
import type { Rule } from '../rule.ts'
import { parseThread } from '../thread.ts'

/** Thread of a mount bolt in what it goes into, after what it clamps, mm. */
const boltEngagedMm = (boltLengthMm: number, clampedMm: number): number => boltLengthMm - clampedMm

export const mountBolts: Rule = {
  id: 'mount-bolts',
  title: 'Caliper and bracket bolts',
  on: 'disc',
  judge(look) {
    const caliper = look.caliper()
    const bracket = look.part('bracket')
    const shimMm = Math.abs(look.shimMm())
    const own = { bolt: look.of(caliper, 'boltLengthMm'), lug: look.of(caliper, 'lugMm') }
    const knuckle = {
      where: 'in the knuckle',
      diameter: look.car('mountBoltMm'),
      depth: look.car('mountDepthMm'),
      material: look.carWord('knuckleMaterial'),
    }
    if (bracket === undefined) return undefined
    if (bracket === null) return joint(look, { bolt: own.bolt, lug: own.lug, shimMm, ...knuckle })
    const lower = joint(look, { bolt: look.of(bracket, 'boltLengthMm'), lug: look.of(bracket, 'lugMm'), shimMm, ...knuckle })
    const written = look.wordOf(bracket, 'caliperThread')
    const diameter = written === undefined ? undefined : parseThread(written)?.diameterMm
    if (written !== undefined && diameter === undefined)
      look.ask(
        `Thread towards the caliper of ${bracket.name}`,
        { kind: 'part', partId: bracket.id, field: 'caliperThread' },
        `“${written}” lacks diameter or pitch: write it as M10 x 1.25.`,
      )
    const upper = joint(look, {
      where: 'in the bracket',
      diameter,
      depth: look.of(bracket, 'caliperDepthMm'),
      material: look.wordOf(bracket, 'material'),
      shimMm: 0,
      ...own,
    })
    const bad = [upper, lower].find((one) => one !== undefined && one.verdict !== 'fits')
    if (bad) return bad
    return upper && lower ? { ...lower, sentence: `${upper.sentence} ${lower.sentence}` } : undefined
  },
}

interface Joint {
  bolt: number | undefined
  lug: number | undefined
  where: string
  diameter: number | undefined
  depth: number | undefined
  material: string | undefined
  shimMm: number
}

/** One row of bolts: enough thread, and not to the bottom of it. */
function joint(look: RuleInputs, { bolt, lug, where, diameter, depth, material, shimMm }: Joint): Judgement | undefined {
  if (bolt === undefined || lug === undefined || diameter === undefined || depth === undefined || material === undefined) return undefined
  const engaged = boltEngagedMm(bolt, lug + shimMm)
  const needed = look.limit(material === 'aluminium' ? 'threadAluminium' : 'threadSteel') * diameter
  const figure = { value: engaged, dimension: 'length', limit: `at least ${look.mm(needed)}, at most ${look.mm(depth)}` } as const
  const other = (byMm: number, which: 'shorter' | 'longer', mostMm: number) => [
    {
      kind: 'piece' as const,
      label: `Caliper bolts ${where} ${look.mm(byMm)} ${which}`,
      quantity: 4,
      piece: { id: `mount-bolts-${which}`, of: where, mm: byMm, enough: 'atLeast' as const, mostMm },
      sentence: `${which === 'shorter' ? 'Shorter' : 'Longer'} bolts of the same grade.`,
    },
  ]
  if (depth < needed - 1e-9)
    return {
      verdict: 'blocked',
      safety: true,
      sentence: `The thread ${where} is ${look.mm(depth)} deep and ${look.mm(needed)} are needed: no bolt holds there.`,
      ...figure,
    }
  if (engaged > depth + 1e-9)
    return {
      verdict: 'needs',
      safety: true,
      sentence: `The bolts ${where} are ${look.mm(engaged - depth)} too long and would bottom before they clamp.`,
      remedies: other(engaged - depth, 'shorter', engaged - needed),
      ...figure,
    }
  if (engaged < needed - 1e-9)
    return {
      verdict: 'needs',
      safety: true,
      sentence: `Thread engagement ${look.mm(engaged)} ${where}, ${look.mm(needed)} required.`,
      remedies: other(needed - engaged, 'longer', depth - engaged),
      ...figure,
    }
  return { verdict: 'fits', sentence: `Thread engagement ${look.mm(engaged)} ${where}, ${material}.`, ...figure }
}
