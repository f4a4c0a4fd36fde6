import type { SimulatedPlan } from '@jackdaw/contracts/plans'
import type { PersonRef } from '@jackdaw/contracts/people'
import { SLOW_DAYS, type Pace, type PlanDocument } from '@jackdaw/core/plans'
import type { LocalDate, PersonId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { PersonPicker } from '../people/PersonPicker'
import { DateField, dayAndYearOf, dayOf, Failed, Waiting } from '../ui'
import { useTexts, type Texts } from '../ui/words/texts'
import { useSimulation } from './queries'
import { todayHere } from './todayHere'

const paceWords = (t: Texts['t'], pace: Pace): string =>
  ({
    'as-planned': t('As planned'),
    slow: t('Slowly: each thing {{count}} working days late', { count: SLOW_DAYS }),
    nothing: t('Doing nothing'),
  })[pace]

/** Goes through a plan for somebody before it is given: when it ends, what gives way to holidays, and which days hold too much. */
export function SimulationPanel({ document, whole }: { document: PlanDocument; whole: boolean }) {
  const { t } = useTexts()
  const [people, setPeople] = useState<PersonRef[]>([])
  const [startOn, setStartOn] = useState(todayHere)
  const [person] = people
  return (
    <section className="space-y-3" aria-live="polite">
      <h2 className="text-lg border-b-2 border-ink">{t('Try it for somebody')}</h2>
      <PersonPicker label={t('Person')} chosen={people} onChange={(next) => setPeople(next.slice(-1))} />
      <DateField label={t('Starting on')} value={startOn} onChange={setStartOn} />
      {person ? (
        whole && <SimulationFor {...{ document, startOn }} personId={person.id} />
      ) : (
        <p className="text-sm text-soft">{t('Choose somebody; nothing is given to them by that.')}</p>
      )}
    </section>
  )
}

/** What comes of a plan for somebody, at every pace. */
export function SimulationFor({ document, personId, startOn }: { document: PlanDocument; personId: PersonId; startOn: LocalDate }) {
  const query = useSimulation({ document, personId, startOn })
  if (query.isError) return <Failed error={query.error} />
  if (!query.data) return <Waiting />
  const { paces, person } = query.data
  return (
    <div className={`space-y-2 ${query.isPlaceholderData ? 'opacity-60' : ''}`}>
      {paces.map((each) => (
        <PaceWords key={each.pace} {...{ each, document }} name={person.name} />
      ))}
    </div>
  )
}

/** What comes of it at one pace, in sentences. */
function PaceWords({ each, document, name }: { each: SimulatedPlan; document: PlanDocument; name: string }) {
  const { t } = useTexts()
  const { pace, startsOn, endsOn, stuckAt, moved, days } = each
  const stuck = document.stages.find(({ id }) => id === stuckAt)
  const over = days.filter((day) => day.over > 0)
  return (
    <div className="border-l-4 border-edge pl-3">
      <h3 className="font-semibold">{paceWords(t, pace)}</h3>
      <p>
        {endsOn !== null
          ? t('{{name}}, starting {{start}}: ends {{end}}.', { name, start: dayOf(startsOn), end: dayAndYearOf(endsOn) })
          : t('{{name}}, starting {{start}}: stuck at “{{stage}}”.', { name, start: dayOf(startsOn), stage: stuck?.name ?? '' })}
      </p>
      {pace === 'as-planned' && (
        <ul className="text-sm">
          {moved.holiday > 0 && <li>{t('{{count}} items moved off a holiday', { count: moved.holiday })}</li>}
          {moved.away > 0 && <li>{t('{{count}} items moved because they are away', { count: moved.away })}</li>}
          {over.map((day) => (
            <li key={day.on} className="text-brick">
              ▲ {t('{{day}} holds {{minutes}} min, {{over}} over your limit', { day: dayOf(day.on), minutes: day.minutes, over: day.over })}
            </li>
          ))}
          {document.stages.map(({ id, name: called, checkIns = [] }) => {
            const stage = each.stages.find((found) => found.id === id)
            return (
              stage?.startsOn && (
                <li key={id} className="text-soft">
                  {called}: {dayOf(stage.startsOn)} – {dayOf(stage.endsOn ?? stage.startsOn)}
                  {stage.checkIns.map(({ id: asked, on }) => (
                    <span key={asked} className="block pl-3">
                      {t('{{day}}: check-in “{{name}}”', {
                        ...{ day: dayOf(on), name: checkIns.find((found) => found.id === asked)?.name ?? '' },
                      })}
                    </span>
                  ))}
                </li>
              )
            )
          })}
        </ul>
      )}
    </div>
  )
}
