import { useIds } from '../ui/search/useIds'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { getPersonGuide } from '@jackdaw/contracts/records'
import type { GuideId, PersonId } from '@jackdaw/core/shared'
import { CircleCheck, CircleX } from 'lucide-react'
import { useTexts } from '../ui/words/texts'
import { ButtonLink, lengthOf, Loaded, momentOf, StateMark, Table, TitleLine, whenOf } from '../ui'
import type { Column } from '../ui/table/columns'
import { cautionWord } from '../guides/CautionView'
import { WhyGiven } from '../assignments'
import { AcknowledgedList } from './CautionsPage'
import { usePersonGuide } from './queries'

type Found = ResponseOf<typeof getPersonGuide>

/** One person and one guide: every way of use, every attempt, every step that was practised or tested. */
export function PersonGuidePage() {
  const { t } = useTexts()
  const { id, guideId } = useIds<{ id: PersonId; guideId: GuideId }>()
  const query = usePersonGuide(id, guideId)
  return (
    <Loaded query={query}>
      {({ person, record, cautions, attempts, steps }) => (
        <>
          <title>{`${person.name}: ${record.title} – Jackdaw`}</title>
          <TitleLine
            where={{ to: `/records/people/${id}`, name: person.name }}
            title={record.title}
            state={
              <>
                {t('Guide {{n}}', { n: record.number })}, {t('edition {{n}}', { n: record.edition })} · {person.department}, {person.site}
              </>
            }
          >
            <ButtonLink to={`/guides/${guideId}`}>{t('Open the guide')}</ButtonLink>
          </TitleLine>
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-4 space-y-6">
            <Ways record={record} />
            <WhyGiven personId={id} itemId={guideId} />
            <Cautions cautions={cautions} />
            <Attempts attempts={attempts} />
            <Steps steps={steps} />
          </div>
        </>
      )}
    </Loaded>
  )
}

function Ways({ record }: { record: Found['record'] }) {
  const { t } = useTexts()
  const { watch, practise, solo } = record.ways
  const rows: [string, React.ReactNode][] = [
    [t('Read'), <StateMark key="read" state={record.state} dueOn={record.dueOn} />],
    [
      t('Watch'),
      watch ? t('begun {{begun}} ×, to the end {{finished}} ×; last {{day}}', { ...watch, day: whenOf(watch.lastAt) }) : t('not used'),
    ],
    [
      t('Practise'),
      practise
        ? t('begun {{begun}} ×, to the end {{finished}} ×; tries {{tries}}, steps with help {{helped}}; last {{day}}', {
            ...practise,
            day: whenOf(practise.lastAt),
          })
        : t('not used'),
    ],
    [
      t('Solo'),
      solo
        ? solo.passedAt === null
          ? t('begun {{begun}} ×, not passed yet', { begun: solo.begun })
          : t('passed on {{day}}, in edition {{edition}}', { day: whenOf(solo.passedAt), edition: solo.passedEdition })
        : t('not taken'),
    ],
  ]
  return (
    <dl className="grid sm:grid-cols-[120px_minmax(0,1fr)] gap-x-6 gap-y-2">
      {rows.map(([name, value]) => (
        <div key={name} className="contents">
          <dt className="font-semibold">{name}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </dl>
  )
}

function Cautions({ cautions }: { cautions: Found['cautions'] }) {
  const { t } = useTexts()
  if (cautions.length === 0) return null
  return (
    <section>
      <h2 className="text-lg mb-1">{t('Cautions acknowledged')}</h2>
      <ul className="border-t border-hair">
        {cautions.map((each) => (
          <li key={each.stepId} className="border-b border-hair py-2 grid sm:grid-cols-[90px_minmax(0,1fr)_minmax(0,1fr)] gap-x-4 gap-y-1">
            <strong>{cautionWord(each.level, t)}</strong>
            <span>
              {each.position}. {each.step}
            </span>
            <AcknowledgedList list={each.acknowledged} />
          </li>
        ))}
      </ul>
    </section>
  )
}

function Attempts({ attempts }: { attempts: Found['attempts'] }) {
  const { t } = useTexts()
  const ENDED = { finished: '', 'given-up': t('ended before its end'), expired: t('not ended within a day') }
  return (
    <section>
      <h2 className="text-lg mb-1">{t('Attempts at Solo')}</h2>
      {attempts.length === 0 && <p className="text-soft">{t('None yet. An attempt that is under way appears here once it has ended.')}</p>}
      <ol className="border-t border-hair">
        {attempts.map(({ number, edition, result }) => (
          <li key={number} className="border-b border-hair py-2">
            <p className="flex flex-wrap items-center gap-x-4">
              <span className="tabular-nums text-soft">{t('Attempt {{n}}', { n: number })}</span>
              <span className={`inline-flex items-center gap-1 font-semibold ${result.passed ? 'text-moss' : 'text-brick'}`}>
                {result.passed ? <CircleCheck size={16} aria-hidden /> : <CircleX size={16} aria-hidden />}
                {result.passed ? t('passed') : t('not passed')}, {result.percent} %
              </span>
              <span>
                {t('{{right}} of {{of}} right at the first try, {{tries}} tries', {
                  right: result.rightFirst,
                  of: result.judged,
                  tries: result.tries,
                })}
              </span>
              <span>{lengthOf(result.activeMs)}</span>
              <span className="text-soft">
                {momentOf(result.endedAt)}, {t('edition {{n}}', { n: edition })}
                {ENDED[result.ended] && ` · ${ENDED[result.ended]}`}
              </span>
            </p>
            {result.missed.length > 0 && (
              <p className="text-sm text-soft">
                {result.missed.map((step) => `${step.name} (${step.done ? t('try {{n}}', { n: step.tries }) : t('not done')})`).join(' · ')}
              </p>
            )}
          </li>
        ))}
      </ol>
    </section>
  )
}

function Steps({ steps }: { steps: Found['steps'] }) {
  const { t } = useTexts()
  if (steps.length === 0) return null
  const columns: Column<Found['steps'][number]>[] = [
    { id: 'step', head: t('Step'), cell: (step) => `${step.position}. ${step.name}` },
    { id: 'way', head: t('Way'), cell: (step) => (step.way === 'solo' ? t('Solo') : t('Practise')) },
    { id: 'times', head: t('Times'), cell: (step) => step.times },
    { id: 'right', head: t('Right at once'), cell: (step) => step.rightFirst },
    { id: 'tries', head: t('Tries'), cell: (step) => step.tries },
    { id: 'helped', head: t('With help'), cell: (step) => step.helped },
    { id: 'failed', head: t('Not done'), cell: (step) => step.failed },
  ]
  return (
    <section>
      <h2 className="text-lg mb-1">{t('Step by step')}</h2>
      <Table label={t('Step by step')} rows={steps} columns={columns} keyOf={(step) => `${step.stepId} ${step.way}`} empty={null} />
    </section>
  )
}
