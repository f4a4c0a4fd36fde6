import type { PrivateKind } from '../rawAction'

/** A private passage: `text.slice(start, end)`. */
export type PrivatePassage = { kind: PrivateKind; start: number; end: number }

/** Every passage that a pattern finds and that holds; blanks and signs that are not seen at its end are no part of it. */
export const passagesOf = (
  pattern: RegExp,
  text: string,
  kind: PrivateKind,
  holds: (found: string, before: string) => boolean = () => true,
): PrivatePassage[] =>
  [...text.matchAll(pattern)]
    .filter((match) => holds(match[0], text.slice(Math.max(0, match.index - 24), match.index)))
    .map((match) => ({ kind, start: match.index, end: match.index + match[0].replace(/[\s\u200b]+$/, '').length }))

/** The digits of a text, without all else. */
export const digitsOf = (text: string): string => text.replace(/\D/g, '')
