import type { BankRow } from '@jackdaw/contracts/quizzes'
import { quizItem } from '@jackdaw/core/items'
import { copyOf, newQuestion, QUIZ_LIMITS, questionsAsked, type QuizPart } from '@jackdaw/core/quizzes'
import type { QuizId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { useMemo } from 'react'
import { recordsOf } from '../../items'
import { kindName } from '../../quizzes/kindNames'
import { useArchiveQuiz, useBanks, useQuizDraft } from '../../quizzes/queries'
import { Button, ButtonLink, Failed, Loaded, TitleLine } from '../../ui'
import { useKeys } from '../../ui/keys/useKeys'
import { useIds } from '../../ui/search/useIds'
import { useTexts, type Texts } from '../../ui/words/texts'
import { aboutQuestion } from './aboutQuestion'
import { AddQuestion } from './AddQuestion'
import { Bench } from './Bench'
import { DrawSheet } from './DrawSheet'
import { InAndOut } from './InAndOut'
import { FilesOf } from './filesHere'
import { filesOfQuiz } from './filesOfQuiz'
import { PublishQuiz } from './PublishQuiz'
import { QuestionFacts } from './QuestionFacts'
import { QuestionSheet } from './QuestionSheet'
import { QuizRuler, type QuizMark } from './QuizRuler'
import { QuizRules } from './QuizRules'
import { SavedWords } from './SavedWords'
import { useQuizWriting, type QuizDraft, type QuizWriting } from './useQuizWriting'
import { useSelectedOf } from './useSelectedOf'

/** Writes a quiz: its rules, its questions, and publishing it. */
export function EditQuizPage() {
  const { id } = useIds<{ id: QuizId }>()
  return (
    <Loaded query={useQuizDraft(id)}>{(draft) => <EditQuiz key={`${draft.id} ${draft.archived} ${draft.edition}`} draft={draft} />}</Loaded>
  )
}

/** The marks of the ruler. A draw stands for several questions. */
function marksOf(parts: readonly QuizPart[], banks: readonly BankRow[], stopped: ReadonlySet<string>, t: Texts['t']): QuizMark[] {
  let number = 0
  return parts.map((part) => {
    const first = number + 1
    number += part.part === 'draw' ? part.count : 1
    if (part.part === 'draw')
      return {
        id: part.id,
        number: part.count > 1 ? `${first}–${number}` : String(first),
        name: t('{{count}} from “{{bank}}”', { count: part.count, bank: banks.find(({ id }) => id === part.bankId)?.title ?? '…' }),
        kind: part.tag ?? t('all questions'),
        lacks: stopped.has(part.id),
      }
    const { words, lacks } = aboutQuestion(part.question)
    return { id: part.id, number: String(first), name: words || t('Nothing written yet'), kind: kindName(t, part.question.kind), lacks }
  })
}

function EditQuiz({ draft }: { draft: QuizDraft }) {
  const writing = useQuizWriting(draft)
  const { document, change } = writing
  const banks = useBanks().data ?? []
  const list = useSelectedOf<QuizPart>(document.parts, (parts) => change({ ...document, parts }))
  const { here, put } = list
  useKeys({ undo: writing.undo })
  const files = useMemo(() => filesOfQuiz(draft.id), [draft.id])
  return (
    <FilesOf value={files}>
      <Head {...{ draft, writing }} />
      {writing.error != null && <Failed error={writing.error} />}
      <Bench
        ruler={<Ruler {...{ writing, list, banks }} />}
        sheet={
          here === undefined ? (
            <QuizRules document={document} named={draft.named} onChange={change} />
          ) : (
            <Part key={here.id} {...{ writing, list, banks, here }} />
          )
        }
        facts={
          <>
            {here?.part === 'question' && (
              <QuestionFacts
                key={here.id}
                question={here.question}
                tested={draft.tested}
                onChange={(question) => put({ ...here, question })}
              />
            )}
            <PublishQuiz {...{ draft, writing }} onShow={list.setSelected} />
          </>
        }
      />
    </FilesOf>
  )
}

type Benched = { writing: QuizWriting; list: ReturnType<typeof useSelectedOf<QuizPart>>; banks: readonly BankRow[] }
function Ruler({ writing: { document, undo, canUndo, findings }, list, banks }: Benched) {
  const { t } = useTexts()
  const [bank] = banks
  const stopped = new Set(findings.flatMap(({ stops, about }) => (stops && about ? [about] : [])))
  return (
    <>
      <QuizRuler
        label={t('Questions')}
        head={t('About the quiz')}
        marks={marksOf(document.parts, banks, stopped, t)}
        selected={list.selected}
        onPick={list.setSelected}
        onMove={list.move}
      />
      <div className="flex flex-wrap gap-2">
        <AddQuestion
          disabled={document.parts.length >= QUIZ_LIMITS.questions}
          onAdd={(kind) => list.insert({ part: 'question', id: nanoid(10), question: newQuestion(kind, nanoid) })}
          onDraw={bank && (() => list.insert({ part: 'draw', id: nanoid(10), bankId: bank.id, tag: null, count: 1 }))}
        />
        <Button look="quiet" disabled={!canUndo} onClick={undo}>
          {t('Undo')}
        </Button>
        <InAndOut
          questions={document.parts.flatMap((part) => (part.part === 'question' ? [part.question] : []))}
          count={document.parts.length}
          name={document.title}
          onTake={(taken) => list.append(taken.map((question) => ({ part: 'question', id: nanoid(10), question })))}
        />
      </div>
    </>
  )
}

/** The part that is selected. */
function Part({ writing: { document, findings }, list: { at, put, insert, remove }, banks, here }: Benched & { here: QuizPart }) {
  const { t } = useTexts()
  const stop = findings.find(({ stops, about }) => stops && about === here.id)
  if (here.part === 'draw')
    return <DrawSheet draw={here} banks={banks} stops={stop ? t(stop.words, stop.into) : null} onChange={put} onRemove={remove} />
  return (
    <QuestionSheet
      question={here.question}
      number={questionsAsked(document.parts.slice(0, at)) + 1}
      onChange={(question) => put({ ...here, question })}
      onCopy={() => insert({ part: 'question', id: nanoid(10), question: copyOf(here.question, nanoid) })}
      onRemove={remove}
    />
  )
}

/** Where one is, how the quiz stands, and what can be done with it. */
function Head({ draft, writing }: { draft: QuizDraft; writing: QuizWriting }) {
  const { t } = useTexts()
  const archive = useArchiveQuiz(draft.id)
  const { document, unsaved } = writing
  const state =
    draft.edition === null
      ? t('Draft: nobody has it yet')
      : draft.changed || unsaved
        ? t('Edition {{n}}, changed since', { n: draft.edition })
        : t('Edition {{n}}', { n: draft.edition })
  return (
    <>
      <title>{`${document.title} – ${t('Edit')} – Jackdaw`}</title>
      <TitleLine
        where={{ to: '/quizzes', name: t('Quizzes') }}
        title={document.title || t('A quiz without a title')}
        state={
          <>
            {t('Quiz {{n}}', { n: draft.number })} · {draft.archived ? t('in the archive') : state} · <SavedWords {...writing} />
          </>
        }
      >
        <ButtonLink to={`/quizzes/${draft.id}/try`}>{t('Try it')}</ButtonLink>
        <ButtonLink to={`/quizzes/${draft.id}`} hidden={draft.edition === null}>
          {t('As people see it')}
        </ButtonLink>
        <ButtonLink to={`/quizzes/${draft.id}/analysis`} hidden={draft.edition === null}>
          {t('How the questions went')}
        </ButtonLink>
        <ButtonLink to={recordsOf(quizItem(draft.id))} hidden={draft.edition === null}>
          {t('Who finished')}
        </ButtonLink>
        <Button disabled={archive.isPending} onClick={() => archive.mutate(!draft.archived)}>
          {draft.archived ? t('Take it out of the archive') : t('Archive it')}
        </Button>
      </TitleLine>
      {archive.isError && <Failed error={archive.error} />}
    </>
  )
}
