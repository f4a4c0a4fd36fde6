const RATE_HZ = 8_000

/** Sound as a WAV file: 8 bits, one channel, 8,000 times a second.
 * @param tones one after another: how high in hertz, 0 for silence, and how long in milliseconds */
export function wave(tones: readonly { hz: number; ms: number }[]): Uint8Array<ArrayBuffer> {
  const samples = tones.flatMap(({ hz, ms }) =>
    Array.from({ length: Math.round((ms * RATE_HZ) / 1_000) }, (_, n) =>
      hz === 0 ? 128 : 128 + Math.round(60 * Math.sin((2 * Math.PI * hz * n) / RATE_HZ)),
    ),
  )
  const bytes = new Uint8Array(44 + samples.length)
  const view = new DataView(bytes.buffer)
  const word = (at: number, text: string) => [...text].forEach((sign, n) => view.setUint8(at + n, sign.charCodeAt(0)))
  word(0, 'RIFF')
  view.setUint32(4, 36 + samples.length, true)
  word(8, 'WAVEfmt ')
  view.setUint32(16, 16, true)
  for (const [at, value] of [
    [20, 1],
    [22, 1],
    [32, 1],
    [34, 8],
  ] as const)
    view.setUint16(at, value, true)
  for (const at of [24, 28]) view.setUint32(at, RATE_HZ, true)
  word(36, 'data')
  view.setUint32(40, samples.length, true)
  bytes.set(samples, 44)
  return bytes
}
