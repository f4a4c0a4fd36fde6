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
