import type { HandledPeople } from '@jackdaw/contracts/assignments'
import { Handling, WAIVER_LETTERS, type Handled } from '@jackdaw/core/assignments'
import type { ItemId } from '@jackdaw/core/items'
import { addDays, localDateAt, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { DateField, dayAndYearOf, Failed, showToast, TextArea } from '../ui'
import { FormDialog } from '../ui/over/FormDialog'
import { useTexts, type Texts } from '../ui/words/texts'
import { useHandle, useHandlingPreview } from './queries'

/** What can be done to some assignments at once. */
export type HandlingKind = Handling['what']

const today = (): LocalDate => localDateAt(Date.now(), Intl.DateTimeFormat().resolvedOptions().timeZone)

/** The words for each kind: what the dialog asks, what it is about, the button, and what has happened. */
const wordsFor = (t: Texts['t'], kind: HandlingKind, count: number) =>
  ({
    move: {
      title: t('Move the due day'),
      about: t(
        'It holds in place of what the audience says, also when their days off change. Who is away on that day has until they are back.',
      ),
      yes: t('Move {{count}} due days', { count }),
      done: t('{{count}} due days are moved', { count }),
    },
    waive: {
      title: t('Waive it'),
      about: t('They need not do it: it is gone from their page Today and never late. They can still read it.'),
      yes: t('Waive it for {{count}} people', { count }),
      done: t('It is waived for {{count}} people', { count }),
    },
    'end-waiver': {
      title: t('End the waiver'),
      about: t('They have to do it again, until the day that they had before.'),
      yes: t('End {{count}} waivers', { count }),
      done: t('{{count}} waivers are ended', { count }),
    },
    remind: {
      title: t('Remind them'),
      about: t('In their inbox, and by mail as far as they want that.'),
      yes: t('Remind {{count}} people', { count }),
      done: t('{{count}} people are reminded', { count }),
    },
  })[kind]

/** Asks for what is still to be said, shows what comes of it for whom, and does it. */
export function HandleDialog({
  itemId,
  kind,
  people,
  onClose,
}: {
  itemId: ItemId
  kind: HandlingKind
  people: readonly PersonId[]
  /** @param done whether it was done */
  onClose: (done: boolean) => void
}) {
  const { t } = useTexts()
  const [on, setOn] = useState(() => addDays(today(), 7))
  const [why, setWhy] = useState('')
  const handling: Handling = kind === 'move' ? { what: kind, on } : kind === 'waive' ? { what: kind, why } : { what: kind }
  // What comes of a waiver does not hang on its reason.
  const preview = useHandlingPreview(itemId, people, kind === 'waive' ? { what: kind, why: '–' } : handling)
  const handle = useHandle(itemId)
  const changing = preview.data?.people.filter(({ outcome }) => outcome === 'changes') ?? []
  const words = wordsFor(t, kind, changing.length)
  return (
    <FormDialog
      title={words.title}
      about={words.about}
      yes={words.yes}
      send={handle}
      ready={!preview.isPlaceholderData && changing.length > 0 && Handling.safeParse(handling).success}
      onClose={() => onClose(false)}
      onSubmit={(event) => {
        event.preventDefault()
        handle.mutate(
          { people: [...people], handling },
          {
            onSuccess: ({ people: handled }) => {
              showToast(wordsFor(t, kind, handled.filter(({ outcome }) => outcome === 'changes').length).done)
              onClose(true)
            },
          },
        )
      }}
    >
      {kind === 'move' && <DateField label={t('Due date')} value={on} min={today()} onChange={setOn} />}
      {kind === 'waive' && (
        <TextArea
          label={t('Why')}
          rows={2}
          maxLength={WAIVER_LETTERS}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
          hint={t('It stands in the records, and they can read it.')}
        />
      )}
      {preview.isError ? <Failed error={preview.error} /> : preview.data && <Preview {...preview.data} kind={kind} />}
    </FormDialog>
  )
}

/** Why nothing comes of it for somebody. */
const whyNot = (t: Texts['t']): Record<Exclude<Handled, 'changes'>, string> => ({
  'not-given': t('has not been given it'),
  done: t('is done'),
  waiting: t('has handed it in'),
  waived: t('it is waived'),
  'not-waived': t('it is not waived'),
  'same-day': t('has this day already'),
})

/** What comes of it, person by person. */
function Preview({ people, others, kind }: HandledPeople & { kind: HandlingKind }) {
  const { t } = useTexts()
  const reasons = whyNot(t)
  return (
    <section aria-label={t('What comes of it')}>
      <ul className="text-sm max-h-56 overflow-y-auto border-t border-hair" tabIndex={0} aria-label={t('What comes of it')}>
        {people.map(({ id, name, outcome, dueOn, becomes }) => (
          <li key={id} className={`flex flex-wrap gap-x-3 py-1.5 border-b border-hair ${outcome === 'changes' ? '' : 'text-soft'}`}>
            <span className="grow font-semibold">{name}</span>
            {outcome !== 'changes' ? (
              <span>{t('stays as it is: {{why}}', { why: reasons[outcome] })}</span>
            ) : kind === 'move' && becomes ? (
              <span>
                {dueOn
                  ? t('{{from}} → {{to}}', { from: dayAndYearOf(dueOn), to: dayAndYearOf(becomes) })
                  : t('no date → {{to}}', { to: dayAndYearOf(becomes) })}
              </span>
            ) : (
              dueOn && <span className="text-soft">{t('due {{day}}', { day: dayAndYearOf(dueOn) })}</span>
            )}
          </li>
        ))}
      </ul>
      {others > 0 && (
        <p className="text-sm text-soft mt-1">
          {t('{{count}} of those you chose have not been given it; nothing happens to them.', { count: others })}
        </p>
      )}
    </section>
  )
}
