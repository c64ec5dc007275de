const ESCAPES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' }
/** XML 1.0 (2.2, Char) has no place for most control characters, half a pair or the last two of a plane, however they are written. */
const allowed = (sign: string): boolean => /^[\t\n\u0020-\uD7FF\uE000-\uFFFD\u{10000}-\u{10FFFF}]$/u.test(sign)

/**
 * A text within SVG, HTML or MathML, whatever signs it holds.
 *
 * @example
 * escaped('<b>') // => '&lt;b&gt;'
 */
export const escaped = (text: string): string =>
  [...text]
    .filter(allowed)
    .join('')
    .replace(/[&<>"']/g, (sign) => ESCAPES[sign]!)
