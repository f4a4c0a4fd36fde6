import { keysOf } from '../../shared'
import type { Block, CautionLevel } from '../../guides'

const WORDS: Readonly<Record<CautionLevel, string>> = {
  danger: 'danger gefahr peligro niebezpieczeństwo',
  warning: 'warning warnung advertencia ostrzeżenie',
  caution: 'caution vorsicht precaución atención attention achtung uwaga',
  note: 'note hinweis nota notatka wskazówka',
}
const LEVEL_OF = new Map(keysOf(WORDS).flatMap((level) => WORDS[level].split(' ').map((word) => [word, level] as const)))
/** The signal word at the start of a paragraph, as people write it: `Warning: …`, or in brackets as `[!WARNING]`. */
const SIGNAL = /^\s*(?:\[!(\p{L}+)\]|(\p{L}+)\s*[:!])\s*/u

const MOST_CHARS = 1_000

/** A caution that a text speaks: its level, what it says, and the signal word that is no part of it any more. `marked`: it is written as one,
 * in brackets, and cannot be meant otherwise. */
export type SpokenCaution = { level: CautionLevel; words: string; signal: string; marked: boolean }

/** What our own Markdown says beside the steps and no text has a form for: it is left out, and listed. */
const ASIDE = /^\s*\[!(SIGNS|WAYS|QUIZ|CLOSING)\]/
export const isAside = (block: Block | null): boolean => {
  const first = block?.type === 'paragraph' ? block.content?.[0] : undefined
  return first?.type === 'text' && ASIDE.test(first.text)
}

/** Reads a paragraph that begins with a signal word as a caution.
 * @returns `null` for any other block, and for one that says more than a caution can hold */
export function cautionIn(block: Block | null): SpokenCaution | null {
  if (block?.type !== 'paragraph') return null
  const text = (block.content ?? []).map((node) => (node.type === 'text' ? node.text : '\n')).join('')
  const found = SIGNAL.exec(text)
  const signal = found?.[1] ?? found?.[2] ?? ''
  const level = LEVEL_OF.get(signal.toLowerCase())
  const words = text.slice(found?.[0].length ?? 0).trim()
  return level && words !== '' && words.length <= MOST_CHARS ? { level, words, signal, marked: found?.[1] !== undefined } : null
}
