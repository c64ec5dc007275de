/**
 * Pictures are texts of a hundred thousand characters and more. In the browser's storage each is a record of its own, and the
 * project names it, so that an edit writes what it changed and not every picture.
 */

/** Texts from this length on have a record of their own. */
export const LONG = 20_000
/** What stands in place of such a text. */
const NAMED = 'longText'

interface Reference {
  [NAMED]: string
}
const isReference = (value: unknown): value is Reference =>
  typeof value === 'object' &&
  value !== null &&
  NAMED in value &&
  Object.keys(value).length === 1 &&
  typeof (value as Reference)[NAMED] === 'string'
const isBranch = (value: unknown): value is Record<string, unknown> | readonly unknown[] => typeof value === 'object' && value !== null

/** A project without its long texts, and the keys of those. */
interface LightProject {
  light: unknown
  keys: readonly string[]
}
const NONE: readonly string[] = []

/** The long texts of one project, with the keys of their records. */
export class LongTexts {
  private readonly keyOf = new Map<string, string>()
  private readonly textOf = new Map<string, string>()
  /** Branches never change once they are frozen, so that each is looked through once. */
  private readonly known = new WeakMap<object, LightProject>()

  constructor(private readonly newKey: () => string) {}

  /** The text of a key that `lightOf` has named. */
  text(key: string): string {
    return this.textOf.get(key)!
  }

  /** Branches without a long text stay the same objects. */
  lightOf(value: unknown): LightProject {
    if (typeof value === 'string') return value.length < LONG ? { light: value, keys: NONE } : this.named(value)
    if (!isBranch(value)) return { light: value, keys: NONE }
    const known = this.known.get(value)
    if (known) return known
    const found = this.branch(value)
    if (Object.isFrozen(value)) this.known.set(value, found)
    return found
  }
  private named(text: string): LightProject {
    let key = this.keyOf.get(text)
    if (key === undefined) this.learn((key = this.newKey()), text)
    return { light: { [NAMED]: key }, keys: [key] }
  }
  private learn(key: string, text: string): void {
    this.keyOf.set(text, key)
    this.textOf.set(key, text)
  }
  private branch(value: Record<string, unknown> | readonly unknown[]): LightProject {
    const keys: string[] = []
    const of = (one: unknown) => {
      const found = this.lightOf(one)
      keys.push(...found.keys)
      return found.light
    }
    const light = Array.isArray(value) ? value.map(of) : Object.fromEntries(Object.entries(value).map(([name, one]) => [name, of(one)]))
    return keys.length === 0 ? { light: value, keys: NONE } : { light, keys }
  }

  /**
   * Puts the texts back in. One whose record is gone leaves its reference, which no project may hold.
   * @param read the record of a key
   */
  async whole(light: unknown, read: (key: string) => Promise<string | null>): Promise<unknown> {
    const keys = referencesIn(light)
    if (keys.length === 0) return light
    const texts = await Promise.all(keys.map(async (key) => this.textOf.get(key) ?? (await read(key))))
    const byKey = new Map<string, string>()
    texts.forEach((text, i) => {
      if (typeof text !== 'string') return
      byKey.set(keys[i]!, text)
      this.learn(keys[i]!, text)
    })
    return put(light, byKey)
  }

  /** The same with the texts in it whose records are not stored yet. */
  withUnstored(light: unknown, stored: ReadonlySet<string>): unknown {
    return put(light, new Map([...this.textOf].filter(([key]) => !stored.has(key))))
  }
}

/** Keys of the records that a light project names. */
export function referencesIn(light: unknown): string[] {
  const found: string[] = []
  // a record that another program left may go round in circles
  const seen = new Set<unknown>()
  const visit = (one: unknown): void => {
    if (isReference(one)) found.push(one[NAMED])
    else if (isBranch(one) && !seen.has(one)) {
      seen.add(one)
      Object.values(one).forEach(visit)
    }
  }
  visit(light)
  return found
}

function put(light: unknown, texts: ReadonlyMap<string, string>, above: readonly unknown[] = []): unknown {
  if (isReference(light)) return texts.get(light[NAMED]) ?? light
  if (!isBranch(light) || above.includes(light)) return light
  const of = (one: unknown) => put(one, texts, [...above, light])
  return Array.isArray(light) ? light.map(of) : Object.fromEntries(Object.entries(light).map(([name, one]) => [name, of(one)]))
}
