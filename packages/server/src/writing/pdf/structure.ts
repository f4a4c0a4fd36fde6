import type { Part, Placed, PrintedPage } from '@jackdaw/core/exchange'
import type { Pdf } from './fonts'

/** What pdfkit keeps of the structure of a document and does not declare. */
type Element = {
  dictionary: { data: Record<string, unknown> }
  add: (child: unknown) => void
  end: () => void
}
type Marking = {
  struct: (tag: string, options: object) => Element
  addStructure: (element: Element) => void
  markStructureContent: (tag: string) => unknown
  markContent: (tag: string, options: object) => void
  endMarkedContent: () => void
}
const marking = (pdf: Pdf): Marking => pdf as unknown as Marking

/** The structure of a PDF that screen readers follow (PDF/UA-1), filled page by page with what stands there. */
export class Structure {
  private readonly elements = new Map<Part, Element>()
  /** How much of each link is still to be placed: it is closed on the page of its last piece. */
  private readonly left = new Map<Part, number>()
  private readonly root: Element

  constructor(
    private readonly pdf: Pdf,
    root: Part,
    pages: readonly PrintedPage[],
  ) {
    for (const { part } of pages.flatMap((page) => page.placed)) if (part) this.left.set(part, (this.left.get(part) ?? 0) + 1)
    this.root = this.build(root)
    marking(pdf).addStructure(this.root)
  }

  /** Draws something as what it is in the structure; decoration is marked as such. */
  within(part: Part | null, draw: () => void): void {
    const pdf = marking(this.pdf)
    if (part === null) {
      pdf.markContent('Artifact', { type: 'Layout' })
      draw()
      pdf.endMarkedContent()
      return
    }
    const content = pdf.markStructureContent(part.tag)
    draw()
    pdf.endMarkedContent()
    this.elements.get(part)!.add(content)
  }
  /** The element of a part, to which links belong. */
  elementOf(part: Part): object {
    return this.elements.get(part)!
  }
  /** Says that some of what belongs to a part has been placed. A link is closed with its last piece. */
  placed(items: readonly Placed[]): void {
    for (const { part } of items) {
      if (!part) continue
      const left = this.left.get(part)! - 1
      this.left.set(part, left)
      if (left === 0 && part.tag === 'Link') this.elements.get(part)!.end()
    }
  }
  end(): void {
    this.root.end()
  }

  private build(part: Part): Element {
    const element = marking(this.pdf).struct(part.tag, {
      ...(part.alt ? { alt: part.alt } : {}),
      ...(part.actual ? { actual: part.actual } : {}),
      ...(part.language ? { lang: part.language } : {}),
    })
    if (part.tag === 'TH' || part.tag === 'TD')
      element.dictionary.data['A'] = {
        O: 'Table',
        ...(part.tag === 'TH' ? { Scope: 'Column' } : {}),
        ...(part.columns ? { ColSpan: part.columns } : {}),
        ...(part.rows ? { RowSpan: part.rows } : {}),
      }
    this.elements.set(part, element)
    for (const each of part.parts) element.add(this.build(each))
    return element
  }
}
