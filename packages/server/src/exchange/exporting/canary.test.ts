import { execFile } from 'node:child_process'
import { readdir, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { promisify } from 'node:util'
import type { StepId } from '@jackdaw/core/shared'
import { unzipSync } from 'fflate'
import { nanoid } from 'nanoid'
import sharp from 'sharp'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { ExportHand, ofGuides, order } from '../../testing/exportHand'
import { aShareLink } from '../../testing/hostile/sharingThings'
import { smallCompany, startTestServer, type Client, type Company, type TestServer } from '../../testing/testServer'

const run = promisify(execFile)
const ZIP = 'application/zip'
/** Every format with the type of its file. */
const FORMATS = {
  pdf: { as: { format: 'pdf', paper: 'a4' }, type: 'application/pdf' },
  word: { as: { format: 'word' }, type: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document' },
  page: { as: { format: 'page' }, type: 'text/html; charset=utf-8' },
  markdown: { as: { format: 'markdown' }, type: ZIP },
  'guide-file': { as: { format: 'guide-file' }, type: ZIP },
} as const
type Format = keyof typeof FORMATS
const ALL = Object.keys(FORMATS) as Format[]

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

/** The pictures in a file of a format. */
async function picturesIn(format: Format, path: string): Promise<Buffer[]> {
  if (format === 'pdf') {
    const prefix = `${path}-picture`
    await run('pdfimages', ['-png', path, prefix])
    const names = (await readdir(hand.folder)).filter((name) => join(hand.folder, name).startsWith(`${prefix}-`))
    return Promise.all(names.map((name) => readFile(join(hand.folder, name))))
  }
  const bytes = await readFile(path)
  if (format === 'page')
    return [...bytes.toString('utf8').matchAll(/data:image\/(?:webp|png|jpeg);base64,([A-Za-z0-9+/=]+)/g)].map(([, data]) =>
      Buffer.from(data!, 'base64'),
    )
  return Object.entries(unzipSync(new Uint8Array(bytes))).flatMap(([name, content]) =>
    /\.(png|jpe?g|webp)$/.test(name) ? [Buffer.from(content)] : [],
  )
}
/** How many pixels of the canary's red are in a picture. */
async function redIn(picture: Buffer): Promise<number> {
  const { data } = await sharp(picture).removeAlpha().raw().toBuffer({ resolveWithObject: true })
  let count = 0
  for (let at = 0; at < data.length; at += 3) if (data[at]! > 200 && data[at + 1]! < 60 && data[at + 2]! < 60) count++
  return count
}
async function redInFile(format: Format, id: string): Promise<number[]> {
  const made = await hand.made(author, order(ofGuides(id), { as: FORMATS[format].as }))
  return Promise.all((await picturesIn(format, await hand.saved(author, made.id, FORMATS[format].type))).map(redIn))
}

it('is in no file that is made after it was blacked out, and in none that was made before; nor behind a link', async () => {
  const { id, steps, picture } = await hand.aGuideWithPicture('Canary')
  const link = await aShareLink(server, { guideId: id, madeBy: company.people.lead })
  const behindLink = async () =>
    redIn(Buffer.from(await (await author.send('get', `/shared/${link.token}/editions/1/pictures/${picture}?size=full`)).arrayBuffer()))
  const before: string[] = []
  for (const format of ALL) {
    const made = await hand.made(author, order(ofGuides(id), { as: FORMATS[format].as }))
    const pictures = await picturesIn(format, await hand.saved(author, made.id, FORMATS[format].type))
    // The canary sings in each of them, else its silence would tell nothing.
    expect([format, Math.max(...(await Promise.all(pictures.map(redIn)))) > 1_000]).toEqual([format, true])
    before.push(made.id)
  }
  expect(await behindLink()).toBeGreaterThan(1_000)

  const area = { to: 'picture', rect: { x: 130 / 400, y: 80 / 240, width: 140 / 400, height: 80 / 240 } }
  const annotation = { id: `blackout-${nanoid(8)}`, kind: 'blackout', area }
  await hand.change(id, [{ type: 'put-annotation', stepId: steps[0] as StepId, pictureId: picture, annotation, after: null } as never])
  const places = [{ stepId: steps[0], pictureId: picture, annotationIds: [annotation.id] }]
  await author.json('post', `/api/guides/${id}/blackouts`, { places })

  for (const old of before) {
    expect((await author.json('get', `/api/exports/${old}`)).gone).toBe('blackout')
    expect((await author.send('get', `/exports/${old}/file`)).status).not.toBe(200)
  }
  for (const format of ALL) expect([format, Math.max(0, ...(await redInFile(format, id)))]).toEqual([format, 0])
  expect(await behindLink()).toBe(0)
  // What lay in the storage is gone as well.
  const stored = server.parts.config.storageDir
  const files = (await readdir(stored, { recursive: true, withFileTypes: true })).filter((each) => each.isFile())
  for (const file of files) {
    const bytes = await readFile(join(file.parentPath, file.name))
    const isPicture = await sharp(bytes)
      .metadata()
      .then(
        () => true,
        () => false,
      )
    if (isPicture) expect([file.name, await redIn(bytes)]).toEqual([file.name, 0])
  }
}, 120_000)
