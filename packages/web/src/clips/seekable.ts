/** What a recorder has made, put into order: recorders write as they go, without saying how long it is and where what stands, so that
 * players could not go to a place in it. Nothing of picture or sound is made anew. A file that cannot be put into order stays as it is. */
export async function seekable(recorded: Blob): Promise<Blob> {
  try {
    const { BlobSource, BufferTarget, Conversion, Input, MP4, Mp4OutputFormat, Output, WEBM, WebMOutputFormat } = await import('mediabunny')
    const isMp4 = recorded.type.includes('mp4')
    const target = new BufferTarget()
    const input = new Input({ source: new BlobSource(recorded), formats: [MP4, WEBM] })
    const output = new Output({ format: isMp4 ? new Mp4OutputFormat({ fastStart: 'in-memory' }) : new WebMOutputFormat(), target })
    const conversion = await Conversion.init({ input, output, showWarnings: false })
    if (!conversion.isValid || conversion.discardedTracks.length > 0) return recorded
    await conversion.execute()
    return target.buffer ? new Blob([target.buffer], { type: recorded.type }) : recorded
  } catch (error) {
    console.warn('what was recorded is sent as the recorder wrote it:', error)
    return recorded
  }
}
