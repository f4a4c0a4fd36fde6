import { createWriteStream } from 'node:fs'
import { once } from 'node:events'
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'

/** Writes a zip file entry by entry, so that no more than one of them is held in memory. */
export class ZipFile {
  private readonly zip: Zip
  private readonly out: ReturnType<typeof createWriteStream>
  private readonly closed: Promise<unknown>

  /** @param at when the entries were written, epoch milliseconds */
  constructor(
    path: string,
    private readonly at: number,
  ) {
    this.out = createWriteStream(path)
    this.closed = once(this.out, 'close')
    this.zip = new Zip((error, part, isLast) => {
      if (error) return void this.out.destroy(error)
      this.out.write(part)
      if (isLast) this.out.end()
    })
  }
  /** Adds a text. */
  text(name: string, text: string): void {
    this.add(new ZipDeflate(name, { level: 6 }), Buffer.from(text))
  }
  /** Adds bytes that are packed already. */
  bytes(name: string, bytes: Uint8Array): void {
    this.add(new ZipPassThrough(name), bytes)
  }
  async end(): Promise<void> {
    this.zip.end()
    await this.closed
  }
  private add(entry: ZipDeflate | ZipPassThrough, bytes: Uint8Array): void {
    entry.mtime = this.at
    this.zip.add(entry)
    entry.push(bytes, true)
  }
}
