import type { Reached } from '@jackdaw/contracts/publishing'
import type { DueRule } from '@jackdaw/core/assignments'
import { useTexts } from '../ui/words/texts'
import { Failed, Message, Waiting } from '../ui'

/** Whom publishing would reach, and how each of them stands to the guide now. */
export function ReachedList({
  people,
  leaving,
  pending,
  fresh,
  error,
  mustReread,
  due,
  openToAll,
}: {
  people: Reached[]
  leaving: { id: string; name: string }[]
  pending: boolean
  fresh: boolean
  error: unknown
  mustReread: boolean
  due: DueRule
  openToAll: boolean
}) {
  const { t } = useTexts()
  if (error) return <Failed error={error} />
  if (pending) return <Waiting />
  const now = { new: t('new'), 'not-done': t('has it, not done'), done: mustReread ? t('done; reads it again') : t('done; stays done') }
  const count = (state: Reached['now']) => people.filter((person) => person.now === state).length
  return (
    <div className={fresh ? '' : 'opacity-60'}>
      <h2 className="text-lg">{t('{{count}} people', { count: people.length })}</h2>
      <p className="text-sm text-soft mb-2">
        {people.length === 0
          ? openToAll
            ? t('Nobody is given it; everyone may read it.')
            : t('Choose teams, roles or people, or open it to all.')
          : [
              count('new') > 0 && `${count('new')} ${t('new')}`,
              count('not-done') > 0 && `${count('not-done')} ${t('have it and are not done')}`,
              count('done') > 0 && `${count('done')} ${mustReread ? t('done, will read it again') : t('done, stay done')}`,
            ]
              .filter(Boolean)
              .join(' · ')}
        {people.length > 0 && due.kind === 'days' && ` · ${t('new ones have {{days}} days', { days: due.days })}`}
      </p>
      {leaving.length > 0 && (
        <div className="mb-3">
          <Message tone="warn" title={t('{{count}} people will no longer have it', { count: leaving.length })}>
            {leaving.map((person) => person.name).join(', ')}
          </Message>
        </div>
      )}
      <ul className="text-sm max-h-[60vh] overflow-auto border-t border-hair" tabIndex={0} aria-label={t('Who gets it')}>
        {people.map((person) => (
          <li key={person.id} className="py-1.5 border-b border-hair">
            <span className="font-semibold">{person.name}</span> <span className="text-soft">{person.site}</span>
            <span className="float-right">{now[person.now]}</span>
            <span className="block text-xs text-soft">{person.why.map((why) => (why === 'named' ? t('named') : why)).join(', ')}</span>
          </li>
        ))}
      </ul>
    </div>
  )
}
