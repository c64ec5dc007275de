import { DEMO_PROJECT } from '../core/demo/project.ts'
import type { Project } from '../core/records/project.ts'
import { DEFAULT_QUERY, type SearchQuery } from '../core/decide/search-space.ts'

/** A library so small that all combinations can be looked at one by one: the front brakes of the demo's kits, its donor and other pads. */
export function tinySearch(): { project: Project; ask: SearchQuery } {
  const kept = new Set([
    'estate-front-caliper',
    'estate-front-rotor',
    'estate-front-pad',
    'kit4-caliper',
    'kit4-rotor',
    'kit4-pad',
    'kit2-caliper',
    'kit2-rotor',
    'kit2-pad',
    'front-fast-pad',
    'front-track-pad',
    'kit-bracket',
    'spacer-3',
    'braided-front-hose',
  ])
  const [stock] = DEMO_PROJECT.setups
  const fitted = new Set<unknown>([...Object.values(stock.front), ...Object.values(stock.rear), ...Object.values(stock.hydraulics)])
  return {
    project: {
      ...DEMO_PROJECT,
      parts: DEMO_PROJECT.parts.filter((part) => fitted.has(part.id) || kept.has(part.id)),
      setups: [stock],
      bundles: [],
    },
    ask: { ...DEFAULT_QUERY, setupId: stock.id, vary: { front: true, rear: false, wheel: false, hydraulics: false, booster: false } },
  }
}

const ask = (vary: SearchQuery['vary']): SearchQuery => ({ ...DEFAULT_QUERY, setupId: DEMO_PROJECT.setups[0].id, vary })
/** What is promised of large libraries, with how many combinations there are at least. */
export const LARGE_SEARCHES = [
  { parts: 60, ask: ask({ front: true, rear: true, wheel: false, hydraulics: false, booster: false }), most: 1e7, seconds: 1 },
  { parts: 400, ask: ask({ front: true, rear: false, wheel: true, hydraulics: true, booster: false }), most: 1e12, seconds: 10 },
] as const
