import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { readTable } from './readTable'

const read = async (bytes: Buffer | string, encoding?: Parameters<typeof readTable>[1]) => {
  const outcome = await readTable(Buffer.from(bytes as string), encoding)
  if (!outcome.ok) return { words: outcome.words }
  const { lines, ...rest } = outcome.table
  return {
    ...rest,
    lines: lines
      .toString()
      .trimEnd()
      .split('\n')
      .map((line) => JSON.parse(line) as unknown[]),
  }
}
const TEXT = 'No;Name\r\n7;Łucja Öz\r\n'
const wide = (big: boolean) => {
  const bytes = Buffer.from(TEXT, 'utf16le')
  return big ? bytes.swap16() : bytes
}
/** In Windows-1250: Ł is A3, Ö is D6. */
const windows = Buffer.from(TEXT.replace('Ł', '\u00a3').replace('Ö', '\u00d6'), 'latin1')

/** A workbook with one sheet of these cells, as XML. */
const workbook = (rows: string, more: Record<string, Uint8Array> = {}): Buffer =>
  Buffer.from(
    zipSync({
      '[Content_Types].xml': strToU8(
        '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="xml" ContentType="application/xml"/></Types>',
      ),
      'xl/workbook.xml': strToU8(
        '<workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="People" sheetId="1" r:id="rId1"/></sheets></workbook>',
      ),
      'xl/_rels/workbook.xml.rels': strToU8(
        '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/></Relationships>',
      ),
      'xl/styles.xml': strToU8(
        '<styleSheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><cellXfs count="2"><xf numFmtId="0"/><xf numFmtId="14"/></cellXfs></styleSheet>',
      ),
      'xl/worksheets/sheet1.xml': strToU8(
        `<worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>${rows}</sheetData></worksheet>`,
      ),
      ...more,
    }),
  )
const text = (at: string, words: string) => `<c r="${at}" t="inlineStr"><is><t>${words}</t></is></c>`

describe('a table of a file', () => {
  it('is read in four encodings, with a mark and without', async () => {
    const expected = { heads: ['No', 'Name'], lines: [[2, '7', 'Łucja Öz']], count: 1 }
    for (const [bytes, encoding] of [
      [Buffer.from(TEXT), 'utf-8'],
      [Buffer.from(`\ufeff${TEXT}`), 'utf-8'],
      [wide(false), 'utf-16le'],
      [Buffer.concat([Buffer.from([0xff, 0xfe]), wide(false)]), 'utf-16le'],
      [wide(true), 'utf-16be'],
      [Buffer.concat([Buffer.from([0xfe, 0xff]), wide(true)]), 'utf-16be'],
      [windows, 'windows-1250'],
    ] as const)
      expect(await read(bytes)).toEqual({ ...expected, encoding })
    expect(await read(windows, 'utf-8')).toMatchObject({ encoding: 'utf-8', lines: [[2, '7', '\ufffducja \ufffdz']] })
  })
  it('has commas, semicolons or tabs between its cells, quotation marks, and lines of any length', async () => {
    expect(await read('a,"b;c",d\n1,"2 ""x"", y"\n\n ,\n3,4,5\n')).toMatchObject({
      heads: ['a', 'b;c', 'd'],
      lines: [
        [2, '1', '2 "x", y'],
        [5, '3', '4', '5'],
      ],
    })
    expect(await read('a\tb,c\n1\t2\n')).toMatchObject({ heads: ['a', 'b,c'], lines: [[2, '1', '2']] })
  })
  it('may have 100 columns and no more, 20,000 lines and no more', async () => {
    const line = (n: number) => Array.from({ length: n }, (_, at) => `c${at}`).join(';')
    expect(await read(`${line(100)}\n${line(100)};;;\n`)).toMatchObject({ count: 1 })
    expect(await read(`${line(101)}\n${line(101)}\n`)).toEqual({ words: expect.stringContaining('more than 100 columns') })
    expect(await read(`a\n${'b\n'.repeat(20_001)}`)).toEqual({ words: expect.stringContaining('more than 20,000 lines') })
    expect(await read(`a\n${'b\n'.repeat(20_000)}`)).toMatchObject({ count: 20_000 })
  })
  it('of a workbook: text, numbers, days, and what formulas last came to', async () => {
    const rows = `<row r="1">${text('A1', 'No')}${text('B1', 'Name')}${text('C1', 'Start')}</row><row r="2"><c r="A2"><v>42</v></c><c r="B2" t="str"><f>A1&amp;"x"</f><v>Ola Nowak</v></c><c r="C2" s="1"><v>46085</v></c></row>`
    expect(await read(workbook(rows))).toEqual({
      ...{ heads: ['No', 'Name', 'Start'], count: 1, encoding: null, lines: [[2, '42', 'Ola Nowak', '2026-03-04']] },
    })
  })
  it('is refused with words where there is none', async () => {
    for (const [bytes, words] of [
      ['', 'no lines below'],
      ['No;Name\n', 'no lines below'],
      ['a;b\n"1;2\n3;4\n', 'never closed'],
      [Buffer.from([0xd0, 0xcf, 0x11, 0xe0, 1, 2]), 'of an old kind'],
      ['%PDF-1.7 a', 'a PDF'],
      [Buffer.from(zipSync({ 'a.txt': strToU8('a') })), 'cannot be read'],
      [Buffer.from('PK\x03\x04 and then nothing', 'latin1'), 'cannot be read'],
    ] as const)
      expect(await read(bytes as Buffer)).toEqual({ words: expect.stringContaining(words) })
  })
})
