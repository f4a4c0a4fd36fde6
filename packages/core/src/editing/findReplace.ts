import type { Block, Change, GuideDocument, Inline, ListItem, RichText, Step, StepPicture, TableRow } from '../guides'

/** What is looked for, and how. */
export type Search = { find: string; matchCase: boolean; wholeWords: boolean }
/** One text in which something was found: where it is, what it says now, what it would say, and how often it was found.
 * `key` names the place for the choice of what is replaced. */
export type Found = { key: string; itemId: string | null; where: FoundIn; before: string; after: string; times: number; change: Change }
/** The texts that are searched. */
export type FoundIn = 'title' | 'summary' | 'section' | 'step' | 'label' | 'caution' | 'picture'

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
export function replacedIn(text: RichText, pattern: RegExp, by: string): { text: RichText; times: number } {
  let times = 0
  const blocks = (all: readonly Block[]): Block[] =>
    all.map((block): Block => {
      switch (block.type) {
        case 'paragraph':
        case 'codeBlock': {
          if (!block.content) return block
          const done = inlineReplaced(block.content as Inline[], pattern, by)
          times += done.times
          return done.times === 0 ? block : ({ ...block, content: done.nodes } as Block)
        }
        case 'bulletList':
        case 'orderedList':
          return { ...block, content: block.content.map((item): ListItem => ({ ...item, content: blocks(item.content) })) } as Block
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
      return ((block.content ?? []) as Inline[]).map((node) => (node.type === 'text' ? node.text : ' ')).join('')
    case 'table':
      return block.content.map((row) => row.content.map((cell) => cell.content.map(inText).join(' ')).join(' | ')).join(' / ')
    default:
      return block.content.map((item) => item.content.map(inText).join(' ')).join(' / ')
  }
}
const words = (text: RichText): string => text.content.map(inText).join(' ')

type Look = { pattern: RegExp; by: string }
const plain = (
  { pattern, by }: Look,
  key: string,
  itemId: string | null,
  where: FoundIn,
  text: string,
  change: (after: string) => Change,
): Found[] => {
  const times = [...text.matchAll(pattern)].filter((match) => match[0] !== '').length
  if (times === 0) return []
  const after = text.replace(pattern, () => by)
  return [{ key, itemId, where, before: text, after, times, change: change(after) }]
}

/** Finds words in everything that a guide says: title, summary, headings, steps, cautions, labels, descriptions of pictures.
 * @returns one entry for each text, with the change that replaces all that was found in it */
export function findInGuide(document: GuideDocument, search: Search, by: string): Found[] {
  const pattern = searchFor(search)
  if (!pattern) return []
  const look = { pattern, by }
  return [
    ...plain(look, 'title', null, 'title', document.title, (title) => ({
      type: 'set-facts',
      facts: { title: title.slice(0, 300).trim() },
    })),
    ...plain(look, 'summary', null, 'summary', document.summary, (summary) => ({
      type: 'set-facts',
      facts: { summary: summary.slice(0, 2_000) },
    })),
    ...document.items.flatMap((item) =>
      item.kind === 'step'
        ? findInStep(item, look)
        : plain(look, `section:${item.id}`, item.id, 'section', item.title, (title) => ({
            type: 'set-section-title',
            sectionId: item.id,
            title: title.slice(0, 300),
          })),
    ),
  ]
}

function findInStep(step: Step, look: Look): Found[] {
  const stepId = step.id
  const { pattern, by } = look
  const found: Found[] = []
  const body = replacedIn(step.body, pattern, by)
  if (body.times > 0)
    found.push({
      key: `body:${stepId}`,
      itemId: stepId,
      where: 'step',
      before: words(step.body),
      after: words(body.text),
      times: body.times,
      change: { type: 'set-body', stepId, body: body.text },
    })
  const cautions = step.cautions ?? []
  const cautionWords = cautions.map((each) => each.words).join(' / ')
  found.push(
    ...plain(look, `cautions:${stepId}`, stepId, 'caution', cautionWords, () => ({
      type: 'set-cautions',
      stepId,
      cautions: cautions.map((each) => ({ ...each, words: each.words.replace(pattern, () => by).slice(0, 1_000) })),
    })),
  )
  for (const picture of step.pictures) found.push(...findOnPicture(stepId, picture, look))
  return found
}

function findOnPicture(stepId: Step['id'], { id: pictureId, alt, annotations = [] }: StepPicture, look: Look): Found[] {
  return [
    ...plain(look, `alt:${stepId}:${pictureId}`, stepId, 'picture', alt, (after) => ({
      type: 'set-picture-alt',
      stepId,
      pictureId,
      alt: after.slice(0, 1_000),
    })),
    ...annotations.flatMap((annotation): Found[] => {
      if (annotation.kind !== 'label' && annotation.kind !== 'text') return []
      const practiseWords = annotation.kind === 'label' ? annotation.practiseWords : undefined
      return plain(look, `annotation:${pictureId}:${annotation.id}`, stepId, 'label', annotation.words, (after) => ({
        type: 'put-annotation',
        stepId,
        pictureId,
        annotation: {
          ...annotation,
          words: after.slice(0, 600),
          ...(practiseWords ? { practiseWords: practiseWords.replace(look.pattern, () => look.by).slice(0, 600) } : {}),
        },
        after: null,
      }))
    }),
  ]
}
