import * as z from 'zod/mini'
import { plainText, RichText, richTextOf } from '../../guides'
import { PictureId } from '../../shared'
import { QUIZ_LIMITS } from '../limits'

const TOO_LONG = `That is too long: ${QUIZ_LIMITS.text.toLocaleString('en')} characters, with what sets them off, are the most.`

/** A picture, and what it shows for those who do not see it. */
export const ContentPicture = z.object({ id: PictureId, alt: z.string().check(z.maxLength(QUIZ_LIMITS.alt)) })

/** What a prompt, an option or an explanation shows: rich text, and pictures under it. */
export const Content = z.object({
  text: RichText.check(z.refine((text) => JSON.stringify(text).length <= QUIZ_LIMITS.text, TOO_LONG)),
  pictures: z.array(ContentPicture).check(z.maxLength(QUIZ_LIMITS.pictures)),
})
/** Read by {@link Content}. */
export type Content = z.infer<typeof Content>

/** Content of plain words, a paragraph for each line. */
export const contentOf = (...lines: string[]): Content => ({ text: richTextOf(...(lines.length > 0 ? lines : [''])), pictures: [] })
/** The words of content, in one line. */
export const wordsOf = ({ text }: Content): string => plainText(text).replace(/\s+/g, ' ').trim()
/** Whether content shows nothing at all. */
export const isBlank = (content: Content): boolean => content.pictures.length === 0 && wordsOf(content) === ''
