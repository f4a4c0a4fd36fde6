import type { GuideDocument } from '../document'
import { kindOf } from '../guideItems'

/** The words of a whole guide as a Markdown text that can be read anywhere and imported again: title, summary, headings, numbered steps
 * with their cautions. What is drawn and how words are set off is left out. */
export function guideText(document: GuideDocument): string {
  const parts = [`# ${document.title}`, ...(document.summary === '' ? [] : [document.summary])]
  let number = 0
  for (const item of document.items) {
    const words = kindOf(item).asText(item, item.kind === 'step' ? ++number : 0)
    if (words !== '') parts.push(words)
  }
  return `${parts.join('\n\n')}\n`
}
