import type { Question, QuizDocument } from '@jackdaw/core/quizzes'
import { findingsOf, poolOf, type QuizFinding } from '@jackdaw/core/quizzes'
import type { BankId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { BANK } from '../model'

/** A bank as a quiz draws from it. */
export type DrawnBank = { bankId: BankId; title: string; revision: number; archived: boolean; questions: readonly Question[] }

/** The banks from which a quiz draws, as far as they are there. */
export async function banksOf(db: Db, { parts }: QuizDocument): Promise<DrawnBank[]> {
  const ids = [...new Set(parts.flatMap((part) => (part.part === 'draw' ? [part.bankId] : [])))]
  if (ids.length === 0) return []
  const rows = await db.in(BANK).find({ id: ids }, { order: ['id'] })
  return rows.map(({ id, revision, document, archivedAt }) => ({
    ...{ bankId: id, revision, archived: archivedAt !== null },
    ...{ title: document.title, questions: document.questions },
  }))
}

/** What is to be said about a quiz with its banks as they are. What is in the archive counts as gone for what is published anew. */
export const findingsWith = (document: QuizDocument, banks: readonly DrawnBank[]): QuizFinding[] =>
  findingsOf(document, new Map(banks.filter(({ archived }) => !archived).map((bank) => [bank.bankId, bank])))

/** Of each bank only the questions from which some part may draw. */
export function poolsOf({ parts }: QuizDocument, banks: readonly DrawnBank[]) {
  return banks.map(({ bankId, title, questions }) => {
    const wanted = new Set(
      parts.flatMap((part) => (part.part === 'draw' && part.bankId === bankId ? poolOf(questions, part.tag).map(({ id }) => id) : [])),
    )
    return { bankId, title, questions: questions.filter(({ id }) => wanted.has(id)) }
  })
}
