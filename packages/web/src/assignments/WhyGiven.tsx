import type { getWhyGiven } from '@jackdaw/contracts/assignments'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { ItemId } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import { dayAndYearOf, Loaded, momentOf } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useWhyGiven } from './givingQueries'
import { dueWords } from './givingWords'

/** Why somebody has an item: each reason, and what follows from all of them. */
export function WhyGiven({ personId, itemId }: { personId: PersonId; itemId: ItemId }) {
  const { t } = useTexts()
  return (
    <section>
      <h2 className="text-lg mb-1">{t('Why they have it')}</h2>
      <Loaded query={useWhyGiven(personId, itemId)}>
        {({ use, reasons, reminders, movedOn, roundFrom, nextRoundOn }) => (
          <>
            {use === null && <p className="text-soft">{t('It was not given to them; they found it in the library.')}</p>}
            {use === 'optional' && (
              <p className="text-soft">{t('Nobody gives it to them any more. They had begun, so it stays as optional.')}</p>
            )}
            <ul className="border-t border-hair">
              {reasons.map((reason, index) => (
                <li key={index} className="py-2 border-b border-hair">
                  <span className="font-serif">
                    {reason.plan === null ? reason.audience : t('Stands in the plan “{{plan}}”', { plan: reason.plan })}
                  </span>
                  <span className="block text-sm">
                    {reason.use === 'to-look-up' ? t('to look up') : `${t('to do')}, ${dueWords(t, reason.due)}`}
                    {reason.repeatMonths !== null && ` · ${t('again {{count}} months after it is done', { count: reason.repeatMonths })}`}
                    <span className="text-soft">
                      {' · '}
                      {reason.byPublishing
                        ? t('published by {{name}}, {{day}}', { name: reason.givenBy.name, day: momentOf(reason.givenAt) })
                        : t('given by {{name}}, {{day}}', { name: reason.givenBy.name, day: momentOf(reason.givenAt) })}
                    </span>
                  </span>
                </li>
              ))}
            </ul>
            <p className="text-sm mt-2">
              {movedOn !== null && `${t('The due day was set by hand: {{day}}.', { day: dayAndYearOf(movedOn) })} `}
              {roundFrom !== null && `${t('The present round began on {{day}}.', { day: momentOf(roundFrom) })} `}
              {nextRoundOn !== null && t('It is to be done again from {{day}}.', { day: dayAndYearOf(nextRoundOn) })}
            </p>
            {reminders.length > 0 && <Reminders of={personId} reminders={reminders} />}
          </>
        )}
      </Loaded>
    </section>
  )
}

/** What was sent to remind of it, to them and to whoever they report to. */
function Reminders({ of, reminders }: { of: PersonId; reminders: ResponseOf<typeof getWhyGiven>['reminders'] }) {
  const { t } = useTexts()
  return (
    <section className="mt-4">
      <h3 className="font-semibold">{t('Reminders that were sent')}</h3>
      <ul className="text-sm border-t border-hair">
        {reminders.map(({ to, dueOn, stage, sentAt }, index) => (
          <li key={index} className="py-1.5 border-b border-hair">
            {momentOf(sentAt)}: {to.id === of ? t('to them') : t('to {{name}}, to whom they report', { name: to.name })},{' '}
            {stage < 0
              ? t('{{count}} days before it was due on {{day}}', { count: -stage, day: dayAndYearOf(dueOn) })
              : t('{{count}} days after it was due on {{day}}', { count: stage, day: dayAndYearOf(dueOn) })}
          </li>
        ))}
      </ul>
    </section>
  )
}
