import type { BankId } from '../shared'
import { GOOD_LENGTH, MANY_QUESTIONS } from './limits'
import { poolOf, questionsAsked, type QuizDocument } from './quizDocument'
import { isBlank } from './questions/content'
import type { Question } from './questions/question'
import { kindOf, rubricOf } from './questions/questionKinds'
import { clipsOf } from './shownFiles'

/** Something about a quiz that its author should know. `stops`: it cannot be published like this. `about`: the question or the part.
 * `into`: what goes into the places `{{name}}` of the words. */
export type QuizFinding = { stops: boolean; about: string | null; words: string; into?: Record<string, string | number> }

/** Why a question cannot be asked like this, in words; `null` when nothing is wrong. */
export const questionLacks = ({ kind, prompt, ask, key }: Question): string | null =>
  isBlank(prompt) ? 'Write the question.' : kindOf(kind).lacks(ask, key)

/** What is to be said about a quiz before it is published.
 * @param banks the questions of the banks from which it draws; of those that are missing, the bank is gone */
export function findingsOf(
  document: QuizDocument,
  banks: ReadonlyMap<BankId, { title: string; questions: readonly Question[] }>,
): QuizFinding[] {
  const findings: QuizFinding[] = []
  if (document.parts.length === 0) findings.push({ stops: true, about: null, words: 'There is no question in it yet.' })
  const taken = new Map<string, number>()
  for (const part of document.parts) {
    if (part.part === 'question') {
      const lack = questionLacks(part.question)
      if (lack !== null) findings.push({ stops: true, about: part.question.id, words: lack })
      if (clipsOf(part.question).some(({ captions }) => captions.length === 0))
        findings.push({
          stops: false,
          about: part.question.id,
          words: 'Sound or video in it has no captions: whoever cannot hear it misses it.',
        })
      continue
    }
    const bank = banks.get(part.bankId)
    if (!bank) {
      findings.push({ stops: true, about: part.id, words: 'The bank is not there any more. Choose another one, or take the draw out.' })
      continue
    }
    findings.push(...drawLacks(part, bank, taken))
  }
  if (asksForReplies(document, banks)) findings.push(...graderLacks(document.graders))
  const asked = questionsAsked(document.parts)
  if (asked > MANY_QUESTIONS)
    findings.push({
      stops: false,
      about: null,
      words:
        '{{asked}} questions are many. From {{from}} to {{to}} are gone through with care; put the rest between the steps, or into a second quiz.',
      into: { asked, ...GOOD_LENGTH },
    })
  return findings
}

/** Whether some question may be asked whose reply a person judges. */
const asksForReplies = ({ parts }: QuizDocument, banks: ReadonlyMap<BankId, { questions: readonly Question[] }>): boolean =>
  parts.some((part) =>
    part.part === 'question'
      ? rubricOf(part.question) !== null
      : poolOf(banks.get(part.bankId)?.questions ?? [], part.tag).some((question) => rubricOf(question) !== null),
  )

function graderLacks({ people, two }: QuizDocument['graders']): QuizFinding[] {
  const stop = (words: string): QuizFinding[] => [{ stops: true, about: null, words }]
  if (people.length === 0) return stop('Some replies are judged by a person. Say in the rules who judges them.')
  return two && people.length < 2 ? stop('Two are to judge each reply, and only one is named.') : []
}

type Draw = Extract<QuizDocument['parts'][number], { part: 'draw' }>
/** @param taken how many questions other parts draw from the same place already */
function drawLacks(
  part: Draw,
  { title, questions }: { title: string; questions: readonly Question[] },
  taken: Map<string, number>,
): QuizFinding[] {
  const pool = poolOf(questions, part.tag)
  const place = `${part.bankId} ${part.tag ?? ''}`
  const before = taken.get(place) ?? 0
  taken.set(place, before + part.count)
  const wrong = pool.filter((question) => questionLacks(question) !== null).length
  const into = { count: part.count, bank: title, tag: part.tag ?? '', there: Math.max(0, pool.length - before), wrong }
  if (wrong > 0)
    return [
      {
        stops: true,
        about: part.id,
        words: '{{wrong}} of the questions in “{{bank}}” are not finished. Finish them in the bank, or take them out.',
        into,
      },
    ]
  if (pool.length - before >= part.count) return []
  const words =
    part.tag === null
      ? '{{count}} questions are to be drawn from “{{bank}}”, and only {{there}} are there. Draw fewer, or add some.'
      : '{{count}} questions are to be drawn from “{{bank}}” with the tag “{{tag}}”, and only {{there}} are there. Draw fewer, or add some.'
  return [{ stops: true, about: part.id, words, into }]
}
