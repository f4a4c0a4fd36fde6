import type { NamesOfRule } from '@jackdaw/contracts/audiences'
import { NOBODY } from '@jackdaw/core/audiences'
import { itemKey, pathOfItem } from '@jackdaw/core/items'
import type { AudienceId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useMe } from '../people'
import { Button, Failed, Loaded, showToast, TextArea, TextField, TextLink, TitleLine } from '../ui'
import { Question } from '../ui/over/Question'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { useArchiveAudience, useAudience, useReadSentence, useSaveAudience } from './queries'
import { RuleBuilder } from './RuleBuilder'
import { wholeRule, type RuleDraft } from './ruleDraft'
import { WhoIsIn } from './WhoIsIn'

type Used = { item: Parameters<typeof pathOfItem>[0]; number: number; title: string }
type Begun = { id: AudienceId | null; name: string; about: string; rule: RuleDraft; names: NamesOfRule; usedBy: readonly Used[] }

/** A new audience. */
export const NewAudiencePage = () => (
  <AudienceForm
    begun={{ id: null, name: '', about: '', rule: { ...NOBODY, join: 'all' }, names: { groups: [], people: [] }, usedBy: [] }}
  />
)

/** An audience that is saved: its rule, who is in it, where it is used. */
export function AudiencePage() {
  const { audienceId } = useIds<{ audienceId: AudienceId }>()
  return <Loaded query={useAudience(audienceId)}>{(data) => <AudienceForm key={data.changedAt} begun={data} />}</Loaded>
}

/** What is written in the form of an audience, and how it is saved. */
function useAudienceForm(begun: Begun) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const [name, setName] = useState(begun.name)
  const [about, setAbout] = useState(begun.about)
  const [{ rule, names, read }, setRule] = useState({ rule: begun.rule, names: begun.names, read: 0 })
  const save = useSaveAudience(begun.id)
  const whole = wholeRule(rule)
  const saveIt = () =>
    whole &&
    save.mutate(
      { name, about, rule: whole },
      {
        onSuccess: (id) => {
          showToast(t('“{{name}}” is saved', { name }))
          if (begun.id === null) void navigate(`/people/audiences/${id}`, { replace: true })
        },
      },
    )
  return { name, setName, about, setAbout, rule, names, read, setRule, save, whole, saveIt }
}

function AudienceForm({ begun }: { begun: Begun }) {
  const { t } = useTexts()
  const mayChange = useMe().permissions.includes('guides.all')
  const { name, setName, about, setAbout, rule, names, read, setRule, save, whole, saveIt } = useAudienceForm(begun)
  return (
    <form
      className="grow flex flex-col"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        saveIt()
      }}
    >
      <title>{`${begun.name || t('New audience')} – Jackdaw`}</title>
      <TitleLine
        where={{ to: '/people/audiences', name: t('Audiences') }}
        title={begun.name || t('New audience')}
        state={
          begun.usedBy.length > 0
            ? t('Used for {{count}} items: changing it changes who has them.', { count: begun.usedBy.length })
            : undefined
        }
      >
        {mayChange && (
          <Button type="submit" look="primary" disabled={!whole || name.trim() === '' || save.isPending}>
            {save.isPending ? t('Saving …') : t('Save the audience')}
          </Button>
        )}
        {mayChange && begun.id !== null && <ArchiveButton id={begun.id} name={begun.name} />}
      </TitleLine>
      <div className="grow grid lg:grid-cols-[minmax(0,1fr)_400px] border-t border-hair">
        <div className="bg-sheet px-4 md:px-6 py-5 space-y-6 min-w-0">
          {save.isError && <Failed error={save.error} />}
          <div className="grid sm:grid-cols-2 gap-4">
            <TextField
              label={t('Name')}
              value={name}
              maxLength={120}
              onChange={(event) => setName(event.target.value)}
              autoFocus={begun.id === null}
            />
            <TextField label={t('What it is for')} value={about} maxLength={500} onChange={(event) => setAbout(event.target.value)} />
          </div>
          <section>
            <h2 className="text-lg border-b-2 border-ink mb-3">{t('Who is in it')}</h2>
            <RuleBuilder key={read} rule={rule} names={names} onChange={(next) => setRule({ rule: next, names, read })} />
          </section>
          <BySentence onRead={(next, nextNames) => setRule({ rule: next, names: nextNames, read: read + 1 })} />
          {begun.usedBy.length > 0 && <UsedBy items={begun.usedBy} />}
        </div>
        <aside className="px-4 md:px-6 py-5 border-l border-hair">
          <WhoIsIn audience={whole} />
        </aside>
      </div>
    </form>
  )
}

function UsedBy({ items }: { items: readonly Used[] }) {
  const { t } = useTexts()
  return (
    <section>
      <h2 className="text-lg border-b-2 border-ink mb-3">{t('Where it is used')}</h2>
      <ul className="text-sm">
        {items.map(({ item, number, title }) => (
          <li key={itemKey(item)} className="py-1.5 border-b border-hair">
            <TextLink to={pathOfItem(item)}>{title}</TextLink> <span className="text-soft">{number}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** The rule as a sentence that is typed or pasted: quick for whoever knows how it is said. */
function BySentence({ onRead }: { onRead: (rule: RuleDraft, names: NamesOfRule) => void }) {
  const { t } = useTexts()
  const [sentence, setSentence] = useState('')
  const read = useReadSentence()
  const said =
    read.data && 'at' in read.data
      ? t('From character {{at}} on this was expected: {{expected}}.', { at: read.data.at + 1, expected: read.data.expected })
      : undefined
  return (
    <details>
      <summary className="cursor-pointer text-petrol">{t('Type it as a sentence')}</summary>
      <div className="mt-2 space-y-2 max-w-2xl">
        <TextArea
          label={t('Sentence')}
          rows={3}
          value={sentence}
          error={said}
          placeholder={t('Everybody who is in “Crate line A” (team). Follows changes.')}
          onChange={(event) => setSentence(event.target.value)}
        />
        {read.isError && <Failed error={read.error} />}
        <Button
          disabled={sentence.trim() === '' || read.isPending}
          onClick={() => read.mutate(sentence, { onSuccess: (answer) => 'rule' in answer && onRead(answer.rule, answer.names) })}
        >
          {t('Take it over')}
        </Button>
      </div>
    </details>
  )
}

function ArchiveButton({ id, name }: { id: AudienceId; name: string }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const archive = useArchiveAudience()
  const [asked, setAsked] = useState(false)
  return (
    <>
      <Button onClick={() => setAsked(true)}>{t('Take out of the list')}</Button>
      {asked && (
        <Question
          title={t('Take “{{name}}” out of the list?', { name })}
          about={t('It can then no longer be chosen. What is given to its people has to be given to others first.')}
          yes={t('Take it out')}
          pending={archive.isPending}
          error={archive.error}
          onYes={() => archive.mutate(id, { onSuccess: () => void navigate('/people/audiences') })}
          onNo={() => setAsked(false)}
        />
      )}
    </>
  )
}
