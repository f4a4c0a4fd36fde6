import { FolderId, GuideId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'

/** Largest file that is taken for an import, in bytes. */
export const MAX_IMPORT_BYTES = 60 * 1024 * 1024

/** What came of an import. `notPlaced` lists, by line of the file, the words that have no place in the draft. */
export const ImportReport = z.object({
  id: GuideId,
  number: z.int(),
  title: z.string(),
  steps: z.int(),
  sections: z.int(),
  pictures: z.int(),
  missingPictures: z.array(z.object({ path: z.string(), why: z.string() })),
  notPlaced: z.array(z.object({ line: z.int(), text: z.string(), words: z.array(z.string()) })),
  otherFiles: z.array(z.string()),
  /** Of a guide file: what it refers to and is not here. */
  notHere: z.array(z.string()),
  /** The file tells only how it looks: the draft is a rough start. */
  rough: z.boolean(),
})
/** Read by {@link ImportReport}. */
export type ImportReport = z.infer<typeof ImportReport>

/** A Markdown file, a page of HTML, a Word file, a PDF with words, a zip of a text with its pictures, or the file of a whole guide becomes a draft. */
export const importGuide = endpoint({
  method: 'post',
  path: '/api/imports',
  access: { may: 'item.create' },
  query: z.object({ name: z.string().check(z.minLength(1), z.maxLength(300)), folder: z.optional(FolderId) }),
  bytes: { types: ['text/*', 'application/zip', 'application/octet-stream', 'application/x-zip-compressed'], maxBytes: MAX_IMPORT_BYTES },
  response: ImportReport,
  problems: ['not-markdown', 'not-a-document', 'bad-zip', 'too-large', 'wrong-type'],
})
