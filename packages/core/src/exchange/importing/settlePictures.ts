import { byId } from '../../shared'
import { plainText, type GuideDocument, type GuideItem, type Step } from '../../guides'
import { flag, type DraftPicture } from './draftBuilder'
import type { ImportedDraft } from './draftOf'

/** What is said at a step whose picture is missing. */
const missingWords = ({ path, alt }: DraftPicture): string => `Picture missing: ${path}${alt === '' ? '' : ` (${alt})`}.`

/** Settles which pictures were there. One that was not is noted at its step; a step that was nothing but such pictures is none: the note stands at
 * the step before it, else at the one behind.
 * @param found ids of the pictures that were stored */
export function settlePictures(draft: ImportedDraft, found: ReadonlySet<string>): { document: GuideDocument; missing: DraftPicture[] } {
  const missing = draft.pictures.filter((picture) => !found.has(picture.id))
  const gone = byId(missing)
  const items: GuideItem[] = []
  let ahead: DraftPicture[] = []
  const note = (step: Step, lost: readonly DraftPicture[]): Step => {
    const noted = { ...step }
    for (const each of lost) flag(noted, missingWords(each))
    return noted
  }
  for (const item of draft.document.items) {
    if (item.kind !== 'step') {
      items.push(item)
      continue
    }
    const lost = item.pictures.flatMap((picture) => gone.get(picture.id) ?? [])
    const step = lost.length === 0 ? item : { ...item, pictures: item.pictures.filter((picture) => !gone.has(picture.id)) }
    const isNothingElse = lost.length > 0 && step.pictures.length === 0 && plainText(step.body).trim() === '' && !step.cautions
    const before = items.at(-1)
    if (isNothingElse && before?.kind === 'step') items[items.length - 1] = note(before, lost)
    else if (isNothingElse) ahead.push(...lost)
    else {
      items.push(lost.length + ahead.length === 0 ? step : note(step, [...ahead, ...lost]))
      ahead = []
    }
  }
  // A text of nothing but pictures that are not there still says what they were.
  if (ahead.length > 0) {
    const first = draft.document.items.find((item): item is Step => item.kind === 'step')!
    const body = {
      type: 'doc' as const,
      content: ahead.map((each) => ({
        type: 'paragraph' as const,
        attrs: { id: each.id },
        content: [{ type: 'text' as const, text: each.alt || each.path }],
      })),
    }
    items.push(note({ ...first, pictures: [], body }, ahead))
  }
  return { document: { ...draft.document, items }, missing }
}
