import {
  AlignmentType,
  Document,
  Header,
  HeadingLevel,
  ImageRun,
  LevelFormat,
  Packer,
  Paragraph,
  Table,
  TableCell,
  TableRow,
  TextRun,
} from 'docx'
import { strToU8, zipSync } from 'fflate'
import PDFDocument from 'pdfkit'
import sharp from 'sharp'

/** A small picture. */
export const aPng = (): Promise<Buffer> =>
  sharp({ create: { width: 60, height: 48, channels: 3, background: '#7A4E00' } })
    .png()
    .toBuffer()

/** A Word file as people write them. */
export async function aWordFile(): Promise<Uint8Array> {
  const entry = (words: string) => new Paragraph({ numbering: { reference: 'steps', level: 0 }, children: [new TextRun(words)] })
  const inner = (words: string) => new Paragraph({ numbering: { reference: 'steps', level: 1 }, children: [new TextRun(words)] })
  const cell = (words: string) => new TableCell({ children: [new Paragraph(words)] })
  const picture = new ImageRun({
    type: 'png',
    data: await aPng(),
    transformation: { width: 60, height: 48 },
    altText: { name: 'v', title: '', description: 'The red valve' },
  })
  const level = (at: number) => ({ level: at, format: LevelFormat.DECIMAL, text: `%${at + 1}.`, alignment: AlignmentType.START })
  const word = new Document({
    numbering: { config: [{ reference: 'steps', levels: [level(0), level(1)] }] },
    sections: [
      {
        headers: { default: new Header({ children: [new Paragraph('Confidential: Larkmoor')] }) },
        children: [
          new Paragraph({ heading: HeadingLevel.TITLE, children: [new TextRun('Change the filter')] }),
          new Paragraph('Every four weeks.'),
          new Paragraph({ heading: HeadingLevel.HEADING_1, children: [new TextRun('Prepare')] }),
          entry('Close the valve'),
          new Paragraph({ children: [picture] }),
          entry('Lay out the tools'),
          inner('spanner'),
          inner('bucket'),
          new Paragraph({ heading: HeadingLevel.HEADING_1, children: [new TextRun('Change')] }),
          new Paragraph('Warning: the water is hot.'),
          new Table({ rows: [new TableRow({ children: [cell('Size'), cell('20 l')] })] }),
        ],
      },
    ],
  })
  return new Uint8Array(await Packer.toBuffer(word))
}

/** A PDF of two pages with words and a picture. */
export async function aPdf(): Promise<Uint8Array> {
  const pdf = new PDFDocument({ size: 'A4', info: { Title: 'Rinse the trays', CreationDate: new Date(0) } })
  const parts: Buffer[] = []
  const whole = new Promise<Buffer>((resolve) =>
    pdf.on('data', (part: Buffer) => parts.push(part)).on('end', () => resolve(Buffer.concat(parts))),
  )
  pdf.fontSize(22).text('Rinse the trays').fontSize(11).moveDown()
  pdf.text('1. Fill the sink with warm water.').image(await aPng(), { width: 120 })
  pdf.addPage().text('2. Stack the trays to dry.').end()
  return new Uint8Array(await whole)
}

/** A page with a list in it and what else pages hold. */
export const aPage = (): Uint8Array =>
  strToU8(
    '<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Stack boxes</title></head><body><h1>Stack boxes</h1><p>Five high.</p><ol><li>Fold <img src="a.png" alt="A box"></li><li>Stack<ul><li>long side first</li></ul></li></ol><table><tr><th>Size<td>40 cm</table></body></html>',
  )

/** A zip of a Markdown text with a picture. */
export const aZip = async (): Promise<Uint8Array> =>
  zipSync({
    'sow/sow.md': strToU8('# Sow basil\n\n1. Fill the tray ![Tray](a.png)\n2. Water it\n'),
    'sow/a.png': new Uint8Array(await aPng()),
  })
