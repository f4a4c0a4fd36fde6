import { nth, seededRandom } from '@jackdaw/core/shared'
import { strToU8, unzipSync, zipSync, type Zippable } from 'fflate'
import { aPage, aPdf, aWordFile, aZip } from './soundFiles'

/** A file that somebody sends by mistake or on purpose. `what`: what is wrong with it. */
export type HostileFile = { name: string; what: string; bytes: Uint8Array }
type Wrong = [what: string, bytes: () => Promise<Uint8Array> | Uint8Array]

const W = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"'
const wordXml = (body: string, before = '') =>
  strToU8(`<?xml version="1.0"?>${before}<w:document ${W}><w:body>${body}</w:body></w:document>`)
const paragraph = (words: string) => `<w:p><w:r><w:t>${words}</w:t></w:r></w:p>`
/** A sound Word file with other parts put in; null takes one out. */
async function wordWith(parts: Record<string, Uint8Array | null>): Promise<Uint8Array> {
  const files: Zippable = { ...unzipSync(await aWordFile()) }
  for (const [name, part] of Object.entries(parts))
    if (part) files[name] = part
    else delete files[name]
  return zipSync(files, { level: 6 })
}
const inDocument = (body: string, before = '') => wordWith({ 'word/document.xml': wordXml(body, before) })
const around = (open: string, close: string, times: number, inner: string) => open.repeat(times) + inner + close.repeat(times)

const WORD: Wrong[] = [
  ['entities that unfold to gigabytes', () => inDocument(paragraph('&e9;'), `<!DOCTYPE w [<!ENTITY e0 "ha">${unfolding(9)}]>`)],
  ['an entity that reads a file', () => inDocument(paragraph('&f;'), '<!DOCTYPE w [<!ENTITY f SYSTEM "file:///etc/passwd">]>')],
  ['tables 5,000 deep', () => inDocument(around('<w:tbl><w:tr><w:tc>', '</w:tc></w:tr></w:tbl>', 5_000, paragraph('in')))],
  ['one paragraph of 80 MB', () => inDocument(paragraph('words '.repeat(14_000_000)))],
  ['200,000 empty paragraphs', () => inDocument('<w:p/>'.repeat(200_000))],
  ['no end of its elements', () => wordWith({ 'word/document.xml': strToU8(`<w:document ${W}><w:body>${'<w:p><w:r>'.repeat(20_000)}`) })],
  ['no list of its parts', () => wordWith({ '[Content_Types].xml': null })],
  ['no relations', () => wordWith({ 'word/_rels/document.xml.rels': null, '_rels/.rels': null })],
  ['styles that stand on one another in a ring', () => wordWith({ 'word/styles.xml': strToU8(`<w:styles ${W}>${ring()}</w:styles>`) })],
  ['pictures outside of it', () => wordWith({ 'word/_rels/document.xml.rels': strToU8(outside()) })],
  ['a document of zeros', () => wordWith({ 'word/document.xml': new Uint8Array(4_000_000) })],
]
const unfolding = (most: number) => Array.from({ length: most }, (_, n) => `<!ENTITY e${n + 1} "${`&e${n};`.repeat(20)}">`).join('')
const ring = () =>
  ['a', 'b'].map((id, n, all) => `<w:style w:type="paragraph" w:styleId="${id}"><w:basedOn w:val="${all[1 - n]}"/></w:style>`).join('')
const outside = () =>
  `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">${[
    '../../../../etc/passwd',
    'file:///etc/passwd',
    'http://127.0.0.1:1/a.png',
  ]
    .map((to, n) => `<Relationship Id="rId${n + 1}" Type="x/image" Target="${to}"${n > 0 ? ' TargetMode="External"' : ''}/>`)
    .join('')}</Relationships>`

const HTML: Wrong[] = [
  ['elements 100,000 deep', () => strToU8(around('<div>', '</div>', 100_000, 'in'))],
  ['lists 3,000 deep', () => strToU8(around('<ol><li>', '</li></ol>', 3_000, 'in'))],
  ['200,000 elements never closed', () => strToU8(`<html>${'<b>x'.repeat(200_000)}`)],
  ['formatting that is taken up again and again', () => strToU8(`<html>${'<b><i><u><a href=x><p>'.repeat(20_000)}`)],
  ['an element with 300,000 attributes', () => strToU8(`<html><p ${Array.from({ length: 300_000 }, (_, n) => `a${n}=1`).join(' ')}>x</p>`)],
  ['one line of 6 MB', () => strToU8(`<html><p>${'a'.repeat(6_000_000)}`)],
  ['cells over a billion columns', () => strToU8('<html><table><tr><td colspan=1000000000 rowspan=1000000000>x</table>')],
  ['UTF-16 that does not say so', () => Buffer.from('<html><p>Kühlraum zu</p></html>', 'utf16le')],
  ['an encoding that nobody knows', () => strToU8('<html><meta charset="x-none-such"><p>words</p></html>')],
  [
    'scripts and files of the server',
    () => strToU8('<html><script>document.cookie</script><p onclick=x>a<img src="file:///etc/passwd"><iframe src="/etc/passwd">'),
  ],
  ['a picture of 8 MB in its own text', () => strToU8(`<html><ol><li>x<img src="data:image/png;base64,${'A'.repeat(8_000_000)}"></ol>`)],
  ['half pairs of surrogates and NULs, escaped', () => strToU8('<html><h1>&#0;&#xD800;&#xFFFF;&#x110000;</h1><ol><li>&#xDC00;a&#1;</ol>')],
]

const pdf = (...objects: string[]) =>
  strToU8(
    `%PDF-1.7\n${objects.map((object, n) => `${n + 1} 0 obj\n${object}\nendobj\n`).join('')}trailer\n<</Root 1 0 R/Size ${objects.length + 1}>>\n%%EOF`,
    true,
  )
const CATALOGUE = '<</Type/Catalog/Pages 2 0 R>>'
const ONE_PAGE = '<</Type/Pages/Kids[3 0 R]/Count 1>>'
const FONT = '<</Font<</F<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>>>>>'
const page = (more: string) => `<</Type/Page/Parent 2 0 R/MediaBox[0 0 200 200]${more}>>`
const stream = (content: string, more = '') => `<</Length ${content.length}${more}>>stream\n${content}\nendstream`
const PDFS: Wrong[] = [
  ['pages that hold themselves', () => pdf(CATALOGUE, '<</Type/Pages/Kids[2 0 R 2 0 R]/Count 9>>')],
  ['two billion pages, it says', () => pdf(CATALOGUE, '<</Type/Pages/Kids[3 0 R]/Count 2000000000>>', page(''))],
  ['arrays 200,000 deep', () => pdf(CATALOGUE, ONE_PAGE, page(`/Contents ${'['.repeat(200_000)}`))],
  ['a page larger than a country', () => pdf(CATALOGUE, ONE_PAGE, '<</Type/Page/Parent 2 0 R/MediaBox[-1e300 -1e300 1e300 1e300]>>')],
  [
    'a form that draws itself',
    () =>
      pdf(
        CATALOGUE,
        ONE_PAGE,
        page('/Contents 4 0 R/Resources<</XObject<</X 5 0 R>>>>'),
        stream('/X Do'),
        stream('/X Do '.repeat(50), '/Type/XObject/Subtype/Form/BBox[0 0 9 9]/Resources<</XObject<</X 5 0 R>>>>'),
      ),
  ],
  [
    'a million words on one page',
    () => pdf(CATALOGUE, ONE_PAGE, page(`/Contents 4 0 R/Resources ${FONT}`), stream(`BT /F 9 Tf ${'9 0 Td (w) Tj '.repeat(1_000_000)}ET`)),
  ],
  [
    '300,000 states kept and never given back',
    () => pdf(CATALOGUE, ONE_PAGE, page(`/Contents 4 0 R/Resources ${FONT}`), stream(`${'q '.repeat(300_000)}BT /F 9 Tf (w) Tj ET`)),
  ],
  [
    'a picture of 60,000 by 60,000 that is not there',
    () =>
      pdf(
        CATALOGUE,
        ONE_PAGE,
        page(`/Contents 4 0 R/Resources<</XObject<</X 5 0 R>>/Font<</F<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>>>>>`),
        stream('/X Do BT /F 9 Tf (w) Tj ET'),
        stream('', '/Type/XObject/Subtype/Image/Width 60000/Height 60000/ColorSpace/DeviceRGB/BitsPerComponent 8'),
      ),
  ],
  [
    'a script that opens with it',
    () =>
      pdf(
        '<</Type/Catalog/Pages 2 0 R/OpenAction<</S/JavaScript/JS(app.alert(1))>>>>',
        ONE_PAGE,
        page(`/Contents 4 0 R/Resources ${FONT}`),
        stream('BT /F 9 Tf (words) Tj ET'),
      ),
  ],
  [
    'a list of its objects that begins with itself',
    () => strToU8('%PDF-1.7\nxref\n0 1\n0000000000 65535 f \ntrailer<</Root 1 0 R/Prev 9>>\nstartxref\n9\n%%EOF'),
  ],
  ['only its first line', () => strToU8('%PDF-1.7\n')],
]

/** A zip in which something stands for another. */
const swapped = (zip: Uint8Array, from: string, to: string) => {
  const text = Buffer.from(zip).toString('latin1')
  return Buffer.from(text.replaceAll(from, to), 'latin1')
}
const many = (amount: number): Zippable => Object.fromEntries(Array.from({ length: amount }, (_, n) => [`${n}.md`, strToU8('# a')]))
const guideJson = (text: string) => zipSync({ 'guide.json': strToU8(text) })
const ZIPS: Wrong[] = [
  ['a text of 100 MB', () => zipSync({ 'a.md': new Uint8Array(100_000_000).fill(97) })],
  ['3,000 files', () => zipSync(many(3_000), { level: 0 })],
  ['a path that climbs out', () => swapped(zipSync({ 'xxxxx/a.md': strToU8('# a') }), 'xxxxx/a.md', '../../a.md')],
  ['an absolute path', () => swapped(zipSync({ 'xetc/a.md': strToU8('# a') }), 'xetc/a.md', '/etc/a.md')],
  ['zips in a zip', () => zipSync({ 'a.zip': zipSync({ 'b.zip': zipSync(many(3)) }) })],
  ['nothing in it', () => zipSync({})],
  ['a guide 100,000 deep', () => guideJson(`{"format":"jackdaw-guide","a":${'['.repeat(100_000)}`)],
  ['a guide that is none', () => guideJson('{"format":"jackdaw-guide","version":99,"guide":null}')],
  ['a guide that is a number', () => guideJson('7')],
  [
    'names that objects have of their own',
    () => guideJson('{"__proto__":{"a":1},"constructor":{"prototype":{}},"format":"jackdaw-guide","version":1}'),
  ],
  ['a Markdown text of one million signs of lists', () => zipSync({ 'a.md': strToU8('* '.repeat(500_000)) })],
  ['two files of one name', () => swapped(zipSync({ 'a.md': strToU8('# a'), 'b.md': strToU8('# b') }), 'b.md', 'a.md')],
]

/** A sound file with bytes changed, a stretch doubled, or its end cut off. */
function damaged(sound: Uint8Array, seed: number): Uint8Array {
  const random = seededRandom(seed)
  const at = () => Math.floor(random() * sound.length)
  const way = seed % 3
  if (way === 0) return sound.slice(0, at())
  if (way === 1) {
    const [from, to] = [at(), at()].sort((a, b) => a - b) as [number, number]
    return Buffer.concat([sound.subarray(0, to), sound.subarray(from)])
  }
  const hurt = sound.slice()
  for (let n = 0; n < 1 + (seed % 40); n++) hurt[at()] = Math.floor(random() * 256)
  return hurt
}

/** The files of one kind: those that are wrong on purpose, and damaged ones until there are 25. */
async function ofKind(
  extension: string,
  sound: Uint8Array,
  wrong: readonly Wrong[],
  seed: number,
): Promise<(() => Promise<HostileFile>)[]> {
  return Array.from({ length: 25 }, (_, n) => async () => {
    const name = `${extension}-${n}.${extension}`
    if (n < wrong.length) {
      const [what, bytes] = nth(wrong, n)
      return { name, what, bytes: await bytes() }
    }
    return { name, what: `damaged, seed ${seed + n}`, bytes: damaged(sound, seed + n) }
  })
}

/** A hundred files that are damaged or hostile: 25 each of Word, HTML, PDF and zip. Each is made when it is asked for: some are large.
 * @param seed other damage for another one */
export async function hostileFiles(seed = 1_800): Promise<(() => Promise<HostileFile>)[]> {
  const kinds = [
    await ofKind('docx', await aWordFile(), WORD, seed),
    await ofKind('html', aPage(), HTML, seed + 100),
    await ofKind('pdf', await aPdf(), PDFS, seed + 200),
    await ofKind('zip', await aZip(), ZIPS, seed + 300),
  ]
  return kinds.flat()
}
