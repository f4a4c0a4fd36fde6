import type { Enrolled } from '@jackdaw/contracts/plans'
import { recordOfPerson } from '../items'
import { weekdayOf } from '@jackdaw/core/calendar'
import { addDays, daysBetween, type LocalDate, type PlanId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Link } from 'react-router'
import { ButtonLink, dayOf, Loaded, Message, TextLink, TitleLine } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { EnrolledMenu } from './EnrolledMenu'
import { useEnrolled } from './queries'

/** Everybody who goes through a plan on one time line: where they are, who is stuck, and at what. */
export function PeopleInPlanPage() {
  const { t } = useTexts()
  const { id } = useIds<{ id: PlanId }>()
  return (
    <Loaded query={useEnrolled(id)}>
      {({ title, count: all, rows }) => {
        const stuck = rows.filter(({ late }) => late.length > 0).length
        const over = rows.filter(({ overAt }) => overAt !== null).length
        return (
          <>
            <title>{`${t('People in the plan')} – ${title} – Jackdaw`}</title>
            <TitleLine
              where={{ to: `/plans/${id}`, name: title }}
              title={t('People in the plan')}
              state={[
                t('{{count}} under way', { count: all - over }),
                ...(stuck > 0 ? [t('{{count}} of them late with something', { count: stuck })] : []),
                ...(over > 0 ? [t('{{count}} through', { count: over })] : []),
              ].join(' · ')}
            >
              <ButtonLink look="primary" to={`/plans/${id}/give`}>
                {t('Give it to more people')}
              </ButtonLink>
            </TitleLine>
            <div className="bg-sheet grow border-t border-hair py-3">
              {rows.length === 0 ? (
                <p className="px-4 md:px-6 py-3">{t('Nobody goes through this plan yet.')}</p>
              ) : (
                <People planId={id} rows={rows} />
              )}
              {all > rows.length && <Message title={t('The first {{n}} of {{all}}.', { n: rows.length, all })} />}
            </div>
          </>
        )
      }}
    </Loaded>
  )
}

const DAY_PX = 11
const NAMES_PX = 250
/** The days that are shown: from the first start to the last end, and today. */
function spanOf(rows: readonly Enrolled[]): { from: LocalDate; days: number; today: LocalDate } {
  const today = rows[0]!.today
  const starts = rows.flatMap(({ stages }) => stages.flatMap(({ startsOn }) => startsOn ?? []))
  const ends = rows.flatMap(({ stages, endsOn }) => [...stages.flatMap((stage) => stage.endsOn ?? []), ...(endsOn ? [endsOn] : [])])
  const first = [...starts, today].sort()[0]!
  const from = addDays(first, 1 - weekdayOf(first))
  const until = addDays([...ends, today].sort().at(-1)!, 3)
  return { from, days: daysBetween(from, until) + 1, today }
}

function People({ planId, rows }: { planId: PlanId; rows: readonly Enrolled[] }) {
  const { t } = useTexts()
  const span = spanOf(rows)
  const [open, setOpen] = useState<string | null>(null)
  const at = (on: LocalDate) => daysBetween(span.from, on) * DAY_PX
  const weeks = Array.from({ length: Math.ceil(span.days / 7) }, (_, n) => addDays(span.from, n * 7))
  return (
    <div className="overflow-x-auto" tabIndex={0} role="group" aria-label={t('Time line of the people')}>
      <div className="relative" style={{ width: NAMES_PX + span.days * DAY_PX }}>
        <div className="flex h-7 border-b-2 border-ink text-xs text-soft" aria-hidden>
          <span className="shrink-0" style={{ width: NAMES_PX }} />
          {weeks.map((on) => (
            <span key={on} className="shrink-0 border-l border-hair pl-1 whitespace-nowrap overflow-hidden" style={{ width: 7 * DAY_PX }}>
              {dayOf(on)}
            </span>
          ))}
        </div>
        <span
          className="absolute top-7 bottom-0 border-l-2 border-kingfisher z-[4] pointer-events-none"
          style={{ left: NAMES_PX + at(span.today) }}
          aria-hidden
        />
        <ul>
          {rows.map((row) => (
            <PersonRow
              key={row.id}
              {...{ planId, row, at }}
              open={open === row.id}
              onOpen={() => setOpen(open === row.id ? null : row.id)}
            />
          ))}
        </ul>
      </div>
    </div>
  )
}

const stageLook = ({ released, finishedOn }: Enrolled['stages'][number]): string =>
  finishedOn !== null
    ? 'bg-moss border-moss text-white'
    : released
      ? 'bg-sheet border-petrol border-2 text-petrol font-semibold'
      : 'bg-sheet border-edge border-dashed text-soft'

/** From its first to its last day; of one that is still to come, as it is expected. */
function StageBar({ stage, at }: { stage: Enrolled['stages'][number]; at: (on: LocalDate) => number }) {
  const { t } = useTexts()
  const { name, startsOn, endsOn, done, required, finishedOn } = stage
  if (startsOn === null) return null
  const last = endsOn ?? startsOn
  const width = Math.max(DAY_PX, at(addDays(last, 1)) - at(startsOn)) - 1
  const words = t('{{done}} of {{all}} done', { done, all: required })
  return (
    <li
      className={`absolute top-3 h-7 border rounded-sm text-xs px-1 leading-6 overflow-hidden whitespace-nowrap ${stageLook(stage)}`}
      style={{ left: at(startsOn), width }}
      title={`${name}: ${dayOf(startsOn)} – ${dayOf(last)}, ${words}`}
    >
      <span className="sr-only">{`${name}: ${dayOf(startsOn)} – ${dayOf(last)}, ${words}`}</span>
      <span aria-hidden>
        {finishedOn !== null ? '✓' : `${done}/${required}`}
        {width > 90 && ` ${name}`}
      </span>
    </li>
  )
}

function PersonRow({
  planId,
  row,
  at,
  open,
  onOpen,
}: {
  planId: PlanId
  row: Enrolled
  at: (on: LocalDate) => number
  open: boolean
  onOpen: () => void
}) {
  const { t } = useTexts()
  const { person, mentor, stages, late, heldSince, overAt } = row
  const here = stages.filter(({ released }) => released).at(-1)
  return (
    <li className="border-b border-hair">
      <div className="flex items-stretch">
        <div className="shrink-0 sticky left-0 z-[5] bg-sheet px-4 md:px-6 py-1.5 flex gap-2 items-start" style={{ width: NAMES_PX }}>
          <span className="grow min-w-0">
            <Link to={`/records/people/${person.id}`} className="font-semibold hover:underline block truncate">
              {person.name}
            </Link>
            <span className="block text-xs text-soft truncate">
              {person.site}
              {mentor && ` · ${t('mentor {{name}}', { name: mentor.name })}`}
            </span>
            <button type="button" aria-expanded={open} className="text-left text-xs font-semibold min-h-6 hover:underline" onClick={onOpen}>
              {overAt !== null ? (
                <span className="text-moss">✓ {t('through')}</span>
              ) : heldSince !== null ? (
                <span className="text-ochre">‖ {t('held since {{day}}', { day: dayOf(heldSince) })}</span>
              ) : late.length > 0 ? (
                <span className="text-brick">▲ {t('stuck at “{{title}}”', { title: late[0]!.title })}</span>
              ) : (
                <span className="text-petrol">{here ? t('in “{{stage}}”', { stage: here.name }) : t('has not begun')}</span>
              )}
            </button>
          </span>
          <EnrolledMenu planId={planId} row={row} />
        </div>
        <ol className="relative grow min-h-14" aria-label={t('Stages of {{name}}', { name: person.name })}>
          {stages.map((stage) => (
            <StageBar key={stage.id} {...{ stage, at }} />
          ))}
        </ol>
      </div>
      {open && <Opened row={row} />}
    </li>
  )
}

/** Stage by stage, and what somebody is late with. */
function Opened({ row: { person, stages, late, checkIns, endsOn } }: { row: Enrolled }) {
  const { t } = useTexts()
  return (
    <div className="px-4 md:px-6 pb-2 text-sm sticky left-0 w-fit max-w-2xl">
      <ul>
        {stages.map((stage, n) => (
          <li key={stage.id}>
            {n + 1}. {stage.name}: {t('{{done}} of {{all}} done', { done: stage.done, all: stage.required })}
            {stage.startsOn
              ? `, ${dayOf(stage.startsOn)} – ${dayOf(stage.endsOn ?? stage.startsOn)}`
              : `, ${t('waits for the stage before')}`}
          </li>
        ))}
        {checkIns.map(({ id, name, on, state, missing }) => (
          <li key={id}>
            {state === 'coming'
              ? t('Check-in “{{name}}” on {{day}}', { name, day: dayOf(on) })
              : state === 'over'
                ? t('Check-in “{{name}}”: answered', { name })
                : t('Check-in “{{name}}” waits since {{day}} for {{names}}', {
                    ...{ name, day: dayOf(on), names: missing.map((each) => each.name).join(', ') },
                  })}
          </li>
        ))}
        {late.map(({ item, title, dueOn }) => (
          <li key={item.id} className="text-brick">
            ▲ <TextLink to={recordOfPerson(person.id, item)}>{title}</TextLink> {t('was due {{day}}', { day: dayOf(dueOn) })}
          </li>
        ))}
      </ul>
      {endsOn && (
        <p className="text-soft">{t('Through by {{day}}, if everything is done on its day from now on.', { day: dayOf(endsOn) })}</p>
      )}
    </div>
  )
}
