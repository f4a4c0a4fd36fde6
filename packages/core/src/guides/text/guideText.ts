import type { GuideDocument } from '../document'
import { plainText } from './plainText'

/** The words of a whole guide as a Markdown text that can be read anywhere and imported again: title, summary, headings, numbered steps
 * with their cautions. What is drawn and how words are set off is left out. */
export function guideText(document: GuideDocument): string {
  const parts = [`# ${document.title}`, ...(document.summary === '' ? [] : [document.summary])]
  let number = 0
  for (const item of document.items) {
    if (item.kind === 'section') {
      parts.push(`## ${item.title}`)
      continue
    }
    number++
    const cautions = (item.cautions ?? []).map((caution) => `${caution.level.toUpperCase()}: ${caution.words}`)
    const lines = [...cautions, ...plainText(item.body).split('\n')].filter((line) => line.trim() !== '')
    parts.push(`${number}. ${lines.join('\n   ')}`)
  }
  return `${parts.join('\n\n')}\n`
}
