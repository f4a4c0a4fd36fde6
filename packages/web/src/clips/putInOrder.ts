/** Files up to this size are put into order here: all of it lies in memory meanwhile. */
const MOST_BYTES = 250 * 1024 * 1024

/** Sound or video put into order before it leaves the browser. Recorders write as they go, without saying how long it is and where what stands, so that
 * players could not go to a place in it; and telephones write into a file where it was made. Nothing of picture or sound is made anew. A file that cannot be
 * put into order stays as it is, as do others than MP4, QuickTime and WebM. */
export async function putInOrder(file: Blob): Promise<Blob> {
  const isMp4 = /mp4|quicktime/.test(file.type)
  if (file.size > MOST_BYTES || (!isMp4 && !file.type.includes('webm'))) return file
  try {
    const { BlobSource, BufferTarget, Conversion, Input, MP4, Mp4OutputFormat, Output, QTFF, WEBM, WebMOutputFormat } =
      await import('mediabunny')
    const target = new BufferTarget()
    const input = new Input({ source: new BlobSource(file), formats: [MP4, QTFF, WEBM] })
    const output = new Output({ format: isMp4 ? new Mp4OutputFormat({ fastStart: 'in-memory' }) : new WebMOutputFormat(), target })
    const conversion = await Conversion.init({ input, output, tags: {}, showWarnings: false })
    if (!conversion.isValid || conversion.discardedTracks.length > 0) return file
    await conversion.execute()
    return target.buffer ? new Blob([target.buffer], { type: file.type }) : file
  } catch (error) {
    console.warn('sound or video is sent as it is:', error)
    return file
  }
}
