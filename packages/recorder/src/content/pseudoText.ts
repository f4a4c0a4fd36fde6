const HAS_WORDS = /[\p{L}\p{N}@]/u
const QUOTED = /"((?:[^"\\]|\\.)*)"/g

const wordsIn = (content: string): string =>
  content === 'none' || content === 'normal' || !HAS_WORDS.test(content)
    ? ''
    : [...content.matchAll(QUOTED)].map((match) => match[1]!.replace(/\\(.)/g, '$1')).join('')

/** Words that a style sheet puts before and after elements. Most elements have none, and those alike in kind, classes and attributes have
 * them alike: each kind without any is asked only once. */
export class PseudoText {
  private readonly without = new Set<string>()

  of(element: Element): { before: string; after: string } | null {
    const kind = `${element.localName} ${element.className} ${element.id} ${element.getAttributeNames().join(' ')} ${element.parentElement?.className}`
    if (this.without.has(kind)) return null
    const before = wordsIn(getComputedStyle(element, '::before').content)
    const after = wordsIn(getComputedStyle(element, '::after').content)
    if (before !== '' || after !== '') return { before, after }
    this.without.add(kind)
    return null
  }
}
