import * as z from 'zod/mini'
import { QUIZ_LIMITS } from '../limits'
import { Content, isBlank } from './content'

/** Id of something that a question is made of: an option, an entry, an area. It tells nothing of what is right. */
export const OptionId = z.string().check(z.regex(/^[A-Za-z0-9_-]{6,24}$/, 'Not an id of an option'))
/** Something that can be chosen, put in order or matched. */
export const Option = z.object({ id: OptionId, content: Content })
/** Read by {@link Option}. */
export type Option = z.infer<typeof Option>

const idsOf = (list: readonly { id: string }[]): string[] => list.map(({ id }) => id)
/** Whether ids are all different. */
export const allDiffer = (ids: readonly string[]): boolean => new Set(ids).size === ids.length
/** Options of one question. */
export const Options = z.array(Option).check(
  z.maxLength(QUIZ_LIMITS.options, `${QUIZ_LIMITS.options} are the most.`),
  z.refine((list) => allDiffer(idsOf(list)), 'Two options have the same id'),
)

/** What is wrong with options, in words; `null` when nothing is. */
export function optionsLack(options: readonly Option[], least: number, what: string): string | null {
  if (options.length < least) return `Give it at least ${least} ${what}.`
  if (options.some(({ content }) => isBlank(content))) return `One of the ${what} is empty.`
  return null
}
/** The contents of options. */
export const contentsOf = (options: readonly Option[]): Content[] => options.map(({ content }) => content)
/** The same options under new ids. */
export const copiedOptions = (options: readonly Option[], idOf: (id: string) => string): Option[] =>
  options.map(({ id, content }) => ({ id: idOf(id), content }))
