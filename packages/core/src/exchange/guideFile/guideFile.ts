import * as z from 'zod/mini'
import {
  GuideDocument,
  guideQuizzesOf,
  mapPictures,
  readDocument,
  shownPictures,
  stepsOf,
  tooMuchIn,
  GUIDE_LIMITS,
  type GuideItem,
} from '../../guides'
import { copyOfGuide } from '../../editing'
import { GroupId, PictureId, QuizId, type NewId } from '../../shared'
import type { HandoutGuide } from '../handout'

/** What a file of a whole guide calls itself, and the version of its form. */
export const GUIDE_FILE = { format: 'jackdaw-guide', version: 1, name: 'guide.json' } as const

const named = <K extends z.ZodMiniType<string>>(id: K) =>
  z.array(z.object({ id, name: z.string().check(z.maxLength(300)) })).check(z.maxLength(2_000))
/** `guide.json` of a guide file. `pictures`: where in the file each picture of the document lies; `quizzes`, `groups`: what those are called to which
 * the document refers by their ids, for whoever takes it in elsewhere. */
const GuideFile = z.object({
  format: z.literal(GUIDE_FILE.format),
  version: z.literal(GUIDE_FILE.version),
  from: z.string().check(z.maxLength(2_000)),
  number: z.int(),
  edition: z.nullable(z.int()),
  written: z.string().check(z.maxLength(40)),
  pictures: z
    .array(z.object({ id: PictureId, file: z.string().check(z.regex(/^pictures\/[A-Za-z0-9_-]{1,40}\.(png|jpe?g|webp|gif)$/)) }))
    .check(z.maxLength(20_000)),
  quizzes: named(QuizId),
  groups: named(GroupId),
  document: z.unknown(),
})
type GuideFile = z.infer<typeof GuideFile>

/** Endings of files, by the type of a picture. */
const ENDINGS: Readonly<Record<string, string>> = { 'image/png': 'png', 'image/jpeg': 'jpg', 'image/webp': 'webp', 'image/gif': 'gif' }

/** Writes a whole guide as the text of `guide.json`, with where its pictures lie beside it.
 * @param types of the stored pictures, by their ids
 * @param written the day, ISO 8601 */
export function writeGuideFile(
  guide: HandoutGuide,
  types: Readonly<Record<string, string>>,
  written: string,
): { text: string; pictures: GuideFile['pictures'] } {
  const pictures = [...shownPictures(guide.document)].flatMap((id) => {
    const ending = ENDINGS[types[id] ?? '']
    return ending ? [{ id, file: `pictures/${id}.${ending}` }] : []
  })
  const list = <I extends string>(names: Readonly<Record<I, string>>) =>
    Object.entries<string>(names).map(([id, name]) => ({ id: id as I, name }))
  const file: GuideFile = {
    format: GUIDE_FILE.format,
    version: GUIDE_FILE.version,
    from: guide.address,
    number: guide.number,
    edition: guide.edition,
    written,
    pictures,
    quizzes: list(guide.quizzes),
    groups: list(guide.groups),
    document: guide.document,
  }
  return { text: JSON.stringify(file, null, 1), pictures }
}

/** A guide that was read from a file: its document with ids of its own, the pictures it waits for, and what it refers to that may not be here. */
export type ReadGuideFile = {
  document: GuideDocument
  pictures: { id: PictureId; file: string }[]
  quizzes: { id: QuizId; name: string }[]
  groups: { id: GroupId; name: string }[]
}

const refused = (words: string) => ({ ok: false, words: `${words} Nothing was imported.` }) as const

/** Items without what they were copied or combined from: that stands in another guide, elsewhere. */
const ownItems = (items: readonly GuideItem[]): GuideItem[] =>
  items.map((item) => {
    if (item.kind !== 'step') return item
    const { copiedFrom: _, combinedFrom: __, splitFrom: ___, ...step } = item
    return step
  })

/** Reads the text of a `guide.json`.
 * @returns a guide of its own; or why it is none, in words */
export function readGuideFile(text: string, newId: NewId): { ok: true; guide: ReadGuideFile } | { ok: false; words: string } {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    return refused('guide.json in the zip is not JSON.')
  }
  const head = GuideFile.safeParse(value)
  if (!head.success) {
    const { path, message } = head.error.issues[0]!
    return refused(`guide.json in the zip is not the file of a guide: ${path.join('.') || 'the whole'}: ${message}.`)
  }
  let stored: GuideDocument
  try {
    stored = readDocument(head.data.document)
  } catch {
    return refused('The guide in the file was written by a newer Jackdaw, or is damaged.')
  }
  const parsed = GuideDocument.safeParse(stored)
  if (!parsed.success) {
    const { path, message } = parsed.error.issues[0]!
    return refused(`The guide in the file is damaged at ${path.join('.')}: ${message}.`)
  }
  const [tooMuch] = tooMuchIn(parsed.data)
  if (tooMuch) return refused(GUIDE_LIMITS[tooMuch.limit].words)
  const ids = new Map(head.data.pictures.map(({ id }) => [id, newId<PictureId>()]))
  const pictureFor = (id: PictureId): PictureId => {
    const known = ids.get(id) ?? newId<PictureId>()
    ids.set(id, known)
    return known
  }
  const shown = { ...parsed.data, items: mapPictures(parsed.data.items, pictureFor) }
  const copied = copyOfGuide(shown, shown.title, {}, newId)
  return {
    ok: true,
    guide: {
      document: { ...copied, items: ownItems(copied.items) },
      pictures: head.data.pictures.map(({ id, file }) => ({ id: pictureFor(id), file })),
      quizzes: head.data.quizzes.filter(({ id }) => guideQuizzesOf(shown).some(({ quizId }) => quizId === id)),
      groups: head.data.groups,
    },
  }
}

/** A document without the pictures that were not there and the quizzes that are not; steps stay. */
export function withoutMissing(document: GuideDocument, pictures: ReadonlySet<string>, quizzes: ReadonlySet<string>): GuideDocument {
  const there = (id: string) => pictures.has(id)
  return {
    ...document,
    items: document.items.flatMap((item): GuideItem[] => {
      if (item.kind === 'quiz') return quizzes.has(item.quizId) ? [item] : []
      if (item.kind !== 'step') return [item]
      const shown = item.pictures.flatMap((picture) => {
        if (!picture.sheet) return there(picture.id) ? [picture] : []
        return [{ ...picture, sheet: { ...picture.sheet, pictures: picture.sheet.pictures.filter(({ id }) => there(id)) } }]
      })
      const check = item.check && { ...item.check, otherPictures: item.check.otherPictures.filter(there) }
      return [{ ...item, pictures: shown, ...(check ? { check } : {}) }]
    }),
  }
}

/** How many steps, sections and quizzes a document has. */
export const countsOf = (document: GuideDocument): { steps: number; sections: number; quizzes: number } => ({
  steps: stepsOf(document).length,
  sections: document.items.filter((item) => item.kind === 'section').length,
  quizzes: guideQuizzesOf(document).length,
})
