import { createHash } from 'node:crypto'

/** What every answer says besides its content. */
export const HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'no-referrer',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  // what is measured with comes over the keyboard, a serial line or Bluetooth; nothing else of the device is needed
  'permissions-policy': 'camera=(), geolocation=(), microphone=(), payment=(), usb=()',
}

/** Inline scripts of a page, without those that are data. */
const INLINE = /<script(?![^>]*\ssrc=)(?![^>]*\stype="application\/json")[^>]*>([\s\S]*?)<\/script>/gi

/**
 * The Content-Security-Policy of an answer (Content Security Policy Level 3): everything from this server, nothing framed,
 * and of inline scripts only those the page was made with, by their SHA-256. Styles may stand inline: the drawings and the
 * controls set theirs so.
 * @param html the page; empty for what is no page
 */
export function contentPolicy(html = ''): string {
  const hashes = [...html.matchAll(INLINE)].map(([, script]) => `'sha256-${createHash('sha256').update(script!).digest('base64')}'`)
  return [
    "default-src 'self'",
    ["script-src 'self'", ...new Set(hashes)].join(' '),
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ')
}
