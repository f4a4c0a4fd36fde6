import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { GuideDocument } from '../../guides'
import { seededIds } from '../../shared'
import { htmlPieces } from './htmlBlocks'
import { importMarkdown } from './importMarkdown'

const shown = (html: string) => JSON.stringify(htmlPieces(html))
const tag = fc.constantFrom(
  'p',
  'div',
  'ul',
  'ol',
  'li',
  'table',
  'tr',
  'td',
  'th',
  'h1',
  'h2',
  'h4',
  'a',
  'b',
  'em',
  'code',
  'pre',
  'kbd',
  'img',
  'br',
  'details',
  'summary',
  'blockquote',
  'script',
  'svg',
  'center',
  'dl',
  'dt',
)
const scrap = fc.oneof(
  tag.map((name) => `<${name}>`),
  tag.map((name) => `</${name}>`),
  tag.map((name) => `<${name} href="javascript:x" src="a.png" alt="an alt" onclick=x colspan=900>`),
  fc.constantFrom(
    'words',
    ' ',
    '\n\n',
    '1. ',
    '- ',
    '> ',
    '```\n',
    '# ',
    '| a | b |\n|---|---|\n',
    '&nbsp;',
    '<!-- c -->',
    '\u0000',
    '[x](y)',
    '![p](q.png)',
  ),
  fc.string({ maxLength: 6 }),
)

describe('HTML, however untidy', () => {
  it('always becomes a document that the schema takes, without script or event handlers', () => {
    fc.assert(
      fc.property(fc.array(scrap, { maxLength: 60 }), (scraps) => {
        const read = importMarkdown(scraps.join(''), 'x.md', seededIds(1))
        if (!read.ok) throw new Error(read.words)
        const { document } = read.draft
        const parsed = GuideDocument.safeParse(document)
        expect(parsed.error?.issues).toBeUndefined()
        expect(JSON.stringify(document)).not.toMatch(/"href":"javascript|onclick=x>/)
      }),
      { numRuns: 400 },
    )
  })
  it('keeps words that stand between and around blocks', () => {
    expect(shown('before<p>in</p>after')).toMatch(/before.*in.*after/)
    expect(shown('<a href="https://a.example"><div>block in a link</div></a>')).toContain('block in a link')
    expect(shown('<ul>loose<li>entry</li></ul>')).toMatch(/loose.*entry/)
    expect(shown('<table>stray<tr><td>cell</td></tr></table>')).toContain('cell')
  })
  it('gives a picture its description, and links one that lies elsewhere', () => {
    expect(htmlPieces('<p><img src="a/b.png" alt=" the \n valve "></p>')).toMatchObject([
      { kind: 'block', block: null, pictures: [{ path: 'a/b.png', alt: 'the valve' }] },
    ])
    expect(shown('<img src="https://x.example/y.png" alt="badge">')).toContain('"href":"https://x.example/y.png"')
    expect(shown('<img src="data:image/png;base64,AAAA" alt="inline">')).not.toContain('AAAA')
  })
  it('does not let one key cap or code mark swallow another', () => {
    expect(shown('<kbd><code>F2</code></kbd>')).toContain('[{"type":"keyCap"},{"type":"code"}]')
    expect(shown('<b><strong><b>x</b></strong></b>')).toContain('"marks":[{"type":"bold"}]')
  })
})
