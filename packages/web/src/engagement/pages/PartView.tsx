import { OwnerSort, ReaderSort, StepSort, UsedSort } from '@jackdaw/contracts/engagement'
import type { FigurePart } from '@jackdaw/contracts/figurePages'
import { itemKey } from '@jackdaw/core/items'
import { Link } from 'react-router'
import { lengthOf, Loaded, numberOf, percentOf, TextLink } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { figureWords } from '../figureWords'
import { GoalCurve } from '../GoalCurve'
import { useGoalResult } from '../goalQueries'
import { shareOf } from '../journeying'
import { changeOf } from '../Ledger'
import { daysIn, daysOf, pageAt, rowsAt, scopeIn, visitScopeIn, type Looking } from '../looking'
import { FigureOverTime } from '../OverTime'
import { useOverTime, useOwners, useReaders, useTimedSteps, useUsedItems } from '../queries'
import { useSought } from '../soughtQueries'
import { cameTo, timesAsLong } from '../TimedSteps'

const FIRST = 8
type Shown = { looking: Looking }

/** What a part of a page of figures shows, with the figures that the reader may see. */
export function PartView({ part: { shows, goal, looking } }: { part: FigurePart }) {
  // What a stored part does not say is not looked at.
  const all = looking as Looking
  switch (shows) {
    case 'time':
      return <OneFigure looking={all} />
    case 'used':
      return <FirstUsed looking={all} />
    case 'steps':
      return <FirstSteps looking={all} />
    case 'readers':
      return <FirstReaders looking={all} />
    case 'owners':
      return <FirstOwners looking={all} />
    case 'sought':
      return <FirstSought looking={all} />
    case 'goal':
      return goal && <OneGoal looking={all} goal={goal} />
  }
}

function OneFigure({ looking }: Shown) {
  const { t } = useTexts()
  const { compare = 'before', unit = 'day', shown = 'views' } = looking
  const query = useOverTime({ ...daysIn(looking), ...scopeIn(looking), by: unit, ...(compare === 'none' ? {} : { compare }) })
  return (
    <Loaded query={query}>
      {(found) => (
        <>
          <p className="pb-2">
            <Link to={rowsAt(looking, shown, found.now.span)} className="text-2xl font-semibold tabular-nums underline underline-offset-4">
              {numberOf(found.now.whole[shown])}
            </Link>{' '}
            {figureWords(t)[shown].name}
            {found.before && <span className="text-soft"> · {changeOf(t, found.now.whole[shown], found.before.whole[shown])}</span>}
          </p>
          <FigureOverTime search={looking} found={found} />
        </>
      )}
    </Loaded>
  )
}

type Line = { key: string; name: string; to: string; said: string; opens: string }
/** The first lines of a list, each with a figure that opens, and the way to all of it. */
function First({ lines, all, total }: { lines: readonly Line[]; all: string; total: number }) {
  const { t } = useTexts()
  return (
    <>
      {lines.length === 0 && <p className="py-2 text-soft">{t('Nothing in these days.')}</p>}
      <ol>
        {lines.slice(0, FIRST).map(({ key, name, to, said, opens }) => (
          <li key={key} className="flex gap-3 border-b border-hair py-1.5 items-baseline">
            <Link to={to} className="grow min-w-0 truncate hover:underline">
              {name}
            </Link>
            <Link to={opens} aria-label={`${said}: ${name}`} className="tabular-nums underline underline-offset-3">
              {said}
            </Link>
          </li>
        ))}
      </ol>
      {total > 0 && (
        <p className="pt-2">
          <TextLink to={all}>{t('All {{n}}', { n: total })}</TextLink>
        </p>
      )}
    </>
  )
}

function FirstUsed({ looking }: Shown) {
  const sort = UsedSort.safeParse(looking.sort).data ?? 'views'
  const query = useUsedItems({ ...daysIn(looking), ...scopeIn(looking), sort, direction: looking.direction ?? 'down', page: 1 })
  return (
    <Loaded query={query}>
      {({ rows, total }) => (
        <First
          total={total}
          all={pageAt('/engagement', { ...looking, by: 'used' })}
          lines={rows.map((row) => {
            const figure = sort === 'people' || sort === 'finishers' ? sort : sort === 'time' ? 'time' : 'views'
            const share = row.people === 0 ? 0 : row.finishers / row.people
            return {
              key: itemKey(row.item),
              name: row.title,
              to: pageAt('/engagement', { ...looking, by: 'time', item: row.item.id }),
              said:
                sort === 'share'
                  ? percentOf(share)
                  : sort === 'time'
                    ? `${row.minutesEach ?? 0} min`
                    : numberOf(row[figure === 'time' ? 'views' : figure]),
              opens: rowsAt(looking, sort === 'share' ? 'finishers' : figure, { ...daysIn(looking), item: row.item.id }),
            }
          })}
        />
      )}
    </Loaded>
  )
}

function FirstSteps({ looking }: Shown) {
  const sort = StepSort.safeParse(looking.sort).data ?? 'ratio'
  const query = useTimedSteps({ ...daysIn(looking), ...visitScopeIn(looking), sort, direction: looking.direction ?? 'down', page: 1 })
  return (
    <Loaded query={query}>
      {({ rows, total }) => (
        <First
          total={total}
          all={pageAt('/engagement', { ...looking, by: 'steps' })}
          lines={rows.map((row) => ({
            key: `${row.guide.id} ${row.stepId}`,
            name: `${row.guide.title}: ${row.name}`,
            to: pageAt(`/engagement/guides/${row.guide.id}`, daysOf(looking)),
            said: sort === 'came' ? numberOf(row.came) : sort === 'mean' ? lengthOf(row.meanMs) : timesAsLong(row),
            opens: cameTo(looking, row),
          }))}
        />
      )}
    </Loaded>
  )
}

function FirstReaders({ looking }: Shown) {
  const sort = ReaderSort.safeParse(looking.sort).data ?? 'views'
  const query = useReaders({ ...daysIn(looking), ...scopeIn(looking), sort, direction: looking.direction ?? 'down', page: 1 })
  return (
    <Loaded query={query}>
      {({ rows, total }) => (
        <First
          total={total}
          all={pageAt('/engagement', { ...looking, by: 'readers' })}
          lines={rows.map(({ person, ...row }) => {
            const figure = sort === 'things' || sort === 'finished' ? sort : 'views'
            return {
              key: person.id,
              name: person.name,
              to: pageAt('/engagement', { ...looking, by: 'used', person: person.id }),
              said: numberOf(row[figure]),
              opens: rowsAt(looking, figure, { ...daysIn(looking), person: person.id }),
            }
          })}
        />
      )}
    </Loaded>
  )
}

function FirstOwners({ looking }: Shown) {
  const sort = OwnerSort.safeParse(looking.sort).data ?? 'views'
  const query = useOwners({ ...daysIn(looking), ...scopeIn(looking), sort, direction: looking.direction ?? 'down', page: 1 })
  return (
    <Loaded query={query}>
      {({ rows, total }) => (
        <First
          total={total}
          all={pageAt('/engagement', { ...looking, by: 'owners' })}
          lines={rows.map(({ person, ...row }) => {
            const figure = sort === 'name' ? 'views' : sort
            return {
              key: person.id,
              name: person.name,
              to: pageAt('/engagement', { ...looking, by: 'used', owner: person.id }),
              said: numberOf(row[figure]),
              opens: rowsAt(looking, figure, { ...daysIn(looking), owner: person.id }),
            }
          })}
        />
      )}
    </Loaded>
  )
}

function FirstSought({ looking }: Shown) {
  const { department, site, team, which = 'all' } = looking
  const query = useSought({ ...daysIn(looking), department, site, team, which, page: 1 })
  const among = { ...daysOf(looking), department, site, team }
  return (
    <Loaded query={query}>
      {({ rows, total }) => (
        <First
          total={total}
          all={pageAt('/engagement', { ...among, which: looking.which, by: 'sought' })}
          lines={rows.map(({ words, times }) => {
            const opens = pageAt('/engagement/searches', { ...among, words, part: 'times' })
            return { key: words, name: words, to: opens, said: numberOf(times), opens }
          })}
        />
      )}
    </Loaded>
  )
}

function OneGoal({ looking, goal }: Shown & { goal: NonNullable<FigurePart['goal']> }) {
  const { t } = useTexts()
  const { department, site, team } = looking
  const query = useGoalResult(goal, { ...daysIn(looking), department, site, team })
  return (
    <Loaded query={query}>
      {({ goal: named, began, steps }) => {
        const last = steps.at(-1)
        return (
          <>
            <p className="pb-2">
              <TextLink to={pageAt(`/engagement/goals/${named.id}`, { ...daysOf(looking), department, site, team })}>{named.name}</TextLink>
              :{' '}
              {t('{{reached}} of {{began}} who began, {{share}}', {
                reached: last?.reached ?? 0,
                began,
                share: shareOf(t, last?.reached ?? 0, began),
              })}
            </p>
            {last && <GoalCurve step={last} n={steps.length - 1} />}
          </>
        )
      }}
    </Loaded>
  )
}
