import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import sharp from 'sharp'
import { afterEach, describe, expect, it } from 'vitest'
import { Decoder, DECODING_LIMITS, type DecodingLimits } from './decoder'

const SCRIPT = pathToFileURL(join(process.cwd(), 'dist/server/decoding.mjs'))
const decoders: Decoder[] = []
const aDecoder = (over: Partial<DecodingLimits> = {}): Decoder => {
  const decoder = new Decoder(SCRIPT, { ...DECODING_LIMITS, ...over })
  decoders.push(decoder)
  return decoder
}
afterEach(() => decoders.splice(0).forEach((decoder) => decoder.stop()))
const png = (width = 40, height = 20) =>
  sharp({ create: { width, height, channels: 3, background: '#095660' } })
    .png()
    .toBuffer()

describe('reading strangers’ files in a process of its own', () => {
  it('ends a job that takes too long, tells it, and does the next one', async () => {
    const decoder = aDecoder({ processes: 1, timeMs: { ...DECODING_LIMITS.timeMs, markdown: 300 } })
    const long = Array.from({ length: 300_000 }, (_, n) => `**word ${n}** and _more_ of it\n`).join('\n')
    const [slow, next] = await Promise.all([decoder.markdown(long, 'a.md'), decoder.picture(await png())])
    expect(slow).toEqual({ ok: false, words: expect.stringContaining('too much time or memory') })
    expect(next).toMatchObject({ ok: true, picture: { widthPx: 40, heightPx: 20 } })
  })
  it('ends with what needs more memory than it may have, and takes nothing along', async () => {
    const decoder = aDecoder({ processes: 1, heapMb: 60 })
    const [large, next] = await Promise.all([
      decoder.markdown('* a\n\n'.repeat(900_000), 'a.md'),
      decoder.markdown('# A\n\n1. b\n', 'b.md'),
    ])
    expect(large).toMatchObject({ ok: false })
    expect(next).toMatchObject({ ok: true, draft: { pictures: [] } })
  }, 60_000)
  it('reads the largest picture that is taken', async () => {
    const large = await sharp({ create: { width: 10_000, height: 6_000, channels: 3, background: '#7a4e00' } })
      .png({ compressionLevel: 1 })
      .toBuffer()
    expect(await aDecoder().picture(large)).toMatchObject({ ok: true, picture: { widthPx: 10_000, heightPx: 6_000 } })
  }, 60_000)
  it('says so when more waits than will be done soon', async () => {
    const decoder = aDecoder({ processes: 1, waitingJobs: 2 })
    const bytes = await png()
    const answers = await Promise.all(Array.from({ length: 6 }, () => decoder.picture(bytes)))
    expect(answers.filter((answer) => !answer.ok)).toHaveLength(3)
  })
  it('uses processes again, has no more than it may, and leaves none behind', async () => {
    const decoder = aDecoder({ processes: 2 })
    const bytes = await png()
    await Promise.all(Array.from({ length: 12 }, () => decoder.picture(bytes)))
    const running = () =>
      spawnSync('pgrep', ['-P', String(process.pid), '-f', 'decoding.mjs'], { encoding: 'utf8' })
        .stdout.trim()
        .split('\n')
        .filter(Boolean)
    expect(running()).toHaveLength(2)
    decoder.stop()
    await new Promise((resolve) => setTimeout(resolve, 200))
    expect(running()).toEqual([])
  })
})
