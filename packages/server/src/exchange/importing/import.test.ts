import { deflateRawSync, crc32 } from 'node:zlib'
import { stepsOf } from '@jackdaw/core/guides'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { smallCompany, startTestServer, type Client, type TestServer } from '../../testing/testServer'

let server: TestServer
let author: Client
let png: Buffer
beforeAll(async () => {
  server = await startTestServer()
  author = await (await smallCompany(server)).as('author')
  png = await sharp({ create: { width: 30, height: 20, channels: 3, background: '#7A4E00' } })
    .png()
    .toBuffer()
})
afterAll(() => server.close())

/** A zip file, written by hand so that it can also be a false one. `claims` is the size that the file says it has. */
function zip(files: Record<string, Buffer | string>, claims?: number): Buffer {
  const parts: Buffer[] = []
  const central: Buffer[] = []
  let offset = 0
  for (const [name, content] of Object.entries(files)) {
    const raw = Buffer.from(content)
    const packed = deflateRawSync(raw)
    const head = Buffer.alloc(26)
    head.writeUInt16LE(20, 0)
    head.writeUInt16LE(0x0800, 2)
    head.writeUInt16LE(8, 4)
    head.writeUInt32LE(checksum(raw), 10)
    head.writeUInt32LE(packed.length, 14)
    head.writeUInt32LE(claims ?? raw.length, 18)
    head.writeUInt16LE(Buffer.byteLength(name), 22)
    const local = Buffer.concat([Buffer.from('PK\x03\x04', 'latin1'), head, Buffer.from(name), packed])
    const entry = Buffer.alloc(46)
    entry.write('PK\x01\x02', 0, 'latin1')
    entry.writeUInt16LE(20, 4)
    head.copy(entry, 6)
    entry.writeUInt32LE(offset, 42)
    central.push(entry, Buffer.from(name))
    parts.push(local)
    offset += local.length
  }
  const directory = Buffer.concat(central)
  const end = Buffer.alloc(22)
  end.write('PK\x05\x06', 0, 'latin1')
  end.writeUInt16LE(Object.keys(files).length, 8)
  end.writeUInt16LE(Object.keys(files).length, 10)
  end.writeUInt32LE(directory.length, 12)
  end.writeUInt32LE(offset, 16)
  return Buffer.concat([...parts, directory, end])
}
function checksum(data: Buffer): number {
  if (typeof crc32 === 'function') return crc32(data)
  let crc = ~0
  for (const byte of data) {
    crc ^= byte
    for (let k = 0; k < 8; k++) crc = (crc >>> 1) ^ (0xedb88320 & -(crc & 1))
  }
  return ~crc >>> 0
}
const send = (bytes: Buffer | string, name: string) =>
  author.send('post', `/api/imports?name=${encodeURIComponent(name)}`, new Uint8Array(Buffer.from(bytes)), {
    'content-type': 'application/octet-stream',
  })
const problem = async (response: Response) => (await response.json()) as { code: string; detail: string }

describe('importing a guide', () => {
  it('makes a draft of a text, with the words that have no place listed', async () => {
    const response = await send('# Clean the tank\n\n1. Close the valve\n2. Open the drain\n\n<script>alert("pwned")</script>\n', 'tank.md')
    const report = (await response.json()) as any
    expect(report).toMatchObject({ title: 'Clean the tank', steps: 2, sections: 0, missingPictures: [] })
    expect(report.notPlaced).toMatchObject([{ line: 6, words: expect.arrayContaining(['pwned']) }])
    const draft = await author.json('get', `/api/guides/${report.id}/draft`)
    expect(JSON.stringify(draft.document)).not.toContain('pwned')
    expect(draft.owner.name).toBe('Name of author')
  })
  it('takes pictures out of a zip to their steps, and lists those that are missing and those that are none', async () => {
    const text = '# Pack\n\n1. Fold ![the box](img/box%20one.png)\n2. Fill ![gone](img/gone.png)\n3. Close ![bad](img/bad.png)\n'
    const report = (await (
      await send(
        zip({ 'pack/guide.md': text, 'pack/img/box one.png': png, 'pack/img/bad.png': 'no picture', 'pack/notes.txt': 'x' }),
        'pack.zip',
      )
    ).json()) as any
    expect(report).toMatchObject({ title: 'Pack', steps: 3, pictures: 1, otherFiles: ['pack/notes.txt'] })
    expect(report.missingPictures.map((each: { path: string }) => each.path)).toEqual(['img/gone.png', 'img/bad.png'])
    const { document } = await author.json('get', `/api/guides/${report.id}/draft`)
    const [fold, fill] = stepsOf(document)
    expect(fold!.pictures).toMatchObject([{ alt: 'the box' }])
    expect((await author.send('get', `/guides/${report.id}/draft/pictures/${fold!.pictures[0]!.id}`)).status).toBe(200)
    expect(JSON.stringify(fill)).toContain('gone')
  })
  it('never reads outside the zip', async () => {
    expect(await problem(await send(zip({ 'guide.md': '# A', '../../../etc/evil.md': 'x' }), 'a.zip'))).toMatchObject({
      code: 'bad-zip',
      detail: expect.stringContaining('Nothing was imported'),
    })
    expect((await problem(await send(zip({ 'guide.md': '# A', '/etc/evil.md': 'x' }), 'a.zip'))).code).toBe('bad-zip')
    const report = (await (
      await send(zip({ 'in/guide.md': '1. a ![x](../../../../etc/passwd) ![y](/etc/passwd)' }), 'a.zip')
    ).json()) as any
    expect(report).toMatchObject({ pictures: 0, missingPictures: [{}, {}] })
  })
  it('does not unpack a bomb, honest or lying', async () => {
    const zeros = Buffer.alloc(40 * 1024 * 1024)
    expect((await problem(await send(zip({ 'guide.md': '# A', 'bomb.png': zeros }), 'a.zip'))).code).toBe('bad-zip')
    expect((await problem(await send(zip({ 'bomb.png': zeros }, 1000), 'a.zip'))).code).toBe('bad-zip')
    expect(
      (await problem(await send(zip(Object.fromEntries(Array.from({ length: 2_001 }, (_, i) => [`f${i}.txt`, 'x']))), 'a.zip'))).code,
    ).toBe('bad-zip')
  })
  it.each([
    ['an empty file', Buffer.alloc(0), 'a.md', 'not-markdown'],
    ['bytes that are no text', Buffer.from('89504e470d0a1a0a0000000d', 'hex'), 'a.md', 'not-markdown'],
    ['a text in another encoding', Buffer.from([0x4d, 0xfc, 0x6c, 0x6c]), 'a.md', 'not-markdown'],
    ['a zip without a text', zip({ 'a.png': 'x' }), 'a.zip', 'bad-zip'],
    ['half a zip', zip({ 'a.md': '# A' }).subarray(0, 30), 'a.zip', 'bad-zip'],
    ['a zip that is none', Buffer.from('hello'), 'a.zip', 'bad-zip'],
    ['9 MB of text', Buffer.alloc(9 * 1024 * 1024, 'a'), 'a.md', 'too-large'],
  ])('says clearly what is wrong with %s', async (_, bytes, name, code) => {
    const answer = await problem(await send(bytes, name))
    expect(answer.code).toBe(code)
    expect(answer.detail.length).toBeGreaterThan(15)
  })
  it('tells why a zip cannot be read in words for people', async () => {
    const whole = zip({ 'guide.md': '# A\n\n1. b' })
    const spoilt = (change: (bytes: Buffer) => void) => {
      const bytes = Buffer.from(whole)
      change(bytes)
      return bytes
    }
    for (const bytes of [
      spoilt((at) => void at.fill(0, at.length - 22)),
      spoilt((at) => void at.writeUInt16LE(99, at.indexOf('PK\x01\x02') + 10)),
      spoilt((at) => void at.fill(0xff, 40, 50)),
      zip({ 'guide.md': '# A', '../../x.md': 'y' }),
      zip({ 'guide.md': '# A'.repeat(999) }, 3),
    ]) {
      const { code, detail } = await problem(await send(bytes, 'a.zip'))
      expect([code, detail]).toEqual(['bad-zip', expect.stringMatching(/^(The zip|A file in the zip) .*\. Nothing was imported\.$/)])
      expect(detail).not.toMatch(/central directory|signature|stream|invalid/)
    }
  })
  it('refuses in words what would bring the reader down, and reads the next text as if nothing had been', async () => {
    for (const text of ['<b>'.repeat(50_000), '1. a\n'.repeat(1_200_000)]) {
      const answer = await problem(await send(text, 'a.md'))
      expect([answer.code, answer.detail]).toEqual(['not-markdown', expect.stringContaining('Nothing was imported')])
    }
    expect((await send('# A\n\n1. b\n', 'a.md')).status).toBe(200)
    expect((await author.send('post', '/api/imports?name=%00.md', new Uint8Array([65]), { 'content-type': 'text/markdown' })).status).toBe(
      422,
    )
  }, 60_000)
  it('keeps pictures that stand together apart where a step has no room for all', async () => {
    const names = Array.from({ length: 41 }, (_, n) => `p${n}.png`)
    const text = `# A\n\n1. Look ${names.map((name) => `![x](${name})`).join(' ')}\n`
    const report = (await (
      await send(zip({ 'guide.md': text, ...Object.fromEntries(names.map((name) => [name, png])) }), 'a.zip')
    ).json()) as any
    const { document } = await author.json('get', `/api/guides/${report.id}/draft`)
    expect(stepsOf(document).map((step) => step.pictures.length)).toEqual([40, 1])
  })
  it('brings 2 MB of text in while other requests go on', async () => {
    const paragraph = 'Rinse the **trays** with `warm` water, then [read on](https://example.org/a) and stack them.\n\n'
    const text = `# Long\n\n${Array.from({ length: 90 }, (_, i) => `## Part ${i}\n\n1. Begin\n   - with this\n   - and that\n\n| a | b |\n|---|---|\n| ${i} | x |\n\n${paragraph.repeat(250)}`).join('')}`
    expect(text.length).toBeGreaterThan(2_000_000)
    const running = send(text, 'long.md')
    let answered = 0
    let over = false
    const others = (async () => {
      for (; !over; answered++) {
        await author.json('get', '/api/today')
        await new Promise((resolve) => setTimeout(resolve, 50))
      }
    })()
    const report = (await (await running).json()) as any
    over = true
    await others
    // However slow the machine: others are answered before it is over.
    expect(answered).toBeGreaterThan(1)
    expect(report).toMatchObject({ title: 'Long', sections: 90, notPlaced: [] })
    expect((await author.json('get', `/api/guides/${report.id}/draft`)).document.items.length).toBeGreaterThan(180)
  }, 60_000)
})
