import { readFile } from 'node:fs/promises'
import { plainText, stepsOf } from '@jackdaw/core/guides'
import { seededRandom } from '@jackdaw/core/shared'
import {
  AlignmentType,
  Document,
  Header,
  HeadingLevel,
  ImageRun,
  LevelFormat,
  Packer,
  Paragraph,
  Table,
  TableCell,
  TableRow,
  TextRun,
} from 'docx'
import { strToU8, zipSync } from 'fflate'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ExportHand, ofGuides, order } from '../../testing/exportHand'
import { smallCompany, startTestServer, type Client, type Company, type TestServer } from '../../testing/testServer'

let server: TestServer
let company: Company
let author: Client
let hand: ExportHand
let png: Buffer
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  author = await company.as('author')
  hand = await ExportHand.of(server, company)
  png = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#7A4E00' } })
    .png()
    .toBuffer()
})
afterAll(async () => {
  await server.close()
  await hand.close()
})

const send = (bytes: Uint8Array, name: string) =>
  author.send('post', `/api/imports?name=${encodeURIComponent(name)}`, bytes, { 'content-type': 'application/octet-stream' })
async function taken(bytes: Uint8Array, name: string): Promise<{ report: any; said: unknown[] }> {
  const answer = await send(bytes, name)
  const report = (await answer.json()) as any
  if (answer.status !== 200) throw new Error(`${answer.status} ${JSON.stringify(report)}`)
  const { document } = await author.json('get', `/api/guides/${report.id}/draft`)
  const said = document.items.map((item: any) =>
    item.kind === 'section' ? `# ${item.title}` : [plainText(item.body), item.pictures.length],
  )
  return { report, said }
}

/** A Word file as people write them. */
async function aWordFile(): Promise<Uint8Array> {
  const entry = (words: string) => new Paragraph({ numbering: { reference: 'steps', level: 0 }, children: [new TextRun(words)] })
  const inner = (words: string) => new Paragraph({ numbering: { reference: 'steps', level: 1 }, children: [new TextRun(words)] })
  const cell = (words: string) => new TableCell({ children: [new Paragraph(words)] })
  const picture = new ImageRun({
    type: 'png',
    data: png,
    transformation: { width: 60, height: 40 },
    altText: { name: 'v', title: '', description: 'The red valve' },
  })
  const level = (at: number) => ({ level: at, format: LevelFormat.DECIMAL, text: `%${at + 1}.`, alignment: AlignmentType.START })
  const word = new Document({
    numbering: { config: [{ reference: 'steps', levels: [level(0), level(1)] }] },
    sections: [
      {
        headers: { default: new Header({ children: [new Paragraph('Confidential: Larkmoor')] }) },
        children: [
          new Paragraph({ heading: HeadingLevel.TITLE, children: [new TextRun('Change the filter')] }),
          new Paragraph('Every four weeks.'),
          new Paragraph({ heading: HeadingLevel.HEADING_1, children: [new TextRun('Prepare')] }),
          entry('Close the valve'),
          new Paragraph({ children: [picture] }),
          entry('Lay out the tools'),
          inner('spanner'),
          inner('bucket'),
          new Paragraph({ heading: HeadingLevel.HEADING_1, children: [new TextRun('Change')] }),
          new Paragraph('Warning: the water is hot.'),
          new Table({ rows: [new TableRow({ children: [cell('Size'), cell('20 l')] })] }),
        ],
      },
    ],
  })
  return new Uint8Array(await Packer.toBuffer(word))
}

describe('documents that exist already', () => {
  it('come in from Word: title, sections, numbered steps, nested lists, tables, pictures, cautions; what has no place is listed', async () => {
    const { report, said } = await taken(await aWordFile(), 'filter.docx')
    expect(report).toMatchObject({ title: 'Change the filter', pictures: 1, missingPictures: [], rough: false })
    expect(said).toEqual(['# Prepare', ['Close the valve', 1], ['Lay out the tools\nspanner\nbucket', 0], '# Change', ['Size\t20 l', 0]])
    expect(report.notPlaced.map((each: { text: string }) => each.text)).toEqual(['Confidential: Larkmoor'])
    const { document } = await author.json('get', `/api/guides/${report.id}/draft`)
    expect(stepsOf(document)[0]!.pictures[0]!.alt).toBe('The red valve')
    expect(stepsOf(document)[2]!.cautions).toMatchObject([{ level: 'warning', words: 'the water is hot.' }])
  })
  it('come in from what was saved here as Word', async () => {
    const { id } = await hand.aGuideWithPicture('There and back')
    const file = await hand.made(author, order(ofGuides(id), { as: { format: 'word' } }))
    const type = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document'
    const { report, said } = await taken(new Uint8Array(await readFile(await hand.saved(author, file.id, type))), 'back.docx')
    expect(report.title).toBe('There and back')
    expect(said).toEqual(expect.arrayContaining(['# Before', ['Close the valve', 1], '# After', ['Open the drain', 0], ['Wait', 0]]))
  })
  it('come in from a page, in its own encoding, and from a zip of one with its pictures', async () => {
    const page = '<html><head><meta charset="windows-1252"><title>K\xfchlraum</title></head><body><ol><li>T\xfcr zu</li></ol></body></html>'
    expect(await taken(new Uint8Array(Buffer.from(page, 'latin1')), 'a.html')).toMatchObject({
      report: { title: 'Kühlraum' },
      said: [['Tür zu', 0]],
    })
    const zip = zipSync({
      'site/index.html': strToU8('<h1>Pack</h1><ol><li>Fold <img src="img/a%20b.png" alt="box"></li></ol>'),
      'site/img/a b.png': new Uint8Array(png),
    })
    expect(await taken(zip, 'site.zip')).toMatchObject({ report: { title: 'Pack', pictures: 1, otherFiles: [] }, said: [['Fold', 1]] })
  })
  it('come in from a PDF with words, as a rough start: paragraphs and pictures in reading order, every word', async () => {
    const { id } = await hand.aGuideWithPicture('On paper')
    const file = await hand.made(author, order(ofGuides(id)))
    const { report, said } = await taken(new Uint8Array(await readFile(await hand.saved(author, file.id))), 'paper.pdf')
    expect(report).toMatchObject({ title: 'On paper', rough: true, pictures: 1 })
    const words = JSON.stringify(said)
    const places = ['Close the valve', 'Open the drain', 'Wait'].map((each) => words.lastIndexOf(each))
    expect(places).toEqual([...places].sort((a, b) => a - b))
    expect(Math.min(...places)).toBeGreaterThan(-1)
  })
  it('are refused in words where there are none in them, or they are protected', async () => {
    const empty = Buffer.from(
      '%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj 2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj 3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 99 99]>>endobj\ntrailer<</Root 1 0 R>>',
    )
    expect(await (await send(new Uint8Array(empty), 'a.pdf')).json()).toMatchObject({
      code: 'not-a-document',
      detail: expect.stringContaining('no words'),
    })
    expect(await (await send(strToU8('hello'), 'a.docx')).json()).toMatchObject({ code: 'not-a-document' })
  })
  it('never take the server along, however damaged they are', async () => {
    const random = seededRandom(18)
    const { id } = await hand.aGuideWithPicture('Damaged')
    const pdf = await readFile(await hand.saved(author, (await hand.made(author, order(ofGuides(id)))).id))
    const files = [
      { name: 'a.docx', bytes: Buffer.from(await aWordFile()) },
      { name: 'a.pdf', bytes: pdf },
      { name: 'a.html', bytes: Buffer.from('<html><body><table><tr><td><ol><li><b>x<img src=a.png></ol></table>') },
    ]
    for (let n = 0; n < 24; n++) {
      const { name, bytes } = files[n % 3]!
      const hurt = Buffer.from(bytes.subarray(0, n % 2 === 0 ? bytes.length : Math.ceil(bytes.length * random())))
      for (let i = 0; i < 1 + n; i++) hurt[Math.floor(random() * hurt.length)] = Math.floor(random() * 256)
      const answer = await send(new Uint8Array(hurt), name)
      expect([n, [200, 413, 422].includes(answer.status)]).toEqual([n, true])
    }
    expect((await taken(strToU8('# A\n\n1. b\n'), 'a.md')).said).toEqual([['b', 0]])
  }, 120_000)
})
