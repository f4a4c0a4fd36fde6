import { PAPERS } from '@jackdaw/core/exchange'
import { ExportId, FolderId, GuideId, keysOf, SectionId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'

/** Most guides that go into one file. */
export const MOST_IN_EXPORT = 60
/** What is put out: guides in an order, one section of a guide, or all guides in a folder and those below it that the asker may read. */
export const ExportWhat = z.discriminatedUnion('of', [
  z.object({ of: z.literal('guides'), guides: z.array(GuideId).check(z.minLength(1), z.maxLength(MOST_IN_EXPORT)) }),
  z.object({ of: z.literal('section'), guideId: GuideId, sectionId: SectionId }),
  z.object({ of: z.literal('folder'), folderId: FolderId }),
])
/** Read by {@link ExportWhat}. */
export type ExportWhat = z.infer<typeof ExportWhat>
/** How it is put out. */
export const ExportAs = z.discriminatedUnion('format', [
  z.object({ format: z.literal('pdf'), paper: z.enum(keysOf(PAPERS)) }),
  /** Word, to go on with there. */
  z.object({ format: z.literal('word') }),
  /** One page of HTML that needs nothing beside it. */
  z.object({ format: z.literal('page') }),
  /** Markdown with pictures, in a zip. */
  z.object({ format: z.literal('markdown') }),
  /** One whole guide, for another Jackdaw: only for those who may edit it. */
  z.object({ format: z.literal('guide-file') }),
])
/** Read by {@link ExportAs}. */
export type ExportAs = z.infer<typeof ExportAs>

/** What is to be put out and how. `title`: of a file with several guides; `draft`: as the draft stands now, not as it was published. */
export const ExportOrder = z.object({
  what: ExportWhat,
  as: ExportAs,
  title: z.string().check(z.trim(), z.maxLength(200)),
  draft: z.boolean(),
})
/** Read by {@link ExportOrder}. */
export type ExportOrder = z.infer<typeof ExportOrder>

/** What has become of a file: it waits, is being written, is there, could not be written, or is gone again. */
export const ExportState = z.enum(['waiting', 'writing', 'ready', 'failed', 'gone'])
/** Why a file is gone: its days are over, or a picture in it has been blacked out. */
export const ExportGone = z.enum(['expired', 'blackout'])

/** Characters of a script for which the fonts have no letter: how many different ones, and some of them. */
export const MissingScript = z.object({ script: z.string(), count: z.int(), some: z.string() })
/** Read by {@link MissingScript}. */
export type MissingScript = z.infer<typeof MissingScript>

/** A file that was made of guides. Times are epoch milliseconds; it is kept until `keptUntil`. `reason`: why it could not be written. */
export const ExportRow = z.object({
  id: ExportId,
  title: z.string(),
  format: z.enum(['pdf', 'word', 'page', 'markdown', 'guide-file']),
  guides: z.int(),
  draft: z.boolean(),
  state: ExportState,
  progress: z.nullable(z.object({ done: z.int(), of: z.int() })),
  askedAt: z.int(),
  keptUntil: z.nullable(z.int()),
  bytes: z.nullable(z.int()),
  pages: z.nullable(z.int()),
  missing: z.array(MissingScript),
  reason: z.nullable(z.string()),
  gone: z.nullable(ExportGone),
})
/** Read by {@link ExportRow}. */
export type ExportRow = z.infer<typeof ExportRow>

/** Has guides written as a file. It is written by a job. */
export const createExport = endpoint({
  method: 'post',
  path: '/api/exports',
  access: { may: 'export.make' },
  body: ExportOrder,
  response: z.object({ id: ExportId }),
  problems: ['invalid', 'not-found', 'too-many-tries'],
})
/** The files that the asker has had made, the newest first. */
export const listExports = endpoint({
  method: 'get',
  path: '/api/exports',
  access: { may: 'export.make' },
  response: z.array(ExportRow),
  problems: [],
})
const one = { params: z.object({ id: ExportId }), access: { may: 'export.use', over: 'export' } } as const
/** How far a file is. */
export const getExport = endpoint({ method: 'get', path: '/api/exports/:id', ...one, response: ExportRow, problems: [] })
/** Deletes a file, or does not have it written after all. */
export const removeExport = endpoint({ method: 'delete', path: '/api/exports/:id', ...one, problems: [] })
/** The file itself. */
export const sendExport = endpoint({ method: 'get', path: '/exports/:id/file', ...one, file: true, problems: ['export-not-ready'] })
