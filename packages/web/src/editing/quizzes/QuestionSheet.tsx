import type { ReactNode } from 'react'
import { questionLacks, type Question } from '@jackdaw/core/quizzes'
import { Button, Message } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { kindName } from '../../quizzes/kindNames'
import { ContentField } from './ContentField'
import { KindFields } from './kinds/kindFields'

/** A question as it is written: what is asked, what is right, and what is said about it afterwards. */
export function QuestionSheet({
  question,
  number,
  onChange,
  onCopy,
  onRemove,
}: {
  question: Question
  number: number
  onChange: (question: Question) => void
  onCopy: () => void
  onRemove: () => void
}) {
  const { t } = useTexts()
  const lack = questionLacks(question)
  return (
    <section className="space-y-6" aria-label={t('Question {{n}}', { n: number })}>
      <header className="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-b-2 border-ink">
        <h2 className="text-lg grow">
          {t('Question {{n}}', { n: number })} · {kindName(t, question.kind)}
        </h2>
        <Button look="quiet" onClick={onCopy}>
          {t('Duplicate')}
        </Button>
        <Button look="quiet" onClick={onRemove}>
          {t('Delete')}
        </Button>
      </header>
      {lack !== null && <Message tone="warn" title={t(lack)} />}
      <Named name={question.kind === 'true-false' ? t('Statement') : t('Question')}>
        <ContentField
          large
          label={question.kind === 'true-false' ? t('Statement') : t('Question')}
          placeholder={question.kind === 'true-false' ? t('Something that is true or false') : t('What do you want to know?')}
          content={question.prompt}
          onChange={(prompt) => onChange({ ...question, prompt })}
        />
      </Named>
      <KindFields {...{ question, onChange }} />
      <Named name={t('Explanation')} hint={t('Shown after the attempt, where the quiz says so: why it is so.')}>
        <ContentField
          large
          label={t('Explanation')}
          placeholder={t('Why it is so')}
          content={question.explanation}
          onChange={(explanation) => onChange({ ...question, explanation })}
        />
      </Named>
    </section>
  )
}

function Named({ name, hint, children }: { name: string; hint?: string; children: ReactNode }) {
  return (
    <div>
      <p className="text-sm font-semibold mb-1" aria-hidden>
        {name}
      </p>
      {children}
      {hint && <p className="text-sm text-soft mt-1">{hint}</p>}
    </div>
  )
}
