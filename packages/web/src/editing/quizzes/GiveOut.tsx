import { writePlain, type Lost, type LostKind, type Question } from '@jackdaw/core/quizzes'
import { useMemo } from 'react'
import { Button, Message } from '../../ui'
import { Dialog } from '../../ui/over/Dialog'
import { useTexts, type Texts } from '../../ui/words/texts'

const lostWords = (t: Texts['t']): Record<LostKind, string> => ({
  kind: t('the question itself: a place on a picture'),
  pictures: t('its pictures'),
  formatting: t('words that are set off, lists and links'),
  steps: t('the steps that it tests'),
})

/** Saves questions as a text in the plain form, and says what that cannot hold. @param name of the file */
export function GiveOut({ questions, name, onClose }: { questions: readonly Question[]; name: string; onClose: () => void }) {
  const { t } = useTexts()
  const { text, lost } = useMemo(() => writePlain(questions), [questions])
  const words = lostWords(t)
  const save = () => {
    const href = URL.createObjectURL(new Blob([text], { type: 'text/plain;charset=utf-8' }))
    const link = document.createElement('a')
    link.href = href
    link.download = `${name.replace(/[^\p{L}\p{N}]+/gu, '-') || 'questions'}.txt`
    link.click()
    URL.revokeObjectURL(href)
    onClose()
  }
  return (
    <Dialog open onClose={onClose} title={t('Save the questions as a text')} about={t('It can be read, changed and taken in again.')}>
      <div className="space-y-4">
        {lost.length > 0 && (
          <Message tone="warn" title={t('A text cannot hold everything. This is left out:')}>
            <ul className="max-h-60 overflow-auto">
              {lost.map(({ question, what }: Lost, n) => (
                <li key={n}>
                  {t('Question {{n}}', { n: question })}: {words[what]}
                </li>
              ))}
            </ul>
          </Message>
        )}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>{t('Cancel')}</Button>
          <Button look="primary" onClick={save}>
            {t('Save {{count}} questions', { count: questions.length })}
          </Button>
        </div>
      </div>
    </Dialog>
  )
}
