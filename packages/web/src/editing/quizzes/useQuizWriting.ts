import type { getQuizDraft } from '@jackdaw/contracts/quizzes'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { QuizDocument } from '@jackdaw/core/quizzes'
import { useState } from 'react'
import { useSaveQuiz } from '../../quizzes/queries'
import { useSavedAsYouGo } from '../../ui/useSavedAsYouGo'

export type QuizDraft = ResponseOf<typeof getQuizDraft>
/** The quiz while it is written, with what is said about it as it was last saved. */
export function useQuizWriting(draft: QuizDraft) {
  const save = useSaveQuiz(draft.id)
  const [findings, setFindings] = useState(draft.findings)
  const writing = useSavedAsYouGo({ revision: draft.revision, document: draft.document }, QuizDocument, async (state) => {
    const saved = await save.mutateAsync(state)
    setFindings(saved.findings)
    return saved
  })
  return { ...writing, findings }
}
export type QuizWriting = ReturnType<typeof useQuizWriting>
