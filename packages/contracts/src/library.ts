import { GuideKind, GuideTitle } from '@jackdaw/core/guides'
import { FolderId, GuideId, PersonId, QuizId, StepId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { PersonRef } from './people'

const FolderName = z.string().check(z.trim(), z.minLength(1, 'Give the folder a name'), z.maxLength(120))

/** A folder; `guides` counts those directly in it that the asker may see. */
export const Folder = z.object({ id: FolderId, parentId: z.nullable(FolderId), name: z.string(), guides: z.int() })
/** Read by {@link Folder}. */
export type Folder = z.infer<typeof Folder>

/** The folders that the asker may see, as rows of a tree. */
export const listFolders = endpoint({
  method: 'get',
  path: '/api/folders',
  access: { may: 'library.find' },
  response: z.array(Folder),
  problems: [],
})
/** What a folder is called. */
export const FolderNaming = z.object({ name: FolderName })
/** Where a folder stands; `null`: at the top. */
export const FolderPlace = z.object({ parentId: z.nullable(FolderId) })
/** Makes a folder. */
export const createFolder = endpoint({
  method: 'post',
  path: '/api/folders',
  access: { may: 'folder.change' },
  body: z.object({ ...FolderNaming.shape, ...FolderPlace.shape }),
  response: Folder,
  problems: ['invalid'],
})
/** Renames, moves or archives a folder. */
export const changeFolder = endpoint({
  method: 'patch',
  path: '/api/folders/:folderId',
  access: { may: 'folder.change' },
  params: z.object({ folderId: FolderId }),
  body: z.object({ ...z.partial(FolderNaming).shape, ...z.partial(FolderPlace).shape, archived: z.optional(z.boolean()) }),
  problems: ['not-found', 'folder-loop', 'folder-not-empty'],
})

/** What a guide is to those who may edit it: a draft never published, published, published with a draft that went on, archived. */
export const GuideState = z.enum(['draft', 'published', 'changed', 'archived'])
/** Read by {@link GuideState}. */
export type GuideState = z.infer<typeof GuideState>

/** A guide in the library. `changedAt` is epoch milliseconds; for those who only read, the time of publishing. */
export const GuideRow = z.object({
  id: GuideId,
  number: z.int(),
  title: z.string(),
  kind: GuideKind,
  owner: PersonRef,
  folderId: z.nullable(FolderId),
  folder: z.string(),
  state: GuideState,
  edition: z.nullable(z.int()),
  changedAt: z.int(),
  changedBy: z.string(),
  mayEdit: z.boolean(),
  mayRead: z.boolean(),
})
/** Read by {@link GuideRow}. */
export type GuideRow = z.infer<typeof GuideRow>

/** Columns by which the library can be ordered. */
export const GuideSort = z.enum(['number', 'title', 'kind', 'owner', 'state', 'changed'])
/** Read by {@link GuideSort}. */
export type GuideSort = z.infer<typeof GuideSort>

const GuideQuery = z.object({
  folder: z.optional(FolderId),
  find: z.optional(z.string().check(z.maxLength(200))),
  kind: z.optional(GuideKind),
  archived: z.optional(z.enum(['yes', 'no'])),
  sort: z.optional(GuideSort),
  direction: z.optional(z.enum(['up', 'down'])),
  page: z.optional(z.coerce.number().check(z.int(), z.minimum(1), z.maximum(10_000))),
})
const GuidePage = z.object({ rows: z.array(GuideRow), total: z.int(), pageSize: z.int() })
/** Guides that the asker may see, a page of them. `find` is a part of the title or a whole number. */
export const listGuides = endpoint({
  method: 'get',
  path: '/api/guides',
  access: { may: 'library.find' },
  query: GuideQuery,
  response: GuidePage,
  problems: ['invalid'],
})
/** The guides that somebody else finds in the library; nothing is noted by looking. */
export const listGuidesOf = endpoint({
  method: 'get',
  path: '/api/people/:id/guides',
  access: { may: 'person.look-as', over: 'person' },
  params: z.object({ id: PersonId }),
  query: GuideQuery,
  response: GuidePage,
  problems: ['invalid'],
})
/** The folders that somebody else sees. */
export const listFoldersOf = endpoint({
  method: 'get',
  path: '/api/people/:id/folders',
  access: { may: 'person.look-as', over: 'person' },
  params: z.object({ id: PersonId }),
  response: z.array(Folder),
  problems: [],
})
/** A quiz in the library. Without an edition it is a draft that the asker may edit. */
export const FoundQuiz = z.object({
  id: QuizId,
  number: z.int(),
  title: z.string(),
  owner: PersonRef,
  edition: z.nullable(z.int()),
  /** That it is reckoned to take. */
  minutes: z.nullable(z.int()),
  publishedAt: z.nullable(z.int()),
  mayEdit: z.boolean(),
})
/** Read by {@link FoundQuiz}. */
export type FoundQuiz = z.infer<typeof FoundQuiz>
/** Quizzes that the asker may see, by title, a page of them. `find` is a part of the title or a whole number. */
export const findQuizzes = endpoint({
  method: 'get',
  path: '/api/library/quizzes',
  access: { may: 'library.find' },
  query: z.pick(GuideQuery, { find: true, page: true }),
  response: z.object({ rows: z.array(FoundQuiz), total: z.int(), pageSize: z.int() }),
  problems: ['invalid'],
})
/** A guide that fits what is typed. Without an edition it is a draft that the asker may edit. */
export const SuggestedGuide = z.object({ id: GuideId, number: z.int(), title: z.string(), edition: z.nullable(z.int()) })
/** Read by {@link SuggestedGuide}. */
export type SuggestedGuide = z.infer<typeof SuggestedGuide>
/** A step of a newest edition that fits. `position` counts from 1. */
export const SuggestedStep = z.object({ guideId: GuideId, title: z.string(), stepId: StepId, position: z.int(), name: z.string() })
/** Read by {@link SuggestedStep}. */
export type SuggestedStep = z.infer<typeof SuggestedStep>
/** What fits a part of a title, a guide's number or the name of a step, while it is typed: the best eight of each that the asker may see. */
export const suggest = endpoint({
  method: 'get',
  path: '/api/suggestions',
  access: { may: 'library.find' },
  query: z.object({ find: z.string().check(z.trim(), z.minLength(1), z.maxLength(200)) }),
  response: z.object({ guides: z.array(SuggestedGuide), steps: z.array(SuggestedStep) }),
  problems: ['invalid'],
})
/** What a guide is called. */
export const GuideNaming = z.object({ title: GuideTitle.check(z.minLength(1, 'Give the guide a title')) })
/** The folder of a guide; `null`: in none. */
export const GuidePlace = z.object({ folderId: z.nullable(FolderId) })
/** What a guide begins with. */
export const NewGuide = z.object({ ...GuideNaming.shape, kind: GuideKind, ...GuidePlace.shape })
/** Read by {@link NewGuide}. */
export type NewGuide = z.infer<typeof NewGuide>
/** Makes a guide with an empty step. */
export const createGuide = endpoint({
  method: 'post',
  path: '/api/guides',
  access: { may: 'item.create' },
  body: NewGuide,
  response: z.object({ id: GuideId, number: z.int() }),
  problems: ['invalid'],
})
/** What a copy of a guide is called, and where it goes. */
export const GuideCopy = z.object({ ...GuideNaming.shape, ...GuidePlace.shape })
/** Makes a guide like this one as it stands in its draft: steps, pictures and annotations of its own, owned by the asker, not published. */
export const duplicateGuide = endpoint({
  method: 'post',
  path: '/api/guides/:id/copies',
  access: { may: 'item.edit', over: 'guide' },
  params: z.object({ id: GuideId }),
  body: GuideCopy,
  response: z.object({ id: GuideId, number: z.int() }),
  problems: ['invalid', 'not-allowed', 'too-large'],
})
/** Changes the facts about a guide that are not part of its text, and its title. */
export const changeGuide = endpoint({
  method: 'patch',
  path: '/api/guides/:id',
  access: { may: 'item.edit', over: 'guide' },
  params: z.object({ id: GuideId }),
  body: z.object({
    ...z.partial(GuideNaming).shape,
    ...z.partial(GuidePlace).shape,
    ownerId: z.optional(PersonId),
    sharedWith: z.optional(z.array(PersonId).check(z.maxLength(50))),
    archived: z.optional(z.boolean()),
  }),
  problems: ['invalid', 'not-allowed', 'item-archived'],
})
