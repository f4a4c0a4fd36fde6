import { byId, type NewId, type PictureId, type SectionId, type StepId } from '../../shared'
import MarkdownIt from 'markdown-it'
import {
  emptyDocument,
  GUIDE_LIMITS,
  plainText,
  tooMuchIn,
  type Block,
  type GuideDocument,
  type GuideItem,
  type Inline,
  type Step,
  withBlockIds,
} from '../../guides'
import { auditWords, type NotPlaced } from './auditWords'
import { cautionIn, isAside, type SpokenCaution } from './cautionIn'
import { htmlPieces, MAX_HTML_LEVELS, type Piece, type PictureRef } from './htmlBlocks'

/** A picture of the draft and the path under which its file is looked for. */
export type DraftPicture = { id: PictureId; path: string; alt: string }
/** A draft made from a Markdown text, the pictures that it waits for, and what of the text has no place in it. */
export type ImportedDraft = { document: GuideDocument; pictures: DraftPicture[]; notPlaced: NotPlaced[] }
/** Why a text does not become a draft, with words for the person. */
export type ImportRefusal = { ok: false; reason: 'too-deep' | 'too-many-steps' | 'too-much'; words: string }
/** What a text became: the draft of a guide, or why it is none. */
export type ImportResult = { ok: true; draft: ImportedDraft } | ImportRefusal

const MAX_TITLE = 300
const MAX_SUMMARY = 400
const MAX_BLOCKS_A_STEP = 40
const MAX_PICTURES_A_STEP = GUIDE_LIMITS.pictures.most
/** So many numbered lines mean more steps than there may be; they are counted before anything is made of them. */
const MANY_NUMBERED_LINES = GUIDE_LIMITS.items.most * 4

function markdownReader() {
  const reader = new MarkdownIt({ html: true, linkify: false, typographer: false })
  reader.validateLink = () => true
  reader.normalizeLink = (url) => url
  reader.normalizeLinkText = (text) => text
  return reader
}

const FRONT_MATTER = /^---[ \t]*\r?\n([\s\S]*?)\r?\n---[ \t]*(?:\r?\n|$)/
const inlineText = (content: readonly Inline[]): string =>
  content
    .map((node) => (node.type === 'text' ? node.text : ' '))
    .join('')
    .replace(/\s+/g, ' ')
    .trim()
const titleFromFileName = (fileName: string): string =>
  fileName
    .replace(/^.*[\\/]/, '')
    .replace(/\.[^.]*$/, '')
    .replace(/[-_]+/g, ' ')
    .trim()

const LOOK_AT_CAUTION = 'A caution was made from the text: see whether its level is right.'
const MOST_WHY = 300
/** Marks a step as something that its author should look at. */
function flag(step: Step, why: string): void {
  if (step.notReadyWhy?.includes(why)) return
  step.notReady = true
  step.notReadyWhy = [step.notReadyWhy, why].filter(Boolean).join(' ').slice(0, MOST_WHY)
}

/** Builds the list of steps and sections from the pieces. */
class DraftBuilder {
  readonly items: GuideItem[] = []
  readonly pictures: DraftPicture[] = []
  private open: Step | null = null
  private waiting: PictureRef[] = []
  private warned: SpokenCaution[] = []
  /** Signal words that became the level of a caution. */
  readonly signals: string[] = []

  constructor(private readonly newId: NewId) {}

  section(title: string): void {
    this.items.push({ kind: 'section', id: this.newId<SectionId>(), title })
    this.open = null
  }
  step(blocks: Block[], pictures: PictureRef[], stayOpen: boolean): void {
    const step: Step = { kind: 'step', id: this.newId<StepId>(), body: { type: 'doc', content: blocks }, pictures: [] }
    this.items.push(step)
    this.show(step, [...this.waiting, ...pictures])
    this.waiting = []
    for (const caution of this.warned.splice(0)) this.warn(step, caution)
    this.open = stayOpen ? step : null
  }
  add(block: Block | null, pictures: PictureRef[]): void {
    const full =
      this.open !== null &&
      (this.open.body.content.length >= MAX_BLOCKS_A_STEP || this.open.pictures.length + pictures.length > MAX_PICTURES_A_STEP)
    if (this.open === null || full) this.step(block ? [block] : [], pictures, true)
    else {
      if (block) this.open.body.content.push(block)
      this.show(this.open, pictures)
    }
  }
  /** A caution belongs to the step that it follows; one at the beginning of a part, to the step behind it. */
  caution(caution: SpokenCaution): void {
    const last = this.open ?? this.items.at(-1)
    if (last?.kind === 'step') this.warn(last, caution)
    else this.warned.push(caution)
  }
  /** A caution that is written as an entry of its own warns of the next one. */
  cautionAhead(caution: SpokenCaution): void {
    this.warned.push(caution)
  }
  /** A picture that stands by itself belongs to the step that it follows. */
  picturesBehind(pictures: PictureRef[]): void {
    const last = this.open ?? this.items.at(-1)
    if (last?.kind === 'step' && last.pictures.length + pictures.length <= MAX_PICTURES_A_STEP) this.show(last, pictures)
    else this.add(null, pictures)
  }
  private warn(step: Step, { level, words, signal }: SpokenCaution): void {
    const cautions = step.cautions ?? []
    if (cautions.length >= GUIDE_LIMITS.cautions.most) {
      step.body.content.push({ type: 'paragraph', content: [{ type: 'text', text: `${signal}: ${words}` }] })
      return
    }
    this.signals.push(signal)
    step.cautions = [...cautions, { id: this.newId(), level, words, acknowledge: level === 'danger' }]
    flag(step, LOOK_AT_CAUTION)
  }
  /** Keeps pictures for the next step, as those that stand in a heading. */
  keep(pictures: PictureRef[]): void {
    this.waiting.push(...pictures)
  }
  finish(): void {
    if (this.waiting.length > 0) this.add(null, this.waiting.splice(0))
    if (this.warned.length > 0) this.step([], [], false)
    for (const item of this.items)
      if (item.kind === 'step')
        item.body = withBlockIds(item.body.content.length > 0 ? item.body : { type: 'doc', content: [{ type: 'paragraph' }] }, this.newId)
  }
  /** Shows pictures in a step; those for which it has no room come into steps of their own behind it. */
  private show(first: Step, pictures: PictureRef[]): void {
    let step = first
    for (const { path, alt } of pictures) {
      if (step.pictures.length >= MAX_PICTURES_A_STEP) {
        step = { kind: 'step', id: this.newId<StepId>(), body: { type: 'doc', content: [] }, pictures: [] }
        this.items.push(step)
      }
      const id = this.newId<PictureId>()
      step.pictures.push({ id, alt })
      this.pictures.push({ id, path, alt })
    }
  }
}

/** Index of the piece that is the title: the first heading of level 1, else a heading with which the text begins. */
function titleIndex(pieces: readonly Piece[]): number {
  const usable = (piece: Piece) =>
    piece.kind === 'heading' && inlineText(piece.inline) !== '' && inlineText(piece.inline).length <= MAX_TITLE
  const first = pieces.findIndex((piece) => usable(piece) && piece.kind === 'heading' && piece.level === 1)
  if (first >= 0) return first
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

/** An entry of a list is a step; cautions in it are cautions of the step, and an entry that is nothing else warns of the next one. */
function placeEntry(entry: Extract<Piece, { kind: 'list-entry' }>, builder: DraftBuilder): void {
  const { pictures } = entry
  const blocks = entry.blocks.filter((block) => !isAside(block))
  const cautions = blocks.map(cautionIn)
  if (blocks.length === 1 && cautions[0] && pictures.length === 0) return builder.cautionAhead(cautions[0])
  // The first words of an entry are the instruction, unless they are written as a caution.
  const isCaution = (n: number) => cautions[n] !== null && (n > 0 || cautions[n]!.marked)
  const spoken = cautions.flatMap((each, n) => (each && isCaution(n) ? [each] : []))
  builder.step(
    blocks.filter((_, n) => !isCaution(n)),
    pictures,
    false,
  )
  for (const each of spoken) builder.caution(each)
}

function place(piece: Piece, builder: DraftBuilder): void {
  if (piece.kind === 'list-entry') return placeEntry(piece, builder)
  if (piece.kind === 'block') {
    if (isAside(piece.block)) return
    const caution = piece.pictures.length === 0 ? cautionIn(piece.block) : null
    if (caution) return builder.caution(caution)
    return piece.block === null ? builder.picturesBehind(piece.pictures) : builder.add(piece.block, piece.pictures)
  }
  const title = inlineText(piece.inline)
  if (title === '') return builder.keep(piece.pictures)
  if (piece.level > 2 || title.length > MAX_TITLE) return builder.step([{ type: 'paragraph', content: piece.inline }], piece.pictures, true)
  builder.section(title)
  builder.keep(piece.pictures)
}

const tooManySteps = (amount: number): ImportRefusal => ({
  ok: false,
  reason: 'too-many-steps',
  words: `The text would make ${amount.toLocaleString('en')} steps and headings; a guide may have ${GUIDE_LIMITS.items.most.toLocaleString('en')}. Make several texts of it. Nothing was imported.`,
})

/** Makes a draft from Markdown (CommonMark with tables and HTML inside). The first heading is the title, headings of the first two
 * levels are sections, sub-headings and entries of ordered lists are steps, and other text belongs to the step that it follows.
 * @param fileName gives the title when the text has none
 * @returns the draft, every word of the source in it or in `notPlaced`; or why there is none */
export function importMarkdown(source: string, fileName: string, newId: NewId): ImportResult {
  const numbered = source.match(/^\d{1,9}[.)][ \t]/gm)?.length ?? 0
  if (numbered > MANY_NUMBERED_LINES) return tooManySteps(numbered)
  const text = source.replace(/^\uFEFF/, '').replaceAll('\0', '\uFFFD')
  const frontMatter = FRONT_MATTER.exec(text)
  const named = /^title:[ \t]*["']?(.+?)["']?[ \t]*$/m.exec(frontMatter?.[1] ?? '')?.[1]
  const pieces = htmlPieces(markdownReader().render(frontMatter ? text.slice(frontMatter[0].length) : text))
  if (!pieces)
    return { ok: false, reason: 'too-deep', words: `Elements lie more than ${MAX_HTML_LEVELS} deep in one another. Nothing was imported.` }
  const at = titleIndex(pieces)
  const heading = pieces[at]
  const title = heading?.kind === 'heading' ? inlineText(heading.inline) : (named ?? titleFromFileName(fileName)).slice(0, MAX_TITLE)
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
    summary: summary ?? '',
    // A list of things to be ticked off is a guide of which each step is confirmed.
    confirmSteps: entries.length > 0 && entries.every((entry) => entry.task),
    items: builder.items,
  }
  if (document.items.length > GUIDE_LIMITS.items.most) return tooManySteps(document.items.length)
  const [tooMuch] = tooMuchIn(document)
  if (tooMuch) return { ok: false, reason: 'too-much', words: `${GUIDE_LIMITS[tooMuch.limit].words} Nothing was imported.` }
  return { ok: true, draft: { document, pictures: builder.pictures, notPlaced: auditWords(text, document, builder.signals) } }
}

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
