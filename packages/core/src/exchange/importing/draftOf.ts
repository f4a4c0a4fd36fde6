import { cutTo, type NewId } from '../../shared'
import { emptyDocument, GUIDE_LIMITS, tooMuchIn, type GuideDocument } from '../../guides'
import type { NotPlaced } from './auditWords'
import { cautionIn } from './cautionIn'
import { DraftBuilder, inlineText, MAX_TITLE, place, type DraftPicture } from './draftBuilder'
import { MAX_HTML_LEVELS, type Piece } from './htmlBlocks'

/** A draft made from a text, the pictures that it waits for, and what of the text has no place in it. */
export type ImportedDraft = { document: GuideDocument; pictures: DraftPicture[]; notPlaced: NotPlaced[] }
/** Why a text does not become a draft, with words for the person. */
export type ImportRefusal = { ok: false; reason: 'too-deep' | 'too-many-steps' | 'too-much'; words: string }
/** What a text became: the draft of a guide, or why it is none. */
export type ImportResult = { ok: true; draft: ImportedDraft } | ImportRefusal

const MAX_SUMMARY = 400

/** Index of the piece that is the title: the first heading of level 1, else a heading with which the text begins, unless the title is said elsewhere. */
function titleIndex(pieces: readonly Piece[], titled: boolean): number {
  const usable = (piece: Piece) =>
    piece.kind === 'heading' && inlineText(piece.inline) !== '' && inlineText(piece.inline).length <= MAX_TITLE
  const first = pieces.findIndex((piece) => usable(piece) && piece.kind === 'heading' && piece.level === 1)
  if (first >= 0 || titled) return first
  return pieces[0] && usable(pieces[0]) ? 0 : -1
}

/** The text that serves as the summary: a first paragraph without links, code or pictures that is no caution. */
function summaryOf(piece: Piece | undefined): string | null {
  if (piece?.kind !== 'block' || piece.block?.type !== 'paragraph' || piece.pictures.length > 0 || cautionIn(piece.block)) return null
  const content = piece.block.content ?? []
  if (
    content.some(
      (node) => node.type === 'text' && node.marks?.some((mark) => mark.type === 'link' || mark.type === 'code' || mark.type === 'keyCap'),
    )
  )
    return null
  const text = inlineText(content)
  return text !== '' && text.length <= MAX_SUMMARY ? text : null
}

/** What is said of a text that would make more steps than a guide may have. */
export const tooManySteps = (amount: number): ImportRefusal => ({
  ok: false,
  reason: 'too-many-steps',
  words: `The text would make ${amount.toLocaleString('en')} steps and headings; a guide may have ${GUIDE_LIMITS.items.most.toLocaleString('en')}. Make several texts of it. Nothing was imported.`,
})

/** A text in pieces. `title`: where no heading gives one; `titled`: the text itself says it, beside its headings; `language`: BCP 47, where it says so; `audit`: holds the draft against the text, word by word. */
export type TextInPieces = {
  pieces: Piece[] | null
  title: string
  titled?: boolean
  language?: string | undefined
  audit: (document: GuideDocument, read: readonly string[]) => NotPlaced[]
}

/** Makes a draft of a text in pieces. The first heading is the title, headings of the first two levels are sections, sub-headings and entries of ordered
 * lists are steps, and other text belongs to the step that it follows.
 * @returns the draft, every word of the text in it or in `notPlaced`; or why there is none */
export function draftOf({ pieces, title: named, titled = false, language, audit }: TextInPieces, newId: NewId): ImportResult {
  if (!pieces)
    return { ok: false, reason: 'too-deep', words: `Elements lie more than ${MAX_HTML_LEVELS} deep in one another. Nothing was imported.` }
  const at = titleIndex(pieces, titled)
  const heading = pieces[at]
  const title = heading?.kind === 'heading' ? inlineText(heading.inline) : cutTo(named, MAX_TITLE)
  const builder = new DraftBuilder(newId)
  if (heading) builder.keep(heading.pictures)
  const summary = at === 0 || (at < 0 && pieces.length > 1) ? summaryOf(pieces[at + 1]) : null
  pieces.forEach((piece, index) => {
    if (index !== at && !(summary !== null && index === at + 1)) place(piece, builder)
  })
  builder.finish()
  const entries = pieces.filter((piece) => piece.kind === 'list-entry')
  const document: GuideDocument = {
    ...emptyDocument(title, 'how-to'),
    ...(language ? { language } : {}),
    summary: summary ?? '',
    // A list of things to be ticked off is a guide of which each step is confirmed.
    confirmSteps: entries.length > 0 && entries.every((entry) => entry.task),
    items: builder.items,
  }
  if (document.items.length > GUIDE_LIMITS.items.most) return tooManySteps(document.items.length)
  const [tooMuch] = tooMuchIn(document)
  if (tooMuch) return { ok: false, reason: 'too-much', words: `${GUIDE_LIMITS[tooMuch.limit].words} Nothing was imported.` }
  return { ok: true, draft: { document, pictures: builder.pictures, notPlaced: audit(document, builder.signals) } }
}
