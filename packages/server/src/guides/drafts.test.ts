import { plainText, richTextOf, type Change, type GuideDocument } from '@jackdaw/core/guides'
import { nanoid } from 'nanoid'
import sharp from 'sharp'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { aGuide, smallCompany, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'

let server: TestServer
let company: Company
let lead: Client
let author: Client
let guide: { id: string; steps: string[] }
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
  author = await company.as('author')
})
beforeEach(async () => {
  guide = await aGuide(server, company, 'author', { published: false })
})
afterAll(() => server.close())

const write = (index: number, text: string): Change => ({ type: 'set-body', stepId: guide.steps[index] as never, body: richTextOf(text) })
const save = (client: Client, baseRevision: number, changes: Change[], changeSetId = nanoid()) =>
  client.json('post', `/api/guides/${guide.id}/draft/changes`, { baseRevision, changeSetId, changes })
const draft = async (): Promise<{ revision: number; document: GuideDocument }> => author.json('get', `/api/guides/${guide.id}/draft`)
const texts = async () => (await draft()).document.items.map((item) => (item.kind === 'step' ? plainText(item.body) : item.title))

describe('saving a draft', () => {
  it('lets two people’s changes to different steps both land', async () => {
    const [one, two] = await Promise.all([save(author, 0, [write(0, 'by the author')]), save(lead, 0, [write(1, 'by the lead')])])
    expect([one.conflicts, two.conflicts]).toEqual([[], []])
    expect(await texts()).toEqual(['by the author', 'by the lead', 'Stack'])
    expect([one.missed.length, two.missed.length].sort()).toEqual([0, 1])
  })
  it('hands back the second of two changes to the same text, with what stands there and who wrote it', async () => {
    await save(author, 0, [write(0, 'first')])
    const answer = await save(lead, 0, [write(0, 'second'), write(2, 'fine')])
    expect(answer.conflicts).toMatchObject([{ reason: 'changed', mine: { body: richTextOf('second') }, by: { name: 'Name of author' } }])
    expect(plainText(answer.conflicts[0].theirs.body)).toBe('first')
    expect(await texts()).toEqual(['first', 'Rinse', 'fine'])
  })
  it('saves the same set once, however often it is sent, and answers alike', async () => {
    await save(author, 0, [write(0, 'first')])
    const id = nanoid()
    const once = await save(lead, 0, [write(0, 'second')], id)
    const again = await Promise.all([save(lead, 0, [write(0, 'second')], id), save(lead, 0, [write(0, 'second')], id)])
    for (const answer of again) expect(answer).toEqual(once)
    expect((await draft()).revision).toBe(2)
  })
  it('shows in the library what the draft is called now', async () => {
    await save(author, 0, [{ type: 'set-facts', facts: { title: 'Rinse the trays twice', kind: 'policy' } }])
    const { rows } = await lead.json('get', '/api/guides?find=twice')
    expect(rows).toMatchObject([{ title: 'Rinse the trays twice', kind: 'policy', changedBy: 'Name of author', state: 'draft' }])
  })
  it('tells what others saved since, and who else is here', async () => {
    await lead.json('get', `/api/guides/${guide.id}/draft/changes?since=0`)
    await save(lead, 0, [write(0, 'new')])
    const answer = await author.json('get', `/api/guides/${guide.id}/draft/changes?since=0`)
    expect(answer).toMatchObject({ revision: 1, saved: [{ by: { name: 'Name of lead' } }], alsoHere: [{ name: 'Name of lead' }] })
    server.clock.now += 60_000
    expect((await author.json('get', `/api/guides/${guide.id}/draft/changes?since=1`)).alsoHere).toEqual([])
  })
  it('refuses a base that the server has never seen, and a guide in the archive', async () => {
    expect(await save(author, 7, [write(0, 'x')]).catch((error: Error) => error.message)).toContain('409')
    await author.json('patch', `/api/guides/${guide.id}`, { archived: true }, 204)
    expect(await save(author, 0, [write(0, 'x')]).catch((error: Error) => error.message)).toContain('guide-archived')
  })
  it('keeps thirty savings at the same moment apart', async () => {
    await Promise.all(
      Array.from({ length: 30 }, (_, i) =>
        save(i % 2 ? lead : author, 0, [
          { type: 'insert-item', item: { kind: 'section', id: nanoid() as never, title: `Section ${i}` }, after: null },
        ]),
      ),
    )
    expect((await draft()).document.items).toHaveLength(33)
    expect((await draft()).revision).toBe(30)
  })
  it('does not show a picture of another guide', async () => {
    const other = await aGuide(server, company, 'lead', { published: false })
    const picture = nanoid()
    const png = await sharp({ create: { width: 4, height: 4, channels: 3, background: 'red' } })
      .png()
      .toBuffer()
    await server.services.addPicture({ id: picture as never, guideId: other.id, bytes: png, by: company.people.lead, now: 0 })
    const answer = await author.send('post', `/api/guides/${guide.id}/draft/changes`, {
      baseRevision: 0,
      changeSetId: nanoid(),
      changes: [{ type: 'insert-picture', stepId: guide.steps[0], picture: { id: picture, alt: '' }, after: null }],
    })
    expect(answer.status).toBe(422)
    expect(((await answer.json()) as any).errors).toMatchObject([{ pointer: '/body/changes/0' }])
  })
})

describe('sharing', () => {
  it('lets another author in, and out again', async () => {
    const other = await company.as('otherAuthor')
    expect((await other.send('get', `/api/guides/${guide.id}/draft`)).status).toBe(404)
    await author.json('patch', `/api/guides/${guide.id}`, { sharedWith: [company.people.otherAuthor] }, 204)
    expect((await other.send('get', `/api/guides/${guide.id}/draft`)).status).toBe(200)
    expect((await other.send('patch', `/api/guides/${guide.id}`, { archived: true })).status).toBe(403)
    await author.json('patch', `/api/guides/${guide.id}`, { sharedWith: [] }, 204)
    expect((await other.send('get', `/api/guides/${guide.id}/draft`)).status).toBe(404)
  })
  it('is for people who may write', async () => {
    expect((await author.send('patch', `/api/guides/${guide.id}`, { ownerId: company.people.staff })).status).toBe(422)
  })
})
