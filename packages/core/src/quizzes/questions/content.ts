import * as z from 'zod/mini'
import { ClipKind } from '../../clips'
import { plainText, RichText, richTextOf } from '../../guides'
import { CaptionsId, ClipId, PictureId } from '../../shared'
import { QUIZ_LIMITS } from '../limits'

const TOO_LONG = `That is too long: ${QUIZ_LIMITS.text.toLocaleString('en')} characters, with what sets them off, are the most.`

/** A picture, and what it shows for those who do not see it. */
export const ContentPicture = z.object({ id: PictureId, alt: z.string().check(z.maxLength(QUIZ_LIMITS.alt)) })

/** Captions of a clip. `language`: BCP 47. */
const ClipCaptions = z.object({
  id: CaptionsId,
  language: z.string().check(z.regex(/^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/, 'Not a language')),
})
/** Sound or video, and what it is called. `poster`: the picture that stands for a video before it is played. */
export const ContentClip = z.object({
  id: ClipId,
  kind: ClipKind,
  title: z.string().check(z.maxLength(QUIZ_LIMITS.alt)),
  durationMs: z.nullable(z.int().check(z.minimum(0))),
  poster: z.nullable(PictureId),
  captions: z.array(ClipCaptions).check(
    z.maxLength(QUIZ_LIMITS.captions),
    z.refine(
      (all) => new Set(all.map(({ language }) => language.toLowerCase())).size === all.length,
      'Two captions are in the same language',
    ),
  ),
})
/** Read by {@link ContentClip}. */
export type ContentClip = z.infer<typeof ContentClip>

/** What a prompt, an option or an explanation shows: rich text, and pictures and clips under it. Most have no clips, and say nothing of them. */
export const Content = z.object({
  text: RichText.check(z.refine((text) => JSON.stringify(text).length <= QUIZ_LIMITS.text, TOO_LONG)),
  pictures: z.array(ContentPicture).check(z.maxLength(QUIZ_LIMITS.pictures)),
  clips: z.optional(z.array(ContentClip).check(z.maxLength(QUIZ_LIMITS.clips))),
})
/** Read by {@link Content}. */
export type Content = z.infer<typeof Content>

/** Content of plain words, a paragraph for each line. */
export const contentOf = (...lines: string[]): Content => ({ text: richTextOf(...(lines.length > 0 ? lines : [''])), pictures: [] })
/** The words of content, in one line. */
export const wordsOf = ({ text }: Content): string => plainText(text).replace(/\s+/g, ' ').trim()
/** The clips of content. */
export const clipsIn = ({ clips = [] }: Content): readonly ContentClip[] => clips
/** The same content with these clips. */
export const withClips = ({ clips: _before, ...content }: Content, clips: readonly ContentClip[]): Content =>
  clips.length > 0 ? { ...content, clips: [...clips] } : content
/** Whether content shows nothing at all. */
export const isBlank = (content: Content): boolean =>
  content.pictures.length === 0 && clipsIn(content).length === 0 && wordsOf(content) === ''
