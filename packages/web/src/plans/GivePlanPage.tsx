import type { PersonRef } from '@jackdaw/contracts/people'
import { MOST_ENROLLED } from '@jackdaw/contracts/plans'
import type { PlanId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { PersonPicker } from '../people/PersonPicker'
import { Button, DateField, Failed, Loaded, Message, showToast, TitleLine } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { useEnrol, usePlan } from './queries'
import { SimulationFor } from './SimulationPanel'
import { todayHere } from './todayHere'
import type { PlanDraft } from './usePlanDraft'

/** Gives a plan to people, from a day on, with somebody to look after them; what comes of it stands beside it. */
export function GivePlanPage() {
  const { id } = useIds<{ id: PlanId }>()
  return <Loaded query={usePlan(id)}>{(plan) => <Give plan={plan} />}</Loaded>
}

function Give({ plan }: { plan: PlanDraft }) {
  const { t } = useTexts()
  const go = useNavigate()
  const enrol = useEnrol(plan.id)
  const [people, setPeople] = useState<PersonRef[]>([])
  const [mentor, setMentor] = useState<PersonRef[]>([])
  const [startOn, setStartOn] = useState(todayHere)
  const send = () =>
    enrol.mutate(
      { people: people.map(({ id }) => id), startOn, mentorId: mentor[0]?.id ?? null },
      {
        onSuccess: ({ given, had }) => {
          showToast(
            had > 0
              ? t('Given to {{count}} people; {{had}} more go through it already', { count: given, had })
              : t('Given to {{count}} people', { count: given }),
          )
          void go(`/plans/${plan.id}/people`)
        },
      },
    )
  const ready = people.length > 0 && people.length <= MOST_ENROLLED && plan.edition !== null && !plan.archived
  return (
    <form
      className="grow flex flex-col"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        if (ready && !enrol.isPending) send()
      }}
    >
      <title>{`${t('Give')} – ${plan.document.title} – Jackdaw`}</title>
      <TitleLine where={{ to: `/plans/${plan.id}`, name: plan.document.title }} title={t('Give the plan to people')}>
        <Button type="submit" look="primary" className="min-h-10" disabled={!ready || enrol.isPending}>
          {enrol.isPending ? t('Giving it …') : t('Give it to {{count}} people', { count: people.length })}
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
          <PersonPicker label={t('Who goes through it')} chosen={people} onChange={setPeople} />
          <DateField
            label={t('Starting on')}
            hint={t('On a day off it starts on the next working day; a day in the past is today.')}
            value={startOn}
            onChange={setStartOn}
          />
          <PersonPicker label={t('Mentor, who looks after them')} chosen={mentor} onChange={(next) => setMentor(next.slice(-1))} />
        </div>
        <aside className="px-4 md:px-6 py-5 border-l border-hair space-y-4" aria-live="polite">
          <h2 className="text-lg border-b-2 border-ink">{t('What comes of it')}</h2>
          {people.length === 0 && <p className="text-soft">{t('Choose people; then you see when each of them is through.')}</p>}
          {people
            .slice(0, 5)
            .map(
              (person) =>
                plan.published && <SimulationFor key={person.id} document={plan.published} personId={person.id} startOn={startOn} />,
            )}
          {people.length > 5 && <p className="text-sm text-soft">{t('The first {{n}} of {{all}}.', { n: 5, all: people.length })}</p>}
        </aside>
      </div>
    </form>
  )
}
