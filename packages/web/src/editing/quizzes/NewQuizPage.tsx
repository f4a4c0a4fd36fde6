import { BLANK_QUIZ } from '@jackdaw/core/quizzes'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useCreateBank, useCreateQuiz } from '../../quizzes/queries'
import { Button, Failed, TextField, TitleLine } from '../../ui'
import { useTexts } from '../../ui/words/texts'

type Making = { isPending: boolean; isError: boolean; error: unknown }
/** Asks how something is called, and makes it. */
function Naming({
  where,
  title,
  label,
  yes,
  send,
  onMake,
}: {
  where: { to: string; name: string }
  title: string
  label: string
  yes: string
  send: Making
  onMake: (name: string) => void
}) {
  const { t } = useTexts()
  const [name, setName] = useState('')
  const [asked, setAsked] = useState(false)
  return (
    <form
      className="grow flex flex-col"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        if (name.trim() !== '' && !send.isPending) onMake(name.trim())
      }}
    >
      <title>{`${title} – Jackdaw`}</title>
      <TitleLine where={where} title={title} />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5">
        <div className="max-w-xl space-y-5">
          <TextField
            autoFocus
            label={label}
            maxLength={200}
            value={name}
            error={asked && name.trim() === '' ? t('Give it a title') : undefined}
            onChange={(event) => setName(event.target.value)}
          />
          {send.isError && <Failed error={send.error} />}
          <Button type="submit" look="primary" className="min-h-10" disabled={send.isPending}>
            {send.isPending ? t('Saving …') : yes}
          </Button>
        </div>
      </div>
    </form>
  )
}

/** Begins a quiz. */
export function NewQuizPage() {
  const { t } = useTexts()
  const go = useNavigate()
  const create = useCreateQuiz()
  return (
    <Naming
      where={{ to: '/quizzes', name: t('Quizzes') }}
      title={t('Write a quiz')}
      label={t('Title')}
      yes={t('Go on to the questions')}
      send={create}
      onMake={(title) =>
        create.mutate({ ...BLANK_QUIZ, title }, { onSuccess: ({ id }) => void go(`/quizzes/${id}/edit`, { replace: true }) })
      }
    />
  )
}

/** Begins a bank. */
export function NewBankPage() {
  const { t } = useTexts()
  const go = useNavigate()
  const create = useCreateBank()
  return (
    <Naming
      where={{ to: '/banks', name: t('Question banks') }}
      title={t('Begin a question bank')}
      label={t('What its questions are about')}
      yes={t('Go on to the questions')}
      send={create}
      onMake={(title) => create.mutate({ title, questions: [] }, { onSuccess: ({ id }) => void go(`/banks/${id}`, { replace: true }) })}
    />
  )
}
