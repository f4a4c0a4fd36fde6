import {
  changeTexts,
  textsOf,
  type Block,
  type Change,
  type GuideDocument,
  type Inline,
  type ListItem,
  type RichText,
  type TableRow,
  type TextOfGuide,
  type TextWhere,
} from '../guides'

/** What is looked for, and how. */
export type Search = { find: string; matchCase: boolean; wholeWords: boolean }
/** One text in which something was found: where it is, what it says now, what it would say, and how often it was found.
 * `key` names the place for the choice of what is replaced. */
export type Found = { key: string; itemId: string | null; where: TextWhere; before: string; after: string; times: number }

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
/** The search as an expression; `null` when there is nothing to look for. */
export function searchFor({ find, matchCase, wholeWords }: Search): RegExp | null {
  if (find === '') return null
  const word = '[\\p{L}\\p{N}_]'
  const inside = escaped(find)
  return new RegExp(wholeWords ? `(?<!${word})${inside}(?!${word})` : inside, matchCase ? 'gu' : 'giu')
}

/** Runs of the same looks are joined first, so that words are found across the places where an editor has cut them. Words that run over
 * a change of looks (half bold) are found too; what takes their place has the looks of their first letter. */
function inlineReplaced(nodes: readonly Inline[], pattern: RegExp, by: string): { nodes: Inline[]; times: number } {
  const out: Inline[] = []
  let times = 0
  let runs: Extract<Inline, { type: 'text' }>[] = []
  const flush = () => {
    const whole = runs.map((run) => run.text).join('')
    const matches = [...whole.matchAll(pattern)].filter((match) => match[0] !== '')
    times += matches.length
    let at = 0
    for (const run of runs) {
      const end = at + run.text.length
      let text = ''
      for (let i = at; i < end;) {
        const match = matches.find((each) => i >= each.index && i < each.index + each[0].length)
        if (!match) {
          text += whole[i++]
          continue
        }
        if (match.index === i) text += by
        i = Math.min(end, match.index + match[0].length)
      }
      if (text !== '') out.push({ ...run, text })
      at = end
    }
    runs = []
  }
  for (const node of nodes) {
    if (node.type === 'text') runs.push(node)
    else {
      flush()
      out.push(node)
    }
  }
  flush()
  return { nodes: out, times }
}

/** Replaces in rich text; its blocks keep their ids. */
function replacedIn(text: RichText, pattern: RegExp, by: string): { text: RichText; times: number } {
  let times = 0
  const blocks = (all: readonly Block[]): Block[] =>
    all.map((block): Block => {
      switch (block.type) {
        case 'paragraph':
        case 'codeBlock': {
          if (!block.content) return block
          const done = inlineReplaced(block.content, pattern, by)
          times += done.times
          return done.times === 0 ? block : ({ ...block, content: done.nodes } as Block)
        }
        case 'bulletList':
        case 'orderedList':
          return { ...block, content: block.content.map((item): ListItem => ({ ...item, content: blocks(item.content) })) }
        case 'table':
          return {
            ...block,
            content: block.content.map((row): TableRow => ({
              ...row,
              content: row.content.map((cell) => ({ ...cell, content: blocks(cell.content) })),
            })),
          }
      }
    })
  return { text: { type: 'doc', content: blocks(text.content) }, times }
}

const inText = (block: Block): string => {
  switch (block.type) {
    case 'paragraph':
    case 'codeBlock':
      return (block.content ?? []).map((node) => (node.type === 'text' ? node.text : ' ')).join('')
    case 'table':
      return block.content.map((row) => row.content.map((cell) => cell.content.map(inText).join(' ')).join(' | ')).join(' / ')
    default:
      return block.content.map((item) => item.content.map(inText).join(' ')).join(' / ')
  }
}
const words = (text: RichText): string => text.content.map(inText).join(' ')

/** What a text says with something in the place of what is looked for. `times`: how often it was found. */
function replaced(text: TextOfGuide, pattern: RegExp, by: string): { next: string | RichText; times: number } {
  if (text.is === 'rich') {
    const done = replacedIn(text.text, pattern, by)
    return { next: done.text, times: done.times }
  }
  const times = [...text.text.matchAll(pattern)].filter((match) => match[0] !== '').length
  return { next: times === 0 ? text.text : text.text.replace(pattern, () => by), times }
}
const shown = (text: string | RichText): string => (typeof text === 'string' ? text : words(text))

/** Finds words in everything that a guide says, see `textsOf`.
 * @returns one entry for each text */
export function findInGuide(document: GuideDocument, search: Search, by: string): Found[] {
  const pattern = searchFor(search)
  if (!pattern) return []
  return textsOf(document).flatMap((text): Found[] => {
    const { next, times } = replaced(text, pattern, by)
    if (times === 0) return []
    const { key, itemId, where } = text
    return [{ key, itemId, where, before: shown(text.text), after: shown(next), times }]
  })
}

/** The changes that replace what was found.
 * @param keys the places in which it is replaced */
export function replaceInGuide(document: GuideDocument, search: Search, by: string, keys: ReadonlySet<string>): Change[] {
  const pattern = searchFor(search)
  if (!pattern) return []
  return changeTexts(document, (text) => (keys.has(text.key) ? replaced(text, pattern, by).next : undefined))
}
