import type { Giving, NamedItem } from '@jackdaw/contracts/assignments'
import { pathOfItem, type ItemId } from '@jackdaw/core/items'
import { useState } from 'react'
import { recordsOf } from '../items'
import { Button, ButtonLink, Loaded, Message, showToast, Table, TextLink, TitleLine, whenOf } from '../ui'
import { Question } from '../ui/over/Question'
import { useIds } from '../ui/search/useIds'
import { useTexts, type Texts } from '../ui/words/texts'
import { useEndGiving, useGivings, useMyGivings } from './givingQueries'
import { dueWords } from './givingWords'

/** To whom an item is given, for what, and how far each of them is. */
export function GivenPage() {
  const { t } = useTexts()
  const { id } = useIds<{ id: ItemId }>()
  return (
    <Loaded query={useGivings(id)}>
      {({ of, givings, optional }) => (
        <>
          <title>{`${t('Given to')} – ${of.title} – Jackdaw`}</title>
          <TitleLine
            where={{ to: recordsOf(of.item), name: t('Who finished') }}
            title={of.title}
            state={t('To whom it is given, for what, and how far that is.')}
          >
            {of.edition !== null && !of.archived && (
              <ButtonLink look="primary" to={`/items/${id}/given/new`}>
                {t('Give it to more people')}
              </ButtonLink>
            )}
          </TitleLine>
          <div className="bg-sheet px-4 md:px-6 py-4 grow border-t border-hair">
            {of.archived && <Message tone="warn" title={t('It is archived: nobody finds it, and it is never late.')} />}
            <GivingTable givings={givings} of={of} />
            {optional > 0 && (
              <p className="text-sm text-soft mt-3">
                {t('{{count}} people have begun it and are not given it any more: for them it is optional.', { count: optional })}
              </p>
            )}
          </div>
        </>
      )}
    </Loaded>
  )
}

/** For what and by when, in words. */
function Terms({ giving: { use, due, repeatMonths } }: { giving: Giving }) {
  const { t } = useTexts()
  if (use === 'to-look-up') return t('to look up')
  return (
    <>
      {t('to do')}, {dueWords(t, due)}
      {repeatMonths !== null && (
        <span className="block text-soft">{t('again {{count}} months after it is done', { count: repeatMonths })}</span>
      )}
    </>
  )
}

/** How far those are who have it for that: how many are done of how many, and who is late. */
function HowFar({ giving: { use, howFar }, of }: { giving: Giving; of: NamedItem }) {
  const { t } = useTexts()
  const { people, toDo, done, late, waived } = howFar
  if (use === 'to-look-up') return t('{{count}} people have it at hand', { count: people })
  return (
    <>
      <span className="whitespace-nowrap">
        <TextLink to={recordsOf(of.item)}>{t('{{done}} of {{count}} done', { done, count: toDo })}</TextLink>
      </span>
      {late > 0 && <span className="text-brick font-semibold whitespace-nowrap"> ▲ {t('{{count}} late', { count: late })}</span>}
      {waived > 0 && <span className="text-soft whitespace-nowrap"> · {t('{{count}} waived', { count: waived })}</span>}
    </>
  )
}

const audienceWords = (t: Texts['t'], { audience, byPublishing }: Giving) => (
  <>
    <span className="font-serif">{audience.name ?? audience.sentence}</span>
    {audience.name !== null && <span className="block text-soft">{audience.sentence}</span>}
    {byPublishing && <span className="block text-xs text-soft">{t('as it was published')}</span>}
  </>
)

function GivingTable({ givings, of }: { givings: readonly Giving[]; of: NamedItem }) {
  const { t } = useTexts()
  const [ending, setEnding] = useState<Giving | null>(null)
  const id = of.item.id
  return (
    <>
      <Table
        label={t('Given to')}
        rows={givings}
        keyOf={(row) => row.id}
        columns={[
          { id: 'audience', head: t('Who'), cell: (row) => audienceWords(t, row) },
          { id: 'terms', head: t('For what'), cell: (row) => <Terms giving={row} /> },
          { id: 'far', head: t('How far'), cell: (row) => <HowFar giving={row} of={of} /> },
          {
            id: 'by',
            head: t('Given'),
            cell: ({ givenBy, givenAt }) => `${whenOf(givenAt)}, ${givenBy.name}`,
            from: 'lg',
          },
          {
            id: 'actions',
            head: '',
            cell: (row) => (
              <span className="flex gap-2 justify-end">
                <ButtonLink to={`/items/${id}/given/${row.id}`}>{t('Change')}</ButtonLink>
                <Button onClick={() => setEnding(row)}>{t('End it …')}</Button>
              </span>
            ),
          },
        ]}
        empty={<p>{t('It is given to nobody. Whoever may find it in the library can read it all the same.')}</p>}
      />
      {ending && <EndGiving id={id} giving={ending} onClose={() => setEnding(null)} />}
    </>
  )
}

/** Asks before a giving is ended, and tells what came of it. */
function EndGiving({ id, giving, onClose }: { id: ItemId; giving: Giving; onClose: () => void }) {
  const { t } = useTexts()
  const end = useEndGiving(id)
  return (
    <Question
      title={t('End it for “{{audience}}”?', { audience: giving.audience.name ?? giving.audience.sentence })}
      about={t(
        'Whoever is given it for no other reason and has not begun loses it; whoever has begun keeps it as optional. What was done stays known.',
      )}
      yes={t('End it')}
      pending={end.isPending}
      error={end.error}
      onYes={() =>
        end.mutate(giving.id, {
          onSuccess: ({ lost, optional }) => {
            onClose()
            showToast(t('Ended: {{lost}} no longer have it, for {{optional}} it is optional', { lost, optional }))
          },
        })
      }
      onNo={onClose}
    />
  )
}

/** What the asker has given, and how far it is. */
export function MyGivingsPage() {
  const { t } = useTexts()
  return (
    <>
      <title>{t('What I gave – Jackdaw')}</title>
      <TitleLine
        where={{ to: '/records', name: t('Records') }}
        title={t('What I gave')}
        state={t('Everything that you have published or given to people, the newest first.')}
      />
      <div className="bg-sheet px-4 md:px-6 py-4 grow border-t border-hair">
        <Loaded query={useMyGivings()}>
          {(rows) => (
            <Table
              label={t('What I gave')}
              rows={rows}
              keyOf={({ giving }) => giving.id}
              columns={[
                {
                  id: 'item',
                  head: t('What'),
                  cell: ({ of }) => <TextLink to={pathOfItem(of.item)}>{of.title}</TextLink>,
                },
                { id: 'audience', head: t('Who'), cell: ({ giving }) => audienceWords(t, giving) },
                { id: 'terms', head: t('For what'), cell: ({ giving }) => <Terms giving={giving} />, from: 'lg' },
                { id: 'far', head: t('How far'), cell: ({ giving, of }) => <HowFar giving={giving} of={of} /> },
                { id: 'given', head: t('Given'), cell: ({ giving }) => whenOf(giving.givenAt), line: true },
                {
                  id: 'all',
                  head: '',
                  cell: ({ of }) => <ButtonLink to={`/items/${of.item.id}/given`}>{t('Given to')}</ButtonLink>,
                },
              ]}
              empty={
                <p>
                  {t('You have given nothing to anybody yet. Publish a guide, or give a published one to more people from its records.')}
                </p>
              }
            />
          )}
        </Loaded>
      </div>
    </>
  )
}
