import { writeFile } from 'node:fs/promises'
import { darkened, SIGN_NAMES } from '@jackdaw/core/annotations'
import {
  figuresInGuide,
  headFacts,
  itemsOf,
  onwardToWords,
  onwardWords,
  quizWords,
  signSvg,
  skippedWords,
  type Figure,
  type HandoutGuide,
  type Say,
} from '@jackdaw/core/exchange'
import { stepName, stepsOf, type Caution, type CautionLevel, type SignId, type Step } from '@jackdaw/core/guides'
import {
  Bookmark,
  BorderStyle,
  Document,
  ExternalHyperlink,
  Footer,
  HeadingLevel,
  ImageRun,
  InternalHyperlink,
  Packer,
  PageNumber,
  Paragraph,
  ShadingType,
  TabStopType,
  TextRun,
  type IParagraphOptions,
  type ParagraphChild,
  type Table,
} from 'docx'
import sharp from 'sharp'
import { textsIn } from '../../words'
import { FlatPictures } from '../flatPicture'
import type { WritingJobs } from '../jobs'
import { INDENT, Lists, POINT, wordBlocks, type WordSetting } from './wordText'

type Block = Paragraph | Table
/** Widest and highest that a picture is shown, in pixels of a screen. */
const [MOST_WIDTH, MOST_HEIGHT] = [600, 620]

const PANELS: Readonly<Record<CautionLevel, { colour: string; word: string }>> = {
  danger: { colour: 'C8102E', word: 'Danger' },
  warning: { colour: 'FF8200', word: 'Warning' },
  caution: { colour: 'FFD100', word: 'Caution' },
  note: { colour: '0B5394', word: 'Note' },
}
type Writing = WordSetting & { guide: HandoutGuide; figures: ReadonlyMap<string, Figure>; flat: FlatPictures; t: Say; progress: () => void }

/** A place in the file that links lead to: at most 40 letters, beginning with one. */
const placeOf = (id: string): string => `_${id.replace(/[^A-Za-z0-9]/g, '_')}`

const cautionWord = ({ level, words }: Caution, t: Say): Paragraph => {
  const { colour, word } = PANELS[level]
  const side = { style: BorderStyle.SINGLE, size: 24, color: colour, space: 6 }
  const thin = { style: BorderStyle.SINGLE, size: 6, color: colour, space: 4 }
  const lines = words.split('\n').map((line, n) => new TextRun({ text: line, ...(n > 0 ? { break: 1 } : {}) }))
  return new Paragraph({
    indent: { left: INDENT },
    spacing: { before: 4 * POINT, after: 6 * POINT },
    keepNext: true,
    border: { left: side, top: thin, right: thin, bottom: thin },
    children: [new TextRun({ text: `${t(word)}: `, bold: true }), ...lines],
  })
}

async function signsWord(ids: readonly SignId[], t: Say): Promise<Paragraph[]> {
  if (ids.length === 0) return []
  const children: ParagraphChild[] = []
  for (const id of ids) {
    const data = await sharp(Buffer.from(signSvg(id, 128)))
      .png()
      .toBuffer()
    const name = t(SIGN_NAMES[id])
    children.push(
      new ImageRun({ type: 'png', data, transformation: { width: 40, height: 40 }, altText: { name, title: name, description: name } }),
      new TextRun({ text: ` ${name}    ` }),
    )
  }
  return [new Paragraph({ indent: { left: INDENT }, spacing: { after: 6 * POINT }, keepNext: true, children })]
}

async function figureWord(figure: Figure, { flat }: Writing): Promise<Paragraph[]> {
  const { bytes, widthPx, heightPx } = await flat.of(figure)
  const scale = Math.min(1, MOST_WIDTH / widthPx, MOST_HEIGHT / heightPx)
  const picture = new ImageRun({
    type: 'png',
    data: bytes,
    transformation: { width: Math.round(widthPx * scale), height: Math.round(heightPx * scale) },
    altText: { name: figure.alt.slice(0, 200), title: '', description: figure.alt },
  })
  const listed = figure.drawing.listed.map(
    ({ mark, words }) =>
      new Paragraph({ indent: { left: INDENT }, children: [new TextRun({ text: `${mark}  `, bold: true }), new TextRun({ text: words })] }),
  )
  return [new Paragraph({ indent: { left: INDENT }, spacing: { before: 4 * POINT, after: 6 * POINT }, children: [picture] }), ...listed]
}

function waysWord(step: Step, { guide, t }: Writing): Paragraph[] {
  const onward = onwardWords(step, guide, t)
  const skipped = skippedWords(step, guide, t)
  const line = (children: ParagraphChild[]) => new Paragraph({ indent: { left: INDENT }, children })
  return [
    ...(skipped === '' ? [] : [line([new TextRun({ text: skipped })])]),
    ...(onward ? [line([new TextRun({ text: onward.ask, bold: true })])] : []),
    ...(onward?.ways ?? []).map(({ words, to }) => {
      const where = new TextRun({ text: onwardToWords(to, t), ...(typeof to === 'object' ? { style: 'Hyperlink' } : {}) })
      return line([
        new TextRun({ text: `→ ${words}: ` }),
        typeof to === 'object' ? new InternalHyperlink({ anchor: placeOf(to.stepId), children: [where] }) : where,
      ])
    }),
  ]
}

async function stepWord(step: Step, numbers: string, writing: Writing): Promise<Block[]> {
  const { figures, t } = writing
  const first: IParagraphOptions = {
    numbering: { reference: numbers, level: 0 },
    spacing: { before: 8 * POINT, after: 6 * POINT },
    keepNext: step.pictures.length > 0,
  }
  const body = step.body.content.some((block) => block.type !== 'paragraph' || (block.content ?? []).length > 0)
    ? wordBlocks(step.body.content, writing, { depth: 1 }, first)
    : [new Paragraph(first)]
  const shown: Block[] = []
  for (const [index] of step.pictures.entries()) {
    const figure = figures.get(`${step.id} ${index}`)
    if (figure) shown.push(...(await figureWord(figure, writing)))
    writing.progress()
  }
  const place = new Paragraph({
    spacing: { before: 0, after: 0, line: 20 },
    children: [new Bookmark({ id: placeOf(step.id), children: [] })],
  })
  const cautions = (step.cautions ?? []).filter((caution) => caution.words.trim() !== '').map((caution) => cautionWord(caution, t))
  return [place, ...cautions, ...(await signsWord(step.signs ?? [], t)), ...body, ...shown, ...waysWord(step, writing)]
}

async function headWord({ guide, t, home }: Writing, made: string, several: boolean): Promise<Block[]> {
  const { document, look } = guide
  const title = new Bookmark({ id: placeOf(guide.guideId), children: [new TextRun({ text: document.title })] })
  const address = new ExternalHyperlink({ link: guide.address, children: [new TextRun({ text: guide.address, style: 'Hyperlink' })] })
  return [
    ...(look.name && !several
      ? [new Paragraph({ children: [new TextRun({ text: look.name, bold: true, color: darkened(look.colour, 4.5).slice(1) })] })]
      : []),
    new Paragraph({ heading: several ? HeadingLevel.HEADING_1 : HeadingLevel.TITLE, pageBreakBefore: several, children: [title] }),
    ...(document.summary.trim() === ''
      ? []
      : [new Paragraph({ spacing: { after: 8 * POINT }, children: [new TextRun({ text: document.summary, color: '4A5662' })] })]),
    ...headFacts(guide, t).map(
      ([name, value]) =>
        new Paragraph({
          tabStops: [{ type: TabStopType.LEFT, position: 100 * POINT }],
          children: [new TextRun({ text: `${name}\t`, color: '4A5662' }), new TextRun({ text: value, bold: true })],
        }),
    ),
    ...(await signsWord(document.signs, t)),
    new Paragraph({
      spacing: { before: 8 * POINT, after: 8 * POINT },
      children: [
        new TextRun({ text: `${t('Written {{day}}. See whether this edition still holds:', { day: made })} ` }),
        ...(home ? [address] : []),
      ],
    }),
  ]
}

/** The contents: each line leads to its place. */
function contentsWord({ guide, t }: Pick<Writing, 'guide' | 't'>): Block[] {
  const lines = itemsOf(guide).flatMap((item) => {
    if (item.kind === 'quiz') return []
    const words = item.kind === 'section' ? item.title : `${item.n}  ${stepName(item)}`
    const link = new InternalHyperlink({
      anchor: placeOf(item.id),
      children: [new TextRun({ text: words, bold: item.kind === 'section' })],
    })
    return [new Paragraph({ indent: { left: item.kind === 'section' ? 0 : INDENT }, children: [link] })]
  })
  return [
    new Paragraph({ spacing: { before: 10 * POINT }, children: [new TextRun({ text: t('Contents'), bold: true, size: 26 })] }),
    ...lines,
  ]
}

async function guideWord(writing: Writing, made: string, several: boolean): Promise<Block[]> {
  const { guide, lists, t } = writing
  const blocks: Block[] = [...(await headWord(writing, made, several)), ...contentsWord(writing)]
  const items = itemsOf(guide)
  const first = items.find((item) => item.kind === 'step')
  const numbers = lists.numbered(first?.n ?? 1)
  for (const item of items) {
    if (item.kind === 'section')
      blocks.push(
        new Paragraph({
          heading: several ? HeadingLevel.HEADING_2 : HeadingLevel.HEADING_1,
          children: [new Bookmark({ id: placeOf(item.id), children: [new TextRun({ text: item.title || t('Section without a title') })] })],
        }),
      )
    else if (item.kind === 'step') blocks.push(...(await stepWord(item, numbers, writing)))
    else
      blocks.push(
        new Paragraph({
          spacing: { before: 6 * POINT, after: 6 * POINT },
          shading: { type: ShadingType.CLEAR, fill: 'EEF1F3' },
          children: [
            new ExternalHyperlink({ link: guide.address, children: [new TextRun({ text: quizWords(item, guide, t), bold: true })] }),
          ],
        }),
      )
  }
  const closing = guide.section === null ? (guide.document.closing ?? '').trim() : ''
  return closing === ''
    ? blocks
    : [...blocks, new Paragraph({ spacing: { before: 16 * POINT }, children: [new TextRun({ text: closing })] })]
}

const footWord = (guide: HandoutGuide | undefined, title: string, t: Say): Footer => {
  const edition = guide
    ? guide.edition === null
      ? t('Draft, not published')
      : t('Edition {{edition}}, {{day}}', { edition: guide.edition, day: guide.published })
    : ''
  return new Footer({
    children: [
      new Paragraph({
        tabStops: [{ type: TabStopType.RIGHT, position: 9_600 }],
        children: [
          new TextRun({ text: [guide ? `${guide.number} ${title}` : title, edition].filter(Boolean).join(' · '), size: 17 }),
          new TextRun({ children: ['\t', PageNumber.CURRENT, ' / ', PageNumber.TOTAL_PAGES], size: 17 }),
        ],
      }),
    ],
  })
}

/** Writes guides as a Word file: steps are a numbered list, so that it can be gone on with there. */
export async function writeWord(
  { handout, pictures, language, file }: WritingJobs['word']['asked'],
  progress: (done: number, of: number) => void,
): Promise<WritingJobs['word']['done']> {
  const t = textsIn(language)
  const figures = handout.guides.map((guide) => figuresInGuide(guide, t))
  const flat = new FlatPictures(
    pictures,
    figures.flatMap((each) => [...each.values()]),
  )
  const lists = new Lists()
  const several = handout.guides.length > 1
  const all = handout.guides.reduce((sum, guide) => sum + stepsOf(guide.document).reduce((n, step) => n + step.pictures.length, 0), 1)
  let done = 0
  const children: Block[] = several
    ? [new Paragraph({ heading: HeadingLevel.TITLE, children: [new TextRun({ text: handout.title })] })]
    : []
  for (const [n, guide] of handout.guides.entries()) {
    const face = guide.look.type === 'serif' ? 'Georgia' : 'Calibri'
    children.push(
      ...(await guideWord(
        { guide, figures: figures[n]!, flat, lists, home: handout.home, face, t, progress: () => progress(++done, all) },
        handout.made,
        several,
      )),
    )
  }
  const only = several ? undefined : handout.guides[0]
  const word = new Document({
    title: handout.title,
    creator: 'Jackdaw',
    styles: {
      default: { document: { run: { font: 'Calibri', size: 22, language: { value: only?.document.language ?? handout.language } } } },
    },
    numbering: { config: lists.config },
    sections: [{ footers: { default: footWord(only, handout.title, t) }, children }],
  })
  await writeFile(file, await Packer.toBuffer(word))
  return { pages: null, missing: [] }
}
