import type { CaptionsId, PictureId } from '../shared'
import { clipsIn, withClips, type Content, type ContentClip } from './questions/content'
import type { Question } from './questions/question'
import { kindOf } from './questions/questionKinds'

/** The contents of a question as it is asked. */
const askedContents = ({ prompt, kind, ask }: Question): Content[] => [prompt, ...kindOf(kind).contents(ask)]
/** All contents of a question. */
const contentsOf = (question: Question): Content[] => [...askedContents(question), question.explanation]
const ofPlace = (question: Question): PictureId[] =>
  question.kind === 'place' && question.ask.picture !== null ? [question.ask.picture.id] : []
/** The pictures of contents, those that stand for videos too. */
const picturesIn = (contents: readonly Content[]): PictureId[] =>
  contents.flatMap((content) => [
    ...content.pictures.map(({ id }) => id),
    ...clipsIn(content).flatMap(({ poster }) => (poster === null ? [] : [poster])),
  ])

/** The pictures that whoever is asked a question sees. */
export const picturesAsked = (question: Question): PictureId[] => [...picturesIn(askedContents(question)), ...ofPlace(question)]
/** All pictures of a question, those of its explanation too. */
export const picturesOf = (question: Question): PictureId[] => [...picturesAsked(question), ...picturesIn([question.explanation])]
/** All clips of a question, those of its explanation too, with their captions and the pictures that stand for them. */
export const clipsOf = (question: Question): (Pick<ContentClip, 'id' | 'kind' | 'poster'> & { captions: CaptionsId[] })[] =>
  contentsOf(question)
    .flatMap(clipsIn)
    .map(({ id, kind, captions, poster }) => ({ id, kind, poster, captions: captions.map((each) => each.id) }))

/** A question whose contents are others. */
function withContents(question: Question, other: (content: Content) => Content): Question {
  const all = <O extends { content: Content }>(options: readonly O[]): O[] =>
    options.map((each) => ({ ...each, content: other(each.content) }))
  const base = { ...question, prompt: other(question.prompt), explanation: other(question.explanation) }
  switch (base.kind) {
    case 'one':
    case 'several':
      return { ...base, ask: { options: all(base.ask.options) } } as Question
    case 'order':
      return { ...base, ask: { entries: all(base.ask.entries) } }
    case 'match':
      return { ...base, ask: { left: all(base.ask.left), right: all(base.ask.right) } }
    case 'place':
    case 'true-false':
    case 'text':
    case 'number':
    case 'written':
    case 'recorded':
      return base
  }
}

/** A question that shows other pictures in the place of its own. @param idOf `null`: the picture is left out */
export function withPictures(question: Question, idOf: (id: PictureId) => PictureId | null): Question {
  const other = <P extends { id: PictureId }>(picture: P): P | null => {
    const id = idOf(picture.id)
    return id && { ...picture, id }
  }
  const changed = withContents(question, (content) =>
    withClips(
      { ...content, pictures: content.pictures.map(other).filter((picture) => picture !== null) },
      clipsIn(content).map((clip) => ({ ...clip, poster: clip.poster && idOf(clip.poster) })),
    ),
  )
  return changed.kind === 'place' ? { ...changed, ask: { picture: changed.ask.picture && other(changed.ask.picture) } } : changed
}

/** A question that plays other clips in the place of its own. @param other `null`: the clip is left out */
export const withOtherClips = (question: Question, other: (clip: ContentClip) => ContentClip | null): Question =>
  withContents(question, (content) =>
    withClips(
      content,
      clipsIn(content).flatMap((clip) => other(clip) ?? []),
    ),
  )
