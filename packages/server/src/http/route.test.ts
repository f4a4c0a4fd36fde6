import { THINGS } from '@jackdaw/core/people'
import { keysOf } from '@jackdaw/core/shared'
import { endpoint } from '@jackdaw/contracts/endpoint'
import type { AddressInfo } from 'node:net'
import * as z from 'zod/mini'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createServer } from 'node:http'
import { startTestServer, type TestServer } from '../testing/testServer'
import { buildApp } from './app'
import { fail } from './fail'
import type { RelationFinders } from './context'
import { newRoutes, route } from './route'

let server: TestServer
let address = ''
let close: () => Promise<void>
const answer = z.object({ n: z.int(), text: z.optional(z.string()) })
const at = (path: string) => endpoint({ method: 'get', path, access: 'anyone', response: answer, problems: [] })

beforeAll(async () => {
  server = await startTestServer()
  const none: RelationFinders = Object.assign({}, ...keysOf(THINGS).map((thing) => ({ [thing]: async () => null })))
  const routes = newRoutes(server.parts, none)
  route(routes, at('/good'), async () => ({ n: 1, secret: 'not declared' }))
  route(routes, at('/malformed'), async () => ({ n: 'one' }) as never)
  route(routes, at('/throws'), async () => {
    throw new Error('password of the database')
  })
  route(routes, at('/fails'), async () => fail('folder-not-empty', 'It holds 2 guides.'))
  route(
    routes,
    endpoint({
      method: 'post',
      path: '/nested',
      access: 'anyone',
      body: z.object({ list: z.array(z.object({ 'a/b': z.int() })) }),
      problems: [],
    }),
    async () => undefined,
  )
  const built = buildApp(server.parts, routes, [(_req, _res, next) => next()], {})
  const http = createServer(built.app)
  await new Promise<void>((resolve) => http.listen(0, '127.0.0.1', resolve))
  address = `http://127.0.0.1:${(http.address() as AddressInfo).port}`
  close = async () => {
    http.closeAllConnections()
    http.close()
    await built.close()
  }
})
afterAll(async () => {
  await close()
  await server.close()
})
const read = async (path: string) => {
  const response = await fetch(address + path)
  return { status: response.status, text: await response.text() }
}

describe('a route', () => {
  it('answers with what the contract declares and nothing more', async () => {
    expect(await read('/good')).toEqual({ status: 200, text: '{"n":1}' })
  })
  it('takes a malformed answer of ours for our fault, not the caller’s', async () => {
    expect((await read('/malformed')).status).toBe(500)
  })
  it('keeps the words of an unexpected error to the log', async () => {
    const { status, text } = await read('/throws')
    expect(status).toBe(500)
    expect(text).not.toContain('password of the database')
    expect(JSON.parse(text)).toMatchObject({ code: 'internal', detail: expect.stringContaining('Try again') })
  })
  it('writes a refusal with its code, title and sentence', async () => {
    expect(JSON.parse((await read('/fails')).text)).toEqual({
      type: 'urn:jackdaw:problem:folder-not-empty',
      code: 'folder-not-empty',
      title: 'The folder is not empty',
      status: 409,
      detail: 'It holds 2 guides.',
    })
  })
  it('points to the field that is wrong, in JSON pointer notation', async () => {
    const response = await fetch(`${address}/nested`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{"list":[{"a/b":1},{"a/b":"x"}]}',
    })
    expect(((await response.json()) as { errors: { pointer: string }[] }).errors.map((error) => error.pointer)).toEqual([
      '/body/list/1/a~1b',
    ])
  })
})
