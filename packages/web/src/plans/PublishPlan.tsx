import type { PlanTouches } from '@jackdaw/contracts/plans'
import type { PlanId } from '@jackdaw/core/shared'
import type { PlanDocument } from '@jackdaw/core/plans'
import { useState } from 'react'
import { dayOf, Failed, Radios, Waiting } from '../ui'
import { FormDialog } from '../ui/over/FormDialog'
import { useTexts } from '../ui/words/texts'
import { usePlanTouches } from './queries'

/** Asks for whom a changed plan holds: for newcomers only, or also for those who go through it; who would be touched, and how, stands there.
 * @param people how many go through it */
export function PublishPlan({
  id,
  document,
  edition,
  send,
  onYes,
  onClose,
}: {
  id: PlanId
  document: PlanDocument
  edition: number
  send: { isPending: boolean; isError: boolean; error: unknown }
  onYes: (forAll: boolean) => void
  onClose: () => void
}) {
  const { t } = useTexts()
  const [forAll, setForAll] = useState(false)
  const touches = usePlanTouches(id, document)
  return (
    <FormDialog
      title={t('Publish the changed plan?')}
      yes={t('Publish')}
      sending={t('Publishing …')}
      send={send}
      onClose={onClose}
      onSubmit={(event) => {
        event.preventDefault()
        onYes(forAll)
      }}
    >
      <Radios
        label={t('For whom it holds')}
        value={forAll ? 'all' : 'new'}
        onChange={(value) => setForAll(value === 'all')}
        options={[
          { value: 'new', words: t('For newcomers'), hint: t('Who goes through it goes on by edition {{n}}.', { n: edition }) },
          { value: 'all', words: t('Also for those who go through it'), hint: t('What they have done stays done.') },
        ]}
      />
      {touches.isError ? <Failed error={touches.error} /> : touches.data ? <Touches {...touches.data} /> : <Waiting />}
    </FormDialog>
  )
}

type Named = { title: string; checkIn: boolean }
function Touches({ people, others }: PlanTouches) {
  const { t } = useTexts()
  const titleOf = ({ title, checkIn }: Named) => (checkIn ? t('check-in “{{name}}”', { name: title }) : title)
  const titlesOf = (all: readonly Named[]) => all.map(titleOf).join(', ')
  return (
    <section aria-label={t('Who would be touched')}>
      <h3 className="font-semibold">{t('{{count}} people would be touched', { count: people.length })}</h3>
      <ul className="max-h-56 overflow-auto border-t border-hair text-sm" tabIndex={0} aria-label={t('Who would be touched')}>
        {people.map(({ person, comes, goes, moves, endsOn, endsOnThen }) => (
          <li key={person.id} className="py-1.5 border-b border-hair">
            <span className="font-semibold">{person.name}</span>
            {comes.length > 0 && <span className="block">{t('comes: {{titles}}', { titles: titlesOf(comes) })}</span>}
            {goes.length > 0 && <span className="block">{t('goes: {{titles}}', { titles: titlesOf(goes) })}</span>}
            {moves.map(({ from, to, ...part }) => (
              <span key={titleOf(part)} className="block">
                {t('{{title}}: {{to}} instead of {{from}}', { title: titleOf(part), to: dayOf(to), from: dayOf(from) })}
              </span>
            ))}
            {endsOnThen !== null && endsOnThen !== endsOn && (
              <span className="block text-soft">
                {endsOn === null
                  ? t('through by {{to}}', { to: dayOf(endsOnThen) })
                  : t('through by {{to}} instead of {{from}}', { to: dayOf(endsOnThen), from: dayOf(endsOn) })}
              </span>
            )}
          </li>
        ))}
      </ul>
      {others > 0 && <p className="text-sm text-soft">{t('{{count}} others stay as they are', { count: others })}</p>}
    </section>
  )
}
