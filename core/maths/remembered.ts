/**
 * Answers of a pure function by the numbers it was asked with, the latest first and at most `most` of them. Numbers are
 * compared one by one, so an answer is never another question's.
 *
 * @example
 * new Remembered(2).keep([3], 9).of([3]) // => 9
 */
export class Remembered<Answer> {
  private readonly kept: { asked: Float64Array; answer: Answer }[] = []

  /** @param longest questions of more numbers are not kept */
  constructor(
    private readonly most: number,
    private readonly longest = 4096,
  ) {}

  of(asked: ArrayLike<number>): Answer | undefined {
    const at = this.kept.findIndex((one) => same(one.asked, asked))
    if (at < 0) return undefined
    const [found] = this.kept.splice(at, 1)
    this.kept.unshift(found!)
    return found!.answer
  }
  keep(asked: ArrayLike<number>, answer: Answer): this {
    if (asked.length > this.longest) return this
    this.kept.unshift({ asked: Float64Array.from(asked), answer })
    if (this.kept.length > this.most) this.kept.pop()
    return this
  }
}

function same(a: Float64Array, b: ArrayLike<number>): boolean {
  if (a.length !== b.length) return false
  for (let i = 0; i < a.length; i += 1) if (a[i] !== b[i]) return false
  return true
}
