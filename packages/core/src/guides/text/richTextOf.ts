import type { Block, RichText } from './richText'

/** A paragraph with plain words, or an empty one. */
export const paragraph = (text = ''): Block =>
  text === '' ? { type: 'paragraph' } : { type: 'paragraph', content: [{ type: 'text', text }] }

/** Rich text from plain words: a paragraph for each line. */
export const richTextOf = (...lines: string[]): RichText => ({ type: 'doc', content: lines.map((line) => paragraph(line)) })
