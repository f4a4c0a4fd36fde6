import type { Question } from '@jackdaw/core/quizzes'
import { readPlain, readTable, TABLE_COLUMNS, TABLE_KINDS } from '@jackdaw/core/quizzes/exchange'
import { nanoid } from 'nanoid'
import { useMemo, useRef, useState } from 'react'
import { Button, Radios } from '../../ui'
import { Dialog } from '../../ui/over/Dialog'
import { useTexts } from '../../ui/words/texts'
import { Faults } from './Faults'

const TABLE_EXAMPLE = `question,kind,answers,right,explanation
Which valve is closed first?,one,"The outlet
The inlet",2,So that nothing flows in.
How warm may the cold store be?,number,6,,`

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

/** How a text is read: by the marks of the plain form, or as a table. */
type Form = 'plain' | 'table'
/** The text of a file: UTF-8, or as older spreadsheets write it. */
async function textOf(file: File): Promise<string> {
  const bytes = await file.arrayBuffer()
  const [first, second] = new Uint8Array(bytes, 0, Math.min(2, bytes.byteLength))
  if (first === 0xff && second === 0xfe) return new TextDecoder('utf-16le').decode(bytes)
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch (error) {
    if (error instanceof TypeError) return new TextDecoder('windows-1250').decode(bytes)
    throw error
  }
}

/** Takes questions in that were typed in the plain form or stand in a table: what is understood, and what is not, stands there before anything is added. @param room how many more there may be */
export function TakeIn({ room, onTake, onClose }: { room: number; onTake: (questions: Question[]) => void; onClose: () => void }) {
  const { t } = useTexts()
  const [text, setText] = useState('')
  const [form, setForm] = useState<Form>('plain')
  const file = useRef<HTMLInputElement>(null)
  const { questions, faults } = useMemo(() => {
    if (text.trim() === '') return { questions: [], faults: [] }
    return (form === 'plain' ? readPlain : readTable)(text, nanoid, room)
  }, [text, form, room])
  return (
    <Dialog
      open
      onClose={onClose}
      title={t('Type or paste questions')}
      about={
        form === 'plain'
          ? t('A mark at the beginning of each line says what it is, as in the example.')
          : t(
              'The first line names the columns. In a cell each answer stands on a line of its own; “right” holds the numbers of those that are.',
            )
      }
    >
      <div className="space-y-4">
        <Radios<Form>
          label={t('Written')}
          className="flex flex-wrap gap-x-6"
          value={form}
          onChange={setForm}
          options={[
            { value: 'plain', words: t('with marks') },
            { value: 'table', words: t('as a table (CSV)') },
          ]}
        />
        <textarea
          aria-label={t('Questions')}
          dir="auto"
          rows={11}
          className="w-full border border-edge px-3 py-2 font-mono text-sm"
          placeholder={form === 'plain' ? EXAMPLE : TABLE_EXAMPLE}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        {form === 'plain' ? <Marks /> : <Columns />}
        <input
          ref={file}
          type="file"
          accept=".txt,.csv,text/plain,text/csv"
          className="sr-only"
          tabIndex={-1}
          aria-label={t('Open a file')}
          onChange={(event) => {
            const [chosen] = event.target.files ?? []
            event.target.value = ''
            if (!chosen) return
            setForm(/\.csv$/i.test(chosen.name) ? 'table' : 'plain')
            void textOf(chosen).then(setText)
          }}
        />
        <Faults faults={faults} place={(n) => t('Line {{n}}', { n })} />
        <div className="flex flex-wrap justify-end gap-2">
          <Button onClick={() => file.current?.click()}>{t('Open a file')}</Button>
          <Button onClick={onClose}>{t('Cancel')}</Button>
          <Button look="primary" disabled={questions.length === 0} onClick={() => onTake(questions)}>
            {t('Add {{count}} questions', { count: questions.length })}
          </Button>
        </div>
      </div>
    </Dialog>
  )
}

/** What the marks of the plain form mean. */
function Marks() {
  const { t } = useTexts()
  return (
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
  )
}

/** The columns of a table. */
function Columns() {
  const { t } = useTexts()
  return (
    <details>
      <summary className="text-sm text-petrol min-h-8">{t('The columns')}</summary>
      <p className="text-sm font-mono">{TABLE_COLUMNS.join(', ')}</p>
      <p className="text-sm">
        {t('Only “question” has to be there. “kind” is one of: {{kinds}}; where it is empty, the answers tell.', {
          kinds: TABLE_KINDS.join(', '),
        })}
      </p>
    </details>
  )
}
