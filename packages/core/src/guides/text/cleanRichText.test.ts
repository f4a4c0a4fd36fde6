import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seededIds } from '../../shared'
import { withBlockIds } from './blockIds'
import { cleanRichText } from './cleanRichText'
import { plainText } from './plainText'
import { RichText, type Block } from './richText'

const ids = seededIds(21)
const word = fc.stringMatching(/^[a-zA-Zł ]{1,12}$/)
const mark = fc.oneof(
  fc.constantFrom({ type: 'bold' }, { type: 'italic' }, { type: 'code' }, { type: 'keyCap' }, { type: 'blink' }),
  fc.constantFrom('https://a.example', 'javascript:x', 'mailto:a@b.example', 'ftp://x').map((href) => ({ type: 'link', attrs: { href } })),
)
const text = fc.record({ type: fc.constant('text'), text: word, marks: fc.option(fc.array(mark, { maxLength: 3 }), { nil: undefined }) })
const paragraph = fc.record({
  type: fc.constant('paragraph'),
  attrs: fc.option(fc.record({ id: fc.constantFrom('same-id', null, 'x'), onclick: fc.constant('y') }), { nil: undefined }),
  content: fc.option(fc.array(fc.oneof(text, fc.constant({ type: 'hardBreak' })), { maxLength: 4 }), { nil: undefined }),
})
const { block } = fc.letrec((tie) => ({
  block: fc.oneof({ maxDepth: 3 }, paragraph, tie('list'), tie('table')),
  list: fc.record({
    type: fc.constantFrom('bulletList', 'orderedList'),
    content: fc.array(fc.record({ type: fc.constant('listItem'), content: fc.array(tie('block'), { minLength: 1, maxLength: 2 }) }), {
      minLength: 1,
      maxLength: 3,
    }),
  }),
  table: fc.record({
    type: fc.constant('table'),
    content: fc.array(
      fc.record({
        type: fc.constant('tableRow'),
        content: fc.array(
          fc.record({ type: fc.constantFrom('tableCell', 'tableHeader'), content: fc.array(tie('block'), { minLength: 1, maxLength: 1 }) }),
          { minLength: 1, maxLength: 2 },
        ),
      }),
      { minLength: 1, maxLength: 2 },
    ),
  }),
}))
const document = fc.record({ type: fc.constant('doc'), content: fc.array(block, { maxLength: 5 }) })

describe('cleaning rich text', () => {
  it('gives text that the schema takes as it is, and that does not change when it is cleaned again', () => {
    fc.assert(
      fc.property(document, (loose) => {
        const once = cleanRichText(loose, ids)
        if (!once.ok) throw new Error(once.detail)
        expect(RichText.parse(once.text)).toEqual(once.text)
        expect(cleanRichText(once.text, ids)).toEqual(once)
      }),
    )
  })
  it('keeps every word, and nothing that could do harm', () => {
    const wordsIn = (value: unknown): string[] =>
      (value as { text?: string }).text !== undefined
        ? [(value as { text: string }).text]
        : ((value as { content?: unknown[] }).content ?? []).flatMap(wordsIn)
    fc.assert(
      fc.property(document, (loose) => {
        const clean = cleanRichText(loose, ids)
        if (!clean.ok) throw new Error(clean.detail)
        expect(wordsIn(clean.text)).toEqual(wordsIn(loose))
        expect(JSON.stringify(clean.text)).not.toMatch(/javascript:|ftp:|onclick|blink/)
      }),
    )
  })
  it('gives each block at the top an id of its own and leaves good ones alone', () => {
    fc.assert(
      fc.property(document, (loose) => {
        const clean = cleanRichText(loose, ids)
        if (!clean.ok) throw new Error(clean.detail)
        const found = clean.text.content.map((each) => each.attrs?.id)
        expect(new Set(found).size).toBe(found.length)
        expect(withBlockIds(clean.text, ids)).toEqual(clean.text)
      }),
    )
  })
  it('shows tables row by row and lists entry by entry as plain words', () => {
    const cell = (words: string): Block => ({ type: 'paragraph', content: [{ type: 'text', text: words }] })
    const table: Block = {
      type: 'table',
      content: [
        {
          type: 'tableRow',
          content: [
            { type: 'tableHeader', content: [cell('Seed')] },
            { type: 'tableCell', content: [cell('4 kPa')] },
          ],
        },
      ],
    }
    const list: Block = {
      type: 'orderedList',
      content: [
        { type: 'listItem', content: [cell('First')] },
        { type: 'listItem', content: [cell('Second')] },
      ],
    }
    expect(plainText({ type: 'doc', content: [table, list] })).toBe('Seed\t4 kPa\nFirst\nSecond')
  })
})
