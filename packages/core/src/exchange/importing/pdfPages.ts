import { nth } from '../../shared'
import { escapeHtml } from '../text/blocksHtml'

/** Words on a page of a PDF, in points from its top left corner; `top` is their base line. */
export type PdfWords = { words: string; left: number; top: number; size: number; width: number }
/** A picture on a page, by the path of its file. */
export type PdfPicture = { path: string; left: number; top: number }
/** What stands on a page. */
export type PdfPage = { height: number; words: PdfWords[]; pictures: PdfPicture[] }

type Line = { words: string; left: number; top: number; size: number; page: number }

/** Words of one base line, from left to right, with blanks where there is room between them. */
function lineOf(row: readonly PdfWords[], page: number): Line {
  const sorted = [...row].sort((a, b) => a.left - b.left)
  let words = ''
  let end: number | null = null
  for (const each of sorted) {
    if (end !== null && each.left - end > each.size * 0.18 && !words.endsWith(' ')) words += ' '
    words += each.words
    end = each.left + each.width
  }
  const [first] = sorted
  return {
    words: words.replace(/\s+/g, ' ').trim(),
    left: first?.left ?? 0,
    top: first?.top ?? 0,
    size: Math.max(...sorted.map((each) => each.size)),
    page,
  }
}

/** The lines of a page from above: words whose base lines are less than a third of their size apart are one. */
function linesOn({ words }: PdfPage, page: number): Line[] {
  const rows: PdfWords[][] = []
  for (const each of [...words].sort((a, b) => a.top - b.top || a.left - b.left)) {
    const row = rows.at(-1)
    if (row && Math.abs(nth(row, 0).top - each.top) < each.size / 3) row.push(each)
    else rows.push([each])
  }
  return rows.map((row) => lineOf(row, page)).filter((line) => line.words !== '')
}

const sameWords = (line: Line): string => line.words.replace(/\d+/g, '#')
/** Heads and feet: lines at the edge of pages that stand on most of them, whatever their numbers. */
function repeated(pages: readonly PdfPage[], lines: readonly Line[]): Set<string> {
  if (pages.length < 3) return new Set()
  const counts = new Map<string, Set<number>>()
  for (const line of lines) {
    const { height } = nth(pages, line.page)
    if (line.top > height * 0.1 && line.top < height * 0.9) continue
    counts.set(sameWords(line), (counts.get(sameWords(line)) ?? new Set()).add(line.page))
  }
  return new Set([...counts].flatMap(([words, on]) => (on.size > pages.length / 2 ? [words] : [])))
}

/** The size of most letters. */
function usualSize(lines: readonly Line[]): number {
  const letters = new Map<number, number>()
  for (const { size, words } of lines) letters.set(Math.round(size * 2) / 2, (letters.get(Math.round(size * 2) / 2) ?? 0) + words.length)
  return [...letters].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 10
}

const HEADING_LETTERS = 120
const BEGINS_ENTRY = /^\s*(\(?\d{1,3}[.):]\)?|\p{L}{3,9}\s\d{1,3}[.:]|[•·–▪◦*-])\s/u

/** A document of pages as HTML: paragraphs, headings by their size, pictures where they stand. What stands at the edge of most pages is left out.
 * @returns also all lines that people see, as they are */
export function htmlOfPages(pages: readonly PdfPage[]): { html: string; lines: string[] } {
  const lines = pages.flatMap((page, n) => linesOn(page, n))
  const edges = repeated(pages, lines)
  const usual = usualSize(lines)
  const levels = [
    ...new Set(
      lines.filter((line) => line.size > usual * 1.15 && line.words.length <= HEADING_LETTERS).map((line) => Math.round(line.size)),
    ),
  ].sort((a, b) => b - a)
  const out: string[] = []
  let open: string[] = []
  let last: Line | null = null
  const flush = () => {
    if (open.length > 0) out.push(`<p>${escapeHtml(open.join(' ').replace(/(\p{Ll})- (?=\p{Ll})/gu, '$1'))}</p>`)
    open = []
  }
  pages.forEach(({ pictures }, n) => {
    const waiting = [...pictures].sort((a, b) => a.top - b.top)
    const showAbove = (top: number) => {
      while (waiting[0] && waiting[0].top < top) {
        flush()
        out.push(`<p><img src="${escapeHtml(waiting.shift()!.path)}" alt=""></p>`)
      }
    }
    for (const line of lines.filter((each) => each.page === n)) {
      showAbove(line.top)
      if (edges.has(sameWords(line)) && (line.top < nth(pages, n).height * 0.1 || line.top > nth(pages, n).height * 0.9)) continue
      const level =
        line.words.length <= HEADING_LETTERS && line.size > usual * 1.15 ? Math.min(levels.indexOf(Math.round(line.size)) + 1, 3) : 0
      if (level > 0) {
        flush()
        out.push(`<h${level}>${escapeHtml(line.words)}</h${level}>`)
        last = null
        continue
      }
      const apart = last && (line.page !== last.page ? false : line.top - last.top > Math.max(line.size, last.size) * 1.75)
      if (!last || apart || BEGINS_ENTRY.test(line.words)) flush()
      open.push(line.words)
      last = line
    }
    showAbove(Infinity)
  })
  flush()
  return { html: out.join('\n'), lines: lines.map((line) => line.words) }
}
