import { isSafeLink, type Block, type Inline, type Mark } from '@jackdaw/core/guides'
import {
  AlignmentType,
  BorderStyle,
  ExternalHyperlink,
  LevelFormat,
  Paragraph,
  ShadingType,
  Table,
  TableCell,
  TableRow,
  TextRun,
  WidthType,
  type ILevelsOptions,
  type IParagraphOptions,
  type ParagraphChild,
} from 'docx'

/** Twentieths of a point, the unit of lengths in such a file. */
export const POINT = 20
/** How far in what belongs to a step stands, and each list in another. */
export const INDENT = 24 * POINT

type Numbering = { reference: string; levels: ILevelsOptions[] }
const MOST_LEVELS = 9

/** Numbers and bullets of a file: each numbered list counts for itself. */
export class Lists {
  readonly config: Numbering[] = [
    {
      reference: 'bullets',
      levels: Array.from({ length: MOST_LEVELS }, (_, level) => this.level(level, LevelFormat.BULLET, ['•', '–', '·'][level % 3]!)),
    },
  ]

  /** A numbered list. @returns by what its entries refer to it */
  numbered(start: number): string {
    const reference = `numbers-${this.config.length}`
    const levels = Array.from({ length: MOST_LEVELS }, (_, level) => ({
      ...this.level(level, LevelFormat.DECIMAL, `%${level + 1}.`),
      start,
    }))
    this.config.push({ reference, levels })
    return reference
  }
  private level(level: number, format: ILevelsOptions['format'], text: string): ILevelsOptions {
    const indent = { left: INDENT * (level + 1), hanging: INDENT * 0.75 }
    return { level, format, text, alignment: AlignmentType.START, style: { paragraph: { indent } } }
  }
}

/** What setting words needs. `home`: where the application is found; `faces`: the fonts of words and of code. */
export type WordSetting = { lists: Lists; home: string; face: string }
/** Where blocks stand: how deep in lists, and whether they are strong. */
type Place = { depth: number; strong?: boolean }

function run(node: Extract<Inline, { type: 'text' }>, strong: boolean): TextRun {
  const has = (type: Mark['type']) => node.marks?.some((mark) => mark.type === type) ?? false
  return new TextRun({
    text: node.text,
    bold: strong || has('bold'),
    italics: has('italic'),
    ...(has('code') ? { font: 'Consolas', shading: { type: ShadingType.CLEAR, fill: 'F2F4F5' } } : {}),
    ...(has('keyCap') ? { border: { style: BorderStyle.SINGLE, size: 4, color: '7A8794' } } : {}),
    ...(has('link') ? { style: 'Hyperlink' } : {}),
  })
}

/** Runs of words. */
const wordRuns = (nodes: readonly Inline[] | undefined, home: string, strong = false): ParagraphChild[] =>
  (nodes ?? []).map((node): ParagraphChild => {
    if (node.type === 'hardBreak') return new TextRun({ break: 1 })
    const link = node.marks?.find((mark) => mark.type === 'link')
    if (!link || !isSafeLink(link.attrs.href)) return run(node, strong)
    return new ExternalHyperlink({
      link: link.attrs.href.startsWith('/') ? home + link.attrs.href : link.attrs.href,
      children: [run(node, strong)],
    })
  })

/** Blocks of rich text. The first paragraph may have more options, as the number of a step.
 * @returns what stands one under another */
export function wordBlocks(
  blocks: readonly Block[],
  setting: WordSetting,
  { depth, strong = false }: Place,
  first: IParagraphOptions = {},
): (Paragraph | Table)[] {
  return blocks.flatMap((block, n): (Paragraph | Table)[] => {
    const options: IParagraphOptions = n === 0 ? first : {}
    const indent = 'numbering' in options ? {} : { indent: { left: INDENT * depth } }
    switch (block.type) {
      case 'paragraph':
        return [
          new Paragraph({ ...indent, ...options, spacing: { after: 6 * POINT }, children: wordRuns(block.content, setting.home, strong) }),
        ]
      case 'codeBlock': {
        const lines = (block.content ?? [])
          .map((node) => node.text)
          .join('')
          .split('\n')
        const children = lines.map((line, i) => new TextRun({ text: line, font: 'Consolas', size: 18, ...(i > 0 ? { break: 1 } : {}) }))
        return [
          new Paragraph({
            ...indent,
            ...options,
            spacing: { after: 6 * POINT },
            shading: { type: ShadingType.CLEAR, fill: 'F2F4F5' },
            children,
          }),
        ]
      }
      case 'bulletList':
      case 'orderedList': {
        const reference = block.type === 'bulletList' ? 'bullets' : setting.lists.numbered(block.attrs?.start ?? 1)
        const level = Math.min(depth, MOST_LEVELS - 1)
        const entries = block.content.flatMap((item) =>
          wordBlocks(item.content, setting, { depth: depth + 1, strong }, { numbering: { reference, level } }),
        )
        return 'numbering' in options ? [new Paragraph(options), ...entries] : entries
      }
      case 'table':
        return [
          ...('numbering' in options ? [new Paragraph(options)] : []),
          wordTable(block, setting, depth),
          new Paragraph({ spacing: { after: 4 * POINT } }),
        ]
    }
  })
}

function wordTable(table: Extract<Block, { type: 'table' }>, setting: WordSetting, depth: number): Table {
  return new Table({
    width: { size: 100, type: WidthType.PERCENTAGE },
    indent: { size: INDENT * Math.min(depth, 1), type: WidthType.DXA },
    rows: table.content.map(
      (row, n) =>
        new TableRow({
          // Said of other rows, even by "off", there are readers that take them for a head too.
          ...(n === 0 && row.content.every((cell) => cell.type === 'tableHeader') ? { tableHeader: true } : {}),
          cantSplit: true,
          children: row.content.map(
            (cell) =>
              new TableCell({
                ...(cell.attrs?.colspan ? { columnSpan: cell.attrs.colspan } : {}),
                ...(cell.attrs?.rowspan ? { rowSpan: cell.attrs.rowspan } : {}),
                ...(cell.type === 'tableHeader' ? { shading: { type: ShadingType.CLEAR, fill: 'EEF1F3' } } : {}),
                margins: { top: 60, bottom: 60, left: 100, right: 100 },
                children: [
                  ...wordBlocks(cell.content, setting, { depth: 0, strong: cell.type === 'tableHeader' }),
                  ...(cell.content.at(-1)?.type === 'table' ? [new Paragraph({})] : []),
                ],
              }),
          ),
        }),
    ),
  })
}
