import { readPlain, type Question } from '@jackdaw/core/quizzes'
import { nanoid } from 'nanoid'
import { useMemo, useRef, useState } from 'react'
import { Button, Message } from '../../ui'
import { Dialog } from '../../ui/over/Dialog'
import { useTexts } from '../../ui/words/texts'

const EXAMPLE = `? Which valve is closed first?
- The outlet
+ The inlet
! So that nothing flows in while you work.
: hard, 2 points, tags water

?? What belongs into the log?
+ The time
+ The reading
- The weather

? How warm may the cold store be?
# 6 °C ~ 0.5`

/** Takes questions in that were typed in the plain form: what is understood, and what is not, stands there before anything is added. @param room how many more there may be */
export function TakeIn({ room, onTake, onClose }: { room: number; onTake: (questions: Question[]) => void; onClose: () => void }) {
  const { t } = useTexts()
  const [text, setText] = useState('')
  const file = useRef<HTMLInputElement>(null)
  const { questions, faults } = useMemo(() => readPlain(text, nanoid, room), [text, room])
  return (
    <Dialog
      open
      onClose={onClose}
      title={t('Type or paste questions')}
      about={t('A mark at the beginning of each line says what it is, as in the example.')}
    >
      <div className="space-y-4">
        <textarea
          aria-label={t('Questions')}
          dir="auto"
          rows={11}
          className="w-full border border-edge px-3 py-2 font-mono text-sm"
          placeholder={EXAMPLE}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <details>
          <summary className="text-sm text-petrol min-h-8">{t('The marks')}</summary>
          <dl className="text-sm grid grid-cols-[max-content_1fr] gap-x-3 gap-y-0.5">
            {(
              [
                ['?  ??', t('a question; one of several answers that are right')],
                ['+  -', t('a right answer; a wrong one')],
                ['= true', t('a statement that is true or false')],
                ['= pump', t('an accepted spelling of a short text')],
                ['# 6 °C ~ 5 %', t('a number with its unit, and by how much it may be off')],
                ['1)  2)', t('entries in the right order')],
                ['& a >> b', t('what belongs together')],
                ['!', t('the explanation')],
                [':', t('easy or hard, points, parts, slips, tags; with commas between them')],
              ] as const
            ).map(([mark, words]) => (
              <div key={mark} className="contents">
                <dt className="font-mono">{mark}</dt>
                <dd>{words}</dd>
              </div>
            ))}
          </dl>
        </details>
        <input
          ref={file}
          type="file"
          accept=".txt,text/plain"
          className="sr-only"
          tabIndex={-1}
          aria-label={t('Open a text file')}
          onChange={(event) => {
            const [chosen] = event.target.files ?? []
            event.target.value = ''
            if (chosen) void chosen.text().then(setText)
          }}
        />
        {faults.length > 0 && (
          <Message tone="warn" title={t('{{count}} things are not understood', { count: faults.length })}>
            <ul className="max-h-40 overflow-auto">
              {faults.map(({ line, words, into }, n) => (
                <li key={n}>
                  {t('Line {{n}}', { n: line })}: {t(words, into)}
                </li>
              ))}
            </ul>
          </Message>
        )}
        <div className="flex flex-wrap justify-end gap-2">
          <Button onClick={() => file.current?.click()}>{t('Open a text file')}</Button>
          <Button onClick={onClose}>{t('Cancel')}</Button>
          <Button look="primary" disabled={questions.length === 0} onClick={() => onTake(questions)}>
            {t('Add {{count}} questions', { count: questions.length })}
          </Button>
        </div>
      </div>
    </Dialog>
  )
}
