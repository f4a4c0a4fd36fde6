import { known, seededIds } from '../shared'
import type { Block, Inline } from '../guides'
import { draftFrom } from './draftFrom'
import type { RawAction, SentenceLanguage, ShotId } from './rawAction'

const escaped = (text: string): string => text.replace(/[\\`*_[\]<>#|~]/g, '\\$&').replace(/\n/g, ' ')
/** A run of code: fenced by more backticks than stand in it. */
function code(text: string): string {
  const fence = '`'.repeat(Math.max(0, ...[...text.matchAll(/`+/g)].map((run) => run[0].length)) + 1)
  return fence.length > 1 ? `${fence} ${text} ${fence}` : `\`${text}\``
}
function inline(run: Inline): string {
  if (run.type === 'hardBreak') return ' '
  const marks = new Map(run.marks?.map((mark) => [mark.type, mark]))
  const words = marks.has('code') || marks.has('keyCap') ? code(run.text) : escaped(run.text)
  const link = marks.get('link')
  const linked = link?.type === 'link' ? `[${words}](<${link.attrs.href.replace(/[<>\s]/g, '')}>)` : words
  return marks.has('bold') ? `**${linked}**` : linked
}
const lineOf = (block: Block): string => (block.type === 'paragraph' ? (block.content ?? []).map(inline).join('') : '')

/** A recording as a text in Markdown, with its draft's title, headings, steps and pictures; an import makes the same draft of it.
 * @param fileOf the path of a picture's file beside the text; `undefined` when there is none */
export function recordingAsMarkdown(
  actions: readonly RawAction[],
  language: SentenceLanguage,
  fileOf: (id: ShotId) => string | undefined,
): string {
  const files = new Map<string, string>()
  const draft = draftFrom(actions, {
    language,
    newId: seededIds(1),
    storedShot(id) {
      const file = fileOf(id)
      if (file === undefined) return undefined
      files.set(id, file)
      return { id: id as never, widthPx: 1, heightPx: 1 }
    },
  })
  let n = 0
  const parts = draft.items.map((item) => {
    if (item.kind === 'section') {
      n = 0
      return `## ${escaped(item.title)}`
    }
    if (item.kind === 'quiz') return ''
    const number = `${++n}. `
    const pictures = item.pictures.map(({ id, alt }) => `\n\n${' '.repeat(number.length)}![${escaped(alt)}](${known(files, id)})`)
    return `${number}${item.body.content.map(lineOf).join(' ')}${pictures.join('')}`
  })
  return `# ${escaped(draft.title)}\n\n${parts.join('\n\n')}\n`
}
