import type { getBank } from '@jackdaw/contracts/quizzes'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { BankDocument, copyOf, newQuestion, QUIZ_LIMITS, type Question } from '@jackdaw/core/quizzes'
import type { BankId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { useMemo } from 'react'
import { difficultyName, kindName } from '../../quizzes/kindNames'
import { useArchiveBank, useBank, useSaveBank } from '../../quizzes/queries'
import { Button, Failed, Loaded, Message, TextField, TextLink, TitleLine } from '../../ui'
import { useKeys } from '../../ui/keys/useKeys'
import { useIds } from '../../ui/search/useIds'
import { useSavedAsYouGo } from '../../ui/useSavedAsYouGo'
import { useTexts } from '../../ui/words/texts'
import { aboutQuestion } from './aboutQuestion'
import { AddQuestion } from './AddQuestion'
import { Bench } from './Bench'
import { InAndOut } from './InAndOut'
import { FilesOf } from './filesHere'
import { filesOfBank } from './filesOfQuiz'
import { QuestionFacts } from './QuestionFacts'
import { QuestionSheet } from './QuestionSheet'
import { QuizRuler, type QuizMark } from './QuizRuler'
import { SavedWords } from './SavedWords'
import { useSelectedOf } from './useSelectedOf'

type Bank = ResponseOf<typeof getBank>

/** Writes the questions of a bank. */
export function EditBankPage() {
  const { id } = useIds<{ id: BankId }>()
  return <Loaded query={useBank(id)}>{(bank) => <EditBank key={`${bank.id} ${bank.archived}`} bank={bank} />}</Loaded>
}

function EditBank({ bank }: { bank: Bank }) {
  const { t } = useTexts()
  const save = useSaveBank(bank.id)
  const writing = useSavedAsYouGo({ revision: bank.revision, document: bank.document }, BankDocument, (state) => save.mutateAsync(state))
  const { document } = writing
  const change = (next: BankDocument) => void (bank.mayEdit && writing.change(next))
  const list = useSelectedOf<Question>(document.questions, (questions) => change({ ...document, questions }))
  const { here } = list
  useKeys({ undo: writing.undo })
  const files = useMemo(() => filesOfBank(bank.id), [bank.id])
  return (
    <FilesOf value={files}>
      <Head {...{ bank, writing }} />
      {writing.error != null && <Failed error={writing.error} />}
      <Bench
        ruler={<Ruler {...{ writing, list }} mayEdit={bank.mayEdit} />}
        sheet={
          <>
            {!bank.mayEdit && <Message title={t('You can draw from this bank; its owner and leads change it.')} />}
            {here === undefined ? (
              <AboutBank {...{ bank, document }} onChange={change} />
            ) : (
              <fieldset disabled={!bank.mayEdit} key={here.id}>
                <QuestionSheet
                  question={here}
                  number={list.at + 1}
                  onChange={list.put}
                  onCopy={() => list.insert(copyOf(here, nanoid))}
                  onRemove={list.remove}
                />
              </fieldset>
            )}
          </>
        }
        facts={here && <QuestionFacts key={here.id} question={here} tested={bank.tested} onChange={list.put} />}
      />
    </FilesOf>
  )
}

type Ruled = {
  writing: { document: BankDocument; canUndo: boolean; undo: () => boolean }
  list: ReturnType<typeof useSelectedOf<Question>>
  mayEdit: boolean
}
function Ruler({ writing: { document, canUndo, undo }, list, mayEdit }: Ruled) {
  const { t } = useTexts()
  const marks = document.questions.map((question, n): QuizMark => {
    const { words, lacks } = aboutQuestion(question)
    const kind = [kindName(t, question.kind), difficultyName(t, question.difficulty), ...question.tags].join(' · ')
    return { id: question.id, number: String(n + 1), name: words || t('Nothing written yet'), kind, lacks }
  })
  return (
    <>
      <QuizRuler
        label={t('Questions')}
        head={t('About the bank')}
        {...{ marks }}
        selected={list.selected}
        onPick={list.setSelected}
        onMove={list.move}
      />
      <div className="flex flex-wrap gap-2">
        {mayEdit && (
          <>
            <AddQuestion
              disabled={document.questions.length >= QUIZ_LIMITS.questions}
              onAdd={(kind) => list.insert({ ...newQuestion(kind, nanoid), tags: list.here?.tags ?? [] })}
            />
            <Button look="quiet" disabled={!canUndo} onClick={undo}>
              {t('Undo')}
            </Button>
          </>
        )}
        <InAndOut
          questions={document.questions}
          count={document.questions.length}
          name={document.title}
          onTake={mayEdit ? list.append : null}
        />
      </div>
    </>
  )
}

function Head({
  bank,
  writing,
}: {
  bank: Bank
  writing: { document: BankDocument; unsaved: boolean; saving: boolean; fault: string | null }
}) {
  const { t } = useTexts()
  const archive = useArchiveBank(bank.id)
  const { document } = writing
  return (
    <>
      <title>{`${document.title} – ${t('Question banks')} – Jackdaw`}</title>
      <TitleLine
        where={{ to: '/banks', name: t('Question banks') }}
        title={document.title || t('A bank without a name')}
        state={
          <>
            {t('{{count}} questions', { count: document.questions.length })} · {bank.archived ? `${t('in the archive')} · ` : ''}
            <SavedWords {...writing} />
          </>
        }
      >
        {bank.mayEdit && (
          <Button disabled={archive.isPending} onClick={() => archive.mutate(!bank.archived)}>
            {bank.archived ? t('Take it out of the archive') : t('Archive it')}
          </Button>
        )}
      </TitleLine>
      {archive.isError && <Failed error={archive.error} />}
    </>
  )
}

function AboutBank({ bank, document, onChange }: { bank: Bank; document: BankDocument; onChange: (document: BankDocument) => void }) {
  const { t } = useTexts()
  return (
    <div className="max-w-xl space-y-5">
      <TextField
        label={t('What its questions are about')}
        maxLength={QUIZ_LIMITS.title}
        disabled={!bank.mayEdit}
        value={document.title}
        error={document.title.trim() === '' ? t('Give it a name') : undefined}
        onChange={(event) => onChange({ ...document, title: event.target.value })}
      />
      <section>
        <h2 className="text-lg border-b-2 border-ink">{t('Quizzes that draw from it')}</h2>
        {bank.quizzes.length === 0 ? (
          <p className="py-2">{t('None so far. In a quiz, choose “Draw from a bank”.')}</p>
        ) : (
          <ul className="py-2 space-y-1">
            {bank.quizzes.map(({ id, title }) => (
              <li key={id}>
                <TextLink to={`/quizzes/${id}/edit`}>{title}</TextLink>
              </li>
            ))}
          </ul>
        )}
        <p className="text-sm text-soft">{t('What is changed here reaches a quiz when it is published the next time.')}</p>
      </section>
    </div>
  )
}
