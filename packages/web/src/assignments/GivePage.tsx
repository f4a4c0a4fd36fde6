import { GivingSaving, type Giving, type NamedItem } from '@jackdaw/contracts/assignments'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { previewGiving } from '@jackdaw/contracts/assignments'
import type { AudienceShown } from '@jackdaw/contracts/audiences'
import { USUAL_DUE } from '@jackdaw/core/assignments'
import { NOBODY } from '@jackdaw/core/audiences'
import type { ItemId } from '@jackdaw/core/items'
import type { GivingId } from '@jackdaw/core/shared'
import { useState, type ReactNode } from 'react'
import { useNavigate } from 'react-router'
import { Button, Check, Failed, Loaded, Message, showToast, TitleLine, Waiting } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { AudienceFields, NOBODY_YET } from './AudienceFields'
import { FormPart } from './FormPart'
import { ForWhat } from './ForWhat'
import { useChangeGiving, useGive, useGivingPreview, useGivings } from './givingQueries'

/** Gives an item to more people. */
export function NewGivingPage() {
  const { id } = useIds<{ id: ItemId }>()
  return <Loaded query={useGivings(id)}>{({ of }) => <NewGiving of={of} />}</Loaded>
}
/** Changes to whom an item is given, for what and by when. */
export function GivingPage() {
  const { t } = useTexts()
  const { id, givingId } = useIds<{ id: ItemId; givingId: GivingId }>()
  return (
    <Loaded query={useGivings(id)}>
      {({ of, givings }) => {
        const giving = givings.find((each) => each.id === givingId)
        return giving ? <ChangedGiving {...{ of, giving }} /> : <Message tone="warn" title={t('It was ended meanwhile.')} />
      }}
    </Loaded>
  )
}

function NewGiving({ of }: { of: NamedItem }) {
  const { t } = useTexts()
  const give = useGive(of.item.id)
  const done = useDone(of)
  return (
    <GivingForm
      of={of}
      shown={NOBODY_YET}
      usual={{ audience: NOBODY, use: 'to-do', due: USUAL_DUE, repeatMonths: null }}
      send={give}
      yes={(count) => t('Give it to {{count}} people', { count })}
      onSend={(saving, tell) =>
        give.mutate({ ...saving, tell }, { onSuccess: ({ people }) => done(t('Given to {{count}} people', { count: people })) })
      }
    />
  )
}
function ChangedGiving({ of, giving }: { of: NamedItem; giving: Giving }) {
  const { t } = useTexts()
  const change = useChangeGiving(of.item.id, giving.id)
  const done = useDone(of)
  const [dueForAll, setDueForAll] = useState(true)
  const { audience, use, due, repeatMonths } = giving
  return (
    <GivingForm
      of={of}
      shown={audience}
      usual={{ audience: audience.choice, use, due, repeatMonths }}
      send={change}
      yes={() => t('Save')}
      onSend={(saving, tell) => change.mutate({ ...saving, tell, dueForAll }, { onSuccess: () => done(t('Changed')) })}
    >
      <Check
        checked={dueForAll}
        onChange={(event) => setDueForAll(event.target.checked)}
        label={t('Also for those who have it already')}
        hint={t('Their days are counted from when they got it. Without this they keep the day that they were told.')}
      />
    </GivingForm>
  )
}
/** Goes back to whom it is given, and says what has happened. */
function useDone(of: NamedItem): (words: string) => void {
  const go = useNavigate()
  return (words) => {
    showToast(words)
    void go(`/items/${of.item.id}/given`)
  }
}

/** Who is given it, for what and by when; whom that reaches stands beside it. */
function GivingForm({
  of,
  shown,
  usual,
  send,
  yes,
  onSend,
  children,
}: {
  of: NamedItem
  shown: AudienceShown
  usual: GivingSaving
  send: { isPending: boolean; isError: boolean; error: unknown }
  yes: (people: number) => string
  onSend: (saving: GivingSaving, tell: boolean) => void
  /** What more is to be said of by when. */
  children?: ReactNode
}) {
  const { t } = useTexts()
  const [saving, setSaving] = useState<GivingSaving>(usual)
  const [whole, setWhole] = useState(true)
  const [tell, setTell] = useState(true)
  const set = (more: Partial<GivingSaving>) => setSaving({ ...saving, ...more })
  const { audience } = saving
  const preview = useGivingPreview(of.item.id, whole ? audience : null)
  const people = preview.data?.counts.people ?? 0
  const unsure = !whole || preview.isPending || preview.isPlaceholderData || people === 0 || !GivingSaving.safeParse(saving).success
  return (
    <form
      className="grow flex flex-col"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        if (!unsure && !send.isPending) onSend(saving, tell)
      }}
    >
      <title>{`${t('Give')} – ${of.title} – Jackdaw`}</title>
      <TitleLine where={{ to: `/items/${of.item.id}/given`, name: t('Given to') }} title={t('Give “{{title}}”', { title: of.title })}>
        <Button type="submit" look="primary" className="min-h-10" disabled={unsure || send.isPending}>
          {yes(people)}
        </Button>
      </TitleLine>
      <div className="grow grid lg:grid-cols-[minmax(0,1fr)_400px] border-t border-hair">
        <div className="bg-sheet px-4 md:px-6 py-5 space-y-7 min-w-0">
          {send.isError && <Failed error={send.error} />}
          <FormPart title={t('Who gets it')}>
            <AudienceFields
              shown={shown}
              onChange={(next) => {
                setWhole(next !== null)
                if (next) set({ audience: next })
              }}
            />
          </FormPart>
          <ForWhat {...{ saving, set }}>{children}</ForWhat>
          <FormPart title={t('Telling them')}>
            <Check
              checked={tell}
              onChange={(event) => setTell(event.target.checked)}
              label={t('Tell those for whom something changes')}
              hint={t('In their inbox, and by mail as far as they want that.')}
            />
          </FormPart>
        </div>
        <aside className="px-4 md:px-6 py-5 border-l border-hair" aria-live="polite">
          <Reach
            data={whole ? preview.data : undefined}
            fresh={!preview.isPlaceholderData}
            pending={whole && preview.isPending}
            error={preview.error}
          />
        </aside>
      </div>
    </form>
  )
}

/** Whom it reaches, and what they have of it already. */
function Reach({
  data,
  fresh,
  pending,
  error,
}: {
  data: ResponseOf<typeof previewGiving> | undefined
  fresh: boolean
  pending: boolean
  error: unknown
}) {
  const { t } = useTexts()
  if (error) return <Failed error={error} />
  if (pending) return <Waiting />
  if (!data) return <p className="text-soft">{t('Choose what is missing; then you see whom it reaches.')}</p>
  const { counts, people } = data
  const now = { new: t('new'), has: t('has it, not done'), done: t('done; stays done') }
  const said = (['new', 'has', 'done'] as const).flatMap((each) => (counts[each] > 0 ? [`${counts[each]} ${now[each]}`] : []))
  return (
    <div className={fresh ? '' : 'opacity-60'}>
      <h2 className="text-lg">{t('{{count}} people', { count: counts.people })}</h2>
      <p className="text-sm text-soft mb-2">{counts.people === 0 ? t('Choose teams, roles or people.') : said.join(' · ')}</p>
      <ul className="text-sm max-h-[60vh] overflow-auto border-t border-hair" tabIndex={0} aria-label={t('Who gets it')}>
        {people.map((person) => (
          <li key={person.id} className="py-1.5 border-b border-hair">
            <span className="font-semibold">{person.name}</span> <span className="text-soft">{person.site}</span>
            <span className="float-right">{now[person.now]}</span>
          </li>
        ))}
      </ul>
      {counts.people > people.length && (
        <p className="text-sm text-soft mt-1">{t('The first {{n}} of {{all}}.', { n: people.length, all: counts.people })}</p>
      )}
    </div>
  )
}
