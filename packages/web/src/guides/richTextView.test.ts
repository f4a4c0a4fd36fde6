import { richTextOf, type RichText } from '@jackdaw/core/guides'
import { createElement } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { RichTextView } from './RichTextView'

const shown = (text: RichText): string => renderToStaticMarkup(createElement(RichTextView, { text }))
const inline = (...content: object[]): RichText => ({ type: 'doc', content: [{ type: 'paragraph', content }] }) as RichText

describe('rich text as it is read', () => {
  it('shows words that look like HTML as words', () => {
    expect(shown(richTextOf('<script>alert(1)</script> & more'))).toContain('&lt;script&gt;alert(1)&lt;/script&gt; &amp; more')
  })
  it('shows marks, keys and breaks as elements', () => {
    const html = shown(
      inline(
        { type: 'text', text: 'Press ', marks: [{ type: 'bold' }, { type: 'italic' }] },
        { type: 'text', text: 'F2', marks: [{ type: 'keyCap' }] },
        { type: 'hardBreak' },
        { type: 'text', text: 'run', marks: [{ type: 'code' }] },
      ),
    )
    expect(html).toContain('<em><strong>Press </strong></em><kbd>F2</kbd><br/><code>run</code>')
  })
  it('leads only to web, mail and telephone, and tells the other site nothing', () => {
    const link = (href: string) => shown(inline({ type: 'text', text: 'here', marks: [{ type: 'link', attrs: { href } }] }))
    expect(link('https://a.example')).toContain('<a href="https://a.example" target="_blank" rel="noopener noreferrer nofollow">here</a>')
    for (const href of ['javascript:alert(1)', 'data:text/html,x', 'file:///etc/passwd']) expect(link(href)).not.toContain('<a')
  })
  it('shows lists with their first number and tables with heads and spans', () => {
    const cell = (type: string, words: string, attrs?: object) => ({
      type,
      ...(attrs ? { attrs } : {}),
      content: [{ type: 'paragraph', content: [{ type: 'text', text: words }] }],
    })
    const html = shown({
      type: 'doc',
      content: [
        {
          type: 'orderedList',
          attrs: { start: 3 },
          content: [{ type: 'listItem', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'third' }] }] }],
        },
        {
          type: 'table',
          content: [{ type: 'tableRow', content: [cell('tableHeader', 'Dose'), cell('tableCell', '20 ml', { colspan: 2 })] }],
        },
        { type: 'codeBlock', content: [{ type: 'text', text: 'a < b' }] },
      ],
    } as RichText)
    expect(html).toContain('<ol start="3"><li><p>third</p></li></ol>')
    expect(html).toMatch(/<th colSpan="1" rowSpan="1"><p>Dose<\/p><\/th><td colSpan="2"/i)
    expect(html).toContain('<code>a &lt; b</code>')
  })
})
