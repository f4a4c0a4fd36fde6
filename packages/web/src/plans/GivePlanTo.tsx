import type { PersonRef } from '@jackdaw/contracts/people'
import type { PlanId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { PersonPicker } from '../people/PersonPicker'
import { Button, chosen, DateField, Failed, Loaded, Select, TextLink } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useEnrol, usePlan, usePlans } from './queries'
import { SimulationFor } from './SimulationPanel'
import { todayHere } from './todayHere'

/** Gives a plan to one person: which, from when on, and who looks after them; what comes of it stands below.
 * @param onDone is given the plan, and whether they went through it before */
export function GivePlanTo({ person, onDone }: { person: PersonRef; onDone: (plan: { id: PlanId; title: string }, had: boolean) => void }) {
  const { t } = useTexts()
  const [id, setId] = useState<PlanId | ''>('')
  return (
    <Loaded query={usePlans(false)}>
      {(plans) => {
        const published = plans.filter(({ edition }) => edition !== null)
        const plan = published.find((each) => each.id === id)
        return published.length === 0 ? (
          <p>
            {t('No plan is published yet.')} <TextLink to="/plans">{t('To the plans')}</TextLink>
          </p>
        ) : (
          <div className="space-y-6">
            <Select label={t('Which plan')} value={id} onChange={chosen<PlanId | ''>(setId)}>
              <option value="">{t('Choose one')}</option>
              {published.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.title}
                </option>
              ))}
            </Select>
            {plan && <Giving key={plan.id} plan={plan} person={person} onDone={(had) => onDone(plan, had)} />}
          </div>
        )
      }}
    </Loaded>
  )
}

function Giving({ plan: { id }, person, onDone }: { plan: { id: PlanId }; person: PersonRef; onDone: (had: boolean) => void }) {
  const { t } = useTexts()
  const [startOn, setStartOn] = useState(todayHere)
  const [mentor, setMentor] = useState<PersonRef[]>([])
  const enrol = useEnrol(id)
  const plan = usePlan(id)
  return (
    <form
      className="space-y-6"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        if (enrol.isPending) return
        enrol.mutate({ people: [person.id], startOn, mentorId: mentor[0]?.id ?? null }, { onSuccess: ({ had }) => onDone(had > 0) })
      }}
    >
      {enrol.isError && <Failed error={enrol.error} />}
      <DateField
        label={t('Starting on')}
        hint={t('On a day off it starts on the next working day; a day in the past is today.')}
        value={startOn}
        onChange={setStartOn}
      />
      <PersonPicker label={t('Mentor, who looks after them')} chosen={mentor} onChange={(next) => setMentor(next.slice(-1))} />
      {plan.isError && <Failed error={plan.error} />}
      {plan.data?.published && <SimulationFor document={plan.data.published} personId={person.id} startOn={startOn} />}
      <Button type="submit" look="primary" className="min-h-10" disabled={enrol.isPending}>
        {enrol.isPending ? t('Giving it …') : t('Give it to {{name}}', { name: person.name })}
      </Button>
    </form>
  )
}
