import { GuideDocument, plainText, richTextOf, type Change } from '@jackdaw/core/guides'
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

const write = (index: number, text: string): Change => ({
  type: 'set-step',
  stepId: guide.steps[index] as never,
  fields: { body: richTextOf(text) },
})
const save = (client: Client, baseRevision: number, changes: Change[], changeSetId = nanoid()) =>
  client.json('post', `/api/guides/${guide.id}/draft/changes`, { baseRevision, changeSetId, changes, form: 2 })
const draft = async (): Promise<{ revision: number; document: GuideDocument }> => author.json('get', `/api/guides/${guide.id}/draft`)
const texts = async () =>
  (await draft()).document.items.map((item) =>
    item.kind === 'step' ? plainText(item.body) : item.kind === 'section' ? item.title : item.kind,
  )

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
    expect(answer.conflicts).toMatchObject([
      { reason: 'changed', mine: { fields: { body: richTextOf('second') } }, by: { name: 'Name of author' } },
    ])
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
  it('is understood by pages from before there was set-step, and understands them', async () => {
    await save(author, 0, [{ ...write(0, 'first'), fields: { body: richTextOf('first'), signs: ['W010'] } } as Change])
    const old = { type: 'set-body', stepId: guide.steps[0], body: richTextOf('second') }
    const path = `/api/guides/${guide.id}/draft/changes`
    const answer = await lead.json('post', path, { baseRevision: 0, changeSetId: nanoid(), changes: [old] })
    expect(answer.missed[0].changes.map((change: { type: string }) => change.type)).toEqual(['set-body', 'set-signs'])
    expect(answer.conflicts[0].mine).toMatchObject({ type: 'set-body', body: { content: old.body.content.map(({ type }) => ({ type })) } })
    const since = await lead.json('get', `${path}?since=0`)
    expect(since.saved[0].changes).toEqual(answer.missed[0].changes)
    const now = (await lead.json('get', `${path}?since=0&form=2`)).saved[0].changes
    expect(now.map((change: { type: string }) => change.type)).toEqual(['set-step', 'set-step'])
  })
  it('shows in the library what the draft is called now', async () => {
    await save(author, 0, [{ type: 'set-facts', facts: { title: 'Rinse the trays twice', kind: 'policy' } }])
    const { rows } = await lead.json('get', '/api/guides?find=twice')
    expect(rows).toMatchObject([{ title: 'Rinse the trays twice', kind: 'policy', changedBy: 'Name of author', state: 'draft' }])
  })
  it('tells what stands in the place of facts of every kind, and again when it is asked again', async () => {
    const solo = (passMark: number): Change => ({
      type: 'set-facts',
      facts: { solo: { task: '', passMark, triesPerStep: 3, attempts: 0 } },
    })
    const silence = (silenced: boolean): Change => ({ type: 'silence', finding: 'acronym:x', silenced })
    await save(author, 0, [solo(70), silence(true), { type: 'set-facts', facts: { look: { labelPx: 20 }, signs: ['M004'] } }])
    const id = nanoid()
    const mine: Change[] = [solo(90), silence(false), { type: 'set-facts', facts: { look: {}, signs: [], title: 'Mine' } }]
    const answer = await save(lead, 0, mine, id)
    expect(answer.conflicts.map((each: any) => [each.target, each.theirs.value, each.by.name])).toEqual([
      ['fact:solo', { task: '', passMark: 70, triesPerStep: 3, attempts: 0 }, 'Name of author'],
      ['silence:acronym:x', true, 'Name of author'],
      ['fact:look', { labelPx: 20 }, 'Name of author'],
      ['fact:signs', ['M004'], 'Name of author'],
    ])
    expect((await draft()).document.title).toBe('Mine')
    // The answer was lost and the page has moved on: the same set comes on another base, and is answered.
    expect((await save(lead, 1, mine, id)).conflicts).toEqual(answer.conflicts)
    expect(await save(lead, 2, mine, id)).toMatchObject({ revision: 2, missed: [] })
  })
  it('saves nothing that it could not read again, and says which limit it is', async () => {
    const [stepId] = guide.steps as [never]
    const upload = async () => {
      const bytes = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#245834' } })
        .png()
        .toBuffer()
      const sent = await author.send('post', `/api/guides/${guide.id}/pictures`, new Uint8Array(bytes), { 'content-type': 'image/png' })
      return ((await sent.json()) as { id: never }).id
    }
    const ids: never[] = []
    for (let n = 0; n < 41; n++) ids.push(await upload())
    const answer = await save(
      author,
      0,
      ids.map((id): Change => ({ type: 'insert-picture', stepId, picture: { id, alt: '' }, after: null })),
    )
    expect(answer.conflicts).toMatchObject([{ reason: 'limit', limit: 'pictures', mine: { picture: { id: ids[40] } } }])
    const frame = (n: number): Change => ({
      type: 'put-annotation',
      stepId,
      pictureId: ids[0]!,
      annotation: { id: `frame-${n}-x`, kind: 'frame', area: { to: 'picture', rect: { x: 0, y: 0, width: 1, height: 1 } } },
      after: null,
    })
    expect(
      (
        await save(
          author,
          1,
          Array.from({ length: 201 }, (_, n) => frame(n)),
        )
      ).conflicts,
    ).toMatchObject([{ limit: 'annotations' }])
    const silence = (n: number): Change => ({ type: 'silence', finding: `acronym:${n}`, silenced: true })
    for (const from of [0, 2_000, 4_000])
      await save(
        author,
        2,
        Array.from({ length: 2_000 }, (_, n) => silence(from + n)),
      )
    const { document } = await draft()
    expect([GuideDocument.safeParse(document).error, document.silenced.length]).toEqual([undefined, 5_000])
    const deep = (levels: number): unknown =>
      levels === 0 ? { type: 'paragraph' } : { type: 'bulletList', content: [{ type: 'listItem', content: [deep(levels - 1)] }] }
    for (const levels of [45, 100, 800]) {
      const changes = [{ type: 'set-step', stepId, fields: { body: { type: 'doc', content: [deep(levels)] } } }]
      const sent = await author.send('post', `/api/guides/${guide.id}/draft/changes`, { baseRevision: 5, changeSetId: nanoid(), changes })
      expect([400, 422]).toContain(sent.status)
    }
  })
  it('opens a draft from before there were limits, keeps it from being published, and lets it be mended', async () => {
    const database = server.parts.database
    const { document } = await draft()
    const pictures = Array.from({ length: 45 }, () => ({ id: nanoid(), alt: '' }))
    const large = { ...document, items: document.items.map((item, n) => (n === 0 ? { ...item, pictures } : item)) }
    await database.rows('update draft set document = $2 where guide_id = $1', [guide.id, JSON.stringify(large)])
    expect((await draft()).document.items[0]).toMatchObject({ pictures })
    const publication = await lead.json('get', `/api/guides/${guide.id}/publication`)
    expect(publication.findings).toMatchObject([{ reason: 'too-much', itemId: guide.steps[0] }])
    const remove = pictures
      .slice(0, 5)
      .map((each): Change => ({ type: 'remove-picture', stepId: guide.steps[0] as never, pictureId: each.id as never }))
    expect((await save(author, 0, remove)).conflicts).toEqual([])
    expect((await lead.json('get', `/api/guides/${guide.id}/publication`)).findings).toEqual([])
  })
  it('does not bring changes onto a draft that has gone on too far, and says what to do', async () => {
    const long = 'word '.repeat(150_000)
    for (let n = 0; n < 12; n++) await save(author, n, [write(0, `${n} ${long}`)])
    const sent = await lead.send('post', `/api/guides/${guide.id}/draft/changes`, {
      baseRevision: 0,
      changeSetId: nanoid(),
      changes: [write(1, 'late')],
    })
    expect([sent.status, await sent.json()]).toMatchObject([
      409,
      { code: 'draft-moved-on', detail: expect.stringContaining('save a copy') },
    ])
    expect((await save(lead, 11, [write(1, 'in time')])).conflicts).toEqual([])
  })
  it('holds no more than can be opened again', async () => {
    const long = 'word '.repeat(700_000)
    const grow = async (n: number) =>
      author.send('post', `/api/guides/${guide.id}/draft/changes`, {
        baseRevision: n,
        changeSetId: nanoid(),
        changes: [
          {
            type: 'insert-item',
            item: { kind: 'step', id: nanoid(), body: richTextOf(long.slice(0, 2_900_000)), pictures: [] },
            after: null,
          },
        ],
      })
    const statuses = []
    for (let n = 0; n < 5; n++) statuses.push((await grow(n)).status)
    expect(statuses).toEqual([200, 200, 200, 200, 413])
    expect((await draft()).revision).toBe(4)
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
    expect(await save(author, 0, [write(0, 'x')]).catch((error: Error) => error.message)).toContain('item-archived')
  })
  it('keeps thirty savings at the same moment apart', async () => {
    await Promise.all(
      Array.from({ length: 30 }, (_, i) =>
        save(i % 2 ? lead : author, 0, [
          { type: 'insert-item', item: { kind: 'section', id: nanoid<never>(), title: `Section ${i}` }, after: null },
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
