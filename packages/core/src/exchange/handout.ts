import type { GuideDocument, Look, PictureSizes } from '../guides'
import type { GroupId, GuideId, QuizId, SectionId } from '../shared'

/** Words of a key, with what is put into their places; English is its own key. */
export type Say = (key: string, into?: Record<string, unknown>) => string

/** A guide as it leaves the application.
 * `edition`: its number; `null` for a draft.
 * `published`: the day written out; empty for a draft.
 * `section`: only this section of it.
 * `quizzes`: the titles of the quizzes among its steps; `groups`: the names of the groups that its rules ask for.
 * `address`: where it is found in the application, with the edition that was put out.
 * `qr`: the same as a code to be scanned: SVG path data on a field of `size` by `size`. */
export type HandoutGuide = {
  guideId: GuideId
  number: number
  edition: number | null
  published: string
  owner: string
  minutes: number
  document: GuideDocument
  section: SectionId | null
  look: Look
  sizes: PictureSizes
  quizzes: Readonly<Record<QuizId, string>>
  groups: Readonly<Record<GroupId, string>>
  address: string
  qr: { d: string; size: number }
}

/** One or several guides as they leave the application together. `made`: the day written out; `language`: of the words around the guides, BCP 47;
 * `home`: where the application is found, without a slash at the end. */
export type Handout = { title: string; made: string; language: string; home: string; look: Look; guides: HandoutGuide[] }

/** Steps of a guide with what is known of their place: only those that are put out, each with its number in the whole guide. */
export type HandoutItem = GuideDocument['items'][number] & { n?: number }

/** What of a guide is put out, in order; steps keep the numbers that they have in the whole guide. */
export function itemsOf({ document, section }: Pick<HandoutGuide, 'document' | 'section'>): HandoutItem[] {
  let n = 0
  let inside = section === null
  return document.items.flatMap((item): HandoutItem[] => {
    if (item.kind === 'step') n++
    if (item.kind === 'section' && section !== null) inside = item.id === section
    if (!inside) return []
    return [item.kind === 'step' ? { ...item, n } : item]
  })
}
