import { describe, expect, it } from 'vitest'
import { plainText, stepsOf } from '../../guides'
import { seededIds } from '../../shared'
import { importHtml } from './importHtml'

const read = (html: string) => {
  const result = importHtml(html, 'tank.html', seededIds(4))
  if (!result.ok) throw new Error(result.words)
  return result.draft
}
const outline = (html: string) =>
  read(html).document.items.map((item) =>
    item.kind === 'step' ? plainText(item.body) : item.kind === 'section' ? `# ${item.title}` : item.kind,
  )

describe('a page of HTML as a draft', () => {
  it('gives title, language, sections and steps, and nothing of what runs or styles', () => {
    const html =
      '<html lang="pl"><head><title>Zbiornik</title><style>p{color:red}</style></head><body><script>x()</script><h2>Przed</h2><ol><li>Zamknij <b>zawór</b></li><li>Czekaj</li></ol></body></html>'
    const { document, notPlaced } = read(html)
    expect([document.title, document.language]).toEqual(['Zbiornik', 'pl'])
    expect(outline(html)).toEqual(['# Przed', 'Zamknij zawór', 'Czekaj'])
    expect(notPlaced).toEqual([])
  })
  it('takes bold lines for headings where there are no others, and counts on over them', () => {
    const html =
      '<p><b>TAKING IN</b></p><p><strong>When it comes</strong></p><p>1. Ask</p><p>2. Count</p><p><b>Caution: stand back</b></p><p><b>On the ramp</b></p><p>3. Take off</p><p><b>Really?</b></p>'
    expect([read(html).document.title, ...outline(html)]).toEqual([
      ...['TAKING IN', '# When it comes', 'Ask', 'Count', '# On the ramp', 'Take off', 'Really?'],
    ])
    expect(outline('<h1>T</h1><h2>A</h2><p><b>bold</b></p><p>x</p>')).toEqual(['# A', 'bold\nx'])
    expect(outline('<p>i.</p><p><b>all</b></p><p><b>of it</b></p><p><b>bold</b></p>')).toEqual(['all\nof it\nbold'])
    expect(outline('<h1>T</h1><p>1. a</p><p>2. b</p><h2>C</h2><p>5. d</p>')).toEqual(['a', 'b', '# C', '5. d'])
  })
  it('leaves out what no file of ours can hold, and does not begin with what lies too deep', () => {
    expect(outline('<ol><li>a&#0;b&#xFFFF;&#xD800;<img alt="c&#1;d" src="//x"></li></ol>')).toEqual(['a\uFFFDb\uFFFDcd'])
    const svg = `<svg>${'<path d="M0 0"/>'.repeat(9_000)}</svg><p>x${'<br><input>'.repeat(9_000)}`
    expect(importHtml(svg, 'a.html', seededIds(1)).ok).toBe(true)
    for (const deep of ['<div>', '<b>', '<b><a href=x><p>'])
      expect(importHtml(deep.repeat(200_000), 'a.html', seededIds(1))).toMatchObject({ ok: false, reason: 'too-deep' })
  })
  it('makes steps of numbers that were typed by hand, where they count on', () => {
    expect(
      outline('<h1>A</h1><p>Intro to it.</p><p>1. Open</p><p>Slowly.</p><p>Step 2: Close</p><p>3) Wait</p><p>In 2. place</p>'),
    ).toEqual(['Open\nSlowly.', 'Close', 'Wait', 'In 2. place'])
    expect(outline('<h1>A</h1><p>x</p><p>7. alone</p><p>y</p>')).toEqual(['7. alone\ny'])
  })
  it('gives text and pictures between two entries to the first of them, and text behind the last to itself', () => {
    const html =
      '<h1>A</h1><ol><li>One</li></ol><p>More of one</p><p><img src="a.png" alt="the tank"></p><ol start="2"><li>Two</li></ol><p>After</p>'
    const { document, pictures } = read(html)
    expect(stepsOf(document).map((step) => [plainText(step.body), step.pictures.length])).toEqual([
      ['One\nMore of one', 1],
      ['Two', 0],
      ['After', 0],
    ])
    expect(pictures).toMatchObject([{ path: 'a.png', alt: 'the tank' }])
  })
  it('lists the lines that have no place, by what people have seen', () => {
    const { notPlaced } = read(
      '<h1>A</h1><p>B</p><iframe src="x"></iframe><p><img src="https://elsewhere.example/x.png" alt="far away"></p>',
    )
    expect(notPlaced).toEqual([])
    const result = importHtml('<p>Body</p>', 'a.docx', seededIds(4), ['Body', 'Confidential header'])
    expect(result.ok && result.draft.notPlaced).toEqual([{ line: 2, text: 'Confidential header', words: ['Confidential', 'header'] }])
  })
})
