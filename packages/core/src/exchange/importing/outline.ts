import { MAX_TITLE } from './draftBuilder'
import { richTextOf, withBlockIds, type Block, type GuideItem, type Step } from '../../guides'
import type { NewId, SectionId, StepId } from '../../shared'

/** A line of an outline with what stands under it. `mark`: how it is marked. */
type Entry = { words: string; mark: 'number' | 'bullet' | 'none'; under: Entry[] }

/** `1.`, `1.2`, `1.2.3)`, `a)`, `Step 3:` */
const NUMBER = /^(?:\p{L}{3,9}\s+)?\(?(\d{1,3}(?:\.\d{1,3})*|[a-z])[.):]\)?\s+|^(\d{1,3}(?:\.\d{1,3})+)\s+/u
const BULLET = /^[-*•·–▪◦]\s+/

type Line = { depth: number; words: string; mark: Entry['mark']; numbers: number }
function lineOf(text: string): Line {
  const blank = /^\s*/.exec(text)?.[0] ?? ''
  const depth = [...blank].reduce((sum, each) => sum + (each === '\t' ? 4 : 1), 0)
  const rest = text.trim()
  const number = NUMBER.exec(rest)
  if (number)
    return { depth, words: rest.slice(number[0].length), mark: 'number', numbers: (number[1] ?? number[2] ?? '').split('.').length }
  const bullet = BULLET.exec(rest)
  return { depth, words: bullet ? rest.slice(bullet[0].length) : rest, mark: bullet ? 'bullet' : 'none', numbers: 0 }
}

/** Where others are numbered `1.2`, a bare `1` before a line is its number, too. */
function withBareNumber(line: Line): Line {
  const bare = line.mark === 'none' ? /^\d{1,3}\s+(?=\S)/.exec(line.words) : null
  return bare ? { ...line, words: line.words.slice(bare[0].length), mark: 'number', numbers: 1 } : line
}

/** Lines as a tree: by their numbers, where some have several (`1.2`), else by how far in they stand. */
function treeOf(given: readonly Line[]): Entry[] {
  const byNumbers = given.some((line) => line.numbers > 1)
  const lines = byNumbers ? given.map(withBareNumber) : given
  const depthOf = (line: Line, last: number): number =>
    !byNumbers ? line.depth : line.mark === 'number' ? line.numbers : line.mark === 'bullet' ? last + 1 : 0
  const top: Entry[] = []
  const open: { depth: number; entry: Entry }[] = []
  let lastNumber = 0
  for (const line of lines) {
    const depth = depthOf(line, lastNumber)
    if (line.mark === 'number') lastNumber = depth
    const entry: Entry = { words: line.words, mark: line.mark, under: [] }
    while (open.length > 0 && open.at(-1)!.depth >= depth) open.pop()
    ;(open.at(-1)?.entry.under ?? top).push(entry)
    open.push({ depth, entry })
  }
  return top
}

/** Whether a line is a heading: what stands under it are steps of their own, and not points of one. What is too long for a heading is a step. */
const isHeading = ({ mark, words, under }: Entry): boolean =>
  under.length > 0 && words.length <= MAX_TITLE && !(mark === 'number' && under.every((each) => each.mark === 'bullet'))

const points = (entries: readonly Entry[]): Block => ({
  type: 'bulletList',
  content: entries.map(({ words, under }) => ({
    type: 'listItem',
    content: [...richTextOf(words).content, ...(under.length > 0 ? [points(under)] : [])],
  })),
})

/** Makes sections and steps of an outline: a line that has lines under it is a section, what stands under it are steps, and what stands under those are points
 * of a step. Numbers and bullets go. A numbered line over mere bullets is a step.
 * @param text lines, indented or numbered */
export function outlineItems(text: string, newId: NewId): GuideItem[] {
  const lines = text
    .split(/\r\n|\n|\r/)
    .filter((line) => line.trim() !== '')
    .map(lineOf)
    .filter((line) => line.words !== '')
  const step = ({ words, under }: Entry): Step => {
    const content = [...richTextOf(words).content, ...(under.length > 0 ? [points(under)] : [])]
    return { kind: 'step', id: newId<StepId>(), body: withBlockIds({ type: 'doc', content }, newId), pictures: [] }
  }
  return treeOf(lines).flatMap((entry): GuideItem[] =>
    isHeading(entry) ? [{ kind: 'section', id: newId<SectionId>(), title: entry.words }, ...entry.under.map(step)] : [step(entry)],
  )
}
