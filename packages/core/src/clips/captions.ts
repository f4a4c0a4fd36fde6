import { decodeHTML } from 'entities'
import { CLIP_LIMITS } from './clip'

/** A line of captions: what is said from when to when, in milliseconds from the beginning of the clip. */
export type Cue = { fromMs: number; untilMs: number; words: string }
/** Captions that were read, or where they cannot be and why. `into`: what goes into the places `{{name}}` of the words. */
export type CaptionsRead = { ok: true; cues: Cue[] } | { ok: false; line: number; words: string; into?: Record<string, number> }

const ARROW = '-->'
/** Hours may be left out. WebVTT has a point before the milliseconds, SubRip a comma. */
const TIME = /^(?:(\d{1,3}):)?([0-5]?\d):([0-5]\d)[.,](\d{1,3})$/
function timeMs(text: string): number | null {
  const found = TIME.exec(text)
  if (!found) return null
  const [, hours = '0', minutes = '0', seconds = '0', rest = '0'] = found
  return Number(hours) * 3_600_000 + Number(minutes) * 60_000 + Number(seconds) * 1_000 + Number(rest.padEnd(3, '0'))
}

/** What is said, without what sets it off: classes, voices and times are left out, as everybody reads these words in the look of their page. */
const bare = (lines: readonly string[]): string =>
  decodeHTML(lines.join('\n').replace(/<[^<>]*>/g, ''))
    .replace(/[^\S\n]+/g, ' ')
    .trim()

/** Blocks between empty lines, each with the number of its first line. */
function blocksOf(text: string): { at: number; lines: string[] }[] {
  const blocks: { at: number; lines: string[] }[] = []
  let open: string[] | null = null
  for (const [n, line] of text.split('\n').entries()) {
    if (line.trim() === '') open = null
    else if (open) open.push(line)
    else blocks.push({ at: n + 1, lines: (open = [line]) })
  }
  return blocks
}

/** Notes, styles and regions say nothing of what is heard. */
const ASIDE = /^(NOTE|STYLE|REGION)(\s|$)/

/** Reads captions as WebVTT (W3C, WebVTT: The Web Video Text Tracks Format, 2019) or as SubRip, of which it came. Where a line is shown is not kept.
 * @returns the lines in the order of their times, or the first fault with its line, counted from 1 */
export function readCaptions(text: string): CaptionsRead {
  if (text.length > CLIP_LIMITS.captions)
    return { ok: false, line: 1, words: 'Captions have {{most}} characters at most.', into: { most: CLIP_LIMITS.captions } }
  const cues: Cue[] = []
  for (const { at, lines } of blocksOf(text.replace(/^\uFEFF/, '').replace(/\r\n?/g, '\n'))) {
    if ((at === 1 && lines[0]!.startsWith('WEBVTT')) || ASIDE.test(lines[0]!)) continue
    const timed = lines.findIndex((line) => line.includes(ARROW))
    const fault = (line: number, words: string) => ({ ok: false, line: at + line, words }) as const
    // A cue may have a name in front of its times: one line.
    if (timed < 0 || timed > 1) return fault(0, 'From when to when is missing. Write it like 00:01.000 --> 00:04.500')
    const [from = '', until = ''] = lines[timed]!.split(ARROW).map((part) => part.trim().split(/\s/)[0] ?? '')
    const [fromMs, untilMs] = [timeMs(from), timeMs(until)]
    if (fromMs === null || untilMs === null) return fault(timed, 'These are no times. Write them like 00:01.000 --> 00:04.500')
    if (fromMs >= untilMs) return fault(timed, 'It ends before it begins.')
    const words = bare(lines.slice(timed + 1))
    if (words.length > CLIP_LIMITS.cue)
      return { ...fault(timed, 'A line has {{most}} characters at most.'), into: { most: CLIP_LIMITS.cue } }
    if (words !== '') cues.push({ fromMs, untilMs, words })
  }
  if (cues.length === 0) return { ok: false, line: 1, words: 'There is no line in it that says anything.' }
  if (cues.length > CLIP_LIMITS.cues)
    return { ok: false, line: 1, words: 'Captions have {{most}} lines at most.', into: { most: CLIP_LIMITS.cues } }
  return { ok: true, cues: cues.sort((a, b) => a.fromMs - b.fromMs || a.untilMs - b.untilMs) }
}

const digits = (value: number, count: number): string => String(value).padStart(count, '0')
const written = (ms: number): string =>
  `${digits(Math.floor(ms / 3_600_000), 2)}:${digits(Math.floor(ms / 60_000) % 60, 2)}:${digits(Math.floor(ms / 1_000) % 60, 2)}.${digits(ms % 1_000, 3)}`
const escaped = (words: string): string => words.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;')

/** Writes captions as WebVTT. Times are whole milliseconds. */
export const writeCaptions = (cues: readonly Cue[]): string =>
  ['WEBVTT', ...cues.map(({ fromMs, untilMs, words }) => `${written(fromMs)} ${ARROW} ${written(untilMs)}\n${escaped(words)}`)].join(
    '\n\n',
  ) + '\n'
