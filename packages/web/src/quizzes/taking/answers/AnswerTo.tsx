import type { Answer, AskedQuestion, QuestionKind } from '@jackdaw/core/quizzes'
import type { FunctionComponent } from 'react'
import type { FileSource } from '../../ContentView'
import type { AnswerField } from './answerField'
import { MatchAnswer, OrderAnswer } from './Arranged'
import { OneAnswer, SeveralAnswers, TrueFalseAnswer } from './Chosen'
import { PlaceAnswer } from './Pointed'
import { RecordedAnswer } from './Recorded'
import { NumberAnswer, TextAnswer, WrittenAnswer } from './Typed'

/** What each kind of question is answered with. */
const FIELDS: { [K in QuestionKind]: FunctionComponent<AnswerField<K>> } = {
  one: OneAnswer,
  several: SeveralAnswers,
  'true-false': TrueFalseAnswer,
  text: TextAnswer,
  number: NumberAnswer,
  order: OrderAnswer,
  match: MatchAnswer,
  place: PlaceAnswer,
  written: WrittenAnswer,
  recorded: RecordedAnswer,
}

/** What a question is answered with. @param answer one of another kind counts as none */
export function AnswerTo({
  question,
  answer,
  disabled = false,
  source,
  onAnswer = () => undefined,
}: {
  question: AskedQuestion
  answer: Answer | null
  disabled?: boolean
  source: FileSource
  onAnswer?: (answer: Answer | null, atOnce?: boolean) => void
}) {
  const Field = FIELDS[question.kind] as FunctionComponent<{
    question: AskedQuestion
    answer: unknown
    disabled: boolean
    source: FileSource
    onAnswer: (answer: unknown, atOnce?: boolean) => void
  }>
  return (
    <Field
      {...{ question, disabled, source }}
      answer={answer?.kind === question.kind ? answer.answer : null}
      onAnswer={(given, atOnce) => onAnswer(given === null ? null : ({ kind: question.kind, answer: given } as Answer), atOnce)}
    />
  )
}
