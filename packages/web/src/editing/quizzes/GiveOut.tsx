import type { Question } from '@jackdaw/core/quizzes'
import { writePlain, writeTable, type Lost, type LostKind } from '@jackdaw/core/quizzes/exchange'
import { useMemo, useState } from 'react'
import { Button, Message, Radios } from '../../ui'
import { Dialog } from '../../ui/over/Dialog'
import { useTexts, type Texts } from '../../ui/words/texts'

const lostWords = (t: Texts['t']): Record<LostKind, string> => ({
  kind: t('the question itself: a place on a picture'),
  pictures: t('its pictures'),
  formatting: t('words that are set off, lists and links'),
  paragraphs: t('the paragraphs of its answers, which become one'),
  steps: t('the steps that it tests'),
})

type Form = 'plain' | 'table'
const FORMS = {
  plain: { write: writePlain, type: 'text/plain;charset=utf-8', end: 'txt' },
  table: { write: writeTable, type: 'text/csv;charset=utf-8', end: 'csv' },
} as const

/** Saves questions as a text in the plain form or as a table, and says what that cannot hold. @param name of the file */
export function GiveOut({ questions, name, onClose }: { questions: readonly Question[]; name: string; onClose: () => void }) {
  const { t } = useTexts()
  const [form, setForm] = useState<Form>('plain')
  const { write, type, end } = FORMS[form]
  const { text, lost } = useMemo(() => write(questions), [write, questions])
  const count = questions.length - lost.filter(({ what }) => what === 'kind').length
  const words = lostWords(t)
  const save = () => {
    const href = URL.createObjectURL(new Blob([text], { type }))
    const link = document.createElement('a')
    link.href = href
    link.download = `${name.replace(/[^\p{L}\p{N}]+/gu, '-') || 'questions'}.${end}`
    link.click()
    URL.revokeObjectURL(href)
    onClose()
  }
  return (
    <Dialog open onClose={onClose} title={t('Save the questions')} about={t('It can be read, changed and taken in again.')}>
      <div className="space-y-4">
        <Radios<Form>
          label={t('As')}
          value={form}
          onChange={setForm}
          options={[
            { value: 'plain', words: t('a text with marks'), hint: t('Quick to read and to change in any editor.') },
            { value: 'table', words: t('a table (CSV)'), hint: t('For a spreadsheet.') },
          ]}
        />
        {lost.length > 0 && (
          <Message tone="warn" title={t('It cannot hold everything. This is left out:')}>
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
          <Button look="primary" disabled={count === 0} onClick={save}>
            {t('Save {{count}} questions', { count })}
          </Button>
        </div>
      </div>
    </Dialog>
  )
}
