import type { ToConfirm } from '@jackdaw/contracts/tasks'
import { Link } from 'react-router'
import { dayOf, Loaded, momentOf, TitleLine } from '../ui'
import { useTexts } from '../ui/words/texts'
import { AnswerButtons } from './AnswerButtons'
import { HandedIn } from './HandInList'
import { useToConfirm } from './queries'

/** What one is asked to confirm, what waits longest on top. */
export function ToConfirmPage() {
  const { t } = useTexts()
  return (
    <>
      <title>{t('To confirm – Jackdaw')}</title>
      <TitleLine
        where={{ to: '/', name: t('Today') }}
        title={t('To confirm')}
        state={t('People have done something and ask for your word')}
      />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-2">
        <Loaded query={useToConfirm()}>
          {({ count: all, rows }) =>
            rows.length === 0 ? (
              <p className="py-4">{t('Nothing waits for your word.')}</p>
            ) : (
              <>
                <ul className="max-w-3xl">
                  {rows.map((row) => (
                    <Row key={row.id} row={row} />
                  ))}
                </ul>
                {all > rows.length && <p className="py-2 text-soft">{t('The first {{n}} of {{all}}.', { n: rows.length, all })}</p>}
              </>
            )
          }
        </Loaded>
      </div>
    </>
  )
}

function Row({ row: { id, task, person, words, hasPhoto, at, dueOn } }: { row: ToConfirm }) {
  const { t } = useTexts()
  return (
    <li className="border-b border-hair py-4 space-y-2">
      <p>
        <Link to={`/people/${person.id}`} className="font-semibold hover:underline">
          {person.name}
        </Link>{' '}
        <span className="text-soft">
          {person.site} · {t('Handed in {{moment}}', { moment: momentOf(at) })}
          {dueOn && ` · ${t('due {{day}}', { day: dayOf(dueOn) })}`}
        </span>
      </p>
      <details>
        <summary className="font-serif text-lg cursor-pointer">{task.title}</summary>
        <p className="text-sm whitespace-pre-line pl-4 border-l border-hair">{task.words || t('No more is said of it.')}</p>
      </details>
      <HandedIn {...{ id, words, hasPhoto }} of={person.name} />
      <AnswerButtons id={id} name={person.name} title={task.title} />
    </li>
  )
}
