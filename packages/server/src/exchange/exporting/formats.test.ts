import { readFile } from 'node:fs/promises'
import { strFromU8, unzipSync } from 'fflate'
import { type GuideDocument, stepsOf } from '@jackdaw/core/guides'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ExportHand, ofGuides, order } from '../../testing/exportHand'
import { smallCompany, startTestServer, type Client, type Company, type TestServer } from '../../testing/testServer'

let server: TestServer
let company: Company
let author: Client
let hand: ExportHand
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  author = await company.as('author')
  hand = await ExportHand.of(server, company)
})
afterAll(async () => {
  await server.close()
  await hand.close()
})

const as = (format: string, more: object = {}) => ({ as: { format }, ...more })
const zipped = async (client: Client, file: { id: string }) =>
  unzipSync(new Uint8Array(await readFile(await hand.saved(client, file.id, 'application/zip'))))
const taken = async (client: Client, zip: Uint8Array): Promise<any> => {
  const answer = await client.send('post', '/api/imports?name=guide.zip', zip, { 'content-type': 'application/zip' })
  expect(answer.status).toBe(200)
  return answer.json()
}
/** What a draft says, without ids. */
const said = (document: GuideDocument): unknown =>
  JSON.parse(
    JSON.stringify(document.items)
      .replace(/"[A-Za-z0-9_-]{21}"/g, '"id"')
      .replace(/"(id|pictureId)":"[^"]*"/g, '"$1":"id"'),
  )

describe('a guide in other formats', () => {
  it('is a page with its pictures, fonts and drawings in one file', async () => {
    const { id } = await hand.aGuideWithPicture('A page')
    const file = await hand.made(author, order(ofGuides(id), as('page')))
    const html = await readFile(await hand.saved(author, file.id, 'text/html; charset=utf-8'), 'utf8')
    expect(html).toMatch(/<h1>A page<\/h1>[\s\S]*Close the valve[\s\S]*<image href="data:image\/webp;base64,[\s\S]*Zawór główny<\/tspan>/)
    expect(html).toContain('@font-face')
    expect(html.match(/(src|href)="(?!data:|#)[^"]*"/g)).toEqual([expect.stringContaining(`https://guides.example.org/guides/${id}`)])
  })
  it('is Markdown with the pictures beside it, on which everything is drawn; and comes in again', async () => {
    const { id } = await hand.aGuideWithPicture('Marked')
    const files = await zipped(author, await hand.made(author, order(ofGuides(id), as('markdown'))))
    expect(Object.keys(files).sort()).toEqual(['guide.md', 'pictures/step-01.png'])
    expect(strFromU8(files['guide.md']!)).toContain('1. Close the valve\n\n   ![The tank from the front](pictures/step-01.png)')
    const { data, info } = await sharp(files['pictures/step-01.png']!).removeAlpha().raw().toBuffer({ resolveWithObject: true })
    expect([info.width, info.height]).toEqual([400, 240])
    // Of the red field the slip of the label has covered a part, and its words stand there as outlines.
    const inks = Array.from({ length: info.width * info.height }, (_, n) => data.readUIntBE(n * 3, 3))
    expect(inks.filter((ink) => ink === 0xffffff).length).toBeGreaterThan(300)
    expect(inks.filter((ink) => ink === 0x17212b).length).toBeGreaterThan(100)
    const zip = await readFile(
      await hand.saved(author, (await hand.made(author, order(ofGuides(id), as('markdown')))).id, 'application/zip'),
    )
    const report = await taken(author, new Uint8Array(zip))
    expect(report).toMatchObject({ title: 'Marked', steps: 3, sections: 2, pictures: 1, missingPictures: [] })
    // Only where the picture lies has no place in the draft.
    expect(report.notPlaced.flatMap((each: { words: string[] }) => each.words)).toEqual(['pictures', 'step', '01', 'png'])
  })
  it('is a Word file: steps are a numbered list, pictures say what they show', async () => {
    const { id } = await hand.aGuideWithPicture('In Word')
    const file = await hand.made(author, order(ofGuides(id), as('word')))
    const type = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document'
    const files = unzipSync(new Uint8Array(await readFile(await hand.saved(author, file.id, type))))
    const xml = strFromU8(files['word/document.xml']!)
    const words = xml.replace(/<w:p[ >]/g, '\n$&').replace(/<[^>]+>/g, '')
    expect(words).toMatch(/In Word[\s\S]*Contents[\s\S]*\nBefore\n+Close the valve\n[\s\S]*\nAfter\n+Open the drain\n+Wait/)
    expect(xml).toContain('descr="The tank from the front. On the picture: Zawór główny"')
    expect(Object.keys(files).filter((name) => name.startsWith('word/media/'))).toHaveLength(1)
    expect(xml.match(/<w:numPr>/g)).toHaveLength(3)
  })
  it('is a guide file that comes in again equal, for those who may edit it', async () => {
    const { id } = await hand.aGuideWithPicture('Whole')
    const file = await hand.made(author, order(ofGuides(id), as('guide-file')))
    const zip = new Uint8Array(await readFile(await hand.saved(author, file.id, 'application/zip')))
    const otherAuthor = await company.as('otherAuthor')
    const report = await taken(otherAuthor, zip)
    expect(report).toMatchObject({ title: 'Whole', steps: 3, sections: 2, pictures: 1, missingPictures: [], notHere: [], otherFiles: [] })
    const [was, is] = [await author.json('get', `/api/guides/${id}/draft`), await otherAuthor.json('get', `/api/guides/${report.id}/draft`)]
    expect(said(is.document)).toEqual(said(was.document))
    const picture = stepsOf(is.document)[0]!.pictures[0]!.id
    expect((await otherAuthor.send('get', `/guides/${report.id}/draft/pictures/${picture}`)).status).toBe(200)
    const staff = await company.as('staff')
    expect((await staff.send('post', '/api/exports', order(ofGuides(id), as('guide-file')))).status).toBe(404)
    expect((await author.send('post', '/api/exports', order(ofGuides(id, report.id), as('guide-file')))).status).toBeGreaterThanOrEqual(400)
  })
  it('is no guide file while a blackout waits to be applied', async () => {
    const { id, steps, picture } = await hand.aGuideWithPicture('Waiting')
    const area = { to: 'picture' as const, rect: { x: 0, y: 0, width: 0.5, height: 0.5 } }
    await hand.change(id, [
      {
        type: 'put-annotation',
        stepId: steps[0] as never,
        pictureId: picture,
        annotation: { id: 'blackout-1', kind: 'blackout', area },
        after: null,
      },
    ])
    const file = await hand.made(author, order(ofGuides(id), as('guide-file', { draft: true })))
    expect(file).toMatchObject({ state: 'failed', reason: expect.stringContaining('waits to be applied') })
  })
})
