import { execFile } from 'node:child_process'
import { join } from 'node:path'
import { promisify } from 'node:util'
import type { Change } from '@jackdaw/core/guides'
import type { StepId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ExportHand, ofGuides, order } from '../../testing/exportHand'
import { aGuide, smallCompany, startTestServer, START, type Client, type Company, type TestServer } from '../../testing/testServer'

const run = promisify(execFile)
const DAY_MS = 86_400_000

let server: TestServer
let company: Company
let author: Client
let lead: Client
let staff: Client
let hand: ExportHand
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  ;[author, lead, staff] = await Promise.all([company.as('author'), company.as('lead'), company.as('staff')])
  hand = await ExportHand.of(server, company)
})
afterAll(async () => {
  await server.close()
  await hand.close()
})

const poppler = async (program: string, ...args: string[]): Promise<string> => (await run(program, args)).stdout

describe('a guide as a PDF', () => {
  it('is read back: words in order, fonts, pictures, structure', async () => {
    const { id } = await hand.aGuideWithPicture()
    const file = await hand.made(staff, order(ofGuides(id)))
    expect(file).toMatchObject({ state: 'ready', title: 'Opróżnij zbiornik', guides: 1, missing: [], keptUntil: START + 7 * DAY_MS })
    const path = await hand.saved(staff, file.id)
    const text = await poppler('pdftotext', '-layout', path, '-')
    const places = ['Before', 'Close the valve', 'Zawór główny', 'After', 'Open the drain', 'Wait'].map((words) => text.lastIndexOf(words))
    expect(places).toEqual([...places].sort((a, b) => a - b))
    expect(Math.min(...places)).toBeGreaterThan(text.indexOf('Opróżnij zbiornik'))
    expect(text).toContain('https://guides.example.org/guides/' + id + '?printed=1')
    const fonts = (await poppler('pdffonts', path)).split('\n').slice(2).filter(Boolean)
    expect(fonts.length).toBeGreaterThan(2)
    for (const font of fonts) expect(font).toMatch(/ yes +yes +yes /)
    // The one picture; nothing that was drawn on it was turned into pixels.
    const images = (await poppler('pdfimages', '-list', path)).split('\n').slice(2).filter(Boolean)
    expect(images).toHaveLength(1)
    expect(await poppler('pdfinfo', path)).toMatch(/Tagged: +yes[\s\S]*Page size: +595\.28 x 841\.89/)
    expect(await poppler('pdfinfo', '-struct-text', path)).toContain('H1')
  })
  it('has the structure that screen readers follow: levels, lists, tables with heads, what figures show', async () => {
    const { id, steps } = await hand.aGuideWithPicture('Structure')
    const cell = (type: string, words: string) => ({ type, content: [{ type: 'paragraph', content: [{ type: 'text', text: words }] }] })
    const body = {
      type: 'doc',
      content: [
        {
          type: 'bulletList',
          content: [{ type: 'listItem', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'first' }] }] }],
        },
        {
          type: 'table',
          content: ['tableHeader', 'tableCell'].map((type) => ({ type: 'tableRow', content: [cell(type, 'a'), cell(type, 'b')] })),
        },
      ],
    }
    await hand.change(id, [{ type: 'set-step', stepId: steps[1] as StepId, fields: { body } } as Change])
    await hand.publish(id)
    const file = await hand.made(staff, order(ofGuides(id)))
    const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs')
    const pdf = await getDocument({ url: await hand.saved(staff, file.id), verbosity: 0 }).promise
    const roles: string[] = []
    const alts: string[] = []
    type Node = { role?: string; alt?: string; children?: Node[] }
    const walk = (node: Node): void => {
      if (node.role) roles.push(node.role)
      if (node.alt) alts.push(node.alt)
      node.children?.forEach(walk)
    }
    for (let n = 1; n <= pdf.numPages; n++) walk((await (await pdf.getPage(n)).getStructTree()) as Node)
    for (const role of ['H1', 'H2', 'H3', 'P', 'L', 'LI', 'Lbl', 'LBody', 'Table', 'TR', 'TH', 'TD', 'Figure', 'TOC', 'TOCI', 'Link'])
      expect([role, roles.includes(role)]).toEqual([role, true])
    expect(alts).toContain('The tank from the front. On the picture: Zawór główny')
    expect((await pdf.getMetadata()).info).toMatchObject({ Language: 'pl', Title: 'Structure' })
    expect((await pdf.getOutline())?.[0]).toMatchObject({ title: 'Structure', items: [{ title: 'Before' }, { title: 'After' }] })
  })
  it('shows nothing of a picture that is cropped away, nor what waits to be blacked out', async () => {
    const { id, steps, picture } = await hand.aGuideWithPicture('Cropped')
    const shown = { x: 0, y: 0, width: 130, height: 240 }
    await hand.change(id, [{ type: 'set-shown', stepId: steps[0] as StepId, pictureId: picture, shown }])
    const cropped = await hand.made(author, order(ofGuides(id), { draft: true }))
    const red = async (file: { id: string }) => {
      const path = await hand.saved(author, file.id)
      await poppler('pdfimages', '-png', path, join(hand.folder, file.id))
      const { data, info } = await sharp(join(hand.folder, `${file.id}-000.png`))
        .removeAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true })
      let count = 0
      for (let at = 0; at < data.length; at += 3) if (data[at]! > 240 && data[at + 1]! < 15 && data[at + 2]! < 15) count++
      return { count, width: info.width }
    }
    expect(await red(cropped)).toEqual({ count: 0, width: 130 })
    await hand.change(id, [{ type: 'set-shown', stepId: steps[0] as StepId, pictureId: picture, shown: null }])
    expect((await red(await hand.made(author, order(ofGuides(id), { draft: true })))).count).toBeGreaterThan(1_000)
    const area = { to: 'picture' as const, rect: { x: 130 / 400, y: 80 / 240, width: 140 / 400, height: 80 / 240 } }
    await hand.change(id, [
      {
        type: 'put-annotation',
        stepId: steps[0] as StepId,
        pictureId: picture,
        annotation: { id: 'blackout-1', kind: 'blackout', area },
        after: null,
      },
    ])
    expect((await red(await hand.made(author, order(ofGuides(id), { draft: true })))).count).toBe(0)
  })
  it('is a booklet of several, or of a folder, or a section; on the paper that is used there', async () => {
    const [first, second] = [await hand.aGuideWithPicture('First'), await hand.aGuideWithPicture('Second')]
    const booklet = await hand.made(staff, order(ofGuides(second.id, first.id), { title: 'Both', as: { format: 'pdf', paper: 'letter' } }))
    const path = await hand.saved(staff, booklet.id)
    const text = await poppler('pdftotext', '-layout', path, '-')
    expect(text).toMatch(/Both[\s\S]*Contents\n+ *Second[\s\S]*First/)
    expect(await poppler('pdfinfo', path)).toContain('Page size:       612 x 792 pts (letter)')
    const part = await hand.made(staff, order({ of: 'section', guideId: first.id, sectionId: first.sections[1] }))
    const alone = await poppler('pdftotext', '-layout', await hand.saved(staff, part.id), '-')
    expect(alone).toContain('Open the drain')
    expect(alone).not.toContain('Close the valve')
    const { id: folderId } = await lead.json('post', '/api/folders', { name: 'Tanks', parentId: null })
    await lead.json('patch', `/api/guides/${first.id}`, { folderId }, 204)
    expect(await hand.made(staff, order({ of: 'folder', folderId }, { title: 'Tanks' }))).toMatchObject({ state: 'ready', guides: 1 })
  })
  it('says for which scripts it has no letters', async () => {
    const { id } = await aGuide(server, company, 'author', { texts: ['اغسل يديك', '洗手', 'Wash'] })
    const { missing } = await hand.made(staff, order(ofGuides(id)))
    expect(missing.map(({ script }: { script: string }) => script).sort()).toEqual(['Arabic', 'Chinese'])
  })
})

describe('files that were made', () => {
  it('are for whoever had them made, of what they may read, and are told of in the inbox until they are saved', async () => {
    const { id } = await hand.aGuideWithPicture('Rights')
    const file = await hand.made(staff, order(ofGuides(id)))
    expect((await lead.send('get', `/exports/${file.id}/file`)).status).toBe(404)
    expect((await lead.send('delete', `/api/exports/${file.id}`)).status).toBe(404)
    const entries = async () =>
      (await staff.json('get', '/api/inbox')).rows.filter((row: { kind: string }) => row.kind === 'export-ready').length
    const before = await entries()
    await hand.saved(staff, file.id)
    expect(await entries()).toBe(before - 1)
    const outsider = await company.as('outsider')
    const refused = async (client: Client, body: object) => (await client.send('post', '/api/exports', body)).status
    expect(await refused(outsider, order(ofGuides(id)))).toBe(404)
    expect(await refused(staff, order(ofGuides(id), { draft: true }))).toBe(404)
    const hidden = await aGuide(server, company, 'author', { published: false })
    expect(await refused(staff, order(ofGuides(id, hidden.id)))).toBe(404)
    expect(await refused(staff, order({ of: 'folder', folderId: nanoid() }))).toBe(422)
  })
  it('are not written for whoever has lost the right since they asked', async () => {
    const { id } = await aGuide(server, company, 'author', { openToAll: true })
    const outsider = await company.as('outsider')
    const { id: exportId } = await outsider.json('post', '/api/exports', order(ofGuides(id)))
    await server.parts.database.rows(`update item set open_to_all = false where id = $1`, [id])
    await server.runner.drain()
    expect(await outsider.json('get', `/api/exports/${exportId}`)).toMatchObject({
      state: 'failed',
      reason: expect.stringContaining('not for you'),
    })
  })
  it('go when a picture in them is blacked out, at once, and whoever had them made is told; new ones are clean', async () => {
    const { id, steps, picture } = await hand.aGuideWithPicture('Canary')
    const [old, other] = [
      await hand.made(staff, order(ofGuides(id))),
      await hand.made(staff, order(ofGuides((await hand.aGuideWithPicture('Other')).id))),
    ]
    const [{ hash }] = (await server.parts.database.rows<{ hash: string }>('select hash from export_file where id = $1', [old.id])) as [
      { hash: string },
    ]
    expect(await server.parts.content.get(hash)).toBeDefined()
    const area = { to: 'picture' as const, rect: { x: 0, y: 0, width: 1, height: 1 } }
    await hand.change(id, [
      {
        type: 'put-annotation',
        stepId: steps[0] as StepId,
        pictureId: picture,
        annotation: { id: 'blackout-1', kind: 'blackout', area },
        after: null,
      },
    ])
    await author.json('post', `/api/guides/${id}/blackouts`, {
      places: [{ stepId: steps[0], pictureId: picture, annotationIds: ['blackout-1'] }],
    })
    expect(await server.parts.content.get(hash)).toBeUndefined()
    expect(await staff.json('get', `/api/exports/${old.id}`)).toMatchObject({ state: 'gone', gone: 'blackout' })
    expect((await staff.send('get', `/exports/${old.id}/file`)).status).toBe(409)
    const told = (await staff.json('get', '/api/inbox')).rows as { kind: string }[]
    expect(told.filter((row) => row.kind === 'export-gone')).toHaveLength(1)
    await hand.saved(staff, other.id)
    const anew = await hand.made(staff, order(ofGuides(id)))
    const path = await hand.saved(staff, anew.id)
    await poppler('pdfimages', '-png', path, join(hand.folder, 'anew'))
    const { channels } = await sharp(join(hand.folder, 'anew-000.png')).stats()
    expect(channels.map((channel) => channel.max - channel.min)).toEqual([0, 0, 0])
  })
  it('go after seven days, or when they are deleted', async () => {
    const { id } = await aGuide(server, company, 'author')
    const [kept, deleted] = [
      await hand.made(staff, order(ofGuides(id))),
      await hand.made(staff, order(ofGuides(id), { as: { format: 'pdf', paper: 'letter' } })),
    ]
    await staff.json('delete', `/api/exports/${deleted.id}`, undefined, 204)
    expect((await staff.send('get', `/exports/${deleted.id}/file`)).status).toBe(404)
    server.clock.now = START + 8 * DAY_MS
    await (await company.as('admin')).json('post', '/api/jobs', { name: 'remove-old-exports' }, 204)
    await server.runner.drain()
    const again = await company.as('staff')
    expect(await again.json('get', `/api/exports/${kept.id}`)).toMatchObject({ state: 'gone', gone: 'expired' })
    server.clock.now = START
  })
})
