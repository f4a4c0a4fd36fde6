import { describe, expect, it } from 'vitest'
import { seededIds } from '../shared'
import { cleanRichText } from './text/cleanRichText'
import { stepName } from './document'
import { minutesToRead } from './text/minutes'
import { countWords, plainText } from './text/plainText'
import { editionSteps, findingsBeforePublishing } from './publishable'
import { readDocument } from './readDocument'
import { aDocument, aSection, aStep } from './testing'

const ids = seededIds(3)
const linked = (href: string) => ({
  type: 'doc',
  content: [{ type: 'paragraph', content: [{ type: 'text', text: 'here', marks: [{ type: 'link', attrs: { href } }, { type: 'bold' }] }] }],
})

describe('rich text from outside', () => {
  it.each(['javascript:alert(1)', ' JavaScript:alert(1)', 'data:text/html,x', 'vbscript:x', '//evil.example'])(
    'loses the address %s and keeps the words',
    (href) => {
      const result = cleanRichText(linked(href), ids)
      expect(result.ok && JSON.stringify(result.text)).not.toContain('link')
      expect(result.ok && plainText(result.text)).toBe('here')
      expect(result.ok && JSON.stringify(result.text)).toContain('bold')
    },
  )
  it('keeps web links', () => {
    const result = cleanRichText(linked('https://example.org/a'), ids)
    expect(result.ok && JSON.stringify(result.text)).toContain('https://example.org/a')
  })
  it('is refused when it holds a node that does not exist here', () => {
    expect(cleanRichText({ type: 'doc', content: [{ type: 'iframe', attrs: { src: 'x' } }] }, ids)).toMatchObject({
      ok: false,
      reason: 'not-rich-text',
    })
    expect(cleanRichText('words', ids).ok).toBe(false)
    expect(cleanRichText(null, ids).ok).toBe(false)
  })
  it('loses attributes that would carry script or style', () => {
    const result = cleanRichText(
      {
        type: 'doc',
        content: [{ type: 'paragraph', attrs: { onclick: 'x', style: 'y' }, content: [{ type: 'text', text: 'a', onclick: 'z' }] }],
      },
      ids,
    )
    expect(result.ok && JSON.stringify(result.text)).not.toMatch(/onclick|style/)
  })
  it('is refused when nested without end', () => {
    let node: unknown = { type: 'paragraph' }
    for (let i = 0; i < 5_000; i++) node = { type: 'bulletList', content: [{ type: 'listItem', content: [node] }] }
    expect(cleanRichText({ type: 'doc', content: [node] }, ids)).toMatchObject({ ok: false, detail: 'text is nested too deeply' })
  })
  it('gets ids for its blocks and keeps those it has', () => {
    const text = {
      type: 'doc',
      content: [
        { type: 'paragraph', attrs: { id: 'block-one' } },
        { type: 'paragraph', attrs: { id: 'block-one' } },
        { type: 'paragraph' },
      ],
    }
    const result = cleanRichText(text, ids)
    if (!result.ok) throw new Error(result.detail)
    const found = result.text.content.map((block) => block.attrs?.id)
    expect(found[0]).toBe('block-one')
    expect(new Set(found).size).toBe(3)
  })
})

describe('a guide', () => {
  it('names its steps by their first line with words', () => {
    expect(stepName(aStep('', '  ', 'Open the valve', 'Slowly.'))).toBe('Open the valve')
    expect(stepName(aStep('word '.repeat(60)))).toMatch(/^word .{50,88}…$/)
    expect(stepName(aStep())).toBe('')
  })
  it('counts words in Polish, German and hyphenated English', () => {
    expect(countWords('Zażółć gęślą jaźń')).toBe(3)
    expect(countWords('Don’t re-open at 3.5 bar')).toBe(5)
  })
  it('tells the minutes that reading takes', () => {
    expect(minutesToRead(aDocument(aStep('word '.repeat(600))))).toBe(3)
    expect(minutesToRead(aDocument())).toBe(1)
  })
  it('says what is missing before it can be published', () => {
    const empty = aStep('')
    expect(findingsBeforePublishing({ ...aDocument(empty), title: ' ' }, new Set())).toEqual([
      { reason: 'no-title', itemId: null },
      { reason: 'empty-step', itemId: empty.id },
    ])
    expect(findingsBeforePublishing(aDocument(), new Set())).toEqual([{ reason: 'no-steps', itemId: null }])
    expect(findingsBeforePublishing(aDocument(aStep('x')), new Set())).toEqual([])
  })
  it('lists its steps with the heading above them', () => {
    expect(
      editionSteps(aDocument(aStep('a'), aSection('S'), aStep('b'))).map(({ position, section, name }) => [position, section, name]),
    ).toEqual([
      [1, '', 'a'],
      [2, 'S', 'b'],
    ])
  })
  it('is refused when its version is unknown', () => {
    expect(() => readDocument({ version: 9 })).toThrow(RangeError)
    expect(() => readDocument({ version: 0 })).toThrow('no way to read')
    expect(
      readDocument(
        { version: 0, name: 'old' },
        {
          0: (old) => ({ ...aDocument(), version: 1, title: old['name'] }),
          1: (old) => ({ ...old, version: 2 }),
          2: (old) => ({ ...old, version: 3 }),
          3: (old) => ({ ...old, version: 4 }),
        },
      ).title,
    ).toBe('old')
    expect(readDocument({ ...aDocument(), version: 1 })).toEqual(aDocument())
  })
})
