import { RIGHTS } from '@jackdaw/core/people'
import { describe, expect, it } from 'vitest'
import type { Endpoint } from './endpoint'
import * as blackouts from './blackouts'
import * as exchange from './exchange'
import * as guides from './guides'
import * as health from './health'
import * as library from './library'
import * as look from './look'
import * as people from './people'
import * as pictures from './pictures'
import * as players from './players'
import { PROBLEMS } from './problems'
import * as publishing from './publishing'
import * as reading from './reading'
import * as recording from './recording'
import * as records from './records'

const isEndpoint = (value: unknown): value is Endpoint =>
  typeof value === 'object' && value !== null && 'path' in value && 'access' in value
const endpoints = [
  blackouts,
  exchange,
  guides,
  health,
  library,
  look,
  people,
  pictures,
  players,
  publishing,
  reading,
  recording,
  records,
].flatMap((domain) => Object.values(domain as Record<string, unknown>).filter(isEndpoint))

describe('the contracts', () => {
  it('give every endpoint an address of its own', () => {
    const addresses = endpoints.map((endpoint) => `${endpoint.method} ${endpoint.path.replace(/:\w+/g, ':')}`)
    expect(new Set(addresses).size).toBe(addresses.length)
    expect(addresses.length).toBeGreaterThan(30)
  })
  it('name the thing that rights are asked about, and an action of the table', () => {
    for (const { access, path, params } of endpoints) {
      if (access === 'anyone') continue
      expect(Object.keys(RIGHTS)).toContain(access.may)
      if (access.over) expect([path, path.includes('/:id'), params !== undefined]).toEqual([path, true, true])
    }
  })
  it('open only sign-in, pairing and health to anyone', () => {
    expect(
      endpoints
        .filter((endpoint) => endpoint.access === 'anyone')
        .map((endpoint) => endpoint.path)
        .sort(),
    ).toEqual(['/api/recorder/pairing', '/api/session', '/api/session', '/healthz', '/readyz'])
  })
  it('keep what recorders send apart from what pages send', () => {
    for (const { access, path } of endpoints)
      expect([path, access !== 'anyone' && access.by === 'recorder']).toEqual([
        path,
        path.startsWith('/api/recorder/') && access !== 'anyone',
      ])
  })
  it('read nothing but the address in a GET, and answer either with JSON or with a file', () => {
    for (const endpoint of endpoints) {
      if (endpoint.method === 'get') expect([endpoint.path, endpoint.body, endpoint.bytes]).toEqual([endpoint.path, undefined, undefined])
      if (endpoint.file) expect([endpoint.path, endpoint.response]).toEqual([endpoint.path, undefined])
    }
  })
  it('give every problem a status that fits and a title that is a sentence', () => {
    for (const [code, { status, title }] of Object.entries(PROBLEMS)) {
      expect([code, status >= 400 && status < 600, /^[A-Z].*[^.]$/.test(title)]).toEqual([code, true, true])
    }
  })
})
