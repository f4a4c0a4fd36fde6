import * as z from 'zod/mini'
import { isSafeLink } from './safeLink'
import { MAX_TEXT_LEVELS, textLevels } from './textLevels'

/** Longest text of one run of words; a pasted log of this size still comes through. */
const MAX_TEXT = 3_000_000

const Mark = z.discriminatedUnion('type', [
  z.object({ type: z.literal('bold') }),
  z.object({ type: z.literal('italic') }),
  z.object({ type: z.literal('code') }),
  z.object({ type: z.literal('keyCap') }),
  z.object({
    type: z.literal('link'),
    attrs: z.object({ href: z.string().check(z.refine(isSafeLink, 'Only links to guides, web, mail and telephone')) }),
  }),
])
/** How a run of words is set off, or where it leads. */
export type Mark = z.infer<typeof Mark>

const Text = z.object({
  type: z.literal('text'),
  text: z.string().check(z.minLength(1), z.maxLength(MAX_TEXT)),
  marks: z.optional(z.array(Mark).check(z.maxLength(5))),
})
const HardBreak = z.object({ type: z.literal('hardBreak') })
const Inline = z.discriminatedUnion('type', [Text, HardBreak])
/** A run of words, or a line break. */
export type Inline = z.infer<typeof Inline>

/** Id of a block at the top level of a step, stable from edition to edition. */
const BlockId = z.string().check(z.regex(/^[A-Za-z0-9_-]{6,24}$/, 'Not an id of a block'))
const blockAttrs = z.object({ id: z.optional(BlockId) })
const span = z.int().check(z.minimum(1), z.maximum(100))
const cellAttrs = z.object({ colspan: z.optional(span), rowspan: z.optional(span) })

const Paragraph = z.object({ type: z.literal('paragraph'), attrs: z.optional(blockAttrs), content: z.optional(z.array(Inline)) })
const CodeBlock = z.object({
  type: z.literal('codeBlock'),
  attrs: z.optional(z.object({ id: z.optional(BlockId), language: z.optional(z.nullable(z.string().check(z.maxLength(40)))) })),
  content: z.optional(z.array(z.object({ type: z.literal('text'), text: z.string().check(z.minLength(1), z.maxLength(MAX_TEXT)) }))),
})

/** An entry of a list. */
export type ListItem = { type: 'listItem'; content: Block[] }
/** A cell of a table; spans count from 1. */
export type TableCell = { type: 'tableCell' | 'tableHeader'; attrs?: z.infer<typeof cellAttrs> | undefined; content: Block[] }
/** A row of a table. */
export type TableRow = { type: 'tableRow'; content: TableCell[] }
type BlockAttrs = z.infer<typeof blockAttrs>
/** A block of rich text. Lists and table cells hold blocks again. */
export type Block =
  | z.infer<typeof Paragraph>
  | z.infer<typeof CodeBlock>
  | { type: 'bulletList'; attrs?: BlockAttrs | undefined; content: ListItem[] }
  | { type: 'orderedList'; attrs?: (BlockAttrs & { start?: number | undefined }) | undefined; content: ListItem[] }
  | { type: 'table'; attrs?: BlockAttrs | undefined; content: TableRow[] }

const lazyBlocks = z.lazy(() => z.array(Block).check(z.minLength(1)))
const ListItem: z.ZodMiniType<ListItem> = z.object({ type: z.literal('listItem'), content: lazyBlocks })
const TableCell: z.ZodMiniType<TableCell> = z.object({
  type: z.enum(['tableCell', 'tableHeader']),
  attrs: z.optional(cellAttrs),
  content: lazyBlocks,
})
const TableRow: z.ZodMiniType<TableRow> = z.object({
  type: z.literal('tableRow'),
  content: z.array(TableCell).check(z.minLength(1), z.maxLength(100)),
})
const Block: z.ZodMiniType<Block> = z.union([
  Paragraph,
  CodeBlock,
  z.object({ type: z.literal('bulletList'), attrs: z.optional(blockAttrs), content: z.array(ListItem).check(z.minLength(1)) }),
  z.object({
    type: z.literal('orderedList'),
    attrs: z.optional(z.object({ id: z.optional(BlockId), start: z.optional(z.int().check(z.minimum(0), z.maximum(1_000_000))) })),
    content: z.array(ListItem).check(z.minLength(1)),
  }),
  z.object({ type: z.literal('table'), attrs: z.optional(blockAttrs), content: z.array(TableRow).check(z.minLength(1)) }),
])

/** The text of a step: the subset of the editor's JSON that Jackdaw keeps. Nothing in it is HTML. */
export const RichText = z
  .object({ type: z.literal('doc'), content: z.array(Block) })
  .check(
    z.refine((text) => textLevels(text) <= MAX_TEXT_LEVELS, `Lists and tables lie more than ${MAX_TEXT_LEVELS / 2} deep in one another`),
  )
/** Read by {@link RichText}. */
export type RichText = z.infer<typeof RichText>
