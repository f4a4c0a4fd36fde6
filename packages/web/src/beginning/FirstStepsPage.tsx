import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { getFirstSteps } from '@jackdaw/contracts/beginning'
import type { FirstStep } from '@jackdaw/core/beginning'
import type { TFunction } from 'i18next'
import { Check, Clock3 } from 'lucide-react'
import { ButtonLink, Loaded, Message, TitleLine } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useFirstSteps } from './queries'

type Steps = ResponseOf<typeof getFirstSteps>['steps']
type StepWords = { outcome: string; how: string; act: string; to: string }

const stepWords = (t: TFunction): Record<FirstStep, StepWords> => ({
  people: {
    outcome: t('The people who work here are in the directory'),
    how: t('Take them in from a list, or add the first ones by hand. Three are enough for this to tick.'),
    act: t('Take in a list'),
    to: '/people/from-a-file',
  },
  teams: {
    outcome: t('There is a team, and somebody is in it'),
    how: t('Guides are given to teams and roles, so that whoever joins finds them on the first day.'),
    act: t('Make a team'),
    to: '/people/groups',
  },
  leaders: {
    outcome: t('Every team has somebody who leads it'),
    how: t('Open each team and say who leads it.'),
    act: t('See the teams'),
    to: '/people/groups',
  },
  roles: {
    outcome: t('Every role is held by somebody'),
    how: t('Take roles from those of your line of work, or make your own; then put people into them.'),
    act: t('See the roles'),
    to: '/people/roles',
  },
  'sign-in': {
    outcome: t('Everybody can come in, or has an invitation'),
    how: t('Invite those with a mail address; give the others a first password.'),
    act: t('Open the directory'),
    to: '/people',
  },
  guide: {
    outcome: t('The first guide is published'),
    how: t('Write it, record it or bring it in; then publish it to a team.'),
    act: t('Write a guide'),
    to: '/library',
  },
  duty: {
    outcome: t('One duty says how it is done'),
    how: t('Link a published guide to a duty of a role or team.'),
    act: t('See the roles'),
    to: '/people/roles',
  },
  read: {
    outcome: t('The first guide was read to its end by somebody else'),
    how: t('Nothing to do but wait, or to remind them.'),
    act: t('See who finished'),
    to: '/records',
  },
})

/** Leads whoever begins a company by what is to be there: each outcome ticks itself. */
export function FirstStepsPage() {
  const { t } = useTexts()
  const query = useFirstSteps()
  return (
    <>
      <title>{t('First steps – Jackdaw')}</title>
      <TitleLine
        title={t('First steps')}
        state={
          query.data &&
          t('{{done}} of {{of}} are there', { done: query.data.steps.filter(({ done }) => done).length, of: query.data.steps.length })
        }
      />
      <div className="bg-sheet grow px-4 md:px-6 py-5">
        <Loaded query={query}>
          {({ steps, gone }) =>
            gone ? (
              <Message tone="good" title={t('All of it is there. This page goes now.')}>
                <ButtonLink className="mt-2" to="/">
                  {t('To Today')}
                </ButtonLink>
              </Message>
            ) : (
              <ol className="max-w-3xl" aria-label={t('First steps')}>
                {steps.map((step, at) => (
                  <Step key={step.step} {...step} next={at === 0} />
                ))}
              </ol>
            )
          }
        </Loaded>
      </div>
    </>
  )
}

function Step({ step, done, waits, next }: Steps[number] & { next: boolean }) {
  const { t } = useTexts()
  const all = stepWords(t)
  const { outcome, how, act, to } = all[step]
  return (
    <li className={`flex gap-4 py-4 border-b border-hair ${done ? 'text-soft' : ''}`}>
      <span
        className={`shrink-0 size-8 rounded-full grid place-items-center border-2 ${done ? 'border-moss text-moss' : waits.length > 0 ? 'border-edge text-soft' : 'border-petrol text-petrol'}`}
        aria-hidden
      >
        {done ? <Check size={18} /> : waits.length > 0 ? <Clock3 size={16} /> : null}
      </span>
      <div className="grow min-w-0">
        <h2 className="text-lg leading-8">
          {outcome}
          <span className="sr-only">{done ? ` – ${t('done')}` : ''}</span>
        </h2>
        {!done && <p className="text-soft">{how}</p>}
        {waits.length > 0 && (
          <p className="text-sm text-ochre">{t('First: {{what}}', { what: waits.map((need) => all[need].outcome).join('; ') })}</p>
        )}
      </div>
      {!done && waits.length === 0 && (
        <ButtonLink look={next ? 'primary' : 'plain'} className="self-start" to={to}>
          {act}
        </ButtonLink>
      )}
    </li>
  )
}
