import type { AudienceChoice } from '@jackdaw/contracts/audiences'
import type { PersonRef } from '@jackdaw/contracts/people'
import { MOST_ENROLLED } from '@jackdaw/contracts/plans'
import type { LocalDate, PersonId, PlanId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { AudienceFields, NOBODY_YET } from '../assignments'
import { PersonPicker } from '../people/PersonPicker'
import { Button, DateField, Failed, Loaded, Message, Radios, showToast, TitleLine } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { PlanGivings } from './PlanGivings'
import { useEnrol, useGivePlan, usePlan } from './queries'
import { SimulationFor } from './SimulationPanel'
import { todayHere } from './todayHere'
import type { PlanDraft } from './usePlanDraft'

type How = 'people' | 'audience'
/** Gives a plan to people, from a day on, with somebody to look after them; what comes of it stands beside it. */
export function GivePlanPage() {
  const { id } = useIds<{ id: PlanId }>()
  return <Loaded query={usePlan(id)}>{(plan) => <Give plan={plan} />}</Loaded>
}

/** Gives a plan to people or to an audience, and goes on to those who go through it. */
function useGiving(id: PlanId) {
  const { t } = useTexts()
  const go = useNavigate()
  const enrol = useEnrol(id)
  const give = useGivePlan(id)
  const done = (given: number, had = 0) => {
    showToast(
      had > 0
        ? t('Given to {{count}} people; {{had}} more go through it already', { count: given, had })
        : t('Given to {{count}} people', { count: given }),
    )
    void go(`/plans/${id}/people`)
  }
  const send = (whom: { people: PersonId[]; startOn: LocalDate } | AudienceChoice | null, mentorId: PersonId | null) => {
    if (whom === null) return
    if ('startOn' in whom) enrol.mutate({ ...whom, mentorId }, { onSuccess: ({ given, had }) => done(given, had) })
    else give.mutate({ audience: whom, mentorId }, { onSuccess: ({ given }) => done(given) })
  }
  return { enrol, give, send }
}

function Give({ plan }: { plan: PlanDraft }) {
  const { t } = useTexts()
  const [people, setPeople] = useState<PersonRef[]>([])
  const [mentor, setMentor] = useState<PersonRef[]>([])
  const [startOn, setStartOn] = useState(todayHere)
  const [how, setHow] = useState<How>('people')
  const [audience, setAudience] = useState<AudienceChoice | null>(null)
  const { enrol, give, send } = useGiving(plan.id)
  const whole = how === 'people' ? people.length > 0 && people.length <= MOST_ENROLLED : audience !== null
  const ready = whole && plan.edition !== null && !plan.archived
  const busy = enrol.isPending || give.isPending
  return (
    <form
      className="grow flex flex-col"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        if (ready && !busy) send(how === 'people' ? { people: people.map(({ id }) => id), startOn } : audience, mentor[0]?.id ?? null)
      }}
    >
      <title>{`${t('Give')} – ${plan.document.title} – Jackdaw`}</title>
      <TitleLine where={{ to: `/plans/${plan.id}`, name: plan.document.title }} title={t('Give the plan to people')}>
        <Button type="submit" look="primary" className="min-h-10" disabled={!ready || busy}>
          {busy
            ? t('Giving it …')
            : how === 'people'
              ? t('Give it to {{count}} people', { count: people.length })
              : t('Give it to the audience')}
        </Button>
      </TitleLine>
      <div className="grow grid lg:grid-cols-[minmax(0,1fr)_400px] border-t border-hair">
        <div className="bg-sheet px-4 md:px-6 py-5 space-y-6 min-w-0">
          {plan.changed && plan.edition !== null && (
            <Message tone="warn" title={t('The plan was changed since edition {{n}}. They get edition {{n}}.', { n: plan.edition })} />
          )}
          {plan.edition === null && <Message tone="warn" title={t('Publish the plan first; then it can be given.')} />}
          {plan.archived && <Message tone="warn" title={t('The plan is in the archive. Take it out to give it to somebody.')} />}
          {enrol.isError && <Failed error={enrol.error} />}
          {give.isError && <Failed error={give.error} />}
          <Radios
            label={t('Who goes through it')}
            value={how}
            onChange={setHow}
            options={[
              { value: 'people', words: t('People, from a day on') },
              {
                value: 'audience',
                words: t('An audience, and whoever joins it'),
                hint: t('Joiners begin on their first day at work. Whoever leaves it ends.'),
              },
            ]}
          />
          {how === 'people' ? (
            <>
              <PersonPicker label={t('People')} chosen={people} onChange={setPeople} />
              <DateField
                label={t('Starting on')}
                hint={t('On a day off it starts on the next working day; a day in the past is today.')}
                value={startOn}
                onChange={setStartOn}
              />
            </>
          ) : (
            <AudienceFields shown={NOBODY_YET} onChange={setAudience} />
          )}
          <PersonPicker label={t('Mentor, who looks after them')} chosen={mentor} onChange={(next) => setMentor(next.slice(-1))} />
        </div>
        <aside className="px-4 md:px-6 py-5 border-l border-hair space-y-4" aria-live="polite">
          <PlanGivings planId={plan.id} />
          <WhatComes {...{ plan, how, people, startOn }} />
        </aside>
      </div>
    </form>
  )
}

/** When each of those is through who are chosen. */
function WhatComes({ plan, how, people, startOn }: { plan: PlanDraft; how: How; people: readonly PersonRef[]; startOn: LocalDate }) {
  const { t } = useTexts()
  if (how === 'audience') return <p className="text-soft">{t('Everybody in it begins now, as the plan says.')}</p>
  return (
    <>
      <h2 className="text-lg border-b-2 border-ink">{t('What comes of it')}</h2>
      {people.length === 0 && <p className="text-soft">{t('Choose people; then you see when each of them is through.')}</p>}
      {people
        .slice(0, 5)
        .map(
          (person) => plan.published && <SimulationFor key={person.id} document={plan.published} personId={person.id} startOn={startOn} />,
        )}
      {people.length > 5 && <p className="text-sm text-soft">{t('The first {{n}} of {{all}}.', { n: 5, all: people.length })}</p>}
    </>
  )
}
