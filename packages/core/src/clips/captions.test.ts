import fc from 'fast-check'
import { expect, it } from 'vitest'
import { readCaptions, writeCaptions } from './captions'
import { CLIP_LIMITS } from './clip'

const cuesOf = (text: string) => {
  const read = readCaptions(text)
  return read.ok ? read.cues : read
}

it('reads WebVTT without what sets its words off', () => {
  const text = `\uFEFFWEBVTT - Belt 2
Kind: captions

NOTE made by hand

STYLE
::cue { color: lime }

opening
00:01.000 --> 00:04.500 align:start line:0
<v Helena>Fold <b>both</b> latches</v>
&amp; wait.

1:00:00.000 --> 1:00:01.250
<00:00:01.000>Done.
`
  expect(cuesOf(text)).toEqual([
    { fromMs: 1_000, untilMs: 4_500, words: 'Fold both latches\n& wait.' },
    { fromMs: 3_600_000, untilMs: 3_601_250, words: 'Done.' },
  ])
})
it('reads SubRip, with Windows’ ends of lines, and puts lines into the order of their times', () => {
  expect(cuesOf('2\r\n00:00:03,5 --> 00:00:04,000\r\nThen.\r\n\r\n1\r\n00:00:01,000 --> 00:00:02,000\r\nFirst.\r\n')).toEqual([
    { fromMs: 1_000, untilMs: 2_000, words: 'First.' },
    { fromMs: 3_500, untilMs: 4_000, words: 'Then.' },
  ])
})
it.each([
  ['', 1, 'There is no line'],
  ['WEBVTT\n\nNOTE nothing', 1, 'There is no line'],
  ['WEBVTT\n\n00:01.000 --> 00:02.000\nOne\n\nTwo', 6, 'From when to when'],
  ['WEBVTT\n\nname\n00:01.000 --> soon\nOne', 4, 'These are no times'],
  ['WEBVTT\n\n00:01.000 --> 00:61.000\nOne', 3, 'These are no times'],
  ['WEBVTT\n\n00:03.000 --> 00:02.000\nOne', 3, 'It ends before'],
  [`WEBVTT\n\n00:01.000 --> 00:02.000\n${'a'.repeat(CLIP_LIMITS.cue + 1)}`, 3, 'A line has'],
  ['a'.repeat(CLIP_LIMITS.captions + 1), 1, 'Captions have'],
  [Array.from({ length: CLIP_LIMITS.cues + 1 }, () => '00:01.000 --> 00:02.000\nA').join('\n\n'), 1, 'Captions have'],
])('says what is wrong, and in which line: %#', (text, line, words) => {
  expect(cuesOf(text)).toMatchObject({ ok: false, line, words: expect.stringContaining(words) })
})
it('what is written is read back, whatever the words', () => {
  const time = fc.integer({ min: 0, max: 9 * 3_600_000 })
  const words = fc
    .string({ unit: 'grapheme', minLength: 1, maxLength: 60 })
    .map((text) => text.replace(/\s+/g, ' ').trim())
    .filter((text) => text !== '')
  const cue = fc
    .tuple(time, fc.integer({ min: 1, max: 60_000 }), words)
    .map(([fromMs, length, said]) => ({ fromMs, untilMs: fromMs + length, words: said }))
  fc.assert(
    fc.property(fc.array(cue, { minLength: 1, maxLength: 6 }), (cues) => {
      const sorted = [...cues].sort((a, b) => a.fromMs - b.fromMs || a.untilMs - b.untilMs)
      expect(cuesOf(writeCaptions(sorted))).toEqual(sorted)
    }),
  )
})
