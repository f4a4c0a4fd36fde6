import { BankDocument, QuizDocument, TestedStep } from '@jackdaw/core/quizzes'
import { BankId, Instant, PictureId, QuizId, Whole } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { EditionInAddress, endpoint } from './endpoint'
import { PersonRef } from './people'
import { MAX_PICTURE_BYTES, PictureSize, StoredPicture } from './pictures'

const quiz = z.object({ id: QuizId })
const edits = { access: { may: 'item.edit', over: 'quiz' }, params: quiz } as const
const bank = z.object({ id: BankId })
const ofBank = { access: { may: 'bank.edit', over: 'bank' }, params: bank } as const
const upload = { types: ['image/*', 'application/octet-stream'], maxBytes: MAX_PICTURE_BYTES } as const
const size = z.object({ size: z.optional(PictureSize) })
/** Five hundred questions with much in them. */
const MOST_BYTES = 1_500_000

/** Something that its author should know, see `QuizFinding` of the core. */
export const Finding = z.object({
  stops: z.boolean(),
  about: z.nullable(z.string()),
  words: z.string(),
  into: z.optional(z.record(z.string(), z.union([z.string(), z.number()]))),
})

/** A step that questions name, as it is called in the newest edition of its guide. */
export const NamedStep = z.extend(TestedStep, { name: z.string(), title: z.string() })
/** Read by {@link NamedStep}. */
export type NamedStep = z.infer<typeof NamedStep>

/** A quiz in a list. `changed`: the draft, or a bank from which it draws, says something else than the newest edition. */
export const QuizRow = z.object({
  id: QuizId,
  number: z.int(),
  title: z.string(),
  questions: z.int(),
  passMark: z.int(),
  owner: PersonRef,
  edition: z.nullable(z.int()),
  changed: z.boolean(),
  archived: z.boolean(),
  changedAt: Instant,
  /** How many people have made an attempt that is over, how many of them have passed, and how many attempts those have made on the average until they passed. */
  people: z.int(),
  passed: z.int(),
  attemptsToPass: z.nullable(z.number()),
})
/** Read by {@link QuizRow}. */
export type QuizRow = z.infer<typeof QuizRow>
/** The quizzes that the asker may edit, those changed last on top. */
export const listQuizzes = endpoint({
  method: 'get',
  path: '/api/quizzes',
  access: { may: 'item.create' },
  query: z.object({ archived: z.optional(z.literal('yes')) }),
  response: z.array(QuizRow),
  problems: ['invalid'],
})
/** Makes a quiz of one's own. */
export const createQuiz = endpoint({
  method: 'post',
  path: '/api/quizzes',
  access: { may: 'item.create' },
  body: z.object({ document: QuizDocument }),
  maxBytes: MOST_BYTES,
  response: z.object({ id: QuizId }),
  problems: ['invalid', 'not-found'],
})
/** What a quiz says at the moment, for whoever writes it. `tested`: the steps that its questions name, as far as they are there. */
export const getQuizDraft = endpoint({
  method: 'get',
  path: '/api/quizzes/:id/draft',
  ...edits,
  response: z.object({
    id: QuizId,
    number: z.int(),
    revision: z.int(),
    document: QuizDocument,
    edition: z.nullable(z.int()),
    changed: z.boolean(),
    /** Names of the banks that have changed since the newest edition. */
    changedBanks: z.array(z.string()),
    archived: z.boolean(),
    mayPublish: z.boolean(),
    findings: z.array(Finding),
    /** Names of those who are told of results, and of those who judge replies. */
    named: z.array(PersonRef),
    tested: z.array(NamedStep),
  }),
  problems: [],
})
/** Says anew what a quiz says; whoever takes it takes the newest edition. `revision`: the state that was changed. */
export const saveQuiz = endpoint({
  method: 'put',
  path: '/api/quizzes/:id/draft',
  ...edits,
  body: z.object({ revision: Whole, document: QuizDocument }),
  maxBytes: MOST_BYTES,
  response: z.object({ revision: z.int(), findings: z.array(Finding) }),
  problems: ['invalid', 'draft-moved-on'],
})
/** Publishes what a quiz says as its next edition, with the questions of its banks as they are. `again`: whoever has passed has to take it once more. */
export const publishQuiz = endpoint({
  method: 'post',
  path: '/api/quizzes/:id/editions',
  access: { may: 'item.publish', over: 'quiz' },
  params: quiz,
  body: z.object({ revision: Whole, changeNote: z.string().check(z.maxLength(500)), again: z.boolean() }),
  response: z.object({ edition: z.int() }),
  problems: ['invalid', 'draft-moved-on', 'item-archived', 'not-publishable'],
})
/** Puts a quiz into the archive, where nobody has to take it any more, or takes it out again. */
export const archiveQuiz = endpoint({
  method: 'put',
  path: '/api/quizzes/:id/archived',
  ...edits,
  body: z.object({ archived: z.boolean() }),
  problems: ['invalid'],
})
/** Stores a picture for a quiz; its questions then name it. */
export const addQuizPicture = endpoint({
  method: 'post',
  path: '/api/quizzes/:id/pictures',
  ...edits,
  bytes: upload,
  response: StoredPicture,
  problems: ['not-a-picture', 'too-large', 'wrong-type'],
})
/** A picture of the draft. */
export const getQuizDraftPicture = endpoint({
  method: 'get',
  path: '/quizzes/:id/draft/pictures/:pictureId',
  access: edits.access,
  file: true,
  params: z.object({ id: QuizId, pictureId: PictureId }),
  query: size,
  problems: ['not-found'],
})
/** A picture of an edition. */
export const getQuizPicture = endpoint({
  method: 'get',
  path: '/quizzes/:id/editions/:edition/pictures/:pictureId',
  access: { may: 'item.read', over: 'quiz' },
  file: true,
  params: z.object({ id: QuizId, edition: EditionInAddress, pictureId: PictureId }),
  query: size,
  problems: ['not-found'],
})

/** A bank in a list. `quizzes`: how many quizzes draw from it. */
export const BankRow = z.object({
  id: BankId,
  number: z.int(),
  title: z.string(),
  questions: z.int(),
  tags: z.array(z.object({ tag: z.string(), questions: z.int() })),
  owner: PersonRef,
  quizzes: z.int(),
  archived: z.boolean(),
  mayEdit: z.boolean(),
  changedAt: Instant,
})
/** Read by {@link BankRow}. */
export type BankRow = z.infer<typeof BankRow>
/** All banks, those changed last on top. */
export const listBanks = endpoint({
  method: 'get',
  path: '/api/banks',
  access: { may: 'bank.use' },
  query: z.object({ archived: z.optional(z.literal('yes')) }),
  response: z.array(BankRow),
  problems: ['invalid'],
})
/** Makes a bank of one's own. */
export const createBank = endpoint({
  method: 'post',
  path: '/api/banks',
  access: { may: 'bank.use' },
  body: z.object({ document: BankDocument }),
  maxBytes: MOST_BYTES,
  response: z.object({ id: BankId }),
  problems: ['invalid'],
})
/** A bank with its questions. */
export const getBank = endpoint({
  method: 'get',
  path: '/api/banks/:id',
  access: { may: 'bank.use', over: 'bank' },
  params: bank,
  response: z.object({
    id: BankId,
    number: z.int(),
    revision: z.int(),
    document: BankDocument,
    archived: z.boolean(),
    mayEdit: z.boolean(),
    /** The quizzes that draw from it, as far as the asker may edit them. */
    quizzes: z.array(z.object({ id: QuizId, title: z.string() })),
    tested: z.array(NamedStep),
  }),
  problems: [],
})
/** Says anew what a bank holds. Quizzes have it from their next edition on. */
export const saveBank = endpoint({
  method: 'put',
  path: '/api/banks/:id',
  ...ofBank,
  body: z.object({ revision: Whole, document: BankDocument }),
  maxBytes: MOST_BYTES,
  response: z.object({ revision: z.int() }),
  problems: ['invalid', 'draft-moved-on'],
})
/** Puts a bank into the archive, where nothing new draws from it, or takes it out again. */
export const archiveBank = endpoint({
  method: 'put',
  path: '/api/banks/:id/archived',
  ...ofBank,
  body: z.object({ archived: z.boolean() }),
  problems: ['invalid'],
})
/** Stores a picture for a bank; its questions then name it. */
export const addBankPicture = endpoint({
  method: 'post',
  path: '/api/banks/:id/pictures',
  ...ofBank,
  bytes: upload,
  response: StoredPicture,
  problems: ['not-a-picture', 'too-large', 'wrong-type'],
})
/** A picture of a bank. */
export const getBankPicture = endpoint({
  method: 'get',
  path: '/banks/:id/pictures/:pictureId',
  access: { may: 'bank.use', over: 'bank' },
  file: true,
  params: z.object({ id: BankId, pictureId: PictureId }),
  query: size,
  problems: ['not-found'],
})
