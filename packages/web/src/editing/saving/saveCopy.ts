import { guideText, type GuideDocument } from '@jackdaw/core/guides'
import { saveFile } from '../../api'

/** Gives the person a file with all words of the guide as they stand on this page, saved or not. */
export function saveCopy(document: GuideDocument): void {
  const name = document.title.replace(/[^\p{L}\p{N} _-]+/gu, '').slice(0, 80) || 'guide'
  saveFile(new Blob([guideText(document)], { type: 'text/markdown' }), `${name}.md`)
}
