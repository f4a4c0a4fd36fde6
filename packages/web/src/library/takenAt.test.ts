import { describe, expect, it } from 'vitest'
import { takenAt, takenOf } from './takenAt'

/** A JPEG of nothing but the note that a camera makes. */
function jpegTaken(at: string): Uint8Array<ArrayBuffer> {
  const tiff = Buffer.alloc(26 + 18 + 20)
  tiff.write('MM\0*', 0, 'latin1')
  tiff.writeUInt32BE(8, 4)
  // The one entry of the first directory leads to the second, at 26; its one entry is the time, at 44.
  tiff.writeUInt16BE(1, 8)
  ;[0x8769, 4].forEach((value, n) => tiff.writeUInt16BE(value, 10 + 2 * n))
  ;[1, 26].forEach((value, n) => tiff.writeUInt32BE(value, 14 + 4 * n))
  tiff.writeUInt16BE(1, 26)
  ;[0x9003, 2].forEach((value, n) => tiff.writeUInt16BE(value, 28 + 2 * n))
  ;[20, 44].forEach((value, n) => tiff.writeUInt32BE(value, 32 + 4 * n))
  tiff.write(`${at}\0`, 44, 'latin1')
  const note = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff])
  const length = Buffer.alloc(2)
  length.writeUInt16BE(note.length + 2)
  return new Uint8Array(Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe1]), length, note, Buffer.from([0xff, 0xd9])]))
}
const file = (bytes: Uint8Array<ArrayBuffer>) => new File([bytes], 'a.jpg', { lastModified: 5_000 })

describe('when a picture was taken', () => {
  it('is what the camera wrote into it', async () => {
    expect(await takenAt(file(jpegTaken('2026:11:03 07:15:02')))).toBe(new Date(2026, 10, 3, 7, 15, 2).getTime())
    const tags = { DateTimeOriginal: { description: '2026:11:03 07:15:02' }, SubSecTimeOriginal: { description: '25' } }
    expect(takenOf(tags as never, 0) % 1000).toBe(250)
  })
  it('is when the file was last changed, where no camera says it', async () => {
    expect(await takenAt(file(new TextEncoder().encode('no picture')))).toBe(5_000)
    expect(await takenAt(file(jpegTaken('unknown time, sorry')))).toBe(5_000)
  })
})
