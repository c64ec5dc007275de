import type { Project } from '../records/project.ts'
import type { QuoteWanted } from '../records/quote.ts'
import { findSetup, resolveSetup } from '../records/resolve.ts'
import { partsToBuy } from './to-buy.ts'

/** What a setup needs quotes for: the parts it buys, that nobody has yet. Empty for the car as it stands. */
export function quotesWanted(project: Project, setupId: string): QuoteWanted[] {
  const setup = findSetup(project, setupId)
  if (!setup || setup === project.setups[0]) return []
  const { currency } = project.preferences
  return partsToBuy({ project, setup, isStock: false, resolved: resolveSetup(project, setup) })
    .filter(({ part }) => !part.owned)
    .map(({ part, pieces }) => {
      const guide = part.price?.currency === currency ? Math.round((part.price.likelyMinor * pieces) / part.price.pieces) : undefined
      return {
        partId: part.id,
        kind: part.kind,
        name: part.name,
        pieces,
        ...(part.maker ? { maker: part.maker } : {}),
        ...(part.number ? { number: part.number } : {}),
        ...(guide === undefined ? {} : { guideMinor: guide }),
      }
    })
}
