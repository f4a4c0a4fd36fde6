import { plainText, type Block } from '../../guides'
import type { Content } from '../questions/content'
import type { Question } from '../questions/question'

/** Something of a question that a format cannot hold. `question`: where it stands, from 1. */
export type Lost = { question: number; what: LostKind }
/** What formats cannot hold: pictures; sound and video; their captions, and the pictures that stand for them; words that are set off, lists, tables and links; several paragraphs in an answer; the kind of the question itself; the
 * steps that it tests; slips that are let pass; points by parts. */
export type LostKind = 'pictures' | 'clips' | 'captions' | 'formatting' | 'paragraphs' | 'kind' | 'steps' | 'slips' | 'parts'

const isPlainBlock = (block: Block): boolean =>
  block.type === 'paragraph' && (block.content ?? []).every((node) => node.type === 'text' && !node.marks?.length)
/** Whether content is more than paragraphs of plain words. */
export const isFormatted = ({ text }: Content): boolean => !text.content.every(isPlainBlock)
/** The contents of a question, whatever its kind: first what it asks, then the explanation, then its answers. */
export function contentsIn(question: Question): Content[] {
  const { prompt, explanation } = question
  switch (question.kind) {
    case 'one':
    case 'several':
      return [prompt, explanation, ...question.ask.options.map(({ content }) => content)]
    case 'order':
      return [prompt, explanation, ...question.ask.entries.map(({ content }) => content)]
    case 'match':
      return [prompt, explanation, ...[...question.ask.left, ...question.ask.right].map(({ content }) => content)]
    default:
      return [prompt, explanation]
  }
}

/** The paragraphs of content, each in one line. */
export const linesOf = ({ text }: Content): string[] =>
  plainText(text)
    .split('\n')
    .map((line) => line.replace(/\s+/g, ' ').trim())
    .filter(Boolean)
