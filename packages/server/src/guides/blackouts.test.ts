import { NOBODY, ticked } from '@jackdaw/core/audiences'
import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { type Annotation, type Change } from '@jackdaw/core/guides'
import type { GuideId, PictureId, StepId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import sharp from 'sharp'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { removeNotedFiles, storePictureText } from '../files'
import { aGuide, smallCompany, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'
import { postgresScripts } from '../testing/throwAwayCluster'

const CANARY_WORDS = 'canary-4711@greenway.example'
const AREA = { x: 320, y: 160, width: 160, height: 96 }

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

/** A grey picture with a checkerboard of pure magenta and green in the area: nothing else has such pixels. */
async function withCanary(format: 'png' | 'jpeg' | 'webp' | 'gif'): Promise<Buffer> {
  const squares = []
  for (let y = 0; y < AREA.height; y += 16)
    for (let x = 0; x < AREA.width; x += 16)
      squares.push({
        input: { create: { width: 16, height: 16, channels: 3 as const, background: (x + y) % 32 === 0 ? '#ff00ff' : '#00ff00' } },
        left: AREA.x + x,
        top: AREA.y + y,
      })
  const picture = sharp({ create: { width: 800, height: 480, channels: 3, background: '#8a9299' } }).composite(squares)
  return picture.toFormat(format, format === 'jpeg' ? { quality: 60 } : {}).toBuffer()
}
/** How many pixels are more magenta or more green than any grey or ink could be, also after the picture was made small. */
async function canaryPixels(bytes: Buffer): Promise<number> {
  const { data, info } = await sharp(bytes).removeAlpha().raw().toBuffer({ resolveWithObject: true })
  let found = 0
  for (let at = 0; at < data.length; at += info.channels) {
    const [red, green, blue] = [data[at]!, data[at + 1]!, data[at + 2]!]
    if (Math.abs((red + blue) / 2 - green) > 40) found++
  }
  return found
}
async function storedWithCanary(): Promise<number> {
  let found = 0
  for await (const { hash } of server.parts.content.list()) if ((await canaryPixels((await server.parts.content.get(hash))!)) > 0) found++
  return found
}
async function dump(): Promise<string> {
  const { bin } = (await postgresScripts()).ensurePostgres(() => undefined)
  return execFileSync(join(bin, 'pg_dump'), ['--data-only', server.parts.config.databaseUrl], { encoding: 'utf8', maxBuffer: 1 << 28 })
}

const blackout = (id = nanoid()): Annotation => ({
  id,
  kind: 'blackout',
  area: { to: 'picture', rect: { x: AREA.x / 800, y: AREA.y / 480, width: AREA.width / 800, height: AREA.height / 480 } },
})
type Made = { id: GuideId; step: StepId; picture: PictureId; revision: number }
async function save(client: Client, id: string, changes: Change[]): Promise<number> {
  const { revision } = await client.json('get', `/api/guides/${id}/draft`)
  const answer = await client.json('post', `/api/guides/${id}/draft/changes`, { baseRevision: revision, changeSetId: nanoid(), changes })
  expect(answer.conflicts).toEqual([])
  return answer.revision
}
/** A guide with a canary in the picture of its first step, published, with a blackout drawn and not applied. */
async function aGuideWithCanary(format: Parameters<typeof withCanary>[0] = 'png'): Promise<Made> {
  const { id, steps } = await aGuide(server, company, 'author', { published: false })
  const step = steps[0] as StepId
  const bytes = await withCanary(format)
  const stored = await (
    await author.send('post', `/api/guides/${id}/pictures`, new Uint8Array(bytes), { 'content-type': `image/${format}` })
  ).json()
  const picture = (stored as { id: PictureId }).id
  await save(author, id, [{ type: 'insert-picture', stepId: step, picture: { id: picture, alt: '' }, after: null }])
  const publish = async () => {
    const { revision } = await lead.json('get', `/api/guides/${id}/draft`)
    await lead.json('post', `/api/guides/${id}/editions`, {
      revision,
      changeNote: 'More',
      mustReread: false,
      audience: ticked([company.team], []),
      openToAll: false,
      due: { kind: 'none' },
    })
  }
  await publish()
  await save(author, id, [{ type: 'set-facts', facts: { summary: 'Second edition' } }])
  await publish()
  const revision = await save(author, id, [
    { type: 'put-annotation', stepId: step, pictureId: picture, annotation: blackout('blackout-one'), after: null },
  ])
  return { id, step, picture, revision }
}
const placesOf = (made: Made) => ({ places: [{ stepId: made.step, pictureId: made.picture, annotationIds: ['blackout-one'] }] })

describe('a blackout that is applied', () => {
  it.each(['png', 'jpeg', 'webp', 'gif'] as const)(
    'leaves nothing of what stood there in any file, nor in the database: %s',
    async (format) => {
      const made = await aGuideWithCanary(format)
      await storePictureText(server.parts.database, made.picture, [
        { rect: AREA, text: CANARY_WORDS },
        { rect: { x: 10, y: 10, width: 60, height: 16 }, text: 'Orders' },
      ])
      // The search finds it as long as it is there: in the picture and in both that are derived from it.
      expect(await storedWithCanary()).toBeGreaterThanOrEqual(3)
      expect(await dump()).toContain(CANARY_WORDS)

      const done = await author.json('post', `/api/guides/${made.id}/blackouts`, placesOf(made))
      expect(done.reach).toMatchObject({ pictures: 1, guides: [{ id: made.id, editions: [1, 2] }], elsewhere: 0 })

      expect(await storedWithCanary()).toBe(0)
      expect(await dump()).not.toContain(CANARY_WORDS)
      for (const address of [
        `draft/pictures/${made.picture}`,
        `editions/1/pictures/${made.picture}`,
        `editions/2/pictures/${made.picture}`,
      ])
        for (const size of ['full', 'screen', 'thumb']) {
          const answer = await author.send('get', `/guides/${made.id}/${address}?size=${size}`)
          expect([address, answer.status]).toEqual([address, 200])
          expect(await canaryPixels(Buffer.from(await answer.arrayBuffer()))).toBe(0)
        }
      // The flat fill is where it was wanted, and the rest of the picture is as it was.
      const full = Buffer.from(
        await (await author.send('get', `/guides/${made.id}/draft/pictures/${made.picture}?size=full`)).arrayBuffer(),
      )
      const { data, info } = await sharp(full).removeAlpha().raw().toBuffer({ resolveWithObject: true })
      const at = (x: number, y: number) => [...data.subarray((y * info.width + x) * 3, (y * info.width + x) * 3 + 3)]
      for (const [part, n] of at(400, 200).map((value, i) => [value, [0x17, 0x21, 0x2b][i]!] as const))
        expect(Math.abs(part - n)).toBeLessThan(8)
      for (const [part, n] of at(100, 400).map((value, i) => [value, [0x8a, 0x92, 0x99][i]!] as const))
        expect(Math.abs(part - n)).toBeLessThan(8)
    },
  )
  it('keeps number, bytes and hash of the editions, says that they were amended, and is gone from the draft for good', async () => {
    const made = await aGuideWithCanary()
    const editions = () =>
      server.parts.database.rows<{ number: number; bytes: string; hash: string }>(
        'select number, bytes, hash from edition where item_id = $1 order by 1',
        [made.id],
      )
    const before = await editions()
    const reader = await company.as('staff')
    expect((await reader.json('get', `/api/guides/${made.id}/reader`)).amendedAt).toBeNull()
    server.clock.now += 60_000
    const { revision } = await author.json('post', `/api/guides/${made.id}/blackouts`, placesOf(made))
    expect(await editions()).toEqual(before)
    expect(await reader.json('get', `/api/guides/${made.id}/reader`)).toMatchObject({ edition: 2, amendedAt: server.clock.now })
    const [amendment] = await server.parts.database.rows<any>('select * from picture_amendment where item_id = $1', [made.id])
    expect(amendment).toMatchObject({ picture_id: made.picture, version: 2, amended_by: company.people.author })
    expect(amendment.old_hash).not.toBe(amendment.new_hash)
    const draft = await author.json('get', `/api/guides/${made.id}/draft`)
    expect(draft.revision).toBe(revision)
    expect(draft.document.items[0].pictures[0].annotations).toBeUndefined()
    // What is gone cannot be applied again, and the answer says so.
    const again = await author.send('post', `/api/guides/${made.id}/blackouts`, placesOf(made))
    expect([again.status, ((await again.json()) as any).errors[0].detail]).toEqual([422, expect.stringContaining('no longer there')])
  })
  it('can be followed by another one on the same picture', async () => {
    const made = await aGuideWithCanary()
    await author.json('post', `/api/guides/${made.id}/blackouts`, placesOf(made))
    await save(author, made.id, [
      { type: 'put-annotation', stepId: made.step, pictureId: made.picture, annotation: blackout('blackout-one'), after: null },
    ])
    await author.json('post', `/api/guides/${made.id}/blackouts`, placesOf(made))
    const versions = await server.parts.database.rows<{ version: number }>('select version from picture_version where picture_id = $1', [
      made.picture,
    ])
    expect(versions).toEqual([{ version: 3 }])
  })
})

describe('copies of a picture', () => {
  let made: Made
  beforeEach(async () => {
    made = await aGuideWithCanary()
  })
  const copiedTo = async (client: Client, owner: 'author' | 'otherAuthor' | 'lead') => {
    const other = await aGuide(server, company, owner, { published: false })
    const ids = await client.json('post', `/api/guides/${other.id}/adopted-pictures`, { from: made.id, pictures: [made.picture] })
    const picture = ids[made.picture] as PictureId
    await save(client, other.id, [
      { type: 'insert-picture', stepId: other.steps[0] as StepId, picture: { id: picture, alt: '' }, after: null },
    ])
    return { ...other, picture }
  }
  it('in guides that the author may edit go along', async () => {
    const other = await copiedTo(author, 'author')
    const reach = await author.json('post', `/api/guides/${made.id}/blackout-reach`, placesOf(made))
    expect(reach.guides.map((guide: any) => guide.id).sort()).toEqual([made.id, other.id].sort())
    expect(await storedWithCanary()).toBeGreaterThan(0)
    await author.json('post', `/api/guides/${made.id}/blackouts`, placesOf(made))
    expect(await storedWithCanary()).toBe(0)
    const answer = await author.send('get', `/guides/${other.id}/draft/pictures/${other.picture}?size=full`)
    expect(await canaryPixels(Buffer.from(await answer.arrayBuffer()))).toBe(0)
  })
  it('in guides that the author may not edit stay, are counted, and keep their file', async () => {
    const other = await copiedTo(lead, 'lead')
    const reach = await author.json('post', `/api/guides/${made.id}/blackout-reach`, placesOf(made))
    expect(reach).toMatchObject({ elsewhere: 1, guides: [{ id: made.id }] })
    await author.json('post', `/api/guides/${made.id}/blackouts`, placesOf(made))
    const theirs = await lead.send('get', `/guides/${other.id}/draft/pictures/${other.picture}?size=full`)
    expect(await canaryPixels(Buffer.from(await theirs.arrayBuffer()))).toBeGreaterThan(0)
    // A lead, who may edit both, reaches it from the copy.
    await save(lead, other.id, [
      {
        type: 'put-annotation',
        stepId: other.steps[0] as StepId,
        pictureId: other.picture,
        annotation: blackout('blackout-one'),
        after: null,
      },
    ])
    await lead.json('post', `/api/guides/${other.id}/blackouts`, {
      places: [{ stepId: other.steps[0], pictureId: other.picture, annotationIds: ['blackout-one'] }],
    })
    expect(await storedWithCanary()).toBe(0)
  })
  it('are only made by those who may edit both guides', async () => {
    const mine = await aGuide(server, company, 'otherAuthor', { published: false })
    const answer = await (
      await company.as('otherAuthor')
    ).send('post', `/api/guides/${mine.id}/adopted-pictures`, { from: made.id, pictures: [made.picture] })
    expect(answer.status).toBe(404)
    await author.json('post', `/api/guides/${made.id}/blackouts`, placesOf(made))
  })
})

describe('on the way', () => {
  it('a guide with a blackout that is not applied cannot be published', async () => {
    const made = await aGuideWithCanary()
    const answer = await lead.send('post', `/api/guides/${made.id}/editions`, {
      revision: made.revision,
      changeNote: 'x',
      mustReread: false,
      audience: NOBODY,
      openToAll: true,
      due: { kind: 'none' },
    })
    expect([answer.status, ((await answer.json()) as any).detail]).toEqual([409, expect.stringContaining('blackout')])
    await author.json('post', `/api/guides/${made.id}/blackouts`, placesOf(made))
  })
  it('pictures that the recorder offered beside it go, and those on a sheet are reached through it', async () => {
    const { id, steps } = await aGuide(server, company, 'author', { published: false })
    const step = steps[0] as StepId
    const upload = async () =>
      (
        (await (
          await author.send('post', `/api/guides/${id}/pictures`, new Uint8Array(await withCanary('png')), { 'content-type': 'image/png' })
        ).json()) as any
      ).id as PictureId
    const [laid, offered] = [await upload(), await upload()]
    const sheet = nanoid<PictureId>()
    await save(author, id, [
      {
        type: 'insert-picture',
        stepId: step,
        picture: {
          id: sheet,
          alt: '',
          sheet: { widthPx: 1000, heightPx: 600, pictures: [{ id: laid, rect: { x: 100, y: 100, width: 400, height: 240 } }] },
        },
        after: null,
      },
      { type: 'set-step', stepId: step, fields: { check: { sureness: 0.5, doubts: ['picture-uncertain'], otherPictures: [offered] } } },
      {
        type: 'put-annotation',
        stepId: step,
        pictureId: sheet,
        annotation: { id: 'blackout-one', kind: 'blackout', area: { to: 'picture', rect: { x: 0.25, y: 0.29, width: 0.1, height: 0.1 } } },
        after: null,
      },
    ])
    await save(author, id, [{ type: 'insert-picture', stepId: step, picture: { id: laid, alt: '' }, after: null }])
    const done = await author.json('post', `/api/guides/${id}/blackouts`, {
      places: [{ stepId: step, pictureId: sheet, annotationIds: ['blackout-one'] }],
    })
    expect(done.reach.pictures).toBe(1)
    expect((await author.send('get', `/guides/${id}/draft/pictures/${offered}`)).status).toBe(404)
    const full = Buffer.from(await (await author.send('get', `/guides/${id}/draft/pictures/${laid}?size=full`)).arrayBuffer())
    const { data } = await sharp(full).removeAlpha().raw().toBuffer({ resolveWithObject: true })
    const ink = (x: number, y: number) => data[(y * 800 + x) * 3] === 0x17
    // 250 to 350 across and 174 to 234 down the sheet is 300 to 500 and 148 to 268 of the picture.
    expect([ink(310, 160), ink(490, 260), ink(290, 160), ink(310, 140)]).toEqual([true, true, false, false])
  })
  it('nothing of another guide goes, and nothing that lies on a sheet of the same one', async () => {
    const upload = async (client: Client, id: string, background: string) => {
      const bytes = await sharp({ create: { width: 80, height: 48, channels: 3, background } })
        .png()
        .toBuffer()
      const sent = await client.send('post', `/api/guides/${id}/pictures`, new Uint8Array(bytes), { 'content-type': 'image/png' })
      return ((await sent.json()) as { id: PictureId }).id
    }
    const foreign = await aGuide(server, company, 'otherAuthor', { published: false })
    const otherAuthor = await company.as('otherAuthor')
    const theirs = await upload(otherAuthor, foreign.id, '#444444')
    const { id, steps } = await aGuide(server, company, 'author', { published: false })
    const [stepId, second] = steps as [StepId, StepId]
    const [mine, beside] = [await upload(author, id, '#555555'), await upload(author, id, '#666666')]
    const check = (offered: PictureId): Change => ({
      type: 'set-step',
      stepId,
      fields: { check: { sureness: 0.5, doubts: ['picture-uncertain'], otherPictures: [offered] } },
    })
    const tried = await author.send('post', `/api/guides/${id}/draft/changes`, {
      baseRevision: 0,
      changeSetId: nanoid(),
      changes: [check(theirs)],
    })
    expect([tried.status, ((await tried.json()) as any).errors[0].pointer]).toEqual([422, '/body/changes/0'])
    const sheet = { widthPx: 1_000, heightPx: 600, pictures: [{ id: beside, rect: { x: 0, y: 0, width: 400, height: 240 } }] }
    await save(author, id, [
      { type: 'insert-picture', stepId, picture: { id: mine, alt: '', annotations: [blackout('blackout-one')] }, after: null },
      { type: 'insert-picture', stepId: second, picture: { id: nanoid<PictureId>(), alt: '', sheet }, after: null },
      check(beside),
    ])
    await author.json('post', `/api/guides/${id}/blackouts`, { places: [{ stepId, pictureId: mine, annotationIds: ['blackout-one'] }] })
    expect((await author.send('get', `/guides/${id}/draft/pictures/${beside}`)).status).toBe(200)
    expect((await otherAuthor.send('get', `/guides/${foreign.id}/draft/pictures/${theirs}`)).status).toBe(200)
  })
  it('a server that was killed before the files were gone removes them at its next start', async () => {
    const made = await aGuideWithCanary()
    const { content } = server.parts
    const { delete: really } = content
    content.delete = () => Promise.reject(new Error('killed'))
    expect((await author.send('post', `/api/guides/${made.id}/blackouts`, placesOf(made))).status).toBe(500)
    content.delete = really
    expect(await storedWithCanary()).toBeGreaterThan(0)
    await removeNotedFiles(server.parts.database, content)
    expect(await storedWithCanary()).toBe(0)
  })
  it('finds what looks private by the words that the recorder saw, names of the directory among them', async () => {
    const made = await aGuideWithCanary()
    const ask = () => author.json('get', `/api/guides/${made.id}/pictures/${made.picture}/private`)
    expect(await ask()).toEqual({ known: false, found: [] })
    await server.parts.database.rows("update person set name = 'Inés Robledo' where id = $1", [company.people.staff])
    const line = (n: number, text: string) => ({ rect: { x: 20, y: 20 + n * 30, width: text.length * 7, height: 18 }, text })
    await storePictureText(server.parts.database, made.picture, [
      line(0, 'Write to orders@greenway.example today'),
      line(1, 'Card 4539 1488 0343 6467'),
      line(2, 'Taken by Inés Robledo at 07:00'),
      line(3, 'IBAN GB33 BUKB 2020 1555 5555 55'),
      line(4, '12 crates of basil'),
    ])
    const { known, found } = await ask()
    expect(known).toBe(true)
    expect(found.map((each: any) => [each.kind, each.words])).toEqual([
      ['mail', 'orders@greenway.example'],
      ['account', '4539 1488 0343 6467'],
      ['person', 'Inés Robledo'],
      ['account', 'GB33 BUKB 2020 1555 5555 55'],
    ])
    // Of a line only the passage, with room on both sides.
    expect(found[2].rect.x).toBeLessThan(20 + 9 * 7)
    expect(found[2].rect.x + found[2].rect.width).toBeGreaterThan(20 + 21 * 7)
    expect(found[2].rect.width).toBeLessThan(30 * 7)
    await author.json('post', `/api/guides/${made.id}/blackouts`, placesOf(made))
  })
})
