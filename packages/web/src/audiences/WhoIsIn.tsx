import type { AudienceChoice } from '@jackdaw/contracts/audiences'
import type { PersonRef } from '@jackdaw/contracts/people'
import { Check as Tick, Minus } from 'lucide-react'
import { useState } from 'react'
import { PersonPicker } from '../people/PersonPicker'
import { Failed, Message, Waiting } from '../ui'
import { boxClass } from '../ui/fields/Frame'
import { useSettled } from '../ui/fields/useSettled'
import { useTexts } from '../ui/words/texts'
import { useAudienceExplanation, useAudienceTrial } from './queries'

/** Who an audience takes in, before it is used: the sentence, the number, the names, and why somebody is in it or not.
 * @param audience `null` while something is still to be chosen */
export function WhoIsIn({ audience }: { audience: AudienceChoice | null }) {
  const { t } = useTexts()
  const [find, setFind] = useState('')
  const trial = useAudienceTrial(audience, useSettled(find.trim()))
  if (trial.error && !trial.data) return <Failed error={trial.error} />
  if (!trial.data)
    return audience === null ? <p className="text-soft">{t('Choose what is missing; then you see who is in it.')}</p> : <Waiting />
  const { total, found, everybody, people, sentence, gone } = trial.data
  return (
    <div className={audience === null || trial.isPlaceholderData ? 'opacity-60' : ''}>
      <h2 className="text-lg" aria-live="polite">
        {t('{{count}} people', { count: total })}
      </h2>
      <p className="font-serif my-2" data-sentence>
        {sentence}
      </p>
      {audience === null && <p className="text-sm text-ochre">{t('Something is still to be chosen; this is as it was before.')}</p>}
      {trial.isError && <Failed error={trial.error} />}
      {gone.length > 0 && (
        <Message tone="warn" title={t('It speaks of what is no more')}>
          {t('Nobody is in {{names}}.', { names: gone.join(', ') })}
        </Message>
      )}
      {total === 0 && <Message tone="warn" title={t('Nobody is in it')} />}
      {total > 0 && total === everybody && <Message tone="warn" title={t('Everybody who works here is in it')} />}
      <input
        className={`${boxClass()} my-2`}
        aria-label={t('Find somebody in it')}
        placeholder={t('Find somebody in it')}
        value={find}
        maxLength={100}
        onChange={(event) => setFind(event.target.value)}
      />
      <ul className="text-sm max-h-72 overflow-auto border-t border-hair" tabIndex={0} aria-label={t('Who is in it')}>
        {people.map((person) => (
          <li key={person.id} className="py-1.5 border-b border-hair">
            <span className="font-semibold">{person.name}</span>{' '}
            <span className="text-soft">{[person.jobTitle, person.site].filter(Boolean).join(', ')}</span>
          </li>
        ))}
      </ul>
      {found > people.length && (
        <p className="text-sm text-soft mt-1">{t('The first {{n}} of {{all}}.', { n: people.length, all: found })}</p>
      )}
      {found === 0 && find.trim() !== '' && <p className="text-sm text-soft mt-1">{t('Nobody in it is called so.')}</p>}
      <Why audience={audience} />
    </div>
  )
}

/** Why somebody is in an audience, or not: each part of the rule, with a sign and a word for whether it holds. */
function Why({ audience }: { audience: AudienceChoice | null }) {
  const { t } = useTexts()
  const [person, setPerson] = useState<PersonRef | null>(null)
  const { data, error } = useAudienceExplanation(audience, person?.id ?? null)
  return (
    <div className="mt-4 border-t border-hair pt-3">
      <PersonPicker
        label={t('Why is somebody in it, or not?')}
        chosen={person ? [person] : []}
        onChange={(people) => setPerson(people.at(-1) ?? null)}
      />
      {error && <Failed error={error} />}
      {person && data && (
        <div className="mt-2 text-sm" aria-live="polite">
          <p className="font-semibold">
            {data.belongs ? t('{{name}} is in it.', { name: data.name }) : t('{{name}} is not in it.', { name: data.name })}
          </p>
          {!data.active && <p>{t('They do not work here (any more).')}</p>}
          {data.excepted && <p>{t('They are named among those who are never in it.')}</p>}
          {data.parts.length > 1 && (
            <p className="text-soft">{data.join === 'all' ? t('All of these have to hold:') : t('One of these has to hold:')}</p>
          )}
          <ul>
            {data.parts.map((part, index) => (
              <li key={index} className={`flex gap-2 py-0.5 ${part.decides ? '' : 'text-soft'}`}>
                {part.holds ? (
                  <Tick size={16} className="text-moss shrink-0 mt-0.5" aria-hidden />
                ) : (
                  <Minus size={16} className="text-brick shrink-0 mt-0.5" aria-hidden />
                )}
                <span>
                  <strong>{part.holds ? t('Yes:') : t('No:')}</strong> {part.words}
                </span>
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  )
}
