import type { NewId, PictureId, SectionId, StepId } from '../../shared'
import { GUIDE_LIMITS, withBlockIds, type Block, type GuideItem, type Inline, type Step } from '../../guides'
import { cautionIn, isAside, type SpokenCaution } from './cautionIn'
import type { Piece, PictureRef } from './htmlBlocks'

/** A picture of the draft and the path under which its file is looked for. */
export type DraftPicture = { id: PictureId; path: string; alt: string }

/** Longest title of a guide, and of a section. */
export const MAX_TITLE = 300
const MAX_BLOCKS_A_STEP = 40
const MAX_PICTURES_A_STEP = GUIDE_LIMITS.pictures.most

/** Runs of words as one line. */
export const inlineText = (content: readonly Inline[]): string =>
  content
    .map((node) => (node.type === 'text' ? node.text : ' '))
    .join('')
    .replace(/\s+/g, ' ')
    .trim()

const LOOK_AT_CAUTION = 'A caution was made from the text: see whether its level is right.'
const MOST_WHY = 300
/** Marks a step as something that its author should look at. */
export function flag(step: Step, why: string): void {
  if (step.notReadyWhy?.includes(why)) return
  step.notReady = true
  step.notReadyWhy = [step.notReadyWhy, why].filter(Boolean).join(' ').slice(0, MOST_WHY)
}

/** Builds the list of steps and sections from the pieces. */
export class DraftBuilder {
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

/** Puts a piece of a text into the draft. */
export function place(piece: Piece, builder: DraftBuilder): void {
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
