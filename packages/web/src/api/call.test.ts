import { getDraftPicture } from '@jackdaw/contracts/pictures'
import { saveChanges } from '@jackdaw/contracts/guides'
import { listGuides } from '@jackdaw/contracts/library'
import { seededIds } from '@jackdaw/core/shared'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { addressOf } from '@jackdaw/contracts/endpoint'
import { ApiProblem, call, setSession, Unreachable, wordsFor } from './call'

const ids = seededIds(8)
const heard: string[] = []
beforeEach(() => {
  heard.length = 0
  vi.stubGlobal('window', { dispatchEvent: (event: Event) => heard.push(event.type) })
})
afterEach(() => vi.unstubAllGlobals())
const answering = (response: Response) => {
  const fetching = vi.fn(async (_address: string, _init: RequestInit) => response)
  vi.stubGlobal('fetch', fetching)
  return fetching
}

describe('calling the server', () => {
  it('fills in the address, and leaves out what is not asked for', () => {
    const [id, pictureId] = [ids(), ids()]
    expect(addressOf(getDraftPicture, { id, pictureId }, { size: 'thumb' })).toBe(`/guides/${id}/draft/pictures/${pictureId}?size=thumb`)
    expect(addressOf(listGuides, undefined, { find: 'a&b', folder: undefined, page: 2, kind: '' })).toBe('/api/guides?find=a%26b&page=2')
    expect(addressOf(getDraftPicture, { id: '../x', pictureId: 'y' })).toBe('/guides/..%2Fx/draft/pictures/y')
  })
  it('carries the token of the session when it changes something', async () => {
    setSession({ csrf: 'token', id: 'me' })
    const fetching = answering(Response.json({ revision: 1, missed: [], conflicts: [] }))
    await call(saveChanges, { params: { id: ids() as never }, body: { baseRevision: 0, changeSetId: ids(), changes: [] } })
    expect(fetching.mock.calls[0]![1]).toMatchObject({
      method: 'POST',
      credentials: 'same-origin',
      headers: { 'x-csrf-token': 'token', 'content-type': 'application/json' },
    })
  })
  it('tells a refusal from a server that cannot be reached', async () => {
    answering(
      new Response(
        JSON.stringify({ type: 'x', code: 'item-archived', title: 'The guide is archived', detail: 'Take it out.', status: 409 }),
        { status: 409, headers: { 'content-type': 'application/problem+json' } },
      ),
    )
    const refused = await call(listGuides, { query: {} }).catch((error: unknown) => error)
    expect(refused).toBeInstanceOf(ApiProblem)
    expect(wordsFor(refused)).toEqual({ title: 'The guide is archived', detail: 'Take it out.' })
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('x')))
    expect(await call(listGuides, { query: {} }).catch((error: unknown) => error)).toBeInstanceOf(Unreachable)
    answering(new Response('<html>bad gateway', { status: 502 }))
    expect(wordsFor(await call(listGuides, { query: {} }).catch((error: unknown) => error)).title).toBe('The server answered 502')
    expect(heard).toEqual([])
  })
  it('goes on after the same person has signed in again elsewhere, never in the name of somebody else', async () => {
    for (const [id, expected] of [
      ['me', 200],
      ['somebody else', 403],
    ] as const) {
      setSession({ csrf: 'old', id: 'me' })
      const tokens: unknown[] = []
      vi.stubGlobal('fetch', async (address: string, init: RequestInit) => {
        if (address === '/api/session') return Response.json({ csrf: 'new', id })
        tokens.push((init.headers as Record<string, string>)['x-csrf-token'])
        return tokens.at(-1) === 'new'
          ? Response.json({ revision: 1, missed: [], conflicts: [] })
          : new Response('{"code":"stale-page","title":"x","status":403,"type":"x"}', {
              status: 403,
              headers: { 'content-type': 'application/problem+json' },
            })
      })
      const answer = await call(saveChanges, {
        params: { id: ids() as never },
        body: { baseRevision: 0, changeSetId: ids(), changes: [] },
      }).then(
        () => 200,
        (error: ApiProblem) => error.problem.status,
      )
      expect([answer, tokens]).toEqual([expected, expected === 200 ? ['old', 'new'] : ['old']])
    }
  })
  it('tells the page when the session is over', async () => {
    answering(
      new Response(JSON.stringify({ type: 'x', code: 'not-signed-in', title: 'Sign in first', status: 401 }), {
        status: 401,
        headers: { 'content-type': 'application/problem+json' },
      }),
    )
    await call(listGuides, { query: {} }).catch(() => undefined)
    expect(heard).toEqual(['jackdaw:signed-out'])
  })
})
