import { guideText, type GuideDocument } from '@jackdaw/core/guides'

/** Gives the person a file with all words of the guide as they stand on this page, saved or not. */
export function saveCopy(document: GuideDocument): void {
  const address = URL.createObjectURL(new Blob([guideText(document)], { type: 'text/markdown' }))
  const link = window.document.createElement('a')
  link.href = address
  link.download = `${document.title.replace(/[^\p{L}\p{N} _-]+/gu, '').slice(0, 80) || 'guide'}.md`
  link.click()
  setTimeout(() => URL.revokeObjectURL(address), 60_000)
}
