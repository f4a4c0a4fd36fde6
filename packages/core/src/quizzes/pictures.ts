import type { PictureId } from '../shared'
import type { Content } from './questions/content'
import type { Question } from './questions/question'
import { kindOf } from './questions/questionKinds'

/** The contents of a question as it is asked. */
const askedContents = ({ prompt, kind, ask }: Question): Content[] => [prompt, ...kindOf(kind).contents(ask)]
const ofPlace = (question: Question): PictureId[] =>
  question.kind === 'place' && question.ask.picture !== null ? [question.ask.picture.id] : []
const picturesIn = (contents: readonly Content[]): PictureId[] => contents.flatMap(({ pictures }) => pictures.map(({ id }) => id))

/** The pictures that whoever is asked a question sees. */
export const picturesAsked = (question: Question): PictureId[] => [...picturesIn(askedContents(question)), ...ofPlace(question)]
/** All pictures of a question, those of its explanation too. */
export const picturesOf = (question: Question): PictureId[] => [...picturesAsked(question), ...picturesIn([question.explanation])]

/** A question that shows other pictures in the place of its own. @param idOf `null`: the picture is left out */
export function withPictures(question: Question, idOf: (id: PictureId) => PictureId | null): Question {
  const other = <P extends { id: PictureId }>(picture: P): P | null => {
    const id = idOf(picture.id)
    return id && { ...picture, id }
  }
  const content = (each: Content): Content => ({ ...each, pictures: each.pictures.map(other).filter((picture) => picture !== null) })
  const all = <O extends { content: Content }>(options: readonly O[]): O[] =>
    options.map((each) => ({ ...each, content: content(each.content) }))
  const base = { ...question, prompt: content(question.prompt), explanation: content(question.explanation) }
  switch (base.kind) {
    case 'one':
    case 'several':
      return { ...base, ask: { options: all(base.ask.options) } } as Question
    case 'order':
      return { ...base, ask: { entries: all(base.ask.entries) } }
    case 'match':
      return { ...base, ask: { left: all(base.ask.left), right: all(base.ask.right) } }
    case 'place':
      return { ...base, ask: { picture: base.ask.picture && other(base.ask.picture) } }
    case 'true-false':
    case 'text':
    case 'number':
    case 'written':
      return base
  }
}
