import type { Question, QuestionKind } from '@jackdaw/core/quizzes'
import type { FunctionComponent } from 'react'
import { MatchFields, OrderFields } from './ArrangedFields'
import { OneFields, SeveralFields, TrueFalseFields } from './ChosenFields'
import type { FieldsOf } from './fieldsOf'
import { PlaceFields } from './PlaceFields'
import { RecordedFields, WrittenFields } from './ReplyFields'
import { NumberFields, TextFields } from './TypedFields'

/** The fields of each kind. */
const FIELDS: { [K in QuestionKind]: FunctionComponent<FieldsOf<K>> } = {
  one: OneFields,
  several: SeveralFields,
  'true-false': TrueFalseFields,
  text: TextFields,
  number: NumberFields,
  order: OrderFields,
  match: MatchFields,
  place: PlaceFields,
  written: WrittenFields,
  recorded: RecordedFields,
}

/** The fields of a question: what it asks, and what is right. */
export function KindFields({ question, onChange }: { question: Question; onChange: (question: Question) => void }) {
  const Fields = FIELDS[question.kind] as FunctionComponent<{ question: Question; onChange: (parts: object) => void }>
  return <Fields question={question} onChange={(parts) => onChange({ ...question, ...parts } as Question)} />
}
