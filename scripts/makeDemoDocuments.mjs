// Writes the Word files of the demo company that are worth importing: one as a tidy person writes it, with styles, lists, tables and pictures, and one as most
// people do, with numbers typed by hand and headings that are only bold. Run it when their words change: node scripts/makeDemoDocuments.mjs
import { mkdirSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import {
  AlignmentType,
  Document,
  Footer,
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
  WidthType,
} from 'docx'
import sharp from 'sharp'

const FOLDER = join(dirname(dirname(fileURLToPath(import.meta.url))), 'demo', 'documents')

/** A line drawing, as a picture of a Word file. */
async function drawing(svg, alt) {
  const data = await sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="720" height="420" viewBox="0 0 720 420"><rect width="720" height="420" fill="#fff"/>${svg}</svg>`,
    ),
  )
    .png({ palette: true })
    .toBuffer()
  return new Paragraph({
    children: [
      new ImageRun({
        type: 'png',
        data,
        transformation: { width: 360, height: 210 },
        altText: { name: 'drawing', title: '', description: alt },
      }),
    ],
  })
}
const line = 'fill="none" stroke="#17212b" stroke-width="5"'
const words = (text, more = {}) => new Paragraph({ ...more, children: [new TextRun(text)] })
const heading = (text, level) => words(text, { heading: level })
const step = (text, level = 0, reference = 'steps') => words(text, { numbering: { reference, level } })
const cell = (text, bold = false) => new TableCell({ children: [new Paragraph({ children: [new TextRun({ text, bold })] })] })
const table = (rows) =>
  new Table({
    width: { size: 100, type: WidthType.PERCENTAGE },
    rows: rows.map((row, n) => new TableRow({ tableHeader: n === 0, children: row.map((each) => cell(each, n === 0)) })),
  })
const level = (at, format, text) => ({
  level: at,
  format,
  text,
  alignment: AlignmentType.START,
  style: { paragraph: { indent: { left: 720 * (at + 1), hanging: 360 } } },
})
const numbering = {
  config: [{ reference: 'steps', levels: [level(0, LevelFormat.DECIMAL, '%1.'), level(1, LevelFormat.LOWER_LETTER, '%2)')] }],
}

const vent = await drawing(
  `<path d="M60 360 L360 120 L660 360" ${line}/><path d="M60 360 H660" ${line}/><path d="M360 120 L560 90" ${line}/><circle cx="360" cy="120" r="12" fill="#17212b"/><path d="M470 250 V330" ${line}/><rect x="440" y="330" width="60" height="30" ${line}/>`,
  'The roof from the side: the vent stands open over the ridge, the crank hangs under it',
)
const crank = await drawing(
  `<path d="M360 40 V230" ${line}/><path d="M360 230 H500 V330" ${line}/><rect x="484" y="330" width="34" height="60" ${line}/><path d="M250 150 a110 110 0 0 1 180 -70" ${line}/><path d="M430 80 l-6 -34 M430 80 l-34 2" ${line}/>`,
  'The crank: turned to the right the vent opens',
)

const tidy = new Document({
  creator: 'Larkmoor Glasshouses',
  title: 'Open the roof vents by hand',
  numbering,
  sections: [
    {
      headers: { default: new Header({ children: [words('Larkmoor Glasshouses · Brookside')] }) },
      footers: { default: new Footer({ children: [words('Printed copies are not looked after')] }) },
      children: [
        heading('Open the roof vents by hand', HeadingLevel.TITLE),
        words('When the motor fails on a hot day the crop has half an hour. This is how two people open a bay by hand.'),
        heading('Before you begin', HeadingLevel.HEADING_1),
        step('Tell the shift leader which bay you open.'),
        step('Lock the motor out at the cabinet.'),
        step('key in your pocket', 1),
        step('tag with your name on the switch', 1),
        words('Warning: a motor that starts while you crank breaks your wrist.'),
        heading('Open', HeadingLevel.HEADING_1),
        step('Hang the crank into the eye under the ridge.'),
        vent,
        step('Turn it to the right until the mark on the rod shows.'),
        crank,
        step('Do the other side of the bay in the same way.'),
        table([
          ['Wind', 'How far'],
          ['up to 5', 'to the second mark'],
          ['6 and more', 'to the first mark, lee side only'],
        ]),
        heading('Afterwards', HeadingLevel.HEADING_1),
        step('Close the vents before you take the lock off.'),
        step('Write bay, hour and names into the book at the cabinet.'),
        words('Note: the mender is called by the shift leader, not by you.'),
      ],
    },
  ],
})

const bold = (text) => new Paragraph({ children: [new TextRun({ text, bold: true, size: 28 })] })
const byHand = new Document({
  creator: 'Larkmoor Glasshouses',
  title: '',
  sections: [
    {
      children: [
        bold('TAKING IN PACKAGING AT THE QUAY DEPOT'),
        words('last changed by the depot, spring'),
        words(''),
        bold('When the lorry comes'),
        words('1. Ask the driver for the delivery note and look for our order number on it.'),
        words('2. Count the pallets while they are still on the lorry.'),
        words('3. Look at every wrap. Wet or torn ones stay on the lorry.'),
        words('Caution: nobody stands between lorry and ramp while it moves.'),
        bold('On the ramp'),
        words('4. Take the pallets off with the low lift.'),
        words('5. Put the label of the day on each one, at the height of your eyes.'),
        words('   Labels are in the drawer under the window.'),
        words('6. Sign the delivery note with hour and number of pallets.'),
        words(''),
        words('If something is missing ring the order office, they know what to do.'),
      ],
    },
  ],
})

mkdirSync(FOLDER, { recursive: true })
for (const [name, document] of [
  ['open-roof-vents.docx', tidy],
  ['taking-in-packaging.docx', byHand],
])
  writeFileSync(join(FOLDER, name), await Packer.toBuffer(document))
