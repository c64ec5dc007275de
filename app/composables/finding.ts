/** Anything of a project that can be gone to or done by its name. */
export interface Findable {
  id: string
  label: string
  /** What it is: a step, a part's kind, a figure's value. */
  kind: string
  run(): void
}

const wordsOf = (text: string): string[] => text.toLowerCase().split(/\s+/).filter(Boolean)
/** How well a word is met: 3 begins the name, 2 begins a word, 1 stands somewhere, 0 not at all. */
function met(word: string, label: string, kind: string): number {
  if (label.startsWith(word)) return 3
  if (new RegExp(`(^|[^\\p{L}\\d])${word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`, 'u').test(label)) return 2
  return label.includes(word) || kind.includes(word) ? 1 : 0
}

/**
 * What has every word of a text in it, the best met first; in the order given where they are met alike.
 *
 * @param most at most so many
 */
export function findIn<F extends Pick<Findable, 'label' | 'kind'>>(all: readonly F[], text: string, most = 12): F[] {
  const words = wordsOf(text)
  return all
    .map((one, at) => {
      const scores = words.map((word) => met(word, one.label.toLowerCase(), one.kind.toLowerCase()))
      return { one, at, score: scores.some((score) => score === 0) ? -1 : scores.reduce((sum, score) => sum + score, 0) }
    })
    .filter(({ score }) => score >= 0)
    .sort((a, b) => b.score - a.score || a.at - b.at)
    .slice(0, most)
    .map(({ one }) => one)
}
