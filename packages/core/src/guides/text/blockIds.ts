import type { NewId } from '../../shared'
import type { RichText } from './richText'

const BLOCK_ID = /^[A-Za-z0-9_-]{6,24}$/

/** The same text with an id on every top block; ids that are missing or met twice are made anew. */
export function withBlockIds(text: RichText, newId: NewId): RichText {
  const used = new Set<string>()
  const content = text.content.map((block) => {
    const id = block.attrs?.id
    if (id !== undefined && BLOCK_ID.test(id) && !used.has(id)) {
      used.add(id)
      return block
    }
    const fresh = newId()
    used.add(fresh)
    return { ...block, attrs: { ...block.attrs, id: fresh } }
  })
  return { type: 'doc', content }
}

/** The same text with ids of its own on every top block: for a copy. */
export const freshBlockIds = (text: RichText, newId: NewId): RichText =>
  withBlockIds(
    {
      type: 'doc',
      content: text.content.map((block) => ({
        ...block,
        ...(block.attrs ? { attrs: { ...block.attrs, id: undefined } } : {}),
      })),
    },
    newId,
  )
