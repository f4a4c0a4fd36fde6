import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { previewAudience, Reached } from '@jackdaw/contracts/publishing'
import type { DueRule } from '@jackdaw/core/assignments'
import { useTexts } from '../ui/words/texts'
import { Failed, Message, Waiting } from '../ui'

/** Whom publishing would reach, and how each of them stands to the guide now. */
export function ReachedList({
  reached,
  pending,
  fresh,
  error,
  mustReread,
  due,
  openToAll,
}: {
  reached: ResponseOf<typeof previewAudience> | undefined
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
  if (!reached) return <p className="text-soft">{t('Choose what is missing; then you see whom it reaches.')}</p>
  const { people, leaving, counts } = reached
  const now = { new: t('new'), 'not-done': t('has it, not done'), done: mustReread ? t('done; reads it again') : t('done; stays done') }
  const count = (state: Reached['now']) => counts[state]
  return (
    <div className={fresh ? '' : 'opacity-60'}>
      <h2 className="text-lg">{t('{{count}} people', { count: counts.people })}</h2>
      <p className="text-sm text-soft mb-2">
        {counts.people === 0
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
        {counts.people > 0 &&
          due.kind === 'days' &&
          ` · ${due.working ? t('new ones have {{days}} working days', { days: due.days }) : t('new ones have {{days}} days', { days: due.days })}`}
      </p>
      {leaving.length > 0 && (
        <div className="mb-3">
          <Message tone="warn" title={t('{{count}} people will no longer have it', { count: counts.leaving })}>
            {leaving.map((person) => person.name).join(', ')}
            {counts.leaving > leaving.length && ' …'}
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
      {counts.people > people.length && (
        <p className="text-sm text-soft mt-1">{t('The first {{n}} of {{all}}.', { n: people.length, all: counts.people })}</p>
      )}
    </div>
  )
}
