import type { NewId } from '../../shared'
import { withBlockIds } from './blockIds'
import { isSafeLink } from './safeLink'
import { MAX_TEXT_LEVELS } from './textLevels'
import { RichText } from './richText'

const MARKS = new Set(['bold', 'italic', 'code', 'keyCap', 'link'])
const BLOCK_ID = /^[A-Za-z0-9_-]{6,24}$/

type Loose = { type?: unknown; text?: unknown; attrs?: Record<string, unknown> | null; marks?: unknown; content?: unknown }

function cleanMarks(marks: unknown): unknown[] | undefined {
  if (!Array.isArray(marks)) return undefined
  const kept = marks.filter((mark: Loose) => {
    if (!MARKS.has(String(mark?.type))) return false
    return mark.type !== 'link' || isSafeLink(String(mark.attrs?.['href'] ?? ''))
  })
  return kept.length > 0 ? kept : undefined
}

function clean(node: Loose, depth: number): unknown {
  if (depth > MAX_TEXT_LEVELS + 2) throw new RangeError('text is nested too deeply')
  if (node === null || typeof node !== 'object') return node
  const { marks, content, attrs, ...rest } = node
  const keptMarks = cleanMarks(marks)
  return {
    ...rest,
    ...(attrs
      ? {
          attrs: Object.fromEntries(
            Object.entries(attrs).filter(([key, value]) => value !== null && (key !== 'id' || BLOCK_ID.test(String(value)))),
          ),
        }
      : {}),
    ...(keptMarks ? { marks: keptMarks } : {}),
    ...(Array.isArray(content)
      ? { content: content.filter((each: Loose) => each?.type !== 'text' || each.text !== '').map((each: Loose) => clean(each, depth + 1)) }
      : {}),
  }
}

/** What is kept of rich text from outside: links to anything but web, mail and telephone lose their address, unknown marks and
 * attributes go, and each block at the top gets an id that is its own.
 * @returns the clean text, or what is wrong with it and where */
export function cleanRichText(
  value: unknown,
  newId: NewId,
): { ok: true; text: RichText } | { ok: false; reason: 'not-rich-text'; detail: string } {
  let candidate: unknown
  try {
    candidate = clean(value as Loose, 0)
  } catch (error) {
    if (error instanceof RangeError) return { ok: false, reason: 'not-rich-text', detail: error.message }
    throw error
  }
  const parsed = RichText.safeParse(candidate)
  if (!parsed.success) {
    const issue = parsed.error.issues[0]
    return { ok: false, reason: 'not-rich-text', detail: `${issue?.path.join('/') ?? ''}: ${issue?.message ?? 'unknown'}` }
  }
  return { ok: true, text: withBlockIds(parsed.data, newId) }
}
