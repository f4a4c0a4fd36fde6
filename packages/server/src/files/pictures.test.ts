import { ticked } from '@jackdaw/core/audiences'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aGuide, smallCompany, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'

let server: TestServer
let company: Company
let author: Client
let guide: { id: string; steps: string[] }
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  author = await company.as('author')
  guide = await aGuide(server, company, 'author')
})
afterAll(() => server.close())

const plain = (width = 40, height = 20) => sharp({ create: { width, height, channels: 3, background: '#095660' } })
/** The head of a PNG that says how large it is. */
function wide(width: number, height = 1): Buffer {
  const head = Buffer.alloc(13)
  head.writeUInt32BE(width, 0)
  head.writeUInt32BE(height, 4)
  head.set([8, 2, 0, 0, 0], 8)
  const chunk = Buffer.concat([Buffer.from('IHDR'), head])
  const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)]
  length.writeUInt32BE(13)
  sum.writeInt32BE(crc(chunk))
  return Buffer.concat([Buffer.from('\x89PNG\r\n\x1a\n', 'latin1'), length, chunk, sum])
}
function crc(bytes: Buffer): number {
  let sum = ~0
  for (const byte of bytes) {
    sum ^= byte
    for (let k = 0; k < 8; k++) sum = (sum >>> 1) ^ (0xedb88320 & -(sum & 1))
  }
  return ~sum
}
const upload = (bytes: Buffer, type = 'image/png') =>
  author.send('post', `/api/guides/${guide.id}/pictures`, new Uint8Array(bytes), { 'content-type': type })
const fetchBack = async (id: string, size = 'full') =>
  Buffer.from(await (await author.send('get', `/guides/${guide.id}/draft/pictures/${id}?size=${size}`)).arrayBuffer())

describe('a picture', () => {
  it('loses where and with what it was taken, and stands upright', async () => {
    const tagged = await plain()
      .withMetadata({ orientation: 6 })
      .withExifMerge({ IFD0: { Make: 'Canary camera' }, IFD3: { GPSLatitude: '52/1 4/1 0/1', GPSLatitudeRef: 'N' } })
      .jpeg()
      .toBuffer()
    expect((await sharp(tagged).metadata()).exif).toBeDefined()
    const stored = (await (await upload(tagged, 'image/jpeg')).json()) as any
    expect(stored).toMatchObject({ widthPx: 20, heightPx: 40 })
    const back = await fetchBack(stored.id)
    const meta = await sharp(back).metadata()
    expect([meta.format, meta.exif, meta.width, meta.height]).toEqual(['jpeg', undefined, 20, 40])
    expect(back.includes('Canary')).toBe(false)
  })
  it('is written anew: what was hidden behind it is gone', async () => {
    const smuggled = Buffer.concat([await plain().png().toBuffer(), Buffer.from('<script>canary</script>')])
    const { id } = (await (await upload(smuggled)).json()) as any
    expect((await fetchBack(id)).includes('canary')).toBe(false)
  })
  it.each(['png', 'jpeg', 'webp', 'gif'] as const)('may be %s, and gets smaller ones', async (format) => {
    const bytes = await plain(2000, 1000).toFormat(format).toBuffer()
    const response = await upload(bytes, `image/${format}`)
    const { id } = (await response.json()) as any
    expect((await sharp(await fetchBack(id)).metadata()).format).toBe(format)
    expect(await sharp(await fetchBack(id, 'screen')).metadata()).toMatchObject({ format: 'webp', width: 1280 })
    expect(await sharp(await fetchBack(id, 'thumb')).metadata()).toMatchObject({ format: 'webp', width: 320 })
  })
  it('keeps moving when it is a moving GIF', async () => {
    const two = await sharp(Buffer.concat([Buffer.alloc(40 * 20 * 3, 90), Buffer.alloc(40 * 20 * 3, 200)]), {
      raw: { width: 40, height: 40, channels: 3, pageHeight: 20 },
    })
      .gif({ delay: [100, 100], loop: 0 })
      .toBuffer()
    expect((await sharp(two).metadata()).pages).toBe(2)
    const stored = (await (await upload(two, 'image/gif')).json()) as any
    expect(stored).toMatchObject({ widthPx: 40, heightPx: 20 })
    expect((await sharp(await fetchBack(stored.id)).metadata()).pages).toBe(2)
  })
  it.each([
    ['text', Buffer.from('not a picture'), 422],
    ['an SVG with a script', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>x</script></svg>'), 422],
    ['half a PNG', Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex'), 422],
    ['nothing', Buffer.alloc(0), 422],
    [
      '22 MB of SVG',
      Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9">${'<rect width="9" height="9"/>'.repeat(800_000)}</svg>`),
      422,
    ],
    ['59,000,000 pixels wide', wide(59_000_000), 422],
    ['far too many pixels', wide(30_000, 30_000), 422],
    ['26 MB', Buffer.alloc(26 * 1024 * 1024, 1), 413],
  ])('that is %s is refused', async (_, bytes, status) => {
    const response = await upload(bytes)
    expect([response.status, response.headers.get('content-type')]).toEqual([status, 'application/problem+json; charset=utf-8'])
  })
  it('with more pixels than a screen could ever show is refused', async () => {
    const bomb = await sharp({ create: { width: 9000, height: 9000, channels: 3, background: 'white' } })
      .png({ compressionLevel: 9 })
      .toBuffer()
    expect(bomb.length).toBeLessThan(500_000)
    expect((await upload(bomb)).status).toBe(422)
  }, 60_000)
  it('is asked for anew each time and not sent again when it is the same', async () => {
    const { id } = (await (await upload(await plain().png().toBuffer())).json()) as any
    const address = `/guides/${guide.id}/draft/pictures/${id}`
    const first = await author.send('get', address)
    expect(first.headers.get('cache-control')).toBe('private, no-cache')
    expect((await author.send('get', address, undefined, { 'if-none-match': first.headers.get('etag')! })).status).toBe(304)
    const outsider = await company.as('outsider')
    expect((await outsider.send('get', address, undefined, { 'if-none-match': first.headers.get('etag')! })).status).toBe(404)
  })
})

describe('a picture of an edition', () => {
  it('is shown to those who were given the guide, and is not there for anyone else', async () => {
    const { id } = (await (await upload(await plain().png().toBuffer())).json()) as any
    const hidden = (await (await upload(await plain().png().toBuffer())).json()) as any
    const change = { type: 'insert-picture', stepId: guide.steps[0], picture: { id, alt: 'A tray' }, after: null }
    const { revision } = await author.json('post', `/api/guides/${guide.id}/draft/changes`, {
      baseRevision: 0,
      changeSetId: 'p'.repeat(21),
      changes: [change],
    })
    await server.services.publish(
      guide.id as never,
      {
        revision,
        changeNote: 'Picture',
        mustReread: false,
        audience: ticked([company.team], []),
        openToAll: false,
        due: { kind: 'none' },
      },
      company.people.lead,
      server.clock.now,
    )
    const status = async (who: Client, edition: number, picture: string) =>
      (await who.send('get', `/guides/${guide.id}/editions/${edition}/pictures/${picture}`)).status
    const [staff, outsider] = [await company.as('staff'), await company.as('outsider')]
    expect(await status(staff, 2, id)).toBe(200)
    expect(await status(outsider, 2, id)).toBe(404)
    expect(await status(staff, 1, id)).toBe(404)
    expect(await status(staff, 2, hidden.id)).toBe(404)
    expect((await staff.send('get', `/guides/${guide.id}/draft/pictures/${id}`)).status).toBe(403)
  })
})
