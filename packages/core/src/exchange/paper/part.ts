/** Tags of the structure that screen readers follow (ISO 32000-1, 14.8.4). */
export type Tag =
  | 'Document'
  | 'Sect'
  | 'H1'
  | 'H2'
  | 'H3'
  | 'H4'
  | 'P'
  | 'Span'
  | 'Link'
  | 'Code'
  | 'L'
  | 'LI'
  | 'Lbl'
  | 'LBody'
  | 'Table'
  | 'TR'
  | 'TH'
  | 'TD'
  | 'Figure'
  | 'TOC'
  | 'TOCI'

/** A part of the structure. What is placed on pages belongs to one without parts of its own.
 * `alt`: what a figure shows; `actual`: what is read instead of the signs that stand there; `language`: BCP 47, where it is another one. */
export type Part = {
  tag: Tag
  parts: Part[]
  alt?: string
  actual?: string
  language?: string
  columns?: number
  rows?: number
}

/** Adds a part to another one. */
export function addPart(within: Part, tag: Tag, more: Omit<Part, 'tag' | 'parts'> = {}): Part {
  const part: Part = { tag, parts: [], ...more }
  within.parts.push(part)
  return part
}

/** A structure without what has no place on paper. Cells without words stay: they are part of their table.
 * @param filled parts to which something on paper belongs
 * @returns `null` where nothing is left */
export function pruned(part: Part, filled: ReadonlySet<Part>): Part | null {
  if (!hasContent(part, filled)) return null
  const stays = part.tag === 'Table' || part.tag === 'TR' ? part.parts : part.parts.filter((each) => hasContent(each, filled))
  part.parts = stays.map((each) => pruned(each, filled) ?? each)
  return part
}
const hasContent = (part: Part, filled: ReadonlySet<Part>): boolean =>
  filled.has(part) || part.parts.some((each) => hasContent(each, filled))
