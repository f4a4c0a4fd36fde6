import { decodeHTML } from 'entities'
import { describe, expect, it } from 'vitest'
import { GuideDocument } from '../../guides'
import { seededIds } from '../../shared'
import { importMarkdown } from './importMarkdown'

const files = (import.meta as unknown as { glob: (pattern: string, options: object) => unknown }).glob(
  '../../../../../node_modules/{*,@*/*}/{README,readme,Readme}.md',
  { query: '?raw', import: 'default' },
) as Record<string, () => Promise<string>>

/** The words of the source as a reader of the raw file sees them; list numbers, tag and attribute names are notation. Written apart from the audit that it checks. */
function wordsOf(source: string): Map<string, number> {
  const bare = decodeHTML(
    source
      .replace(/^[\s>*+-]*\[[ xX]\](?=\s)/gm, ' ')
      .replace(/^[\s>*+-]*?\d{1,9}[.)](?=\s)/gm, ' ')
      .replace(
        /<(\/?)([A-Za-z][\w-]*)((?:[^<>"']|"[^"]*"|'[^']*')*)>/g,
        (_, __, ___, attributes: string) => ` ${attributes.replace(/[\w:@.-]+\s*=\s*/g, ' ')} `,
      ),
  )
  const counts = new Map<string, number>()
  for (const word of bare.split(/[^\p{L}\p{N}]+/u)) if (word !== '') counts.set(word, (counts.get(word) ?? 0) + 1)
  return counts
}

function textsIn(value: unknown, key = ''): string[] {
  if (typeof value === 'string') return ['id', 'type', 'kind', 'notReadyWhy'].includes(key) ? [] : [value]
  if (Array.isArray(value)) return value.flatMap((each) => textsIn(each))
  return value !== null && typeof value === 'object' ? Object.entries(value).flatMap(([name, each]) => textsIn(each, name)) : []
}

describe('README files of installed packages', () => {
  it('lose no word: each is in the draft or listed as not placed', async () => {
    const paths = Object.keys(files).sort()
    expect(paths.length).toBeGreaterThanOrEqual(200)
    let [words, listed] = [0, 0]
    for (const path of paths) {
      const source = await files[path]!()
      const read = importMarkdown(source, path, seededIds(2))
      if (!read.ok) throw new Error(`${path}: ${read.words}`)
      const { document, notPlaced } = read.draft
      expect(GuideDocument.safeParse(document).error, path).toBeUndefined()
      const have = new Map<string, number>()
      for (const text of [...textsIn(document), ...notPlaced.flatMap((each) => each.words)])
        for (const word of text.split(/[^\p{L}\p{N}]+/u)) have.set(word, (have.get(word) ?? 0) + 1)
      const cautions = document.items.reduce((sum, item) => sum + (item.kind === 'step' ? (item.cautions?.length ?? 0) : 0), 0)
      // A signal word has become the level of a caution.
      const became = (word: string) => (/^(note|warning|caution|danger)$/i.test(word) ? cautions : 0)
      const lost = [...wordsOf(source)].filter(([word, count]) => (have.get(word) ?? 0) + became(word) < count)
      expect(lost, path).toEqual([])
      for (const count of wordsOf(source).values()) words += count
      listed += notPlaced.reduce((sum, each) => sum + each.words.length, 0)
    }
    expect(listed / words).toBeLessThan(0.12)
  }, 120_000)
})
