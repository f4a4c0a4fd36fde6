import { readFile } from 'node:fs/promises'
import { plainText, stepsOf } from '@jackdaw/core/guides'
import { strToU8, zipSync } from 'fflate'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { hostileFiles } from '../../testing/documents/hostileFiles'
import { aPng, aWordFile } from '../../testing/documents/soundFiles'
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
  png = await aPng()
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
    expect(await taken(new Uint8Array(Buffer.from('<html><ol><li>Kühl lagern</li></ol></html>', 'utf16le')), 'b.html')).toMatchObject({
      said: [['Kühl lagern', 0]],
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
  it('never take the server along, however damaged or hostile they are, and say in words what is wrong', async () => {
    for (const make of await hostileFiles(Number(process.env['HOSTILE_SEED'] ?? 1_800))) {
      const { name, what, bytes } = await make()
      const began = performance.now()
      const answer = await send(bytes, name)
      const took = performance.now() - began
      if (process.env['SAY_HOSTILE'])
        console.log(name, what, bytes.length, answer.status, Math.round(took), (await answer.clone().text()).slice(0, 300))
      const { detail = '', notPlaced } = (await answer.json()) as { detail?: string; notPlaced?: unknown[] }
      const isSaid =
        answer.status === 200 ? Array.isArray(notPlaced) : /^[A-Zg].*\.$/.test(detail) && !/undefined|null|Error|\bat \w+ \(/.test(detail)
      expect([name, what, answer.status, [200, 413, 422].includes(answer.status), isSaid]).toEqual([name, what, answer.status, true, true])
    }
    expect((await taken(strToU8('# A\n\n1. b\n'), 'a.md')).said).toEqual([['b', 0]])
  }, 400_000)
})
