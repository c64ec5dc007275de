import { isIP } from 'node:net'

/** The routes there are, and how each is asked. */
export const ROUTES: Readonly<Record<string, 'GET' | 'POST'>> = {
  '/api/evaluate': 'POST',
  '/api/gauge/pressure': 'POST',
  '/api/gauge/send': 'POST',
  '/api/gauge/set': 'POST',
  '/api/gauge/stream': 'GET',
  '/api/probe/hold': 'POST',
  '/api/probe/send': 'POST',
  '/api/probe/stream': 'GET',
  '/api/logger/stream': 'GET',
  '/api/search': 'POST',
  '/api/supply/quotes': 'POST',
  '/api/supply/sellers': 'GET',
}

export interface RequestWindow {
  method: string
  /** Without the query. */
  path: string
  /** By lower-case name. */
  headers: Readonly<Record<string, string | string[] | undefined>>
}
interface Refusal {
  status: 403 | 404 | 405 | 415
  message: string
  /** The method that would do, of a 405. */
  allow?: string
}

const one = (value: string | string[] | undefined): string | undefined => (Array.isArray(value) ? value.join(', ') : value)

/**
 * Whether a name a browser reached this server by is its own. An address in figures is: another site cannot make its own
 * name one. Names of a house network are told to the server.
 * @param named names that are this server's too, without port
 */
export function isOwnHost(host: string | undefined, named: readonly string[] = []): boolean {
  const name = /^(\[[0-9a-f:.]+\]|[^:/?#@\\\s]+)(:\d{1,5})?$/i.exec(host ?? '')?.[1]?.toLowerCase()
  if (name === undefined) return false
  return name === 'localhost' || isIP(name.replace(/^\[|\]$/g, '')) !== 0 || named.includes(name)
}

/**
 * Why a request to the API is not answered; undefined when it is. Only pages of this server may ask: what it is asked is
 * judged by Host, Origin and Sec-Fetch-Site, and a body is taken only as JSON, which another page cannot send unasked
 * (Fetch Standard, "CORS-safelisted request-header").
 */
export function refusal({ method, path, headers }: RequestWindow, named: readonly string[] = []): Refusal | undefined {
  const host = one(headers.host)
  if (!isOwnHost(host, named))
    return { status: 403, message: 'This server answers at its own address only; a further name is told to it in ALLOWED_HOSTS.' }
  const origin = one(headers.origin)
  const site = one(headers['sec-fetch-site'])
  if (origin !== undefined && !isSame(origin, host!)) return { status: 403, message: 'Another page may not ask this server.' }
  if (site !== undefined && site !== 'same-origin' && site !== 'none')
    return { status: 403, message: 'Another page may not ask this server.' }
  const allow = Object.hasOwn(ROUTES, path) ? ROUTES[path] : undefined
  if (allow === undefined) return { status: 404, message: 'There is no such route.' }
  if (method !== allow) return { status: 405, message: `This route accepts ${allow} only.`, allow }
  if (method === 'POST' && !/^application\/json\s*(;|$)/i.test(one(headers['content-type']) ?? ''))
    return { status: 415, message: 'Needs a body of content type application/json.' }
  return undefined
}

function isSame(origin: string, host: string): boolean {
  try {
    const url = new URL(origin)
    return (url.protocol === 'http:' || url.protocol === 'https:') && url.host === new URL(`${url.protocol}//${host}`).host
  } catch {
    return false
  }
}
