import type { ToJudge } from '@jackdaw/contracts/judging'
import { Link } from 'react-router'
import { Loaded, momentOf, TitleLine } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { useToJudge } from '../queries'

/** The replies that one is asked to judge, what waits longest on top. */
export function ToJudgePage() {
  const { t } = useTexts()
  return (
    <>
      <title>{t('To judge – Jackdaw')}</title>
      <TitleLine
        where={{ to: '/', name: t('Today') }}
        title={t('To judge')}
        state={t('Replies that no rule can mark wait for your judgement')}
      />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-2">
        <Loaded query={useToJudge()}>
          {({ count: all, rows }) =>
            rows.length === 0 ? (
              <p className="py-4">{t('Nothing waits for your judgement.')}</p>
            ) : (
              <>
                <ul className="max-w-3xl">
                  {rows.map((row) => (
                    <Row key={row.attemptId} row={row} />
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

function Row({ row: { attemptId, title, person, number, endedAt, replies, apart } }: { row: ToJudge }) {
  const { t } = useTexts()
  return (
    <li className="border-b border-hair">
      <Link to={`/quiz-attempts/${attemptId}/judge`} className="block py-3 min-h-11 hover:bg-wash">
        <span className="font-semibold text-petrol">{person.name}</span> <span className="text-soft">{person.site}</span>
        <span className="block font-serif text-lg">{title}</span>
        <span className="block text-sm text-soft">
          {t('Attempt {{n}}', { n: number })} · {t('Handed in {{moment}}', { moment: momentOf(endedAt) })} ·{' '}
          {t('{{count}} replies', { count: replies })}
          {apart && <strong className="text-brick"> · {t('two do not agree; you settle it')}</strong>}
        </span>
      </Link>
    </li>
  )
}
