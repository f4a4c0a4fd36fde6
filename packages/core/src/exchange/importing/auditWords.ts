import { decodeHTML } from 'entities'
import type { GuideDocument } from '../../guides'

/** Words of a line of the input that are not in the draft. `line` counts from 1. */
export type NotPlaced = { line: number; text: string; words: string[] }

const WORD = /[\p{L}\p{N}]+/gu
const TAG = /<\/?[a-zA-Z][^<>]*>/g
const ATTRIBUTE_NAME = /([\s"'])[a-zA-Z_:@][-\w:.@]*(?=\s*=)/g

const LIST_NUMBER = /^[\s>*+-]*\d{1,9}[.)](?=\s)/
/** The box of something to be ticked off. */
const TASK_BOX = /^([\s>*+-]*(?:\d{1,9}[.)]\s+)?)\[[ xX]\](?=\s)/

/** A line of Markdown without what is only notation: names of tags and of attributes, character references, list numbers. */
const withoutNotation = (line: string): string =>
  decodeHTML(
    line
      .replace(TASK_BOX, '$1 ')
      .replace(LIST_NUMBER, ' ')
      .replace(TAG, (tag) => tag.replace(/^<\/?[a-zA-Z][-\w]*/, ' ').replace(ATTRIBUTE_NAME, '$1 ')),
  )

function countInto(counts: Map<string, number>, text: string): void {
  for (const [word] of text.matchAll(WORD)) counts.set(word, (counts.get(word) ?? 0) + 1)
}

function countTexts(counts: Map<string, number>, value: unknown): void {
  if (Array.isArray(value)) for (const each of value) countTexts(counts, each)
  else if (value !== null && typeof value === 'object')
    for (const [key, each] of Object.entries(value)) {
      if (typeof each !== 'string') countTexts(counts, each)
      else if (!['id', 'type', 'kind', 'level', 'notReadyWhy'].includes(key)) countInto(counts, each)
    }
}

/** Lines of a document that people have seen, without the numbers of its lists: everything else in them are words. */
const withoutNumbers = (line: string): string => line.replace(TASK_BOX, '$1 ').replace(LIST_NUMBER, ' ')

/** Holds the draft against the lines of a document that is no text with notation (Word, HTML, PDF), see {@link auditWords}. */
export const auditLines = (lines: readonly string[], document: GuideDocument, read: readonly string[] = []): NotPlaced[] =>
  heldAgainst(lines, withoutNumbers, document, read)

/** Holds the draft against its source, word by word, so that nothing goes missing unsaid.
 * @param source   the Markdown as it came
 * @param document the draft made from it
 * @param read     words that became something else than words, such as the level of a caution
 * @returns the lines with words of which the draft has fewer than the source */
export const auditWords = (source: string, document: GuideDocument, read: readonly string[] = []): NotPlaced[] =>
  heldAgainst(source.split(/\r\n|\n|\r/), withoutNotation, document, read)

function heldAgainst(
  lines: readonly string[],
  wordsOf: (line: string) => string,
  document: GuideDocument,
  read: readonly string[],
): NotPlaced[] {
  const left = new Map<string, number>()
  countTexts(left, { title: document.title, summary: document.summary, items: document.items })
  for (const each of read) countInto(left, each)
  const missing: NotPlaced[] = []
  lines.forEach((line, index) => {
    const words: string[] = []
    for (const [word] of wordsOf(line).matchAll(WORD)) {
      const count = left.get(word) ?? 0
      if (count > 0) left.set(word, count - 1)
      else words.push(word)
    }
    if (words.length > 0) missing.push({ line: index + 1, text: line.trim().slice(0, 300), words })
  })
  return missing
}
