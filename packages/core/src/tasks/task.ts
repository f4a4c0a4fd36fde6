import * as z from 'zod/mini'
import { GroupId, PictureId } from '../shared'

/** Longest title, text and description of a picture of a task, in characters; longest time that it may take, in minutes. */
export const TASK_LIMITS = { title: 200, words: 4_000, alt: 300, minutes: 480 } as const

/** Who says that a task is done: whoever somebody reports to, who looks after them in a plan, or who has a role. */
export const Confirmer = z.discriminatedUnion('by', [
  z.object({ by: z.literal('manager') }),
  z.object({ by: z.literal('mentor') }),
  z.object({ by: z.literal('role'), roleId: GroupId }),
])
/** Read by {@link Confirmer}. */
export type Confirmer = z.infer<typeof Confirmer>

/** What is handed in as evidence: one's word, some words, or a photo. */
export const Evidence = z.enum(['none', 'words', 'photo'])
/** Read by {@link Evidence}. */
export type Evidence = z.infer<typeof Evidence>

/** What a task says: something to be done in the real world, and confirmed by somebody else. */
export const TaskDocument = z.object({
  title: z.string().check(z.trim(), z.minLength(1, 'Give it a title'), z.maxLength(TASK_LIMITS.title)),
  /** Plain text; an empty line begins a new paragraph. */
  words: z.string().check(z.maxLength(TASK_LIMITS.words)),
  picture: z.nullable(z.object({ id: PictureId, alt: z.string().check(z.maxLength(TASK_LIMITS.alt)) })),
  minutes: z.int('A whole number of minutes').check(z.minimum(1, 'At least one minute'), z.maximum(TASK_LIMITS.minutes)),
  confirmer: Confirmer,
  evidence: Evidence,
})
/** Read by {@link TaskDocument}. */
export type TaskDocument = z.infer<typeof TaskDocument>

/** The paragraphs of a text: what empty lines part; ends of lines within one stay. */
export const paragraphsOf = (words: string): string[] =>
  words
    .split(/\n[ \t]*\n/)
    .map((each) => each.trim())
    .filter(Boolean)
