import { describe, expect, test } from '@jest/globals'
import { readdirSync } from 'node:fs'
import { isOwnHost, refusal, ROUTES, type RequestWindow } from './who-asks.ts'

const OWN = { host: '127.0.0.1:4170', 'content-type': 'application/json' }
const asked = (more: Partial<RequestWindow> = {}, headers: RequestWindow['headers'] = {}): RequestWindow => ({
  method: 'POST',
  path: '/api/gauge/set',
  ...more,
  headers: { ...OWN, ...headers },
})

test('the routes are those there are', () => {
  const files = readdirSync('server/api', { recursive: true, encoding: 'utf8' }).flatMap((file) => {
    const [, path, method] = /^(.*)\.(get|post)\.ts$/.exec(file) ?? []
    return path ? [[`/api/${path}`, method!.toUpperCase()]] : []
  })
  expect(Object.fromEntries(files)).toEqual(ROUTES)
})

describe('who may ask', () => {
  test.each<[string, RequestWindow['headers']]>([
    ['a program', {}],
    ['a page of this server', { origin: 'http://127.0.0.1:4170', 'sec-fetch-site': 'same-origin' }],
    ['the address bar', { 'sec-fetch-site': 'none' }],
    ['a phone in the house', { host: '192.168.1.20:4170', origin: 'http://192.168.1.20:4170' }],
    ['version 6', { host: '[::1]:4170', origin: 'http://[::1]:4170' }],
    ['a usual port', { host: 'localhost', origin: 'http://localhost' }],
    ['JSON with its letters named', { 'content-type': 'application/json; charset=utf-8' }],
  ])('%s', (_, headers) => expect(refusal(asked({}, headers))).toBeUndefined())

  test.each<[string, RequestWindow['headers'], number]>([
    ['another page', { origin: 'http://example.org' }, 403],
    ['another port of this machine', { origin: 'http://127.0.0.1:8080' }, 403],
    ['a page of a file', { origin: 'null' }, 403],
    ['an origin that is none', { origin: 'http://[' }, 403],
    ['another page without an origin', { 'sec-fetch-site': 'cross-site' }, 403],
    ['a neighbour', { 'sec-fetch-site': 'same-site' }, 403],
    ['another name that leads here', { host: 'example.org:4170', origin: 'http://example.org:4170' }, 403],
    ['no name', { host: undefined }, 403],
    ['a plain text', { 'content-type': 'text/plain' }, 415],
    ['a form', { 'content-type': 'application/x-www-form-urlencoded' }, 415],
    ['a text that names JSON', { 'content-type': 'text/plain; application/json' }, 415],
    ['nothing said of the body', { 'content-type': undefined }, 415],
  ])('not %s', (_, headers, status) => expect(refusal(asked({}, headers))).toMatchObject({ status, message: expect.stringMatching(/\.$/) }))

  test('no such route, and another method', () => {
    for (const path of ['/api', '/api/', '/api/nothing', '/api/toString', '/api/constructor'])
      expect(refusal(asked({ path }))).toMatchObject({ status: 404 })
    expect(refusal(asked({ method: 'GET' }))).toMatchObject({ status: 405, allow: 'POST' })
    expect(refusal(asked({ path: '/api/gauge/stream' }))).toMatchObject({ status: 405, allow: 'GET' })
    expect(refusal(asked({ path: '/api/gauge/stream', method: 'GET' }, { 'content-type': undefined }))).toBeUndefined()
  })

  test('a name of the house that was told to the server, and no other', () => {
    const host = { host: 'garage.example:4170', origin: 'http://garage.example:4170' }
    expect(refusal(asked({}, host), ['garage.example'])).toBeUndefined()
    expect(refusal(asked({}, host), ['shed.example'])).toMatchObject({ status: 403 })
    for (const odd of ['', 'a b', '127.0.0.1@example.org', '127.0.0.1.example.org', 'localhost:x', 'localhost/x', '[::1', '127.1'])
      expect([odd, isOwnHost(odd)]).toEqual([odd, false])
  })
})
