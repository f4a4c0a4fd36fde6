import { inflateSync } from 'node:zlib'
import type { PersonId } from '@jackdaw/core/shared'
import { expect, it } from 'vitest'
import { chartPdf } from './chartPdf'

const id = (n: number) => `p${n}` as PersonId
const chart = (size: number) => ({
  left: 0,
  people: Array.from({ length: size }, (_, n): [PersonId, string, string, number] => [
    id(n),
    ['Łucja Żuk', 'Ада Львова', 'עדה', 'A'.repeat(300)][n % 4]!,
    'Head of crates',
    n === 0 ? -1 : Math.floor((n - 1) / 7),
  ]),
})
/** What is drawn, as the page's own commands. */
const drawn = (pdf: Buffer): string =>
  [...pdf.toString('latin1').matchAll(/\/FlateDecode\s*>>\s*stream\r?\n([\s\S]*?)\r?\nendstream/g)]
    .map(([, stream]) => {
      try {
        return inflateSync(Buffer.from(stream!, 'latin1')).toString('latin1')
      } catch {
        return ''
      }
    })
    .join('\n')
const boxes = (pdf: Buffer): number => drawn(pdf).match(/ re\n/g)?.length ?? 0
const page = (pdf: Buffer): number[] => /\/MediaBox \[([\d. ]+)\]/.exec(pdf.toString('latin1'))![1]!.split(' ').map(Number)

it('draws who is open and nobody else, with the letters that their names need, on a page that holds all of it', async () => {
  const all = await chartPdf(chart(60), new Set(Array.from({ length: 60 }, (_, n) => id(n))), 'Org chart')
  expect(all.subarray(0, 5).toString()).toBe('%PDF-')
  expect(boxes(all)).toBe(60)
  expect(boxes(await chartPdf(chart(60), new Set([id(0)]), 'Org chart'))).toBe(8)
  const fonts = new Set([...all.toString('latin1').matchAll(/\/BaseFont \/[A-Z]{6}\+(\S+)/g)].map(([, name]) => name))
  expect(fonts.size).toBeGreaterThanOrEqual(2)
  expect(page(all)[3]!).toBeGreaterThan(1_000)
})
it('stays within what readers of PDF take, and takes a company of nobody', async () => {
  const large = await chartPdf(chart(2_000), new Set(Array.from({ length: 2_000 }, (_, n) => id(n))), 'Org chart')
  expect(Math.max(...page(large))).toBeLessThanOrEqual(14_400)
  expect(boxes(large)).toBe(2_000)
  expect(boxes(await chartPdf(chart(0), new Set(), 'Org chart'))).toBe(0)
})
