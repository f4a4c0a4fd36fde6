import { GoalPart, type GoalGroup, type GoalPerson, type GoalResult } from '@jackdaw/contracts/goals'
import { GroupId, LocalDate, type GoalId } from '@jackdaw/core/shared'
import { Link } from 'react-router'
import * as z from 'zod/mini'
import { GroupFilters } from '../records/GroupFilters'
import { dayAndYearOf, lengthOf, Loaded, momentOf, Pager, Table, TextLink, TitleLine, useSearch } from '../ui'
import { useIds } from '../ui/search/useIds'
import type { Column } from '../ui/table/columns'
import { useTexts, type Texts } from '../ui/words/texts'
import { DaysChoice } from './Choice'
import { GoalCurve } from './GoalCurve'
import { useGoalPeople, useGoalResult } from './goalQueries'
import { shareOf } from './journeying'
import { daysIn, LOOKING, pageAt } from './looking'
import { keptOf, PutOnPage } from './pages/PutOnPage'

const SEARCH = {
  days: LOOKING.days,
  from: LocalDate,
  to: LocalDate,
  department: GroupId,
  site: GroupId,
  team: GroupId,
  part: GoalPart,
  step: z.string().check(z.regex(/^[0-4]$/)),
}
type Search = { [K in keyof typeof SEARCH]: z.output<(typeof SEARCH)[K]> | undefined }
const DAY_MS = 86_400_000
/** What a step is called: the item, or the act of which an application tells. */
const nameOfStep = (step: GoalResult['goal']['steps'][number] | undefined): string => step?.item?.title ?? step?.act ?? ''
/** A time to a goal: minutes and hours, from two days on in days. */
const longOf = (t: Texts['t'], ms: number): string =>
  ms < 2 * DAY_MS ? lengthOf(Math.max(ms, 1)) : t('{{days}} days', { days: Math.round((ms / DAY_MS) * 10) / 10 })
const askedIn = (search: Search) => ({ ...daysIn(search), department: search.department, site: search.site, team: search.team })

/** How many of those who began came to a goal, step by step, and how soon. */
export function GoalPage() {
  const { t } = useTexts()
  const { id } = useIds<{ id: GoalId }>()
  const { search, page, set } = useSearch(SEARCH)
  const query = useGoalResult(id, askedIn(search))
  return (
    <Loaded query={query}>
      {(result) => (
        <>
          <title>{t('{{name}} – Goals – Jackdaw', { name: result.goal.name })}</title>
          <TitleLine
            where={{ to: '/engagement/goals', name: t('Goals') }}
            title={result.goal.name}
            state={t('Those who first viewed “{{title}}” from {{from}} to {{to}}', {
              title: result.goal.from.title,
              from: dayAndYearOf(result.span.from),
              to: dayAndYearOf(result.span.to),
            })}
          >
            <PutOnPage part={{ shows: 'goal', goal: id, looking: keptOf(search) }} name={result.goal.name} />
          </TitleLine>
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
            <div className="flex flex-wrap items-end gap-2 py-2">
              <DaysChoice {...{ search, set }} />
              <GroupFilters {...{ search, set }} />
            </div>
            <GoalSteps {...{ id, search, result }} />
            <GroupsOfGoal {...{ id, search, result }} />
            {search.part && <PeopleOfGoal {...{ id, search, page }} onPage={(next) => set({ page: String(next) })} />}
          </div>
        </>
      )}
    </Loaded>
  )
}

/** The steps of the goal one after another, each with its numbers and its curve. */
function GoalSteps({ id, search, result: { goal, began, steps } }: { id: GoalId; search: Search; result: GoalResult }) {
  const { t } = useTexts()
  const to = (part: GoalPart, step?: number) =>
    pageAt(`/engagement/goals/${id}`, { ...search, part, step: step === undefined ? undefined : String(step) })
  const opened = (n: number, part: GoalPart, step: number, label: string) =>
    n === 0 ? (
      <span className="text-soft">0 {label}</span>
    ) : (
      <Link to={to(part, step)} className="underline underline-offset-3">
        {n} {label}
      </Link>
    )
  return (
    <>
      <p className="py-2">
        {began === 0 ? (
          t('Nobody began it in these days.')
        ) : (
          <Link to={to('began')} className="underline underline-offset-3">
            {t('{{n}} began', { n: began })}
          </Link>
        )}
      </p>
      {steps.map((step, n) => (
        <section key={n} className="border-t border-hair py-4 lg:grid lg:grid-cols-2 gap-8">
          <div>
            <h2 className="font-semibold text-lg">
              {n + 1}. {nameOfStep(goal.steps[n])}
            </h2>
            <p className="text-soft text-sm pb-2">
              {n === 0
                ? t('finished within {{days}} days of having begun', { days: goal.steps[n]?.withinDays ?? 0 })
                : t('finished within {{days}} days of the step before', { days: goal.steps[n]?.withinDays ?? 0 })}
            </p>
            <p>
              {opened(step.reached, 'reached', n, t('reached it'))} {t('of {{n}}', { n: step.of })}, {shareOf(t, step.reached, step.of)};{' '}
              {opened(step.underWay, 'under-way', n, t('are still under way'))};{' '}
              {opened(step.of - step.reached - step.underWay, 'missed', n, t('did not in time'))}.
            </p>
            <p>
              {step.medianMs === null
                ? t('Fewer than half have come to it so far.')
                : t('Half have come to it within {{time}}.', { time: longOf(t, step.medianMs) })}
            </p>
          </div>
          <GoalCurve step={step} n={n} />
        </section>
      ))}
      <p className="text-sm text-soft max-w-prose">
        {t(
          'Who is still under way is counted for as long as they have been (Kaplan–Meier). In brackets and as the outer lines: where the share may well lie (95 %). A step is reached by finishing it after the one before, or by an act of which an application tells, which is only claimed.',
        )}
      </p>
    </>
  )
}

/** How those did who were in a group when they began. */
function GroupsOfGoal({ id, search, result: { goal, groups } }: { id: GoalId; search: Search; result: GoalResult }) {
  const { t } = useTexts()
  if (groups.length < 2) return null
  const KINDS = { department: t('Department'), site: t('Site'), team: t('Team') }
  const link = ({ kind, id: group }: GoalGroup, n: number, part: GoalPart, step?: number) =>
    n === 0 ? (
      <span className="text-soft">0</span>
    ) : (
      <TextLink
        to={pageAt(`/engagement/goals/${id}`, {
          ...search,
          ...{ page: undefined, department: undefined, site: undefined, team: undefined },
          ...{ [kind]: group, part, step: step === undefined ? undefined : String(step) },
        })}
      >
        {n}
      </TextLink>
    )
  const columns: Column<GoalGroup>[] = [
    { id: 'name', head: t('Group'), cell: ({ name }) => <span className="font-semibold">{name}</span> },
    { id: 'kind', head: t('Kind'), line: true, cell: ({ kind }) => KINDS[kind] },
    { id: 'began', head: t('Began'), cell: (group) => link(group, group.began, 'began') },
    ...goal.steps.map((named, n): Column<GoalGroup> => ({
      id: `step ${n}`,
      head: `${n + 1}. ${nameOfStep(named)}`,
      cell: (group) => (
        <>
          {link(group, group.reached[n] ?? 0, 'reached', n)}{' '}
          <span className="text-soft text-sm">
            {t('of {{n}}', { n: n === 0 ? group.began : (group.reached[n - 1] ?? 0) })},{' '}
            {shareOf(t, group.reached[n] ?? 0, n === 0 ? group.began : (group.reached[n - 1] ?? 0))}
          </span>
        </>
      ),
    })),
  ]
  return (
    <section className="pt-4">
      <h2 className="font-semibold text-lg">{t('By the groups they were in when they began')}</h2>
      <Table label={t('By group')} rows={groups} columns={columns} keyOf={(group) => group.id} empty={null} />
    </section>
  )
}

/** The people whom a figure counts. */
function PeopleOfGoal({ id, search, page, onPage }: { id: GoalId; search: Search; page: number; onPage: (page: number) => void }) {
  const { t } = useTexts()
  const { part = 'began', step } = search
  const query = useGoalPeople(id, { ...askedIn(search), part, ...(step === undefined ? {} : { step: Number(step) }), page })
  const words = {
    began: t('Who began'),
    reached: t('Who reached it'),
    missed: t('Who did not in time'),
    'under-way': t('Who is still under way'),
  }[part]
  return (
    <Loaded query={query}>
      {({ goal, rows, total, pageSize }) => {
        const columns: Column<GoalPerson>[] = [
          {
            id: 'person',
            head: t('Who'),
            cell: ({ person }) => (
              <Link to={pageAt('/engagement', { by: 'used', person: person.id, days: '365' })} className="font-semibold hover:underline">
                {person.name}
              </Link>
            ),
          },
          { id: 'began', head: t('Began'), line: true, cell: ({ beganAt }) => momentOf(beganAt) },
          ...goal.steps.map((named, n): Column<GoalPerson> => ({
            id: `step ${n}`,
            head: nameOfStep(named),
            cell: ({ reachedAt }) => {
              const at = reachedAt[n] ?? null
              return at === null ? <span className="text-soft">–</span> : momentOf(at)
            },
          })),
        ]
        return (
          <section className="pt-4">
            <h2 className="font-semibold text-lg">
              {total} · {words}
              {step !== undefined && `: ${nameOfStep(goal.steps[Number(step)])}`}
            </h2>
            <Table label={words} {...{ rows, columns }} keyOf={({ person }) => person.id} empty={<p className="py-3">{t('Nobody.')}</p>} />
            <Pager {...{ page, pageSize, total, onPage }} />
          </section>
        )
      }}
    </Loaded>
  )
}
