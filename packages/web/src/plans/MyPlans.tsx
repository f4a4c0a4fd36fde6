import type { MyPlan } from '@jackdaw/contracts/plans'
import type { PersonId } from '@jackdaw/core/shared'
import { Link } from 'react-router'
import { dayOf, Failed } from '../ui'
import { useTexts, type Texts } from '../ui/words/texts'
import { useMyPlans, usePlansOf } from './queries'

/** The plans that somebody goes through, with the stage in which they are, and who looks after them. */
export const MyPlans = () => <Plans query={useMyPlans()} />
/** The same of somebody else, as they see them. */
export const PlansOf = ({ personId }: { personId: PersonId }) => <Plans query={usePlansOf(personId)} />
/** Until they are there, nothing stands in their place: most people go through none. */
const Plans = ({ query }: { query: { data?: readonly MyPlan[] | undefined; isError: boolean; error: unknown } }) =>
  query.data ? query.data.map((plan) => <PlanShown key={plan.id} plan={plan} />) : query.isError && <Failed error={query.error} />

/** Where somebody is in a plan, in a sentence. */
function standingWords(t: Texts['t'], { stages, heldSince, freeUntil, endsOn }: MyPlan): string {
  if (heldSince !== null) return t('It is held for you since {{day}}: nothing of it is due.', { day: dayOf(heldSince) })
  if (freeUntil !== null) return t('Free days until {{day}}.', { day: dayOf(freeUntil) })
  if (!stages.some(({ released }) => released)) return t('It begins on {{day}}.', { day: dayOf(stages[0]?.startsOn ?? '') })
  return endsOn === null ? '' : t('You are through by {{day}}, if everything is done on its day.', { day: dayOf(endsOn) })
}

/** A plan as a ruler laid flat: a part for each stage. */
function PlanShown({ plan }: { plan: MyPlan }) {
  const { t } = useTexts()
  const here = plan.stages.findIndex(({ released, finishedOn }) => released && finishedOn === null)
  return (
    <section aria-label={plan.title} className="bg-sheet border-t-2 border-ink border-b border-b-hair px-4 py-3 mb-8" data-plan>
      <h2 className="font-serif text-lg">{plan.title}</h2>
      {plan.about && <p className="whitespace-pre-line">{plan.about}</p>}
      <p className="text-sm text-soft">
        {standingWords(t, plan)}
        {plan.mentor && (
          <>
            {' '}
            {t('Your mentor')}:{' '}
            <Link to={`/people/${plan.mentor.id}`} className="text-petrol hover:underline font-semibold">
              {plan.mentor.name}
            </Link>
          </>
        )}
      </p>
      <ol className="grid gap-x-1 gap-y-2 mt-2 sm:grid-flow-col sm:auto-cols-fr">
        {plan.stages.map((stage, n) => (
          <li key={stage.id} aria-current={n === here ? 'step' : undefined} className="min-w-0">
            <span className={`block h-2 ${stage.finishedOn !== null ? 'bg-moss' : n === here ? 'bg-kingfisher' : 'bg-hair'}`} aria-hidden />
            <span className={`block text-sm truncate ${n === here ? 'font-semibold' : ''}`} title={stage.name}>
              {n + 1}. {stage.name}
            </span>
            <span className="block text-xs text-soft">
              {stage.finishedOn !== null
                ? t('✓ done')
                : stage.released
                  ? t('{{done}} of {{all}} done', { done: stage.done, all: stage.required })
                  : stage.startsOn
                    ? t('from {{day}}', { day: dayOf(stage.startsOn) })
                    : t('waits for the stage before')}
            </span>
          </li>
        ))}
      </ol>
    </section>
  )
}
