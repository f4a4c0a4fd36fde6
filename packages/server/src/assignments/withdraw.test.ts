import { ticked } from '@jackdaw/core/audiences'
import type { GuideId } from '@jackdaw/core/shared'
import { guideItem } from '@jackdaw/core/items'
import { nanoid } from 'nanoid'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aGuide, smallCompany, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'

let server: TestServer
let company: Company
let lead: Client
let staff: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
  staff = await company.as('staff')
})
afterAll(() => server.close())

/** Publishes the next edition of a guide, with another title. */
async function publishAgain(id: GuideId, title: string, mustReread = false): Promise<number> {
  const { revision } = await lead.json('get', `/api/guides/${id}/draft`)
  const changes = [{ type: 'set-facts', facts: { title } }]
  const saved = await lead.json('post', `/api/guides/${id}/draft/changes`, { baseRevision: revision, changeSetId: nanoid(), changes })
  const { edition } = await lead.json('post', `/api/guides/${id}/editions`, {
    ...{
      revision: saved.revision,
      changeNote: title,
      mustReread,
      audience: ticked([company.team], []),
      openToAll: false,
      due: { kind: 'none' },
    },
  })
  return edition
}
const withdraw = (id: GuideId, edition: number, why = 'Step 2 is dangerous') =>
  lead.send('post', `/api/guides/${id}/editions/${edition}/withdraw`, { why })
const holding = (id: GuideId, shown: number) => staff.json('get', `/api/guides/${id}/editions/${shown}/holding`)
/** Reads an edition through. */
async function finish(id: GuideId, edition: number, steps: readonly string[]): Promise<any> {
  const about = { way: 'read', item: guideItem(id), edition, occurredAt: server.clock.now }
  const events = [
    ...steps.map((part) => ({ ...about, id: uuidV7(), verb: 'step-viewed', part })),
    { ...about, id: uuidV7(), verb: 'finished' },
  ]
  return staff.json('post', '/api/events', { sentAt: server.clock.now, events })
}
const waits = async (id: GuideId) => (await staff.json('get', '/api/today')).waiting.some((each: any) => each.item.id === id)

describe('an edition that is withdrawn', () => {
  it('holds for nobody any more: readers come to the one before it, and whoever has it open is told why', async () => {
    const { id } = await aGuide(server, company, 'author')
    expect(await publishAgain(id, 'Rinse the trays twice')).toBe(2)
    expect(await holding(id, 2)).toEqual({ edition: 2, withdrawn: null })
    expect(await (await withdraw(id, 2)).json()).toEqual({ edition: 1 })
    expect(await holding(id, 2)).toEqual({ edition: 1, withdrawn: { why: 'Step 2 is dangerous' } })
    expect(await staff.json('get', `/api/guides/${id}/reader`)).toMatchObject({ edition: 1, document: { title: 'Rinse the trays' } })
    expect((await staff.json('get', '/api/today')).waiting.find((each: any) => each.item.id === id)).toMatchObject({
      edition: 1,
      title: 'Rinse the trays',
    })
    const { editions, changedSinceEdition } = await lead.json('get', `/api/guides/${id}/publication`)
    expect(editions.map((each: any) => [each.number, each.withdrawn?.why ?? null])).toEqual([
      [2, 'Step 2 is dangerous'],
      [1, null],
    ])
    expect(changedSinceEdition).toBe(true)
    // Said once more it changes nothing, and its number is not given again.
    expect((await withdraw(id, 2)).status).toBe(200)
    expect(await publishAgain(id, 'Rinse the trays well')).toBe(3)
  })
  it('leaves whoever was done before it done, though it had to be read again', async () => {
    const { id, steps } = await aGuide(server, company, 'author')
    expect((await finish(id, 1, steps)).refused).toEqual([])
    await publishAgain(id, 'Rinse the trays twice', true)
    const required = async () =>
      (await server.parts.database.one<{ n: number }>('select required_edition as n from item where id = $1', [id]))!.n
    expect(await required()).toBe(2)
    await withdraw(id, 2)
    expect(await required()).toBe(1)
    const finished = (await staff.json('get', `/api/guides/${id}/reader`)).progress
    expect(finished).toMatchObject({ finishedEdition: 1, mustReread: false })
  })
  it('cannot be finished from then on; what was done before was done', async () => {
    const { id, steps } = await aGuide(server, company, 'author')
    await publishAgain(id, 'Rinse the trays twice')
    server.clock.now += 60_000
    await withdraw(id, 2)
    server.clock.now += 60_000
    const { refused } = await finish(id, 2, steps)
    expect(refused.map((each: any) => each.why)).toEqual(['unknown-edition'])
    expect(await waits(id)).toBe(true)
  })
  it('is not the only one: such a guide is archived', async () => {
    const { id } = await aGuide(server, company, 'author')
    expect(await (await withdraw(id, 1)).json()).toMatchObject({ code: 'no-other-edition' })
    expect((await withdraw(id, 9)).status).toBe(404)
    expect((await withdraw(id, 1, '  ')).status).toBe(422)
    expect(await holding(id, 1)).toEqual({ edition: 1, withdrawn: null })
  })
})
