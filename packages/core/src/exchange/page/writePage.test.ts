import { parseDocument } from 'htmlparser2'
import { describe, expect, it } from 'vitest'
import type { HtmlNode } from '../importing/htmlBlocks'
import { aDocument, aHandout, aHandoutGuide, aStep, longGuide, plainWords } from '../paper/testing'
import { figuresInGuide, writePage } from './writePage'

const page = (...guides: Parameters<typeof aHandout>): string =>
  writePage(
    aHandout(...guides),
    guides.map((guide) => figuresInGuide(guide, plainWords)),
    { sourceOf: () => 'data:image/webp;base64,AAAA', fonts: '', t: plainWords },
  )
const nodesIn = (html: string): HtmlNode[] => {
  const walk = (node: HtmlNode): HtmlNode[] => [node, ...(node.children ?? []).flatMap(walk)]
  return walk(parseDocument(html) as unknown as HtmlNode)
}

describe('a guide as one page that needs nothing beside it', () => {
  it('has everything in order, leads from its contents to its places, and asks for nothing from elsewhere', () => {
    const html = page(aHandoutGuide(longGuide(2, 2)))
    const nodes = nodesIn(html)
    const ids = new Set(nodes.flatMap((node) => node.attribs?.['id'] ?? []))
    const links = nodes.flatMap((node) => (node.name === 'a' ? [node.attribs!['href']!] : []))
    for (const href of links) expect(href.startsWith('#') ? ids.has(href.slice(1)) : href).toBeTruthy()
    expect(links.filter((href) => href.startsWith('#'))).toHaveLength(6)
    const sources = nodes.flatMap((node) => [node.attribs?.['src'], node.name === 'link' ? 'link' : undefined].filter(Boolean))
    expect(sources).toEqual([])
    expect(html).toContain("default-src 'none'")
  })
  it('shows pictures with what is drawn on them, for those who do not see them, too', () => {
    const step = {
      ...aStep('Look'),
      pictures: [
        {
          id: 'picture-0000000000001' as never,
          alt: 'A "tray"',
          annotations: [
            { id: 'label-1', kind: 'label' as const, at: { to: 'picture' as const, at: 'middle' as const, gapPx: 0 }, words: 'Rim <1>' },
          ],
        },
      ],
    }
    const html = page(aHandoutGuide(aDocument(step), { sizes: { 'picture-0000000000001': { widthPx: 800, heightPx: 500 } } }))
    expect(html).toContain('aria-label="A &quot;tray&quot;. On the picture: Rim &lt;1&gt;"')
    expect(html).toContain('<image href="data:image/webp;base64,AAAA"')
    expect(html).toContain('Rim &lt;1&gt;</tspan>')
  })
  it('runs nothing that stands in a text', () => {
    const document = {
      ...aDocument(aStep('<script>alert(1)</script>', '" onload="x')),
      title: '</title><script>x</script>',
      summary: '<img src=x onerror=y>',
    }
    const nodes = nodesIn(page(aHandoutGuide(document)))
    expect(nodes.filter((node) => node.name === 'script')).toHaveLength(1)
    expect(nodes.filter((node) => node.name === 'img')).toHaveLength(0)
  })
})
