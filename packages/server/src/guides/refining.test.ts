import { NOBODY } from '@jackdaw/core/audiences'
import { PLAIN_LOOK, type GuideDocument } from '@jackdaw/core/guides'
import { nanoid } from 'nanoid'
import sharp from 'sharp'
import { v7 as uuidV7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aGuide, documentOf, smallCompany, START, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'

let server: TestServer
let company: Company
let author: Client
let lead: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  author = await company.as('author')
  lead = await company.as('lead')
})
afterAll(() => server.close())

describe('the look of the guides', () => {
  it('is as it ships until somebody who may says otherwise, and is then the same for everybody', async () => {
    expect(await author.json('get', '/api/look')).toEqual(PLAIN_LOOK)
    const look = { ...PLAIN_LOOK, name: 'Larkmoor', colour: '#7b2d6b', head: ['owner'] }
    await lead.json('put', '/api/look', look)
    expect(await (await company.as('staff')).json('get', '/api/look')).toEqual(look)
  })
  it.each([
    ['a colour that is none', { colour: 'red' }],
    ['a logo that is a page', { logo: 'data:text/html;base64,PHNjcmlwdD4=' }],
    ['a logo from elsewhere', { logo: 'https://elsewhere.example/logo.png' }],
    ['a drawing with script in it', { logo: 'data:image/svg+xml;base64,PHN2Zz4=' }],
    ['a fact that nobody knows', { head: ['weather'] }],
  ])('refuses %s', async (_, part) => {
    expect((await lead.send('put', '/api/look', { ...PLAIN_LOOK, ...part })).status).toBe(422)
  })
})

describe('links to guides', () => {
  it('are dead when a reader would not find what is behind them', async () => {
    const [here, draft, gone] = [
      await aGuide(server, company, 'author'),
      await aGuide(server, company, 'author', { published: false }),
      nanoid(),
    ]
    const archived = await aGuide(server, company, 'author')
    await author.json('patch', `/api/guides/${archived.id}`, { archived: true }, 204)
    const foreign = await aGuide(server, company, 'lead')
    const dead = await author.json('post', `/api/guides/${here.id}/dead-links`, {
      guides: [here.id, draft.id, gone, archived.id, foreign.id],
    })
    expect(dead.sort()).toEqual([draft.id, gone, archived.id, foreign.id].sort())
  })
})

describe('sizes of pictures', () => {
  it('are those of the guide’s pictures as they are stored', async () => {
    const guide = await aGuide(server, company, 'author', { published: false })
    const png = await sharp({ create: { width: 30, height: 20, channels: 3, background: '#245834' } })
      .png()
      .toBuffer()
    const answer = await author.send('post', `/api/guides/${guide.id}/pictures`, new Uint8Array(png), { 'content-type': 'image/png' })
    const { id } = (await answer.json()) as { id: string }
    expect(await author.json('get', `/api/guides/${guide.id}/picture-sizes`)).toEqual({ [id]: { widthPx: 30, heightPx: 20 } })
  })
})

describe('cautions that have to be acknowledged', () => {
  it('keep a guide from being finished until the reader has said so, on the record', async () => {
    const document = documentOf('Sharp', 'Cut', 'Clean')
    const [first] = document.items
    const cautioned: GuideDocument = {
      ...document,
      items: [
        { ...first!, cautions: [{ id: 'caution-1', level: 'danger', words: 'The blade turns on', acknowledge: true }] } as typeof first &
          object,
        document.items[1]!,
      ],
    }
    const guide = await aGuide(server, company, 'author', { document: cautioned })
    const staff = await company.as('staff')
    const event = (verb: string, stepId?: string) => ({
      id: uuidV7(),
      guideId: guide.id,
      edition: 1,
      way: 'read',
      verb,
      occurredAt: START,
      ...(stepId ? { stepId } : {}),
    })
    const send = (...events: object[]) => staff.json('post', '/api/events', { sentAt: START, events })
    const viewed = guide.steps.map((step) => event('step-viewed', step))
    expect((await send(...viewed, event('finished'))).refused).toMatchObject([{ why: 'steps-not-read' }])
    await send(event('step-acknowledged', guide.steps[0]))
    expect((await staff.json('get', `/api/guides/${guide.id}/reader`)).progress.acknowledged).toEqual([guide.steps[0]])
    expect(await send(event('finished'))).toEqual({ taken: 1, refused: [] })
  })
  it('and flags that a part is not ready do not keep it from being published, but are told', async () => {
    const document = documentOf('In work', 'Cut', 'Clean')
    const flagged: GuideDocument = { ...document, items: document.items.map((item, n) => (n === 1 ? { ...item, notReady: true } : item)) }
    const guide = await aGuide(server, company, 'author', { document: flagged, published: false })
    const { findings } = await lead.json('get', `/api/guides/${guide.id}/publication`)
    expect(findings).toEqual([{ reason: 'not-ready', itemId: guide.steps[1], where: '2. Clean' }])
    const request = {
      revision: 0,
      changeNote: 'x',
      mustReread: false,
      audience: NOBODY,
      openToAll: true,
      due: { kind: 'none' },
    }
    expect(await lead.json('post', `/api/guides/${guide.id}/editions`, request)).toMatchObject({ edition: 1 })
  })
})
